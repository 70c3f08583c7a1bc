package ebbtide.app.api;

import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.storage.ShortId;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.whatif.KeyFigures;
import ebbtide.whatif.Levers;
import ebbtide.whatif.Scenario;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What can be done about low water, each lever by itself. */
@RestController
@RequestMapping("/api/plans/{plan}/levers")
class LeversController {
    private final Plans plans;

    LeversController(Plans plans) {
        this.plans = plans;
    }

    /**
     * A lever: what is done, from which day it works, what it gives back at low water, the key figures with it, and the
     * scenario that it would be, on the one that is shown.
     */
    record LeverView(
            Levers.Kind kind,
            String words,
            LocalDate from,
            long givesBack,
            KeyFigures figures,
            @Schema(ref = DocumentPart.SCENARIO) Map<String, Object> scenario) {}

    /**
     * Returns the levers that lift headroom on the day of low water of what is shown, that first which lifts it most.
     */
    @GetMapping
    List<LeverView> levers(@PathVariable String plan) {
        PlanAtVersion shown = plans.shown(plan);
        List<String> standsOn =
                shown.shown().map(one -> List.of(one.scenario().id())).orElse(List.of());
        return Levers.of(shown.forecast()).stream()
                .map(one -> new LeverView(
                        one.kind(),
                        one.words(),
                        one.from(),
                        one.givesBack(),
                        one.figures(),
                        PlanView.plain(PlanWriter.json(
                                new Scenario(ShortId.next(), one.words(), "", standsOn, one.changes(), false),
                                shown.currency()))))
                .toList();
    }
}
