package ebbtide.app.api;

import ebbtide.app.storage.Edits;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.plan.DayRange;
import ebbtide.whatif.BreakEven;
import ebbtide.whatif.BreakEvenWords;
import ebbtide.whatif.Dial;
import ebbtide.whatif.Measure;
import ebbtide.whatif.Target;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
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
    private final Edits edits;

    BreakEvenController(Edits edits) {
        this.edits = edits;
    }

    /**
     * The answer in sentences; the measure over the range with where it stands now; whether values are shares of what
     * there is; and the value down to and up to which it holds, or the nearest that does.
     */
    record BreakEvenView(
            String sentence,
            boolean scales,
            long bound,
            String now,
            List<PointView> points,
            @Schema(nullable = true) @Nullable String down,
            @Schema(nullable = true) @Nullable String up,
            @Schema(nullable = true) @Nullable String nearest) {}

    /** What a value comes to. */
    record PointView(String value, long minor) {}

    /** Asks of a line's activity, or of an assumption by its lasting name: one of the two is said. */
    @GetMapping
    BreakEvenView ask(
            @PathVariable String plan,
            @RequestParam(required = false) @Nullable String line,
            @RequestParam(required = false) @Nullable String path,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to,
            @RequestParam MeasureAsked measure,
            @RequestParam(required = false) @Nullable LocalDate day,
            @RequestParam String bound) {
        PlanAtVersion shown = edits.shown(plan);
        Check.that(line != null || path != null, "Say first what is to be turned: a line or an assumption");
        Target target = path != null ? new Target.OfAssumption(path) : new Target.OfLine(String.valueOf(line));
        Measure of = measure.on(day, shown.forecast());
        Dial dial = Dial.of(shown.plan(), target, new DayRange(from, to));
        BreakEven.Answer answer = BreakEven.of(shown.forecast(), dial, of, Money.minor(bound, shown.currency()));
        return new BreakEvenView(
                BreakEvenWords.of(shown.plan(), answer, of),
                dial.scales(),
                Money.minor(bound, shown.currency()),
                dial.value(answer.now().multiple()).toPlainString(),
                answer.over().stream()
                        .map(point -> new PointView(
                                dial.value(point.multiple()).toPlainString(),
                                point.level().minor()))
                        .toList(),
                answer.down().map(edge -> value(dial, edge.holds())).orElse(null),
                answer.up().map(edge -> value(dial, edge.holds())).orElse(null),
                answer.nearest().map(point -> value(dial, point)).orElse(null));
    }

    private static String value(Dial dial, BreakEven.Point point) {
        return dial.value(point.multiple()).toPlainString();
    }
}
