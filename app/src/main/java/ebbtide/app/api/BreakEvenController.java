package ebbtide.app.api;

import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.money.Money;
import ebbtide.plan.DayRange;
import ebbtide.whatif.BreakEven;
import ebbtide.whatif.BreakEvenWords;
import ebbtide.whatif.Dial;
import ebbtide.whatif.Measure;
import ebbtide.whatif.MeasureAsked;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** How far an assumption or a line can go until a measure falls below its bound (rules 11.6). */
@RestController
@RequestMapping("/api/plans/{plan}/break-even")
class BreakEvenController {
    private final Plans plans;

    BreakEvenController(Plans plans) {
        this.plans = plans;
    }

    /**
     * Asks of a line's activity, of an assumption by its lasting name, or of a change of a scenario and what is tied to
     * it: one of the three is said.
     */
    @GetMapping
    BreakEvenView ask(
            @PathVariable String plan,
            @RequestParam(required = false) @Nullable String line,
            @RequestParam(required = false) @Nullable String path,
            @RequestParam(required = false) @Nullable String ofScenario,
            @RequestParam(required = false) @Nullable String change,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to,
            @RequestParam MeasureAsked measure,
            @RequestParam(required = false) @Nullable LocalDate day,
            @RequestParam String bound) {
        // A change is turned in its scenario, whatever is shown.
        PlanAtVersion shown = ofScenario == null ? plans.shown(plan) : plans.current(plan);
        Measure of = measure.on(day, shown.forecast());
        Dial dial = ofScenario == null || change == null
                ? Dial.of(shown.plan(), TargetAsked.of(path, line), new DayRange(from, to))
                : Dial.ofChange(
                        shown.scenarios(),
                        plans.scenario(plan, ofScenario).shown().orElseThrow().scenario(),
                        change);
        BreakEven.Answer answer = BreakEven.of(
                shown.forecast(), dial, of, Money.minor(bound, shown.currency()), plans.whileCurrent(plan, shown));
        return BreakEvenView.of(
                answer, Money.minor(bound, shown.currency()), BreakEvenWords.of(shown.plan(), answer, of));
    }
}
