package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** What a question measures futures by, the day of it left to whoever asks (rules 11.6). */
public enum MeasureAsked {
    LEAST_HEADROOM,
    LEAST_CASH,
    LIMITS_LESS_NEED,
    COVENANT_ROOM,
    PROFIT,
    CLOSING;

    /**
     * Returns the measure; closing cash is that of a day, of the last one where none is said, profit that of the fiscal
     * year of a day, of the first that is forecast where none is.
     *
     * @throws Refused for a day that the forecast does not have
     */
    public Measure on(@Nullable LocalDate day, Forecast forecast) {
        return switch (this) {
            case LEAST_HEADROOM -> new Measure.LeastHeadroom();
            case LEAST_CASH -> new Measure.LeastCash();
            case LIMITS_LESS_NEED -> new Measure.LimitsLessNeed();
            case COVENANT_ROOM -> new Measure.CovenantRoom();
            case PROFIT ->
                new Measure.ProfitOf(
                        day == null ? forecast.plan().settings().asOf().plusDays(1) : day);
            case CLOSING -> {
                LocalDate on = day == null ? forecast.lastDay() : day;
                Check.that(
                        !on.isBefore(forecast.firstDay()) && !on.isAfter(forecast.lastDay()),
                        "Closing cash is known from " + forecast.firstDay() + " to " + forecast.lastDay()
                                + ", but was asked on " + on);
                yield new Measure.ClosingOn(on);
            }
        };
    }
}
