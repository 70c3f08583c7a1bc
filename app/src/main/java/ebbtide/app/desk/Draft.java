package ebbtide.app.desk;

import static java.util.Objects.requireNonNull;

import ebbtide.app.storage.ChangeLog.Effect;
import ebbtide.app.storage.Fingerprint;
import ebbtide.app.storage.LedgerStore;
import ebbtide.app.storage.LineStore;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.NoteStore;
import ebbtide.app.storage.RollStore;
import ebbtide.app.storage.ScenarioStore;
import ebbtide.app.storage.ShortId;
import ebbtide.app.storage.SnapshotStore;
import ebbtide.app.storage.Stores;
import ebbtide.app.storage.UndoableStore;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.books.ActualLedger;
import ebbtide.books.AssignRule;
import ebbtide.books.OpenItem;
import ebbtide.books.TrialBalance;
import ebbtide.forecast.Forecast;
import ebbtide.formats.plan.PlanPast.KeptSnapshot;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.money.Refused;
import ebbtide.plan.Buoy;
import ebbtide.plan.Line;
import ebbtide.plan.LineOrder;
import ebbtide.plan.Settings;
import ebbtide.statements.KeptStatements;
import ebbtide.statements.Statements;
import ebbtide.track.Snapshot;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.ScenarioEdit;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Currency;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * One edit while it is made, on the plan as it stands: each change is written at once and noted with what was there
 * before. What it depends on is said with {@code reads…}: where that was changed since the version the edit was made
 * on, the edit is refused.
 */
public final class Draft {
    private final String planId;
    private final Stores stores;
    private final Effects effects;
    private final PlanAtVersion base;
    private final PlanAtVersion looked;
    private final SentParts sent;
    private final Since since;
    private @Nullable Scenario shown;
    private boolean editedInShown;

    /** Makes an edit of a plan, looked at as the base or as a scenario of it, since the version it was made on. */
    Draft(
            String planId,
            List<UndoableStore> kept,
            Stores stores,
            PlanAtVersion base,
            PlanAtVersion looked,
            Since since) {
        this.planId = planId;
        this.stores = stores;
        this.effects = new Effects(planId, kept, stores);
        this.base = base;
        this.looked = looked;
        this.since = since;
        this.shown = looked.shown().map(PlanAtVersion.Shown::scenario).orElse(null);
        this.sent = new SentParts(effects, since, base, shown);
    }

    String planId() {
        return planId;
    }

    /** Returns the base as it stands, before this edit. */
    public PlanAtVersion base() {
        return base;
    }

    /** Returns the plan as it is looked at, the base or a scenario, before this edit. */
    public PlanAtVersion shown() {
        return looked;
    }

    List<Effect> effects() {
        return effects.all();
    }

    /** Returns the name of the scenario that the edit has changed in the place of the base, if it has. */
    Optional<String> inScenario() {
        return Optional.ofNullable(editedInShown ? requireNonNull(shown).name() : null);
    }

    /**
     * Holds what was written against what was changed since.
     *
     * @throws StaleVersion where the two meet
     */
    void requireUntouched() {
        effects.requireApartFrom(since);
    }

    /**
     * Says that the edit depends on a thing.
     *
     * @throws StaleVersion where it was changed since the version the edit was made on
     */
    public void reads(Kind kind, String id) {
        if (since.touched(kind, id)) {
            throw since.stale();
        }
    }

    /** Says that the edit depends on the forecast as a whole, as {@link #reads}. */
    public void readsForecast() {
        if (since.touched(Plans.FORECAST)) {
            throw since.stale();
        }
    }

    /** Says that the edit depends on what is known of the past and agreed, as {@link #reads}. */
    public void readsBooks() {
        if (since.touched(Plans.BOOKS)) {
            throw since.stale();
        }
    }

    /**
     * Returns the facts, to be changed.
     *
     * @throws Refused where a scenario is shown: facts are the same in every one (rules 11.1)
     */
    public DraftBooks books() {
        requireBase();
        return new DraftBooks(effects, currency());
    }

    private void requireBase() {
        if (shown != null) {
            throw new Refused(
                    "'" + shown.name()
                            + "' is shown, and what belongs to the books is the same in every scenario: show the base to change it");
        }
    }

    private Currency currency() {
        return base.currency();
    }

    private ScenarioEdit inShown() {
        Scenario now = requireNonNull(shown);
        return new ScenarioEdit(base.forecast(), base.scenarios().with(now), now);
    }

    private void putShown(Scenario scenario) {
        editedInShown = true;
        shown = scenario;
        putScenario(scenario);
    }

    /** Returns a line as it was sent, with what others made of it since; refuses where both changed the same of it. */
    public Line sentLine(JsonNode json) {
        return sent.line(json);
    }

    /** Returns settings as they were sent, as {@link #sentLine}. */
    public Settings sentSettings(JsonNode json) {
        return sent.settings(json);
    }

    /** Puts the settings; where a scenario is shown, as changes of that. */
    public void putSettings(Settings settings) {
        if (shown != null) {
            putShown(inShown().settings(settings));
            return;
        }
        effects.put(Kind.SETTINGS, "settings", PlanWriter.json(settings).toString());
    }

    /** Puts a line: one that is there keeps its place, a new one stands after all others. */
    public void putLine(Line line) {
        List<Double> places = looked.placed().stream().map(PlacedLine::position).toList();
        putLine(
                line,
                looked.placed().stream()
                        .filter(one -> one.line().id().equals(line.id()))
                        .mapToDouble(PlacedLine::position)
                        .findFirst()
                        .orElse(LineOrder.after(places)));
    }

