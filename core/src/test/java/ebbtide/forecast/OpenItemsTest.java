package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.answers.ChecklistItem;
import ebbtide.billing.LeftOfPlan;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.Amount;
import ebbtide.books.OpenItem.Handling;
import ebbtide.books.OpenItem.Kind;
import ebbtide.books.OpenItem.Standing;
import ebbtide.books.OpenItems;
import ebbtide.flows.Cell;
import ebbtide.flows.Part;
import ebbtide.items.ExpectedItem;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.Certainty;
import ebbtide.plan.Charging;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.DayTerms;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Netting;
import ebbtide.plan.PaymentRuns;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.SaidHabit;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import ebbtide.workings.RowWorkings;
import ebbtide.workings.Workings;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Plan and facts once each (rules 5), and when open items are paid (rules 4); weekends the only holidays. */
class OpenItemsTest {
    private static final LocalDate FRIDAY = LocalDate.of(2026, 3, 20);
    private static final YearMonth MARCH = YearMonth.of(2026, 3);

    private static Line sales(Map<YearMonth, Long> months, int days) {
        return new Line(
                "s",
                null,
                "Sales",
                Direction.RECEIPT,
                true,
                null,
                "",
                new Assumption.Stream(
                        new TypedMonths(new TreeMap<>(months)),
                        List.of(),
                        new TreeMap<>(),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        Terms.byDays(new DayTerms(DayTerms.Due.AFTER_ISSUE, days, 0, Convention.FOLLOWING)),
                        null,
                        new Spread.Even(),
                        Basis.BOOKS),
                List.of());
    }

    private static OpenItem item(Kind kind, String id, LocalDate supplied, LocalDate due, long gross, long open) {
        return new OpenItem(
                id,
                kind,
                id,
                "Gullrock Hotels",
                "s",
                supplied,
                supplied,
                due,
                new Amount(gross, 0, false, open),
                null,
                Handling.NONE,
                null);
    }

    private static OpenItem said(OpenItem item, LocalDate expected, LocalDate promised, Standing standing) {
        return item.with(new Handling(expected, promised, standing, ""));
    }

    private static Forecast forecast(LocalDate asOf, Line line, List<OpenItem> items, DayAmount... movements) {
        return forecast(0, asOf, line, items, movements);
    }

    private static Forecast forecast(
            int closedAfter, LocalDate asOf, Line line, List<OpenItem> items, DayAmount... movements) {
        Books books = new Books(
                        List.of(new Account("a", "A", "--", false, asOf, 0)),
                        Map.of("s", List.of(movements)),
                        List.of(),
                        List.of(),
                        List.of(),
                        Map.of("a", List.of(movements)))
                .with(OpenItems.of(items));
        return Forecaster.forecast(
                new Plan(
                        Settings.of("P", Money.currency("GBP"), asOf).withClosedAfter(closedAfter),
                        List.of(line),
                        List.of()),
                books);
    }

    private static Cell on(Forecast forecast, String day) {
        LocalDate date = LocalDate.parse(day);
        return forecast.cell(forecast.plan().lines().get(0), new Period(date, date.plusDays(1)));
    }

    @Test
    void creditNote_thatIsDisputed_lowersNothing() {
        OpenItem invoice = item(Kind.INVOICE, "a", FRIDAY.minusDays(2), FRIDAY.plusDays(5), 6_000, 6_000);
        OpenItem credit = item(Kind.CREDIT_NOTE, "c", FRIDAY.minusDays(2), FRIDAY.plusDays(5), 1_000, 1_000);
        assertThat(on(forecast(FRIDAY, sales(Map.of(), 30), List.of(invoice, credit)), "2026-03-25")
                        .committed())
                .isEqualTo(5_000);
        Forecast disputed =
                forecast(FRIDAY, sales(Map.of(), 30), List.of(invoice, said(credit, null, null, Standing.DISPUTED)));
        assertThat(on(disputed, "2026-03-25").committed()).isEqualTo(6_000);
        assertThat(disputed.items().of(disputed.plan().lines().get(0)))
                .extracting(ExpectedItem::source)
                .contains(ExpectedItem.Source.HELD);
    }

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

