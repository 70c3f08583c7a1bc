package ebbtide.app.api;

import ebbtide.forecast.RollForward;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.YearMonth;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** A roll-forward of a line, or of all lines of its kind where there is no line. */
public record RollForwardView(
        String kind,
        @Schema(nullable = true) @Nullable String lineId,
        String name,
        List<String> months,
        List<Long> opening,
        List<ChangeView> changes,
        List<Long> closing) {
    static RollForwardView of(RollForward roll) {
        return new RollForwardView(
                word(roll.kind()),
                roll.lineId(),
                roll.name(),
                roll.months().stream().map(YearMonth::toString).toList(),
                roll.opening(),
                roll.changes().stream()
                        .map(change -> new ChangeView(change.name(), change.amounts()))
                        .toList(),
                roll.closing());
    }

    /** One cause of change, by month; what lowers the balance is negative. */
    public record ChangeView(String name, List<Long> amounts) {}

    static String word(RollForward.Kind kind) {
        return kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
