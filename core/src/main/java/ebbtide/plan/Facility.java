package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;

/** A borrowing facility with its limit in minor units, and its yearly rate, which may step; in force on the day itself (rules 2.2, 8.7). */
public record Facility(String name, Steps<Long> limit, Steps<Percent> rate) {
  public Facility {
    name = Check.text(name, "name of the facility");
    rate.steps().forEach(step -> Check.inRange(step.value(), Percent.ZERO, Percent.HUNDRED, "rate from " + step.from()));
    limit.steps().forEach(step -> Check.notNegative(step.value(), "limit from " + step.from()));
  }

  /** Makes a facility whose rate is not known. */
  public Facility(String name, Steps<Long> limit) {
    this(name, limit, Steps.none());
  }
}
