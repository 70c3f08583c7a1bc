package ebbtide.chance;

import ebbtide.money.Percent;
import java.util.ArrayList;
import java.util.List;

/** A counterparty whose open items, on whatever lines, are drawn: what all of them have in common (rules 11.8). */
final class DrawnParty {
    private static final Percent HALF = Percent.parse("50");

    private final long known;
    private final List<DrawnItems> items = new ArrayList<>();

    DrawnParty(String name) {
        this.known = Drawer.known("party " + name);
    }

    void add(DrawnItems ofALine) {
        items.add(ofALine);
    }

    /** Hands on by how much other runs have its items paid than they are forecast. */
    void draw(Run[] runs, Taker take) {
        double[] own = new double[runs.length];
        boolean[] asOne = new boolean[runs.length];
        for (Run run : runs) {
            Drawer drawer = run.drawer(known);
            own[run.place()] = drawer.number(0);
            asOne[run.place()] = drawer.happens(1, HALF);
        }
        items.forEach(one -> one.draw(runs, own, asOne, take));
    }
}
