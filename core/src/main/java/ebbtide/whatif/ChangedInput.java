package ebbtide.whatif;

import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.plan.Assumption.MonthOverride;
import ebbtide.plan.DayRange;
import ebbtide.plan.Input;
import ebbtide.plan.Plan;
import ebbtide.plan.Steps;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * An assumption as an act leaves it in a range (rules 11.2): of steps those in the range, after which the base's hold
 * and growth goes on being counted from the base's; of months and years those that lie in it.
 */
record ChangedInput(Input<Plan> input, ChangedValue value, DayRange range, Plan plan) {

    /**
     * Returns the value as the act leaves it.
     *
     * @throws Refused where nothing of the assumption lies in the range
     */
    Input.Value changed() {
        Input.Value held = input.value();
        if (held instanceof Input.Value.Stepped stepped) {
            return new Input.Value.Stepped(steps(stepped.of()));
        }
        if (held instanceof Input.Value.Monthly monthly) {
            return new Input.Value.Monthly(months(monthly.of()));
        }
        if (held instanceof Input.Value.Yearly yearly) {
            return new Input.Value.Yearly(years(yearly.of()));
        }
        Check.that(
                range.isAlways() || input.on() != null && range.contains(input.on()),
                "it has one value, which always holds: leave the range out");
        return Input.Value.of(value.of(held.held()));
    }

    @SuppressWarnings("unchecked")
    private Steps<?> steps(Steps<?> of) {
        Steps<Object> held = (Steps<Object>) of;
        List<Steps.Step<Object>> made = new ArrayList<>();
        LocalDate from = range.from();
        Optional<Steps.Step<Object>> before = from == null ? Optional.empty() : held.findOn(from);
        if (from != null && before.isPresent()) {
            Steps.Step<Object> there = before.get();
            made.add(new Steps.Step<>(from, value.of(there.value()), there.since()));
        } else if (value.act() instanceof Act.Set && (from != null || held.isEmpty())) {
            LocalDate begins = from == null ? plan.settings().asOf().plusDays(1) : from;
            made.add(new Steps.Step<>(begins, value.of(null)));
        }
        LocalDate first = made.isEmpty() ? LocalDate.MIN : made.get(0).from();
        for (Steps.Step<Object> step : held.steps()) {
            if (!range.contains(step.from())) {
                made.add(step);
            } else if (step.from().isAfter(first)) {
                made.add(new Steps.Step<>(step.from(), value.of(step.value()), step.since()));
            }
        }
        Check.that(!made.isEmpty(), "it has no value in that range: set one");
        after(held).ifPresent(made::add);
        Steps<Object> changed = new Steps<>(made);
        Check.that(!changed.equals(held) || held.isEmpty() || isIdle(), "it has no value in that range: set one");
        return changed;
    }

    /** What the base has again once the range is over, where no step of its own begins then. */
    private Optional<Steps.Step<Object>> after(Steps<Object> held) {
        LocalDate to = range.to();
        if (to == null) {
            return Optional.empty();
        }
        LocalDate next = to.plusDays(1);
        Optional<Steps.Step<Object>> then = held.findOn(next);
        if (then.isEmpty() && range.from() != null) {
            return Optional.of(new Steps.Step<>(next, value.nil()));
        }
        return then.filter(step -> !step.from().equals(next))
                .map(step -> new Steps.Step<>(next, step.value(), step.since()));
    }

    /** An act that leaves what there is, as a scale of 100% does, finds it all the same. */
    private boolean isIdle() {
        return input.value() instanceof Input.Value.Stepped stepped
                && stepped.of().steps().stream()
                        .anyMatch(step -> range.contains(step.from())
                                || range.from() != null && !step.from().isAfter(range.from()));
    }

    @SuppressWarnings("unchecked")
    private SortedMap<YearMonth, Object> months(SortedMap<YearMonth, ?> of) {
        SortedMap<YearMonth, Object> made = new TreeMap<>((SortedMap<YearMonth, Object>) of);
        boolean found = false;
        if (value.act() instanceof Act.Set && !range.isAlways()) {
            YearMonth last = range.to() == null ? plan.lastEarnedMonth() : YearMonth.from(range.to());
            YearMonth first =
                    range.from() == null ? plan.settings().firstForecastMonth() : YearMonth.from(range.from());
            for (YearMonth month = first; !month.isAfter(last); month = month.plusMonths(1)) {
                made.put(month, newOrOld(made, month));
                found = true;
            }
        } else {
            for (YearMonth month : of.keySet()) {
                if (range.touches(month)) {
                    made.put(month, value.of(made.get(month)));
                    found = true;
                }
            }
        }
        Check.that(found, "no month of it is typed in that range: set it instead");
        return made;
    }

    /** An override of a month has a reason, which the scenario gives where there was none. */
    private Object newOrOld(SortedMap<YearMonth, Object> made, YearMonth month) {
        Object held = made.get(month);
        boolean ofOverrides = input.path().endsWith("/overrides");
        return held == null && ofOverrides ? new MonthOverride((Long) value.of(null), value.reason()) : value.of(held);
    }

    @SuppressWarnings("unchecked")
    private SortedMap<Integer, Object> years(SortedMap<Integer, ?> of) {
        SortedMap<Integer, Object> made = new TreeMap<>((SortedMap<Integer, Object>) of);
        boolean found = false;
        for (Integer year : of.keySet()) {
            if (range.contains(LocalDate.of(year, plan.settings().firstFiscalMonth(), 1))) {
                made.put(year, value.of(made.get(year)));
                found = true;
            }
        }
        Check.that(found, "no year of it begins in that range");
        return made;
    }
}
