package ebbtide.app.api;

import ebbtide.answers.AssetSchedule;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.books.ActualLedger;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.RollForwards;
import ebbtide.formats.budget.SheetReader;
import ebbtide.formats.csv.AssetCsv;
import ebbtide.formats.csv.RatioCsv;
import ebbtide.formats.csv.RollForwardCsv;
import ebbtide.formats.csv.StatementCsv;
import ebbtide.formats.csv.YearsCsv;
import ebbtide.formats.opening.NamedRows;
import ebbtide.formats.opening.OpeningList;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.money.Refused;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.Settings;
import ebbtide.statements.LedgerOpening;
import ebbtide.statements.OpeningCheck;
import ebbtide.statements.Ratios;
import ebbtide.statements.StatementTable;
import ebbtide.statements.Statements;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.years.Years;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.Writer;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.databind.JsonNode;

/** The pro forma statements of a plan, its ratios, and the opening balance sheet they start from (rules 9.1, 9.2). */
@RestController
@RequestMapping("/api/plans/{plan}/statements")
class StatementsController {
    private final Plans plans;

    StatementsController(Plans plans) {
        this.plans = plans;
    }

    /**
     * A statement; with an opening, each row has its amount after so many periods. Of each period so many months have a
     * trial balance.
     */
    record ProFormaView(
            List<PeriodView> periods,
            boolean opening,
            int beforeOpening,
            List<StatementTable.Actual> actual,
            LocalDate openingDay,
            List<ProFormaRow> rows) {}

    private static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** A statement by the periods of a window, with the totals of its years unless they are not asked for. */
    @GetMapping
    @Allowed(Role.ONLOOKER)
    ProFormaView statement(
            @PathVariable String plan,
            @RequestParam String kind,
            @RequestParam Periods by,
            @RequestParam(defaultValue = "false") boolean common,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to,
            @RequestParam(defaultValue = "true") boolean years) {
        PlanAtVersion shown = plans.shown(plan);
        Forecast forecast = shown.forecast();
        ActualLedger ledger = shown.ledger();
        Statements statements = Statements.of(forecast, ledger);
        List<Period> periods = statements.periods(Statements.Kind.of(kind), by, from, to, years);
        StatementTable table = statements.table(Statements.Kind.of(kind), periods, common);
        BaseAmounts base = shown.shown()
                .map(one -> new BaseAmounts(
                        Statements.of(one.base(), ledger)
                                .table(Statements.Kind.of(kind), periods, false)
                                .rows()
                                .stream()
                                .collect(Collectors.toMap(StatementTable.Row::id, StatementTable.Row::amounts)),
                        true))
                .orElse(BaseAmounts.NONE);
        LocalDate asOf = forecast.plan().settings().asOf();
        return new ProFormaView(
                table.periods().stream()
                        .map(period -> PeriodView.of(period, asOf))
                        .toList(),
                table.opening(),
                table.beforeOpening(),
                table.actual(),
                forecast.plan().settings().openingDay(),
                table.rows().stream().map(row -> ProFormaRow.of(row, base)).toList());
    }

    /**
     * Returns the parts of a figure of a statement in the days of its period, or in the opening where no days are
     * given.
     */
    @GetMapping("/workings")
    @Allowed(Role.ONLOOKER)
    List<ItemView> workings(
            @PathVariable String plan,
            @RequestParam String kind,
            @RequestParam String row,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to) {
        Period period = from == null || to == null ? null : new Period(from, to.plusDays(1));
        PlanAtVersion shown = plans.shownWithin(plan, row);
        return Statements.of(shown.forecast(), shown.ledger()).workings(Statements.Kind.of(kind), row, period).stream()
                .map(ItemView::of)
                .toList();
    }

