package ebbtide.app.storage;

import static ebbtide.time.DayFormats.DAY;
import static java.util.Objects.requireNonNull;

import ebbtide.app.storage.ChangeLog.Effect;
import ebbtide.app.storage.ChangeLog.Entry;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.plan.BrokenPlan;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.money.Refused;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.PlanProblem;
import ebbtide.whatif.Scenarios;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The one door through which plans are read whole and changed. An edit is one transaction: the change, its log entry,
 * the next version; what it does to the forecast comes back with it. Forecasts are kept by version.
 */
@Service
public class Edits {
    private static final String AUTHOR = System.getProperty("user.name", "analyst");
    /** What is kept beside a plan and no forecast reads. */
    private static final Set<UndoableStore.Kind> ASIDE = EnumSet.of(
            UndoableStore.Kind.SNAPSHOT,
            UndoableStore.Kind.NOTE,
            UndoableStore.Kind.ROLL,
            UndoableStore.Kind.RULE,
            UndoableStore.Kind.SCENARIO);

    private final Stores stores;
    private final Map<UndoableStore.Kind, UndoableStore> kept = new EnumMap<>(UndoableStore.Kind.class);
    private final TransactionTemplate transaction;
    private final TransactionTemplate reading;
    private final StoredBooks books;
    private final ShownPlans shownPlans;
    private final Map<String, PlanAtVersion> current = new ConcurrentHashMap<>();

    Edits(Stores stores, List<UndoableStore> kept, TransactionTemplate transaction, ShownPlans shownPlans) {
        this.stores = stores;
        this.books = new StoredBooks(stores);
        this.shownPlans = shownPlans;
        kept.forEach(one -> this.kept.put(one.kind(), one));
        this.transaction = transaction;
        // A plan is read as it stood at one moment, whatever is edited meanwhile.
        this.reading = new TransactionTemplate(Objects.requireNonNull(transaction.getTransactionManager()));
        this.reading.setReadOnly(true);
        this.reading.setIsolationLevel(TransactionDefinition.ISOLATION_REPEATABLE_READ);
    }

    /** Returns a plan as it stands now; refuses an id that is not there. */
    public PlanAtVersion current(String planId) {
        PlanAtVersion known = current.get(planId);
        if (known != null && known.version() == stores.plans().version(planId)) {
            return known;
        }
        PlanAtVersion loaded = reading.execute(status -> {
            // The version first: what is read after it can only be newer, and is then read again.
            long version = stores.plans().version(planId);
            return forecast(
                    planId,
                    version,
                    stores.lines().all(planId),
                    books.of(planId),
                    stores.scenarios().all(planId),
                    Optional.ofNullable(known).map(PlanAtVersion::forecast));
        });
        current.put(planId, loaded);
        return loaded;
    }

    /**
     * Returns what throws {@link Superseded} once a plan is no longer as it was: an answer about it is not waited for.
     */
    public Runnable whileCurrent(String planId, PlanAtVersion was) {
        return () -> {
            if (stores.plans().version(planId) != was.version()) {
                throw new Superseded();
            }
        };
    }

    /** Returns a plan as it is looked at: the base, or the scenario that is shown; refuses ids that are not there. */
    public PlanAtVersion shown(String planId) {
        return shownPlans.of(planId, current(planId));
    }

    /** Returns a scenario of a plan as it stands now; refuses ids that are not there. */
    public PlanAtVersion scenario(String planId, String id) {
        PlanAtVersion base = current(planId);
        return shownPlans.of(planId, base, base.scenarios().find(id).orElseThrow(() -> new NotFound("scenario", id)));
    }

    /** What an edit did, to whoever looks at a scenario as to the scenario. */
    private EditMade seen(String planId, EditMade done) {
        return new EditMade(done.words(), seen(planId, done.was()), seen(planId, done.became()));
    }

    /** A scenario that is gone with the edit, or was not there yet, is not looked at any more. */
    private PlanAtVersion seen(String planId, PlanAtVersion plan) {
        try {
            return shownPlans.of(planId, plan);
        } catch (NotFound gone) {
            return plan;
        }
    }

    /** Returns the plan after effects: what they did not touch is taken over, not read again. */
    private PlanAtVersion after(String planId, PlanAtVersion was, List<Effect> effects) {
        if (ASIDE.containsAll(effects.stream().map(Effect::kind).toList())) {
            return new PlanAtVersion(
                    stores.plans().version(planId),
                    was.forecast(),
                    was.placed(),
                    was.unassigned(),
                    scenariosAfter(planId, was, effects));
        }
        Set<String> changed = effects.stream()
                .filter(e -> e.kind() == UndoableStore.Kind.LINE)
                .map(Effect::id)
                .collect(Collectors.toSet());
        List<PlacedLine> placed = new ArrayList<>(was.placed());
        placed.removeIf(one -> changed.contains(one.line().id()));
        placed.addAll(stores.lines().find(planId, changed));
        placed.sort(Comparator.comparingDouble(PlacedLine::position)
                .thenComparing(one -> one.line().id()));
        return forecast(
                planId,
                stores.plans().version(planId),
                placed,
                books.after(planId, was, effects),
                scenariosAfter(planId, was, effects),
                Optional.of(was.forecast()));
    }

