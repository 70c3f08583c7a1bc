package ebbtide.track;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.books.Payment;
import ebbtide.money.Money;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.time.Convention;
import ebbtide.time.DaySeries;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.Variance.Row;
import ebbtide.track.Variance.RowKind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A variance split by its reasons (rules 10.3). */
class SplitTest {
    private static final LocalDate THEN = LocalDate.of(2026, 3, 1);
    private static final Period WEEK_1 = new Period(THEN.plusDays(1), THEN.plusDays(8));
    private static final Period WEEK_2 = new Period(THEN.plusDays(8), THEN.plusDays(15));
    private static final Period BOTH = new Period(THEN.plusDays(1), THEN.plusDays(15));
    private static final Line SALES = new Line(
            "sales",
            null,
            "Sales",
            Direction.RECEIPT,
            true,
            null,
            "",
            DatedItems.untaxed(List.of(), Convention.NONE),
            List.of());

    private static BankMovement receipt(LocalDate day, long minor, String item, long less) {
        return new BankMovement(
                "a", day, day, minor, "", "", "", List.of(new AssignedPart("sales", minor, item, less)));
    }

    private static OpenItem invoice(String id, long gross, long open, LocalDate paid) {
        return new OpenItem(
                id,
                OpenItem.Kind.INVOICE,
                id,
                "Party",
                "sales",
                THEN,
                THEN,
                THEN,
                new OpenItem.Amount(gross, 0, false, open),
                paid,
                Handling.NONE,
                null);
    }

    private static Outturn facts(List<OpenItem> items, List<Decision> decisions, BankMovement... movements) {
        List<Account> accounts = List.of(new Account("a", "A", "GB", false, THEN, 0));
        List<BankMovement> all = List.of(movements);
        return new Outturn(
                new Plan(Settings.of("P", Money.currency("GBP"), BOTH.lastDay()), List.of(SALES), List.of()),
                Books.of(accounts, all).with(OpenItems.of(items).settled(BankMovement.settled(all))),
                Payment.of(accounts, all),
                decisions);
    }

    /** Item X of 10,000 in the first week, and an estimate on a day of the second. */
    private static Snapshot snapshot(long estimate, boolean withItem) {
        long[] committed = new long[14];
        committed[2] = withItem ? 1_000_000 : 0;
        long[] estimated = new long[14];
        estimated[9] = estimate;
        return new Snapshot(
                THEN,
                THEN.plusDays(60),
                0,
                List.of(new Snapshot.KeptLine("sales", "Sales", "", Direction.RECEIPT, "")),
                Map.of("sales", new KeptFlows(DaySeries.of(committed), DaySeries.of(estimated))),
                !withItem
                        ? List.of()
                        : List.of(new Snapshot.KeptItem(
                                "x", "sales", "X", "Party", false, THEN, THEN.plusDays(3), 1_000_000, 1_000_000)));
    }

    private static Reasons sales(Snapshot snapshot, Outturn facts, List<Period> windows, Period window) {
        return Variance.of(snapshot, facts, windows, window).rows().stream()
                .filter(row -> row.id().equals("sales"))
                .findFirst()
                .orElseThrow()
                .why();
    }

