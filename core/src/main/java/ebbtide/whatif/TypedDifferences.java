package ebbtide.whatif;

import static java.util.Objects.requireNonNull;

import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.Assumption.MonthOverride;
import ebbtide.plan.DayRange;
import ebbtide.plan.Input;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** How what is typed differs from what there is, input by input, as figures to set in ranges. */
final class TypedDifferences {
    private static final Pattern SHARE = Pattern.compile(".*/pattern/(?:steps\\[(-?\\d+)(?:#\\d+)?]/share|never)");
    private final Settings settings;
    private final List<Wanted> wanted = new ArrayList<>();

    /** What is to be changed, how, and why. */
    record Wanted(Target target, Act act, DayRange range, String note) {}

    private TypedDifferences(Settings settings) {
        this.settings = settings;
    }

    /** Returns what is to be set so that inputs become those that are typed, as far as setting does it. */
    static List<Wanted> between(List<Input<Plan>> there, List<Input<Plan>> typed, Settings settings) {
        TypedDifferences differences = new TypedDifferences(settings);
        Map<String, Input<Plan>> were = byPath(there);
        List<Input<Plan>> changed = changed(were, typed);
        // Of a pattern's shares the latest is what the others leave (rules 11.2).
        List<Input<Plan>> shares = changed.stream()
                .filter(TypedDifferences::isShare)
                .sorted(Comparator.comparingInt(TypedDifferences::lag))
                .toList();
        changed.stream()
                .filter(one -> !isShare(one))
                .forEach(one -> differences.add(requireNonNull(were.get(one.path())), one));
        shares.subList(0, shares.size() < 2 ? shares.size() : shares.size() - 1)
                .forEach(one -> differences.add(requireNonNull(were.get(one.path())), one));
        return differences.wanted;
    }

    /** Returns the assumptions that are typed otherwise than they are. */
    static Set<Target> targets(List<Input<Plan>> there, List<Input<Plan>> typed) {
        return changed(byPath(there), typed).stream()
                .map(input -> new Target.OfAssumption(input.path()))
                .collect(Collectors.toSet());
    }

    private static List<Input<Plan>> changed(Map<String, Input<Plan>> were, List<Input<Plan>> typed) {
        return typed.stream()
                .filter(one -> were.containsKey(one.path())
                        && !plain(requireNonNull(were.get(one.path())).value()).equals(plain(one.value())))
                .toList();
    }

    private static boolean isShare(Input<Plan> input) {
        return SHARE.matcher(input.path()).matches();
    }

    /** What is never paid comes first, then the shares by how much later they are paid. */
    private static int lag(Input<Plan> input) {
        Matcher share = SHARE.matcher(input.path());
        return share.matches() && share.group(1) != null ? Integer.parseInt(share.group(1)) : Integer.MIN_VALUE;
    }

    /** Returns whether inputs are the same, growth's beginnings aside, which a document does not have. */
    static boolean same(List<Input<Plan>> there, List<Input<Plan>> typed) {
        Map<String, Object> one = new LinkedHashMap<>();
        Map<String, Object> other = new LinkedHashMap<>();
        there.forEach(input -> one.put(input.path(), plain(input.value())));
        typed.forEach(input -> other.put(input.path(), plain(input.value())));
        return one.equals(other);
    }

    private static Map<String, Input<Plan>> byPath(List<Input<Plan>> inputs) {
        Map<String, Input<Plan>> found = new LinkedHashMap<>();
        inputs.forEach(input -> found.put(input.path(), input));
        return found;
    }

    /**
     * A value as it holds from day to day: steps that change nothing, since when they grow, and why a month is
     * overridden, are no part of it.
     */
    private static Object plain(Input.Value value) {
        if (value instanceof Input.Value.Monthly monthly) {
            SortedMap<YearMonth, Object> amounts = new TreeMap<>();
            monthly.of()
                    .forEach((month, one) ->
                            amounts.put(month, one instanceof MonthOverride override ? override.amount() : one));
            return amounts;
        }
        if (!(value instanceof Input.Value.Stepped stepped)) {
            return value.held() == null ? "" : plainOf(value.held());
        }
        SortedMap<LocalDate, Object> values = new TreeMap<>();
        Object last = null;
        for (Steps.Step<?> step : stepped.of().steps()) {
            if (!step.value().equals(last)) {
                values.put(step.from(), plainOf(step.value()));
            }
            last = step.value();
        }
        return values;
    }

