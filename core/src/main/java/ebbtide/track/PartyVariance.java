package ebbtide.track;

import ebbtide.track.Variance.Detail;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What the items of a counterparty come to in a line's row of a comparison, signed minor units, with the items; an
 * empty name stands for what was expected without an item.
 */
public record PartyVariance(String counterparty, long forecast, long actual, Reasons why, List<Detail> items) {
    public PartyVariance {
        items = List.copyOf(items);
    }

    public long variance() {
        return actual - forecast;
    }

    /**
     * Returns the parts of a row by counterparty, the largest variance first; they add up to the row as the parts do.
     */
    public static List<PartyVariance> of(List<Detail> details) {
        Map<String, List<Detail>> byName = new LinkedHashMap<>();
        details.forEach(one -> byName.computeIfAbsent(one.counterparty(), name -> new ArrayList<>())
                .add(one));
        return byName.entrySet().stream()
                .map(one -> sum(one.getKey(), one.getValue()))
                .sorted(Comparator.comparingLong((PartyVariance one) -> -Math.abs(one.variance()))
                        .thenComparing(PartyVariance::counterparty))
                .toList();
    }

    private static PartyVariance sum(String name, List<Detail> items) {
        return new PartyVariance(
                name,
                items.stream().mapToLong(Detail::forecast).sum(),
                items.stream().mapToLong(Detail::actual).sum(),
                items.stream().map(Detail::why).reduce(Reasons.NONE, Reasons::plus),
                items);
    }
}