    /** Worked example W14, to the cent. */
    @Test
    void split_lateInFullAndFinalAndAnUnknownInvoice_isAsWorkedOut() {
        Outturn facts = facts(
                List.of(invoice("x", 1_000_000, 0, THEN.plusDays(10)), invoice("y", 620_000, 0, THEN.plusDays(11))),
                List.of(),
                receipt(THEN.plusDays(10), 940_000, "x", 60_000),
                receipt(THEN.plusDays(11), 620_000, "y", 0));
        Snapshot snapshot = snapshot(500_000, true);
        List<Period> weeks = List.of(WEEK_1, WEEK_2);
        assertThat(sales(snapshot, facts, weeks, WEEK_1)).isEqualTo(new Reasons(-1_000_000, 0, 0, 0, 0));
        assertThat(sales(snapshot, facts, weeks, WEEK_2)).isEqualTo(new Reasons(1_000_000, -60_000, 120_000, 0, 0));
        assertThat(sales(snapshot, facts, List.of(BOTH), BOTH)).isEqualTo(new Reasons(0, -60_000, 120_000, 0, 0));
        assertThat(Variance.details(snapshot, facts, weeks, WEEK_2, "sales"))
                .extracting(Variance.Detail::number, Variance.Detail::forecast, Variance.Detail::actual)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("X", 0L, 940_000L),
                        org.assertj.core.groups.Tuple.tuple("y", 0L, 120_000L),
                        org.assertj.core.groups.Tuple.tuple("", 500_000L, 500_000L));
    }

    @Test
    void item_writtenOffAfterPayingAPart_isGoneByTheRestWhereItStood() {
        Outturn facts = facts(
                List.of(invoice("x", 1_000_000, 0, null)), List.of(), receipt(THEN.plusDays(10), 400_000, "x", 0));
        List<Period> weeks = List.of(WEEK_1, WEEK_2);
        assertThat(sales(snapshot(0, true), facts, weeks, WEEK_1)).isEqualTo(new Reasons(-400_000, 0, 0, -600_000, 0));
        assertThat(sales(snapshot(0, true), facts, weeks, WEEK_2)).isEqualTo(new Reasons(400_000, 0, 0, 0, 0));
    }

    /** The ledger has it as paid, and cash that was put on the line without an item answers for it. */
    @Test
    void item_paidByTheLedgerAlone_isHeldAgainstTheLinesOtherCash() {
        Outturn facts = facts(
                List.of(invoice("x", 1_000_000, 0, THEN.plusDays(3))),
                List.of(),
                receipt(THEN.plusDays(10), 1_000_000, null, 0));
        assertThat(sales(snapshot(0, true), facts, List.of(WEEK_1, WEEK_2), WEEK_1))
                .isEqualTo(new Reasons(-1_000_000, 0, 0, 0, 0));
        assertThat(sales(snapshot(0, true), facts, List.of(BOTH), BOTH)).isEqualTo(Reasons.NONE);
    }

    /**
     * The ledger had it as paid before the snapshot, and its cash came on the line without being settled against it.
     */
    @Test
    void item_underWay_whoseCashWasNotSettled_isNeitherShortNorNew() {
        Snapshot before = snapshot(0, true);
        Snapshot underWay = new Snapshot(
                before.asOf(),
                before.horizonEnd(),
                0,
                before.lines(),
                before.flows(),
                List.of(new Snapshot.KeptItem(
                        "x", "sales", "X", "Party", false, THEN, THEN.plusDays(3), 1_000_000, 0)));
        Outturn facts = facts(
                List.of(invoice("x", 1_000_000, 0, THEN)), List.of(), receipt(THEN.plusDays(4), 1_000_000, null, 0));
        assertThat(sales(underWay, facts, List.of(WEEK_1, WEEK_2), WEEK_1)).isEqualTo(Reasons.NONE);
    }

    /** A credit note takes a part of it, the rest is paid: it came to another amount. */
    @Test
    void item_paidLessACreditNote_cameToAnotherAmount() {
        Outturn facts = facts(
                List.of(invoice("x", 1_000_000, 0, THEN.plusDays(3))),
                List.of(),
                receipt(THEN.plusDays(3), 900_000, "x", 0));
        assertThat(sales(snapshot(0, true), facts, List.of(WEEK_1, WEEK_2), WEEK_1))
                .isEqualTo(new Reasons(0, -100_000, 0, 0, 0));
    }

    /** An order became invoices: what they pay is held against what was expected of it. */
    @Test
    void order_thatWasInvoiced_isAnsweredByItsInvoices() {
        Snapshot before = snapshot(0, true);
        Snapshot ordered = new Snapshot(
                before.asOf(),
                before.horizonEnd(),
                0,
                before.lines(),
                before.flows(),
                List.of(new Snapshot.KeptItem(
                        "x", "sales", "X", "Party", true, THEN, THEN.plusDays(3), 1_000_000, 1_000_000)));
        Outturn facts = facts(
                List.of(
                        new OpenItem(
                                "x",
                                OpenItem.Kind.ORDER,
                                "x",
                                "Party",
                                "sales",
                                THEN,
                                THEN,
                                THEN,
                                new OpenItem.Amount(1_000_000, 0, false, 0),
                                null,
                                Handling.NONE,
                                null),
                        invoice("y", 1_050_000, 0, THEN.plusDays(9))),
                List.of(),
                receipt(THEN.plusDays(9), 1_050_000, "y", 0));
        List<Period> weeks = List.of(WEEK_1, WEEK_2);
        assertThat(sales(ordered, facts, weeks, WEEK_1)).isEqualTo(new Reasons(-1_000_000, 0, 0, 0, 0));
        assertThat(sales(ordered, facts, weeks, WEEK_2)).isEqualTo(new Reasons(1_000_000, 0, 50_000, 0, 0));
    }

    @Test
    void item_leftOutThatPaysAllTheSame_isNew() {
        Snapshot before = snapshot(0, false);
        Snapshot held = new Snapshot(
                before.asOf(),
                before.horizonEnd(),
                0,
                before.lines(),
                before.flows(),
                List.of(new Snapshot.KeptItem("x", "sales", "X", "Party", false, THEN, null, 0, 1_000_000)));
        Outturn facts = facts(
                List.of(invoice("x", 1_000_000, 0, THEN.plusDays(3))),
                List.of(),
                receipt(THEN.plusDays(3), 1_000_000, "x", 0));
        assertThat(sales(held, facts, List.of(WEEK_1, WEEK_2), WEEK_1)).isEqualTo(new Reasons(0, 0, 1_000_000, 0, 0));
    }

    @Test
    void estimate_thatDidNotCome_isOpenUntilItIsCarriedOrDroppedInParts() {
        List<Period> weeks = List.of(WEEK_1, WEEK_2);
        Snapshot snapshot = snapshot(500_000, false);
        assertThat(sales(snapshot, facts(List.of(), List.of()), weeks, WEEK_2))
                .isEqualTo(new Reasons(0, 0, 0, 0, -500_000));
        Decision decided = new Decision(
                "sales", WEEK_2.startInclusive(), WEEK_2.lastDay(), -500_000, -200_000, BOTH.lastDay(), false);
        assertThat(sales(snapshot, facts(List.of(), List.of(decided)), weeks, WEEK_2))
                .isEqualTo(new Reasons(-200_000, -300_000, 0, 0, 0));
        Decision before =
                new Decision("sales", WEEK_2.startInclusive(), WEEK_2.lastDay(), -500_000, -200_000, THEN, false);
        assertThat(sales(snapshot, facts(List.of(), List.of(before)), weeks, WEEK_2))
                .as("decided before the snapshot")
                .isEqualTo(new Reasons(0, 0, 0, 0, -500_000));
    }

    static LongStream seeds() {
        return LongStream.range(0, Asked.of(400));
    }

    private static List<List<Period>> lengths(RandomHistory.Case some) {
        Period all =
                Variance.findComparable(some.snapshot(), some.facts().asOf()).orElseThrow();
        return Stream.concat(
                        Stream.of(Periods.DAY, Periods.WEEK, Periods.MONTH, Periods.QUARTER)
                                .map(some::windows),
                        Stream.of(List.of(all)))
                .toList();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void split_ofAnyHistory_addsUpInEveryLineWindowAndLevel(long seed) {
        RandomHistory.Case some = RandomHistory.of(seed);
        for (List<Period> windows : lengths(some)) {
            for (Period window : windows) {
                Map<String, Row> rows = Variance.of(some.snapshot(), some.facts(), windows, window).rows().stream()
                        .collect(Collectors.toMap(Row::id, Function.identity()));
                rows.values().stream()
                        .filter(row -> row.kind() != RowKind.CLOSING)
                        .forEach(row ->
                                assertThat(row.why().total()).as(row.name()).isEqualTo(row.variance()));
                assertThat(rows.get("net").why())
                        .isEqualTo(rows.get("receipts")
                                .why()
                                .plus(rows.get("payments").why()));
                for (String line : List.of("l0", "l1", "l2", "l3")) {
                    Row row = rows.get(line);
                    List<Variance.Detail> details =
                            Variance.details(some.snapshot(), some.facts(), windows, window, line);
                    if (row == null) {
                        assertThat(details).isEmpty();
                    } else {
                        assertThat(details.stream()
                                        .mapToLong(Variance.Detail::forecast)
                                        .sum())
                                .isEqualTo(row.forecast());
                        assertThat(details.stream()
                                        .mapToLong(Variance.Detail::actual)
                                        .sum())
                                .isEqualTo(row.actual());
                        assertThat(details.stream().map(Variance.Detail::why).reduce(Reasons.NONE, Reasons::plus))
                                .isEqualTo(row.why());
                        List<PartyVariance> parties = PartyVariance.of(details);
                        assertThat(parties.stream().map(PartyVariance::why).reduce(Reasons.NONE, Reasons::plus))
                                .isEqualTo(row.why());
                        assertThat(parties.stream()
                                        .mapToLong(PartyVariance::variance)
                                        .sum())
                                .isEqualTo(row.variance());
                        assertThat(parties)
                                .allSatisfy(
                                        party -> assertThat(party.why().total()).isEqualTo(party.variance()));
                    }
                }
            }
        }
    }

    /**
     * What came at another time comes to nothing over all days, but for what is still expected after them or was
     * expected after them.
     */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void timing_overAllWindows_comesToWhatIsStillUnderWay(long seed) {
        RandomHistory.Case some = RandomHistory.of(seed);
        List<Period> windows = some.windows(Periods.WEEK);
        Map<String, List<Variance.Detail>> details = new HashMap<>();
        for (Snapshot.KeptItem item : some.snapshot().items()) {
            ebbtide.books.OpenItem today = some.facts().item(item.id());
            boolean closed = today != null
                    && today.lineId().equals(item.lineId())
                    && today.amount().open() == 0;
            if (!item.order()
                    && closed
                    && item.minor() != 0
                    && !item.day().isAfter(some.facts().asOf())) {
                List<Variance.Detail> ofLine = details.computeIfAbsent(item.lineId(), line -> windows.stream()
                        .flatMap(window ->
                                Variance.details(some.snapshot(), some.facts(), windows, window, line).stream())
                        .toList());
                long timing = ofLine.stream()
                        .filter(detail -> detail.itemId().equals(item.id()))
                        .mapToLong(detail -> detail.why().timing())
                        .sum();
                assertThat(timing).as(item.id()).isZero();
            }
        }
    }

    /**
     * Whatever is decided: variances stay, what is decided leaves what is open just once, and what is carried is
     * answered by its cash.
     */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void decisions_neitherLoseNorDoubleADifference(long seed) {
        RandomHistory.Case some = RandomHistory.of(seed);
        Random random = new Random(seed);
        List<Period> windows = some.windows(Periods.WEEK);
        List<Map<String, Row>> undecided = rows(some, windows);
        List<Decision> decisions = new ArrayList<>();
        for (String line : List.of("l0", "l1", "l2")) {
            long open = undecided.stream()
                    .mapToLong(rows -> rows.get(line).why().open())
                    .sum();
            long carried = (long) (open * random.nextDouble());
            decisions.add(new Decision(
                    line,
                    RandomHistory.THEN.plusDays(1),
                    some.facts().asOf(),
                    open,
                    carried,
                    some.facts().asOf(),
                    random.nextBoolean()));
        }
        List<Map<String, Row>> decided = rows(some.with(decisions), windows);
        for (Decision one : decisions) {
            long open = 0;
            long moved = 0;
            for (int i = 0; i < windows.size(); i++) {
                Row before = undecided.get(i).get(one.lineId());
                Row after = decided.get(i).get(one.lineId());
                assertThat(after.why().total()).isEqualTo(before.variance()).isEqualTo(after.variance());
                assertThat(after.why().gone()).isEqualTo(before.why().gone());
                open += after.why().open();
                moved += after.why().timing() - before.why().timing();
                assertThat(after.why().timing()
                                - before.why().timing()
                                + after.why().amount()
                                - before.why().amount())
                        .isEqualTo(before.why().open() - after.why().open());
            }
            assertThat(open).as("all of it was decided").isZero();
            assertThat(moved).as("what was carried is a matter of time").isEqualTo(one.carried());
        }
    }

    /** The rows of each window by their ids. */
    private static List<Map<String, Row>> rows(RandomHistory.Case some, List<Period> windows) {
        return windows.stream()
                .map(window -> Variance.of(some.snapshot(), some.facts(), windows, window).rows().stream()
                        .collect(Collectors.toMap(Row::id, Function.identity())))
                .toList();
    }

    /** A difference that was carried comes in a later window: it was a matter of time in both, and nothing is open. */
    @Test
    void carriedAmount_whenItComes_isTimingInBothWindows() {
        Period third = new Period(WEEK_2.endExclusive(), WEEK_2.endExclusive().plusDays(7));
        OpenDifferences open = new OpenDifferences(
                List.of(WEEK_1, WEEK_2, third),
                List.of(new Decision(
                        "sales", WEEK_1.startInclusive(), WEEK_1.lastDay(), -500, -300, WEEK_2.lastDay(), false)),
                THEN);
        open.next(0, -500);
        open.next(1, 0);
        open.next(2, 400);
        assertThat(open.in(0)).isEqualTo(new Reasons(-300, -200, 0, 0, 0));
        assertThat(open.in(2))
                .as("the hundred beyond what was carried answers nothing: the rest was dropped")
                .isEqualTo(new Reasons(300, 0, 0, 0, 100));
    }

    /** Of what was not invoiced the cash was to come later: it is answered as it comes short. */
    @Test
    void decisionAheadOfItsCash_answersTheWindowsThatComeShort() {
        OpenDifferences open = new OpenDifferences(
                List.of(WEEK_1, WEEK_2),
                List.of(new Decision(
                        "sales", WEEK_1.startInclusive(), WEEK_1.lastDay(), -500, -300, WEEK_1.lastDay(), true)),
                THEN);
        open.next(0, 0);
        open.next(1, -600);
        assertThat(open.in(1)).isEqualTo(new Reasons(-300, -200, 0, 0, -100));
    }
}
