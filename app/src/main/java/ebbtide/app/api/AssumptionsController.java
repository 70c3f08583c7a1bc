package ebbtide.app.api;

import ebbtide.app.desk.Plans;
import ebbtide.app.storage.ChangeLog.ChangeListed;
import ebbtide.app.storage.Stores;
import ebbtide.plan.AssumptionList;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The assumptions of a plan one by one, with who last changed the line or the settings they belong to. */
@RestController
@RequestMapping("/api/plans/{plan}/assumptions")
class AssumptionsController {
    private final Plans plans;
    private final Stores stores;

    AssumptionsController(Plans plans, Stores stores) {
        this.plans = plans;
        this.stores = stores;
    }

    /** An assumption, and the latest edit of its line; without an edit it is as it was first made. */
    record AssumptionView(
            String path,
            @Schema(nullable = true) @Nullable String lineId,
            String line,
            String name,
            String value,
            String unit,
            @Schema(nullable = true) @Nullable LocalDate from,
            String note,
            @Schema(nullable = true) @Nullable String changedBy,
            @Schema(nullable = true) @Nullable OffsetDateTime changedAt) {}

    @GetMapping
    List<AssumptionView> all(@PathVariable String plan) {
        Map<String, ChangeListed> latest = stores.log().latestOfEach(plan);
        return AssumptionList.of(plans.shown(plan).plan()).stream()
                .map(entry -> {
                    ChangeListed change = latest.get(entry.lineId() == null ? "" : entry.lineId());
                    return new AssumptionView(
                            entry.path(),
                            entry.lineId(),
                            entry.line(),
                            entry.name(),
                            entry.value(),
                            entry.unit(),
                            entry.from(),
                            entry.note(),
                            change == null ? null : change.author(),
                            change == null ? null : change.madeAt());
                })
                .toList();
    }
}
