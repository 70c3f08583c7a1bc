package ebbtide.statements;

import static ebbtide.statements.HandCompany.D;
import static ebbtide.statements.HandCompany.OPENING;
import static ebbtide.statements.HandCompany.forecast;
import static ebbtide.statements.HandCompany.in;
import static ebbtide.statements.HandCompany.line;
import static ebbtide.statements.HandCompany.openingWith;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Expensing;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.MonthPattern.Step;
import ebbtide.plan.Nature;
import ebbtide.plan.Netting;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;
import ebbtide.time.Periods;
import ebbtide.time.Spread;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Rows of their own in the statements, by hand (rules 9.6). */
class RowsTest {
    private static Line typed(String id, Nature nature, long amount) {
        return line(
                id,
                Direction.PAYMENT,
                new Recurring(
                        new Recurrence(Recurrence.Span.MONTH, 1, LocalDate.of(2026, 1, 31), null),
                        Steps.from(D, amount),
                        Percent.ZERO,
                        SalesTax.NONE,
                        0,
                        Convention.NONE,
                        Certainty.CERTAIN,
                        new Expensing(1, 0, true)),
                nature);
    }

    private static Statements of(OpeningSheet opening, Line... lines) {
        return Statements.of(forecast(opening, lines));
    }

    private static long income(Statements statements, String row, int month) {
        return in(statements, Statements.Kind.INCOME, row, Periods.MONTH, month);
    }

    /** A column of the balance sheet: 0 is the opening. */
    private static long balance(Statements statements, String row, int column) {
        return statements.table(Statements.Kind.BALANCE, statements.months().all(Periods.MONTH), false).rows().stream()
                .filter(one -> one.id().equals(row))
                .findFirst()
                .map(one -> one.amounts().get(column))
                .orElse(0L);
    }

    @Test
    void discountsAndBadDebts_standBesideWhatWasBilled() {
        Line shop = line(
                "shop",
                Direction.RECEIPT,
                Assumption.Stream.of(
                        new FixedAmount(Steps.from(D, 1_000_000L)),
                        new TreeMap<>(java.util.Map.of(YearMonth.of(2025, 12), 1_000_000L)),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        new MonthPattern(
                                List.of(
                                        new Step(Percent.parse("60"), 0, Percent.parse("2")),
                                        new Step(Percent.parse("38"), 1, Percent.ZERO)),
                                Percent.parse("2"),
                                null),
                        new Spread.Even()),
                Nature.SALES);
        Statements with = of(OPENING, shop);
        Statements without = of(OPENING);
        assertThat(income(with, "line shop", 0)).as("what was billed").isEqualTo(1_000_000);
        assertThat(income(with, "discounts-allowed", 0)).as("2% of 6,000").isEqualTo(-12_000);
        assertThat(income(with, "gross", 0) - income(without, "gross", 0)).isEqualTo(988_000);
        assertThat(income(with, "bad-debts", 0)).as("2% of December").isEqualTo(-20_000);
        assertThat(income(with, "ebitda", 0) - income(without, "ebitda", 0)).isEqualTo(968_000);
    }

    private static Line inGroup(String group, Line line) {
        return new Line(
                line.id(),
                new Line.Heading(group, line.name(), line.direction(), true, null, ""),
                line.assumption(),
                line.nature(),
                new Line.Adjustments(List.of(), List.of(), Netting.USUAL));
    }

    private static Line group(String id, String within) {
        return new Line(id, within, id, Direction.PAYMENT, true, null, "", new Assumption.Group(), List.of());
    }

    /**
     * Premises holds rent and the group Power, Power gas and light; a group of one line, and one whose lines are all of
     * one group in it, have no row. What a group holds elsewhere stands there.
     */
    @Test
    void groupsOfTheTree_standBeforeTheirLinesWithTheirTotal() {
        Statements statements = of(
                OPENING,
                group("Premises", null),
                group("Power", "Premises"),
                group("Outer", null),
                group("Inner", "Outer"),
                group("Single", null),
                inGroup("Premises", typed("hall", Nature.OVERHEADS, 1_000)),
                inGroup("Inner", typed("post", Nature.OVERHEADS, 30)),
                inGroup("Power", typed("gas", Nature.OVERHEADS, 200)),
                inGroup("Single", typed("lawyer", Nature.OVERHEADS, 7)),
                inGroup("Power", typed("light", Nature.OVERHEADS, 50)),
                inGroup("Inner", typed("phone", Nature.OVERHEADS, 40)),
                inGroup("Power", typed("kiln", Nature.COST_OF_SALES, 500)));
        List<StatementTable.Row> rows = statements
                .table(
                        Statements.Kind.INCOME,
                        statements.months().all(Periods.MONTH).subList(0, 1),
                        false)
                .rows();
        assertThat(rows.stream()
                        .dropWhile(row -> !row.id().equals("group overheads Premises"))
                        .takeWhile(row -> row.style() != StatementTable.Style.SUM)
                        .map(row -> row.name() + " " + row.amounts().get(0) + " in " + row.group()))
                .containsExactly(
                        "Premises -1250 in null",
                        "hall -1000 in group overheads Premises",
                        "Power -250 in group overheads Premises",
                        "gas -200 in group overheads Power",
                        "light -50 in group overheads Power",
                        "Inner -70 in null",
                        "post -30 in group overheads Inner",
                        "phone -40 in group overheads Inner",
                        "lawyer -7 in null");
        assertThat(income(statements, "overheads", 0) - income(of(OPENING), "overheads", 0))
                .as("each line once")
                .isEqualTo(-1_327);
        assertThat(rows)
                .extracting(StatementTable.Row::id)
                .contains("line kiln")
                .doesNotContain("group cost Power");
        assertThat(statements
                        .workings(
                                Statements.Kind.INCOME,
                                "group overheads Premises",
                                statements.months().all(Periods.MONTH).get(0))
                        .stream()
                        .mapToLong(one -> one.minor())
                        .sum())
                .isEqualTo(-1_250);
        assertThat(KeptStatements.of(statements).rows(Statements.Kind.INCOME))
                .noneMatch(row -> row.id().startsWith("group"));
    }

