package ebbtide.app.desk;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.app.people.Rights;
import ebbtide.app.people.Role;
import ebbtide.app.storage.MovementStore;
import ebbtide.app.storage.ShortId;
import ebbtide.app.storage.Stores;
import ebbtide.app.storage.UndoableStore;
import ebbtide.books.ActualLedger;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.whatif.Scenarios;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Service;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/** Plans as a whole: made of a plan file, given out as one, taken out for good. */
@Service
public class WholePlans {
    private final Stores stores;
    private final List<UndoableStore> kept;
    private final Plans plans;
    private final Rights rights;
    private final TransactionTemplate transaction;
    private final TransactionTemplate reading;

    WholePlans(Stores stores, List<UndoableStore> kept, Plans plans, Rights rights, TransactionTemplate transaction) {
        this.stores = stores;
        this.kept = kept;
        this.plans = plans;
        this.rights = rights;
        this.transaction = transaction;
        this.reading = new TransactionTemplate(Objects.requireNonNull(transaction.getTransactionManager()));
        this.reading.setReadOnly(true);
        this.reading.setIsolationLevel(TransactionDefinition.ISOLATION_REPEATABLE_READ);
    }

    /** Adds a plan with all it holds under a new id, and returns the id; nothing of it can be undone. */
    public String add(PlanDocument document) {
        return add(document, List.of());
    }

    /** Adds a plan with the forecasts of its past, which are kept as snapshots. */
    public String add(PlanDocument document, List<Forecast> past) {
        rights.requirePerson();
        String planId = ShortId.next();
        transaction.executeWithoutResult(status -> {
            stores.plans().add(planId, document.plan().settings());
            PlanAtVersion empty = empty(document.plan().settings());
            Draft draft = new Draft(planId, kept, stores, empty, empty, Since.nothing(empty.version()));
            document.accounts().forEach(draft.books()::putAccount);
            double position = 1;
            for (Line line : document.plan().lines()) {
                draft.putLine(line, position++);
            }
            document.plan().buoys().forEach(draft::putBuoy);
            document.rules().forEach(draft::putRule);
            draft.putItems(document.items());
            document.scenarios().all().forEach(draft::putScenario);
            document.actual().months().forEach(draft::putTrialBalance);
            if (!document.actual().equals(ActualLedger.NONE)) {
                draft.putSaid(document.actual());
            }
            document.accounts().forEach(account -> draft.books()
                    .addStatement(
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
            rights.own(planId);
        });
        return planId;
    }

    private static PlanAtVersion empty(Settings settings) {
        return new PlanAtVersion(
                1,
                Forecaster.forecast(new Plan(settings, List.of(), List.of()), Books.of(List.of(), List.of())),
                List.of(),
                0,
                new Scenarios(List.of()));
    }

    /**
     * Puts a plan into the archive, where it is read and not changed, or takes it out; refuses an id that is not there.
     */
    public void archive(String planId, boolean archived) {
        rights.require(planId, Role.OWNER);
        stores.plans().archive(planId, archived);
    }

    /**
     * Takes out a plan with all that belongs to it, its past too: nothing of it can be undone.
     *
     * @throws StaleVersion where it has been edited since that version
     */
    public void remove(String planId, long version) {
        rights.require(planId, Role.OWNER);
        transaction.executeWithoutResult(status -> {
            long now = stores.plans().lock(planId);
            if (now != version) {
                throw new Since(version, now, stores.log().turns(planId, version, now)).stale();
            }
            stores.plans().remove(planId);
        });
        plans.forget(planId);
    }

    /** Returns the whole of a plan as its file holds it with its snapshots, the notes on them and the log of edits. */
    public PlanDocument documentWithPast(String planId) {
        rights.require(planId, Role.VIEWER);
        return reading.execute(status -> document(planId).with(new CarriedPast(stores).read(planId)));
    }

    /** Returns the whole of a plan as its file holds it. */
    public PlanDocument document(String planId) {
        rights.require(planId, Role.VIEWER);
        return transaction.execute(status -> new PlanDocument(
                        plans.current(planId).plan(),
                        stores.accounts().all(planId),
                        stores.rules().all(planId),
                        stores
                                .movements()
                                .find(
                                        planId,
                                        new MovementStore.Query(
                                                null,
                                                MovementStore.Which.ALL,
                                                null,
                                                null,
                                                "",
                                                null,
                                                Integer.MAX_VALUE,
                                                0))
                                .stream()
                                .map(MovementStore.StoredMovement::movement)
                                .toList(),
                        plans.current(planId).books().items().all(),
                        plans.current(planId).scenarios())
                .with(plans.current(planId)
                        .ledger()
                        .ofLines(id -> plans.current(planId).plan().findLine(id).isPresent())));
    }
}
