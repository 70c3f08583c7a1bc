package ebbtide.app.storage;

import static java.util.Objects.requireNonNull;

import ebbtide.app.storage.ChangeLog.Effect;
import ebbtide.books.Account;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.Buoy;
import ebbtide.plan.Line;
import ebbtide.plan.Settings;
import ebbtide.track.Snapshot;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.ScenarioEdit;
import ebbtide.whatif.Scenarios;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** The changes of one edit while it is made: each is written at once and noted with what was there before. */
public final class Draft {
    private static final Set<UndoableStore.Kind> FACTS = EnumSet.of(
            UndoableStore.Kind.ACCOUNT,
            UndoableStore.Kind.STATEMENT,
            UndoableStore.Kind.PARTS,
            UndoableStore.Kind.ITEM,
            UndoableStore.Kind.ROLL);

    private final String planId;
    private final Map<UndoableStore.Kind, UndoableStore> kept;
    private final Stores stores;
    private final List<Effect> effects = new ArrayList<>();
    private @Nullable Currency currency;
    private @Nullable ShownDraft shown;
    private boolean editedInShown;

    /** A scenario that is shown while it is edited, over the base, among all. */
    private record ShownDraft(Forecast base, Scenarios all, Scenario scenario) {
        ScenarioEdit edit() {
            return new ScenarioEdit(base, all, scenario);
        }

        ShownDraft with(Scenario other) {
            return new ShownDraft(base, all.with(other), other);
        }
    }

    Draft(String planId, Map<UndoableStore.Kind, UndoableStore> kept, Stores stores) {
        this.planId = planId;
        this.kept = kept;
        this.stores = stores;
    }

    List<Effect> effects() {
        return effects;
    }

    private UndoableStore store(UndoableStore.Kind kind) {
        return requireNonNull(kept.get(kind));
    }

    /** Makes what is put into the plan from here on changes of a scenario that is shown in the place of the base. */
    void within(PlanAtVersion base, Scenario scenario) {
        shown = new ShownDraft(base.forecast(), base.scenarios(), scenario);
    }

    /** Facts are the same in every scenario (rules 11.1). */
    private void refuseInScenario(UndoableStore.Kind kind) {
        if (shown != null && FACTS.contains(kind)) {
            throw new Refused(
                    "'" + shown.scenario().name()
                            + "' is shown, and what belongs to the books is the same in every scenario: show the base to change it");
        }
    }

    /** Returns the name of the scenario that the edit has changed in the place of the base, if it has. */
    Optional<String> inScenario() {
        return Optional.ofNullable(
                editedInShown ? requireNonNull(shown).scenario().name() : null);
    }

    private void putShown(Scenario scenario) {
        editedInShown = true;
        ShownDraft before = requireNonNull(shown);
        shown = before.with(scenario);
        putScenario(scenario);
    }

    private void put(UndoableStore.Kind kind, String id, @Nullable String after) {
        refuseInScenario(kind);
        UndoableStore store = store(kind);
        String before = store.state(planId, id);
        if (!Objects.equals(before, after)) {
            store.restore(planId, id, after);
            effects.add(new Effect(kind, id, before, after));
        }
    }

    /** A plan keeps its currency, so one look is enough for an edit of many lines. */
    private Currency currency() {
        currency = currency == null ? stores.plans().settings(planId).currency() : currency;
        return currency;
    }

    /** Puts the settings; where a scenario is shown, as changes of that. */
    public void putSettings(Settings settings) {
        if (shown != null) {
            putShown(shown.edit().settings(settings));
            return;
        }
        put(UndoableStore.Kind.SETTINGS, "settings", PlanWriter.json(settings).toString());
    }

    /** Puts a line at a position in the order of all lines; where a scenario is shown, as changes of that. */
    public void putLine(Line line, double position) {
        if (shown != null) {
            putShown(shown.edit().line(line));
            return;
        }
        put(UndoableStore.Kind.LINE, line.id(), LineStore.state(line, position, currency()));
    }

    /**
     * Takes a line out; movements assigned to it become unassigned again.
     *
     * @throws Refused while open items stand on the line
     */
    public void removeLine(String lineId) {
        if (shown != null) {
            putShown(shown.edit().leftOut(lineId));
            return;
        }
        int items = stores.items().count(planId, lineId);
        if (items > 0) {
            throw new Refused("The line has " + items + (items == 1 ? " open or paid item" : " open or paid items")
                    + ": put them on another line first, or take them out");
        }
        for (long movement : stores.movements().idsOnLine(planId, lineId)) {
            BankMovement was = stores.movements().get(planId, movement);
            putParts(
                    movement,
                    was.parts().stream()
                            .filter(part -> !lineId.equals(part.lineId()))
                            .toList());
        }
        put(UndoableStore.Kind.LINE, lineId, null);
    }

    /**
     * Takes what the scenario that is shown changes of a line out of it.
     *
     * @throws Refused where the base is shown, or nothing is changed of the line
     */
    public void takeBase(String lineId) {
        if (shown == null) {
            throw new Refused("The base is shown: show a scenario to take out what it changes");
        }
        putShown(shown.edit().asBase(lineId));
    }

    public void putBuoy(Buoy buoy) {
        put(UndoableStore.Kind.BUOY, buoy.id(), PlanWriter.json(buoy).toString());
    }

    public void removeBuoy(String id) {
        put(UndoableStore.Kind.BUOY, id, null);
    }