    @Test
    void typedDepreciation_standsBelowEbitda_andLowersFixedAssetsLineAfterLineAtMostToNil() {
        OpeningSheet opening = openingWith(new Entry("Machines", Kind.FIXED_ASSETS, 120_000, null, true));
        Statements worn =
                of(opening, typed("wear", Nature.DEPRECIATION, 50_000), typed("tear", Nature.DEPRECIATION, 40_000));
        Statements without = of(opening);
        assertThat(income(worn, "ebitda", 0)).isEqualTo(income(without, "ebitda", 0));
        assertThat(income(worn, "depreciation", 0)).isEqualTo(-90_000);
        assertThat(income(worn, "depreciation", 1)).as("what is left").isEqualTo(-30_000);
        assertThat(income(worn, "operating", 2)).isEqualTo(income(without, "operating", 2));
        assertThat(worn.workings(
                        Statements.Kind.INCOME,
                        "depreciation",
                        worn.months().all(Periods.MONTH).get(1)))
                .extracting(item -> item.what() + " " + item.minor())
                .containsExactly("wear -30000");
        assertThat(balance(worn, "row fixed_assets", 1)).isEqualTo(30_000);
        assertThat(balance(worn, "row fixed_assets", 3)).isZero();
        assertThat(balance(worn, "gross-assets", 3)).isEqualTo(120_000);
        assertThat(balance(worn, "accumulated", 1)).isEqualTo(-90_000);
        assertThat(balance(worn, "row provisions", 3)).isZero();
        assertThat(income(worn, "profit-tax", 0))
                .as("a quarter of 900.00 less")
                .isEqualTo(income(without, "profit-tax", 0) + 22_500);
    }

    @Test
    void typedDepreciation_withoutAnOpeningBalanceSheet_isAllCharged() {
        Statements worn = Statements.of(Forecaster.forecast(
                new Plan(
                        Settings.of("P", Money.currency("GBP"), D),
                        List.of(typed("wear", Nature.DEPRECIATION, 50_000)),
                        List.of()),
                HandCompany.BOOKS));
        assertThat(income(worn, "depreciation", 5)).isEqualTo(-50_000);
        assertThat(balance(worn, "row fixed_assets", 6)).isEqualTo(-300_000);
        assertThat(balance(worn, "accumulated", 6))
                .as("nobody knows what there is")
                .isZero();
    }

    @Test
    void provision_isAnOverhead_andRaisesProvisions() {
        Statements provided = of(OPENING, typed("claims", Nature.PROVISION, 50_000));
        Statements without = of(OPENING);
        assertThat(income(provided, "ebitda", 0)).isEqualTo(income(without, "ebitda", 0) - 50_000);
        assertThat(balance(provided, "row provisions", 3)).isEqualTo(150_000);
        assertThatThrownBy(() -> line(
                        "paid",
                        Direction.PAYMENT,
                        new DatedItems(List.of(), SalesTax.NONE, Convention.NONE),
                        Nature.PROVISION))
                .hasMessageContaining("which only a cost that is never paid can");
    }

    @Test
    void restrictedCash_isARowOfItsOwn_andWhatIsMovedThereIsNotUnderWay() {
        LocalDate mid = LocalDate.of(2026, 1, 15);
        LocalDate day = LocalDate.of(2026, 1, 12);
        Books books = Books.of(
                List.of(
                        new Account("a", "A", "--", false, D, 2_000_000),
                        new Account("b", "Held for the landlord", "--", true, D, 500_000)),
                List.of(moved("a", day, -100_000), moved("b", day, 100_000)));
        Statements statements = Statements.of(Forecaster.forecast(
                new Plan(
                        Settings.of("P", Money.currency("GBP"), mid)
                                .withOpeningSheet(
                                        openingWith(new Entry("Owed on it", Kind.PAID_IN, 500_000, null, false))),
                        HandCompany.company(),
                        List.of()),
                books));
        assertThat(balance(statements, "row restricted_cash", 0)).isEqualTo(500_000);
        assertThat(balance(statements, "row restricted_cash", 1)).isEqualTo(600_000);
        assertThat(balance(statements, "row other_receivables", 1)).isZero();
        assertThat(balance(statements, "row not_placed", 0)).isZero();
        assertThat(statements
                        .table(Statements.Kind.BALANCE, statements.months().all(Periods.MONTH), false)
                        .rows())
                .as("shown even when nil")
                .anySatisfy(row -> {
                    assertThat(row.id()).isEqualTo("check");
                    assertThat(row.amounts()).containsOnly(0L);
                });
    }

    private static BankMovement moved(String account, LocalDate day, long minor) {
        return new BankMovement(
                account, day, day, minor, "", "", "", List.of(new BankMovement.AssignedPart(null, minor)));
    }
}
