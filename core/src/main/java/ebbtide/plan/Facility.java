package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;

/**
 * The overdraft of a plan's accounts: what cash may lie below zero in minor units, and its yearly rate; both may step,
 * in force on the day itself (rules 2.2, 8.2). It is not drawn by the sweep.
 */
public record Facility(String name, Steps<Long> limit, Steps<Percent> rate) {
    public Facility {
        name = Check.text(name, "name of the facility");
        rate.steps()
                .forEach(
                        step -> Check.inRange(step.value(), Percent.ZERO, Percent.HUNDRED, "rate from " + step.from()));
        limit.steps().forEach(step -> Check.notNegative(step.value(), "limit from " + step.from()));
    }

    Inputs<Facility> inputs() {
        return Inputs.of(this).add("rate", "rate of " + name, Unit.RATE).add("limit", "limit of " + name, Unit.MONEY);
    }

    /** Makes a facility whose rate is not known. */
    public Facility(String name, Steps<Long> limit) {
        this(name, limit, Steps.none());
    }
}
