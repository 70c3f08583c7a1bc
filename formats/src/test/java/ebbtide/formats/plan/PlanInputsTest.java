package ebbtide.formats.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import ebbtide.money.Percent;
import ebbtide.plan.Assumption;
import ebbtide.plan.AssumptionChange;
import ebbtide.plan.Charging;
import ebbtide.plan.DayCount;
import ebbtide.plan.Input;
import ebbtide.plan.Input.Value;
import ebbtide.plan.PayDays;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Steps;
import ebbtide.plan.Terms;
import ebbtide.plan.Unit;
import ebbtide.time.Spread;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Every assumption of the plan with every kind, by its lasting name: set, found changed, and nothing else with it; none
 * left out.
 */
@Order(1)
class PlanInputsTest {
    private static final JsonMapper JSON = new JsonMapper();
    private static final LocalDate DAY = LocalDate.of(2026, 1, 1);
    /**
     * What is no assumption: kinds, ids and names, what is put aside or not in force, what was, what is known of
     * another line, the notes, and the choice of what is typed at all. A recurrence, pay days and charging are each one
     * value, of which one part is changed here.
     */
    private static final Pattern NOT_ASSUMED = Pattern.compile(
            ".*/(kind|sales|line|name|sharedTerms|termsBy|from|lag|weights|by|of|given|valuation|lostAs|paidBy|writeOffLag|month|day|reason|note)(/\\d+)?"
                    + "|.*/(aside|history|when|charging)/.*|.*/(drawn|running|from)/(on|at)|.*/days/(often|first|secondDay|convention)|.*/method/(openingUnits|(cost|target|bought)/.*)|.*/owned/yearly");

    private final Plan plan = read();

