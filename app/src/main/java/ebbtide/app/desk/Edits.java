package ebbtide.app.desk;

import ebbtide.app.people.Hand;
import ebbtide.app.people.Rights;
import ebbtide.app.storage.ChangeLog.Effect;
import ebbtide.app.storage.ChangeLog.Entry;
import ebbtide.app.storage.LoggedEffect;
import ebbtide.app.storage.RollStore;
import ebbtide.app.storage.Stores;
import ebbtide.app.storage.UndoableStore;
import ebbtide.formats.plan.BrokenPlan;
import ebbtide.money.Refused;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import java.util.function.LongFunction;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionCallback;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The one door through which plans are changed. An edit is one transaction: the change, its log entry, the next
 * version; what it does to the forecast comes back with it. One that was made on an earlier version holds as long as it
 * touches nothing that was changed since (docs/decisions/0030).
 */
@Service
public class Edits {
    private final Stores stores;
    private final List<UndoableStore> kept;
    private final TransactionTemplate transaction;
    private final Plans plans;
    private final ShownPlans shownPlans;
    private final Rights rights;
    private final Turns turns = new Turns();

    Edits(
            Stores stores,
            List<UndoableStore> kept,
            TransactionTemplate transaction,
            Plans plans,
            ShownPlans shownPlans,
            Rights rights) {
        this.stores = stores;
        this.kept = kept;
        this.transaction = transaction;
        this.plans = plans;
        this.shownPlans = shownPlans;
        this.rights = rights;
    }

    /** What an edit does to a plan; it returns what was done in words, for the log. */
    @FunctionalInterface
    public interface Change {
        String make(Draft draft);
    }

    /** What an edit did, to whoever looks at a scenario as to the scenario. */
    private EditMade seen(String planId, EditMade done) {
        return new EditMade(done.words(), seen(planId, done.was()), seen(planId, done.became()), done.meanwhile());
    }

    /** A scenario that is gone with the edit, or was not there yet, is not looked at any more. */
    private PlanAtVersion seen(String planId, PlanAtVersion plan) {
        return shownPlans.isThere(plan) ? shownPlans.of(planId, plan) : plan;
    }

    /**
     * Makes an edit that somebody made on a version of the plan.
     *
     * @throws StaleVersion where something it reads or writes was changed since that version
     * @throws BrokenPlan where the edit leaves the plan broken: nothing is changed then
     */
    public EditMade edit(String planId, long version, Change change) {
        return change(planId, now -> since(planId, version, now), change, false);
    }

    /** Makes an edit of the base on a version of the plan, whatever scenario is looked at. */
    public EditMade editBase(String planId, long version, Change change) {
        return change(planId, now -> since(planId, version, now), change, true);
    }

    /** Makes an edit on a version of the plan, and says what it does in these words. */
    public EditMade edit(String planId, long version, String words, Consumer<Draft> change) {
        return edit(planId, version, saying(words, change));
    }

    /** Makes an edit on whatever version the plan has: for work that only adds, such as bringing in a statement. */
    public EditMade edit(String planId, String words, Consumer<Draft> change) {
        return change(planId, Since::nothing, saying(words, change), false);
    }

    private static Change saying(String words, Consumer<Draft> change) {
        return draft -> {
            change.accept(draft);
            return words;
        };
    }

    private Since since(String planId, long version, long now) {
        return version == now
                ? Since.nothing(now)
                : new Since(version, now, stores.log().turns(planId, version, now));
    }

    /**
     * Edits of a plan are made one after the other, in the order in which they come: who waits in the database may wait
     * in vain, as nobody has a place there. Who reads the plan meanwhile waits for one that is about to stand.
     */
    private EditMade inTurn(String planId, TransactionCallback<EditMade> work) {
        return turns.of(planId, () -> {
            try {
                EditMade done = Objects.requireNonNull(transaction.execute(status -> {
                    EditMade about = work.doInTransaction(status);
                    plans.becoming(planId);
                    return about;
                }));
                plans.became(planId, done.became());
                return done;
            } finally {
                plans.stands(planId);
            }
        });
    }

