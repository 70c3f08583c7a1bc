package ebbtide.statements;

import static ebbtide.statements.HandCompany.BOOKS;
import static ebbtide.statements.HandCompany.D;
import static ebbtide.statements.HandCompany.OPENING;
import static ebbtide.statements.HandCompany.company;
import static ebbtide.statements.HandCompany.forecast;
import static ebbtide.statements.HandCompany.in;
import static ebbtide.statements.HandCompany.line;
import static ebbtide.statements.HandCompany.openingWith;
import static ebbtide.statements.HandCompany.tax;
import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.Charging;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Dividends;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Revolving;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.workings.Workings;
import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * A small company's statements, worked by hand to the cent (rules 9.1, 9.2), and profit that bears interest (rules
 * 8.9).
 */
class StatementsByHandTest {
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
                        statements.months().all(Periods.MONTH).get(0)))
                .singleElement()
                .extracting(Workings.Item::because)
                .isEqualTo("before the month 10,000, billed 10,000, received \u221210,000");
        assertThat(OpeningCheck.of(forecast(OPENING)).findings())
                .extracting(OpeningCheck.Finding::sentence)
                .isEmpty();
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
                        statements.months().all(Periods.MONTH).get(2)))
                .extracting(Workings.Item::what, Workings.Item::minor)
                .contains(org.assertj.core.groups.Tuple.tuple("fee", 22_000L));
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