    private static Plan read() {
        try (InputStream in = Files.newInputStream(Path.of("../docs/examples/every-kind.json"))) {
            return PlanReader.read(in).plan();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static Map<String, Value> values(Plan of) {
        Map<String, Value> values = new TreeMap<>();
        PlanInputs.of(of).forEach(input -> assertThat(values.put(input.path(), input.value()))
                .as("one input alone is called %s", input.path())
                .isNull());
        return values;
    }

    /** Returns other values that might do, the nearest first. */
    private static Stream<Object> others(Object value, Unit unit, boolean override) {
        if (value instanceof Long minor) {
            return Stream.of(minor + 1, minor - 1);
        }
        if (value instanceof Percent percent) {
            return Stream.of(new Percent(percent.millionths() + 100), new Percent(percent.millionths() - 100));
        }
        if (value instanceof Integer number) {
            return Stream.of(1, -1, 2, -2, 3).map(more -> number + more);
        }
        if (value instanceof BigDecimal number) {
            return Stream.of(number.add(BigDecimal.ONE), number.subtract(BigDecimal.ONE));
        }
        if (value instanceof LocalDate day) {
            return Stream.of(day.plusDays(1), day.minusDays(1));
        }
        if (value instanceof Boolean yes) {
            return Stream.of(!yes);
        }
        if (value instanceof Enum<?> one) {
            return Arrays.stream(one.getDeclaringClass().getEnumConstants())
                    .filter(other -> other != one)
                    .map(Object.class::cast);
        }
        if (value instanceof Recurrence when) {
            return Stream.of(new Recurrence(when.unit(), when.every() + 1, when.first(), when.until()));
        }
        if (value instanceof PayDays days) {
            return Stream.of(new PayDays(days.often(), days.anchor().plusDays(1), days.secondDay(), days.convention()));
        }
        if (value instanceof Charging charging) {
            return Stream.of(new Charging(charging.dayCount(), charging.often(), !charging.nextBusinessDay()));
        }
        if (value instanceof Spread) {
            return Stream.of(new Spread.OnDays(List.of(new Spread.DayWeight(7, 3))));
        }
        if (value instanceof Assumption.MonthOverride month) {
            return Stream.of(new Assumption.MonthOverride(month.amount() + 1, month.reason()));
        }
        return Stream.of(
                override
                        ? new Assumption.MonthOverride(1, "seen")
                        : switch (unit.measure()) {
                            case MONEY -> 100L;
                            case PERCENT -> unit.least() instanceof BigDecimal ? BigDecimal.ONE : new Percent(10_000);
                            case NUMBER, COUNT -> BigDecimal.ONE;
                            case DAYS, MONTHS -> 1;
                            case DAY -> LocalDate.of(2027, 6, 1);
                            case CHOICE -> DayCount.ACT_360;
                        });
    }

    private static Stream<Value> others(Input<Plan> input) {
        boolean override = input.path().endsWith("/overrides");
        if (input.value() instanceof Value.Stepped stepped) {
            return others(
                            stepped.of().isEmpty()
                                    ? null
                                    : stepped.of().steps().get(0).value(),
                            input.unit(),
                            false)
                    .map(other -> new Value.Stepped(with(stepped.of(), other)));
        }
        if (input.value() instanceof Value.Monthly monthly) {
            return others(
                            monthly.of().isEmpty()
                                    ? null
                                    : monthly.of().get(monthly.of().firstKey()),
                            input.unit(),
                            override)
                    .map(other -> new Value.Monthly(with(monthly.of(), YearMonth.of(2026, 5), other)));
        }
        if (input.value() instanceof Value.Yearly yearly) {
            return others(yearly.of().get(yearly.of().firstKey()), input.unit(), false)
                    .map(other -> new Value.Yearly(with(yearly.of(), 2026, other)));
        }
        return others(input.value().held(), input.unit(), false).map(Value.One::new);
    }

    private static Steps<?> with(Steps<?> steps, Object first) {
        List<Steps.Step<Object>> made = new ArrayList<>();
        steps.steps().forEach(step -> made.add(new Steps.Step<>(step.from(), made.isEmpty() ? first : step.value())));
        return new Steps<>(made.isEmpty() ? List.of(new Steps.Step<>(DAY, first)) : made);
    }

    private static <K extends Comparable<K>> SortedMap<K, Object> with(SortedMap<K, ?> map, K otherwise, Object first) {
        SortedMap<K, Object> made = new TreeMap<>();
        map.forEach((key, value) -> made.put(
                key,
                made.isEmpty()
                        ? first
                        : others(value, Unit.CHOICE, false).findFirst().orElseThrow()));
        if (map.isEmpty()) {
            made.put(otherwise, first);
        }
        return made;
    }

    /** Sets an input to the first other value that may stand there. */
    private static Optional<Map.Entry<Value, Plan>> set(Input<Plan> input) {
        return others(input)
                .flatMap(other -> {
                    try {
                        return Stream.of(Map.entry(other, input.with(other)));
                    } catch (IllegalArgumentException refused) {
                        return Stream.empty();
                    }
                })
                .findFirst();
    }

    /**
     * An item that moves to another day is known by that day from then on; a share is made up by the others of its
     * pattern.
     */
    private static Set<String> mayChange(Input<Plan> input) {
        String path = input.path();
        return path.endsWith("/date")
                ? Set.of(path.substring(0, path.lastIndexOf('[')))
                : path.endsWith("/share") && path.contains("/steps[")
                        ? Set.of(path.substring(0, path.indexOf("/steps[") + 7))
                        : path.endsWith("pattern/never")
                                ? Set.of(path.substring(0, path.length() - 5) + "steps[")
                                : Set.of();
    }

    @Test
    void everyInput_set_isFoundChanged_andNothingElseWithIt() {
        Map<String, Value> before = values(plan);
        assertThat(before).hasSizeGreaterThan(150);
        for (Input<Plan> input : PlanInputs.of(plan)) {
            if (input.path().endsWith("/shared") || isWhole(input)) {
                continue;
            }
            Map.Entry<Value, Plan> set = set(input)
                    .orElseThrow(() -> new AssertionError(
                            "no other value of " + input.path() + " is taken than " + input.value()));
            Map<String, Value> after = values(set.getValue());
            Set<String> may = mayChange(input);
            Set<String> changed = new HashSet<>(before.keySet());
            changed.addAll(after.keySet());
            changed.removeIf(path -> Objects.equals(before.get(path), after.get(path))
                    || may.stream().anyMatch(path::startsWith));
            if (input.path().endsWith("/date")) {
                assertThat(changed).as(input.path()).isEmpty();
                assertThat(after).hasSameSizeAs(before).containsValue(set.getKey());
            } else {
                assertThat(after.get(input.path())).as(input.path()).isEqualTo(set.getKey());
                changed.remove(input.path());
                assertThat(changed).as(input.path()).isEmpty();
                assertThat(saidOf(set.getValue()))
                        .as(input.path())
                        .allMatch(
                                one -> one.equals(input.path()) || may.stream().anyMatch(one::startsWith))
                        .hasSizeGreaterThanOrEqualTo(isListed(set.getValue(), input) ? 1 : 0);
            }
            assertThat(PlanInputs.find(plan, input.path()).map(Input::value)).contains(input.value());
        }
    }

    /** The assumptions that the change log would name. */
    private List<String> saidOf(Plan after) {
        return Stream.concat(
                        AssumptionChange.ofSettings(plan, after).stream(),
                        plan.lines().stream().flatMap(line -> AssumptionChange.ofLine(plan, after, line.id()).stream()))
                .map(AssumptionChange::path)
                .toList();
    }

    /** Choices are said in words that may not tell all of them. */
    private static boolean isListed(Plan after, Input<Plan> input) {
        return input.unit().measure() != Unit.Measure.CHOICE
                && PlanInputs.find(after, input.path()).filter(Input::listed).isPresent();
    }

    /** The one share of a pattern that has no other to make up for it. */
    private static boolean isWhole(Input<Plan> input) {
        return input.path().endsWith("/share")
                && input.path().contains("/steps[")
                && Percent.HUNDRED.equals(input.value().held());
    }

    @Test
    void everyInput_beyondItsBounds_isRefused() {
        for (Input<Plan> input : PlanInputs.of(plan)) {
            Function<Object, Value> as = input.value() instanceof Value.Stepped stepped
                    ? other -> new Value.Stepped(with(stepped.of(), other))
                    : Value.One::new;
            if (input.value() instanceof Value.One || input.value() instanceof Value.Stepped) {
                Stream.of(beyond(input.unit().least(), -1), beyond(input.unit().most(), 1))
                        .filter(Objects::nonNull)
                        .forEach(other -> assertThatIllegalArgumentException()
                                .as("%s set to %s", input.path(), other)
                                .isThrownBy(() -> input.with(as.apply(other)))
                                .withMessageMatching("(?s).{10,}"));
            }
        }
    }

    private static Object beyond(Comparable<?> bound, int by) {
        return bound instanceof Long minor
                ? Long.valueOf(minor + by)
                : bound instanceof Integer number
                        ? Integer.valueOf(number + by)
                        : bound instanceof Percent percent
                                ? new Percent(percent.millionths() + by)
                                : bound instanceof BigDecimal number ? number.add(BigDecimal.valueOf(by)) : null;
    }

    @Test
    void everyFigureOfThePlanFile_isAnInput_orNoAssumption() throws IOException {
        Map<String, String> before = leaves(plan);
        Set<String> left = new HashSet<>(before.keySet());
        for (Input<Plan> input : PlanInputs.of(plan)) {
            set(input).ifPresent(set -> {
                Map<String, String> after = leaves(set.getValue());
                left.removeIf(at -> !before.get(at).equals(after.get(at)));
            });
        }
        left.removeIf(at -> !at.matches("/lines/\\d+/assumption/.*")
                || NOT_ASSUMED.matcher(at).matches()
                || at.contains("/pattern/") && !isInForce(at));
        assertThat(left).isEmpty();
    }

    private boolean isInForce(String at) {
        return plan.lines().get(Integer.parseInt(at.split("/")[2])).assumption() instanceof Assumption.Stream stream
                && stream.terms().by() == Terms.By.MONTHS
                && stream.terms().shared() == null
                && stream.terms().pattern().steps().size() > 1;
    }

    private static Map<String, String> leaves(Plan of) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PlanWriter.write(new PlanDocument(of, List.of(), List.of(), List.of()), out);
        Map<String, String> leaves = new TreeMap<>();
        collect(JSON.readTree(out.toByteArray()), "", leaves);
        return leaves;
    }

    private static void collect(JsonNode node, String at, Map<String, String> leaves) {
        if (node.isObject()) {
            node.properties().forEach(field -> collect(field.getValue(), at + "/" + field.getKey(), leaves));
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                collect(node.get(i), at + "/" + i, leaves);
            }
        } else {
            leaves.put(at, node.asString());
        }
    }
}
