package ebbtide.app.desk;

import ebbtide.app.people.Rights;
import ebbtide.app.people.Role;
import ebbtide.app.storage.BooksWithCount;
import ebbtide.app.storage.ChangeLog.Effect;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.Stores;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.books.ActualLedger;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.plan.BrokenPlan;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.PlanProblem;
import ebbtide.whatif.Scenarios;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/** The plans as they stand, each read whole with its forecast, which is kept by version. */
@Service
public class Plans {
    /** What is kept beside a plan and no forecast reads. */
    private static final Set<Kind> ASIDE = EnumSet.of(Kind.SNAPSHOT, Kind.NOTE, Kind.ROLL, Kind.RULE, Kind.SCENARIO);

    /** What a forecast reads. */
    static final Set<Kind> FORECAST = EnumSet.complementOf(EnumSet.copyOf(ASIDE));

    /** What happened and what is agreed, which no scenario changes. */
    static final Set<Kind> BOOKS = EnumSet.of(Kind.ACCOUNT, Kind.STATEMENT, Kind.PARTS, Kind.ITEM);

    private final Stores stores;
    private final Rights rights;
    private final TransactionTemplate reading;
    private final StoredBooks books;
    private final ShownPlans shownPlans;
    private final Map<String, PlanAtVersion> current = new ConcurrentHashMap<>();
    private final Map<String, CountDownLatch> becoming = new ConcurrentHashMap<>();
    private final Turns reads = new Turns();

    Plans(Stores stores, Rights rights, TransactionTemplate transaction, ShownPlans shownPlans) {
        this.stores = stores;
        this.rights = rights;
        this.books = new StoredBooks(stores);
        this.shownPlans = shownPlans;
        // A plan is read as it stood at one moment, whatever is edited meanwhile.
        this.reading = new TransactionTemplate(Objects.requireNonNull(transaction.getTransactionManager()));
        this.reading.setReadOnly(true);
        this.reading.setIsolationLevel(TransactionDefinition.ISOLATION_REPEATABLE_READ);
    }

    /** Returns a plan as it stands now; refuses an id that is not there. */
    public PlanAtVersion current(String planId) {
        rights.require(planId, Role.ONLOOKER);
        return known(planId)
                .or(() -> {
                    awaitEdit(planId);
                    return known(planId);
                })
                // Many may ask for it at once, as after an edit that another program made: one reads it.
                .orElseGet(() -> reads.of(planId, () -> known(planId).orElseGet(() -> read(planId))));
    }

    private Optional<PlanAtVersion> known(String planId) {
        PlanAtVersion known = current.get(planId);
        return known != null && known.version() == stores.plans().version(planId)
                ? Optional.of(known)
                : Optional.empty();
    }

    /** An edit that can be read and does not lie on the disk yet brings the plan along in a moment. */
    private void awaitEdit(String planId) {
        CountDownLatch edit = becoming.get(planId);
        if (edit != null) {
            try {
                edit.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    private PlanAtVersion read(String planId) {
        Optional<Forecast> was = Optional.ofNullable(current.get(planId)).map(PlanAtVersion::forecast);
        PlanAtVersion read = reading.execute(status -> {
            // The version first: what is read after it can only be newer, and is then read again.
            long version = stores.plans().version(planId);
            return forecast(
                    planId,
                    version,
                    stores.lines().all(planId),
                    books.of(planId).with(stores.ledgers().all(planId)),
                    stores.scenarios().all(planId),
                    was);
        });
        became(planId, read);
        return read;
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

    /**
     * Returns a plan as it is looked at, for what a line of it is made of: of pay that is for viewers.
     *
     * @throws ebbtide.app.people.NotAllowed where it is pay, and whoever is at work sees pay in sums alone
     */
    public PlanAtVersion shownWithin(String planId, String lineId) {
        PlanAtVersion shown = shown(planId);
        if (shown.isPay(lineId)) {
            rights.require(planId, Role.VIEWER);
        }
        return shown;
    }

    /** Returns a scenario of a plan as it stands now; refuses ids that are not there. */
    public PlanAtVersion scenario(String planId, String id) {
        PlanAtVersion base = current(planId);
        return shownPlans.of(planId, base, base.scenarios().find(id).orElseThrow(() -> new NotFound("scenario", id)));
    }

    /** Says that an edit is about to stand, so that who reads the plan waits for it. */
    void becoming(String planId) {
        becoming.put(planId, new CountDownLatch(1));
    }

    /** Says that an edit stands, or not after all. */
    void stands(String planId) {
        Optional.ofNullable(becoming.remove(planId)).ifPresent(CountDownLatch::countDown);
    }

    /** Keeps what an edit made of a plan, once it stands. */
    void became(String planId, PlanAtVersion now) {
        current.merge(planId, now, (one, other) -> one.version() > other.version() ? one : other);
    }

    /** Lets go of a plan that is gone. */
    void forget(String planId) {
        current.remove(planId);
        shownPlans.forget(planId);
    }

    /** Returns a plan as effects leave it: what they did not touch is taken over, not read again. */
    PlanAtVersion after(String planId, PlanAtVersion was, List<Effect> effects) {
        if (ASIDE.containsAll(effects.stream().map(Effect::kind).toList())) {
            return new PlanAtVersion(
                    stores.plans().version(planId),
                    was.forecast(),
                    was.placed(),
                    was.unassigned(),
                    scenariosAfter(planId, was, effects));
        }
        Set<String> changed = effects.stream()
                .filter(e -> e.kind() == Kind.LINE)
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
                books.after(planId, was, effects).with(ledgerAfter(planId, was, effects)),
                scenariosAfter(planId, was, effects),
                Optional.of(was.forecast()));
    }

    private Scenarios scenariosAfter(String planId, PlanAtVersion was, List<Effect> effects) {
        return effects.stream().anyMatch(effect -> effect.kind() == Kind.SCENARIO)
                ? stores.scenarios().all(planId)
                : was.scenarios();
    }

    private ActualLedger ledgerAfter(String planId, PlanAtVersion was, List<Effect> effects) {
        return effects.stream().anyMatch(effect -> effect.kind() == Kind.LEDGER)
                ? stores.ledgers().all(planId)
                : was.ledger();
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
}
