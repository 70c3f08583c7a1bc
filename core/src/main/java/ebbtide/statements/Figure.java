package ebbtide.statements;

import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.function.IntFunction;
import java.util.function.IntToLongFunction;
import org.jspecify.annotations.Nullable;

/**
 * A row of a statement by month, counted from the first that is forecast: what it is made of, so that what explains it
 * adds up to it. A level is taken at the end of a period, anything else adds up over its months. Each month is added up
 * once.
 */
final class Figure {
    /** The opening is month -1; a horizon has at most 73 months. */
    private static final int MOST = 80;

    private final String id;
    private final StatementTable.Style style;
    private final String name;
    private final boolean level;
    private final List<Part> parts;
    /** The figures that it is the sum of; none of a row that adds up nothing else. */
    private final List<Figure> summed;
    /** The id of the row of the group that it folds into. */
    private final @Nullable String group;

    private final long[] known = new long[MOST];
    private final BitSet added = new BitSet(MOST);

    /** A part with its cause in words, and its amount by month. */
    record Part(String what, IntFunction<String> because, IntToLongFunction amount) {
        static Part of(String what, IntToLongFunction amount) {
            return new Part(what, month -> "", amount);
        }
    }

    Figure(String id, StatementTable.Style style, String name, boolean level, List<Part> parts) {
        this(id, style, name, level, parts, List.of(), null);
    }

    private Figure(
            String id,
            StatementTable.Style style,
            String name,
            boolean level,
            List<Part> parts,
            List<Figure> summed,
            @Nullable String group) {
        this.id = id;
        this.style = style;
        this.name = name;
        this.level = level;
        this.parts = parts;
        this.summed = summed;
        this.group = group;
    }

    static Figure line(
            String id, String name, @Nullable String group, IntFunction<String> because, IntToLongFunction amount) {
        return new Figure(
                id, StatementTable.Style.LINE, name, false, List.of(new Part(name, because, amount)), List.of(), group);
    }

    /** Returns a sum of other figures, itself a flow or a level as they are. */
    static Figure sum(String id, String name, List<Figure> of) {
        return new Figure(
                id, StatementTable.Style.SUM, name, !of.isEmpty() && of.get(0).isLevel(), each(of), of, null);
    }

    /** Returns a level that is the sum of others. */
    static Figure levels(String id, String name, List<Figure> of) {
        return new Figure(id, StatementTable.Style.SUM, name, true, each(of), of, null);
    }

    /** Returns a group of the tree, the sum of its lines, which come after it. */
    static Figure group(String id, String name, @Nullable String group, List<Figure> of) {
        return new Figure(id, StatementTable.Style.GROUP, name, false, each(of), of, group);
    }

    private static List<Part> each(List<Figure> of) {
        return of.stream().map(one -> Part.of(one.name(), one::in)).toList();
    }

    String id() {
        return id;
    }

    @Nullable
    String group() {
        return group;
    }

    StatementTable.Style style() {
        return style;
    }

    String name() {
        return name;
    }

    boolean isLevel() {
        return level;
    }

    List<Figure> summed() {
        return summed;
    }

    List<Part> parts() {
        return parts;
    }

    long in(int month) {
        int at = month + 1;
        if (!added.get(at)) {
            long sum = 0;
            for (Part part : parts) {
                sum += part.amount().applyAsLong(month);
            }
            known[at] = sum;
            added.set(at);
        }
        return known[at];
    }

    /**
     * Adds up all of some months, the first and the last included: part by part, since the months of a part lie beside
     * each other.
     */
    void addUp(int from, int to) {
        if (added.nextSetBit(from + 1) >= 0) {
            return;
        }
        Arrays.fill(known, from + 1, to + 2, 0);
        for (Part part : parts) {
            for (int month = from; month <= to; month++) {
                known[month + 1] += part.amount().applyAsLong(month);
            }
        }
        added.set(from + 1, to + 2);
    }

    /** Returns the amount of some months, the first and the last included. */
    long over(int from, int to) {
        if (level) {
            return in(to);
        }
        long sum = 0;
        for (int month = from; month <= to; month++) {
            sum += in(month);
        }
        return sum;
    }
}
