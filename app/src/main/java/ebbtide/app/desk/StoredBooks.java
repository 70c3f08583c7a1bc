package ebbtide.app.desk;

import static java.util.Objects.requireNonNull;

import ebbtide.app.storage.BooksWithCount;
import ebbtide.app.storage.ChangeLog.Effect;
import ebbtide.app.storage.MovementStore;
import ebbtide.app.storage.OpenItemStore;
import ebbtide.app.storage.Stores;
import ebbtide.app.storage.UndoableStore;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** The books of a plan, read whole or as the effects of an edit leave those that were there before. */
final class StoredBooks {
    /** Above so many changes at once the books are added up anew: it costs two passes, however many there are. */
    private static final int MOST_ONE_BY_ONE = 200;

    private final Stores stores;

    StoredBooks(Stores stores) {
        this.stores = stores;
    }

    /** Returns the books of a plan as they are stored. */
    BooksWithCount of(String planId) {
        return stores.movements()
                .books(planId, stores.accounts().all(planId))
                .with(OpenItems.of(stores.items()
                                .all(planId, stores.plans().settings(planId).currency()))
                        .settled(stores.movements().settled(planId)));
    }

    /** Returns the books of a plan as the effects of an edit leave those that it had. */
    BooksWithCount after(String planId, PlanAtVersion was, List<Effect> effects) {
        return booksAfter(planId, was, effects)
                .with(itemsAfter(was, effects).settled(settledAfter(planId, was, effects)));
    }

    /**
     * Returns what movements settle of items after effects: parts add to it and take from it, a statement comes and
     * goes with all it settles.
     */
    private Map<String, Long> settledAfter(String planId, PlanAtVersion was, List<Effect> effects) {
        if (effects.stream().anyMatch(effect -> effect.kind() == UndoableStore.Kind.STATEMENT)) {
            return stores.movements().settled(planId);
        }
        Map<String, Long> settled = new HashMap<>(was.books().items().settled());
        effects.stream()
                .filter(effect -> effect.kind() == UndoableStore.Kind.PARTS
                        && stores.movements().isInBooks(planId, Long.parseLong(effect.id())))
                .forEach(effect -> {
                    BankMovement movement = stores.movements().get(planId, Long.parseLong(effect.id()));
                    BankMovement.settled(List.of(movement.withParts(MovementStore.parts(effect.after()))))
                            .forEach((item, minor) -> settled.merge(item, minor, Long::sum));
                    BankMovement.settled(List.of(movement.withParts(MovementStore.parts(effect.before()))))
                            .forEach((item, minor) -> settled.merge(item, -minor, Long::sum));
                });
        return settled;
    }

    /**
     * Returns the books after effects. Those of a statement or of what movements were said to be are added and taken
     * off, so that an assignment is as quick among a million movements as among ten; those of an account are added up
     * anew.
     */
    private BooksWithCount booksAfter(String planId, PlanAtVersion was, List<Effect> effects) {
        Set<UndoableStore.Kind> kinds = effects.stream().map(Effect::kind).collect(Collectors.toSet());
        if (effects.size() > MOST_ONE_BY_ONE
                || kinds.contains(UndoableStore.Kind.ACCOUNT)
                || kinds.contains(UndoableStore.Kind.PARTS) && kinds.contains(UndoableStore.Kind.STATEMENT)) {
            return of(planId);
        }
        BooksWithCount now = new BooksWithCount(was.books(), was.unassigned());
        List<Account> accounts = was.books().accounts();
        for (Effect effect : effects) {
            if (effect.kind() == UndoableStore.Kind.STATEMENT) {
                BooksWithCount all = stores.statements().books(planId, effect.id(), accounts);
                now = effect.after() == null ? now.minus(all) : now.plus(all);
            } else if (effect.kind() == UndoableStore.Kind.PARTS
                    && stores.movements().isInBooks(planId, Long.parseLong(effect.id()))) {
                BankMovement movement = stores.movements().get(planId, Long.parseLong(effect.id()));
                now = now.minus(BooksWithCount.of(
                                accounts, List.of(movement.withParts(MovementStore.parts(effect.before())))))
                        .plus(BooksWithCount.of(
                                accounts, List.of(movement.withParts(MovementStore.parts(effect.after())))));
            }
        }
        return now;
    }

    private static OpenItems itemsAfter(PlanAtVersion was, List<Effect> effects) {
        OpenItems items = was.books().items();
        if (effects.stream().noneMatch(effect -> effect.kind() == UndoableStore.Kind.ITEM)) {
            return items;
        }
        SortedMap<String, OpenItem> byId = new TreeMap<>();
        items.all().forEach(item -> byId.put(item.id(), item));
        for (Effect effect : effects) {
            if (effect.kind() == UndoableStore.Kind.ITEM && effect.after() == null) {
                byId.remove(effect.id());
            } else if (effect.kind() == UndoableStore.Kind.ITEM) {
                byId.put(effect.id(), OpenItemStore.item(requireNonNull(effect.after()), was.currency()));
            }
        }
        return OpenItems.of(List.copyOf(byId.values())).settled(items.settled());
    }
}
