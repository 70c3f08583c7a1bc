package ebbtide.app.api;

import ebbtide.workings.Workings;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** A part of a figure: what it is, and what made it so. */
record ItemView(
        String part,
        String what,
        String because,
        @Schema(nullable = true) @Nullable LocalDate day,
        long minor) {
    static ItemView of(Workings.Item item) {
        return new ItemView(
                item.part() == null ? "level" : item.part().name().toLowerCase(Locale.ROOT),
                item.what(),
                item.because(),
                item.day(),
                item.minor());
    }
}
