package ebbtide.forecast;

import static ebbtide.forecast.OneLineCases.LONG_AGO;
import static ebbtide.forecast.OneLineCases.NEW_YEARS_EVE;
import static ebbtide.forecast.OneLineCases.estimates;
import static ebbtide.forecast.OneLineCases.forecast;
import static ebbtide.forecast.OneLineCases.line;
import static ebbtide.forecast.OneLineCases.on;
import static ebbtide.forecast.OneLineCases.settings;
import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.answers.ChecklistItem;
import ebbtide.books.DayAmount;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.ActivityMethod.StockPurchases;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Direction;
import ebbtide.plan.Dividends;
import ebbtide.plan.Driver;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Pay;
import ebbtide.plan.PayDays;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.ProfitTax.Instalment;
import ebbtide.plan.ProfitTax.InstalmentsOf;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.StockPolicy;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import ebbtide.workings.RowWorkings;
import ebbtide.workings.Workings;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Month;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * What is owed stands until it is paid, and no figure depends on how far one looks (rules 1.9, 3.1, 7, 8.4): the
 * smallest plans that show it.
 */
class NothingDroppedTest {
    private static Line sales(String id, long monthly, SalesTax tax) {
        return line(
                id,
                Direction.RECEIPT,
                Assumption.Stream.of(
                        new FixedAmount(Steps.from(LONG_AGO, monthly)),
                        new TreeMap<>(),
                        new TreeMap<>(),
                        tax,
                        MonthPattern.atOnce(),
                        new Spread.OnDays(List.of(new Spread.DayWeight(15, 1)))));
    }

    private static Line pay(String first, int paidOverAfter, Pay.Commission commission) {
        return line(
                "pay",
                Direction.PAYMENT,
                new Pay(
                        List.of(new Pay.Role(
                                "r",
                                LONG_AGO,
                                null,
                                Steps.from(LONG_AGO, BigDecimal.ONE),
                                Pay.PaidBy.YEAR,
                                commission == null ? Steps.from(LONG_AGO, 1_200_000L) : Steps.none(),
                                BigDecimal.valueOf(1_950),
                                Percent.ZERO,
                                commission == null ? Percent.parse("20") : Percent.ZERO,
                                commission,
                                List.of())),
                        new PayDays(PayDays.Often.MONTHLY, LocalDate.parse(first), 1, Convention.PRECEDING),
                        new Pay.PaidOver(paidOverAfter, 5, Convention.FOLLOWING, new TreeMap<>())));
    }

    private static Line profitTax(InstalmentsOf of, long paid, int monthsAfter, Instalment... instalments) {
        return line(
                "tax",
                Direction.PAYMENT,
                new ProfitTax(
                        ProfitTax.Mode.YEAR,
                        Percent.parse("25"),
                        new ProfitTax.YearSoFar(0, 0, paid, 0),
                        of == InstalmentsOf.LAST_YEAR ? 100_000 : 0,
                        0,
                        List.of(instalments),
                        of,
                        monthsAfter,
                        1,
                        Convention.FOLLOWING));
    }

    private static Line ofLastYear(long paid) {
        return profitTax(
                InstalmentsOf.LAST_YEAR,
                paid,
                3,
                new Instalment(1, 15, Percent.parse("50")),
                new Instalment(2, 25, Percent.parse("30")),
                new Instalment(12, 15, Percent.parse("20")));
    }