    /** What is shown of the statements as CSV: one of them, the ratios, what is owed and held, or the years. */
    @GetMapping(path = "/csv", produces = "text/csv")
    @Allowed(Role.ONLOOKER)
    @Exports("statements as CSV")
    void csv(
            HttpServletResponse response,
            @PathVariable String plan,
            @RequestParam String show,
            @RequestParam(defaultValue = "MONTH") Periods by,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to)
            throws IOException {
        PlanAtVersion shown = plans.shown(plan);
        Forecast forecast = shown.forecast();
        Settings settings = forecast.plan().settings();
        // What cannot be shown is said before a file begins.
        CsvText text =
                switch (show) {
                    case "years" -> {
                        Years years = Years.of(forecast)
                                .orElseThrow(() -> new Refused("The plan has no years yet: begin them first"));
                        yield out -> YearsCsv.write(years, settings.currency(), out);
                    }
                    case "assets" -> {
                        AssetSchedule assets = AssetSchedule.of(forecast);
                        yield out -> AssetCsv.write(assets, settings.currency(), out);
                    }
                    case "rolls" -> {
                        var rolls = RollForwards.of(forecast, settings.horizonMonths() + 1);
                        yield out -> RollForwardCsv.write(rolls, settings.currency(), out);
                    }
                    case "ratios" -> {
                        Statements statements = Statements.of(forecast);
                        List<Period> periods = statements.months().touched(by, from, to);
                        var ratios = Ratios.of(statements, periods);
                        yield out -> RatioCsv.write(ratios, periods, settings.currency(), out);
                    }
                    default -> {
                        Statements statements = Statements.of(forecast, shown.ledger());
                        StatementTable table = statements.table(
                                Statements.Kind.of(show),
                                statements.periods(Statements.Kind.of(show), by, from, to, false),
                                false);
                        yield out -> StatementCsv.write(table, settings, out);
                    }
                };
        try (Writer out = CsvFile.begin(response, show)) {
            text.write(out);
        }
    }

    /** Something that is written as CSV. */
    private interface CsvText {
        void write(Writer out);
    }

    /** Where the cash of a period went: from opening to closing cash, step by step, each with the level it leads to. */
    record BridgeView(long opening, List<BridgeStep> steps, long closing) {}

    /** A step of it. */
    record BridgeStep(String id, String name, long minor, long level) {}

    @GetMapping("/bridge")
    @Allowed(Role.ONLOOKER)
    BridgeView bridge(@PathVariable String plan, @RequestParam LocalDate from, @RequestParam LocalDate to) {
        Statements.Bridge bridge = Statements.of(plans.shown(plan).forecast()).bridge(new Period(from, to.plusDays(1)));
        return new BridgeView(
                bridge.opening(),
                bridge.steps().stream()
                        .map(one -> new BridgeStep(one.id(), one.name(), one.minor(), one.level()))
                        .toList(),
                bridge.closing());
    }

    /** A ratio by period: its values in its unit (empty where not known) and how each comes about. */
    record RatioView(String id, String name, String unit, List<String> values, List<String> because) {
        static RatioView of(Ratios.Ratio ratio) {
            return new RatioView(
                    ratio.id(),
                    ratio.name(),
                    word(ratio.unit()),
                    ratio.values().stream()
                            .map(value -> value == null ? "" : value.toPlainString())
                            .toList(),
                    ratio.because());
        }
    }

    /** The ratios by period. */
    record RatiosView(List<PeriodView> periods, List<RatioView> ratios) {}

    @GetMapping("/ratios")
    @Allowed(Role.ONLOOKER)
    RatiosView ratios(
            @PathVariable String plan,
            @RequestParam Periods by,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to) {
        Forecast forecast = plans.shown(plan).forecast();
        Statements statements = Statements.of(forecast);
        List<Period> periods = statements.months().withYears(by, from, to);
        return new RatiosView(
                periods.stream()
                        .map(period ->
                                PeriodView.of(period, forecast.plan().settings().asOf()))
                        .toList(),
                Ratios.of(statements, periods).stream().map(RatioView::of).toList());
    }

