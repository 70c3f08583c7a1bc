package ebbtide.statements;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.answers.ChecklistItem;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.FundingTable;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.Assumption;
import ebbtide.plan.Charging;
import ebbtide.plan.DayCount;
import ebbtide.plan.Direction;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.TermDeposit;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.workings.RowWorkings;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A term deposit in cash, liquidity, statements and on the checklist (rules 8.10). */
class DepositTest {
    private static final LocalDate D = LocalDate.of(2026, 2, 28);
    private static final LocalDate PLACED = LocalDate.of(2026, 3, 2);
    private static final LocalDate BACK = LocalDate.of(2026, 9, 1);
    private static final long AMOUNT = 25_000_000;
    private static final Steps<Percent> RATE = Steps.from(LocalDate.of(2025, 1, 1), Percent.parse("3.15"));
    private static final Line INTEREST =
            line("interest", new Interest(Interest.Of.DEPOSIT, "deposit", Charging.MONTHLY));

    private static Line line(String id, Assumption assumption) {
        return new Line(id, null, id, Direction.PAYMENT, true, null, "", assumption, List.of());
    }

    private static Line deposit(TermDeposit.Running running, LocalDate last, TermDeposit.Notice notice) {
        return line(
                "deposit",
                new TermDeposit(PLACED, AMOUNT, running, last, notice, RATE, DayCount.ACT_365F, 0, null, null));
    }

    private static Forecast forecast(LocalDate asOf, Integer callableWithin, List<DayAmount> booked, Line... lines) {
        Settings settings = Settings.of("P", Money.currency("GBP"), asOf)
                .withOpeningSheet(new OpeningSheet(
                        D,
                        List.of(new OpeningSheet.Entry("Capital", OpeningSheet.Kind.PAID_IN, 30_000_000, null, true))))
                .withFunding(new FundingRules(
                        FundingRules.Sweeps.DAY, 0, FundingRules.InterestBy.NIGHTS, null, callableWithin));
        Plan plan = new Plan(settings, List.of(lines), List.of());
        assertThat(PlanCheck.problems(plan)).isEmpty();
        return Forecaster.forecast(
                plan,
                new Books(
                        List.of(new Account("a", "A", "--", false, D, 30_000_000)),
                        Map.of("deposit", booked),
                        List.of(),
                        List.of(),
                        List.of(),
                        Map.of("a", booked)));
    }

    private static long row(Forecast forecast, Statements.Kind kind, String id, int at) {
        Statements statements = Statements.of(forecast);
        return statements.table(kind, statements.months().all(Periods.MONTH), false).rows().stream()
                .filter(row -> row.id().equals(id))
                .findFirst()
                .map(row -> row.amounts().get(at))
                .orElse(0L);
    }

    @Test
    void deposit_leavesAndComesBackWithItsInterest_andStandsOnTheBalanceSheetMeanwhile() {
        Forecast forecast = forecast(D, null, List.of(), deposit(null, BACK, null), INTEREST);
        assertThat(forecast.closing(PLACED.minusDays(1))).isEqualTo(30_000_000);
        assertThat(forecast.closing(PLACED)).isEqualTo(5_000_000);
        assertThat(forecast.closing(BACK)).isEqualTo(30_394_829);
        assertThat(row(forecast, Statements.Kind.BALANCE, "row deposits", 1))
                .as("the end of March")
                .isEqualTo(AMOUNT);
        assertThat(row(forecast, Statements.Kind.BALANCE, "row other_receivables", 1))
                .as("29 nights")
                .isEqualTo(62_568);
        assertThat(row(forecast, Statements.Kind.BALANCE, "row deposits", 7))
                .as("the end of September")
                .isZero();
        assertThat(row(forecast, Statements.Kind.INCOME, "interest-on-cash", 0)).isEqualTo(62_568);
        assertThat(row(forecast, Statements.Kind.CASH_DIRECT, "deposits", 6)).isEqualTo(AMOUNT);
        assertThat(row(forecast, Statements.Kind.CASH_INDIRECT, "placed", 0)).isEqualTo(-AMOUNT);
        FundingTable table = FundingTable.of(
                forecast,
                List.of(
                        new Period(LocalDate.of(2026, 3, 1), LocalDate.of(2026, 4, 1)),
                        new Period(LocalDate.of(2026, 9, 1), LocalDate.of(2026, 10, 1))));
        assertThat(table.deposits()).singleElement().satisfies(one -> assertThat(one.placed())
                .containsExactly(AMOUNT, 0L));
        assertThat(RowWorkings.of(forecast, "interest", new Period(BACK, BACK.plusDays(1)))
                        .items())
                .singleElement()
                .satisfies(
                        one -> assertThat(one.because() + one.what()).contains("183 days' interest at 3.15% a year"));
    }

