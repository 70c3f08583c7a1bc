package ebbtide.app.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.app.InMemory;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.WholePlans;
import ebbtide.app.storage.MovementStore.Query;
import ebbtide.app.storage.MovementStore.Which;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.money.Money;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * What a program leaves that was killed while it kept a file, as the next start finds it: it takes up what anybody is
 * keeping, so nobody may.
 */
@InMemory
@ResourceLock(InMemory.BEING_KEPT)
class CutOffTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 1);

    @Autowired
    private Edits edits;

    @Autowired
    private WholePlans whole;

    @Autowired
    private Plans plans;

    @Autowired
    private Stores stores;

    private String plan() {
        return whole.add(new PlanDocument(
                new Plan(Settings.of("P", Money.currency("GBP"), DAY), List.of(), List.of()),
                List.of(new Account("a", "A", "GB", false, DAY, 0)),
                List.of(),
                List.of()));
    }

    private static BankMovement movement(int number) {
        LocalDate day = DAY.plusDays(number % 12);
        return new BankMovement("a", day, day, -10 - number % 990, "Text " + number % 7, "", "REF" + number, List.of());
    }

    /**
     * What a killed program leaves: nothing of it counts, nothing of it is known when the file comes again, and a start
     * takes it up and says so.
     */
    @Test
    void lay_cutOffBetweenBatches_countsForNothing_andIsTakenUpAtTheNextStart() {
        String plan = plan();
        List<BankMovement> many =
                IntStream.range(0, 25_000).mapToObj(i -> movement(i)).toList();
        StatementStore.ArrivingStatement arriving = StatementStore.ArrivingStatement.of("a", "big.csv", many);
        stores.statements().begin(plan, "s-" + plan, arriving);
        int[] batches = {0};
        StatementLaying laying = stores.statements().laying(plan, "s-" + plan, arriving, () -> {
            if (++batches[0] == 3) {
                throw new Killed();
            }
        });
        assertThatThrownBy(() -> {
                    many.forEach(laying::take);
                    laying.end();
                })
                .isInstanceOf(Killed.class);
        assertThat(stores.movements().find(plan, new Query(null, Which.ALL, null, null, "", null, 10, 0)))
                .isEmpty();
        assertThat(plans.current(plan).books().cash(DAY.plusDays(40))).isZero();
        assertThat(stores.statements().takeUpAtStart().stream()
                        .filter(one -> one.planId().equals(plan)))
                .singleElement()
                .satisfies(one -> assertThat(one.sentence())
                        .isEqualTo(
                                "The bringing in of 'big.csv' was cut off: none of its movements counts (20000 had been laid down and were taken up). "
                                        + "Bring the file in again"));
        assertThat(stores.movements()
                        .booksOf(plan, stores.accounts().all(plan), "s-" + plan)
                        .books()
                        .byAccount())
                .isEmpty();
        int[] added = {0};
        edits.edit(
                plan,
                "again",
                draft -> added[0] = draft.books().addStatement("again" + plan.substring(0, 8), "a", "big.csv", many));
        assertThat(added[0]).isEqualTo(25_000);
        assertThat(stores.statements().cutOff(plan)).as("brought in again").isEmpty();
        assertThat(plans.current(plan).books().cash(DAY.plusDays(40)))
                .isEqualTo(many.stream()
                        .filter(m -> m.bookingDate().isAfter(DAY))
                        .mapToLong(BankMovement::minor)
                        .sum());
    }

    /** Who has seen that a file is being kept is told that it was cut off, however early that was. */
    @Test
    void begin_cutOffBeforeTheFirstMovement_isSaidAtTheNextStart() {
        String plan = plan();
        stores.statements()
                .begin(plan, "s-" + plan, StatementStore.ArrivingStatement.of("a", "small.csv", List.of(movement(1))));
        assertThat(stores.statements().takeUpAtStart().stream()
                        .filter(one -> one.planId().equals(plan)))
                .singleElement()
                .satisfies(
                        one -> assertThat(one.sentence())
                                .startsWith(
                                        "The bringing in of 'small.csv' was cut off: none of its movements counts (0 had been laid down"));
        assertThat(stores.statements().all(plan)).isEmpty();
    }

    /** Nothing catches it, as nothing catches a kill. */
    private static final class Killed extends Error {
        private static final long serialVersionUID = 1L;
    }
}
