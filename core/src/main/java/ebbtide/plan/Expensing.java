package ebbtide.plan;

import ebbtide.money.Check;
import java.time.YearMonth;

/**
 * Which months a bill covers, so that its cost falls on their days: so many whole months, beginning some months after
 * the bill's own (before it when negative); and whether it is no bill at all but a cost without cash (rules 7.2).
 */
public record Expensing(int months, int offset, boolean nonCash) {
    /** A bill covers its own month. */
    public static final Expensing OWN_MONTH = new Expensing(1, 0, false);

    public Expensing {
        Check.inRange(months, 1, 60, "months that a bill covers");
        Check.inRange(offset, -60, 60, "months between a bill and what it covers");
    }

    Inputs<Expensing> inputs() {
        return Inputs.of(this)
                .when(isSpread(), "months", "months that a bill covers", Unit.months(1, 60))
                .when(false, "offset", "months between a bill and what it covers", Unit.months(-60, 60))
                .when(false, "nonCash", "a cost without cash", Unit.CHOICE);
    }

    /** Returns the first month that a bill of a month covers. */
    public YearMonth firstOf(YearMonth bill) {
        return bill.plusMonths(offset);
    }

    /** Returns whether some of a bill's cost falls outside its own month, so that it is prepaid or accrued. */
    public boolean isSpread() {
        return months != 1 || offset != 0;
    }
}
