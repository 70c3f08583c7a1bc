package ebbtide.app.api;

import static java.util.Objects.requireNonNull;

import ebbtide.app.storage.Edits;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.plan.AssumptionList;
import ebbtide.whatif.Measure;
import ebbtide.whatif.Sensitivity;
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
    private static final int MOST = 400;

    private final Edits edits;

    SensitivityController(Edits edits) {
        this.edits = edits;
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

    /** The level now, and the assumptions, that with the largest effect first. */
    record RankedView(long now, LocalDate day, List<SensitivityView> assumptions) {}

    @GetMapping
    RankedView rank(
            @PathVariable String plan,
            @RequestParam MeasureAsked measure,
            @RequestParam(required = false) @Nullable LocalDate day) {
        PlanAtVersion shown = edits.shown(plan);
        Measure of = measure.on(day, shown.forecast());
        Map<String, AssumptionList.Entry> named = AssumptionList.of(shown.plan()).stream()
                .collect(Collectors.toMap(AssumptionList.Entry::path, one -> one, (one, next) -> one));
        Measure.Level now = of.of(shown.forecast());
        return new RankedView(
                now.minor(),
                now.day(),
                Sensitivity.of(shown.forecast(), of, Sensitivity.Steps.USUAL).stream()
                        .filter(one -> named.containsKey(one.path()))
                        .limit(MOST)
                        .map(one -> view(one, requireNonNull(named.get(one.path()))))
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
