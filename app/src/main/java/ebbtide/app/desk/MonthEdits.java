package ebbtide.app.desk;

import ebbtide.app.desk.Edits.Change;
import ebbtide.app.storage.BudgetLabelStore;
import ebbtide.app.storage.NotFound;
import ebbtide.formats.budget.LabelMatch;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.time.Spread;
import java.time.DateTimeException;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** The edits that type amounts by month: of several lines at once, or of a budget's rows. */
public final class MonthEdits {
    private MonthEdits() {}

    /** What is typed on a line: decimal text by month. */
    public record TypedLine(String lineId, Map<String, String> amounts) {}

    /** Types months of several lines that are planned by month. */
    public static Change type(List<TypedLine> lines) {
        return draft -> {
            int count = 0;
            for (TypedLine line : lines) {
                SortedMap<YearMonth, Long> amounts =
                        amounts(line.amounts(), draft.base().plan());
                count += amounts.size();
                put(draft, line.lineId(), amounts);
            }
            return count + (count == 1 ? " month" : " months") + " of " + lines.size()
                    + (lines.size() == 1 ? " line" : " lines") + " typed";
        };
    }

    private static SortedMap<YearMonth, Long> amounts(Map<String, String> typed, Plan plan) {
        SortedMap<YearMonth, Long> amounts = new TreeMap<>();
        typed.forEach((month, text) ->
                amounts.put(month(month), Money.minor(text, plan.settings().currency())));
        return amounts;
    }

    private static YearMonth month(String text) {
        try {
            return YearMonth.parse(text);
        } catch (DateTimeException e) {
            throw new Refused("A month is written as 2026-03, but was '" + text + "'", e);
        }
    }

    private static void put(Draft draft, String id, SortedMap<YearMonth, Long> amounts) {
        Plan plan = draft.shown().plan();
        Line line = plan.findLine(id).orElseThrow(() -> new NotFound("line", id));
        Assumption.Stream stream = line.findStream()
                .orElseThrow(
                        () -> new Refused(
                                "'" + line.name()
                                        + "' is not planned by month, so no months can be typed into it: choose another line, or a new one"));
        draft.putLine(line.with(stream.withTyped(amounts, plan.settings().firstForecastMonth())));
    }

    /** A row of a budget to take over: its label, the line it is of, or null for a new one of a direction. */
    public record TakenRow(String label, @Nullable String lineId, Direction direction, Map<String, String> amounts) {}

    /** Takes rows of a budget over; rows of the same line are added up, and the line of each label is remembered. */
    public static Change take(List<TakenRow> rows, BudgetLabelStore labels) {
        return draft -> {
            Plan plan = draft.base().plan();
            Map<String, SortedMap<YearMonth, Long>> existing = new LinkedHashMap<>();
            List<Line> fresh = new ArrayList<>();
            for (TakenRow row : rows) {
                SortedMap<YearMonth, Long> amounts = amounts(row.amounts(), plan);
                if (row.lineId() == null) {
                    Line line = newLine(row, amounts, plan);
                    fresh.add(line);
                    labels.put(draft.planId(), LabelMatch.remembered(row.label()), line.id());
                } else {
                    SortedMap<YearMonth, Long> sum = existing.computeIfAbsent(row.lineId(), some -> new TreeMap<>());
                    amounts.forEach((month, minor) -> sum.merge(month, minor, Long::sum));
                    labels.put(draft.planId(), LabelMatch.remembered(row.label()), row.lineId());
                }
            }
            existing.forEach((id, amounts) -> put(draft, id, amounts));
            draft.putLast(fresh);
            int count = existing.size() + fresh.size();
            return "Budget brought in: " + count + (count == 1 ? " line" : " lines");
        };
    }

    private static Line newLine(TakenRow row, SortedMap<YearMonth, Long> amounts, Plan plan) {
        Assumption.Stream empty = Assumption.Stream.of(
                new ActivityMethod.TypedMonths(new TreeMap<>()),
                new TreeMap<>(),
                new TreeMap<>(),
                SalesTax.NONE,
                MonthPattern.atOnce(),
                new Spread.Even());
        return new Line(
                UUID.randomUUID().toString(),
                null,
                row.label(),
                row.direction(),
                true,
                null,
                "",
                empty.withTyped(amounts, plan.settings().firstForecastMonth()),
                List.of());
    }
}
