package ebbtide.track;

import static org.assertj.core.api.Assertions.assertThat;

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
import ebbtide.time.Periods;
import ebbtide.track.Accuracy.Closing;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** How far forecasts were off by how far ahead they looked, worked out by hand (rules 10.4). */
class AccuracyTest {
    /** A Thursday: the part week after it is lead 0, and the first whole week begins four days later. */
    private static final LocalDate FIRST = LocalDate.of(2026, 1, 1);

    private static final List<Account> ACCOUNTS = List.of(new Account("a", "A", "GB", false, FIRST, 50_000));

    private static Line line(String id, Direction direction) {
        return new Line(
                id, null, id, direction, true, null, "", DatedItems.untaxed(List.of(), Convention.NONE), List.of());
    }

    private static BankMovement booked(LocalDate day, long minor, String line, String item) {
        return new BankMovement("a", day, day, minor, "", "", "", List.of(new AssignedPart(line, minor, item, 0)));
    }

    private static DaySeries days(int length, Map<Integer, Long> on) {
        long[] days = new long[length];
        on.forEach((day, minor) -> days[day - 1] = minor);
        return DaySeries.of(days);
    }

    /**
     * A forecast of sales in the first two whole weeks, and of costs in the first, with one open item in the second
     * week that is due in the first.
     */
    private static Snapshot snapshot(LocalDate asOf, long first, long second, long costs) {
        return new Snapshot(
                asOf,
                asOf.plusDays(60),
                50_000,
                List.of(
                        new Snapshot.KeptLine("sales", "sales", "", Direction.RECEIPT, ""),
                        new Snapshot.KeptLine("costs", "costs", "", Direction.PAYMENT, "")),
                Map.of(
                        "sales",
                        new KeptFlows(days(30, Map.of(12, 300L)), days(30, Map.of(2, 777L, 5, first, 12, second))),
                        "costs",
                        new KeptFlows(DaySeries.NIL, days(30, Map.of(6, -costs)))),
                List.of(new Snapshot.KeptItem(
                        "x", "sales", "X", "Gull Ltd", false, asOf.plusDays(6), asOf.plusDays(12), 300, 300)));
    }

    private static Accuracy measured(List<Snapshot> snapshots) {
        List<BankMovement> movements = List.of(
                booked(FIRST.minusDays(359), 900, "sales", null),
                booked(FIRST.plusDays(5), 1_000, "sales", null),
                booked(FIRST.plusDays(6), -400, "costs", null),
                booked(FIRST.plusDays(11), 500, "sales", null),
                booked(FIRST.plusDays(12), 300, "sales", "x"),
                booked(FIRST.plusDays(19), 2_000, "sales", null));
        Plan plan = new Plan(
                Settings.of("P", Money.currency("GBP"), FIRST.plusDays(24)),
                List.of(line("sales", Direction.RECEIPT), line("costs", Direction.PAYMENT)),
                List.of());
        OpenItem item = new OpenItem(
                "x",
                OpenItem.Kind.INVOICE,
                "X",
                "Gull Ltd",
                "sales",
                FIRST,
                FIRST,
                FIRST.plusDays(6),
                new OpenItem.Amount(300, 0, false, 0),
                FIRST.plusDays(12),
                Handling.NONE,
                null);
        Accuracy accuracy = new Accuracy(
                new Outturn(
                        plan,
                        Books.of(ACCOUNTS, movements).with(OpenItems.of(List.of(item))),
                        Payment.of(ACCOUNTS, movements),
                        List.of()),
                Periods.WEEK,
                13,
                "sales");
        snapshots.forEach(accuracy::add);
        return accuracy;
    }