    @Test
    void deposit_thatTheBankHasBooked_isNotPlacedAgain() {
        Forecast forecast = forecast(
                LocalDate.of(2026, 3, 10),
                null,
                List.of(new DayAmount(PLACED.plusDays(1), -AMOUNT)),
                deposit(null, BACK, null),
                INTEREST);
        assertThat(forecast.closing(LocalDate.of(2026, 3, 31))).isEqualTo(5_000_000);
        assertThat(forecast.closing(BACK)).isEqualTo(30_394_829);
    }

    @Test
    void deposit_thatShouldBeBack_standsUntilTheBankHasBookedIt() {
        LocalDate later = LocalDate.of(2026, 10, 1);
        Forecast forecast =
                forecast(later, null, List.of(new DayAmount(PLACED, -AMOUNT)), deposit(null, BACK, null), INTEREST);
        assertThat(forecast.closing(later)).isEqualTo(5_000_000);
        assertThat(forecast.closing(later.plusDays(1))).as("with its interest").isEqualTo(30_394_829);
    }

    @Test
    void depositAtNotice_isLiquidity_onlyWhenItCanBeCalledSoonEnough() {
        Line atNotice = deposit(null, null, new TermDeposit.Notice(5, null));
        int day = forecast(D, null, List.of(), atNotice).timeline().index(LocalDate.of(2026, 3, 4));
        assertThat(forecast(D, null, List.of(), atNotice).liquidity().headroom(day))
                .isEqualTo(5_000_000);
        assertThat(forecast(D, 2, List.of(), atNotice).liquidity().headroom(day))
                .as("called on Wednesday the 4th it is back on Monday the 9th, three business days on")
                .isEqualTo(5_000_000);
        Forecast soon = forecast(D, 3, List.of(), atNotice);
        assertThat(soon.liquidity().headroom(day)).isEqualTo(30_000_000);
        assertThat(RowWorkings.of(soon, "headroom", new Period(LocalDate.of(2026, 3, 4), LocalDate.of(2026, 3, 5)))
                        .items())
                .extracting("what", "minor")
                .contains(org.assertj.core.groups.Tuple.tuple("Deposits", AMOUNT));
        assertThat(row(soon, Statements.Kind.BALANCE, "row deposits", 3))
                .as("it can be called within the year")
                .isEqualTo(AMOUNT);
    }

    @Test
    void deposit_laterThanTwelveMonths_standsAmongLongTermAssets_untilItsYearBegins() {
        Forecast forecast = forecast(D, null, List.of(), deposit(null, LocalDate.of(2027, 9, 1), null), INTEREST);
        assertThat(row(forecast, Statements.Kind.BALANCE, "row deposits_later", 6))
                .as("the end of August 2026")
                .isEqualTo(AMOUNT);
        assertThat(row(forecast, Statements.Kind.BALANCE, "row deposits", 7))
                .as("a month on")
                .isEqualTo(AMOUNT);
    }

    @Test
    void deposit_withARateAndNoLineOfInterest_isNamed() {
        assertThat(ChecklistItem.of(forecast(D, null, List.of(), deposit(null, BACK, null))))
                .extracting("sentence")
                .contains(
                        "deposit bears interest or a fee, but no line pays it: add its interest under Payments, or it earns nothing");
        Plan wrong = new Plan(
                Settings.of("P", Money.currency("GBP"), D),
                List.of(
                        deposit(null, BACK, null),
                        line("i", new Interest(Interest.Of.LINE, "deposit", Charging.MONTHLY))),
                List.of());
        assertThat(PlanCheck.problems(wrong)).singleElement().satisfies(one -> assertThat(one.sentence())
                .contains("'deposit', which is no facility and no loan"));
    }
}
