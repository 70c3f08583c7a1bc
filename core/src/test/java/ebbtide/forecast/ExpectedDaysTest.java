package ebbtide.forecast;

import static ebbtide.forecast.OpenItemCases.FRIDAY;
import static ebbtide.forecast.OpenItemCases.forecast;
import static ebbtide.forecast.OpenItemCases.item;
import static ebbtide.forecast.OpenItemCases.on;
import static ebbtide.forecast.OpenItemCases.said;
import static ebbtide.forecast.OpenItemCases.sales;
import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.Amount;
import ebbtide.books.OpenItem.Kind;
import ebbtide.books.OpenItems;
import ebbtide.items.ExpectedItem;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.Assumption;
import ebbtide.plan.DayTerms;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Handling.Standing;
import ebbtide.plan.Line;
import ebbtide.plan.PaymentRuns;
import ebbtide.plan.Plan;
import ebbtide.plan.SaidHabit;
import ebbtide.plan.Settings;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** When open items are expected to be paid, and how much (rules 4). */
class ExpectedDaysTest {
    /** Due on Sunday 29 March: on its day where the line's terms know no convention, else on Monday. */
    @ParameterizedTest
    @CsvSource({"NONE, 2026-03-29", "FOLLOWING, 2026-03-30", "PRECEDING, 2026-03-27"})
    void item_isMovedByItsLinesConvention(Convention convention, String paid) {
        Line sales = sales(Map.of(), 30);
        Line moved = sales.with(((Assumption.Stream) sales.assumption())
                .with(Terms.byDays(new DayTerms(DayTerms.Due.AFTER_ISSUE, 30, 0, convention))));
        assertThat(on(
                                forecast(
                                        FRIDAY,
                                        moved,
                                        List.of(item(
                                                Kind.INVOICE,
                                                "a",
                                                FRIDAY.minusDays(2),
                                                LocalDate.of(2026, 3, 29),
                                                6_000,
                                                6_000))),
                                paid)
                        .committed())
                .isEqualTo(6_000);
    }

    /** What an analyst says of a counterparty holds for its items, until one is later than that. */
    @Test
    void habitThatAnAnalystSays_takesThePlaceOfTheOneLearnt() {
        OpenItem soon = item(Kind.INVOICE, "1", FRIDAY.minusDays(30), FRIDAY, 100_000, 100_000);
        OpenItem late = item(Kind.INVOICE, "2", FRIDAY.minusDays(60), FRIDAY.minusDays(20), 100_000, 100_000);
        Plan plan = new Plan(
                Settings.of("P", Money.currency("GBP"), FRIDAY)
                        .withHabits(List.of(new SaidHabit(Direction.RECEIPT, soon.counterparty(), 12))),
                List.of(sales(Map.of(), 30)),
                List.of());
        Books books = Books.of(List.of(new Account("a", "A", "--", false, FRIDAY, 0)))
                .with(OpenItems.of(List.of(soon, late)));
        List<ExpectedItem> expected =
                Forecaster.forecast(plan, books).items().of(plan.lines().get(0));
        assertThat(expected).anySatisfy(one -> {
            assertThat(one.item()).isEqualTo(soon);
            assertThat(one.day()).isEqualTo(FRIDAY.plusDays(12));
            assertThat(one.because()).contains("12 days late as an analyst says");
        });
        assertThat(expected).anySatisfy(one -> {
            assertThat(one.item()).isEqualTo(late);
            assertThat(one.because()).contains("later than any habit known");
        });
    }

