package ebbtide.formats.budget;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The line a budget's row belongs to by its label, and how sure that is; no line where none is like it. */
public record LabelMatch(@Nullable String lineId, How how) {
    /** How the line was found, the surest first. */
    public enum How {
        EXACT,
        REMEMBERED,
        CLOSE,
        NONE
    }

    /** A line that rows may belong to. */
    public record Candidate(String lineId, String name) {}

    private static final double CLOSE_ENOUGH = 0.6;

    /**
     * Returns the match of a label: a line of that name, else what was remembered of it, else the closest that is close
     * enough.
     */
    public static LabelMatch of(String label, List<Candidate> lines, Map<String, String> remembered) {
        String normal = Budget.normal(label);
        for (Candidate line : lines) {
            if (Budget.normal(line.name()).equals(normal)) {
                return new LabelMatch(line.lineId(), How.EXACT);
            }
        }
        String known = remembered.get(normal);
        if (known != null && lines.stream().anyMatch(line -> line.lineId().equals(known))) {
            return new LabelMatch(known, How.REMEMBERED);
        }
        Candidate best = null;
        double most = CLOSE_ENOUGH;
        for (Candidate line : lines) {
            double like = likeness(normal, Budget.normal(line.name()));
            if (like >= most) {
                most = like;
                best = line;
            }
        }
        return best == null ? new LabelMatch(null, How.NONE) : new LabelMatch(best.lineId(), How.CLOSE);
    }

    /** Returns a label as it is remembered. */
    public static String remembered(String label) {
        return Budget.normal(label);
    }

    /** The share of letter pairs that two texts have in common, 0 to 1. */
    private static double likeness(String one, String other) {
        Set<String> pairs = pairs(one);
        Set<String> others = pairs(other);
        if (pairs.isEmpty() || others.isEmpty()) {
            return 0;
        }
        Set<String> common = new HashSet<>(pairs);
        common.retainAll(others);
        return 2.0 * common.size() / (pairs.size() + others.size());
    }

    private static Set<String> pairs(String text) {
        Set<String> pairs = new HashSet<>();
        for (String word : text.split(" ")) {
            for (int i = 0; i + 2 <= word.length(); i++) {
                pairs.add(word.substring(i, i + 2));
            }
        }
        return pairs;
    }
}