    /** 24 posts and 24.00 are the same. */
    private static Object plainOf(Object value) {
        return value instanceof BigDecimal number ? new Typed.Figure(number) : value;
    }

    private void add(Input<Plan> there, Input<Plan> typed) {
        Target target = new Target.OfAssumption(typed.path());
        if (typed.value() instanceof Input.Value.Stepped stepped) {
            addSteps(target, (Input.Value.Stepped) there.value(), stepped);
        } else if (typed.value() instanceof Input.Value.Monthly || typed.value() instanceof Input.Value.Yearly) {
            addMonths(target, days(there.value()), days(typed.value()));
        } else if (typed.value().held() != null) {
            add(target, typed.value().held(), DayRange.ALWAYS, "");
        }
    }

    private void add(Target target, Object value, DayRange range, String note) {
        wanted.add(new Wanted(target, new Act.Set(typed(value, settings.currency())), range, note));
    }

    private void addSteps(Target target, Input.Value.Stepped there, Input.Value.Stepped typed) {
        if (there.of().steps().size() == 1
                && typed.of().steps().size() == 1
                && there.of()
                        .steps()
                        .get(0)
                        .from()
                        .equals(typed.of().steps().get(0).from())) {
            add(target, typed.of().steps().get(0).value(), DayRange.ALWAYS, "");
            return;
        }
        SortedSet<LocalDate> bounds = new TreeSet<>();
        there.of().steps().forEach(step -> bounds.add(step.from()));
        typed.of().steps().forEach(step -> bounds.add(step.from()));
        @Nullable LocalDate from = null;
        Object held = null;
        for (LocalDate bound : bounds) {
            Object is = on(typed.of(), bound);
            boolean differs = is != null && !is.equals(on(there.of(), bound));
            if (held != null && (!differs || !held.equals(is))) {
                add(target, held, new DayRange(from, bound.minusDays(1)), "");
                held = null;
            }
            if (differs && held == null) {
                from = bound;
                held = is;
            }
        }
        if (held != null) {
            add(target, held, new DayRange(from, null), "");
        }
    }

    private static @Nullable Object on(Steps<?> steps, LocalDate day) {
        return steps.findOn(day).<@Nullable Object>map(Steps.Step::value).orElse(null);
    }

    /** Months and fiscal years by the days of each. */
    private SortedMap<LocalDate, Object> days(Input.Value value) {
        SortedMap<LocalDate, Object> days = new TreeMap<>();
        if (value instanceof Input.Value.Monthly monthly) {
            monthly.of().forEach((month, one) -> days.put(month.atDay(1), one));
        } else if (value instanceof Input.Value.Yearly yearly) {
            yearly.of().forEach((year, one) -> days.put(LocalDate.of(year, settings.firstFiscalMonth(), 1), one));
        }
        return days;
    }

    private void addMonths(Target target, SortedMap<LocalDate, Object> there, SortedMap<LocalDate, Object> typed) {
        typed.forEach((day, value) -> {
            if (!Objects.equals(there.get(day), value)) {
                DayRange month = new DayRange(day, YearMonth.from(day).atEndOfMonth());
                if (value instanceof MonthOverride override) {
                    add(target, override.amount(), month, override.reason());
                } else {
                    add(target, value, month, "");
                }
            }
        });
    }

    /**
     * Returns a value as it would be typed.
     *
     * @throws Refused for what is no single figure, day or word
     */
    static Typed typed(Object value, Currency currency) {
        if (value instanceof Long minor) {
            return new Typed.Figure(new BigDecimal(Money.plain(minor, currency)));
        }
        if (value instanceof Percent percent) {
            return new Typed.Figure(new BigDecimal(percent.number()));
        }
        if (value instanceof Integer whole) {
            return new Typed.Figure(BigDecimal.valueOf(whole));
        }
        if (value instanceof BigDecimal number) {
            return new Typed.Figure(number);
        }
        if (value instanceof LocalDate day) {
            return new Typed.Day(day);
        }
        if (value instanceof Boolean yes) {
            return new Typed.Word(yes ? "yes" : "no");
        }
        Check.that(
                value instanceof Enum<?>,
                "In a scenario figures, days and choices are changed, not a rule of several parts: show the base to change it");
        return new Typed.Word(((Enum<?>) value).name().toLowerCase(Locale.ROOT).replace('_', ' '));
    }
}
