package ebbtide.app.api;

import static java.util.Objects.requireNonNull;

import ebbtide.app.storage.BudgetLabelStore;
import ebbtide.app.storage.EditMade;
import ebbtide.app.storage.Edits;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.Stores;
import ebbtide.formats.budget.Budget;
import ebbtide.formats.budget.LabelMatch;
import ebbtide.formats.budget.Sheet;
import ebbtide.formats.budget.SheetReader;
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
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Budgets from spreadsheets: looked at first, then taken over in one edit as the activity of lines by month. */
@RestController
@RequestMapping("/api/plans/{plan}/budget")
class BudgetController {
    private final Edits edits;
    private final Stores stores;
    private final BudgetLabelStore labels;

    BudgetController(Edits edits, Stores stores, BudgetLabelStore labels) {
        this.edits = edits;
        this.stores = stores;
        this.labels = labels;
    }

    /** A budget found in a file: its sheets by name (those with months), the one read, its months and rows. */
    record BudgetView(List<String> sheets, String sheet, List<String> months, List<BudgetRowView> rows) {}

    /**
     * A row: its number in the sheet, label, heading, amounts as decimal text by month, whether it is a total of
     * others, the line it belongs to (null: none) and how that is known, the direction of a new line, and what could
     * not be read.
     */
    record BudgetRowView(
            int number,
            String label,
            String section,
            Map<String, String> amounts,
            boolean total,
            @Schema(nullable = true) @Nullable String lineId,
            String how,
            String direction,
            List<String> problems) {}

    /** What becomes of a row: an existing line by id, or a new one in a direction (then there is no id). */
    record TakenRow(
            String label,
            @Schema(nullable = true) @Nullable String lineId,
            @Schema(nullable = true) @Nullable String direction,
            Map<String, String> amounts) {}

    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    BudgetView look(
            @PathVariable String plan, @RequestPart MultipartFile file, @RequestParam(required = false) String sheet)
            throws IOException {
        Plan current = edits.current(plan).plan();
        Map<String, Budget> budgets = new LinkedHashMap<>();
        Refused none = null;
        for (Sheet one : SheetReader.read(file.getBytes())) {
            try {
                budgets.put(
                        one.name(),
                        Budget.of(
                                one,
                                current.settings().firstForecastMonth(),
                                current.settings().currency()));
            } catch (Refused e) {
                none = e;
            }
        }
        if (budgets.isEmpty()) {
            throw none == null ? new Refused("The workbook has no sheet") : none;
        }
        String chosen = sheet != null && budgets.containsKey(sheet)
                ? sheet
                : budgets.keySet().iterator().next();
        Budget budget = requireNonNull(budgets.get(chosen));
        List<LabelMatch.Candidate> lines = current.lines().stream()
                .filter(line -> line.findStream().isPresent())
                .map(line -> new LabelMatch.Candidate(line.id(), line.name()))
                .toList();
        Map<String, String> remembered = labels.all(plan);
        return new BudgetView(
                List.copyOf(budgets.keySet()),
                chosen,
                budget.months().stream().map(YearMonth::toString).toList(),
                budget.rows().stream()
                        .map(row -> view(row, LabelMatch.of(row.label(), lines, remembered), current))
                        .toList());
    }

    private static BudgetRowView view(Budget.Row row, LabelMatch match, Plan plan) {
        Map<String, String> amounts = new TreeMap<>();
        row.amounts()
                .forEach((month, minor) -> amounts.put(
                        month.toString(), Money.plain(minor, plan.settings().currency())));
        return new BudgetRowView(
                row.number(),
                row.label(),
                row.section(),
                amounts,
                row.total(),
                match.lineId(),
                match.how().name().toLowerCase(Locale.ROOT),
                isCost(row) ? "payment" : "receipt",
                row.problems());
    }

    private static boolean isCost(Budget.Row row) {
        String section = row.section().toLowerCase(Locale.ROOT);
        return row.negative()
                || section.matches(".*(cost|expens|payment|overhead|purchase|spend|outgoing|wage|payroll).*");
    }

    /** Takes rows over in one edit; rows of the same line are added up, and each label's line is remembered. */
    @PostMapping(path = "/take", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome take(@PathVariable String plan, @RequestParam long version, @RequestBody List<TakenRow> rows) {
        Plan current = edits.current(plan).plan();
        Map<String, SortedMap<YearMonth, Long>> existing = new LinkedHashMap<>();
        List<Line> fresh = new ArrayList<>();
        Map<String, String> learnt = new LinkedHashMap<>();
        for (TakenRow row : rows) {
            SortedMap<YearMonth, Long> amounts = TypedMonths.amounts(row.amounts(), current);
            if (row.lineId() == null) {
                Line line = newLine(row, amounts, current);
                fresh.add(line);
                learnt.put(LabelMatch.remembered(row.label()), line.id());
            } else {
                SortedMap<YearMonth, Long> sum = existing.computeIfAbsent(row.lineId(), some -> new TreeMap<>());
                amounts.forEach((month, minor) -> sum.merge(month, minor, Long::sum));
                learnt.put(LabelMatch.remembered(row.label()), row.lineId());
            }
        }
        int count = existing.size() + fresh.size();
        EditMade done =
                edits.edit(plan, version, "Budget brought in: " + count + (count == 1 ? " line" : " lines"), draft -> {
                    List<PlacedLine> lines = stores.lines().all(plan);
                    existing.forEach((id, amounts) -> TypedMonths.put(draft, lines, id, amounts, current));
                    double position = stores.lines().all(plan).stream()
                            .mapToDouble(PlacedLine::position)
                            .max()
                            .orElse(0);
                    for (Line line : fresh) {
                        draft.putLine(line, ++position);
                    }
                });
        learnt.forEach((label, line) -> labels.put(plan, label, line));
        return EditOutcome.of(plan, done, stores);
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
                "receipt".equals(row.direction()) ? Direction.RECEIPT : Direction.PAYMENT,
                true,
                null,
                "",
                empty.withTyped(amounts, plan.settings().firstForecastMonth()),
                List.of());
    }
}
