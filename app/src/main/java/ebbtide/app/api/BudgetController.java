package ebbtide.app.api;

import static java.util.Objects.requireNonNull;

import ebbtide.app.desk.EditMade;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.MonthEdits;
import ebbtide.app.desk.Plans;
import ebbtide.app.storage.BudgetLabelStore;
import ebbtide.app.storage.Stores;
import ebbtide.formats.budget.Budget;
import ebbtide.formats.budget.LabelMatch;
import ebbtide.formats.budget.Sheet;
import ebbtide.formats.budget.SheetReader;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.Direction;
import ebbtide.plan.Plan;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
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
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;
    private final BudgetLabelStore labels;

    BudgetController(Plans plans, Edits edits, Stores stores, BudgetLabelStore labels) {
        this.plans = plans;
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
            Map<String, String> amounts) {
        MonthEdits.TakenRow row() {
            return new MonthEdits.TakenRow(
                    label, lineId, "receipt".equals(direction) ? Direction.RECEIPT : Direction.PAYMENT, amounts);
        }
    }

    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    BudgetView look(
            @PathVariable String plan, @RequestPart MultipartFile file, @RequestParam(required = false) String sheet)
            throws IOException {
        Plan current = plans.current(plan).plan();
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
        EditMade done = edits.edit(
                plan, version, MonthEdits.take(rows.stream().map(TakenRow::row).toList(), labels));
        return EditOutcome.of(plan, done, stores);
    }
}
