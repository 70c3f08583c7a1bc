package ebbtide.app.api;

import com.fasterxml.jackson.annotation.JsonInclude;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.flows.Cell;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.ForecastTable;
import ebbtide.formats.csv.ForecastCsv;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.workings.RowWorkings;
import ebbtide.workings.Workings;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.Writer;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The forecast by period, the workings of its figures, and the forecast as CSV. */
@RestController
@RequestMapping("/api/plans/{plan}")
class ForecastController {
    private final Plans plans;

    ForecastController(Plans plans) {
        this.plans = plans;
    }

    /** The forecast laid out by period. */
    record TableView(List<PeriodView> periods, List<TableRow> rows) {}

    /** A row with a cell for each period. */
    record TableRow(
            String id,
            String kind,
            String name,
            @Schema(nullable = true) @Nullable String direction,
            int depth,
            boolean active,
            List<CellView> cells) {}

    /**
     * A figure: its amount, its largest part, the computed amount where it is overridden, that something of it is
     * overdue, the worst day where it is that day's level, and the depth of headroom from 0 (below zero) to 5 where it
     * is that. {@code base} is what the base has where a scenario is shown and has another amount. What there is
     * nothing of is not sent: a table has thousands of these.
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record CellView(
            long amount,
            String part,
            @Nullable Long computed,
            @Nullable Boolean overdue,
            @Nullable LocalDate day,
            @Nullable Integer depth,
            @Nullable Long base) {
        static CellView of(Cell cell, @Nullable Cell base) {
            return new CellView(
                    cell.amount(),
                    cell.largestPart().name().toLowerCase(Locale.ROOT),
                    cell.computed(),
                    cell.overdue() ? true : null,
                    cell.day(),
                    cell.depth() < 0 ? null : cell.depth(),
                    base == null || base.amount() == cell.amount() ? null : base.amount());
        }
    }

    @GetMapping("/forecast")
    @Allowed(Role.ONLOOKER)
    TableView table(
            @PathVariable String plan,
            @RequestParam Periods by,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to) {
        return table(plans.shown(plan), by, from, to);
    }

    /** Returns the forecast of a plan as it is looked at. */
    static TableView table(PlanAtVersion shown, Periods by, LocalDate from, LocalDate to) {
        Forecast forecast = shown.forecast();
        LocalDate asOf = forecast.plan().settings().asOf();
        List<Period> periods = ShownPeriods.of(forecast, by, from, to);
        ForecastTable table = ForecastTable.of(forecast, periods);
        Map<String, List<Cell>> base = shown.shown()
                .map(scenario -> cells(ForecastTable.of(scenario.base(), periods)))
                .orElse(Map.of());
        return new TableView(
                table.periods().stream().map(p -> PeriodView.of(p, asOf)).toList(),
                table.rows().stream()
                        .map(row -> new TableRow(
                                row.id(),
                                row.kind().name().toLowerCase(Locale.ROOT),
                                row.name(),
                                row.direction() == null
                                        ? null
                                        : row.direction().name().toLowerCase(Locale.ROOT),
                                row.depth(),
                                row.active(),
                                cells(row.cells(), base.get(row.id()))))
                        .toList());
    }

    private static Map<String, List<Cell>> cells(ForecastTable table) {
        return table.rows().stream()
                .collect(Collectors.toMap(ForecastTable.Row::id, ForecastTable.Row::cells, (one, same) -> one));
    }

    private static List<CellView> cells(List<Cell> cells, @Nullable List<Cell> base) {
        return IntStream.range(0, cells.size())
                .mapToObj(i -> CellView.of(cells.get(i), base == null ? null : base.get(i)))
                .toList();
    }

    @GetMapping(path = "/forecast.csv", produces = "text/csv")
    @Allowed(Role.ONLOOKER)
    @Exports("the forecast as CSV")
    void csv(
            HttpServletResponse response,
            @PathVariable String plan,
            @RequestParam Periods by,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to,
            @RequestParam(defaultValue = "wide") String shape)
            throws IOException {
        Forecast forecast = plans.shown(plan).forecast();
        List<Period> periods = forecast.periods(by, from, to);
        boolean isLong = shape.equals("long");
        try (Writer text = CsvFile.begin(response, isLong ? "forecast-long" : "forecast-wide")) {
            if (isLong) {
                ForecastCsv.writeLong(forecast, periods, text);
            } else {
                ForecastCsv.writeWide(forecast, periods, text);
            }
        }
    }

    /** A line's figure opened into its parts; {@code overBy} is by how much movements exceed what was expected. */
    record WorkingsView(
            String name,
            long amount,
            long settled,
            long committed,
            long estimated,
            @Schema(nullable = true) @Nullable Long computed,
            @Schema(nullable = true) @Nullable Long overBy,
            List<ItemView> items) {}

    @GetMapping("/workings")
    @Allowed(Role.ONLOOKER)
    WorkingsView workings(
            @PathVariable String plan,
            @RequestParam String row,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to) {
        Forecast forecast = plans.shownWithin(plan, row).forecast();
        Workings workings = RowWorkings.of(forecast, row, new Period(from, to.plusDays(1)));
        Cell cell = workings.figure();
        return new WorkingsView(
                workings.name(),
                cell.amount(),
                cell.settled(),
                cell.committed(),
                cell.estimated(),
                cell.computed(),
                workings.overBy(),
                workings.items().stream().map(ItemView::of).toList());
    }
}
