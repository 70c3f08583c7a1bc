package ebbtide.statements;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Certainty;
import ebbtide.plan.Charging;
import ebbtide.plan.Covenant;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Dividends;
import ebbtide.plan.Expensing;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Nature;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.time.Spread;
import ebbtide.workings.Workings;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/**
 * A small company's statements, worked by hand to the cent (rules 9.1, 9.2), and profit that bears interest (rules
 * 8.9).
 */
class StatementsByHandTest {
    private static final LocalDate D = LocalDate.of(2025, 12, 31);
    private static final Books BOOKS = Books.of(List.of(new Account("a", "A", "--", false, D, 2_000_000)));

    private static Line line(String id, Direction direction, Assumption assumption, Nature nature) {
        return new Line(id, null, id, direction, true, null, "", assumption, List.of(), nature);
    }

    private static Line line(String id, Assumption assumption) {
        return line(id, Direction.PAYMENT, assumption, assumption.usualNature(Direction.PAYMENT));
    }

    /** So much a month, all of it paid a month later. */
    private static Assumption monthLater(long amount) {
        return Assumption.Stream.of(
                new FixedAmount(Steps.from(D, amount)),
                new TreeMap<>(java.util.Map.of(YearMonth.of(2025, 12), amount)),
                new TreeMap<>(),
                SalesTax.NONE,
                new MonthPattern(List.of(new MonthPattern.Step(Percent.HUNDRED, 1, Percent.ZERO)), Percent.ZERO, null),
                new Spread.Even());
    }

    /**
     * Sales of 10,000 and goods of 6,000 a month, rent of 3,000 a quarter ahead, a loan of 12,000 repaid by 500 at 6%,
     * a quarter of profit as tax.
     */
    private static List<Line> company() {
        return List.of(
                line("sales", Direction.RECEIPT, monthLater(1_000_000), Nature.SALES),
                line("goods", Direction.PAYMENT, monthLater(600_000), Nature.COST_OF_SALES),
                line(
                        "rent",
                        new Recurring(
                                new Recurrence(Recurrence.Span.MONTH, 3, LocalDate.of(2026, 1, 1), null),
                                Steps.from(D, 300_000L),
                                Percent.ZERO,
                                SalesTax.NONE,
                                0,
                                Convention.NONE,
                                Certainty.CERTAIN,
                                new Expensing(3, 0, false))),
                line(
                        "loan",
                        new TermLoan(
                                TermLoan.By.EQUAL_PRINCIPAL,
                                new TermLoan.Balance(D, 1_200_000, 0),
                                true,
                                Steps.from(D, Percent.parse("6")),
                                LocalDate.of(2026, 1, 31),
                                24,
                                1,
                                0,
                                null,
                                Convention.NONE,
                                List.of(),
                                List.of(),
                                true,
                                0)),
                line("interest", new Interest(Interest.Of.LINE, "loan", Charging.MONTHLY)),
                tax(ProfitTax.InstalmentsOf.LAST_YEAR));
    }

    private static Line tax(ProfitTax.InstalmentsOf of) {
        return line(
                "tax",
                new ProfitTax(
                        ProfitTax.Mode.YEAR,
                        Percent.parse("25"),
                        ProfitTax.YearSoFar.NOTHING,
                        0,
                        0,
                        of == ProfitTax.InstalmentsOf.LAST_YEAR
                                ? List.of()
                                : List.of(new ProfitTax.Instalment(7, 31, Percent.parse("40"))),
                        of,
                        9,
                        30,
                        Convention.NONE));
    }

    private static final OpeningSheet OPENING = new OpeningSheet(
            D,
            List.of(
                    new Entry("Bank", Kind.CASH, 2_000_000, null, false),
                    new Entry("Customers", Kind.RECEIVABLES, 1_000_000, "sales", false),
                    new Entry("Suppliers", Kind.PAYABLES, 600_000, "goods", false),
                    new Entry("Loan", Kind.DEBT, 1_200_000, "loan", false),
                    new Entry("Capital", Kind.PAID_IN, 500_000, null, false),
                    new Entry("Reserves", Kind.RETAINED, 700_000, null, false)));

