package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;

/**
 * The sales tax a line bears, whether its amounts are typed with the tax in them, and the share of tax paid that is
 * claimed back (rules 2.1, 3.1, 7.3). Tax on receipts is owed whole, whatever is recoverable.
 */
public record SalesTax(Percent rate, boolean amountsAreGross, Percent recoverable) {
    public static final SalesTax NONE = of(Percent.ZERO, false);

    public SalesTax {
        Check.inRange(rate, Percent.ZERO, Percent.HUNDRED, "sales tax rate");
        Check.inRange(recoverable, Percent.ZERO, Percent.HUNDRED, "recoverable share of the tax");
    }

    Inputs<SalesTax> inputs() {
        return Inputs.of(this)
                .when(!isNone(), "rate", "sales tax", Unit.SHARE)
                .when(
                        !isNone() && !recoverable.equals(Percent.HUNDRED),
                        "recoverable",
                        "sales tax claimed back",
                        Unit.SHARE)
                .when(false, "amountsAreGross", "amounts hold the sales tax", Unit.CHOICE);
    }

    /** Returns tax that is recoverable in full. */
    public static SalesTax of(Percent rate, boolean amountsAreGross) {
        return new SalesTax(rate, amountsAreGross, Percent.HUNDRED);
    }

    /**
     * Returns the tax of a line's amount in minor units: net x rate, or the tax within a gross amount; rounded once.
     */
    public long taxOf(long amount) {
        return amountsAreGross ? rate.withinGross(amount) : rate.of(amount);
    }

    /** Returns what is billed for a line's amount: the amount itself if typed gross, else with the tax on top. */
    public long grossOf(long amount) {
        return amountsAreGross ? amount : amount + rate.of(amount);
    }

    /** Returns what of a tax in minor units is owed, on a receipt, or claimed back, on a payment. */
    public long back(boolean receipt, long taxed) {
        return receipt ? taxed : recoverable.of(taxed);
    }

    public boolean isNone() {
        return rate.millionths() == 0;
    }
}
