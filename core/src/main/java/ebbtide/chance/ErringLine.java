package ebbtide.chance;

import ebbtide.money.Split;
import ebbtide.plan.Direction;
import ebbtide.time.DaySeries;

/** A line whose estimates err: by what, and how that lies on the days of each week (rules 11.8). */
final class ErringLine {
    private final int source;
    private final int sign;
    private final long known;
    private final Errors errors;
    private final int[] starts;
    private final long[][] weights;

    /** Makes the line of a source by its place; estimates are signed, by day of the span. */
    ErringLine(int source, String id, Direction direction, DaySeries estimated, Errors errors, Span span) {
        this.source = source;
        this.sign = direction.sign();
        this.known = Drawer.known("line " + id);
        this.errors = errors;
        this.starts = new int[span.leads()];
        this.weights = new long[span.leads()][];
        for (int lead = 1; lead <= span.leads(); lead++) {
            starts[lead - 1] = span.start(lead);
            weights[lead - 1] = span.weights(estimated, lead);
        }
    }

    /** Hands on what runs add, and take off, by day. */
    void draw(Run[] runs, Taker take) {
        Taker.Moves moves = take.of(source, Taker.NOBODY);
        for (Run run : runs) {
            draw(run, moves);
        }
    }

    private void draw(Run run, Taker.Moves moves) {
        long[] added = new long[starts.length];
        errors.draw(run, run.drawer(known), added);
        for (int at = 0; at < added.length; at++) {
            if (added[at] != 0) {
                long[] parts = Split.byWeights(added[at] * sign, weights[at]);
                for (int day = 0; day < parts.length; day++) {
                    if (parts[day] != 0) {
                        moves.take(run.place(), starts[at] + day, parts[day]);
                    }
                }
            }
        }
    }
}