    private Scenarios scenariosAfter(String planId, PlanAtVersion was, List<Effect> effects) {
        return effects.stream().anyMatch(effect -> effect.kind() == UndoableStore.Kind.SCENARIO)
                ? stores.scenarios().all(planId)
                : was.scenarios();
    }

    private PlanAtVersion forecast(
            String planId,
            long version,
            List<PlacedLine> placed,
            BooksWithCount counted,
            Scenarios scenarios,
            Optional<Forecast> was) {
        Plan plan = new Plan(
                stores.plans().settings(planId),
                placed.stream().map(PlacedLine::line).toList(),
                stores.buoys().all(planId));
        List<PlanProblem> problems = new ArrayList<>(PlanCheck.problems(plan));
        problems.addAll(scenarios.problems());
        if (!problems.isEmpty()) {
            throw new BrokenPlan(problems);
        }
        Forecast forecast = was.map(one -> Forecaster.forecast(plan, counted.books(), one))
                .orElseGet(() -> Forecaster.forecast(plan, counted.books()));
        return new PlanAtVersion(version, forecast, List.copyOf(placed), counted.unassigned(), scenarios);
    }

    /**
     * Makes an edit on a version of the plan.
     *
     * @throws StaleVersion where others have edited since that version
     * @throws BrokenPlan where the edit leaves the plan broken: nothing is changed then
     */
    public EditMade edit(String planId, long baseVersion, String words, Consumer<Draft> change) {
        return change(planId, was -> requireVersion(planId, was, baseVersion), words, change, false);
    }

    private void requireVersion(String planId, PlanAtVersion was, long baseVersion) {
        if (was.version() != baseVersion) {
            throw new StaleVersion(baseVersion, was.version(), stores.log().since(planId, baseVersion));
        }
    }

    /** Makes an edit of the base on a version of the plan, whatever scenario is looked at. */
    public EditMade editBase(String planId, long baseVersion, String words, Consumer<Draft> change) {
        return change(planId, was -> requireVersion(planId, was, baseVersion), words, change, true);
    }

    /** Makes an edit on whatever version the plan has: for work that only adds, such as bringing in a statement. */
    public EditMade edit(String planId, String words, Consumer<Draft> change) {
        return change(planId, was -> {}, words, change, false);
    }

    private EditMade change(
            String planId, Consumer<PlanAtVersion> check, String words, Consumer<Draft> change, boolean ofBase) {
        EditMade done = transaction.execute(status -> {
            long version = stores.plans().lockToEdit(planId);
            PlanAtVersion was = current(planId);
            check.accept(was);
            Draft draft = new Draft(planId, kept, stores);
            if (!ofBase) {
                shownPlans.scenario(was).ifPresent(scenario -> draft.within(was, scenario));
            }
            change.accept(draft);
            String said = draft.inScenario().map(name -> "In '" + name + "': ").orElse("") + words;
            if (draft.effects().isEmpty()) {
                return new EditMade(said, was, was);
            }
            stores.plans().setVersion(planId, version + 1);
            stores.log().add(planId, AUTHOR, shortened(said), version + 1, draft.effects());
            return new EditMade(said, was, after(planId, was, draft.effects()));
        });
        current.put(planId, done.became());
        return seen(planId, done);
    }

    private static String shortened(String words) {
        return words.length() <= 1000 ? words : words.substring(0, 999) + "\u2026";
    }

    /** Takes back the latest edit; refuses when there is none. */
    public EditMade undo(String planId) {
        return undo(planId, was -> {});
    }

    /** Takes back the edit that made a version of the plan; refuses when others were made since. */
    public EditMade undo(String planId, long version) {
        return undo(planId, was -> requireVersion(planId, was, version));
    }

    private EditMade undo(String planId, Consumer<PlanAtVersion> check) {
        return replay(
                planId,
                check,
                stores.log()::findToUndo,
                "UNDONE",
                true,
                "Undone: ",
                "There is nothing to undo: this is the plan as it was first made");
    }

    /** Returns how many edits in force were made since a roll forward began, its own beginning included. */
    public int editsOf(String planId, RollStore.Roll roll) {
        return stores.log()
                .findFirst(planId, UndoableStore.Kind.ROLL, roll.id())
                .map(seq -> stores.log().countFrom(planId, seq))
                .orElse(0);
    }

