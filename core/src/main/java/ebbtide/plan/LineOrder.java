package ebbtide.plan;

import java.util.ArrayList;
import java.util.List;

/**
 * A line put among others in their order, which each holds as a number, the least first: its own number, and those of
 * the others where they lay too near each other and are given out anew, else none.
 */
public record LineOrder(double place, List<Double> others) {
    private static final double NEAREST = 1e-6;

    /** Returns the order with a line before the one at a place, from 0; at the number of the others it stands last. */
    public static LineOrder putting(List<Double> others, int at) {
        double low = others.isEmpty() ? 0 : at == 0 ? others.get(0) - 2 : others.get(at - 1);
        double high = at == others.size() ? low + 2 : others.get(at);
        if (high - low >= NEAREST) {
            return new LineOrder((low + high) / 2, List.of());
        }
        List<Double> anew = new ArrayList<>();
        for (int i = 0; i < others.size(); i++) {
            anew.add((double) (i < at ? i : i + 1));
        }
        return new LineOrder(at, anew);
    }

    /** Returns the number of a line that stands after others. */
    public static double after(List<Double> others) {
        return others.isEmpty() ? 1 : others.get(others.size() - 1) + 1;
    }
}