    /** 120.00 at 20% are 100.00 net: half of it, stock for half of it, a tenth of it as commission. */
    @Test
    void salesTypedGross_areReadNetByOtherLines() {
        Line half = line(
                "half",
                Direction.PAYMENT,
                Assumption.Stream.of(
                        new ShareOfLine("sales", Percent.parse("50")),
                        new TreeMap<>(),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        MonthPattern.atOnce(),
                        new Spread.OnDays(List.of(new Spread.DayWeight(15, 1)))));
        Forecast forecast = forecast(
                "2026-12-31",
                1,
                sales("sales", 12_000, SalesTax.of(Percent.parse("20"), true)),
                half,
                stock(new StockPolicy.Opening(0, BigDecimal.ZERO)),
                pay("2026-12-28", 0, new Pay.Commission("sales", Percent.parse("10"), 0)));
        assertThat(on(forecast, "sales", "2027-01-15")).isEqualTo(12_000);
        assertThat(on(forecast, "half", "2027-01-15")).isEqualTo(-5_000);
        assertThat(on(forecast, "stock", "2027-01-15")).isEqualTo(-5_000);
        assertThat(on(forecast, "pay", "2027-01-28")).isEqualTo(-1_000);
        assertThat(RowWorkings.of(forecast, "half", new Period(LocalDate.of(2027, 1, 15), LocalDate.of(2027, 1, 16)))
                        .items())
                .extracting(Workings.Item::because)
                .contains("50% of sales 100");
    }

    /** Half of 25% of 12 x 1,000.00, whatever the horizon is. */
    @ParameterizedTest
    @ValueSource(ints = {2, 3, 12, 15})
    void instalmentOfThisYearsTax_readsTheWholeYear(int months) {
        Forecast forecast = forecast(
                "2026-12-31",
                months,
                sales("sales", 100_000, SalesTax.NONE),
                profitTax(InstalmentsOf.THIS_YEAR, 0, 9, new Instalment(2, 15, Percent.parse("50"))));
        assertThat(on(forecast, "tax", "2027-02-15")).isEqualTo(-150_000);
    }

    /** Two instalments have passed: 800.00 stand on the day after D, and the year gives all of it back. */
    @Test
    void instalmentsThatPassedUnpaid_standOverdue_untilTheyArePaidOrMarkedSo() {
        Forecast none = forecast("2027-03-10", 14, ofLastYear(0));
        assertThat(on(none, "tax", "2027-03-11")).isEqualTo(-80_000);
        assertThat(on(none, "tax", "2027-12-15")).isEqualTo(-20_000);
        assertThat(on(none, "tax", "2028-03-01")).isEqualTo(100_000);
        assertThat(ChecklistItem.of(none))
                .extracting(ChecklistItem::sentence)
                .contains("tax stands overdue with 800 of 2 days from 15 Jan 2027, which no movement has paid: "
                        + "assign its movements, or type it as paid so far");
        Forecast marked = forecast("2027-03-10", 14, ofLastYear(60_000));
        assertThat(on(marked, "tax", "2027-03-11"))
                .as("60,000 cover the first, and 10,000 of the second")
                .isEqualTo(-20_000);
        assertThat(on(marked, "tax", "2028-03-01")).isEqualTo(100_000);
        Settings settings = settings(LocalDate.of(2027, 3, 10), 14);
        Map<String, List<DayAmount>> booked = Map.of(
                "tax",
                List.of(
                        new DayAmount(LocalDate.of(2027, 1, 14), -50_000),
                        new DayAmount(LocalDate.of(2027, 3, 1), -30_000)));
        assertThat(on(forecast(settings, 0, booked, ofLastYear(0)), "tax", "2027-03-11"))
                .as("both are booked")
                .isZero();
        assertThat(on(forecast(settings, 0, booked, ofLastYear(50_000)), "tax", "2027-03-11"))
                .as("the first is marked, the second booked in March")
                .isZero();
        assertThat(on(
                        forecast(
                                settings,
                                0,
                                Map.of("tax", List.of(new DayAmount(LocalDate.of(2027, 2, 20), -20_000))),
                                ofLastYear(60_000)),
                        "tax",
                        "2027-03-11"))
                .as("what was booked by February is in what is marked")
                .isEqualTo(-20_000);
    }