    /** W9, first part. */
    @ParameterizedTest
    @CsvSource({"7840000, 4160000, 0", "13100000, 0, 1100000"})
    void left_ofAPlannedMonth_isWhatIsNotInvoiced(long invoiced, long left, long overBy) {
        Forecast forecast = forecast(
                FRIDAY,
                sales(Map.of(MARCH, 12_000_000L), 0),
                List.of(item(
                        Kind.INVOICE, "1", LocalDate.of(2026, 3, 2), LocalDate.of(2026, 4, 30), invoiced, invoiced)));
        LeftOfPlan.Month march = forecast.accounts().stream(
                        forecast.plan().lines().get(0))
                .left()
                .months()
                .get(0);
        assertThat(march).isEqualTo(new LeftOfPlan.Month(MARCH, 12_000_000, invoiced, 0, 12_000_000));
        assertThat(march.left()).isEqualTo(left);
        Workings workings =
                RowWorkings.of(forecast, "s", new Period(LocalDate.of(2026, 3, 1), LocalDate.of(2026, 4, 1)));
        assertThat(workings.figure().estimated()).isEqualTo(left);
        assertThat(workings.overBy()).isEqualTo(overBy == 0 ? null : overBy);
    }

    /**
     * Half of what is open and neither held nor more than sixty days late is available: 40,000 due on 10 March and
     * expected in June, until 9 May.
     */
    @Test
    void facilityAgainstReceivables_countsItemsNeitherHeldNorTooLate() {
        LocalDate due = LocalDate.of(2026, 3, 10);
        List<OpenItem> items = List.of(
                said(
                        item(Kind.INVOICE, "late", due, due, 4_000_000, 4_000_000),
                        LocalDate.of(2026, 6, 15),
                        null,
                        Standing.NORMAL),
                said(item(Kind.INVOICE, "held", due, due, 9_000_000, 9_000_000), null, null, Standing.HELD));
        Revolving facility = new Revolving(
                Steps.from(due, 5_000_000L),
                true,
                null,
                null,
                Steps.none(),
                Steps.none(),
                Steps.none(),
                1,
                0,
                Steps.none(),
                Charging.MONTHLY,
                new Revolving.Drawn(FRIDAY, 0, 0),
                new BorrowingBase(Percent.parse("50"), Percent.ZERO, 60, 700_000));
        Line line = new Line("f", null, "Facility", Direction.PAYMENT, true, null, "", facility, List.of());
        Forecast forecast = Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), FRIDAY), List.of(sales(Map.of(), 0), line), List.of()),
                Books.of(List.of(new Account("a", "A", "--", false, FRIDAY, 0))).with(OpenItems.of(items)));
        assertThat(java.util.stream.Stream.of("2026-03-30", "2026-03-31", "2026-04-30", "2026-05-31")
                        .map(LocalDate::parse)
                        .map(day ->
                                forecast.funding().most(0, forecast.timeline().index(day))))
                .containsExactly(700_000L, 2_000_000L, 2_000_000L, 0L);
    }

    /**
     * Cash that settles nothing beside an item still open would count twice: the checklist says so, until either is
     * told of the other.
     */
    @Test
    void cashThatSettlesNothing_besideAnOpenItem_isAskedAbout() {
        OpenItem open = item(Kind.INVOICE, "1", LocalDate.of(2026, 3, 2), LocalDate.of(2026, 4, 30), 100_000, 100_000);
        DayAmount booked = new DayAmount(FRIDAY.minusDays(3), 100_000);
        Forecast forecast = forecast(FRIDAY, sales(Map.of(MARCH, 12_000_000L), 0), List.of(open), booked);
        assertThat(ChecklistItem.of(forecast))
                .extracting(ChecklistItem::sentence)
                .anyMatch(said -> said.startsWith("1,000 more was booked on "));
        Forecast told = forecast(
                FRIDAY,
                sales(Map.of(MARCH, 12_000_000L), 0),
                List.of(
                        open.open(0, booked.day()),
                        item(Kind.INVOICE, "2", LocalDate.of(2026, 3, 3), LocalDate.of(2026, 4, 30), 50_000, 50_000)),
                booked);
        assertThat(ChecklistItem.of(told))
                .extracting(ChecklistItem::sentence)
                .noneMatch(said -> said.contains("more was booked on"));
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

    /** W10. */
    @Test
    void left_ofTheMonthUnderWay_liesOverTheBusinessDaysAfterTheAsOfDate() {
        List<OpenItem> items = List.of(
                item(Kind.INVOICE, "1", LocalDate.of(2026, 3, 2), LocalDate.of(2026, 5, 29), 7_840_000, 7_840_000),
                item(Kind.ORDER, "2", LocalDate.of(2026, 3, 25), LocalDate.of(2026, 5, 29), 1_200_000, 1_200_000));
        Forecast forecast = forecast(FRIDAY, sales(Map.of(MARCH, 12_000_000L), 0), items);
        assertThat(on(forecast, "2026-03-23").estimated()).isEqualTo(422_858);
        for (String day : List.of("2026-03-24", "2026-03-25", "2026-03-26", "2026-03-27", "2026-03-30", "2026-03-31")) {
            assertThat(on(forecast, day).estimated()).as(day).isEqualTo(422_857);
        }
        assertThat(on(forecast, "2026-05-29").committed()).isEqualTo(9_040_000);
        assertThat(RowWorkings.of(forecast, "s", new Period(LocalDate.of(2026, 3, 23), LocalDate.of(2026, 3, 24)))
                        .items()
                        .get(0)
                        .because())
                .contains("planned 120,000", "less invoiced 78,400, less on order 12,000: left 29,600");
    }

    /**
     * 21 of March's 22 business days are over on the 30th: at the plan's rate one of them is left, whatever was not
     * invoiced before.
     */
    @ParameterizedTest
    @CsvSource({"2026-03-20, 3818182", "2026-03-30, 545455", "2026-02-27, 12000000"})
    void left_atThePlansRate_isNoMoreThanTheDaysAfterBear(LocalDate asOf, long left) {
        Line line = sales(Map.of(MARCH, 12_000_000L), 0).netting(new Netting(Netting.Left.RUN_RATE, null, List.of()));
        Forecast forecast = forecast(
                asOf,
                line,
                List.of(item(Kind.INVOICE, "1", LocalDate.of(2026, 2, 2), LocalDate.of(2026, 4, 30), 100, 100)));
        assertThat(forecast.cell(line, month(MARCH)).estimated()).isEqualTo(left);
        assertThat(RowWorkings.of(forecast, "s", month(MARCH))
                        .items()
                        .get(0)
                        .because()
                        .contains("no more than its business days after"))
                .isEqualTo(left < 12_000_000);
        Forecast nearlyAll = forecast(
                asOf,
                line,
                List.of(item(Kind.INVOICE, "1", LocalDate.of(2026, 3, 2), LocalDate.of(2026, 4, 30), 11_990_000, 100)));
        assertThat(nearlyAll.cell(line, month(MARCH)).estimated())
                .as("and never more than the plan lacks")
                .isEqualTo(10_000);
    }

    /**
     * With months closed five days late, what is left of March is still to be invoiced on 3 April, on the first
     * business days after.
     */
    @ParameterizedTest
    @CsvSource({"2026-04-03, 4160000", "2026-04-04, 4160000", "2026-04-05, 0"})
    void left_ofAMonthThatIsNotClosed_isBilledAfterTheAsOfDate(LocalDate asOf, long left) {
        Line line = sales(Map.of(MARCH, 12_000_000L, MARCH.plusMonths(1), 0L), 0);
        Books books = Books.of(List.of(new Account("a", "A", "--", false, asOf, 0)))
                .with(OpenItems.of(List.of(item(
                        Kind.INVOICE,
                        "1",
                        LocalDate.of(2026, 3, 2),
                        LocalDate.of(2026, 5, 29),
                        7_840_000,
                        7_840_000))));
        Forecast forecast = Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), asOf).withClosedAfter(5), List.of(line), List.of()),
                books);
        assertThat(forecast.cell(line, month(MARCH.plusMonths(1))).estimated()).isEqualTo(left);
        if (left > 0) {
            assertThat(RowWorkings.of(forecast, "s", month(MARCH.plusMonths(1)))
                            .items()
                            .get(0)
                            .because())
                    .contains("with 41,600 left of March 2026, which is not closed yet");
        }
    }

    /**
     * The ledger has 1,000 and 500 as paid of late; the bank has settled the first in part, and 200 came that settle
     * nothing.
     */
    @Test
    void paidByTheLedgerAndNotAtTheBank_isUnderWay() {
        OpenItem first = new OpenItem(
                "1",
                Kind.INVOICE,
                "1",
                "Gullrock Hotels",
                "s",
                FRIDAY.minusDays(40),
                null,
                FRIDAY.minusDays(10),
                new Amount(100_000, 0, false, 0),
                FRIDAY.minusDays(2),
                Handling.NONE,
                null);
        OpenItem second = new OpenItem(
                "2",
                Kind.INVOICE,
                "2",
                "Gullrock Hotels",
                "s",
                FRIDAY.minusDays(40),
                null,
                FRIDAY.minusDays(10),
                new Amount(50_000, 0, false, 0),
                FRIDAY.minusDays(1),
                Handling.NONE,
                null);
        OpenItem longAgo = new OpenItem(
                "3",
                Kind.INVOICE,
                "3",
                "Gullrock Hotels",
                "s",
                FRIDAY.minusDays(90),
                null,
                FRIDAY.minusDays(60),
                new Amount(70_000, 0, false, 0),
                FRIDAY.minusDays(10),
                Handling.NONE,
                null);
        BankMovement settling = new BankMovement(
                "a",
                FRIDAY.minusDays(1),
                null,
                60_000,
                "",
                "",
                "",
                List.of(new BankMovement.AssignedPart("s", 60_000, "1", 0)));
        BankMovement other = new BankMovement(
                "a", FRIDAY, null, 20_000, "", "", "", List.of(new BankMovement.AssignedPart("s", 20_000)));
        Line line = sales(Map.of(), 30);
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), FRIDAY), List.of(line), List.of());
        Books books = Books.of(List.of(new Account("a", "A", "--", false, FRIDAY, 0)), List.of(settling, other));
        Forecast forecast = Forecaster.forecast(
                plan,
                books.with(OpenItems.of(List.of(first, second, longAgo))
                        .settled(BankMovement.settled(List.of(settling, other)))));
        assertThat(on(forecast, "2026-03-23").committed())
                .as("500 less the 200 that may be its payment, and 400 of the first")
                .isEqualTo(70_000);
        assertThat(RowWorkings.of(forecast, "s", month(MARCH)).items())
                .filteredOn(one -> one.part() == Part.COMMITTED)
                .extracting(Workings.Item::because)
                .containsExactlyInAnyOrder(
                        "paid on 2026-03-19 by the ledger, not at the bank yet",
                        "paid on 2026-03-18 by the ledger, not at the bank yet");
        Forecast untold = Forecaster.forecast(
                plan, Books.of(books.accounts(), List.of(other)).with(OpenItems.of(List.of(first, second, longAgo))));
        assertThat(on(untold, "2026-03-23").committed())
                .as("a line whose cash is told from no item has nothing under way")
                .isZero();
    }

    /** W9's second part and W11: the same left wherever the bill is now expected, or held. */
    @ParameterizedTest
    @ValueSource(strings = {"2026-03-06", "2026-04-09", "held"})
    void expectation_usedByAMovementAndABill_leavesTheRestOnItsDay(String now) {
        Line line = new Line(
                "s",
                null,
                "Costs",
                Direction.PAYMENT,
                true,
                null,
                "",
                DatedItems.untaxed(
                        List.of(new DatedItem(LocalDate.of(2026, 3, 5), 900_000, Certainty.CERTAIN, "")),
                        Convention.PRECEDING),
                List.of());
        OpenItem bill = item(Kind.INVOICE, "b", LocalDate.of(2026, 2, 20), LocalDate.of(2026, 3, 6), 200_000, 200_000);
        boolean held = now.equals("held");
        OpenItem handled = said(bill, held ? null : LocalDate.parse(now), null, held ? Standing.HELD : Standing.NORMAL);
        Forecast forecast = forecast(
                LocalDate.of(2026, 3, 3), line, List.of(handled), new DayAmount(LocalDate.of(2026, 3, 3), -350_000));
        assertThat(on(forecast, "2026-03-05").estimated()).isEqualTo(-350_000);
        Cell year = forecast.cell(line, new Period(LocalDate.of(2026, 3, 1), LocalDate.of(2027, 3, 1)));
        assertThat(year.settled()).isEqualTo(-350_000);
        assertThat(year.committed()).isEqualTo(held ? 0 : -200_000);
        assertThat(year.estimated()).isEqualTo(-350_000);
        if (!held) {
            assertThat(on(forecast, now).committed()).isEqualTo(-200_000);
        }
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

    /**
     * Whatever is planned, ordered, invoiced and settled, in any order: what came in, is known and is still estimated
     * comes to the greater of plan and books of every open month, and to what was invoiced of closed ones. Never a
     * pound twice, never one lost.
     */
    @Test
    void onceEach_whateverIsPlannedInvoicedAndSettledInAnyOrder() {
        for (int seed = 0; seed < 400; seed++) {
            Random random = new Random(seed);
            LocalDate asOf = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(120));
            int closedAfter = random.nextBoolean() ? 0 : random.nextInt(40);
            YearMonth first = YearMonth.from(asOf.plusDays(1));
            YearMonth open = YearMonth.from(asOf.plusDays(1L - closedAfter));
            Map<YearMonth, Long> planned = new TreeMap<>();
            for (int m = 0; m < 40; m++) {
                planned.put(open.plusMonths(m), m < 5 ? (long) random.nextInt(90_000) : 0L);
            }
            List<OpenItem> items = new ArrayList<>();
            List<DayAmount> movements = new ArrayList<>();
            Map<YearMonth, Long> known = new TreeMap<>();
            long closed = 0;
            for (int i = random.nextInt(25); i > 0; i--) {
                YearMonth month = first.plusMonths(random.nextInt(6) - 2L);
                LocalDate supplied = month.atDay(1 + random.nextInt(28));
                boolean order = random.nextInt(4) == 0 && supplied.isAfter(asOf);
                long gross = 1 + random.nextInt(30_000);
                long paid = order ? 0 : random.nextInt(3) == 0 ? random.nextInt((int) gross + 1) : 0;
                LocalDate due = asOf.plusDays(random.nextInt(200) - 85L);
                items.add(item(order ? Kind.ORDER : Kind.INVOICE, "i" + i, supplied, due, gross, gross - paid));
                if (paid > 0) {
                    movements.add(new DayAmount(asOf.minusDays(random.nextInt(30)), paid));
                }
                if (month.isBefore(open)) {
                    closed += gross;
                } else {
                    known.merge(month, gross, Long::sum);
                }
            }
            long booked = random.nextBoolean() ? 0 : random.nextInt(40_000);
            movements.add(new DayAmount(asOf.plusDays(1), booked));
            Forecast forecast =
                    forecast(closedAfter, asOf, sales(planned, 20), items, movements.toArray(new DayAmount[0]));
            Cell all = forecast.cell(
                    forecast.plan().lines().get(0),
                    new Period(forecast.firstDay(), forecast.lastDay().plusDays(1)));
            long once = closed;
            for (int m = 0; m < 8; m++) {
                once += Math.max(
                        planned.getOrDefault(open.plusMonths(m), 0L), known.getOrDefault(open.plusMonths(m), 0L));
            }
            long openItems =
                    items.stream().mapToLong(one -> one.amount().open()).sum();
            long nettable = openItems
                    + forecast.cell(forecast.plan().lines().get(0), month(YearMonth.from(asOf.plusDays(1))))
                            .estimated();
            if (booked <= nettable) {
                assertThat(all.amount()).as("seed %d", seed).isEqualTo(once);
            } else {
                assertThat(all.amount()).as("seed %d", seed).isGreaterThanOrEqualTo(once);
            }
        }
    }

    private static Period month(YearMonth month) {
        return new Period(month.atDay(1), month.plusMonths(1).atDay(1));
    }
}
