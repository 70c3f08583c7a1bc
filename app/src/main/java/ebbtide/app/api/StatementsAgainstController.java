package ebbtide.app.api;

import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import ebbtide.formats.csv.StatementVarianceCsv;
import ebbtide.money.Refused;
import ebbtide.plan.Settings;
import ebbtide.plan.Threshold;
import ebbtide.statements.KeptStatements;
import ebbtide.statements.StatementVariance;
import ebbtide.statements.Statements;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.Writer;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The income statement and balance sheet held against what a snapshot kept of them (rules 9.5). */
@RestController
@RequestMapping("/api/plans/{plan}/snapshots/{id}/statements")
class StatementsAgainstController {
    private final Plans plans;
    private final Stores stores;

    StatementsAgainstController(Plans plans, Stores stores) {
        this.plans = plans;
        this.stores = stores;
    }

    /**
     * A statement held against a snapshot in a period, and in the fiscal year up to its end, as far back as both have
     * it, where that is more; the periods there are to choose from. {@code toExplain} rows of the period are past the
     * threshold, of which {@code explained} have a note.
     */
    record AgainstView(
            List<PeriodView> choices, List<AgainstBlock> blocks, List<AgainstRow> rows, int toExplain, int explained) {}

    /** The days of some columns, and how many of their months have a trial balance. */
    record AgainstBlock(PeriodView period, int actualMonths, int months) {}

    /** A row with its figures in each block, and what was said of it in the period. */
    record AgainstRow(
            String id, String style, String name, List<AgainstFigure> figures, boolean mustExplain, String note) {}

    /**
     * What a figure is and was planned to be, and the difference, in percent of what was planned in hundredths: null
     * where the snapshot did not keep the days, or nothing was planned.
     */
    record AgainstFigure(
            long now,
            @Schema(nullable = true) @Nullable Long planned,
            @Schema(nullable = true) @Nullable Long difference,
            @Schema(nullable = true) @Nullable Long percentHundredths) {
        static AgainstFigure of(StatementVariance.Held held) {
            return new AgainstFigure(held.now(), held.planned(), held.difference(), held.percentHundredths());
        }
    }

    /** What is asked for, found. */
    private record Asked(
            Statements statements, Statements.Kind kind, Settings settings, List<Period> choices, List<Period> blocks) {
        StatementVariance against(KeptStatements kept) {
            return StatementVariance.of(statements, kept, kind, blocks);
        }
    }

    private Asked asked(String plan, String kind, Periods by, @Nullable LocalDate at, KeptStatements kept) {
        PlanAtVersion shown = plans.shown(plan);
        Settings settings = shown.plan().settings();
        Statements statements = Statements.of(shown.forecast(), shown.ledger());
        Statements.Kind of = Statements.Kind.of(kind);
        List<Period> choices = statements.periods(of, by, null, null, false);
        LocalDate day = at == null ? settings.asOf() : at;
        Period chosen = choices.stream()
                .filter(one -> at == null ? !one.lastDay().isAfter(day) : one.contains(day))
                .reduce((one, later) -> later)
                .orElse(choices.get(0));
        Period year = kept.since(statements.yearTo(of, chosen), chosen);
        return new Asked(
                statements, of, settings, choices, year.equals(chosen) ? List.of(chosen) : List.of(chosen, year));
    }

    private KeptStatements kept(String plan, String id) {
        return stores.snapshots()
                .statements(plan, id)
                .orElseThrow(
                        () -> new Refused(
                                "The snapshot '"
                                        + stores.snapshots().said(plan, id).name()
                                        + "' was kept before statements were kept with snapshots: choose a later one, or save one now"));
    }

    /** A statement in the period of a day; where none is asked for, in the last that is over. */
    @GetMapping
    @Allowed(Role.ONLOOKER)
    AgainstView against(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam String kind,
            @RequestParam(defaultValue = "MONTH") Periods by,
            @RequestParam(required = false) @Nullable LocalDate at) {
        KeptStatements kept = kept(plan, id);
        Asked asked = asked(plan, kind, by, at, kept);
        LocalDate asOf = asked.settings().asOf();
        Period chosen = asked.blocks().get(0);
        Map<String, String> notes = stores.notes().of(plan, id, chosen.startInclusive(), chosen.lastDay());
        Threshold threshold = asked.settings().explained();
        List<AgainstRow> rows = asked.against(kept).rows().stream()
                .map(row -> new AgainstRow(
                        row.id(),
                        row.style().name().toLowerCase(Locale.ROOT),
                        row.name(),
                        row.held().stream().map(AgainstFigure::of).toList(),
                        row.held().get(0).mustBeExplained(threshold),
                        notes.getOrDefault(kind + " " + row.id(), "")))
                .toList();
        List<AgainstRow> toExplain =
                rows.stream().filter(AgainstRow::mustExplain).toList();
        return new AgainstView(
                asked.choices().stream().map(one -> PeriodView.of(one, asOf)).toList(),
                asked.blocks().stream()
                        .map(one -> {
                            var actual = asked.statements().actualIn(one);
                            return new AgainstBlock(PeriodView.of(one, asOf), actual.months(), actual.of());
                        })
                        .toList(),
                rows,
                toExplain.size(),
                (int) toExplain.stream().filter(row -> !row.note().isEmpty()).count());
    }

    /** The same as CSV. */
    @GetMapping(path = "/csv", produces = "text/csv")
    @Allowed(Role.ONLOOKER)
    @Exports("statements against a snapshot as CSV")
    void csv(
            HttpServletResponse response,
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam String kind,
            @RequestParam(defaultValue = "MONTH") Periods by,
            @RequestParam(required = false) @Nullable LocalDate at)
            throws IOException {
        KeptStatements kept = kept(plan, id);
        Asked asked = asked(plan, kind, by, at, kept);
        StatementVariance variance = asked.against(kept);
        try (Writer out = CsvFile.begin(response, kind + "-against")) {
            StatementVarianceCsv.write(
                    variance, asked.blocks(), asked.settings().currency(), out);
        }
    }
}
