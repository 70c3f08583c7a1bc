package ebbtide.plan;

import ebbtide.money.Check;

/** A borrowing facility with its limit in minor units, which may step; in force on the day itself (rules 2.2, 8.7). */
public record Facility(String name, Steps<Long> limit) {
  public Facility {
    name = Check.text(name, "name of the facility");
    limit.steps().forEach(step -> Check.notNegative(step.value(), "limit from " + step.from()));
  }
}
