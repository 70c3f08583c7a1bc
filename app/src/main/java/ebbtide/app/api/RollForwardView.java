package ebbtide.app.api;

import ebbtide.forecast.RollForward;
import ebbtide.time.Period;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** A roll-forward of a line, or of all lines of its kind where there is no line, by periods of whole months. */
public record RollForwardView(
        String kind,
        @Schema(nullable = true) @Nullable String lineId,
        String name,
        List<PeriodView> periods,
        List<Long> opening,
        List<ChangeView> changes,
        List<Long> closing) {
    static RollForwardView of(RollForward roll, List<Period> periods, LocalDate asOf) {
        List<RollForward.Over> over = periods.stream().map(roll::over).toList();
        return new RollForwardView(
                word(roll.kind()),
                roll.lineId(),
                roll.name(),
                periods.stream().map(period -> PeriodView.of(period, asOf)).toList(),
                over.stream().map(RollForward.Over::opening).toList(),
                IntStream.range(0, roll.changes().size())
                        .mapToObj(i -> new ChangeView(
                                roll.changes().get(i).name(),
                                over.stream().map(one -> one.changes().get(i)).toList()))
                        .toList(),
                over.stream().map(RollForward.Over::closing).toList());
    }

    /** One cause of change, by period; what lowers the balance is negative. */
    public record ChangeView(String name, List<Long> amounts) {}

    static String word(RollForward.Kind kind) {
        return kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
