package ebbtide.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.app.InMemory;
import ebbtide.app.people.Rights;
import ebbtide.app.storage.BooksWithCount;
import ebbtide.app.storage.Fingerprint;
import ebbtide.app.storage.LineStore;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.MovementStore;
import ebbtide.app.storage.StatementStore;
import ebbtide.app.storage.Stores;
import ebbtide.app.storage.UndoableStore;
import ebbtide.books.Account;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.forecast.RandomPlans;
import ebbtide.formats.plan.BrokenPlan;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.plan.Buoy;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Settings;
import ebbtide.sim.DemoCompany;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.track.Snapshot;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/** What is kept comes back the same; every edit can be undone and redone, and nothing is kept by halves. */
@InMemory
@Order(1)
class EditsTest {
    @Autowired
    private Edits edits;

    @Autowired
    private WholePlans whole;

    @Autowired
    private Plans plans;

    @Autowired
    private Stores stores;

    @Autowired
    private List<UndoableStore> kept;

    @Autowired
    private TransactionTemplate transaction;

    @Autowired
    private JdbcClient client;

    @Autowired
    private Rights rights;

    private static PlanDocument randomDocument(long seed) {
        RandomPlans.Case some = RandomPlans.of(seed);
        List<BankMovement> movements = new ArrayList<>();
        some.books().byLine().forEach((line, flows) -> flows.stream()
                .filter(f -> f.minor() != 0)
                .forEach(f -> {
                    movements.add(new BankMovement(
                            "a0",
                            f.day(),
                            f.day(),
                            f.minor(),
                            "FOR " + line,
                            "",
                            "",
                            List.of(new AssignedPart(line, f.minor()))));
                    movements.add(new BankMovement("a1", f.day(), f.day(), f.minor(), "OPEN", "", "", List.of()));
                }));
        return new PlanDocument(some.plan(), some.books().accounts(), List.of(), movements);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void plan_kept_comesBackTheSameWithTheSameBooks(long seed) {
        PlanDocument document = randomDocument(seed);
        String plan = whole.add(document);
        PlanDocument back = whole.document(plan);
        assertThat(back.plan()).isEqualTo(document.plan());
        assertThat(back.accounts()).isEqualTo(document.accounts());
        assertThat(back.movements()).containsExactlyInAnyOrderElementsOf(document.movements());
        Books books = plans.current(plan).books();
        Books added = document.books();
        for (int day = -120; day < 30; day++) {
            LocalDate date = document.plan().settings().asOf().plusDays(day);
            assertThat(books.cash(date)).isEqualTo(added.cash(date));
        }
        assertThat(sum(books.unassignedIn())).isEqualTo(sum(added.unassignedIn()));
        added.byLine().forEach((line, flows) -> assertThat(sum(books.byLine().getOrDefault(line, List.of())))
                .isEqualTo(sum(flows)));
    }

    private static long sum(List<ebbtide.books.DayAmount> amounts) {
        return amounts.stream().mapToLong(ebbtide.books.DayAmount::minor).sum();
    }

    /** Random edits of every kind: all undone the plan is as it was, all redone as it became. */
    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25, 26})
    void edits_allUndoneThenRedone_leaveThePlanAsItWasThenAsItBecame(long seed) {
        String plan = whole.add(randomDocument(seed));
        PlanDocument was = whole.document(plan);
        Random random = new Random(seed);
        int made = 0;
        for (int i = 0; i < 25; i++) {
            long before = plans.current(plan).version();
            edits.edit(plan, before, "edit " + i, someEdit(plan, random, i));
            booksAreAsAddedUpAnew(plan);
            made += plans.current(plan).version() > before ? 1 : 0;
        }
        assertThat(made).isGreaterThan(15);
        PlanDocument became = whole.document(plan);
        for (int i = 0; i < made; i++) {
            edits.undo(plan);
            booksAreAsAddedUpAnew(plan);
        }
        assertThat(InOrder.of(whole.document(plan))).isEqualTo(InOrder.of(was));
        assertThatThrownBy(() -> edits.undo(plan)).hasMessageStartingWith("There is nothing to undo");
        for (int i = 0; i < made; i++) {
            edits.redo(plan);
            booksAreAsAddedUpAnew(plan);
        }
        assertThat(InOrder.of(whole.document(plan))).isEqualTo(InOrder.of(became));
        assertThat(whole.document(plan).plan().lines()).isEqualTo(became.plan().lines());
    }

    private void booksAreAsAddedUpAnew(String plan) {
        BooksWithCount anew = stores.movements().books(plan, stores.accounts().all(plan));
        assertThat(plans.current(plan).books()).isEqualTo(anew.books());
        assertThat(plans.current(plan).unassigned()).isEqualTo(anew.unassigned());
        assertThat(anew.books())
                .as("in the core as in the database")
                .isEqualTo(whole.document(plan).books());
    }

    private Consumer<Draft> someEdit(String plan, Random random, int i) {
        List<LineStore.PlacedLine> lines = stores.lines().all(plan);
        LineStore.PlacedLine placed = lines.get(random.nextInt(lines.size()));
        Line line = placed.line();
        LocalDate asOf = plans.current(plan).plan().settings().asOf();
        List<MovementStore.StoredMovement> movements = stores.movements()
                .find(plan, new MovementStore.Query(null, MovementStore.Which.UNASSIGNED, null, null, "", null, 50, 0));
        return switch (random.nextInt(9)) {
            case 0 -> draft -> draft.putLine(renamed(line, "Renamed " + i), placed.position());
            case 1 -> draft -> draft.putLine(line, placed.position() + 3.5);
            case 2 ->
                draft -> {
                    if (lines.size() > 2 && lines.stream().noneMatch(other -> refersTo(other.line(), line.id()))) {
                        draft.removeLine(line.id());
                    }
                };
            case 3 ->
                draft ->
                        draft.putSettings(withHorizon(plans.current(plan).plan().settings(), 1 + random.nextInt(40)));
            case 4 ->
                draft -> draft.putBuoy(new Buoy("b" + i, line.id(), new Period(asOf, asOf.plusDays(7)), "look " + i));
            case 5 -> draft -> draft.putRule(new AssignRule("r" + i, "words", "", null, 1, null, null, null));
            case 6 ->
                draft -> draft.books()
                        .addStatement(
                                "s" + plan.substring(0, 8) + i,
                                "a0",
                                "file " + i,
                                List.of(new BankMovement(
                                        "a0",
                                        asOf.plusDays(1),
                                        asOf.plusDays(1),
                                        100 + i,
                                        "NEW " + i,
                                        "",
                                        "",
                                        List.of())));
            case 7 ->
                draft -> {
                    Account account = stores.accounts().all(plan).get(random.nextInt(3));
                    draft.books()
                            .putAccount(new Account(
                                    account.id(),
                                    account.name(),
                                    account.country(),
                                    !account.restricted(),
                                    account.balanceDate(),
                                    account.balance() + i));
                };
            default ->
                draft -> movements.stream()
                        .limit(3)
                        .filter(m -> m.movement().unassigned() != 0)
                        .forEach(m -> {
                            List<AssignedPart> parts =
                                    new ArrayList<>(m.movement().parts());
                            parts.add(new AssignedPart(null, m.movement().unassigned()));
                            draft.books().putParts(m.id(), parts);
                        });
        };
    }

    private static boolean refersTo(Line line, String id) {
        return id.equals(line.group()) || line.reads().contains(id);
    }

    private static Line renamed(Line line, String name) {
        return new Line(
                line.id(),
                line.group(),
                name,
                line.direction(),
                line.active(),
                line.account(),
                line.note(),
                line.assumption(),
                line.overrides(),
                line.nature());
    }

    private static Settings withHorizon(Settings s, int months) {
        return new Settings(
                s.name(),
                s.currency(),
                s.asOf(),
                s.firstDayOfWeek(),
                s.firstFiscalMonth(),
                months,
                s.amountSteps(),
                s.minimumCash(),
                s.facility(),
                s.countedReceipts(),
                s.countedPayments(),
                s.cashRate(),
                s.terms(),
                s.documents());
    }

    /** An edit that is made while a plan is first read is there afterwards, whichever of the two is first. */
    @Test
    void edit_whileThePlanIsFirstRead_isSeen() {
        String plan = whole.add(DemoCompany.document());
        LineStore whileEdited = new LineStore(client, stores.plans()) {
            @Override
            public List<PlacedLine> all(String planId) {
                List<PlacedLine> read = super.all(planId);
                if (plans.current(planId).version() == 1) {
                    CompletableFuture.runAsync(() -> edits.edit(
                                    planId,
                                    1,
                                    "renamed",
                                    draft -> draft.putLine(
                                            renamed(
                                                    plans.current(planId)
                                                            .plan()
                                                            .findLine("shop")
                                                            .orElseThrow(),
                                                    "Farm shop"),
                                            5.5)))
                            .join();
                }
                return read;
            }
        };
        Stores slow = new Stores(
                stores.plans(),
                whileEdited,
                stores.buoys(),
                stores.accounts(),
                stores.rules(),
                stores.movements(),
                stores.statements(),
                stores.bankNumbers(),
                stores.snapshots(),
                stores.items(),
                stores.rolls(),
                stores.notes(),
                stores.scenarios(),
                stores.ledgers(),
                stores.log());
        Plans started = new Plans(slow, rights, transaction, new ShownPlans());
        started.current(plan);
        assertThat(started.current(plan).version()).isEqualTo(2);
        assertThat(started.current(plan).plan().findLine("shop").orElseThrow().name())
                .isEqualTo("Farm shop");
    }

    @Test
    void edit_thatBreaksThePlan_isRefusedWholeAndLeavesNoTrace() {
        String plan = whole.add(DemoCompany.document());
        assertThatThrownBy(() -> edits.edit(plan, 1, "delete a group", draft -> {
                    draft.removeRule("rule-card");
                    draft.removeLine("group-goods");
                }))
                .isInstanceOf(BrokenPlan.class)
                .hasMessageContaining("group");
        assertThat(plans.current(plan).version()).isEqualTo(1);
        assertThat(whole.document(plan).plan()).isEqualTo(DemoCompany.document().plan());
        assertThat(stores.rules().all(plan)).hasSize(5);
        assertThat(stores.log().latest(plan, 10)).isEmpty();
    }

    @Test
    void snapshot_keptThenLinesChanged_staysAsItWas() {
        String plan = whole.add(DemoCompany.document());
        Snapshot taken = Snapshot.of(
                plans.current(plan).forecast(),
                line -> Fingerprint.of(line, plans.current(plan).currency()));
        edits.edit(
                plan,
                1,
                "snapshot",
                draft -> draft.addSnapshot(plan, "One", "", plans.current(plan).forecast()));
        edits.edit(plan, 2, "delete", draft -> draft.removeLine("shop"));
        Snapshot back = stores.snapshots().get(plan, plan, taken.horizonEnd());
        assertThat(back).isEqualTo(taken);
        assertThat(back.closing(LocalDate.of(2026, 5, 20))).isEqualTo(taken.closing(LocalDate.of(2026, 5, 20)));
    }

    @Test
    void line_deleted_makesItsMovementsUnassignedAndUndoAssignsThemAgain() {
        String plan = whole.add(DemoCompany.document());
        edits.edit(plan, 1, "delete", draft -> draft.removeLine("shop"));
        assertThat(plans.current(plan).unassigned()).isGreaterThan(100);
        edits.undo(plan);
        assertThat(plans.current(plan).unassigned()).isZero();
    }

    @Test
    void statement_sameTwiceOverlappingOrWithTwins_addsEveryMovementOnce() {
        Account account = new Account("a", "A", "GB", false, LocalDate.of(2026, 3, 1), 0);
        String plan = whole.add(new PlanDocument(
                new ebbtide.plan.Plan(
                        Settings.of("P", ebbtide.money.Money.currency("GBP"), LocalDate.of(2026, 3, 1)),
                        List.of(line()),
                        List.of()),
                List.of(account),
                List.of(),
                List.of()));
        BankMovement coffee = movement(2, -300, "COFFEE");
        BankMovement rent = movement(3, -90_000, "RENT");
        assertThat(bring(plan, "one", List.of(coffee, coffee, rent))).isEqualTo(3);
        assertThat(bring(plan, "again", List.of(coffee, coffee, rent))).isZero();
        assertThat(bring(plan, "overlapping", List.of(rent, movement(4, -100, "TEA"), coffee, coffee, coffee)))
                .isEqualTo(2);
        edits.undo(plan);
        assertThat(plans.current(plan).books().cash(LocalDate.of(2026, 3, 9))).isEqualTo(-90_600);
        assertThat(stores.statements().all(plan))
                .extracting(StatementStore.StatementListed::fileName)
                .containsExactly("one");
        assertThat(bring(plan, "later", List.of(movement(4, -100, "TEA")))).isEqualTo(1);
    }

    private int bring(String plan, String name, List<BankMovement> movements) {
        int[] added = {0};
        edits.edit(
                plan,
                name,
                draft -> added[0] = draft.books().addStatement(name + plan.substring(0, 8), "a", name, movements));
        return added[0];
    }

    private static BankMovement movement(int day, long minor, String text) {
        LocalDate date = LocalDate.of(2026, 3, day);
        return new BankMovement("a", date, date, minor, text, "", "", List.of());
    }

    private static Line line() {
        return new Line(
                "x",
                null,
                "X",
                Direction.PAYMENT,
                true,
                null,
                "",
                DatedItems.untaxed(List.of(), Convention.NONE),
                List.of());
    }
}
