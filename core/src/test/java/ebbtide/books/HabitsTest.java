package ebbtide.books;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import ebbtide.books.OpenItem.Amount;
import ebbtide.books.OpenItem.Kind;
import ebbtide.plan.Handling;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** How counterparties pay, learnt from paid items (rules 4.2 to 4.4). */
class HabitsTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 20);
    private static final long NOT_DUE = -1_000;

    private static OpenItem paid(String party, String line, int late, int daysAgo) {
        LocalDate paid = DAY.minusDays(daysAgo);
        return new OpenItem(
                party + line + late + daysAgo + Math.random(),
                Kind.INVOICE,
                "1",
                party,
                line,
                paid.minusDays(late + 30L),
                null,
                paid.minusDays(late),
                new Amount(1, 0, false, 0),
                paid,
                Handling.NONE,
                null);
    }

    private static int days(List<OpenItem> items, String party, String line) {
        return Habits.of(items, DAY).estimate(party, line, NOT_DUE).days();
    }

    @Test
    void estimate_withoutAnyItem_isTheDueDate() {
        assertThat(Habits.of(List.of(), DAY).estimate("A", "s", NOT_DUE)).isEqualTo(new Habits.Estimate(0, 0, 0, 0));
        assertThat(Habits.of(List.of(), DAY).estimate("A", "s", 3).days()).isNull();
    }

    /**
     * Five own items of 10 days have half of the weight, so with four of 30 elsewhere the lower median is theirs; with
     * four it is not.
     */
    @Test
    void ownItems_weighNInNPlusFive_theRestIsTheLinesAndAlls() {
        List<OpenItem> items = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            items.add(paid("Other", "t", 30, 0));
        }
        for (int i = 0; i < 5; i++) {
            items.add(paid("Mine", "s", 10, 0));
        }
        assertThat(days(items, "Mine", "s")).isEqualTo(10);
        assertThat(days(items, "Stranger", "t"))
                .as("its line pays 30 days late")
                .isEqualTo(30);
        // Four own have 4/9, its line (four of ten days) 4/9 of the rest, all (40 of 44 are 30) the remaining 25/81: 30
        // only above half.
        items.remove(items.size() - 1);
        assertThat(days(items, "Mine", "s")).isEqualTo(10);
        assertThat(days(items, "Mine", "t"))
                .as("on a line that pays late, 4/9 are too few")
                .isEqualTo(30);
    }

    /**
     * Half for every 180 days: two items of half a year ago weigh as one of today, and the lower median takes the
     * lesser at a tie.
     */
    @Test
    void olderItems_weighHalfForEvery180Days() {
        List<OpenItem> tie = List.of(paid("A", "s", 4, 180), paid("A", "s", 4, 180), paid("A", "s", 20, 0));
        assertThat(days(tie, "A", "s")).isEqualTo(4);
        assertThat(days(List.of(paid("A", "s", 4, 181), paid("A", "s", 4, 181), paid("A", "s", 20, 0)), "A", "s"))
                .isEqualTo(20);
    }

    @Test
    void estimate_isAlwaysGreaterThanTheDaysGoneBy_andGrowsWithThem() {
        Random random = new Random(4);
        for (int run = 0; run < 300; run++) {
            List<OpenItem> items = new ArrayList<>();
            for (int i = 1 + random.nextInt(30); i > 0; i--) {
                items.add(paid(
                        "P" + random.nextInt(3),
                        "s" + random.nextInt(2),
                        random.nextInt(60) - 10,
                        random.nextInt(400)));
            }
            Habits habits = Habits.of(items, DAY);
            int before = Integer.MIN_VALUE;
            for (long gone = -15; gone < 60; gone++) {
                Integer days = habits.estimate("P0", "s0", gone).days();
                if (days == null) {
                    long last = gone;
                    assertThat(items).as("run %d", run).allMatch(item -> item.daysLate() <= last);
                    break;
                }
                assertThat((long) days).isGreaterThan(gone);
                assertThat(days).isGreaterThanOrEqualTo(before);
                before = days;
            }
        }
    }

    /**
     * Each item paid late, forecast on its due date by what was known then: 8, then 8 against 8 and 8, then 12 against
     * 8.
     */
    @Test
    void backtest_comparesHabitWithDueDate_byWhatWasKnownThen() {
        List<OpenItem> items = List.of(paid("A", "s", 8, 300), paid("A", "s", 8, 200), paid("A", "s", 12, 100));
        Habits.Backtest backtest = Habits.backtest(items);
        assertThat(backtest.items()).isEqualTo(3);
        assertThat(backtest.dueError()).isCloseTo((8 + 8 + 12) / 3.0, within(1e-9));
        assertThat(backtest.habitError())
                .as("nothing known, then right, then 4 days out")
                .isCloseTo((8 + 0 + 4) / 3.0, within(1e-9));
    }

    /** What is drawn at half of the weight is what is estimated, whatever is known to be greater (rules 4.2, 11.8). */
    @Test
    void mixture_atHalf_isTheEstimate_overRandomLedgers() {
        Random random = new Random(11);
        for (int ledger = 0; ledger < 60; ledger++) {
            List<OpenItem> items = new ArrayList<>();
            int spread = 1 + random.nextInt(400);
            for (int i = random.nextInt(50); i >= 0; i--) {
                items.add(paid(
                        "P" + random.nextInt(4),
                        "l" + random.nextInt(3),
                        random.nextInt(2 * spread) - spread / 2,
                        random.nextInt(500)));
            }
            Habits habits = Habits.of(items, DAY);
            String party = "P" + random.nextInt(5);
            String line = "l" + random.nextInt(4);
            Habits.Mixture mixture = habits.mixture(party, line).orElseThrow();
            for (long since = -500; since < 900; since += 1 + random.nextInt(7)) {
                Integer estimate = habits.estimate(party, line, since).days();
                assertThat(mixture.beyond(since).map(one -> one.quantile(0.5)))
                        .as("%s on %s, %d days after due", party, line, since)
                        .isEqualTo(Optional.ofNullable(estimate));
            }
            // The whole weight is there at the latest of all that was paid, and no share of it before the first.
            assertThat(mixture.beyond(-500).orElseThrow().quantile(1))
                    .isEqualTo(items.stream()
                            .mapToInt(one -> (int) one.daysLate())
                            .filter(days ->
                                    habits.estimate(party, line, days - 1L).days() != null)
                            .max()
                            .orElseThrow());
        }
    }
}
