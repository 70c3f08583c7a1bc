package ebbtide.books;

import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/** What earlier assignments teach: which words of the bank's text go with which line, for ranking suggestions. */
public final class AssignmentMemory {
  private static final Pattern WORD = Pattern.compile("[\\p{L}]{3,}");
  private final Map<String, Map<String, Integer>> linesByWord = new HashMap<>();

  /** Learns from movements that were assigned whole or in part. */
  public AssignmentMemory(List<BankMovement> assigned) {
    for (BankMovement movement : assigned) {
      for (BankMovement.AssignedPart part : movement.parts()) {
        if (!part.isTransfer()) {
          words(movement).forEach(word -> linesByWord.computeIfAbsent(word, w -> new HashMap<>())
              .merge(part.lineId(), 1, Integer::sum));
        }
      }
    }
  }

  /**
   * Returns the ids of the lines that fit a movement best, at most so many: those whose words it shares first, a word
   * that goes with one line alone counting most, then those of its direction in the order of the plan.
   */
  public List<String> suggest(BankMovement movement, Plan plan, int most) {
    Map<String, Double> scores = new HashMap<>();
    for (String word : words(movement)) {
      Map<String, Integer> lines = linesByWord.getOrDefault(word, Map.of());
      double all = lines.values().stream().mapToInt(Integer::intValue).sum();
      lines.forEach((line, count) -> scores.merge(line, count / all * count / (count + 2.0), Double::sum));
    }
    Direction direction = movement.minor() > 0 ? Direction.RECEIPT : Direction.PAYMENT;
    List<Line> candidates = new ArrayList<>(plan.lines().stream().filter(line -> !line.isGroup())
        .filter(line -> line.direction() == direction || scores.containsKey(line.id())).toList());
    candidates.sort(Comparator.comparingDouble((Line line) -> -scores.getOrDefault(line.id(), 0.0)));
    return candidates.stream().limit(most).map(Line::id).toList();
  }

  private static List<String> words(BankMovement movement) {
    return WORD.matcher((movement.counterparty() + " " + movement.text()).toLowerCase(Locale.ROOT)).results()
        .map(match -> match.group()).distinct().toList();
  }
}
