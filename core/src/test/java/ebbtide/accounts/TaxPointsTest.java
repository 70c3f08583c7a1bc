package ebbtide.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** To which month the sales tax of a stream belongs, and to which side of the as-of date (rules 7.3). */
class TaxPointsTest {
    private static final LocalDate D = LocalDate.of(2026, 3, 20);
    private static final YearMonth MARCH = YearMonth.of(2026, 3);

    /** 100.00 a month with 20% of tax: a quarter at once, half a month later less 2%, a quarter never. */
    private static TaxPoints points(SalesTaxSettlement.TaxPoint point, boolean relief) {
        MonthPattern pattern = new MonthPattern(
                List.of(
                        new MonthPattern.Step(Percent.parse("25"), 0, Percent.ZERO),
                        new MonthPattern.Step(Percent.parse("50"), 1, Percent.parse("2"))),
                Percent.parse("25"),
                null);
        Line line = new Line(
                "l",
                null,
                "Line",
                Direction.RECEIPT,
                true,
                null,
                "",
                Assumption.Stream.of(
                        new FixedAmount(Steps.from(LocalDate.of(2020, 1, 1), 10_000L)),
                        new TreeMap<>(),
                        new TreeMap<>(),
                        SalesTax.of(Percent.parse("20"), false),
                        pattern,
                        new Spread.Even()),
                List.of());
        SalesTaxSettlement rule =
                new SalesTaxSettlement(3, Month.JANUARY, 1, 7, 0, Convention.FOLLOWING, point, relief, new TreeMap<>());
        Accounts accounts = Accounts.of(
                new Plan(Settings.of("P", Money.currency("GBP"), D).withHorizon(3), List.of(line), List.of()),
                Books.of(List.of(new Account("a", "A", "--", false, D, 0))));
        return accounts.of(line).taxPoints(new TaxPoints.Basis(rule, Timeline.monthNumber(MARCH)));
    }

    private static long after(TaxPoints points, YearMonth month) {
        return points.after().in(Timeline.monthNumber(month));
    }

    /**
     * 20.00 of tax a month: March is parted by its 15 and 7 business days, the pennies left over to the first twenty;
     * the discount of April's cash takes 20 pence off.
     */
    @Test
    void onTheInvoiceBasis_theyLieInTheMonthOfActivity_discountsWhereTheyAreTaken() {
        TaxPoints points = points(SalesTaxSettlement.TaxPoint.INVOICE, false);
        assertThat(points.before()).isEqualTo(Map.of(MARCH, 1_365L));
        assertThat(after(points, MARCH)).isEqualTo(635);
        assertThat(after(points, MARCH.plusMonths(1))).isEqualTo(2_000 - 20);
        assertThat(after(points(SalesTaxSettlement.TaxPoint.INVOICE, true), MARCH.plusMonths(1)))
                .as("what is never paid is relieved")
                .isEqualTo(2_000 - 20 - 500);
    }

    @Test
    void onTheCashBasis_theyLieInTheMonthOfTheCash() {
        TaxPoints points = points(SalesTaxSettlement.TaxPoint.CASH, false);
        assertThat(points.before()).isEqualTo(Map.of(MARCH, 345L));
        assertThat(after(points, MARCH)).isEqualTo(155);
        assertThat(after(points, MARCH.plusMonths(1))).isEqualTo(980 + 500);
    }
}