    private static ExpectedItem expected(OpenItem item, OpenItem... others) {
        List<OpenItem> all = new ArrayList<>(List.of(others));
        all.add(item);
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), FRIDAY), List.of(sales(Map.of(), 30)), List.of());
        Books books =
                Books.of(List.of(new Account("a", "A", "--", false, FRIDAY, 0))).with(OpenItems.of(all));
        return Forecaster.forecast(plan, books).items().of(plan.lines().get(0)).stream()
                .filter(one -> one.item().id().equals(item.id()))
                .findFirst()
                .orElseThrow();
    }

    private static OpenItem paid(String id, String party, LocalDate due, int late) {
        return new OpenItem(
                id,
                Kind.INVOICE,
                id,
                party,
                "s",
                due.minusDays(30),
                null,
                due,
                new Amount(100, 0, false, 0),
                due.plusDays(late),
                Handling.NONE,
                null);
    }

    @Test
    void expectedDay_isTheAnalysts_thenAPromise_thenTheHabit_andALapsedOneIsBroken() {
        OpenItem bare = item(Kind.INVOICE, "x", LocalDate.of(2026, 3, 1), LocalDate.of(2026, 3, 31), 100, 100);
        LocalDate friday = LocalDate.of(2026, 4, 17);
        LocalDate monday = LocalDate.of(2026, 4, 20);
        assertThat(expected(said(bare, friday, monday, Standing.NORMAL)).day()).isEqualTo(friday);
        assertThat(expected(said(bare, FRIDAY, monday, Standing.NORMAL)).source())
                .isEqualTo(ExpectedItem.Source.PROMISE);
        assertThat(expected(bare).day()).isEqualTo(LocalDate.of(2026, 3, 31));
        ExpectedItem broken = expected(said(bare, null, FRIDAY, Standing.NORMAL));
        assertThat(broken.day()).isEqualTo(LocalDate.of(2026, 3, 31));
        assertThat(broken.because()).endsWith("the day said before has passed");
        assertThat(expected(said(bare, null, null, Standing.DISPUTED)).isLeftOut())
                .isTrue();
        ExpectedItem usual = expected(bare, paid("p", "Gullrock Hotels", LocalDate.of(2026, 2, 2), 9));
        assertThat(usual.day()).as("9 days late is Thursday 9 April").isEqualTo(LocalDate.of(2026, 4, 9));
        assertThat(usual.because()).isEqualTo("due 2026-03-31, usually 9 days late (1 paid before)");
    }

    @Test
    void lateItem_isExpectedByTheHabitsStillPossible_thenSoon_andDoubtfulAfterNinetyDays() {
        OpenItem[] habit = {
            paid("p", "Gullrock Hotels", LocalDate.of(2026, 1, 5), 4),
            paid("q", "Gullrock Hotels", LocalDate.of(2026, 1, 6), 30)
        };
        OpenItem tenLate = item(Kind.INVOICE, "x", LocalDate.of(2026, 2, 8), FRIDAY.minusDays(10), 100, 100);
        assertThat(expected(tenLate, habit).day())
                .as("only 30 days is still possible")
                .isEqualTo(LocalDate.of(2026, 4, 9));
        OpenItem fortyLate = item(Kind.INVOICE, "x", LocalDate.of(2026, 1, 8), FRIDAY.minusDays(40), 100, 100);
        assertThat(expected(fortyLate, habit).day())
                .as("40 / 2 = 20 days on is Thursday 9 April")
                .isEqualTo(LocalDate.of(2026, 4, 9));
        OpenItem eightLate = item(Kind.INVOICE, "x", LocalDate.of(2026, 1, 8), FRIDAY.minusDays(8), 100, 100);
        assertThat(expected(eightLate, paid("p", "Gullrock Hotels", LocalDate.of(2026, 1, 5), 4))
                        .day())
                .as("five business days")
                .isEqualTo(LocalDate.of(2026, 3, 27));
        ExpectedItem old =
                expected(item(Kind.INVOICE, "x", LocalDate.of(2025, 8, 8), FRIDAY.minusDays(91), 100, 100), habit);
        assertThat(old.source()).isEqualTo(ExpectedItem.Source.DOUBTFUL);
        assertThat(old.because()).isEqualTo("91 days late without a date or a promise");
    }

    /**
     * D is Friday 20 March: a bill due on Saturday 28 goes into the run of Thursday 2 April; a promise, and a receipt,
     * know no run.
     */
    @Test
    void bill_isPaidInItsRun_unlessAPersonSaidADay() {
        PaymentRuns thursdays = new PaymentRuns(
                PaymentRuns.When.WEEKLY, java.time.DayOfWeek.THURSDAY, List.of(), 0, PaymentRuns.Takes.ON_OR_AFTER);
        OpenItem bill = item(Kind.INVOICE, "x", LocalDate.of(2026, 3, 1), LocalDate.of(2026, 3, 28), 100, 100);
        Settings settings = Settings.of("P", Money.currency("GBP"), FRIDAY).withPaymentRuns(thursdays);
        Line sales = sales(Map.of(), 30);
        Line costs = new Line("s", null, "Costs", Direction.PAYMENT, true, null, "", sales.assumption(), List.of());
        for (OpenItem one : List.of(bill, said(bill, null, LocalDate.of(2026, 4, 7), Standing.NORMAL))) {
            Books books = Books.of(List.of(new Account("a", "A", "--", false, FRIDAY, 0)))
                    .with(OpenItems.of(List.of(one)));
            LocalDate promised = one.handling().promised();
            assertThat(Forecaster.forecast(new Plan(settings, List.of(costs), List.of()), books)
                            .items()
                            .of(costs)
                            .get(0)
                            .day())
                    .isEqualTo(promised == null ? LocalDate.of(2026, 4, 2) : promised);
            assertThat(Forecaster.forecast(new Plan(settings, List.of(sales), List.of()), books)
                            .items()
                            .of(sales)
                            .get(0)
                            .day())
                    .isEqualTo(promised == null ? LocalDate.of(2026, 3, 30) : promised);
        }
    }

    @Test
    void creditNoteAndDiscount_lowerWhatIsPaid() {
        OpenItem first = item(Kind.INVOICE, "a", LocalDate.of(2026, 3, 1), LocalDate.of(2026, 4, 1), 10_000, 10_000);
        OpenItem second = item(Kind.INVOICE, "b", LocalDate.of(2026, 3, 1), LocalDate.of(2026, 4, 8), 10_000, 10_000);
        OpenItem credit =
                item(Kind.CREDIT_NOTE, "c", LocalDate.of(2026, 3, 1), LocalDate.of(2026, 3, 1), 12_000, 12_000);
        assertThat(expected(first, second, credit).minor()).isZero();
        assertThat(expected(second, first, credit).minor()).isEqualTo(8_000);
        OpenItem early = new OpenItem(
                "d",
                Kind.INVOICE,
                "d",
                "Tern Street",
                "s",
                LocalDate.of(2026, 3, 1),
                null,
                LocalDate.of(2026, 4, 1),
                new Amount(10_050, 0, false, 10_050),
                null,
                Handling.NONE,
                new OpenItem.EarlyDiscount(LocalDate.of(2026, 4, 1), new Percent(20_000)));
        assertThat(expected(early).minor()).as("2% of 100.50 is 2.01").isEqualTo(9_849);
    }
}
