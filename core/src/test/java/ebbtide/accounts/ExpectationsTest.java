package ebbtide.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.Assumption;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Netting;
import ebbtide.plan.Plan;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurrence.Span;
import ebbtide.plan.Recurring;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Cash planned by date, and what movements use up of it (rules 5.2, 7.2). */
class ExpectationsTest {
    private static final LocalDate AS_OF = LocalDate.of(2026, 3, 10);
    private static final BusinessDays WEEKENDS = BusinessDays.ofCountry("--");

    private static List<Expectation> of(Assumption assumption, DayAmount... movements) {
        return of(Netting.USUAL, assumption, movements);
    }

    private static List<Expectation> of(Netting netting, Assumption assumption, DayAmount... movements) {
        Line line =
                new Line("l", null, "Costs", Direction.PAYMENT, true, null, "", assumption, List.of()).netting(netting);
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), AS_OF).withHorizon(6), List.of(line), List.of());
        return Accounts.of(plan, Books.of(List.of())).expectations(line, List.of(movements));
    }

    private static DayAmount paid(int month, int day, long amount) {
        return new DayAmount(LocalDate.of(2026, month, day), -amount);
    }

    private static Assumption weekly(int every) {
        return Recurring.plain(
                new Recurrence(Span.WEEK, every, LocalDate.of(2026, 3, 6), null),
                Steps.from(LocalDate.of(2026, 1, 1), 1_000L),
                Convention.NONE,
                Certainty.CERTAIN);
    }

    @Test
    void windows_ofRecurringCash_meetHalfWayAndNeverOverlap() {
        for (int every = 1; every <= 6; every++) {
            List<Expectation> all = of(weekly(every));
            for (int i = 1; i < all.size(); i++) {
                assertThat(all.get(i).windowStart()).isAfter(all.get(i - 1).windowEnd());
                long between = all.get(i).windowStart().toEpochDay()
                        - all.get(i - 1).windowEnd().toEpochDay();
                assertThat(between)
                        .as("no gap unless the neighbours are over a month away")
                        .isEqualTo(every * 7 <= 31 ? 1 : between);
                assertThat(all.get(i).day().toEpochDay()
                                - all.get(i).windowStart().toEpochDay())
                        .isLessThanOrEqualTo(15);
            }
        }
    }

    @Test
    void movement_betweenTwoDates_usesUpTheNearer() {
        List<Expectation> all = of(weekly(2), paid(3, 12, 400), paid(3, 14, 300));
        assertThat(all)
                .filteredOn(e -> e.day().equals(LocalDate.of(2026, 3, 6)))
                .extracting(Expectation::used)
                .containsExactly(400L);
        assertThat(all)
                .filteredOn(e -> e.day().equals(LocalDate.of(2026, 3, 20)))
                .extracting(Expectation::used)
                .containsExactly(300L);
    }

    @Test
    void bill_withTermsAndUplift_isPaidLaterAndRaisedEachWholeYearOfItsStep() {
        Recurring insurance = new Recurring(
                new Recurrence(Span.YEAR, 1, LocalDate.of(2024, 3, 20), null),
                new Steps<>(List.of(
                        new Steps.Step<>(LocalDate.of(2024, 3, 1), 100_000L),
                        new Steps.Step<>(LocalDate.of(2027, 1, 1), 90_000L))),
                Percent.parse("2.5"),
                ebbtide.plan.SalesTax.NONE,
                30,
                Convention.FOLLOWING,
                Certainty.CERTAIN,
                ebbtide.plan.Expensing.OWN_MONTH);
        assertThat(insurance.amountOn(LocalDate.of(2025, 2, 28))).isEqualTo(100_000);
        assertThat(insurance.amountOn(LocalDate.of(2026, 3, 20)))
                .as("twice 2.5%: 105,062.5 goes up")
                .isEqualTo(105_063);
        assertThat(insurance.amountOn(LocalDate.of(2027, 3, 20)))
                .as("a new step begins anew")
                .isEqualTo(90_000);
        assertThat(insurance.amountOn(LocalDate.of(2023, 3, 20))).isZero();
        // 20 March 2026 and 30 days: Sunday 19 April, so the Monday.
        assertThat(of(insurance)).singleElement().satisfies(e -> {
            assertThat(e.day()).isEqualTo(LocalDate.of(2026, 4, 20));
            assertThat(e.amount()).isEqualTo(105_063);
            assertThat(e.words()).isEqualTo("every year from 2024-03-20, paid 30 days after, 2.5% more each year");
        });
    }

    private static Long used(List<Expectation> all, int month, int day) {
        return all.stream()
                .filter(e -> e.day().equals(LocalDate.of(2026, month, day)))
                .mapToLong(Expectation::used)
                .sum();
    }

    @Test
    void windowOfALine_takesThePlaceOfItsNeighbours() {
        Netting around = new Netting(Netting.Left.CATCH_UP, new Netting.Window(2, 20), List.of());
        List<Expectation> all = of(around, weekly(4), paid(4, 22, 700), paid(3, 31, 100));
        assertThat(used(all, 4, 3))
                .as("19 days after is within, 3 days before is not")
                .isEqualTo(700);
        assertThat(all.stream().mapToLong(Expectation::used).sum()).isEqualTo(700);
        Assumption once = DatedItems.untaxed(
                List.of(new DatedItem(LocalDate.of(2026, 4, 15), 1_000, Certainty.CERTAIN, "")), Convention.NONE);
        assertThat(of(around, once, paid(5, 6, 1), paid(4, 12, 1)).get(0).used())
                .isZero();
    }

    @Test
    void cashPutToADateByHand_usesThatUpWhereverItWasBooked() {
        Netting chosen = new Netting(
                Netting.Left.CATCH_UP,
                null,
                List.of(
                        new Netting.Chosen(LocalDate.of(2026, 3, 12), LocalDate.of(2026, 4, 3)),
                        new Netting.Chosen(LocalDate.of(2026, 3, 13), LocalDate.of(2031, 1, 1))));
        List<Expectation> all = of(chosen, weekly(2), paid(3, 12, 400), paid(3, 13, 300));
        assertThat(used(all, 4, 3)).as("nearer to 6 March, but put to 3 April").isEqualTo(400);
        assertThat(all.stream().mapToLong(Expectation::used).sum())
                .as("what is put to no date that is there uses nothing up")
                .isEqualTo(400);
    }

    @Test
    void movement_theOtherWay_usesNothingUp() {
        assertThat(of(weekly(2), new DayAmount(LocalDate.of(2026, 3, 6), 500))).allMatch(e -> e.used() == 0);
    }

    @Test
    void singleItem_isMetFromFifteenDaysBeforeToFortyFiveAfter() {
        Assumption item = DatedItems.untaxed(
                List.of(new DatedItem(LocalDate.of(2026, 4, 15), 1_000, Certainty.CERTAIN, "")), Convention.NONE);
        assertThat(of(item, paid(3, 30, 1)).get(0).used()).as("16 days before").isZero();
        assertThat(of(item, paid(3, 31, 1)).get(0).used()).as("15 days before").isEqualTo(1);
        assertThat(of(item, paid(5, 30, 1)).get(0).used()).as("45 days after").isEqualTo(1);
        assertThat(of(item, paid(5, 31, 1)).get(0).used()).as("46 days after").isZero();
    }

    /**
     * Whatever is expected and booked: a movement is used at most once, and what is left is never counted beyond it.
     */
    @Test
    void anyItemsAndMovements_nothingIsUsedTwiceNorLost() {
        Random random = new Random(13);
        for (int run = 0; run < 2_000; run++) {
            TreeMap<LocalDate, DatedItem> items = new TreeMap<>();
            for (int i = random.nextInt(5); i >= 0; i--) {
                LocalDate day = AS_OF.plusDays(random.nextInt(120) - 60L);
                items.put(day, new DatedItem(day, random.nextInt(5_000), Certainty.CERTAIN, ""));
            }
            List<DayAmount> movements = new ArrayList<>();
            for (int i = random.nextInt(8); i > 0; i--) {
                movements.add(new DayAmount(AS_OF.plusDays(random.nextInt(160) - 80L), -random.nextInt(3_000)));
            }
            List<Expectation> all = of(
                    DatedItems.untaxed(List.copyOf(items.values()), Convention.NONE),
                    movements.toArray(DayAmount[]::new));
            long booked = movements.stream().mapToLong(m -> -m.minor()).sum();
            assertThat(all.stream().mapToLong(Expectation::used).sum())
                    .as("run %d", run)
                    .isBetween(0L, booked);
            long within = movements.stream()
                    .filter(m -> all.stream().anyMatch(e -> e.holds(m.day())))
                    .mapToLong(m -> -m.minor())
                    .sum();
            assertThat(all.stream().mapToLong(Expectation::used).sum())
                    .as("every movement that some window holds")
                    .isEqualTo(within);
            all.forEach(e -> assertThat(e.left() - e.overBy()).isEqualTo(e.amount() - e.used()));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "MONTH,1,2026-01-31,2026-02-28,2026-03-31",
        "MONTH,3,2025-11-30,2026-02-28,2026-05-30",
        "YEAR,1,2024-02-29,2025-02-28,2026-02-28",
        "WEEK,2,2026-03-06,2026-03-20,2026-04-03"
    })
    void recurrence_countedFromItsFirstDate_keepsItsDay(
            Span unit, int every, LocalDate first, LocalDate second, LocalDate third) {
        assertThat(new Recurrence(unit, every, first, null).between(first, third))
                .containsExactly(first, second, third);
    }

    @Test
    void recurrence_untilADay_endsThere() {
        LocalDate first = LocalDate.of(2026, 1, 31);
        assertThat(new Recurrence(Span.MONTH, 1, first, LocalDate.of(2026, 3, 30))
                        .between(first, LocalDate.of(2027, 1, 1)))
                .containsExactly(first, LocalDate.of(2026, 2, 28));
    }
}
