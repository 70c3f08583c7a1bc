package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;

/** The sales tax a line bears, and whether its amounts are typed with the tax in them (rules 2.1, 3.1). */
public record SalesTax(Percent rate, boolean amountsAreGross) {
  public static final SalesTax NONE = new SalesTax(Percent.ZERO, false);

  public SalesTax {
    Check.inRange(rate, Percent.ZERO, Percent.HUNDRED, "sales tax rate");
  }

  /** Returns the tax of a line's amount in minor units: net x rate, or the tax within a gross amount; rounded once. */
  public long taxOf(long amount) {
    return amountsAreGross ? rate.withinGross(amount) : rate.of(amount);
  }

  /** Returns what is billed for a line's amount: the amount itself if typed gross, else with the tax on top. */
  public long grossOf(long amount) {
    return amountsAreGross ? amount : amount + rate.of(amount);
  }
}
