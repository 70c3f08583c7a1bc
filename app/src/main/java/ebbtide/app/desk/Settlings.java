package ebbtide.app.desk;

import static java.util.Objects.requireNonNull;

import ebbtide.books.BankMovement;
import ebbtide.books.OpenItems;
import ebbtide.books.Settling;
import ebbtide.items.LineItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What movements of the plans may settle, kept while items and lines stay: the index of many items is made once. */
@Component
public class Settlings {
    private final Map<String, Known> known = new ConcurrentHashMap<>();

    /**
     * The lines whose items may be settled, by direction; the index is made anew only when they or the items change.
     */
    private record Known(OpenItems items, Map<Direction, List<String>> lines, Map<Direction, Settling> byDirection) {}

    /** Returns at most so many proposals for what is not assigned of a movement. */
    public List<Settling.Proposal> proposals(String plan, PlanAtVersion current, BankMovement movement, int most) {
        if (movement.unassigned() == 0 || current.books().items().all().isEmpty()) {
            return List.of();
        }
        return settling(plan, current, movement).proposals(movement, most);
    }

    /** Returns the items that a movement names and that come to just its amount, if it does. */
    public Optional<Settling.Proposal> findPlain(String plan, PlanAtVersion current, BankMovement movement) {
        return current.books().items().all().isEmpty()
                ? Optional.empty()
                : settling(plan, current, movement).findPlain(movement);
    }

    private Settling settling(String plan, PlanAtVersion current, BankMovement movement) {
        Map<Direction, List<String>> lines = current.plan().lines().stream()
                .filter(LineItems::counts)
                .collect(Collectors.groupingBy(Line::direction, Collectors.mapping(Line::id, Collectors.toList())));
        OpenItems items = current.books().items();
        Known one = known.compute(
                plan,
                (id, was) -> was != null && was.items() == items && was.lines().equals(lines) ? was : of(items, lines));
        return requireNonNull(one.byDirection().get(movement.minor() > 0 ? Direction.RECEIPT : Direction.PAYMENT));
    }

    private static Known of(OpenItems items, Map<Direction, List<String>> lines) {
        Map<Direction, Settling> byDirection = new EnumMap<>(Direction.class);
        for (Direction direction : Direction.values()) {
            byDirection.put(
                    direction,
                    new Settling(
                            lines.getOrDefault(direction, List.of()).stream()
                                    .flatMap(line -> items.of(line).stream())
                                    .toList(),
                            items.settled()));
        }
        return new Known(items, lines, byDirection);
    }
}
