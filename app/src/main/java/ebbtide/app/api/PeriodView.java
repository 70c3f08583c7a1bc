package ebbtide.app.api;

import ebbtide.time.Period;
import java.time.LocalDate;
import java.time.temporal.IsoFields;

/** A column: its first and last day, and whether it is settled, that is not after the as-of date. */
record PeriodView(LocalDate from, LocalDate to, boolean settled, int weekOfYear) {
    static PeriodView of(Period period, LocalDate asOf) {
        return new PeriodView(
                period.startInclusive(),
                period.lastDay(),
                !period.lastDay().isAfter(asOf),
                period.lastDay().get(IsoFields.WEEK_OF_WEEK_BASED_YEAR));
    }
}
