package ebbtide.app.api;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * What the base has where a scenario is shown: the amounts of its rows, by the ids of those; none where it is shown.
 */
record BaseAmounts(Map<String, List<Long>> byRow, boolean shown) {
    static final BaseAmounts NONE = new BaseAmounts(Map.of(), false);

    /**
     * Returns what the base has in the place of each amount of a row, null where that is the same; null for the row
     * where all are. A row that the base lacks is nil there.
     */
    @Nullable
    List<@Nullable Long> of(String row, List<Long> amounts) {
        if (!shown) {
            return null;
        }
        List<Long> base = byRow.getOrDefault(row, List.of());
        List<@Nullable Long> other = IntStream.range(0, amounts.size())
                .mapToObj(i -> i < base.size() ? base.get(i) : Long.valueOf(0))
                .collect(java.util.stream.Collectors.toList());
        boolean differs = false;
        for (int i = 0; i < amounts.size(); i++) {
            boolean same = amounts.get(i).equals(other.get(i));
            other.set(i, same ? null : other.get(i));
            differs |= !same;
        }
        return differs ? other : null;
    }
}
