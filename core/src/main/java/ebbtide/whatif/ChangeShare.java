package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.money.Rounding;
import ebbtide.plan.DayRange;
import ebbtide.plan.Input;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import ebbtide.plan.Steps;
import ebbtide.plan.Unit;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * A share of a change (rules 11.9): each figure moves by that share of what the change moves it by, within its bounds;
 * what is no figure is changed whole at any share above nil.
 */
record ChangeShare(Forecast base, Scenario scenario, Change change, Percent share) {

    /** Returns a plan with the whole of a change done to it, as it comes and goes. */
    static Plan whole(Forecast base, Plan plan, Scenario scenario, Change change) {
        ChangeShare all = new ChangeShare(base, scenario, change, Percent.HUNDRED);
        return all.isAtOnce() ? Changing.changed(base, plan, scenario, change) : all.of(plan);
    }

    private boolean isAtOnce() {
        return change.ramp().isNone() && !(change.target() instanceof Target.OfBaseRate);
    }

    /**
     * Returns a plan with the share of the change done to it.
     *
     * @throws Refused where the change finds nothing, or leaves what is not allowed
     */
    Plan of(Plan plan) {
        if (isAtOnce()) {
            return atOnce(plan);
        }
        Plan made = plan;
        List<Ramp.Part> parts = change.ramp().parts(change.range()).stream()
                .filter(part -> !isOver(part.range()))
                .toList();
        Check.that(
                !parts.isEmpty(),
                "Its range is over: history, and what is open or owed on the as-of date, stays as it is");
        for (Ramp.Part part : parts) {
            for (Target target : Changing.targets(plan, change)) {
                made = new ChangeShare(
                                base,
                                scenario,
                                change.with(target, change.act(), part.range()),
                                new Percent(share.of(part.share().millionths())))
                        .atOnce(made);
            }
        }
        return made;
    }

    /** Of activity nothing is left to change of months that are over; an assumption has its steps in them still. */
    private boolean isOver(DayRange range) {
        LocalDate to = range.to();
        return to != null
                && !to.isAfter(base.plan().settings().asOf())
                && !(change.target() instanceof Target.OfAssumption);
    }

    private Plan atOnce(Plan plan) {
        Plan whole = Changing.changed(base, plan, scenario, change);
        if (share.millionths() == 0) {
            return plan;
        }
        if (change.target() instanceof Target.OfAssumption assumption) {
            return between(plan, whole, assumption.path());
        }
        if (change.target() instanceof Target.OfItem && !(change.act() instanceof Act.Shift)) {
            return whole;
        }
        if (change.act() instanceof Act.New made) {
            return scaled(whole, new Target.OfLine(made.line().id()), share);
        }
        if (change.act() instanceof Act.LeaveOut) {
            return scaled(plan, change.target(), rest());
        }
        if (change.act() instanceof Act.Set set && set.value() instanceof Typed.Figure figure) {
            Plan kept = scaled(plan, change.target(), rest());
            Percent some = share.compareTo(Percent.HUNDRED) > 0 ? Percent.HUNDRED : share;
            return done(kept, change.target(), new Act.Add(money(figure.number().multiply(some.asFraction()), plan)));
        }
        return done(plan, change.target(), act(plan));
    }

    /** What is left of what is replaced: nothing once the share is whole. */
    private Percent rest() {
        return new Percent(Math.max(0, Percent.WHOLE - share.millionths()));
    }

    private Act act(Plan plan) {
        if (change.act() instanceof Act.Scale scale) {
            long moved = share.of(scale.to().millionths() - Percent.WHOLE);
            return new Act.Scale(new Percent(Math.max(0, Percent.WHOLE + moved)));
        }
        if (change.act() instanceof Act.Add add) {
            return new Act.Add(money(add.more().multiply(share.asFraction()), plan));
        }
        if (change.act() instanceof Act.PaidLater later) {
            return new Act.PaidLater((int) share.of(later.days()));
        }
        if (change.act() instanceof Act.NeverPaid never) {
            return new Act.NeverPaid(
                    new Percent(Math.min(Percent.WHOLE, share.of(never.points().millionths()))));
        }
        if (change.act() instanceof Act.Shift shift) {
            return new Act.Shift((int) share.of(shift.by()), shift.unit());
        }
        return change.act();
    }

    private static BigDecimal money(BigDecimal number, Plan plan) {
        int decimals = ebbtide.money.Money.decimals(plan.settings().currency());
        return BigDecimal.valueOf(Rounding.toMinor(number.movePointRight(decimals)), decimals);
    }

    private Plan done(Plan plan, Target target, Act act) {
        return Changing.changed(base, plan, scenario, change.with(target, act, change.range()));
    }

    /** A line that has no activity to scale comes whole. */
    private Plan scaled(Plan plan, Target target, Percent to) {
        try {
            return done(plan, target, new Act.Scale(to));
        } catch (Refused noActivity) {
            return plan;
        }
    }

    private Plan between(Plan plan, Plan whole, String path) {
        Optional<Input<Plan>> from = PlanInputs.find(plan, path);
        Optional<Input<Plan>> to = PlanInputs.find(whole, path);
        return from.isEmpty() || to.isEmpty()
                ? whole
                : to.get()
                        .with(between(
                                from.get().value(), to.get().value(), to.get().unit()));
    }

    @SuppressWarnings("unchecked")
    private Input.Value between(Input.Value from, Input.Value to, Unit unit) {
        if (from instanceof Input.Value.Stepped before && to instanceof Input.Value.Stepped after) {
            return new Input.Value.Stepped(steps((Steps<Object>) before.of(), (Steps<Object>) after.of(), unit));
        }
        if (from instanceof Input.Value.Monthly before && to instanceof Input.Value.Monthly after) {
            SortedMap<YearMonth, Object> made = new TreeMap<>();
            after.of()
                    .forEach((month, value) ->
                            made.put(month, between(before.of().get(month), value, unit)));
            return new Input.Value.Monthly(made);
        }
        if (from instanceof Input.Value.Yearly before && to instanceof Input.Value.Yearly after) {
            SortedMap<Integer, Object> made = new TreeMap<>();
            after.of()
                    .forEach((year, value) -> made.put(year, between(before.of().get(year), value, unit)));
            return new Input.Value.Yearly(made);
        }
        return to instanceof Input.Value.One && from instanceof Input.Value.One
                ? new Input.Value.One(between(from.held(), to.held(), unit))
                : to;
    }

    private Steps<Object> steps(Steps<Object> before, Steps<Object> after, Unit unit) {
        TreeSet<LocalDate> days = new TreeSet<>();
        before.steps().forEach(step -> days.add(step.from()));
        after.steps().forEach(step -> days.add(step.from()));
        List<Steps.Step<Object>> made = new ArrayList<>();
        for (LocalDate day : days) {
            Object was = before.findOn(day).map(Steps.Step::value).orElse(null);
            after.findOn(day)
                    .ifPresent(step -> made.add(new Steps.Step<>(day, between(was, step.value(), unit), step.since())));
        }
        return new Steps<>(made);
    }

    private Object between(@Nullable Object from, Object to, Unit unit) {
        if (from == null || unit.measure() == Unit.Measure.DAY || unit.measure() == Unit.Measure.CHOICE) {
            return to;
        }
        BigDecimal before = Figures.of(from);
        BigDecimal moved = Figures.of(to).subtract(before).multiply(share.asFraction());
        return Figures.as(Figures.within(before.add(moved), unit), to, unit);
    }
}
