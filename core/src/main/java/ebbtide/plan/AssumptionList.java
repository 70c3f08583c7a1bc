package ebbtide.plan;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.time.Spread;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import org.jspecify.annotations.Nullable;

/**
 * Every assumption in force, one by one, in words: the inputs of a plan, a row for each of their steps and months. What
 * is put aside is not in force.
 */
public final class AssumptionList {
    private static final String SETTINGS = "Settings";
    private final Plan plan;
    private final String unit;
    private final List<Entry> entries = new ArrayList<>();

    /**
     * One assumption: the lasting name of its input, the id of its line (null for the plan's settings) and the line's
     * name, what it is, its value in words, the unit ("GBP", "%", "days"; empty for words), the day from which it holds
     * or on which it lies (null for always), and its note.
     */
    public record Entry(
            String path,
            @Nullable String lineId,
            String line,
            String name,
            String value,
            String unit,
            @Nullable LocalDate from,
            String note) {}

    private AssumptionList(Plan plan) {
        this.plan = plan;
        this.unit = plan.settings().currency().getCurrencyCode();
    }

    /**
     * Returns every assumption in force that does not go without saying: the settings first, then line by line in the
     * order of the plan.
     */
    public static List<Entry> of(Plan plan) {
        List<Entry> all = new ArrayList<>(ofSettings(plan));
        plan.lines().forEach(line -> all.addAll(ofLine(plan, line)));
        return List.copyOf(all);
    }

    /** Returns the first of each of some inputs by its lasting name; without those that are not in the list. */
    public static Map<String, Entry> byPath(Plan plan, Set<String> paths) {
        List<Entry> all =
                new ArrayList<>(paths.stream().anyMatch(path -> path.startsWith("/")) ? ofSettings(plan) : List.of());
        paths.stream()
                .map(path -> path.substring(0, path.indexOf('/')))
                .distinct()
                .flatMap(id -> plan.findLine(id).stream())
                .forEach(line -> all.addAll(ofLine(plan, line)));
        Map<String, Entry> found = new HashMap<>();
        all.stream().filter(one -> paths.contains(one.path())).forEach(one -> found.putIfAbsent(one.path(), one));
        return found;
    }

    /** Returns those of the settings. */
    static List<Entry> ofSettings(Plan plan) {
        AssumptionList list = new AssumptionList(plan);
        PlanInputs.ofSettings(plan).forEach(input -> list.add(input, null, SETTINGS));
        return list.entries;
    }

    /** Returns those of a line of the plan. */
    static List<Entry> ofLine(Plan plan, Line line) {
        AssumptionList list = new AssumptionList(plan);
        PlanInputs.ofLine(plan, line).forEach(input -> list.add(input, line.id(), line.name()));
        return list.entries;
    }

    private void add(Input<Plan> input, @Nullable String lineId, String line) {
        if (!input.listed()) {
            return;
        }
        Row row = (value, from, note) -> entries.add(
                new Entry(input.path(), lineId, line, name(input), words(value), unit(input.unit()), from, note));
        if (input.value() instanceof Input.Value.Stepped stepped) {
            stepped.of().steps().forEach(step -> row.add(step.value(), step.from(), input.note()));
        } else if (input.value() instanceof Input.Value.Monthly monthly) {
            addMonths(monthly.of(), row);
        } else if (input.value() instanceof Input.Value.Yearly yearly) {
            yearly.of()
                    .forEach((began, value) ->
                            row.add(value, LocalDate.of(began, plan.settings().firstFiscalMonth(), 1), input.note()));
        } else if (input.value().held() != null) {
            row.add(input.value().held(), input.on(), input.note());
        }
    }

    private interface Row {
        void add(Object value, @Nullable LocalDate from, String note);
    }

    private static void addMonths(SortedMap<YearMonth, ?> months, Row row) {
        months.forEach((month, value) -> {
            if (value instanceof Assumption.MonthOverride override) {
                row.add(override.amount(), month.atDay(1), override.reason());
            } else {
                row.add(value, month.atDay(1), value instanceof Percent ? "that month alone" : "");
            }
        });
    }

    private String name(Input<Plan> input) {
        return input.ofLine() == null
                ? input.name()
                : input.name() + " "
                        + plan.findLine(input.ofLine()).map(Line::name).orElse(input.ofLine());
    }

    private String unit(Unit of) {
        return of.measure() == Unit.Measure.MONEY || of == Unit.MONEY_EACH ? unit : of.words();
    }

    private String words(Object value) {
        if (value instanceof Long minor) {
            return Money.words(minor, plan.settings().currency());
        }
        if (value instanceof BigDecimal number) {
            return String.format(Locale.ROOT, "%,." + number.scale() + "f", number);
        }
        if (value instanceof Boolean yes) {
            return yes ? "yes" : "no";
        }
        return value instanceof Percent percent
                ? percent.number()
                : value instanceof Enum<?> one
                        ? word(one)
                        : value instanceof Recurrence when
                                ? when.words()
                                : value instanceof Spread spread
                                        ? spread.words()
                                        : value instanceof Charging charging
                                                ? word(charging.often())
                                                : value instanceof String id
                                                        ? plan.settings()
                                                                .findTerms(id)
                                                                .map(NamedTerms::name)
                                                                .orElse(id)
                                                        : value.toString();
    }

    private static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
