package ebbtide.app.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.app.InMemory;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.WholePlans;
import ebbtide.app.storage.MovementStore.Query;
import ebbtide.app.storage.MovementStore.StoredMovement;
import ebbtide.app.storage.MovementStore.Which;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.money.Money;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.time.Convention;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * Bank movements in the database: laid down whole or not at all, and found as one would by reading through them all.
 */
@InMemory
class MovementsTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 1);

    @Autowired
    private Edits edits;

    @Autowired
    private WholePlans whole;

    @Autowired
    private Plans plans;

    @Autowired
    private Stores stores;

    @Autowired
    private WordSearch search;

    private final Random random = new Random(31);

    private String plan() {
        List<Account> accounts =
                List.of(new Account("a", "A", "GB", false, DAY, 0), new Account("b", "B", "GB", true, DAY, 0));
        return whole.add(new PlanDocument(
                new Plan(Settings.of("P", Money.currency("GBP"), DAY), List.of(line("x"), line("y")), List.of()),
                accounts,
                List.of(),
                List.of()));
    }

    private static Line line(String id) {
        return new Line(
                id,
                null,
                id,
                Direction.PAYMENT,
                true,
                null,
                "",
                DatedItems.untaxed(List.of(), Convention.NONE),
                List.of());
    }

    private BankMovement some(String account, int number) {
        LocalDate day = DAY.plusDays(random.nextInt(12));
        long minor = -10 - random.nextInt(990);
        AssignedPart whole = new AssignedPart(random.nextBoolean() ? "x" : null, minor);
        AssignedPart half = new AssignedPart("y", minor / 2);
        List<AssignedPart> parts =
                List.of(List.<AssignedPart>of(), List.of(whole), List.of(half)).get(random.nextInt(3));
        return new BankMovement(
                account,
                day,
                day,
                minor,
                "Text " + number % 7,
                number % 3 == 0 ? "Ice House" : "",
                "REF" + number,
                parts);
    }

    private void bring(String plan, String statement, String account, List<BankMovement> movements) {
        edits.edit(plan, statement, draft -> draft.books()
                .addStatement(statement + plan.substring(0, 8), account, statement, movements));
    }

    private static Predicate<BankMovement> fitting(Query query) {
        String words = query.words().toLowerCase(java.util.Locale.ROOT);
        return m -> (query.account() == null || m.account().equals(query.account()))
                && (query.which() != Which.UNASSIGNED || m.unassigned() != 0)
                && (query.which() != Which.ASSIGNED || !m.parts().isEmpty())
                && (query.from() == null || !m.bookingDate().isBefore(query.from()))
                && (query.to() == null || !m.bookingDate().isAfter(query.to()))
                && (m.text() + " " + m.counterparty() + " " + m.reference())
                        .toLowerCase(java.util.Locale.ROOT)
                        .contains(words)
                && (query.lineId() == null
                        || m.parts().stream().anyMatch(part -> query.lineId().equals(part.lineId())));
    }

    private Query someQuery(int limit, int offset) {
        return new Query(
                random.nextInt(3) == 0 ? "a" : null,
                Which.values()[random.nextInt(3)],
                random.nextInt(3) == 0 ? DAY.plusDays(random.nextInt(12)) : null,
                random.nextInt(3) == 0 ? DAY.plusDays(random.nextInt(12)) : null,
                List.of("", "", "text 3", "ice", "ref1").get(random.nextInt(5)),
                random.nextInt(4) == 0 ? "x" : null,
                limit,
                offset);
    }

    @Test
    void find_anyQuestion_givesWhatReadingThroughAllWouldNewestFirst() {
        String plan = plan();
        List<BankMovement> as =
                IntStream.range(0, 120).mapToObj(i -> some("a", i)).toList();
        List<BankMovement> bs =
                IntStream.range(0, 60).mapToObj(i -> some("b", i)).toList();
        bring(plan, "one", "a", as);
        bring(plan, "two", "b", bs);
        bring(
                plan,
                "undone",
                "a",
                IntStream.range(500, 530).mapToObj(i -> some("a", i)).toList());
        edits.undo(plan);
        // Of one day, what came in later stands first.
        List<BankMovement> all = new ArrayList<>(as);
        all.addAll(bs);
        Collections.reverse(all);
        all.sort((one, other) -> other.bookingDate().compareTo(one.bookingDate()));
        for (int i = 0; i < 200; i++) {
            int limit = 1 + random.nextInt(40);
            int offset = random.nextInt(3) * 20;
            Query query = someQuery(limit, offset);
            assertThat(stores.movements().find(plan, query).stream().map(StoredMovement::movement))
                    .as("%s", query)
                    .containsExactlyElementsOf(all.stream()
                            .filter(fitting(query))
                            .skip(offset)
                            .limit(limit)
                            .toList());
            assertThat(search.find(plan, query, Duration.ofDays(1)))
                    .as("slice by slice, %s", query)
                    .isEqualTo(new WordSearch.Found(stores.movements().find(plan, query), null));
            Query whole = new Query(
                    query.account(), query.which(), query.from(), query.to(), query.words(), query.lineId(), 1_000, 0);
            WordSearch.Found begun = search.find(plan, whole, Duration.ZERO);
            assertThat(begun.movements().stream().map(StoredMovement::movement))
                    .containsExactlyElementsOf(all.stream()
                            .filter(fitting(whole))
                            .filter(m -> begun.searchedBackTo() == null
                                    || !m.bookingDate().isBefore(begun.searchedBackTo()))
                            .toList());
        }
    }

    /** Files that overlap, in any order of their rows: of each movement there are as many as any one file has of it. */
    @Test
    void statements_thatOverlapInAnyOrder_addWhatIsNotThereYet() {
        String plan = plan();
        List<BankMovement> known =
                IntStream.range(0, 40).mapToObj(i -> some("a", i)).distinct().toList();
        Map<BankMovement, Integer> there = new HashMap<>();
        for (int file = 0; file < 12; file++) {
            List<BankMovement> rows = new ArrayList<>();
            for (int i = random.nextInt(60); i >= 0; i--) {
                BankMovement one = known.get(random.nextInt(known.size()));
                rows.addAll(Collections.nCopies(1 + random.nextInt(2), one));
            }
            Collections.shuffle(rows, random);
            Map<BankMovement, Integer> inFile = new HashMap<>();
            rows.forEach(one -> inFile.merge(one, 1, Integer::sum));
            inFile.forEach((one, times) -> there.merge(one, times, Math::max));
            bring(plan, "file " + file, "a", rows);
            Map<BankMovement, Integer> found = new HashMap<>();
            whole.document(plan).movements().forEach(one -> found.merge(one, 1, Integer::sum));
            assertThat(found).as("after file %d", file).isEqualTo(there);
        }
    }

    @Test
    void lay_endedBetweenBatches_leavesNothingAndCanBeDoneAgain() {
        String plan = plan();
        List<BankMovement> many =
                IntStream.range(0, 25_000).mapToObj(i -> some("a", i)).toList();
        StatementStore.ArrivingStatement arriving = StatementStore.ArrivingStatement.of("a", "big.csv", many);
        stores.statements().begin(plan, "s-" + plan, arriving);
        int[] batches = {0};
        StatementLaying laying = stores.statements().laying(plan, "s-" + plan, arriving, () -> {
            if (++batches[0] == 3) {
                throw new IllegalStateException("stopped by hand");
            }
        });
        assertThatThrownBy(() -> {
                    many.forEach(laying::take);
                    laying.end();
                })
                .hasMessage("stopped by hand");
        stores.statements().takeUp(plan, "s-" + plan);
        assertThat(stores.movements()
                        .booksOf(plan, stores.accounts().all(plan), "s-" + plan)
                        .books()
                        .byAccount())
                .isEmpty();
        assertThat(stores.statements().all(plan)).isEmpty();
        bring(plan, "again", "a", many);
        long sum = many.stream().mapToLong(BankMovement::minor).sum();
        assertThat(plans.current(plan).books().cash(DAY.plusDays(40)))
                .isEqualTo(many.stream()
                        .filter(m -> m.bookingDate().isAfter(DAY))
                        .mapToLong(BankMovement::minor)
                        .sum());
        assertThat(whole.document(plan).movements().stream()
                        .mapToLong(BankMovement::minor)
                        .sum())
                .isEqualTo(sum);
        assertThat(plans.current(plan).unassigned())
                .isEqualTo((int) many.stream().filter(m -> m.unassigned() != 0).count());
    }
}
