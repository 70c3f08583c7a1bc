package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.answers.FundingAnswer;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.Certainty;
import ebbtide.plan.Charging;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.time.Spread;
import ebbtide.workings.FundingWorkings;
import ebbtide.workings.RowWorkings;
import ebbtide.workings.Workings;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Facilities, loans and interest within the forecast (rules 8). */
class FundingTest {
    private static final LocalDate D = LocalDate.of(2026, 3, 31);
    private static final LocalDate LONG_AGO = LocalDate.of(2025, 1, 1);

    private static Revolving facility(long limit, long drawn) {
        return new Revolving(
                Steps.from(LONG_AGO, limit),
                true,
                null,
                null,
                Steps.from(LONG_AGO, Percent.parse("5.3")),
                Steps.from(LONG_AGO, Percent.parse("2")),
                Steps.none(),
                1,
                0,
                Steps.none(),
                Charging.MONTHLY,
                new Revolving.Drawn(D, drawn, 0));
    }

    private static Line line(String id, ebbtide.plan.Assumption assumption) {
        return new Line(id, null, id, Direction.PAYMENT, true, null, "", assumption, List.of());
    }

    private static Line paid(String day, long amount) {
        return line(
                "costs",
                DatedItems.untaxed(
                        List.of(new DatedItem(LocalDate.parse(day), amount, Certainty.CERTAIN, "")), Convention.NONE));
    }

    private static Forecast forecast(FundingRules rules, long cash, List<DayAmount> drawn, Line... lines) {
        List<Line> all = new ArrayList<>(List.of(lines));
        Settings settings = Settings.of("P", Money.currency("GBP"), D).withFunding(rules);
        Settings with = new Settings(
                        "P",
                        settings.currency(),
                        D,
                        settings.firstDayOfWeek(),
                        settings.firstFiscalMonth(),
                        3,
                        settings.amountSteps(),
                        Steps.from(LONG_AGO, 10_000L),
                        null,
                        settings.countedReceipts(),
                        settings.countedPayments())
                .withFunding(rules);
        Books books = new Books(
                List.of(new Account("a", "A", "--", false, D, cash)),
                Map.of("f", drawn),
                List.of(),
                List.of(),
                List.of(),
                Map.of("a", drawn));
        return Forecaster.forecast(new Plan(with, all, List.of()), books);
    }

    @Test
    void facility_isDrawnOnTheDayCashIsShort_andItsInterestIsPaidAtMonthsEnd() {
        Forecast forecast = forecast(
                FundingRules.USUAL,
                50_000,
                List.of(),
                paid("2026-04-10", 240_000),
                line("f", facility(500_000, 0)),
                line("fi", new Interest(Interest.Of.LINE, "f", Charging.MONTHLY)));
        LocalDate due = LocalDate.of(2026, 4, 10);
        Line f = forecast.plan().findLine("f").orElseThrow();
        assertThat(forecast.cell(f, new Period(due, due.plusDays(1))).estimated())
                .isEqualTo(200_000);
        assertThat(forecast.closing(due)).isEqualTo(10_000);
        // Twenty nights of 200,000 at 7.3%: 800; it is drawn too.
        Period april = new Period(LocalDate.of(2026, 4, 1), LocalDate.of(2026, 5, 1));
        assertThat(forecast.cell(forecast.plan().findLine("fi").orElseThrow(), april)
                        .estimated())
                .isEqualTo(-800);
        assertThat(forecast.funding().drawn(0, forecast.timeline().index(LocalDate.of(2026, 4, 30))))
                .isEqualTo(200_800);
        assertThat(forecast.liquidity().headroom(forecast.timeline().index(due)))
                .isEqualTo(10_000 + 300_000 - 10_000);
        assertThat(RowWorkings.of(forecast, "f", new Period(due, due.plusDays(1)))
                        .items())
                .singleElement()
                .satisfies(one -> assertThat(one.because()).isEqualTo("cash would be under its minimum of 100"));
        FundingAnswer answer = FundingAnswer.of(forecast, 5_000);
        assertThat(answer.sentence()).startsWith("It is enough: the most that is needed is 2,0");
        assertThat(answer.least())
                .as("what is drawn at most, with its interest and the cushion")
                .isEqualTo(answer.peakNeed() + 5_000);
    }

    @Test
    void limitTooSmall_saysWhatIsMissingAndWhen_andWhatLimitWouldDo() {
        Forecast forecast = forecast(
                FundingRules.USUAL, 50_000, List.of(), paid("2026-04-10", 240_000), line("f", facility(150_000, 0)));
        FundingAnswer answer = FundingAnswer.of(forecast, 0);
        assertThat(answer.shortfall()).isEqualTo(50_000);
        assertThat(answer.sentence()).isEqualTo("It is not enough: 500 is missing on Fri 10 Apr 2026.");
        assertThat(answer.least()).isEqualTo(200_000);
    }