    /** Puts an account: a new one stands last. */
    public void putAccount(Account account) {
        String state = store(UndoableStore.Kind.ACCOUNT).state(planId, account.id());
        double position = state == null
                ? stores.accounts().endPosition(planId)
                : ebbtide.formats.plan.PlanReader.parse(state).get("position").asDouble();
        put(UndoableStore.Kind.ACCOUNT, account.id(), AccountStore.state(account, position, currency()));
    }

    public void removeAccount(String id) {
        put(UndoableStore.Kind.ACCOUNT, id, null);
    }

    public void putRule(AssignRule rule) {
        put(
                UndoableStore.Kind.RULE,
                rule.id(),
                PlanWriter.json(rule, currency()).toString());
    }

    public void removeRule(String id) {
        put(UndoableStore.Kind.RULE, id, null);
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
        put(UndoableStore.Kind.PARTS, Long.toString(movementId), MovementStore.state(parts));
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
        OpenItem item = OpenItemStore.item(state, currency());
        long entered = minor > 0 ? item.entered(stores.movements().settled(planId, itemId)) : 0;
        if (minor > 0 && (minor == entered || item.amount().open() == 0 && item.paidOn() != null && minor < entered)) {
            // The ledger entered it as paid before the bank's movement came in: the two are one payment.
            return;
        }
        if (minor < 0) {
            putItem(item.opened(-minor));
            return;
        }
        long open = item.amount().open() - minor;
        if (open < 0) {
            throw new Refused("Only " + Money.words(item.amount().open(), currency()) + " is open of " + item.number()
                    + " of " + item.counterparty() + ": settle no more than that");
        }
        putItem(item.open(open, open == 0 ? day : null));
    }

    /** Puts an open item. */
    private void putItem(OpenItem item) {
        put(UndoableStore.Kind.ITEM, item.id(), OpenItemStore.state(item, currency()));
    }

    /** Puts many open items at once; where a scenario is shown, what is said of them as changes of that. */
    public void putItems(List<OpenItem> items) {
        if (shown != null) {
            putShown(shown.edit().items(items));
            return;
        }
        Map<String, String> before =
                stores.items().states(planId, items.stream().map(OpenItem::id).toList());
        List<OpenItem> changed = new ArrayList<>();
        for (OpenItem item : items) {
            String after = OpenItemStore.state(item, currency());
            if (!after.equals(before.get(item.id()))) {
                changed.add(item);
                effects.add(new Effect(UndoableStore.Kind.ITEM, item.id(), before.get(item.id()), after));
            }
        }
        stores.items().putAll(planId, changed, currency());
    }

    /** Takes an open item out. */
    public void removeItem(String id) {
        put(UndoableStore.Kind.ITEM, id, null);
    }

    /** Switches on a statement that was laid down ({@link StatementStore#lay}). */
    public void switchOn(String statementId) {
        put(UndoableStore.Kind.STATEMENT, statementId, "active");
    }

    /** Switches a statement off: its movements count no more. */
    public void switchOff(String statementId) {
        put(UndoableStore.Kind.STATEMENT, statementId, null);
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

    /** Keeps the forecast under a name. */
    public void addSnapshot(String id, String name, String note, Forecast forecast) {
        if (shown != null) {
            throw new Refused("'" + shown.scenario().name()
                    + "' is shown, and a snapshot keeps the base: show the base to save it");
        }
        keep(id, name, note, null, forecast);
    }

    /** Keeps what a scenario comes to under a name, and the base that it stands on beside it, whatever is shown. */
    public void addApproved(String name, Scenario scenario, Forecast made, Forecast base) {
        keep(ShortId.next(), "Base under " + name, "what the scenario stood on", null, base);
        keep(ShortId.next(), name, scenario.note(), scenario.name(), made);
    }

    private void keep(String id, String name, String note, @Nullable String scenario, Forecast forecast) {
        SnapshotStore.SnapshotLabel said = new SnapshotStore.SnapshotLabel(name, note, false, "");
        stores.snapshots()
                .add(
                        planId,
                        id,
                        said,
                        scenario,
                        stores.snapshots().now(),
                        Snapshot.of(forecast, line -> Fingerprint.of(line, currency())),
                        forecast.lowWater().day(),
                        forecast.lowWater().cash());
        effects.add(new Effect(UndoableStore.Kind.SNAPSHOT, id, null, SnapshotStore.state(said)));
    }

    /** Puts what is said of a snapshot. */
    public void putSaid(String id, SnapshotStore.SnapshotLabel said) {
        put(UndoableStore.Kind.SNAPSHOT, id, SnapshotStore.state(said));
    }

    /** Puts the note of a row of a snapshot's comparison over some days, both included; a blank one takes it out. */
    public void putNote(String snapshot, LocalDate from, LocalDate to, String row, String note) {
        put(UndoableStore.Kind.NOTE, NoteStore.id(snapshot, from, to, row), note.isBlank() ? null : note.strip());
    }

    /** Puts a roll forward. */
    public void putRoll(RollStore.Roll roll) {
        put(UndoableStore.Kind.ROLL, roll.id(), RollStore.state(roll));
    }

    /** Puts a scenario: a new one stands last. */
    public void putScenario(Scenario scenario) {
        put(
                UndoableStore.Kind.SCENARIO,
                scenario.id(),
                ScenarioStore.state(scenario, stores.scenarios().position(planId, scenario.id()), currency()));
    }

    public void removeScenario(String id) {
        put(UndoableStore.Kind.SCENARIO, id, null);
    }

    public void removeSnapshot(String id) {
        put(UndoableStore.Kind.SNAPSHOT, id, null);
    }
}