    @Test
    void accuracy_byLead_sumsMissesOverWhatHappened() {
        Accuracy accuracy =
                measured(List.of(snapshot(FIRST, 1_200, 400, 500), snapshot(FIRST.plusDays(7), 900, 1_500, 0)));
        Map<String, MeasuredRow> rows =
                accuracy.rows().stream().collect(Collectors.toMap(MeasuredRow::id, Function.identity()));
        // Lead 1: weeks of 5 Jan (1,200 against 1,000) and of 12 Jan (900 against 800).
        assertThat(rows.get("sales").errors().get(0)).isEqualTo(new ForecastError(2, 200 + 100, 1_000 + 800, 300));
        assertThat(rows.get("sales").errors().get(0).wapeHundredths()).isEqualTo(1_667);
        // Lead 2: weeks of 12 Jan (400 + 300 against 800) and of 19 Jan (1,500 + 300 against 2,000).
        assertThat(rows.get("sales").errors().get(1)).isEqualTo(new ForecastError(2, 100 + 200, 800 + 2_000, -300));
        // Costs: 500 against 400, in their own direction too much was forecast; nothing happened the week after.
        assertThat(rows.get("costs").errors().get(0)).isEqualTo(new ForecastError(2, 100, 400, 100));
        assertThat(rows.get("costs").errors().get(1).wapeHundredths())
                .as("none happened")
                .isNull();
        // The net of summed weeks: 700 against 600, and 900 against 800.
        assertThat(rows.get("net").errors().get(0)).isEqualTo(new ForecastError(2, 200, 1_400, 200));
        // On its due date the item falls in the first week: 1,500 against 1,000, and 1,200 against 800.
        assertThat(rows.get("sales").dueDates().get(0)).isEqualTo(new ForecastError(2, 900, 1_800, 900));
        assertThat(accuracy.record(1)).extracting(Accuracy.Point::forecast).containsExactly(1_200L, 900L);
        assertThat(accuracy.parties()).singleElement().satisfies(row -> {
            assertThat(row.name()).isEqualTo("Gull Ltd");
            assertThat(row.errors().get(1)).isEqualTo(new ForecastError(2, 300, 300, 300));
        });
        assertThat(accuracy.costs(2)).first().satisfies(cost -> {
            assertThat(cost.id()).isEqualTo("sales");
            assertThat(cost.missed()).isEqualTo(600);
            assertThat(cost.shareHundredths()).isEqualTo(8_571);
        });
    }

    /** The year before is measured where books reach so far back: from the week of 5 January 2025 plus 52 weeks on. */
    @Test
    void rivalOfLastYear_isMeasuredWhereBooksReachBack() {
        Accuracy accuracy = measured(List.of(snapshot(FIRST.plusDays(7), 900, 1_500, 0)));
        MeasuredRow sales = accuracy.rows().stream()
                .filter(row -> row.id().equals("sales"))
                .findFirst()
                .orElseThrow();
        assertThat(sales.lastYear().get(0))
                .as("the week after the one in which the books begin")
                .isEqualTo(new ForecastError(1, 800, 800, -800));
        Accuracy before = measured(List.of(snapshot(FIRST, 1_200, 400, 500)));
        assertThat(before.rows().stream()
                        .filter(row -> row.id().equals("sales"))
                        .findFirst()
                        .orElseThrow()
                        .lastYear()
                        .get(0)
                        .periods())
                .isZero();
    }

    @Test
    void closingMiss_isTheMeanOfWhatClosingCashWasOff() {
        Accuracy accuracy = measured(List.of(snapshot(FIRST, 1_200, 400, 500)));
        // The week's end: 50,000 + 777 + 1,200 - 500 against 50,000 + 1,000 - 400.
        assertThat(accuracy.closingMiss().get(0)).isEqualTo(877);
    }