    /** What is not committed may be drawn, but is no liquidity. */
    @Test
    void facilityThatIsNotCommitted_isDrawn_butIsNoLiquidity() {
        Revolving one = facility(150_000, 0);
        Revolving promised = new Revolving(
                one.limit(),
                false,
                null,
                null,
                one.base(),
                one.margin(),
                one.undrawnFee(),
                1,
                0,
                one.guarantees(),
                one.charging(),
                one.drawn());
        Forecast forecast =
                forecast(FundingRules.USUAL, 50_000, List.of(), paid("2026-04-10", 60_000), line("f", promised));
        int due = forecast.timeline().index(LocalDate.of(2026, 4, 10));
        assertThat(forecast.funding().drawn(0, due)).isEqualTo(20_000);
        assertThat(forecast.liquidity().liquidity(due)).isEqualTo(10_000);
    }

    /**
     * Half of receivables and a quarter of stock is available: 1,000 a month is sold and paid a month later, so 500
     * from the end of April on; until then the 300 that are typed. An invoice of 400 counts as long as it is not held
     * and not more than ten days late.
     */
    @Test
    void facilityAgainstReceivables_isDrawnAsFarAsTheyReach_andRepaidWhenTheyFall() {
        Revolving one = facility(500_000, 0);
        Revolving against = new Revolving(
                one.limit(),
                true,
                null,
                null,
                one.base(),
                one.margin(),
                one.undrawnFee(),
                1,
                0,
                one.guarantees(),
                one.charging(),
                one.drawn(),
                new BorrowingBase(Percent.parse("50"), Percent.parse("25"), 10, 30_000));
        Line sales = new Line(
                "sales",
                null,
                "sales",
                Direction.RECEIPT,
                true,
                null,
                "",
                Assumption.Stream.of(
                        new FixedAmount(new Steps<>(List.of(
                                new Steps.Step<>(LONG_AGO, 100_000L),
                                new Steps.Step<>(LocalDate.of(2026, 5, 1), 20_000L)))),
                        new TreeMap<>(),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        new MonthPattern(
                                List.of(new MonthPattern.Step(Percent.HUNDRED, 1, Percent.ZERO)), Percent.ZERO, null),
                        new Spread.Even()),
                List.of());
        Forecast forecast =
                forecast(FundingRules.USUAL, 10_000, List.of(), paid("2026-04-02", 45_000), line("f", against), sales);
        assertThat(most(forecast, "2026-04-29")).isEqualTo(30_000);
        assertThat(forecast.funding().shortfall(forecast.timeline().index(LocalDate.of(2026, 4, 3))))
                .as("45,000 wanted, 30,000 there")
                .isEqualTo(15_000);
        assertThat(most(forecast, "2026-04-30")).isEqualTo(50_000);
        assertThat(most(forecast, "2026-05-31")).as("half of what May bills").isEqualTo(10_000);
        assertThat(forecast.funding().drawn(0, forecast.timeline().index(LocalDate.of(2026, 4, 30))))
                .isEqualTo(45_000);
    }

    private static long most(Forecast forecast, String day) {
        return forecast.funding().most(0, forecast.timeline().index(LocalDate.parse(day)));
    }

    /** What the bank books as drawn after the as-of date is drawn, and is not drawn again. */
    @Test
    void drawingThatTheBankHasBooked_isPartOfTheBalance() {
        Forecast forecast = forecast(
                FundingRules.USUAL,
                50_000,
                List.of(new DayAmount(LocalDate.of(2026, 4, 2), 90_000)),
                paid("2026-04-10", 240_000),
                line("f", facility(500_000, 20_000)));
        assertThat(forecast.funding().drawn(0, forecast.timeline().index(LocalDate.of(2026, 4, 2))))
                .as("20,000 and 90,000, of it 130,000 repaid as cash is above its minimum")
                .isZero();
        assertThat(forecast.closing(LocalDate.of(2026, 4, 10))).isEqualTo(10_000);
    }

    @Test
    void minimumByDaysOfPayments_isTheirMeanOverTheNextQuarter() {
        Forecast forecast = forecast(
                new FundingRules(FundingRules.Sweeps.DAY, 0, FundingRules.InterestBy.NIGHTS, BigDecimal.valueOf(7)),
                500_000,
                List.of(),
                paid("2026-04-10", 91_000));
        assertThat(forecast.funding().minimum(forecast.timeline().index(LocalDate.of(2026, 4, 9))))
                .isEqualTo(7_000 * 91 / Math.min(91, 82));
        assertThat(forecast.funding().minimum(forecast.timeline().index(LocalDate.of(2026, 4, 10))))
                .isZero();
    }

