package ebbtide.app.api;

import ebbtide.app.storage.Edits;
import ebbtide.forecast.RollForward;
import ebbtide.forecast.RollForwards;
import ebbtide.workings.RollForwardWorkings;
import java.time.YearMonth;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is owed and held, rolled forward month by month (rules 9.3 c). */
@RestController
@RequestMapping("/api/plans/{plan}/roll-forwards")
class RollForwardsController {
    private final Edits edits;

    RollForwardsController(Edits edits) {
        this.edits = edits;
    }

    @GetMapping
    List<RollForwardView> all(@PathVariable String plan, @RequestParam(defaultValue = "12") int months) {
        return RollForwards.of(edits.shown(plan).forecast(), Math.min(72, Math.max(1, months))).stream()
                .map(RollForwardView::of)
                .toList();
    }

    /** The parts of a figure of a roll-forward; without a line, of the total of its kind. */
    @GetMapping("/workings")
    List<ItemView> workings(
            @PathVariable String plan,
            @RequestParam String kind,
            @RequestParam(required = false) String line,
            @RequestParam String row,
            @RequestParam YearMonth month) {
        RollForward.Kind found = java.util.Arrays.stream(RollForward.Kind.values())
                .filter(one -> RollForwardView.word(one).equals(kind))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no roll-forward of '" + kind + "'"));
        return RollForwardWorkings.of(edits.shown(plan).forecast(), found, line, row, month).stream()
                .map(ItemView::of)
                .toList();
    }
}
