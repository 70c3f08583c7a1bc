package ebbtide.app.api;

import static java.util.Objects.requireNonNull;

import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.plan.AssumptionList;
import ebbtide.plan.DayRange;
import ebbtide.whatif.Dial;
import ebbtide.whatif.Measure;
import ebbtide.whatif.MeasureAsked;
import ebbtide.whatif.Sensitivity;
import ebbtide.whatif.TwoAtOnce;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Which assumptions matter to a measure (rules 11.7). */
@RestController
@RequestMapping("/api/plans/{plan}/sensitivity")
class SensitivityController {
    private static final int MOST = 100_000;

    private final Plans plans;

    SensitivityController(Plans plans) {
        this.plans = plans;
    }

    /**
     * An assumption, and what a step down and a step up do to the measure (null: the plan refuses it); whether it is
     * nil, and whether a step stopped at a bound.
     */
    record SensitivityView(
            String path,
            @Schema(nullable = true) @Nullable String lineId,
            String line,
            String name,
            boolean nil,
            boolean bounded,
            @Schema(nullable = true) @Nullable Long down,
            @Schema(nullable = true) @Nullable Long up) {}

    /** The level now, how many assumptions there are, and some of them, that with the largest effect first. */
    record RankedView(long now, LocalDate day, int all, List<SensitivityView> assumptions) {}

    /** How far each kind of figure is moved: shares of money, quantities and prices, points, days and months. */
    record StepsAsked(String share, String points, int days, int months) {
        Sensitivity.Steps steps() {
            return new Sensitivity.Steps(Percent.parse(share), Percent.parse(points), days, months);
        }
    }

    /** Ranks so many assumptions of the list, from a place on. */
    @GetMapping
    RankedView rank(
            @PathVariable String plan,
            @RequestParam MeasureAsked measure,
            @RequestParam(required = false) @Nullable LocalDate day,
            @RequestParam(defaultValue = "10") String share,
            @RequestParam(defaultValue = "1") String points,
            @RequestParam(defaultValue = "5") int days,
            @RequestParam(defaultValue = "1") int months,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "400") int count) {
        Check.inRange(from, 0, MOST, "place in the list");
        Check.inRange(count, 1, MOST, "assumptions at once");
        PlanAtVersion shown = plans.shown(plan);
        Measure of = measure.on(day, shown.forecast());
        Measure.Level now = of.of(shown.forecast());
        Sensitivity.Part part =
                Sensitivity.of(shown.forecast(), of, new StepsAsked(share, points, days, months).steps(), from, count);
        Map<String, AssumptionList.Entry> named = AssumptionList.byPath(
                shown.plan(),
                part.entries().stream().map(Sensitivity.Entry::path).collect(Collectors.toSet()));
        return new RankedView(
                now.minor(),
                now.day(),
                part.all(),
                part.entries().stream()
                        .filter(one -> named.containsKey(one.path()))
                        .map(one -> view(one, requireNonNull(named.get(one.path()))))
                        .toList());
    }

    /** Two turned at once: the values of each as they would be typed, and a level for each pair; null: refused. */
    record TwoView(
            boolean rowsScale, boolean columnsScale, List<String> rows, List<String> columns, List<TwoRow> levels) {}

    /** The levels of a row of the grid, by column. */
    record TwoRow(
            @ArraySchema(schema = @Schema(nullable = true)) List<@Nullable Long> levels) {}

    /** Turns two at once: each a line, or an assumption by its lasting name. */
    @GetMapping("/two")
    TwoView two(
            @PathVariable String plan,
            @RequestParam MeasureAsked measure,
            @RequestParam(required = false) @Nullable LocalDate day,
            @RequestParam(required = false) @Nullable String downPath,
            @RequestParam(required = false) @Nullable String downLine,
            @RequestParam(required = false) @Nullable String acrossPath,
            @RequestParam(required = false) @Nullable String acrossLine,
            @RequestParam(defaultValue = "5") int values) {
        PlanAtVersion shown = plans.shown(plan);
        Dial down = Dial.of(shown.plan(), TargetAsked.of(downPath, downLine), DayRange.ALWAYS);
        Dial across = Dial.of(shown.plan(), TargetAsked.of(acrossPath, acrossLine), DayRange.ALWAYS);
        TwoAtOnce grid = TwoAtOnce.of(shown.forecast(), down, across, values, measure.on(day, shown.forecast()));
        return new TwoView(
                down.scales(),
                across.scales(),
                grid.rows().stream().map(one -> down.value(one).toPlainString()).toList(),
                grid.columns().stream()
                        .map(one -> across.value(one).toPlainString())
                        .toList(),
                grid.cells().stream()
                        .map(row -> new TwoRow(
                                row.stream().map(one -> one.orElse(null)).toList()))
                        .toList());
    }

    private static SensitivityView view(Sensitivity.Entry entry, AssumptionList.Entry named) {
        return new SensitivityView(
                entry.path(),
                entry.lineId().orElse(null),
                named.line(),
                named.name(),
                entry.nil(),
                entry.down().filter(Sensitivity.Effect::bounded).isPresent()
                        || entry.up().filter(Sensitivity.Effect::bounded).isPresent(),
                entry.down().map(Sensitivity.Effect::moves).orElse(null),
                entry.up().map(Sensitivity.Effect::moves).orElse(null));
    }
}
