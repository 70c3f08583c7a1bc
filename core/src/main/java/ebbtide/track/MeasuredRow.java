package ebbtide.track;

import ebbtide.plan.Direction;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A row that is measured: a line, a group, a section or the net; by lead its error, the first element that of lead 1.
 */
public record MeasuredRow(
        String id,
        String name,
        @Nullable Direction direction,
        int depth,
        boolean isGroup,
        List<ForecastError> errors,
        List<ForecastError> lastYear,
        List<ForecastError> dueDates) {}
