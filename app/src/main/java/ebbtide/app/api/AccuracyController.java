package ebbtide.app.api;

import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.Tracking;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import ebbtide.books.DayAmount;
import ebbtide.time.Periods;
import ebbtide.track.Accuracy;
import ebbtide.track.Band;
import ebbtide.track.ForecastError;
import ebbtide.track.MeasuredRow;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** How far ahead the forecast can be trusted: its record, and the band that follows from it. */
@RestController
@RequestMapping("/api/plans/{plan}")
class AccuracyController {
    private static final int WEEKS = 26;
    private static final int MONTHS = 12;
    private static final int COSTLY = 4;
    private static final int SHOWN = 13;
    private final Tracking tracking;
    private final Plans plans;
    private final Stores stores;
    private final Map<String, Known> known = new ConcurrentHashMap<>();

    AccuracyController(Tracking tracking, Plans plans, Stores stores) {
        this.tracking = tracking;
        this.plans = plans;
        this.stores = stores;
    }

    /**
     * The record: how many forecasts were measured, how many periods ahead; every row by lead; counterparties; how far
     * closing cash was off on average; the lines that cost most; of the row chosen its errors with those of the rivals
     * (null: there is no such row) and its forecasts of one lead over time; how often closing cash fell within the
     * band.
     */
    record AccuracyView(
            int snapshots,
            int leads,
            List<ErrorRow> rows,
            List<ErrorRow> parties,
            @Schema(nullable = true) @Nullable ChosenRow chosen,
            List<Long> closingMiss,
            List<Accuracy.Cost> costs,
            int costsOf,
            List<RecordPoint> record,
            int covered,
            int tried,
            int fewest) {}

    /**
     * A row's weighted errors by the first leads in hundredths of a percent, null where nothing happened; and of the
     * first lead its bias and the errors of the two rivals.
     */
    record ErrorRow(
            String id,
            String name,
            int depth,
            boolean group,
            @ArraySchema(schema = @Schema(nullable = true)) List<Long> errors,
            @Schema(nullable = true) @Nullable Long bias,
            @Schema(nullable = true) @Nullable Long lastYear,
            @Schema(nullable = true) @Nullable Long dueDates) {}

    /** A row with its errors by lead. */
    record ChosenRow(String id, String name, List<ErrorView> errors) {}

    /** An error of one lead and those of the rivals, hundredths of a percent, and over how many periods. */
    record ErrorView(
            @Schema(nullable = true) @Nullable Long error,
            @Schema(nullable = true) @Nullable Long bias,
            @Schema(nullable = true) @Nullable Long lastYear,
            @Schema(nullable = true) @Nullable Long dueDates,
            int periods) {}

    /** What was forecast of a period, and what happened. */
    record RecordPoint(LocalDate asOf, LocalDate from, LocalDate to, long forecast, long actual) {}

    @GetMapping("/accuracy")
    @Allowed(Role.ONLOOKER)
    AccuracyView accuracy(
            @PathVariable String plan,
            @RequestParam(defaultValue = "WEEK") Periods by,
            @RequestParam(defaultValue = Accuracy.NET) String row,
            @RequestParam(defaultValue = "1") int lead) {
        Accuracy accuracy = measured(plan, by, row);
        List<MeasuredRow> rows = accuracy.rows();
        List<MeasuredRow> parties = accuracy.parties();
        Band band = Band.of(accuracy.closings());
        int snapshots = (int) accuracy.closings().stream()
                .map(Accuracy.Closing::asOf)
                .distinct()
                .count();
        return new AccuracyView(
                snapshots,
                accuracy.longest(),
                rows.stream().map(AccuracyController::row).toList(),
                parties.stream().map(AccuracyController::row).toList(),
                Stream.concat(rows.stream(), parties.stream())
                        .filter(one -> one.id().equals(row))
                        .findFirst()
                        .map(AccuracyController::chosen)
                        .orElse(null),
                accuracy.closingMiss(),
                accuracy.costs(COSTLY),
                COSTLY,
                accuracy.record(lead).stream()
                        .map(one -> new RecordPoint(
                                one.asOf(),
                                one.period().startInclusive(),
                                one.period().lastDay(),
                                one.forecast(),
                                one.actual()))
                        .toList(),
                band.covered(),
                band.tried(),
                Band.FEWEST);
    }

    private Accuracy measured(String plan, Periods by, String row) {
        Periods of = by == Periods.MONTH ? Periods.MONTH : Periods.WEEK;
        int leads = of == Periods.MONTH ? MONTHS : WEEKS;
        PlanAtVersion current = plans.current(plan);
        Accuracy accuracy = new Accuracy(tracking.facts(plan, current, LocalDate.of(1990, 1, 1)), of, leads, row);
        stores.snapshots().each(plan, Accuracy.daysRead(of, leads), accuracy::add);
        return accuracy;
    }

    private static ErrorRow row(MeasuredRow row) {
        return new ErrorRow(
                row.id(),
                row.name(),
                row.depth(),
                row.isGroup(),
                row.errors().stream()
                        .limit(SHOWN)
                        .map(ForecastError::wapeHundredths)
                        .toList(),
                first(row.errors(), ForecastError::biasHundredths),
                first(row.lastYear(), ForecastError::wapeHundredths),
                first(row.dueDates(), ForecastError::wapeHundredths));
    }

    private static @Nullable Long first(List<ForecastError> errors, Function<ForecastError, Long> of) {
        return errors.isEmpty() ? null : of.apply(errors.get(0));
    }

    private static ChosenRow chosen(MeasuredRow row) {
        List<ErrorView> errors = new ArrayList<>();
        for (int lead = 0; lead < Math.min(SHOWN, row.errors().size()); lead++) {
            ForecastError one = row.errors().get(lead);
            errors.add(new ErrorView(
                    one.wapeHundredths(),
                    one.biasHundredths(),
                    row.lastYear().get(lead).wapeHundredths(),
                    row.dueDates().get(lead).wapeHundredths(),
                    one.periods()));
        }
        return new ChosenRow(row.id(), row.name(), errors);
    }

    /** What the band was worked out from: it stays until a fact or a snapshot comes. */
    private record Basis(LocalDate asOf, Map<String, List<DayAmount>> movements, List<String> snapshots) {}

    private record Known(Basis basis, Band band) {}

    /**
     * Where closing cash is likely to lie at the end of weeks to come, with how often it did; no points where too few
     * forecasts were measured.
     */
    record BandView(List<Band.Level> points, int covered, int tried) {}

    @GetMapping("/band")
    @Allowed(Role.ONLOOKER)
    BandView band(@PathVariable String plan) {
        PlanAtVersion current = plans.current(plan);
        LocalDate asOf = current.plan().settings().asOf();
        Basis basis = new Basis(
                asOf,
                current.books().byAccount(),
                stores.snapshots().all(plan).stream().map(one -> one.id()).toList());
        Known was = known.get(plan);
        Band band = was != null && Objects.equals(was.basis(), basis)
                ? was.band()
                : Band.of(measured(plan, Periods.WEEK, "").closings());
        known.put(plan, new Known(basis, band));
        return new BandView(band.around(current.forecast()), band.covered(), band.tried());
    }
}
