package ebbtide.app.api;

import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.RollForward;
import ebbtide.forecast.RollForwards;
import ebbtide.forecast.WholeMonths;
import ebbtide.money.Refused;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.workings.RollForwardWorkings;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is owed and held, rolled forward month by month (rules 9.3 c). */
@RestController
@RequestMapping("/api/plans/{plan}/roll-forwards")
class RollForwardsController {
    private final Plans plans;

    RollForwardsController(Plans plans) {
        this.plans = plans;
    }

    /** The roll-forwards by the periods of a window with the totals of its years, or by all there are. */
    @GetMapping
    @Allowed(Role.ONLOOKER)
    List<RollForwardView> all(
            @PathVariable String plan,
            @RequestParam Periods by,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to) {
        Forecast forecast = plans.shown(plan).forecast();
        List<Period> periods = WholeMonths.of(forecast).withYears(by, from, to);
        return RollForwards.of(forecast, Integer.MAX_VALUE).stream()
                .map(roll -> RollForwardView.of(
                        roll, periods, forecast.plan().settings().asOf()))
                .toList();
    }

    /** The parts of a figure of a roll-forward; without a line, of the total of its kind. */
    @GetMapping("/workings")
    @Allowed(Role.ONLOOKER)
    List<ItemView> workings(
            @PathVariable String plan,
            @RequestParam String kind,
            @RequestParam(required = false) String line,
            @RequestParam String row,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to) {
        RollForward.Kind found = java.util.Arrays.stream(RollForward.Kind.values())
                .filter(one -> RollForwardView.word(one).equals(kind))
                .findFirst()
                .orElseThrow(() -> new Refused("There is no roll-forward of '" + kind + "'"));
        return RollForwardWorkings.of(
                        plans.shownWithin(plan, line == null ? row : line).forecast(),
                        found,
                        line,
                        row,
                        new Period(from, to.plusDays(1)))
                .stream()
                .map(ItemView::of)
                .toList();
    }
}
