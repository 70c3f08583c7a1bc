package ebbtide.app.api;

import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.Tracking;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import ebbtide.track.Bridge;
import ebbtide.track.Bridge.Cause;
import ebbtide.track.Snapshot;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What moved closing cash between two forecasts. */
@RestController
@RequestMapping("/api/plans/{plan}/snapshots/{id}/bridge")
class MovedController {
    private final Tracking tracking;
    private final Plans plans;
    private final Stores stores;

    MovedController(Tracking tracking, Plans plans, Stores stores) {
        this.tracking = tracking;
        this.plans = plans;
        this.stores = stores;
    }

    /**
     * Closing cash of a day before and after, what each cause moved, and each line by cause; signed minor units; the
     * days between which one can choose.
     */
    record MovedView(
            @Nullable LocalDate day,
            LocalDate firstDay,
            @Nullable LocalDate lastDay,
            long before,
            long after,
            List<CauseView> causes,
            List<MovedRow> rows) {}

    /** What a cause moved; {@code from} and {@code to} are where the bridge stands before and after it. */
    record CauseView(String cause, long moved, long from, long to) {}

    /** A line with what moved it, cause after cause as in the list of all causes. */
    record MovedRow(String id, String name, long moved, List<Long> causes) {}

    /**
     * Leads from a snapshot to the forecast as it is now, or to another snapshot; on the low water's day where none is
     * asked for.
     */
    @GetMapping
    @Allowed(Role.ONLOOKER)
    MovedView bridge(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam(required = false) LocalDate day,
            @RequestParam(required = false) String to) {
        PlanAtVersion current = plans.shown(plan);
        Snapshot old = stores.snapshots().get(plan, id, LocalDate.MAX);
        Snapshot now = to == null
                ? Snapshot.of(current.forecast(), line -> Tracking.mark(line, current))
                : stores.snapshots().get(plan, to, LocalDate.MAX);
        LocalDate first = now.asOf().plusDays(1);
        LocalDate last = old.horizonEnd().isBefore(now.horizonEnd()) ? old.horizonEnd() : now.horizonEnd();
        LocalDate low = current.forecast().lowWater().day();
        LocalDate on = day != null ? day : low.isBefore(first) || low.isAfter(last) ? last : low;
        Bridge bridge = Bridge.of(old, now, tracking.facts(plan, current, old.asOf()), on);
        List<CauseView> causes = bridge.steps().stream()
                .map(step -> new CauseView(step.cause().name(), step.moved(), step.from(), step.to()))
                .toList();
        return new MovedView(
                on,
                first,
                last,
                bridge.before(),
                bridge.after(),
                causes,
                bridge.rows().stream().map(MovedController::row).toList());
    }

    private static MovedRow row(Bridge.Row row) {
        Map<Cause, Long> causes = row.causes();
        return new MovedRow(
                row.id(),
                row.name(),
                row.moved(),
                Arrays.stream(Cause.values())
                        .map(cause -> causes.getOrDefault(cause, 0L))
                        .toList());
    }
}