    /** W6 in the forecast: drawn, repaid by instalments, its interest beside it. */
    @Test
    void loan_comesInAndGoesOutByItsSchedule() {
        TermLoan loan = new TermLoan(
                TermLoan.By.EQUAL_INSTALMENTS,
                new TermLoan.Balance(LocalDate.of(2026, 4, 15), 24_000_000, 0),
                false,
                Steps.from(LONG_AGO, Percent.parse("6.6")),
                LocalDate.of(2026, 5, 15),
                24,
                1,
                0,
                null,
                Convention.FOLLOWING,
                List.of(),
                List.of(),
                true,
                50_000);
        Forecast forecast = forecast(
                FundingRules.USUAL,
                50_000,
                List.of(),
                line("l", loan),
                line("li", new Interest(Interest.Of.LINE, "l", Charging.MONTHLY)));
        FundingTable table = FundingTable.of(
                forecast, forecast.periods(Periods.MONTH, LocalDate.of(2026, 4, 1), LocalDate.of(2026, 6, 30)));
        assertThat(table.rows())
                .filteredOn(row -> row.id().equals("l"))
                .singleElement()
                .satisfies(row -> assertThat(row.amounts()).containsExactly(24_000_000L, -938_195L, -943_355L));
        assertThat(table.rows())
                .filteredOn(row -> row.id().equals("interest"))
                .singleElement()
                .satisfies(row -> assertThat(row.amounts()).containsExactly(-50_000L, -132_000L, -126_840L));
        assertThat(table.debts().get(0).owed()).containsExactly(24_000_000L, 23_061_805L, 22_118_450L);
    }

    static LongStream seeds() {
        return LongStream.range(0, Asked.of(200));
    }

    /** Every column of the table adds up to its closing cash and chains; a facility's balance rolls on by its row. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void anyPlan_columnsAddUpAndChain(long seed) {
        RandomPlans.Case some = RandomPlans.of(seed);
        Forecast forecast = Forecaster.forecast(some.plan(), some.books());
        FundingTable table = FundingTable.of(
                forecast,
                forecast.periods(Periods.MONTH, some.plan().settings().asOf().plusDays(1), forecast.lastDay()));
        for (int i = 0; i < table.periods().size(); i++) {
            int at = i;
            long sum = table.rows().stream()
                    .filter(row -> switch (row.kind()) {
                        case BEFORE, FACILITY, LOAN, DEPOSIT, INTEREST -> true;
                        default -> false;
                    })
                    .mapToLong(row -> row.amounts().get(at))
                    .sum();
            long before = table.rows().stream()
                    .filter(row -> switch (row.kind()) {
                        case OPENING, RECEIPTS, PAYMENTS, TRANSFERS -> true;
                        default -> false;
                    })
                    .mapToLong(row -> row.amounts().get(at))
                    .sum();
            long closing = amount(table, FundingTable.Kind.CLOSING, i);
            assertThat(sum).as("seed %d", seed).isEqualTo(closing);
            assertThat(before).isEqualTo(amount(table, FundingTable.Kind.BEFORE, i));
            assertThat(i == 0
                            || amount(table, FundingTable.Kind.OPENING, i)
                                    == amount(table, FundingTable.Kind.CLOSING, i - 1))
                    .isTrue();
            if (i == seed % table.periods().size()) {
                table.rows().stream()
                        .filter(row -> row.kind() != FundingTable.Kind.HEADROOM)
                        .forEach(row -> assertThat(
                                        FundingWorkings.of(
                                                        forecast,
                                                        row.id(),
                                                        table.periods().get(at))
                                                .stream()
                                                .mapToLong(Workings.Item::minor)
                                                .sum())
                                .as("seed %d, workings of %s", seed, row.name())
                                .isEqualTo(row.amounts().get(at)));
                table.debts().forEach(debt -> assertThat(
                                FundingWorkings.of(
                                                forecast,
                                                "owed " + debt.id(),
                                                table.periods().get(at))
                                        .stream()
                                        .mapToLong(Workings.Item::minor)
                                        .sum())
                        .isEqualTo(debt.owed().get(at)));
                table.deposits().forEach(deposit -> assertThat(
                                FundingWorkings.of(
                                                forecast,
                                                "owed " + deposit.id(),
                                                table.periods().get(at))
                                        .stream()
                                        .mapToLong(Workings.Item::minor)
                                        .sum())
                        .isEqualTo(deposit.placed().get(at)));
            }
            for (FundingTable.Debt debt : table.debts()) {
                if (debt.revolving() && i > 0 && forecast.funding().unsettled().isEmpty()) {
                    long flow = table.rows().stream()
                            .filter(row -> row.id().equals(debt.id()))
                            .findFirst()
                            .orElseThrow()
                            .amounts()
                            .get(at);
                    assertThat(debt.owed().get(i))
                            .as("seed %d, %s", seed, debt.name())
                            .isEqualTo(debt.owed().get(i - 1) + flow);
                }
            }
        }
        assertThat(FundingAnswer.of(forecast, 0).sentence()).isNotBlank();
    }

    private static long amount(FundingTable table, FundingTable.Kind kind, int period) {
        return table.rows().stream()
                .filter(row -> row.kind() == kind)
                .findFirst()
                .orElseThrow()
                .amounts()
                .get(period);
    }
}
