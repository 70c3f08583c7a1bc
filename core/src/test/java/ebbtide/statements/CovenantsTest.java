package ebbtide.statements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.Certainty;
import ebbtide.plan.Charging;
import ebbtide.plan.Covenant;
import ebbtide.plan.Covenant.Every;
import ebbtide.plan.Covenant.PastMonth;
import ebbtide.plan.Covenant.Ratio;
import ebbtide.plan.Direction;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.statements.Covenants.Standing;
import ebbtide.statements.Covenants.Tested;
import ebbtide.time.Convention;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Covenants (rules 8.8): a plan earning 20,000 a month, owing 600,000 at 6%, with nine months of its past typed. */
class CovenantsTest {
    private static final LocalDate D = LocalDate.of(2026, 3, 31);

    private static Line monthly(Direction direction, long amount) {
        return new Line(
                direction.name(),
                null,
                direction.name(),
                direction,
                true,
                null,
                "",
                Recurring.plain(
                        new Recurrence(Recurrence.Span.MONTH, 1, LocalDate.of(2026, 4, 10), null),
                        Steps.from(LocalDate.of(2026, 1, 1), amount),
                        Convention.NONE,
                        Certainty.CERTAIN),
                List.of());
    }

    private static Covenant covenant(Ratio ratio, String bound) {
        return new Covenant(ratio.name(), ratio.name(), ratio, new BigDecimal(bound), Every.QUARTER);
    }

    private static List<Tested> tested(int monthsTyped) {
        return Covenants.of(forecast(monthsTyped));
    }

    private static Forecast forecast(int monthsTyped) {
        TermLoan loan = new TermLoan(
                TermLoan.By.BULLET,
                new TermLoan.Balance(D, 60_000_000, 0),
                true,
                Steps.from(LocalDate.of(2026, 1, 1), Percent.parse("6")),
                LocalDate.of(2026, 4, 30),
                60,
                1,
                0,
                null,
                Convention.NONE,
                List.of(),
                List.of(),
                true,
                0);
        List<Line> lines = List.of(
                monthly(Direction.RECEIPT, 3_000_000),
                monthly(Direction.PAYMENT, 1_000_000),
                new Line("loan", null, "Loan", Direction.PAYMENT, true, null, "", loan, List.of()),
                new Line(
                        "li",
                        null,
                        "Interest",
                        Direction.PAYMENT,
                        true,
                        null,
                        "",
                        new Interest(Interest.Of.LINE, "loan", Charging.MONTHLY),
                        List.of()));
        TreeMap<YearMonth, PastMonth> past = new TreeMap<>();
        for (int back = 0; back < monthsTyped; back++) {
            past.put(YearMonth.of(2026, 3).minusMonths(back), new PastMonth(2_000_000, 100_000, 0, 0, 500_000));
        }
        Settings settings = Settings.of("P", Money.currency("GBP"), D)
                .withCovenants(
                        List.of(
                                covenant(Ratio.LEAST_LIQUIDITY, "10500000"),
                                covenant(Ratio.NET_DEBT_TO_EBITDA, "2.5"),
                                covenant(Ratio.INTEREST_COVER, "3"),
                                covenant(Ratio.DEBT_SERVICE_COVER, "4")),
                        past);
        Books books = Books.of(List.of(new Account("a", "A", "--", false, D, 10_000_000)));
        return Forecaster.forecast(new Plan(settings, lines, List.of()), books);
    }

    private static Tested june(List<Tested> all, Ratio ratio) {
        return all.stream()
                .filter(one -> one.covenant().ratio() == ratio && one.date().equals(LocalDate.of(2026, 6, 30)))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void eachTest_readsTwelveMonths_andSaysWhatRoomIsLeft() {
        List<Tested> all = tested(9);
        Tested cover = june(all, Ratio.INTEREST_COVER);
        assertThat(cover.value()).as("240,000 over 18,000").isEqualByComparingTo("13.33");
        assertThat(cover.room()).isEqualTo(24_000_000 - 3 * 1_800_000);
        Tested debt = june(all, Ratio.NET_DEBT_TO_EBITDA);
        assertThat(debt.value())
                .as("600,000 less cash of 151,000, over 240,000")
                .isEqualByComparingTo("1.87");
        assertThat(debt.room()).isEqualTo(24_000_000 - 17_960_000);
        Tested service = june(all, Ratio.DEBT_SERVICE_COVER);
        assertThat(service.value()).as("240,000 over 18,000 and 45,000").isEqualByComparingTo("3.81");
        assertThat(service.standing()).isEqualTo(Standing.BREAKS);
        assertThat(service.room()).isEqualTo(-1_200_000);
        Tested liquidity = june(all, Ratio.LEAST_LIQUIDITY);
        assertThat(liquidity.value()).as("1 April, before anything came in").isEqualByComparingTo("10000000");
        assertThat(liquidity.standing()).isEqualTo(Standing.BREAKS);
        Forecast forecast = forecast(9);
        assertThat(Covenants.summaries(forecast))
                .extracting(one -> one.covenant().ratio(), Covenants.Summary::known, one -> one.firstBreak() == null)
                .containsExactly(
                        tuple(Ratio.LEAST_LIQUIDITY, true, false),
                        tuple(Ratio.NET_DEBT_TO_EBITDA, true, true),
                        tuple(Ratio.INTEREST_COVER, true, true),
                        tuple(Ratio.DEBT_SERVICE_COVER, true, false));
    }

    @Test
    void monthThatWasNotTyped_isNotKnown_neverAPass() {
        assertThat(june(tested(8), Ratio.INTEREST_COVER))
                .extracting(Tested::standing, Tested::value)
                .containsExactly(Standing.NOT_KNOWN, null);
        assertThat(tested(8))
                .filteredOn(one -> one.covenant().ratio() == Ratio.INTEREST_COVER)
                .extracting(Tested::standing)
                .as("from September on all months are known")
                .startsWith(Standing.NOT_KNOWN, Standing.HOLDS);
    }
}
