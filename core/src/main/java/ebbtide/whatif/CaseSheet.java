package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.DayRange;
import ebbtide.plan.Input;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The sheet of cases: a row for each figure that any scenario changes, the value it has in the base and in each
 * scenario. What is typed into it becomes a change that always holds (rules 11.2).
 */
public record CaseSheet(List<CaseRow> rows) {
    private static final String BASE_SHARE = "100";
    private static final int PLACES = 4;

    /** What a row says of its target. */
    public enum Says {
        /** The value of an assumption. */
        VALUE,
        /** The share, in percent, at which the activity of a line or a group is. */
        SHARE,
        /** How many days later a line or a group is paid. */
        DAYS_LATER
    }

    /** What a row is of: an assumption by its lasting name, or a line by its id. */
    public record CaseKey(Says says, String of) {
        Target target() {
            return says == Says.VALUE ? new Target.OfAssumption(of) : new Target.OfLine(of);
        }

        private boolean isOf(Change change) {
            return change.target().equals(target())
                    && (says == Says.VALUE
                            || (says == Says.SHARE
                                    ? change.act() instanceof Act.Scale || change.act() instanceof Act.LeaveOut
                                    : change.act() instanceof Act.PaidLater));
        }

        private static Optional<CaseKey> of(Change change) {
            if (change.target() instanceof Target.OfAssumption assumption) {
                return Optional.of(new CaseKey(Says.VALUE, assumption.path()));
            }
            if (change.target() instanceof Target.OfLine line) {
                return Stream.of(new CaseKey(Says.SHARE, line.lineId()), new CaseKey(Says.DAYS_LATER, line.lineId()))
                        .filter(key -> key.isOf(change))
                        .findFirst();
            }
            return Optional.empty();
        }
    }

    /** A row in words, with its unit; the base's value, and that of each scenario in their order. */
    public record CaseRow(CaseKey key, String what, String unit, String base, List<CaseCell> cells) {}

    /**
     * A value as it would be typed, or how many steps or months it has where they differ; whether the scenario itself
     * has a change of it.
     */
    public record CaseCell(String value, boolean own) {}

    /** What is typed into the cell of a scenario: empty takes its own change out. */
    public record TypedCell(String scenario, CaseKey key, String text) {}

    public CaseSheet {
        rows = List.copyOf(rows);
    }

    /** Returns the sheet of some scenarios over a base, with rows that are asked for beside those that are changed. */
    public static CaseSheet of(Forecast base, Scenarios all, List<Scenario> shown, List<CaseKey> more) {
        Set<CaseKey> keys = new LinkedHashSet<>();
        shown.stream()
                .flatMap(one -> all.under(one).stream())
                .flatMap(one -> one.changes().stream())
                .filter(Change::on)
                .flatMap(change -> CaseKey.of(change).stream())
                .forEach(keys::add);
        keys.addAll(more);
        Map<String, Plan> plans = shown.stream()
                .collect(Collectors.toMap(
                        Scenario::id,
                        one -> ScenarioPlan.of(base, all, one).asChanged(),
                        (one, other) -> one,
                        LinkedHashMap::new));
        return new CaseSheet(keys.stream()
                .map(key -> new CaseRow(
                        key,
                        words(base, key),
                        unit(base.plan(), key),
                        value(base.plan(), base.plan(), List.of(), key),
                        shown.stream()
                                .map(one -> new CaseCell(
                                        value(
                                                base.plan(),
                                                plans.getOrDefault(one.id(), base.plan()),
                                                all.under(one).stream()
                                                        .flatMap(some -> some.changes().stream())
                                                        .filter(Change::on)
                                                        .toList(),
                                                key),
                                        one.changes().stream().anyMatch(change -> change.on() && key.isOf(change))))
                                .toList()))
                .toList());
    }

    private static String words(Forecast base, CaseKey key) {
        ChangeWords words =
                ChangeWords.of(base, new Change("row", key.target(), new Act.LeaveOut(), DayRange.ALWAYS, "", true));
        return switch (key.says()) {
            case VALUE -> words.target();
            case SHARE -> words.target() + ": share of it that there is";
            case DAYS_LATER -> words.target() + ": paid later by";
        };
    }

    private static String unit(Plan plan, CaseKey key) {
        return switch (key.says()) {
            case VALUE ->
                PlanInputs.find(plan, key.of())
                        .map(input -> ChangeWords.unit(input.unit(), plan).strip())
                        .orElse("");
            case SHARE -> "%";
            case DAYS_LATER -> "days";
        };
    }

