package ebbtide.app.desk;

import ebbtide.app.storage.AccountStore;
import ebbtide.app.storage.MovementStore;
import ebbtide.app.storage.MovementStore.StoredMovement;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.OpenItemStore;
import ebbtide.app.storage.StatementLaying;
import ebbtide.app.storage.StatementStore;
import ebbtide.app.storage.Stores;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.books.Account;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.OpenItem;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** The facts of one edit while it is made: accounts, what movements were, items, statements. */
public final class DraftBooks {
    private static final int AT_ONCE = 5_000;
    private final Effects effects;
    private final String planId;
    private final Stores stores;
    private final Currency currency;

    DraftBooks(Effects effects, Currency currency) {
        this.effects = effects;
        this.planId = effects.planId();
        this.stores = effects.stores();
        this.currency = currency;
    }

    /** Returns a movement as it stands. */
    BankMovement movement(long id) {
        return stores.movements().get(planId, id);
    }

    /** Returns movements that are not wholly assigned, as many as are looked at in one edit. */
    List<StoredMovement> unassigned() {
        return stores.movements().find(planId, MovementStore.Query.unassigned(AT_ONCE));
    }

    /** Takes a line off the movements that are assigned to it, or parted over it. */
    void unassign(String lineId) {
        for (long movement : stores.movements().idsOnLine(planId, lineId)) {
            BankMovement was = stores.movements().get(planId, movement);
            putParts(
                    movement,
                    was.parts().stream()
                            .filter(part -> !lineId.equals(part.lineId()))
                            .toList());
        }
    }

    /** Puts an account: a new one stands last. */
    public void putAccount(Account account) {
        String state = effects.state(Kind.ACCOUNT, account.id());
        double position = state == null
                ? stores.accounts().endPosition(planId)
                : PlanReader.parse(state).get("position").asDouble();
        effects.put(Kind.ACCOUNT, account.id(), AccountStore.state(account, position, currency));
    }

    public void removeAccount(String id) {
        effects.put(Kind.ACCOUNT, id, null);
    }

    public void putRule(AssignRule rule) {
        effects.put(Kind.RULE, rule.id(), PlanWriter.json(rule, currency).toString());
    }

    public void removeRule(String id) {
        effects.put(Kind.RULE, id, null);
    }

    /**
     * Puts what a movement was said to be: items that it no longer settles are open again, those it settles now are
     * closed by as much. Refuses parts that do not fit it, and more than is open of an item.
     */
    public void putParts(long movementId, List<AssignedPart> parts) {
        BankMovement movement = stores.movements().get(planId, movementId);
        BankMovement.requireParts(movement.minor(), parts);
        Map<String, Long> closed = new TreeMap<>();
        movement.parts().forEach(part -> close(closed, part, -1));
        parts.forEach(part -> close(closed, part, 1));
        closed.forEach((item, minor) -> close(item, minor, movement.bookingDate()));
        effects.put(Kind.PARTS, Long.toString(movementId), MovementStore.state(parts));
    }

    private static void close(Map<String, Long> closed, AssignedPart part, int by) {
        if (part.itemId() != null) {
            closed.merge(part.itemId(), by * (Math.abs(part.minor()) + part.less()), Long::sum);
        }
    }

    /** An item that was taken out meanwhile has nothing to be opened again. */
    private void close(String itemId, long minor, LocalDate day) {
        String state = stores.items().state(planId, itemId);
        if (minor == 0 || state == null && minor < 0) {
            return;
        }
        if (state == null) {
            throw new NotFound("open item", itemId);
        }
        OpenItem item = OpenItemStore.item(state, currency);
        putItem(
                minor > 0
                        ? item.closed(minor, stores.movements().settled(planId, itemId), day, currency)
                        : item.opened(-minor));
    }

    /** Puts an open item. */
    private void putItem(OpenItem item) {
        effects.put(Kind.ITEM, item.id(), OpenItemStore.state(item, currency));
    }

    /** Puts many open items at once. */
    public void putItems(List<OpenItem> items) {
        Map<String, String> before =
                stores.items().states(planId, items.stream().map(OpenItem::id).toList());
        List<OpenItem> changed = new ArrayList<>();
        for (OpenItem item : items) {
            String after = OpenItemStore.state(item, currency);
            if (!after.equals(before.get(item.id()))) {
                changed.add(item);
                effects.note(Kind.ITEM, item.id(), before.get(item.id()), after);
            }
        }
        stores.items().putAll(planId, changed, currency);
    }

    /** Takes an open item out. */
    public void removeItem(String id) {
        effects.put(Kind.ITEM, id, null);
    }

    /** Switches on a statement that was laid down ({@link StatementStore#lay}). */
    public void switchOn(String statementId) {
        effects.put(Kind.STATEMENT, statementId, "active");
    }

    /** Switches a statement off: its movements count no more. */
    public void switchOff(String statementId) {
        effects.put(Kind.STATEMENT, statementId, null);
    }

    /** Lays down a statement's movements and switches it on; returns how many were not there yet. */
    public int addStatement(String id, String account, String fileName, List<BankMovement> movements) {
        if (movements.isEmpty()) {
            return 0;
        }
        StatementStore.ArrivingStatement arriving = StatementStore.ArrivingStatement.of(account, fileName, movements);
        stores.statements().begin(planId, id, arriving);
        StatementLaying laying = stores.statements().laying(planId, id, arriving, () -> {});
        movements.forEach(laying::take);
        int added = laying.end();
        if (added > 0) {
            switchOn(id);
        } else {
            stores.statements().takeUp(planId, id);
        }
        return added;
    }
}
