package ebbtide.app.api;

import ebbtide.money.HowFar;
import ebbtide.whatif.BreakEven;
import ebbtide.whatif.Dial;
import ebbtide.whatif.Measure;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How far something can go, in sentences; the measure over the range with where it stands now; whether values are
 * shares of what there is; and the value down to and up to which it holds, or the nearest that does.
 */
record BreakEvenView(
        String sentence,
        boolean scales,
        long bound,
        String now,
        List<PointView> points,
        @Schema(nullable = true) @Nullable String down,
        @Schema(nullable = true) @Nullable String up,
        @Schema(nullable = true) @Nullable String nearest) {

    /** What a value comes to. */
    record PointView(String value, long minor) {}

    static BreakEvenView of(BreakEven.Answer answer, long bound, String sentence) {
        Dial dial = answer.dial();
        return new BreakEvenView(
                sentence,
                dial.scales(),
                bound,
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

    private static String value(Dial dial, HowFar.Point<Measure.Level> point) {
        return dial.value(point.multiple()).toPlainString();
    }
}
