package ebbtide.app.api;

import ebbtide.app.storage.Edits;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.app.storage.Stores;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.whatif.CaseSheet;
import ebbtide.whatif.CaseSheet.CaseKey;
import ebbtide.whatif.CaseSheet.Says;
import ebbtide.whatif.CaseSheet.TypedCell;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.Scenarios;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The sheet of cases: a row for each figure that a scenario changes, a column for each future. */
@RestController
@RequestMapping("/api/plans/{plan}/case-sheet")
class CaseSheetController {
    private static final int MOST_CELLS = 1_000;

    private final Edits edits;
    private final Stores stores;

    CaseSheetController(Edits edits, Stores stores) {
        this.edits = edits;
        this.stores = stores;
    }

    /** A scenario that is a column of the sheet. */
    record CaseColumn(String id, String name) {}

    /** The sheet, its cells in the order of the columns. */
    record SheetView(List<CaseColumn> columns, List<CaseSheet.CaseRow> rows) {}

    /** A cell typed: of a scenario, the figure of a row. */
    record TypedCase(String scenario, Says says, String of, String text) {}

    /**
     * Returns the sheet; {@code more} are rows that no scenario changes yet, each what it says, a colon and of what.
     */
    @GetMapping
    SheetView sheet(@PathVariable String plan, @RequestParam(defaultValue = "") List<String> more) {
        PlanAtVersion base = edits.current(plan);
        List<Scenario> shown =
                base.scenarios().all().stream().filter(one -> !one.putBy()).toList();
        return new SheetView(
                shown.stream().map(one -> new CaseColumn(one.id(), one.name())).toList(),
                CaseSheet.of(
                                base.forecast(),
                                base.scenarios(),
                                shown,
                                more.stream().map(CaseSheetController::key).toList())
                        .rows());
    }

    private static CaseKey key(String text) {
        int colon = text.indexOf(':');
        Says says = Arrays.stream(Says.values())
                .filter(one -> colon > 0 && one.name().equals(text.substring(0, colon)))
                .findFirst()
                .orElseThrow(() -> new Refused("A row is named as VALUE:kelp/tax/rate, but was '" + text + "'"));
        return new CaseKey(says, text.substring(colon + 1));
    }

    /** Puts what is typed into cells, in one edit; all of them or none. */
    @PostMapping
    EditOutcome type(@PathVariable String plan, @RequestParam long version, @RequestBody List<TypedCase> cells) {
        Check.that(
                !cells.isEmpty() && cells.size() <= MOST_CELLS,
                "From 1 to " + MOST_CELLS + " cells can be typed at once, but there were " + cells.size());
        PlanAtVersion base = edits.current(plan);
        Scenarios made = CaseSheet.typed(
                base.forecast(),
                base.scenarios(),
                cells.stream()
                        .map(one -> new TypedCell(one.scenario(), new CaseKey(one.says(), one.of()), one.text()))
                        .toList());
        List<Scenario> changed = made.all().stream()
                .filter(one -> !base.scenarios().all().contains(one))
                .toList();
        Check.that(!changed.isEmpty(), "That is what the sheet says already");
        String words =
                changed.size() == 1 ? "Scenario '" + changed.get(0).name() + "': " : changed.size() + " scenarios: ";
        return EditOutcome.of(
                plan,
                edits.editBase(
                        plan,
                        version,
                        words + (cells.size() == 1 ? said(base, cells.get(0)) : cells.size() + " cells of the sheet"),
                        draft -> changed.forEach(draft::putScenario)),
                stores);
    }

    private static String said(PlanAtVersion base, TypedCase cell) {
        CaseKey key = new CaseKey(cell.says(), cell.of());
        Optional<CaseSheet.CaseRow> row =
                CaseSheet.of(base.forecast(), base.scenarios(), List.of(), List.of(key)).rows().stream()
                        .findFirst();
        return row.map(CaseSheet.CaseRow::what).orElse(cell.of()) + " "
                + (cell.text().isBlank() ? "as the base has it" : cell.text().strip());
    }
}
