package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.Payroll.PayDay;
import ebbtide.answers.ChecklistItem;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption.Stream;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Pay;
import ebbtide.plan.Pay.Commission;
import ebbtide.plan.Pay.PaidBy;
import ebbtide.plan.Pay.PaidOver;
import ebbtide.plan.Pay.Role;
import ebbtide.plan.PayDays;
import ebbtide.plan.PayDays.Often;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import ebbtide.workings.RowWorkings;
import ebbtide.workings.Workings;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Pay by role, what is paid over later, and what is owed between (rules 7.1), worked by hand. */
class PayTest {
    private static final LocalDate NEW_YEARS_EVE = LocalDate.of(2025, 12, 31);
    private static final LocalDate LONG_AGO = LocalDate.of(2020, 1, 1);
    private static final PayDays MONTHLY =
            new PayDays(Often.MONTHLY, LocalDate.of(2026, 1, 28), 1, Convention.PRECEDING);
    private static final PayDays SINCE_DECEMBER =
            new PayDays(Often.MONTHLY, LocalDate.of(2025, 12, 28), 1, Convention.PRECEDING);
    /** Weekends are the only days without banking. */
    private static final Books BOOKS = Books.of(List.of(new Account("a", "A", "--", false, LONG_AGO, 0)));

    /** Three posts, 12% on-costs, 25% withheld. */
    private static Role role(long annual, LocalDate start, LocalDate end, Commission commission) {
        return new Role(
                "Drivers",
                start,
                end,
                Steps.from(LONG_AGO, BigDecimal.valueOf(3)),
                PaidBy.YEAR,
                Steps.from(LONG_AGO, annual),
                BigDecimal.valueOf(1_950),
                Percent.parse("12"),
                Percent.parse("25"),
                commission,
                List.of());
    }

    private static Line line(PayDays days, Map<YearMonth, Long> owed, Role... roles) {
        return new Line(
                "pay",
                null,
                "Pay",
                Direction.PAYMENT,
                true,
                null,
                "",
                new Pay(List.of(roles), days, new PaidOver(1, 22, Convention.FOLLOWING, new TreeMap<>(owed))),
                List.of());
    }

    private static Forecast forecast(LocalDate asOf, Line... lines) {
        return Forecaster.forecast(
                new Plan(Settings.of("Pay", Money.currency("GBP"), asOf), List.of(lines), List.of()), BOOKS);
    }

    private static long on(Forecast forecast, String day) {
        LocalDate date = LocalDate.parse(day);
        return forecast.cell(forecast.plan().findLine("pay").orElseThrow(), new Period(date, date.plusDays(1)))
                .amount();
    }

    private static List<PayDay> payDays(Line line, LocalDate from, LocalDate to) {
        Plan plan = new Plan(Settings.of("Pay", Money.currency("GBP"), NEW_YEARS_EVE), List.of(line), List.of());
        return Accounts.of(plan, BOOKS).pay(line).between(from, to);
    }

    /**
     * 3 x 30,000 a year: 7,500.00 a month, 5,625.00 of it paid; 1,875.00 and 900.00 follow on the 22nd, a Sunday in
     * February.
     */
    @Test
    void monthlyPay_isNetOnItsDay_andTheRestIsPaidOverTheMonthAfter() {
        Forecast forecast = forecast(
                NEW_YEARS_EVE,
                line(SINCE_DECEMBER, Map.of(YearMonth.of(2025, 12), 270_000L), role(3_000_000, LONG_AGO, null, null)));
        assertThat(on(forecast, "2026-01-22")).as("owed for December, an input").isEqualTo(-270_000);
        assertThat(on(forecast, "2026-01-28")).isEqualTo(-562_500);
        assertThat(on(forecast, "2026-02-23")).isEqualTo(-277_500);
        assertThat(on(forecast, "2026-02-27")).as("the 28th is a Saturday").isEqualTo(-562_500);
        assertThat(RowWorkings.of(forecast, "pay", new Period(LocalDate.of(2026, 2, 1), LocalDate.of(2026, 2, 28)))
                        .items())
                .extracting(Workings.Item::what, Workings.Item::minor)
                .containsExactly(
                        tuple("Expected on Mon 23 Feb 2026: withheld from Drivers", -187_500L),
                        tuple("Expected on Mon 23 Feb 2026: on-costs of Drivers", -90_000L),
                        tuple("Expected on Fri 27 Feb 2026: Drivers, pay", -562_500L));
        RollForward owed =
                RollForwards.of(forecast, forecast.plan().lines().get(0), 3).get(0);
        assertThat(on(forecast, "2026-01-01"))
                .as("December's pay day has no movement yet, and stands")
                .isEqualTo(-562_500);
        assertThat(owed.opening()).containsExactly(270_000L + 562_500, 277_500L, 277_500L);
        assertThat(owed.changes().get(0).amounts()).containsExactly(840_000L, 840_000L, 840_000L);
    }