    /** Puts lines that are new after all others, in their order. */
    public void putLast(List<Line> lines) {
        double place = LineOrder.after(
                looked.placed().stream().map(PlacedLine::position).toList());
        for (Line line : lines) {
            putLine(line, place++);
        }
    }

    /** Puts a line at a position in the order of all lines; where a scenario is shown, as changes of that. */
    public void putLine(Line line, double position) {
        if (shown != null) {
            putShown(inShown().line(line));
            return;
        }
        effects.put(Kind.LINE, line.id(), LineStore.state(line, position, currency()));
    }

    /**
     * Takes a line out; movements assigned to it become unassigned again.
     *
     * @throws Refused while open items stand on the line
     */
    public void removeLine(String lineId) {
        if (shown != null) {
            putShown(inShown().leftOut(lineId));
            return;
        }
        int items = stores.items().count(planId, lineId);
        if (items > 0) {
            throw new Refused("The line has " + items + (items == 1 ? " open or paid item" : " open or paid items")
                    + ": put them on another line first, or take them out");
        }
        books().unassign(lineId);
        effects.put(Kind.LINE, lineId, null);
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
        putShown(inShown().asBase(lineId));
    }

    /** Puts many open items at once; where a scenario is shown, what is said of them as changes of that. */
    public void putItems(List<OpenItem> items) {
        if (shown != null) {
            putShown(inShown().items(items));
            return;
        }
        books().putItems(items);
    }

    public void putBuoy(Buoy buoy) {
        effects.put(Kind.BUOY, buoy.id(), PlanWriter.json(buoy).toString());
    }

    public void removeBuoy(String id) {
        effects.put(Kind.BUOY, id, null);
    }

    public void putRule(AssignRule rule) {
        effects.put(Kind.RULE, rule.id(), PlanWriter.json(rule, currency()).toString());
    }

    public void removeRule(String id) {
        effects.put(Kind.RULE, id, null);
    }

    /** Keeps the forecast under a name. */
    public void addSnapshot(String id, String name, String note, Forecast forecast) {
        if (shown != null) {
            throw new Refused(
                    "'" + shown.name() + "' is shown, and a snapshot keeps the base: show the base to save it");
        }
        keep(id, name, note, null, forecast);
    }

    /** Keeps what a scenario comes to under a name, and the base that it stands on beside it, whatever is shown. */
    public void addApproved(String name, Scenario scenario, Forecast made) {
        keep(ShortId.next(), "Base under " + name, "what the scenario stood on", null, base.forecast());
        keep(ShortId.next(), name, scenario.note(), scenario.name(), made);
    }

    private void keep(String id, String name, String note, @Nullable String scenario, Forecast forecast) {
        KeptSnapshot kept = new KeptSnapshot(
                id,
                name,
                note,
                false,
                "",
                scenario,
                stores.snapshots().now(),
                forecast.lowWater().day(),
                forecast.lowWater().cash(),
                Snapshot.of(forecast, line -> Fingerprint.of(line, currency())),
                KeptStatements.of(Statements.of(forecast, base.ledger())));
        stores.snapshots().add(planId, kept);
        effects.note(Kind.SNAPSHOT, id, null, SnapshotStore.state(SnapshotStore.SnapshotLabel.of(kept)));
    }

    /** Puts what is said of a snapshot. */
    public void putSaid(String id, SnapshotStore.SnapshotLabel said) {
        effects.put(Kind.SNAPSHOT, id, SnapshotStore.state(said));
    }

    public void removeSnapshot(String id) {
        effects.put(Kind.SNAPSHOT, id, null);
    }

    /** Puts the note of a row of a snapshot's comparison over some days, both included; a blank one takes it out. */
    public void putNote(String snapshot, LocalDate from, LocalDate to, String row, String note) {
        effects.put(Kind.NOTE, NoteStore.id(snapshot, from, to, row), note.isBlank() ? null : note.strip());
    }

    /** Puts a roll forward. */
    public void putRoll(RollStore.Roll roll) {
        requireBase();
        effects.put(Kind.ROLL, roll.id(), RollStore.state(roll));
    }

    /** Puts a scenario: a new one stands last. */
    public void putScenario(Scenario scenario) {
        effects.put(
                Kind.SCENARIO,
                scenario.id(),
                ScenarioStore.state(scenario, stores.scenarios().position(planId, scenario.id()), currency()));
    }

    /** Returns what the ledger says of months that are over, before this edit. */
    ActualLedger ledger() {
        return base.ledger();
    }

    /** Puts the trial balance of a month. */
    public void putTrialBalance(TrialBalance balance) {
        requireBase();
        effects.put(Kind.LEDGER, LedgerStore.id(balance), LedgerStore.state(balance, currency()));
    }

    /** Takes the trial balance of a month out. */
    public void removeTrialBalance(YearMonth month) {
        requireBase();
        effects.put(Kind.LEDGER, month.toString(), null);
    }

    /** Puts what the accounts of the ledger were said to be, and how those of income run. */
    public void putSaid(ActualLedger said) {
        requireBase();
        effects.put(Kind.LEDGER, LedgerStore.SAID, LedgerStore.said(said, currency()));
    }

    public void removeScenario(String id) {
        effects.put(Kind.SCENARIO, id, null);
    }
}
