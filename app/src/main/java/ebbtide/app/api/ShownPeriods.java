package ebbtide.app.api;

import ebbtide.forecast.Forecast;
import ebbtide.money.Refused;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;

/** The periods that stand side by side in an answer: as many as are shown, so that none grows without bound. */
final class ShownPeriods {
    /** A year of days and what is read beside it; six years of weeks. */
    static final int MOST = 400;

    private ShownPeriods() {}

    /**
     * Returns the periods of some days.
     *
     * @throws Refused for more than stand side by side, in a sentence
     */
    static List<Period> of(Forecast forecast, Periods by, LocalDate from, LocalDate to) {
        List<Period> periods = forecast.periods(by, from, to);
        if (periods.size() > MOST) {
            throw new Refused(String.format(
                    Locale.ROOT,
                    "%,d columns are more than can stand side by side, which are %d: choose fewer days along the tide line, or longer periods. The CSV has all of them",
                    periods.size(),
                    MOST));
        }
        return periods;
    }
}