    /**
     * 100,000.00 over twelve: four cents are left over and go to the first four; a rise holds from the period that
     * begins with it.
     */
    @Test
    void year_isPartedOverItsPayDays_andARiseHoldsFromItsPeriod() {
        Role raised = new Role(
                "Office",
                LONG_AGO,
                null,
                Steps.from(LONG_AGO, BigDecimal.ONE),
                PaidBy.YEAR,
                new Steps<>(List.of(
                        new Steps.Step<>(LONG_AGO, 10_000_000L),
                        new Steps.Step<>(LocalDate.of(2026, 11, 1), 12_000_000L))),
                BigDecimal.TEN,
                Percent.ZERO,
                Percent.ZERO,
                null,
                List.of(new ActivityMethod.DatedAmount(LocalDate.of(2026, 12, 18), 50_000, "year-end bonus")));
        assertThat(payDays(line(MONTHLY, Map.of(), raised), LocalDate.of(2026, 1, 1), LocalDate.of(2026, 12, 31)))
                .extracting(PayDay::earned)
                .containsExactly(
                        833_334L,
                        833_334L,
                        833_334L,
                        833_334L,
                        833_333L,
                        833_333L,
                        833_333L,
                        833_333L,
                        833_333L,
                        833_333L,
                        1_000_000L,
                        50_000L,
                        1_000_000L);
        PayDays fortnights = new PayDays(Often.FORTNIGHTLY, LocalDate.of(2026, 1, 2), 1, Convention.NONE);
        Role even = role(2_600_000 / 3, LONG_AGO, null, null);
        List<PayDay> year =
                payDays(line(fortnights, Map.of(), even), LocalDate.of(2027, 1, 1), LocalDate.of(2027, 12, 31));
        assertThat(year).as("a year with 27").hasSize(27);
        assertThat(year.get(26).earned()).isEqualTo(100_000);
        assertThat(year.stream().limit(26).mapToLong(PayDay::earned).sum()).isEqualTo(2_600_000 / 3 * 3);
        PayDays twice = new PayDays(Often.TWICE_A_MONTH, LocalDate.of(2026, 1, 15), 31, Convention.NONE);
        assertThat(payDays(line(twice, Map.of(), even), LocalDate.of(2026, 2, 1), LocalDate.of(2026, 2, 28)))
                .extracting(PayDay::day, PayDay::from)
                .containsExactly(
                        tuple(LocalDate.of(2026, 2, 15), LocalDate.of(2026, 2, 1)),
                        tuple(LocalDate.of(2026, 2, 28), LocalDate.of(2026, 2, 16)));
    }

    /**
     * From Thursday 15 January: 12 of the month's 22 business days. By the hour: 3 x 20.00 x 1,950 hours is 117,000.00
     * a year.
     */
    @Test
    void role_thatBeginsWithinAMonth_isPaidForTheBusinessDaysServed_andHoursMakeAYear() {
        assertThat(payDays(
                        line(MONTHLY, Map.of(), role(3_000_000, LocalDate.of(2026, 1, 15), null, null)),
                        LocalDate.of(2026, 1, 1),
                        LocalDate.of(2026, 1, 31)))
                .extracting(PayDay::earned)
                .containsExactly(409_091L);
        Role hourly = new Role(
                "Packers",
                LONG_AGO,
                LocalDate.of(2026, 2, 13),
                Steps.from(LONG_AGO, BigDecimal.valueOf(3)),
                PaidBy.HOUR,
                Steps.from(LONG_AGO, 2_000L),
                BigDecimal.valueOf(1_950),
                Percent.ZERO,
                Percent.ZERO,
                null,
                List.of());
        assertThat(payDays(line(MONTHLY, Map.of(), hourly), LocalDate.of(2026, 1, 1), LocalDate.of(2026, 4, 30)))
                .as("10 of 20 in February")
                .extracting(PayDay::earned)
                .containsExactly(975_000L, 487_500L);
    }