    private EditMade change(String planId, LongFunction<Since> on, Change change, boolean ofBase) {
        EditMade done = inTurn(planId, status -> {
            long version = stores.plans().lockToEdit(planId);
            PlanAtVersion was = plans.current(planId);
            Since since = on.apply(version);
            Draft draft = new Draft(planId, kept, stores, was, ofBase ? was : shownPlans.of(planId, was), since);
            String words = change.make(draft);
            rights.require(planId, Commentary.least(draft.effects()));
            draft.requireUntouched();
            String said = draft.inScenario().map(name -> "In '" + name + "': ").orElse("") + words;
            if (draft.effects().isEmpty()) {
                return new EditMade(said, was, was, since.words());
            }
            stores.plans().setVersion(planId, version + 1);
            stores.log().add(planId, Hand.atWork().author(), shortened(said), version + 1, draft.effects());
            return new EditMade(said, was, after(planId, was, draft.effects(), since), since.words());
        });
        return seen(planId, done);
    }

    /** What fits an earlier version, and not what others made of the plan since, is no fault of who edits. */
    private PlanAtVersion after(String planId, PlanAtVersion was, List<Effect> effects, Since since) {
        try {
            return plans.after(planId, was, effects);
        } catch (BrokenPlan broken) {
            throw since.isEmpty() ? broken : since.stale();
        }
    }

    private static String shortened(String words) {
        return words.length() <= 1000 ? words : words.substring(0, 999) + "\u2026";
    }

    /** Which way an edit that was made before goes: taken back, or brought back. */
    private enum Way {
        BACK("UNDONE", "Undone: ", "There is nothing to undo: this is the plan as it was first made"),
        AGAIN("DONE", "Redone: ", "There is nothing to redo: no edit was undone since the last one made");

        private final String state;
        private final String prefix;
        private final String none;

        Way(String state, String prefix, String none) {
            this.state = state;
            this.prefix = prefix;
            this.none = none;
        }
    }

    /** Takes back the latest edit; refuses when there is none. */
    public EditMade undo(String planId) {
        return replay(planId, Way.BACK, now -> {});
    }

    /** Takes back the edit that made a version of the plan; refuses when others were made since. */
    public EditMade undo(String planId, long version) {
        return replay(planId, Way.BACK, now -> requireVersion(planId, version, now));
    }

    /** An edit is taken back by who has seen that it is the latest. */
    private void requireVersion(String planId, long version, long now) {
        if (version != now) {
            throw since(planId, version, now).stale();
        }
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
        return seen(planId, inTurn(planId, status -> {
            stores.plans().lockToEdit(planId);
            PlanAtVersion was = plans.current(planId);
            PlanAtVersion now = was;
            do {
                now = replay(planId, now, Way.BACK).became();
            } while (stores.rolls().state(planId, roll.id()) != null);
            return new EditMade("Undone: the roll forward from " + roll.from(), was, now, List.of());
        }));
    }

    /** Brings back the latest edit that was undone; refuses when there is none. */
    public EditMade redo(String planId) {
        return replay(planId, Way.AGAIN, now -> {});
    }

    /** Brings back the latest edit that was undone on a version of the plan; refuses when others were made since. */
    public EditMade redo(String planId, long version) {
        return replay(planId, Way.AGAIN, now -> requireVersion(planId, version, now));
    }

    private EditMade replay(String planId, Way way, LongConsumer check) {
        return seen(planId, inTurn(planId, status -> {
            check.accept(stores.plans().lockToEdit(planId));
            return replay(planId, plans.current(planId), way);
        }));
    }

    private EditMade replay(String planId, PlanAtVersion was, Way way) {
        Entry entry = (way == Way.BACK
                        ? stores.log().findToUndo(planId)
                        : stores.log().findToRedo(planId))
                .orElseThrow(() -> new Refused(way.none));
        List<LoggedEffect> logged = new ArrayList<>(entry.effects());
        if (way == Way.BACK) {
            Collections.reverse(logged);
        }
        List<Effect> effects = new ArrayList<>();
        for (LoggedEffect one : logged) {
            UndoableStore store = UndoableStore.of(kept, one.kind());
            Effect effect = one.on(store.state(planId, one.id()), way == Way.BACK);
            store.restore(planId, one.id(), effect.after());
            effects.add(effect);
        }
        rights.require(planId, Commentary.least(effects));
        stores.log().mark(planId, entry.seq(), way.state);
        stores.plans().setVersion(planId, was.version() + 1);
        stores.log().addReplay(planId, Hand.atWork().author(), was.version() + 1, entry.seq(), way == Way.BACK);
        return new EditMade(way.prefix + entry.words(), was, plans.after(planId, was, effects), List.of());
    }
}
