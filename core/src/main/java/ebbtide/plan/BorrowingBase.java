package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;

/**
 * What of a facility's limit is available against receivables and stock (rules 8.2): a share of the receivables that
 * are neither held, disputed nor more than so many days late, and a share of stock, set at each month's end.
 * {@code now} is what is available on the as-of date, in minor units, until the first month's end.
 */
public record BorrowingBase(Percent receivables, Percent stock, int daysLate, long now) {
    public BorrowingBase {
        Check.inRange(receivables, Percent.ZERO, Percent.HUNDRED, "share of receivables");
        Check.inRange(stock, Percent.ZERO, Percent.HUNDRED, "share of stock");
        Check.inRange(daysLate, 0, 365, "days late until a receivable no longer counts");
        Check.notNegative(now, "what is available on the as-of date");
    }

    Inputs<BorrowingBase> inputs() {
        return Inputs.of(this)
                .add("receivables", "available against receivables", Unit.SHARE)
                .add("stock", "available against stock", Unit.SHARE)
                .add("daysLate", "a receivable counts until late by", Unit.days(0, 365))
                .add("now", "available on the as-of date", Unit.MONEY)
                .facts("now");
    }
}