    /**
     * The opening balance sheet's day, whether there is one, whether the ledger has a trial balance of it, what it
     * lacks to balance, what else to look at, and what an entry may be.
     */
    record OpeningView(
            LocalDate on,
            boolean there,
            boolean inLedger,
            long unplaced,
            List<FindingView> findings,
            List<KindView> kinds) {}

    /** Something to look at: the line it is about, if any. */
    record FindingView(
            String sentence,
            @Schema(nullable = true) @Nullable String lineId,
            long minor) {}

    /** What an entry may be, with the side on which it stands. */
    record KindView(String kind, String name, String side) {}

    @GetMapping("/opening")
    @Allowed(Role.ONLOOKER)
    OpeningView opening(@PathVariable String plan) {
        PlanAtVersion shown = plans.shown(plan);
        OpeningCheck.Result result = OpeningCheck.of(shown.forecast());
        return new OpeningView(
                result.on(),
                result.there(),
                shown.ledger().find(YearMonth.from(result.on())).isPresent(),
                result.unplaced(),
                result.findings().stream()
                        .map(one -> new FindingView(one.sentence(), one.lineId(), one.minor()))
                        .toList(),
                Arrays.stream(OpeningSheet.Kind.values())
                        .map(one -> new KindView(word(one), one.words(), word(one.side())))
                        .toList());
    }

    /**
     * Returns the opening balance sheet with what the plan itself knows filled in, as settings hold it; it is kept only
     * when settings are.
     */
    @GetMapping("/opening/proposed")
    @Allowed(Role.ONLOOKER)
    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(ref = DocumentPart.OPENING_SHEET)))
    JsonNode proposed(@PathVariable String plan) {
        Forecast forecast = plans.shown(plan).forecast();
        return PlanWriter.json(
                OpeningCheck.proposed(forecast), forecast.plan().settings().currency());
    }

    /**
     * Returns the opening balance sheet that the trial balance of its month gives, as settings hold it; it is kept only
     * when settings are.
     */
    @GetMapping("/opening/ledger")
    @Allowed(Role.ONLOOKER)
    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(ref = DocumentPart.OPENING_SHEET)))
    JsonNode fromLedger(@PathVariable String plan) {
        PlanAtVersion shown = plans.shown(plan);
        return PlanWriter.json(
                LedgerOpening.of(shown.forecast(), shown.ledger()),
                shown.plan().settings().currency());
    }

    /**
     * Returns the opening balance sheet with what it lacks placed in retained profit; it is kept only when settings
     * are.
     */
    @GetMapping("/opening/placed")
    @Allowed(Role.ONLOOKER)
    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(ref = DocumentPart.OPENING_SHEET)))
    JsonNode placed(@PathVariable String plan) {
        Forecast forecast = plans.shown(plan).forecast();
        return PlanWriter.json(
                OpeningCheck.placed(forecast), forecast.plan().settings().currency());
    }

    /** What was read of an opening balance sheet, as settings hold it, and the rows that could not be. */
    record OpeningReadView(
            @Schema(ref = DocumentPart.OPENING_SHEET) JsonNode sheet, List<NamedRows.Unread> problems) {}

    /**
     * Reads an opening balance sheet from a file, CSV or XLSX, or from what was pasted as one; it is kept only when
     * settings are.
     */
    @PostMapping(path = "/opening/read", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    OpeningReadView read(@PathVariable String plan, @RequestPart MultipartFile file) throws IOException {
        Forecast forecast = plans.shown(plan).forecast();
        OpeningList list =
                OpeningList.read(SheetReader.first(file.getBytes(), "a name and an amount"), forecast.plan());
        return new OpeningReadView(
                PlanWriter.json(
                        new OpeningSheet(forecast.plan().settings().openingDay(), list.entries()),
                        forecast.plan().settings().currency()),
                list.problems());
    }
}