    /**
     * Of the pay day of 25 August, dated 5 August, 200.00 are to be paid over; eight pay days that nobody paid stand
     * beside them.
     */
    @Test
    void payThatNobodyPaid_standsFromItsFirstPayDayOn_andSoDoesWhatIsPaidOver() {
        Forecast forecast = forecast("2027-08-10", 1, pay("2026-12-25", 0, null));
        assertThat(on(forecast, "pay", "2027-08-11")).isEqualTo(-8 * 80_000 - 20_000);
        assertThat(on(forecast, "pay", "2027-08-25")).isEqualTo(-80_000);
        assertThat(ChecklistItem.of(forecast))
                .extracting(ChecklistItem::sentence)
                .contains("pay stands overdue with 6,600 of 9 days from 25 Dec 2026, which no movement has paid: "
                        + "assign its movements, or type a first pay day after those that were paid");
        Map<String, List<DayAmount>> paid = Map.of(
                "pay",
                java.util.stream.IntStream.range(0, 8)
                        .mapToObj(i -> new DayAmount(LocalDate.of(2026, 12, 24).plusMonths(i), -80_000L))
                        .toList());
        assertThat(on(
                        forecast(settings(LocalDate.of(2027, 8, 10), 1), 0, paid, pay("2026-12-25", 0, null)),
                        "pay",
                        "2027-08-11"))
                .isEqualTo(-20_000);
    }

    @Test
    void payDaysBeforeTheFirst_areNone() {
        Forecast forecast = forecast("2025-12-31", 3, pay("2026-01-28", 1, null));
        assertThat(estimates(forecast, "pay"))
                .as("three pay days, two of them paid over")
                .isEqualTo(-3 * 80_000 - 2 * 20_000);
        assertThat(on(forecast, "pay", "2026-01-01")).isZero();
    }

    /**
     * Earned month by month at 10% of 10,000.00, paid half a year later: beyond the horizon from March on, and a cost
     * all the same.
     */
    @Test
    void commissionPaidBeyondTheHorizon_isACostOfItsMonth() {
        Forecast forecast = forecast(
                "2026-12-31",
                6,
                sales("sales", 1_000_000, SalesTax.NONE),
                pay("2026-01-25", 0, new Pay.Commission("sales", Percent.parse("10"), 6)));
        assertThat(forecast.accounts().earned(forecast.plan().findLine("pay").orElseThrow()).earned().stream()
                        .toArray())
                .hasSize(6)
                .containsOnly(-100_000L);
    }

    private static Line owners(int monthsAfter, int day) {
        return line(
                "owners",
                Direction.PAYMENT,
                new Dividends(
                        Dividends.By.AMOUNT,
                        Steps.from(LONG_AGO, 50_000L),
                        Percent.ZERO,
                        Month.DECEMBER,
                        monthsAfter,
                        day,
                        Convention.PRECEDING,
                        0,
                        0,
                        null));
    }

    /** Declared in December, paid in January; and where its day has passed unpaid, on the day after D, for 45 days. */
    @Test
    void dividendDeclaredBeforeTheForecast_isPaidOnItsDay() {
        assertThat(on(forecast("2026-12-31", 3, owners(1, 20)), "owners", "2027-01-20"))
                .isEqualTo(-50_000);
        assertThat(on(forecast("2027-01-29", 3, owners(1, 20)), "owners", "2027-02-01"))
                .as("overdue")
                .isEqualTo(-50_000);
        assertThat(estimates(forecast("2027-03-20", 3, owners(1, 20)), "owners"))
                .as("its window is over")
                .isZero();
        Line share = line(
                "owners",
                Direction.PAYMENT,
                new Dividends(
                        Dividends.By.YEAR_PROFIT,
                        Steps.none(),
                        Percent.parse("40"),
                        Month.MARCH,
                        2,
                        15,
                        Convention.PRECEDING,
                        100_000,
                        0,
                        null));
        assertThat(on(forecast("2027-04-10", 3, share), "owners", "2027-05-14"))
                .as("40% of last year's, declared in March")
                .isEqualTo(-40_000);
    }

