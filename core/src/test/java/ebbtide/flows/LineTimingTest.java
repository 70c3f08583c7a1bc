package ebbtide.flows;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.Expectation;
import ebbtide.billing.DayBilling;
import ebbtide.billing.MonthBilling;
import ebbtide.billing.OwedByHistory;
import ebbtide.billing.TargetBilling;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.items.ExpectedItem;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.SaidHabit;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * What a line's timing emits, when its items are paid, and where its sales tax is due; weekends the only holidays. D is
 * Friday 20 March 2026.
 */
class LineTimingTest {
    private static final LocalDate D = LocalDate.of(2026, 3, 20);
    private static final LocalDate LONG_AGO = LocalDate.of(2025, 1, 1);
    private static final YearMonth MARCH = YearMonth.of(2026, 3);
    private static final Timeline DAYS = new Timeline(MARCH, YearMonth.of(2026, 8), BusinessDays.ofCountry("--"));

    private static Line line(Assumption assumption, CarriedAmount... carried) {
        return new Line("l", null, "Line", Direction.RECEIPT, true, null, "", assumption, List.of())
                .carrying(List.of(carried));
    }

    /** 100.00 a month with 20% of tax: a quarter at once, half a month later less 2%, a quarter never. */
    private static Assumption.Stream stream() {
        MonthPattern pattern = new MonthPattern(
                List.of(
                        new MonthPattern.Step(Percent.parse("25"), 0, Percent.ZERO),
                        new MonthPattern.Step(Percent.parse("50"), 1, Percent.parse("2"))),
                Percent.parse("25"),
                null);
        return Assumption.Stream.of(
                new FixedAmount(Steps.from(LONG_AGO, 10_000L)),
                new TreeMap<>(),
                new TreeMap<>(),
                SalesTax.of(Percent.parse("20"), false),
                pattern,
                new Spread.Even());
    }

    private static Plan plan(Line line, SaidHabit... habits) {
        return new Plan(
                Settings.of("P", Money.currency("GBP"), D).withHabits(List.of(habits)), List.of(line), List.of());
    }

    private static Books books(OpenItem... items) {
        return Books.of(List.of(new Account("a", "A", "--", false, D, 0))).with(OpenItems.of(List.of(items)));
    }

    private static List<String> emitted(Plan plan, Books books, DayAmount... movements) {
        Emitted emitted = new Emitted();
        Accounts accounts = Accounts.of(plan, books);
        Line line = plan.lines().get(0);
        new LineTiming(
                        accounts.of(line),
                        accounts.items(line),
                        List.of(movements),
                        accounts.expectations(line, List.of(movements)),
                        DAYS,
                        plan.settings().ofLines())
                .emit(emitted);
        return emitted.said;
    }

    /** Writes down what it is given. */
    private static final class Emitted implements FlowSink {
        private final List<String> said = new ArrayList<>();

        @Override
        public void fromPattern(MonthBilling billing, int step) {
            said.add(Timeline.month(billing.month()) + " step " + step + " in "
                    + Timeline.month(billing.cashMonth(step)) + " " + billing.cash(step));
        }

        @Override
        public void fromDays(DayBilling billing, int day, int moved, long minor) {
            said.add("days " + DAYS.date(day) + " " + minor);
        }

        @Override
        public void fromTarget(TargetBilling billing, TargetBilling.Month month) {
            said.add("target " + month.cash());
        }

        @Override
        public void fromTrueUp(OwedByHistory implied, OwedByHistory.Correction correction) {
            said.add("true-up " + correction.cash());
        }

        @Override
        public void fromItem(ExpectedItem item, int day, long minor) {
            said.add("item " + item.item().id() + " on " + DAYS.date(day) + " " + minor);
        }

        @Override
        public void fromCarried(CarriedAmount carried, int day) {
            said.add("carried to " + DAYS.date(day) + " " + carried.amount());
        }

        @Override
        public void fromExpectation(Expectation expectation, int day, int moved, boolean overdue) {
            said.add((overdue ? "overdue on " : "on ") + DAYS.date(day) + " " + expectation.left());
        }
    }

