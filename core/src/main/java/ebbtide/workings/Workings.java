package ebbtide.workings;

import ebbtide.flows.Cell;
import ebbtide.flows.Part;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A figure of the forecast opened into its parts, each with its cause in words (rules 12). The amounts of the parts add
 * up to the figure (rules 9.3 g). {@code overBy} says by how much movements exceed what was expected, null if they
 * don't.
 */
public record Workings(
        String name,
        Cell figure,
        List<Item> items,
        @Nullable Long overBy) {
    /**
     * A part of a figure in signed minor units: its kind (null where the figure is a level or a sum), what it is, what
     * made it so, and the day where it has one.
     */
    public record Item(
            @Nullable Part part,
            String what,
            String because,
            @Nullable LocalDate day,
            long minor) {}
}
