package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.math.BigDecimal;
import java.math.RoundingMode;

/** A discount for paying some days after issue instead of when due, and whether it is taken (rules 3.6). */
public record EarlyPayment(Percent discount, int days, boolean taken) {
    public EarlyPayment {
        Check.inRange(discount, Percent.ZERO, new Percent(Percent.WHOLE / 2), "discount for paying early");
        Check.inRange(days, 0, 365, "days within which the discount holds");
    }

    Inputs<EarlyPayment> inputs() {
        return Inputs.of(this)
                .add(
                        "discount",
                        "discount for paying early",
                        Unit.percent("%", Percent.ZERO, new Percent(Percent.WHOLE / 2)))
                .add("days", "early is within", Unit.days(0, 365))
                .add("taken", "the discount for paying early is taken", Unit.CHOICE);
    }

    /**
     * Returns what the discount is worth a year, simple, for paying in these days instead of others: d / (1 - d) x 365
     * / (n - a), rounded to four decimals of a percent. 2% for 10 days instead of 45 is 21.2828%. The others are more
     * than these.
     */
    public Percent yearlyRate(int insteadOfDays) {
        Check.that(
                insteadOfDays > days,
                "Paying in " + days + " days is not earlier than in " + insteadOfDays
                        + ": the discount must hold for fewer days than it takes to pay without it");
        BigDecimal whole = BigDecimal.valueOf(discount.millionths())
                .multiply(BigDecimal.valueOf(365 * Percent.WHOLE))
                .divide(
                        BigDecimal.valueOf(Percent.WHOLE - discount.millionths())
                                .multiply(BigDecimal.valueOf(insteadOfDays - days)),
                        0,
                        RoundingMode.HALF_UP);
        return new Percent(whole.longValueExact());
    }
}
