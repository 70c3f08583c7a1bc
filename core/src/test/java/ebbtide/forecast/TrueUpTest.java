package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.accounts.Accounts;
import ebbtide.answers.ChecklistItem;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption.Stream;
import ebbtide.plan.DayTerms;
import ebbtide.plan.Direction;
import ebbtide.plan.Ledger;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import ebbtide.workings.RowWorkings;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** What history implies is owed against what the ledger says, and the flows scaled to it (rules 3.5). */
class TrueUpTest {
    private static final LocalDate FEBRUARY_END = LocalDate.of(2026, 2, 28);
    private static final Books BOOKS =
            Books.of(List.of(new Account("a", "A", "--", false, LocalDate.of(2020, 1, 1), 0)));
    /** Half a month later less 2%, 45% two months later, 5% never. */
    private static final MonthPattern PATTERN = new MonthPattern(
            List.of(
                    new MonthPattern.Step(Percent.parse("50"), 1, Percent.parse("2")),
                    new MonthPattern.Step(Percent.parse("45"), 2, Percent.ZERO)),
            Percent.parse("5"),
            null);

    /** 10,000 in January and 20,000 in February, then nothing. */
    private static Line line(Terms terms, Ledger ledger, Spread spread) {
        return new Line(
                "s",
                null,
                "Sales",
                Direction.RECEIPT,
                true,
                null,
                "",
                new Stream(
                        new TypedMonths(
                                new TreeMap<>(Map.of(YearMonth.of(2026, 2), 2_000_000L, YearMonth.of(2026, 3), 0L))),
                        List.of(),
                        new TreeMap<>(Map.of(YearMonth.of(2026, 1), 1_000_000L, YearMonth.of(2026, 2), 2_000_000L)),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        terms,
                        ledger,
                        spread),
                List.of());
    }

    private static Plan plan(LocalDate asOf, Line line) {
        return new Plan(Settings.of("P", Money.currency("GBP"), asOf), List.of(line), List.of());
    }

    private static long month(Plan plan, int month) {
        LocalDate first = LocalDate.of(2026, month, 1);
        return Forecaster.forecast(plan, BOOKS)
                .cell(plan.lines().get(0), new Period(first, first.plusMonths(1)))
                .amount();
    }

    /**
     * Owed at the end of February: 45% and 5% of January's, all of February's: 5,000 + 20,000. With 26,000 in the
     * ledger each is 1.04 of it: March 9,800 becomes 10,192 and 4,500 becomes 4,680; April 9,000 becomes 9,360.
     */
    @Test
    void ledgerThatHasMore_scalesEveryFlowAndWriteOff() {
        Line asImplied = line(Terms.byMonths(PATTERN), new Ledger(2_600_000, false), new Spread.Even());
        Plan plan = plan(FEBRUARY_END, asImplied);
        assertThat(Accounts.of(plan, BOOKS).stream(asImplied).owedByHistory().total())
                .isEqualTo(2_500_000);
        assertThat(month(plan, 3)).as("shown, not scaled").isEqualTo(980_000 + 450_000);
        Line scaled = line(Terms.byMonths(PATTERN), new Ledger(2_600_000, true), new Spread.Even());
        Plan truedUp = plan(FEBRUARY_END, scaled);
        assertThat(month(truedUp, 3)).isEqualTo(1_019_200 + 468_000);
        assertThat(month(truedUp, 4)).isEqualTo(936_000);
        Forecast forecast = Forecaster.forecast(truedUp, BOOKS);
        RollForward owed = RollForwards.of(forecast, scaled, 3).get(0);
        assertThat(owed.opening().get(0)).isEqualTo(2_500_000);
        assertThat(owed.changes())
                .filteredOn(change -> change.name().equals("trued up"))
                .singleElement()
                .satisfies(change -> assertThat(change.amounts()).containsExactly(100_000L, 0L, 0L));
        assertThat(owed.closing()).as("written off in March and April").containsExactly(1_040_000L, 0L, 0L);
        assertThat(RowWorkings.of(forecast, "s", new Period(LocalDate.of(2026, 4, 1), LocalDate.of(2026, 5, 1)))
                        .items())
                .last()
                .satisfies(item -> {
                    assertThat(item.what()).isEqualTo("Trued up to the ledger");
                    assertThat(item.minor()).isEqualTo(36_000);
                    assertThat(item.because())
                            .isEqualTo(
                                    "the ledger says 26,000 on the as-of date, history and terms imply 25,000: what was owed then is "
                                            + "scaled to it");
                });
    }

    /**
     * Billed on the 20th, due after 30 days: January's fell due on 19 February, February's falls due on 22 March, a
     * Sunday.
     */
    @Test
    void termsByDays_scaleWhatIsIssuedAndNotDueYet() {
        Terms terms = Terms.byDays(new DayTerms(DayTerms.Due.AFTER_ISSUE, 30, 0, Convention.FOLLOWING));
        Line line = line(terms, new Ledger(1_500_000, true), new Spread.OnDays(List.of(new Spread.DayWeight(20, 1))));
        Plan plan = plan(FEBRUARY_END, line);
        assertThat(Accounts.of(plan, BOOKS).stream(line).owedByHistory().total())
                .isEqualTo(2_000_000);
        assertThat(Forecaster.forecast(plan, BOOKS)
                        .cell(line, new Period(LocalDate.of(2026, 3, 23), LocalDate.of(2026, 3, 24)))
                        .amount())
                .isEqualTo(1_500_000);
    }

    @Test
    void nothingImplied_asksForASumOfItsOwn() {
        Line line = line(Terms.byMonths(MonthPattern.atOnce()), new Ledger(1_500_000, true), new Spread.Even());
        Plan plan = plan(FEBRUARY_END, line);
        assertThat(month(plan, 3)).isZero();
        assertThat(ChecklistItem.of(Forecaster.forecast(plan, BOOKS)))
                .extracting(ChecklistItem::sentence)
                .contains("Sales has 15,000 in the ledger, but its history implies nothing "
                        + "to scale to it: type the history, or add the sum as a line with a single date");
    }

    /**
     * Within a month: what of January's and February's halves lies after the 13th is owed, and March's own bills up to
     * it.
     */
    @Test
    void asOfDateWithinAMonth_countsTheDaysOnBothSides() {
        Line line = line(Terms.byMonths(PATTERN), new Ledger(3_500_000, true), new Spread.Even());
        Plan plan = plan(LocalDate.of(2026, 2, 13), line);
        // Ten of February's twenty business days: half of January's first step is not in yet; half of February is
        // billed.
        assertThat(Accounts.of(plan, BOOKS).stream(line).owedByHistory().total())
                .as("of January, and half of February")
                .isEqualTo(250_000 + 450_000 + 50_000 + 1_000_000);
        assertThat(Forecaster.forecast(plan, BOOKS)
                        .cell(line, new Period(LocalDate.of(2026, 2, 14), LocalDate.of(2026, 3, 1)))
                        .amount())
                .as("245,000 by the plan, doubled")
                .isEqualTo(490_000);
    }
}
