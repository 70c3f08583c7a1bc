package ebbtide.answers;

import static ebbtide.time.DayFormats.WEEKDAY;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Whether a plan's facilities are enough (rules 8.7): the peak need over the horizon with its day and the part of it
 * that is drawn today, what the limits come to on that day, the worst shortfall with its day (null: none), and in a
 * sentence whether it suffices. {@code least} is the least that limits of facilities would have to come to so that
 * nothing falls short, with a cushion; interest on it is reckoned with.
 */
public record FundingAnswer(
        long peakNeed,
        LocalDate peakDay,
        long drawnNow,
        long limit,
        long shortfall,
        @Nullable LocalDate shortDay,
        long least,
        String sentence) {
    /** More than any limit: what is drawn on it is what is needed. */
    private static final long UNLIMITED = 1_000_000_000_000_000L;

    /** Returns the answer for a forecast, with a cushion in minor units above what is needed. */
    public static FundingAnswer of(Forecast forecast, long cushion) {
        int first = forecast.asOfIndex() + 1;
        int last = forecast.timeline().index(forecast.lastDay());
        int peak = first;
        int shortest = first;
        for (int day = first; day <= last; day++) {
            peak = need(forecast, day) > need(forecast, peak) ? day : peak;
            shortest = forecast.funding().shortfall(day) > forecast.funding().shortfall(shortest) ? day : shortest;
        }
        long need = Math.max(0, need(forecast, peak));
        long shortfall = forecast.funding().shortfall(shortest);
        long drawn = forecast.funding().facilities().stream()
                .mapToLong(forecast.funding()::drawnAsOf)
                .sum();
        long limit = forecast.liquidity().limit(peak);
        LocalDate peakDay = forecast.timeline().date(peak);
        LocalDate shortDay = shortfall > 0 ? forecast.timeline().date(shortest) : null;
        return new FundingAnswer(
                need,
                peakDay,
                drawn,
                limit,
                shortfall,
                shortDay,
                least(forecast, cushion),
                sentence(forecast, need, peakDay, limit, shortfall, shortDay));
    }

    private static long need(Forecast forecast, int day) {
        return forecast.liquidity().need(day);
    }

    private static String sentence(
            Forecast forecast, long need, LocalDate peakDay, long limit, long shortfall, @Nullable LocalDate shortDay) {
        if (forecast.funding().unsettled().isPresent()) {
            return "The interest of " + forecast.funding().unsettled().get()
                    + " by the mean of balances does not settle: each round draws or repays another "
                    + "multiple. Reckon it by nights, or lower the multiple. From then on nothing is drawn here.";
        }
        if (shortfall > 0) {
            return "It is not enough: " + words(forecast, shortfall) + " is missing on " + WEEKDAY.format(shortDay)
                    + ".";
        }
        return need == 0
                ? "It is enough: cash never needs to be funded."
                : "It is enough: the most that is needed is " + words(forecast, need) + " on " + WEEKDAY.format(peakDay)
                        + ", within limits of " + words(forecast, limit) + ".";
    }

    private static String words(Forecast forecast, long minor) {
        return Money.words(minor, forecast.plan().settings().currency());
    }

    /** The most that is drawn of a facility without a limit, in place of all facilities: at the rate of the first. */
    private static long least(Forecast forecast, long cushion) {
        Plan plan = forecast.plan();
        List<Line> facilities = forecast.funding().facilities();
        if (facilities.isEmpty()) {
            long most = 0;
            for (int day = forecast.asOfIndex() + 1; day <= forecast.timeline().index(forecast.lastDay()); day++) {
                most = Math.max(most, need(forecast, day));
            }
            return most == 0 ? 0 : most + cushion;
        }
        Line first = facilities.get(0);
        Settings settings = plan.settings();
        long drawn =
                facilities.stream().mapToLong(forecast.funding()::drawnAsOf).sum();
        Revolving with = (Revolving) first.assumption();
        Revolving unlimited = new Revolving(
                Steps.from(LocalDate.of(1990, 1, 1), UNLIMITED),
                true,
                null,
                null,
                with.base(),
                with.margin(),
                Steps.none(),
                with.multiple(),
                0,
                Steps.none(),
                with.charging(),
                new Revolving.Drawn(settings.asOf(), Math.max(0, drawn), 0));
        Plan trial = new Plan(
                settings,
                plan.lines().stream()
                        .map(line -> line.id().equals(first.id())
                                ? line.with(unlimited)
                                : facilities.contains(line) ? line.off() : line)
                        .toList(),
                List.of());
        // All that the limits do not change is taken over.
        Forecast then = Forecaster.forecast(trial, forecast.books(), forecast);
        long most = 0;
        for (int day = then.asOfIndex() + 1; day <= then.timeline().index(then.lastDay()); day++) {
            most = Math.max(most, then.funding().drawn(0, day));
        }
        return most == 0 ? 0 : most + cushion;
    }
}
