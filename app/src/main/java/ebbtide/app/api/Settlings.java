package ebbtide.app.api;

import ebbtide.app.storage.Edits;
import ebbtide.app.storage.Stores;
import ebbtide.books.BankMovement;
import ebbtide.books.OpenItem;
import ebbtide.books.Settling;
import ebbtide.plan.Direction;
import ebbtide.timing.ItemTiming;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** What movements of the plans may settle, kept by version: the index of many items is made once. */
@Component
class Settlings {
  private final Map<String, Known> known = new ConcurrentHashMap<>();

  private final Stores stores;

  Settlings(Stores stores) {
    this.stores = stores;
  }

  private record Known(long version, Map<Direction, Settling> byDirection) {}

  /** Returns at most so many proposals for what is not assigned of a movement. */
  List<Settling.Proposal> proposals(String plan, Edits.Current current, BankMovement movement, int most) {
    if (movement.unassigned() == 0 || current.books().items().all().isEmpty()) {
      return List.of();
    }
    return settling(plan, current, movement).proposals(movement, most);
  }

  /** Returns the items that a movement names and that come to just its amount, if it does. */
  Optional<Settling.Proposal> findPlain(String plan, Edits.Current current, BankMovement movement) {
    return current.books().items().all().isEmpty() ? Optional.empty() : settling(plan, current, movement).findPlain(movement);
  }

  private Settling settling(String plan, Edits.Current current, BankMovement movement) {
    Known one = known.compute(plan, (id, was) -> was != null && was.version() == current.version() ? was : of(plan, current));
    return one.byDirection().get(movement.minor() > 0 ? Direction.RECEIPT : Direction.PAYMENT);
  }

  private Known of(String plan, Edits.Current current) {
    Map<String, Long> settled = stores.movements().settled(plan);
    Map<Direction, Settling> byDirection = new EnumMap<>(Direction.class);
    for (Direction direction : Direction.values()) {
      List<OpenItem> items = current.plan().lines().stream().filter(line -> line.direction() == direction && ItemTiming.counts(line))
          .flatMap(line -> current.books().items().of(line.id()).stream()).toList();
      byDirection.put(direction, new Settling(items, settled));
    }
    return new Known(current.version(), byDirection);
  }
}
