package ebbtide.books;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;

/** A signed amount in minor units on a day, + in, - out. */
public record DayAmount(LocalDate day, long minor) {
    private static final Comparator<DayAmount> BY_DAY_AND_DIRECTION =
            Comparator.comparing(DayAmount::day).thenComparing(amount -> -Long.signum(amount.minor));

    /** Returns amounts in order of day, what came in before what went out, one of each; what is nil is left out. */
    static List<DayAmount> ordered(List<DayAmount> amounts) {
        boolean inOrder = true;
        DayAmount last = null;
        for (DayAmount amount : amounts) {
            inOrder &= amount.minor != 0 && (last == null || BY_DAY_AND_DIRECTION.compare(last, amount) < 0);
            last = amount;
        }
        return inOrder ? List.copyOf(amounts) : sum(List.of(), amounts, 1);
    }

    /**
     * Returns ordered amounts with others added to them (by 1) or taken off (by -1), inflows and outflows each apart.
     */
    static List<DayAmount> sum(List<DayAmount> amounts, List<DayAmount> others, int by) {
        TreeMap<DayAmount, Long> sums = new TreeMap<>(BY_DAY_AND_DIRECTION);
        amounts.forEach(amount -> sums.merge(amount, amount.minor, Long::sum));
        others.forEach(other -> sums.merge(other, by * other.minor, Long::sum));
        return sums.entrySet().stream()
                .filter(sum -> sum.getValue() != 0)
                .map(sum -> new DayAmount(sum.getKey().day, sum.getValue()))
                .toList();
    }
}
