package ebbtide.app.api;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.WhatIfEdits;
import ebbtide.app.storage.Stores;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.whatif.CaseSheet;
import ebbtide.whatif.CaseSheet.CaseKey;
import ebbtide.whatif.CaseSheet.Says;
import ebbtide.whatif.CaseSheet.TypedCell;
import ebbtide.whatif.Scenario;
import java.util.Arrays;
import java.util.List;
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

    private final Plans plans;
    private final Edits edits;
    private final Stores stores;

    CaseSheetController(Plans plans, Edits edits, Stores stores) {
        this.plans = plans;
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
        PlanAtVersion base = plans.current(plan);
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
        return EditOutcome.of(
                plan,
                edits.editBase(
                        plan,
                        version,
                        WhatIfEdits.type(cells.stream()
                                .map(one ->
                                        new TypedCell(one.scenario(), new CaseKey(one.says(), one.of()), one.text()))
                                .toList())),
                stores);
    }
}