    private static Forecast forecast(OpeningSheet opening, Line... more) {
        List<Line> lines = new ArrayList<>(company());
        lines.addAll(Arrays.asList(more));
        return Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), D).withOpeningSheet(opening), lines, List.of()),
                BOOKS);
    }

    private static long in(Statements statements, Statements.Kind kind, String row, Periods by, int column) {
        return statements.table(kind, statements.periods(by), false).rows().stream()
                .filter(one -> one.id().equals(row))
                .findFirst()
                .orElseThrow()
                .amounts()
                .get(column);
    }

    /**
     * 6,000 owed of 6,000 a month for January's 31 days; a boat of 50,000 that is paid for later is no day of supplies.
     */
    @Test
    void daysOfPayables_leaveAssetsOut() {
        Line boat = line(
                "boat",
                new CapitalSpending(
                        List.of(new CapitalSpending.Asset(
                                "Boat",
                                SalesTax.NONE,
                                List.of(new DatedAmount(LocalDate.of(2026, 1, 10), 5_000_000, "")),
                                60,
                                LocalDate.of(2026, 1, 10),
                                60,
                                0,
                                null,
                                null)),
                        Convention.NONE));
        for (Statements statements :
                List.of(Statements.of(forecast(OPENING)), Statements.of(forecast(OPENING, boat)))) {
            Ratios.Ratio payables = Ratios.of(statements, statements.periods(Periods.MONTH)).stream()
                    .filter(one -> one.id().equals("days-of-payables"))
                    .findFirst()
                    .orElseThrow();
            assertThat(payables.values().get(0)).isEqualByComparingTo("20.7");
        }
    }

    @Test
    void january_byHand() {
        Statements statements = Statements.of(forecast(OPENING));
        assertThat(in(statements, Statements.Kind.INCOME, "gross", Periods.MONTH, 0))
                .isEqualTo(400_000);
        assertThat(in(statements, Statements.Kind.INCOME, "ebitda", Periods.MONTH, 0))
                .as("4,000 less 31 days of 90 of the rent, with the cent that is left")
                .isEqualTo(296_666);
        assertThat(in(statements, Statements.Kind.INCOME, "interest", Periods.MONTH, 0))
                .isEqualTo(-6_000);
        assertThat(in(statements, Statements.Kind.INCOME, "profit-tax", Periods.MONTH, 0))
                .as("a quarter of 2,906.66")
                .isEqualTo(-72_667);
        assertThat(in(statements, Statements.Kind.INCOME, "profit", Periods.MONTH, 0))
                .isEqualTo(217_999);
        assertThat(in(statements, Statements.Kind.BALANCE, "assets", Periods.MONTH, 0))
                .as("the opening")
                .isEqualTo(3_000_000);
        assertThat(in(statements, Statements.Kind.BALANCE, "row cash", Periods.MONTH, 1))
                .isEqualTo(2_044_000);
        assertThat(in(statements, Statements.Kind.BALANCE, "row prepaid", Periods.MONTH, 1))
                .isEqualTo(196_666);
        assertThat(in(statements, Statements.Kind.BALANCE, "row debt_within_a_year", Periods.MONTH, 1))
                .isEqualTo(600_000);
        assertThat(in(statements, Statements.Kind.BALANCE, "row debt_later", Periods.MONTH, 1))
                .isEqualTo(550_000);
        assertThat(in(statements, Statements.Kind.BALANCE, "equity", Periods.MONTH, 1))
                .isEqualTo(1_417_999);
        assertThat(in(statements, Statements.Kind.BALANCE, "assets", Periods.MONTH, 1))
                .isEqualTo(3_240_666)
                .isEqualTo(in(statements, Statements.Kind.BALANCE, "liabilities-and-equity", Periods.MONTH, 1));
        assertThat(in(statements, Statements.Kind.CASH_INDIRECT, "operating", Periods.MONTH, 0))
                .as("2,179.99 less 1,966.66 prepaid, and 726.67 of tax owed")
                .isEqualTo(94_000);
        assertThat(in(statements, Statements.Kind.CASH_DIRECT, "financing", Periods.MONTH, 0))
                .isEqualTo(-50_000);
        assertThat(statements.workings(
                        Statements.Kind.BALANCE,
                        "row receivables",
                        statements.periods(Periods.MONTH).get(0)))
                .singleElement()
                .extracting(Workings.Item::because)
                .isEqualTo("before the month 10,000, billed 10,000, received \u221210,000");
        assertThat(OpeningCheck.of(forecast(OPENING)).findings())
                .extracting(OpeningCheck.Finding::sentence)
                .isEmpty();
    }

    private static OpeningSheet openingWith(Entry... more) {
        List<Entry> entries = new ArrayList<>(OPENING.entries());
        entries.addAll(List.of(more));
        return new OpeningSheet(D, entries);
    }

    /**
     * A fee of 240 for a loan of 24 months, drawn in February: paid then, 10 a month of cost from then on, the rest
     * prepaid.
     */
    @Test
    void feeOfALoan_isCostOverItsTerm() {
        TermLoan loan = new TermLoan(
                TermLoan.By.BULLET,
                new TermLoan.Balance(LocalDate.of(2026, 2, 1), 100_000, 0),
                false,
                Steps.none(),
                LocalDate.of(2026, 3, 1),
                24,
                1,
                0,
                null,
                Convention.NONE,
                List.of(),
                List.of(),
                true,
                24_000);
        Statements statements = Statements.of(forecast(
                OPENING, line("new", loan), line("fee", new Interest(Interest.Of.LINE, "new", Charging.MONTHLY))));
        assertThat(in(statements, Statements.Kind.INCOME, "line fee", Periods.MONTH, 0))
                .isZero();
        assertThat(in(statements, Statements.Kind.INCOME, "line fee", Periods.MONTH, 1))
                .isEqualTo(-1_000);
        assertThat(statements.workings(
                        Statements.Kind.BALANCE,
                        "row prepaid",
                        statements.periods(Periods.MONTH).get(2)))
                .extracting(Workings.Item::what, Workings.Item::minor)
                .contains(org.assertj.core.groups.Tuple.tuple("fee", 22_000L));
    }

    @Test
    void ratios_ofAQuarter_byHand() {
        Statements statements = Statements.of(forecast(openingWith(
                new Entry("Shed", Kind.FIXED_ASSETS, 900_000, null, true),
                new Entry("Shed's owner", Kind.PAID_IN, 900_000, null, false))));
        List<Period> quarters = statements.periods(Periods.QUARTER);
        List<Ratios.Ratio> ratios = Ratios.of(statements, quarters);
        assertThat(value(ratios, "gross-margin")).isEqualByComparingTo("40.0");
        assertThat(value(ratios, "days-of-sales"))
                .as("10,000 of 30,000, times 90")
                .isEqualByComparingTo("30.0");
        assertThat(value(ratios, "days-of-payables"))
                .as("6,000 of 18,000 and 3,000 of rent, times 90")
                .isEqualByComparingTo("25.7");
        assertThat(value(ratios, "cash-conversion-cycle")).isEqualByComparingTo("4.3");
        assertThat(value(ratios, "interest-cover"))
                .as("9,000 over 60 + 57.50 + 55")
                .isEqualByComparingTo("52.17");
        BigDecimal owed =
                BigDecimal.valueOf(in(statements, Statements.Kind.BALANCE, "current-liabilities", Periods.QUARTER, 1));
        BigDecimal current =
                BigDecimal.valueOf(in(statements, Statements.Kind.BALANCE, "assets", Periods.QUARTER, 1) - 900_000);
        assertThat(value(ratios, "current-ratio"))
                .isEqualByComparingTo(current.divide(owed, 2, java.math.RoundingMode.HALF_UP));
        BigDecimal threeFactors = value(ratios, "net-margin")
                .multiply(value(ratios, "asset-turnover"))
                .multiply(value(ratios, "equity-multiplier"));
        assertThat(value(ratios, "return-on-equity"))
                .isCloseTo(threeFactors, org.assertj.core.data.Percentage.withPercentage(1));
        assertThat(value(ratios, "burn")).as("cash grows").isNull();
        assertThat(value(Ratios.of(Statements.of(forecast(null)), quarters), "current-ratio"))
                .as("no opening")
                .isNull();
    }

    private static BigDecimal value(List<Ratios.Ratio> ratios, String id) {
        return ratios.stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow()
                .values()
                .get(0);
    }

    @Test
    void currentRatio_asACovenant_readsTheBalanceSheet_andIsNotKnownWithoutItsOpening() {
        Covenant covenant = new Covenant(
                "c", "Current ratio", Covenant.Ratio.CURRENT_RATIO, new BigDecimal("2"), Covenant.Every.MONTH);
        Plan plan = forecast(OPENING).plan();
        Plan agreed =
                new Plan(plan.settings().withCovenants(List.of(covenant), new TreeMap<>()), plan.lines(), List.of());
        Covenants.Tested january =
                Covenants.of(Forecaster.forecast(agreed, BOOKS)).get(0);
        assertThat(january.value())
                .as("20,440 + 10,000 + 1,966.66 over 6,000 + 6,000 + 726.67")
                .isEqualByComparingTo("2.55");
        assertThat(january.room()).isEqualTo(3_240_666 - 2 * 1_272_667);
        assertThat(Covenants.of(Forecaster.forecast(
                                new Plan(agreed.settings().withOpeningSheet(null), plan.lines(), List.of()), BOOKS))
                        .get(0)
                        .standing())
                .isEqualTo(Covenants.Standing.NOT_KNOWN);
    }

    @Test
    void opening_thatDoesNotTie_saysWhatIsMissingAndWhatNothingClears() {
        List<Entry> entries = new ArrayList<>(OPENING.entries());
        entries.set(0, new Entry("Bank", Kind.CASH, 1_950_000, null, false));
        entries.set(1, new Entry("Customers", Kind.RECEIVABLES, 1_010_000, "sales", false));
        entries.set(2, new Entry("Suppliers", Kind.PAYABLES, 600_000, null, false));
        entries.add(new Entry("Old line", Kind.OTHER_PAYABLES, 100, "gone", false));
        OpeningCheck.Result result = OpeningCheck.of(forecast(new OpeningSheet(D, entries)));
        assertThat(result.unplaced()).isEqualTo(10_000 - 100);
        assertThat(result.findings())
                .extracting(OpeningCheck.Finding::sentence)
                .anyMatch(one -> one.startsWith("Cash of the opening balance sheet is 500 less than the 20,000"))
                .anyMatch(one -> one.startsWith("The opening balance sheet does not balance: 99 more is owned"))
                .anyMatch(one -> one.startsWith("Nothing clears Suppliers, 6,000"))
                .anyMatch(one -> one.startsWith("Old line was cleared by a line that is no longer there"))
                .anyMatch(
                        one -> one.startsWith(
                                "Receivables of sales: the opening balance sheet has 10,100, its flows clear 10,000; 100 stays"))
                .anyMatch(one ->
                        one.startsWith("Payables of goods: the opening balance sheet has 0, its flows clear 6,000"));
        Plan plan = forecast(
                        openingWith(new Entry("Deposit", Kind.OTHER_PAYABLES, 500, "asleep", false)),
                        line("asleep", DatedItems.untaxed(List.of(), Convention.NONE))
                                .off())
                .plan();
        assertThat(OpeningCheck.of(Forecaster.forecast(plan, BOOKS)).findings())
                .extracting(OpeningCheck.Finding::sentence)
                .anyMatch(one ->
                        one.startsWith("Deposit, 5, is to be cleared by asleep, which is switched off or a heading"));
        assertThat(OpeningCheck.placed(forecast(new OpeningSheet(D, entries))).unplaced())
                .as("cash as typed is 500 less")
                .isEqualTo(-50_000);
        assertThat(OpeningCheck.of(forecast(new OpeningSheet(D.minusMonths(1).withDayOfMonth(30), List.of())))
                        .findings())
                .singleElement()
                .extracting(OpeningCheck.Finding::sentence)
                .asString()
                .startsWith("The opening balance sheet is of 30 Nov 2025, but the forecast starts after 31 Dec 2025");
    }

    /**
     * Tax of the year bears the interest of facilities once it is over; its instalment in July leaves them out; a
     * payout of the year's profit bears them too.
     */
    @Test
    void profit_bearsInterestOfTheSweep_madeGoodWhenTheYearIsOver() {
        Revolving facility = new Revolving(
                Steps.from(D, 5_000_000L),
                true,
                null,
                null,
                Steps.from(D, Percent.parse("6")),
                Steps.none(),
                Steps.none(),
                1,
                0,
                Steps.none(),
                Charging.MONTHLY,
                new Revolving.Drawn(D, 3_000_000, 0));
        List<Line> lines = new ArrayList<>(
                company().stream().filter(line -> !line.id().equals("tax")).toList());
        lines.addAll(List.of(
                tax(ProfitTax.InstalmentsOf.THIS_YEAR),
                line("facility", facility),
                line("drawn", new Interest(Interest.Of.LINE, "facility", Charging.MONTHLY)),
                line(
                        "owners",
                        new Dividends(
                                Dividends.By.YEAR_PROFIT,
                                Steps.none(),
                                Percent.parse("50"),
                                Month.MARCH,
                                0,
                                31,
                                Convention.NONE,
                                0,
                                0,
                                null))));
        Settings settings = Settings.of("P", Money.currency("GBP"), D);
        Settings minimum = new Settings(
                "P",
                settings.currency(),
                D,
                settings.firstDayOfWeek(),
                settings.firstFiscalMonth(),
                24,
                settings.amountSteps(),
                Steps.from(D, 2_000_000L),
                null,
                settings.countedReceipts(),
                settings.countedPayments());
        Forecast forecast = Forecaster.forecast(new Plan(minimum, lines, List.of()), BOOKS);
        Statements statements = Statements.of(forecast);
        long swept = in(statements, Statements.Kind.INCOME, "line drawn", Periods.YEAR, 0);
        long before = in(statements, Statements.Kind.INCOME, "before-tax", Periods.YEAR, 0);
        assertThat(swept).isBetween(-190_000L, -90_000L);
        assertThat(in(statements, Statements.Kind.INCOME, "profit-tax", Periods.YEAR, 0))
                .isEqualTo(-Percent.parse("25").of(before));
        long instalment = Percent.parse("40").of(Percent.parse("25").of(before - swept));
        assertThat(on(forecast, "tax", LocalDate.of(2026, 7, 31))).isEqualTo(-instalment);
        assertThat(on(forecast, "tax", LocalDate.of(2027, 9, 30)))
                .isEqualTo(-(Percent.parse("25").of(before) - instalment));
        assertThat(on(forecast, "owners", LocalDate.of(2027, 3, 31)))
                .isEqualTo(-Percent.parse("50").of(before - Percent.parse("25").of(before)));
    }

    private static long on(Forecast forecast, String line, LocalDate day) {
        return forecast.cell(forecast.plan().findLine(line).orElseThrow(), new Period(day, day.plusDays(1)))
                .amount();
    }
}