    /**
     * In the middle of February ten of its twenty business days are worked and not paid; January's paying-over is asked
     * for.
     */
    @Test
    void asOfDateWithinAMonth_owesWhatWasWorked_andAsksForWhatWasWithheld() {
        Forecast forecast =
                forecast(LocalDate.of(2026, 2, 15), line(MONTHLY, Map.of(), role(3_000_000, LONG_AGO, null, null)));
        RollForward owed =
                RollForwards.of(forecast, forecast.plan().lines().get(0), 2).get(0);
        assertThat(owed.opening().get(0))
                .as("with January's pay day, which nobody paid")
                .isEqualTo(420_000 + 562_500);
        assertThat(owed.changes().get(0).amounts()).containsExactly(420_000L, 840_000L);
        assertThat(ChecklistItem.of(forecast))
                .extracting(ChecklistItem::sentence)
                .contains(
                        "Pay of 2026-01 lacks what was withheld and owed on the as-of date: take the figure proposed, or type your own");
        assertThat(Accounts.of(forecast.plan(), BOOKS)
                        .pay(forecast.plan().lines().get(0))
                        .paidOver()
                        .get(0)
                        .proposed())
                .isEqualTo(277_500);
    }

    @Test
    void commission_isAShareOfAnotherLinesMonth_paidOnTheLastPayDayOfALaterOne() {
        Line sales = new Line(
                "sales",
                null,
                "Sales",
                Direction.RECEIPT,
                true,
                null,
                "",
                Stream.of(
                        new ActivityMethod.TypedMonths(
                                new TreeMap<>(Map.of(YearMonth.of(2026, 1), 1_000_000L, YearMonth.of(2026, 2), 0L))),
                        new TreeMap<>(),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        MonthPattern.atOnce(),
                        new Spread.Even()),
                List.of());
        Line pay = line(MONTHLY, Map.of(), role(0, LONG_AGO, null, new Commission("sales", Percent.parse("5"), 1)));
        Forecast forecast = forecast(NEW_YEARS_EVE, sales, pay);
        assertThat(on(forecast, "2026-02-27")).isEqualTo(-37_500);
        assertThat(on(forecast, "2026-03-23")).isEqualTo(-18_500);
        assertThat(RollForwards.of(forecast, pay, 2).get(0).closing())
                .as("earned in January")
                .containsExactly(56_000L, 18_500L);
    }

    /** Whatever the roles and pay days: once all have left and all is paid over, nothing is owed. */
    @Test
    void anyRolesThatEnd_leaveNothingOwedOnceAllIsPaid() {
        Random random = new Random(71);
        for (int run = 0; run < 300; run++) {
            LocalDate asOf = LocalDate.of(2025, 1, 1).plusDays(random.nextInt(700));
            List<Role> roles = new ArrayList<>();
            for (int i = random.nextInt(4); i >= 0; i--) {
                LocalDate start = asOf.plusDays(random.nextInt(200) - 150);
                roles.add(new Role(
                        "Role " + i,
                        start,
                        start.plusDays(random.nextInt(150)),
                        Steps.from(LONG_AGO, BigDecimal.valueOf(random.nextInt(90_000), 4)),
                        PaidBy.YEAR,
                        Steps.from(LONG_AGO, (long) random.nextInt(9_000_000)),
                        BigDecimal.ONE,
                        new Percent(random.nextInt(400_000)),
                        new Percent(random.nextInt(500_000)),
                        null,
                        List.of()));
            }
            PayDays days = new PayDays(
                    Often.values()[random.nextInt(4)],
                    asOf.withDayOfMonth(1 + random.nextInt(28)),
                    31,
                    Convention.values()[random.nextInt(4)]);
            Forecast forecast =
                    forecast(asOf, line(days, Map.of(YearMonth.from(asOf), 1_234L), roles.toArray(Role[]::new)));
            RollForward owed = RollForwards.of(forecast, forecast.plan().lines().get(0), 24)
                    .get(0);
            assertThat(owed.closing().get(23)).as("run %d", run).isZero();
        }
    }

    @Test
    void roles_outOfRange_areRefusedInWords() {
        assertThatThrownBy(() -> role(1, NEW_YEARS_EVE, LONG_AGO, null))
                .hasMessage("Drivers ends on 2020-01-01, before it begins on 2025-12-31");
        assertThatThrownBy(() -> role(-1, LONG_AGO, null, null))
                .hasMessageContaining("pay of Drivers from 2020-01-01 must not be negative");
        assertThatThrownBy(() -> new PayDays(Often.TWICE_A_MONTH, NEW_YEARS_EVE, 31, Convention.NONE))
                .hasMessage("the two pay days of a month must be different days, but both were day 31");
        Line pay = line(MONTHLY, Map.of(), role(1, LONG_AGO, null, new Commission("gone", Percent.parse("5"), 1)));
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), NEW_YEARS_EVE), List.of(pay), List.of());
        assertThat(ebbtide.plan.PlanCheck.problems(plan))
                .singleElement()
                .satisfies(
                        problem -> assertThat(problem.sentence())
                                .isEqualTo(
                                        "The commission of Drivers is a share of a line that is not in the plan ('gone'): choose a line with sales by month"));
    }
}
