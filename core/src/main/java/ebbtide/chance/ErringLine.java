package ebbtide.chance;

import ebbtide.money.Split;
import ebbtide.plan.Direction;
import ebbtide.time.DaySeries;
import java.util.stream.IntStream;

/** A line whose estimates err: by what, and how that lies on the days of each week (rules 11.8). */
final class ErringLine {
    private final int source;
    private final int sign;
    private final long known;
    private final Errors errors;
    /** The days of each lead on which an error is laid, and by which weights: none but those that have any. */
    private final int[][] days;

    private final long[][] weights;

    /** Makes the line of a source by its place; estimates are signed, by day of the span. */
    ErringLine(int source, String id, Direction direction, DaySeries estimated, Errors errors, Span span) {
        this.source = source;
        this.sign = direction.sign();
        this.known = Drawer.known("line " + id);
        this.errors = errors;
        this.days = new int[span.leads()][];
        this.weights = new long[span.leads()][];
        for (int lead = 1; lead <= span.leads(); lead++) {
            int start = span.start(lead);
            long[] all = span.weights(estimated, lead);
            int[] some =
                    IntStream.range(0, all.length).filter(day -> all[day] != 0).toArray();
            days[lead - 1] = IntStream.of(some).map(day -> start + day).toArray();
            weights[lead - 1] = IntStream.of(some).mapToLong(day -> all[day]).toArray();
        }
    }

    /** Hands on what runs add, and take off, by day. */
    void draw(Run[] runs, Taker take) {
        Taker.Moves moves = take.of(source, Taker.NOBODY);
        long[] added = new long[days.length];
        for (Run run : runs) {
            errors.draw(run, run.drawer(known), added);
            for (int at = 0; at < added.length; at++) {
                if (added[at] != 0) {
                    lay(run, added[at] * sign, days[at], weights[at], moves);
                }
            }
        }
    }

    private static void lay(Run run, long minor, int[] days, long[] weights, Taker.Moves moves) {
        if (days.length == 1) {
            moves.take(run.place(), days[0], minor);
            return;
        }
        long[] parts = Split.byWeights(minor, weights);
        for (int at = 0; at < parts.length; at++) {
            if (parts[at] != 0) {
                moves.take(run.place(), days[at], parts[at]);
            }
        }
    }
}