    private static String value(Plan base, Plan plan, List<Change> changes, CaseKey key) {
        if (key.says() == Says.VALUE) {
            return PlanInputs.find(plan, key.of())
                    .map(input -> value(plan, input))
                    .orElseGet(() -> moved(base, changes, key));
        }
        BigDecimal share = new BigDecimal(BASE_SHARE);
        int later = 0;
        for (Change change : changes) {
            if (key.isOf(change)) {
                later += change.act() instanceof Act.PaidLater some ? some.days() : 0;
                share = change.act() instanceof Act.Scale scale
                        ? share.multiply(scale.to().asFraction())
                        : change.act() instanceof Act.LeaveOut ? BigDecimal.ZERO : share;
            }
        }
        return key.says() == Says.DAYS_LATER ? Integer.toString(later) : shown(share);
    }

    /** An item that is moved to another day is known by that from then on: its day is what the changes make of it. */
    private static String moved(Plan base, List<Change> changes, CaseKey key) {
        Optional<Input<Plan>> input = PlanInputs.find(base, key.of());
        Object held = input.map(one -> one.value().held()).orElse(null);
        if (!(held instanceof LocalDate)) {
            return "";
        }
        for (Change change : changes) {
            if (key.isOf(change)) {
                held = new ChangedValue(
                                change.act(),
                                input.get().unit(),
                                base.settings().currency(),
                                "")
                        .of(held);
            }
        }
        return held.toString();
    }

    private static String shown(BigDecimal share) {
        BigDecimal rounded = share.setScale(PLACES, RoundingMode.HALF_UP);
        return rounded.signum() == 0 ? "0" : rounded.stripTrailingZeros().toPlainString();
    }

    private static String value(Plan plan, Input<Plan> input) {
        List<?> figures = input.value().figures().distinct().toList();
        if (figures.size() > 1) {
            return figures.size() + " values";
        }
        try {
            return figures.isEmpty()
                    ? ""
                    : TypedDifferences.typed(figures.get(0), plan.settings().currency())
                            .text();
        } catch (Refused ofSeveralParts) {
            return "as it is";
        }
    }

    /**
     * Returns the scenarios with what is typed into cells of the sheet: each becomes a change of its scenario, in the
     * place of those it had of that; typed as it is without one, or emptied, there is none.
     *
     * @throws Refused for what is no such value, or not allowed, in a sentence that names the cell
     */
    public static Scenarios typed(Forecast base, Scenarios all, List<TypedCell> cells) {
        Scenarios made = all;
        for (TypedCell cell : cells) {
            Scenario before = made.find(cell.scenario())
                    .orElseThrow(() -> new Refused("A scenario of the sheet is there no more"));
            Scenario without = before.with(before.changes().stream()
                    .filter(change -> !cell.key().isOf(change))
                    .toList());
            Scenarios left = made.with(without);
            String there = of(base, left, List.of(without), List.of(cell.key())).rows().stream()
                    .filter(row -> row.key().equals(cell.key()))
                    .map(row -> row.cells().get(0).value())
                    .findFirst()
                    .orElse("");
            String text = cell.text().strip();
            made = left;
            if (!text.isEmpty() && !text.equals(there)) {
                try {
                    Scenario typed = new ScenarioEdit(base, left, without)
                            .with(cell.key().target(), act(cell.key(), text, there));
                    made = left.with(typed);
                } catch (Refused refused) {
                    throw new Refused(words(base, cell.key()) + " in '" + before.name() + "': " + refused.getMessage());
                }
            }
        }
        return made;
    }

    /** What is typed is what comes out: a share of what the scenarios below leave, days beside theirs. */
    private static Act act(CaseKey key, String text, String there) {
        String plain = text.replace(",", "");
        return switch (key.says()) {
            case VALUE -> new Act.Set(Typed.of(plain.replaceAll("\\s*%$", "")));
            case SHARE -> {
                BigDecimal wanted = new BigDecimal(
                        Percent.parse(plain.replaceAll("\\s*%$", "")).number());
                BigDecimal below = new BigDecimal(there);
                Check.that(below.signum() != 0, "it is left out already by a scenario that this one stands on");
                yield new Act.Scale(Percent.of(
                        wanted.multiply(new BigDecimal(BASE_SHARE)).divide(below, PLACES, RoundingMode.HALF_UP)));
            }
            case DAYS_LATER -> {
                Check.that(
                        plain.matches("[-+\u2212]?\\d{1,4}"),
                        "a whole number of days is wanted, but was '" + text + "'");
                yield new Act.PaidLater(Integer.parseInt(plain.replace('\u2212', '-')) - Integer.parseInt(there));
            }
        };
    }
}