    /** Takes back every edit since a roll forward began, the latest first, all or none; each can be redone. */
    public EditMade undo(String planId, RollStore.Roll roll) {
        EditMade done = transaction.execute(status -> {
            EditMade latest = undo(planId);
            PlanAtVersion was = latest.was();
            while (stores.rolls().state(planId, roll.id()) != null) {
                latest = undo(planId);
            }
            return new EditMade("Undone: the roll forward from " + roll.from(), was, latest.became());
        });
        current.put(planId, done.became());
        return done;
    }

    /** Brings back the latest edit that was undone; refuses when there is none. */
    public EditMade redo(String planId) {
        return redo(planId, was -> {});
    }

    /** Brings back the latest edit that was undone on a version of the plan; refuses when others were made since. */
    public EditMade redo(String planId, long version) {
        return redo(planId, was -> requireVersion(planId, was, version));
    }

    private EditMade redo(String planId, Consumer<PlanAtVersion> check) {
        return replay(
                planId,
                check,
                stores.log()::findToRedo,
                "DONE",
                false,
                "Redone: ",
                "There is nothing to redo: no edit was undone since the last one made");
    }

    private EditMade replay(
            String planId,
            Consumer<PlanAtVersion> check,
            java.util.function.Function<String, java.util.Optional<Entry>> find,
            String state,
            boolean back,
            String prefix,
            String none) {
        EditMade done = transaction.execute(status -> {
            long version = stores.plans().lockToEdit(planId);
            PlanAtVersion was = current(planId);
            check.accept(was);
            Entry entry = find.apply(planId).orElseThrow(() -> new Refused(none));
            List<LoggedEffect> logged = new ArrayList<>(entry.effects());
            if (back) {
                Collections.reverse(logged);
            }
            List<Effect> effects = new ArrayList<>();
            for (LoggedEffect one : logged) {
                UndoableStore store = requireNonNull(kept.get(one.kind()));
                Effect effect = one.on(store.state(planId, one.id()), back);
                store.restore(planId, one.id(), effect.after());
                effects.add(effect);
            }
            stores.log().mark(planId, entry.seq(), state);
            stores.plans().setVersion(planId, version + 1);
            return new EditMade(prefix + entry.words(), was, after(planId, was, effects));
        });
        current.put(planId, done.became());
        return seen(planId, done);
    }

    /** Adds a plan with all it holds under a new id, and returns the id; nothing of it can be undone. */
    public String add(PlanDocument document) {
        return add(document, List.of());
    }

    /** Adds a plan with the forecasts of its past, which are kept as snapshots. */
    public String add(PlanDocument document, List<Forecast> past) {
        String planId = ShortId.next();
        transaction.executeWithoutResult(status -> {
            stores.plans().add(planId, document.plan().settings());
            Draft draft = new Draft(planId, kept, stores);
            document.accounts().forEach(draft::putAccount);
            double position = 1;
            for (Line line : document.plan().lines()) {
                draft.putLine(line, position++);
            }
            document.plan().buoys().forEach(draft::putBuoy);
            document.rules().forEach(draft::putRule);
            draft.putItems(document.items());
            document.scenarios().all().forEach(draft::putScenario);
            document.accounts()
                    .forEach(account -> draft.addStatement(
                            ShortId.next(),
                            account.id(),
                            "movements before "
                                    + document.plan().settings().asOf().plusDays(1),
                            document.movements().stream()
                                    .filter(m -> m.account().equals(account.id()))
                                    .toList()));
            new CarriedPast(stores).write(planId, document.past());
            past.forEach(forecast -> draft.addSnapshot(
                    ShortId.next(),
                    "Forecast of " + DAY.format(forecast.plan().settings().asOf()),
                    "",
                    forecast));
        });
        return planId;
    }

    /**
     * Takes out a plan with all that belongs to it, its past too: nothing of it can be undone.
     *
     * @throws StaleVersion where it has been edited since that version
     */
    public void remove(String planId, long baseVersion) {
        transaction.executeWithoutResult(status -> {
            stores.plans().lock(planId);
            requireVersion(planId, current(planId), baseVersion);
            stores.plans().remove(planId);
        });
        current.remove(planId);
        shownPlans.forget(planId);
    }

    /** Returns the whole of a plan as its file holds it with its snapshots, the notes on them and the log of edits. */
    public PlanDocument documentWithPast(String planId) {
        return reading.execute(status -> document(planId).with(new CarriedPast(stores).read(planId)));
    }

    /** Returns the whole of a plan as its file holds it. */
    public PlanDocument document(String planId) {
        return transaction.execute(status -> new PlanDocument(
                current(planId).plan(),
                stores.accounts().all(planId),
                stores.rules().all(planId),
                stores
                        .movements()
                        .find(
                                planId,
                                new MovementStore.Query(
                                        null, MovementStore.Which.ALL, null, null, "", null, Integer.MAX_VALUE, 0))
                        .stream()
                        .map(MovementStore.StoredMovement::movement)
                        .toList(),
                current(planId).books().items().all(),
                current(planId).scenarios()));
    }
}