    @Test
    void streamByPattern_emitsEachStepThatFallsInAForecastMonth_andWhatIsCarriedAfterTheAsOfDate() {
        List<String> said = emitted(
                plan(line(
                        stream(),
                        new CarriedAmount("c", D.plusDays(4), 500, "rest"),
                        new CarriedAmount("d", D, 700, "lapsed"))),
                books());
        assertThat(said)
                .startsWith(
                        "2026-03 step 0 in 2026-03 3000",
                        "2026-03 step 1 in 2026-04 5880",
                        "2026-04 step 0 in 2026-04 3000")
                .endsWith("carried to 2026-03-24 500")
                .doesNotContain("carried to 2026-03-20 700")
                .noneMatch(one -> one.startsWith("2026-02"));
    }

    @Test
    void expectation_whoseDayHasPassed_standsOnTheNextBusinessDay_lessWhatWasBooked() {
        Line dated = line(DatedItems.untaxed(
                List.of(
                        new DatedItem(D.minusDays(9), 9_000, Certainty.CERTAIN, ""),
                        new DatedItem(D.plusDays(60), 2_000, Certainty.CERTAIN, ""),
                        new DatedItem(D.minusDays(90), 50, Certainty.CERTAIN, "lapsed")),
                Convention.NONE));
        assertThat(emitted(plan(dated), books(), new DayAmount(D.minusDays(7), 3_500)))
                .containsExactly("overdue on 2026-03-23 5500", "on 2026-05-19 2000");
    }

    private static OpenItem item(
            String id,
            OpenItem.Kind kind,
            LocalDate due,
            LocalDate expected,
            LocalDate promised,
            Handling.Standing standing) {
        return new OpenItem(
                id,
                kind,
                id,
                "Party",
                "l",
                due.minusDays(30),
                due.minusDays(30),
                due,
                new OpenItem.Amount(1_200, 200, false, 1_200),
                null,
                new Handling(expected, promised, standing, ""),
                null);
    }

    /**
     * The first that applies: the analyst's day, a promise, what is said of the party, the due day; what has lapsed
     * gives way; a Sunday is Monday.
     */
    @ParameterizedTest
    @CsvSource({
        "2026-04-02, 2026-04-05, , ANALYST, 2026-04-02",
        "2026-03-19, 2026-04-05, , PROMISE, 2026-04-06",
        "2026-03-19, 2026-03-20, 7, HABIT, 2026-04-06",
        ", , , TERMS, 2026-03-30",
        ", , 3, HABIT, 2026-04-01"
    })
    void item_isExpectedByTheFirstSourceThatApplies(
            LocalDate expected, LocalDate promised, Integer habit, ExpectedItem.Source source, LocalDate day) {
        Line books = line(stream().on(Basis.BOOKS));
        SaidHabit[] habits =
                habit == null ? new SaidHabit[0] : new SaidHabit[] {new SaidHabit(Direction.RECEIPT, "Party", habit)};
        OpenItem item = item(
                "i", OpenItem.Kind.INVOICE, LocalDate.of(2026, 3, 29), expected, promised, Handling.Standing.NORMAL);
        assertThat(Accounts.of(plan(books, habits), books(item)).items().of(books))
                .singleElement()
                .satisfies(one -> {
                    assertThat(one.source()).isEqualTo(source);
                    assertThat(one.day()).isEqualTo(day);
                });
    }

    @Test
    void items_heldDoubtfulOrCredited_areLeftOutEachForItsReason_andCreditLowersTheNext() {
        Line books = line(stream().on(Basis.BOOKS));
        List<ExpectedItem> found = Accounts.of(
                        plan(books),
                        books(
                                item(
                                        "next",
                                        OpenItem.Kind.INVOICE,
                                        D.plusDays(10),
                                        null,
                                        null,
                                        Handling.Standing.NORMAL),
                                item("held", OpenItem.Kind.INVOICE, D.plusDays(3), null, null, Handling.Standing.HELD),
                                item(
                                        "late",
                                        OpenItem.Kind.INVOICE,
                                        D.minusDays(91),
                                        null,
                                        null,
                                        Handling.Standing.NORMAL),
                                item(
                                        "credit",
                                        OpenItem.Kind.CREDIT_NOTE,
                                        D.plusDays(1),
                                        null,
                                        null,
                                        Handling.Standing.NORMAL)))
                .items()
                .of(books);
        assertThat(found)
                .extracting(one -> one.item().id() + " " + one.source() + " " + one.minor())
                .containsExactlyInAnyOrder("next TERMS 0", "held HELD 0", "late DOUBTFUL 0", "credit CREDIT 0");
    }
}
