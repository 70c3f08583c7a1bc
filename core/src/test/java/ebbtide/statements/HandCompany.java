package ebbtide.statements;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.Certainty;
import ebbtide.plan.Charging;
import ebbtide.plan.Direction;
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
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.time.Convention;
import ebbtide.time.Periods;
import ebbtide.time.Spread;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;

/** A small company whose statements are small enough to be worked by hand. */
final class HandCompany {
    private HandCompany() {}

    static final LocalDate D = LocalDate.of(2025, 12, 31);
    static final Books BOOKS = Books.of(List.of(new Account("a", "A", "--", false, D, 2_000_000)));

    static Line line(String id, Direction direction, Assumption assumption, Nature nature) {
        return new Line(id, null, id, direction, true, null, "", assumption, List.of(), nature);
    }

    static Line line(String id, Assumption assumption) {
        return line(id, Direction.PAYMENT, assumption, assumption.usualNature(Direction.PAYMENT));
    }

    /** So much a month, all of it paid a month later. */
    static Assumption monthLater(long amount) {
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
    static List<Line> company() {
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

    static Line tax(ProfitTax.InstalmentsOf of) {
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

    static final OpeningSheet OPENING = new OpeningSheet(
            D,
            List.of(
                    new Entry("Bank", Kind.CASH, 2_000_000, null, false),
                    new Entry("Customers", Kind.RECEIVABLES, 1_000_000, "sales", false),
                    new Entry("Suppliers", Kind.PAYABLES, 600_000, "goods", false),
                    new Entry("Loan", Kind.DEBT, 1_200_000, "loan", false),
                    new Entry("Capital", Kind.PAID_IN, 500_000, null, false),
                    new Entry("Reserves", Kind.RETAINED, 700_000, null, false)));

    static Forecast forecast(OpeningSheet opening, Line... more) {
        List<Line> lines = new ArrayList<>(company());
        lines.addAll(Arrays.asList(more));
        return Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), D).withOpeningSheet(opening), lines, List.of()),
                BOOKS);
    }

    static long in(Statements statements, Statements.Kind kind, String row, Periods by, int column) {
        return statements.table(kind, statements.months().all(by), false).rows().stream()
                .filter(one -> one.id().equals(row))
                .findFirst()
                .orElseThrow()
                .amounts()
                .get(column);
    }

    static OpeningSheet openingWith(Entry... more) {
        List<Entry> entries = new ArrayList<>(OPENING.entries());
        entries.addAll(List.of(more));
        return new OpeningSheet(D, entries);
    }
}