    /** 1,000.00 with 20% of tax, of 15 March, paid on 14 April: on the cash basis the tax is of the second quarter. */
    @Test
    void taxOfAnAsset_onTheCashBasis_isOfTheDayItIsPaid() {
        Line machine = line(
                "machine",
                Direction.PAYMENT,
                new CapitalSpending(
                        List.of(new CapitalSpending.Asset(
                                "m",
                                SalesTax.of(Percent.parse("20"), false),
                                List.of(new DatedAmount(LocalDate.of(2027, 3, 15), 100_000, "")),
                                30,
                                LocalDate.of(2027, 3, 15),
                                12,
                                0,
                                null,
                                null)),
                        Convention.PRECEDING));
        Line tax = line(
                "tax",
                Direction.PAYMENT,
                new SalesTaxSettlement(
                        3,
                        Month.JANUARY,
                        1,
                        15,
                        0,
                        Convention.FOLLOWING,
                        SalesTaxSettlement.TaxPoint.CASH,
                        false,
                        new TreeMap<>()));
        Forecast forecast = forecast("2026-12-31", 9, machine, tax);
        assertThat(on(forecast, "tax", "2027-04-15")).isZero();
        assertThat(on(forecast, "tax", "2027-07-15")).isEqualTo(20_000);
    }

    /** A third of 27,189.37 by the year: 755.18 a month, rounded once, and no more than the year's in twelve. */
    @Test
    void depreciationByTheYear_isRoundedOnceAMonth() {
        Line machine = line(
                "machine",
                Direction.PAYMENT,
                new CapitalSpending(
                        List.of(new CapitalSpending.Asset(
                                "m",
                                SalesTax.NONE,
                                List.of(),
                                0,
                                LONG_AGO,
                                60,
                                0,
                                new CapitalSpending.Owned(2_718_937, 0, 0, Percent.parse("33.33")),
                                null)),
                        Convention.PRECEDING));
        Forecast forecast = forecast(settings(NEW_YEARS_EVE, 12), 0, Map.of(), machine);
        long[] worn = forecast
                .accounts()
                .earned(forecast.plan().findLine("machine").orElseThrow())
                .earned()
                .stream()
                .toArray();
        assertThat(worn).containsOnly(-75_518L);
        assertThat(Arrays.stream(worn).sum()).isGreaterThan(-906_222L);
    }

    @Test
    void openingStockThatNobodySaid_isOnTheChecklist() {
        assertThat(ChecklistItem.of(forecast(
                        "2026-12-31", 1, sales("sales", 100, SalesTax.NONE), stock(StockPolicy.Opening.NOT_SAID))))
                .extracting(ChecklistItem::sentence)
                .contains(
                        "stock has no opening stock: type what was in stock at the end of December 2026, be it nil, or it is taken as nil");
        assertThat(ChecklistItem.of(forecast(
                        "2026-12-31",
                        1,
                        sales("sales", 100, SalesTax.NONE),
                        stock(new StockPolicy.Opening(0, BigDecimal.ZERO)))))
                .extracting(ChecklistItem::sentence)
                .noneMatch(sentence -> sentence.contains("opening stock"));
    }

    private static Line stock(StockPolicy.Opening opening) {
        StockPolicy policy = new StockPolicy(
                "sales",
                StockPolicy.Given.CLOSING,
                new StockPolicy.Cost(
                        StockPolicy.CostBy.SHARE_OF_SALES,
                        Percent.parse("50"),
                        Driver.none(),
                        Driver.none(),
                        StockPolicy.Valuation.MOVING_AVERAGE),
                new StockPolicy.Target(
                        StockPolicy.TargetBy.BASE_AND_SHARE,
                        0,
                        BigDecimal.ZERO,
                        Percent.ZERO,
                        StockPolicy.TargetOf.COST,
                        0),
                new StockPolicy.Bought(StockPolicy.BoughtBy.AMOUNTS, Percent.ZERO, new TreeMap<>()),
                opening,
                0);
        return line(
                "stock",
                Direction.PAYMENT,
                Assumption.Stream.of(
                        new StockPurchases(policy),
                        new TreeMap<>(),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        MonthPattern.atOnce(),
                        new Spread.OnDays(List.of(new Spread.DayWeight(15, 1)))));
    }
}
