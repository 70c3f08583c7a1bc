package ebbtide.books;

import static java.util.Objects.requireNonNull;

import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * What earlier assignments teach, for ranking suggestions: which words of the bank's text go with which line, cash in
 * and cash out apart, since who is paid one thing may pay back another.
 */
public final class AssignmentMemory {
    private static final Pattern WORD = Pattern.compile("[\\p{L}]{3,}");
    /** Words that tie names together and name nothing. */
    private static final Set<String> TIES = Set.of("the", "and", "for", "from", "with");
    /** What a word taught when cash went the other way counts so much less. */
    private static final double OTHER_WAY = 0.25;
    /** A word that names a line says more than one that came with it. */
    private static final double NAMED = 1;

    private final Map<Boolean, Map<String, Map<String, Integer>>> linesByWord =
            Map.of(true, new HashMap<>(), false, new HashMap<>());

    /** Learns from movements that were assigned whole or in part. */
    public AssignmentMemory(List<BankMovement> assigned) {
        for (BankMovement movement : assigned) {
            for (BankMovement.AssignedPart part : movement.parts()) {
                if (!part.isTransfer()) {
                    words(movement).forEach(word -> linesByWord(movement)
                            .computeIfAbsent(word, w -> new HashMap<>())
                            .merge(part.lineId(), 1, Integer::sum));
                }
            }
        }
    }

    /**
     * Returns the ids of the lines that fit a movement best, at most so many: those whose words it shares first, a word
     * that names a line or goes with it alone counting most, then those of its direction in the order of the plan.
     */
    public List<String> suggest(BankMovement movement, Plan plan, int most) {
        Map<String, Double> scores = new HashMap<>();
        List<String> words = words(movement);
        for (String word : words) {
            linesByWord.forEach((in, known) -> {
                Map<String, Integer> lines = known.getOrDefault(word, Map.of());
                double all = lines.values().stream().mapToInt(Integer::intValue).sum();
                double weight = in == movement.minor() > 0 ? 1 : OTHER_WAY;
                lines.forEach(
                        (line, count) -> scores.merge(line, weight * count / all * count / (count + 2.0), Double::sum));
            });
        }
        plan.lines().stream()
                .filter(line -> !line.isGroup() && words(line.name()).stream().anyMatch(words::contains))
                .forEach(line -> scores.merge(line.id(), NAMED, Double::sum));
        Direction direction = movement.minor() > 0 ? Direction.RECEIPT : Direction.PAYMENT;
        List<Line> candidates = new ArrayList<>(plan.lines().stream()
                .filter(line -> !line.isGroup())
                .filter(line -> line.direction() == direction || scores.containsKey(line.id()))
                .toList());
        candidates.sort(Comparator.comparingDouble((Line line) -> -scores.getOrDefault(line.id(), 0.0)));
        return candidates.stream().limit(most).map(Line::id).toList();
    }

    private Map<String, Map<String, Integer>> linesByWord(BankMovement movement) {
        return requireNonNull(linesByWord.get(movement.minor() > 0));
    }

    private static List<String> words(BankMovement movement) {
        return words(movement.counterparty() + " " + movement.text());
    }

    private static List<String> words(String text) {
        return WORD.matcher(text.toLowerCase(Locale.ROOT))
                .results()
                .map(match -> match.group())
                .filter(word -> !TIES.contains(word))
                .distinct()
                .toList();
    }
}