    /**
     * Errors 1 to n of a lead, one a week: the middle eight tenths reach from a tenth in to a tenth in, and what came
     * true is told from what was known.
     */
    @ParameterizedTest
    @ValueSource(ints = {7, 8, 26})
    void band_reachesOverTheMiddleOfPastErrors(int errors) {
        List<Closing> record = new ArrayList<>();
        for (int i = 0; i < errors; i++) {
            record.add(new Closing(
                    FIRST.plusWeeks(i), FIRST.plusWeeks(i + 1), 1, 1_000, 1_000 + 10L * ((i * 5) % errors)));
        }
        Band band = Band.of(record);
        if (errors < Band.FEWEST) {
            assertThat(band.reaches()).isEmpty();
            assertThat(band.tried()).isZero();
        } else {
            int out = errors / 10;
            assertThat(band.reaches()).containsExactly(new Band.Reach(1, 10L * out, 10L * (errors - 1 - out)));
            assertThat(band.tried())
                    .as("each was tried that had eight before it")
                    .isEqualTo(errors - Band.FEWEST);
            assertThat(band.covered()).isBetween(band.tried() / 2, band.tried());
        }
    }

    /**
     * Of any history: every line, group and sum at every lead is off by just what its days add up to, and so is each
     * counterparty.
     */
    @Test
    void accuracy_ofAnyHistory_isWhatItsDaysAddUpTo() {
        for (long seed = 0; seed < 300; seed++) {
            RandomHistory.Case some = RandomHistory.of(seed);
            Accuracy accuracy = new Accuracy(some.facts(), Periods.WEEK, 13, "net");
            accuracy.add(some.snapshot());
            Map<String, MeasuredRow> rows =
                    accuracy.rows().stream().collect(Collectors.toMap(MeasuredRow::id, Function.identity()));
            for (int lead = 0; lead < accuracy.longest(); lead++) {
                LocalDate from = RandomHistory.THEN.plusDays(1 + 7L * lead);
                LocalDate to = from.plusDays(6);
                long net = 0;
                long outside = 0;
                for (String line : List.of("l0", "l1", "l2", "l3", Snapshot.UNASSIGNED_IN)) {
                    long forecast = some.snapshot().sum(line, from, to);
                    long happened = some.facts().actual(line, from, to);
                    net += happened - forecast;
                    MeasuredRow row = rows.get(line);
                    if (row != null) {
                        assertThat(row.errors().get(lead))
                                .isEqualTo(new ForecastError(
                                        1,
                                        Math.abs(happened - forecast),
                                        Math.abs(happened),
                                        (forecast - happened) * row.direction().sign()));
                        outside += row.depth() == 2 ? happened - forecast : 0;
                    }
                }
                assertThat(rows.get("net").errors().get(lead).missed())
                        .as("net of seed " + seed)
                        .isEqualTo(Math.abs(net));
                assertThat(rows.get("g").errors().get(lead).missed())
                        .as("the group's only line")
                        .isEqualTo(Math.abs(outside));
                assertThat(accuracy.record(lead + 1))
                        .singleElement()
                        .extracting(point -> point.actual() - point.forecast())
                        .isEqualTo(net);
                assertThat(accuracy.closings().get(lead).day()).isEqualTo(to);
                partiesAddUp(some, accuracy, lead, from, to);
            }
        }
    }

    private static void partiesAddUp(
            RandomHistory.Case some, Accuracy accuracy, int lead, LocalDate from, LocalDate to) {
        for (MeasuredRow party : accuracy.parties()) {
            List<String> lines = some.facts().plan().lines().stream()
                    .filter(line -> line.direction() == party.direction())
                    .map(Line::id)
                    .toList();
            long forecast = some.snapshot().items().stream()
                    .filter(item -> lines.contains(item.lineId())
                            && item.day() != null
                            && !item.day().isBefore(from)
                            && !item.day().isAfter(to))
                    .mapToLong(Snapshot.KeptItem::minor)
                    .sum();
            long paid = lines.stream()
                    .flatMap(line -> some.facts().settling(line, from, to).stream())
                    .filter(one -> some.facts().item(one.itemId()) != null)
                    .mapToLong(Payment::minor)
                    .sum();
            boolean any = party.errors().get(lead).periods() > 0;
            assertThat(party.errors().get(lead).missed()).isEqualTo(any ? Math.abs(paid - forecast) : 0);
            assertThat(any || paid == 0 && forecast == 0).isTrue();
        }
    }
}
