package ebbtide.app.api;

import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.whatif.BreakEven;
import ebbtide.whatif.BreakEvenWords;
import ebbtide.whatif.Breakwater;
import ebbtide.whatif.Failures;
import ebbtide.whatif.Scenario;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The scenario that funding must survive, and how much of any funding survives (rules 11.9). */
@RestController
@RequestMapping("/api/plans/{plan}")
class BreakwaterController {
    private static final int LARGEST = 10;

    private final Plans plans;

    BreakwaterController(Plans plans) {
        this.plans = plans;
    }

    /** The breakwater, null where no scenario is it. */
    record BreakwaterView(@Schema(nullable = true) @Nullable HeldView held) {}

    /**
     * The breakwater with its least headroom, and the first day on which it falls below nil with what the checklist
     * says of that; null where it holds.
     */
    record HeldView(
            String id,
            String name,
            long headroom,
            LocalDate lowWater,
            @Schema(nullable = true) @Nullable LocalDate falls,
            @Schema(nullable = true) @Nullable String sentence) {}

    @GetMapping("/breakwater")
    @Allowed(Role.ONLOOKER)
    BreakwaterView breakwater(@PathVariable String plan) {
        PlanAtVersion base = plans.current(plan);
        return new BreakwaterView(base.scenarios()
                .breakwater()
                .map(one -> {
                    Breakwater found =
                            Breakwater.of(one, plans.scenario(plan, one.id()).forecast());
                    return new HeldView(
                            one.id(),
                            one.name(),
                            found.figures().headroom(),
                            found.figures().lowWater(),
                            found.falls().orElse(null),
                            found.missing(base.currency())
                                    .map(item -> item.sentence())
                                    .orElse(null));
                })
                .orElse(null));
    }

    /**
     * Returns how much of a scenario funding survives: the share of all its changes at which headroom falls below nil.
     */
    @GetMapping("/scenarios/{id}/survived")
    @Allowed(Role.ONLOOKER)
    BreakEvenView survived(@PathVariable String plan, @PathVariable String id) {
        PlanAtVersion base = plans.current(plan);
        Scenario scenario = plans.scenario(plan, id).shown().orElseThrow().scenario();
        BreakEven.Answer answer =
                Breakwater.survived(base.forecast(), base.scenarios(), scenario, plans.whileCurrent(plan, base));
        return BreakEvenView.of(answer, 0, BreakEvenWords.ofShare(base.plan(), answer, scenario.name()));
    }

    /** Returns what it does if one of the ten largest debtors fails, that first which costs most headroom. */
    @GetMapping("/failures")
    @Allowed(Role.ONLOOKER)
    List<Failures.Failure> failures(@PathVariable String plan) {
        return Failures.of(plans.shown(plan).forecast(), LARGEST);
    }
}
