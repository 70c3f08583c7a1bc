package ebbtide.forecast;

import static ebbtide.forecast.OpenItemCases.FRIDAY;
import static ebbtide.forecast.OpenItemCases.MARCH;
import static ebbtide.forecast.OpenItemCases.item;
import static ebbtide.forecast.OpenItemCases.sales;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.billing.LeftOfPlan;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.Kind;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.DayRange;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import ebbtide.whatif.Act;
import ebbtide.whatif.Change;
import ebbtide.whatif.Failures;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.ScenarioPlan;
import ebbtide.whatif.Scenarios;
import ebbtide.whatif.Target;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** What a scenario has later, or sooner (rules 11.3). */
class ShiftedTest {
    private static final YearMonth APRIL = MARCH.plusMonths(1);
    private static final YearMonth MAY = MARCH.plusMonths(2);

    private static Forecast shifted(Forecast base, String line, int by, Act.Shift.Unit unit, DayRange range) {
        Scenario scenario = new Scenario(
                "s",
                "Later",
                "",
                List.of(),
                List.of(new Change("c", new Target.OfLine(line), new Act.Shift(by, unit), range, "", true)),
                false);
        ScenarioPlan made = ScenarioPlan.of(base, new Scenarios(List.of(scenario)), scenario);
        made.changes().forEach(done -> done.findsNothing().ifPresent(sentence -> {
            throw new IllegalArgumentException(sentence);
        }));
        return Forecaster.forecast(made.plan(), base.books(), base);
    }

    private static Line line(String id, Assumption assumption) {
        return new Line(id, null, id, Direction.PAYMENT, true, null, "", assumption, List.of());
    }

    private static Forecast base(LocalDate asOf, Line line, DayAmount... movements) {
        Books books = new Books(
                List.of(new Account("a", "A", "--", false, LocalDate.of(2026, 3, 1), 0)),
                Map.of(line.id(), List.of(movements)),
                List.of(),
                List.of(),
                List.of(),
                Map.of("a", List.of(movements)));
        return Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), asOf).withHorizon(6), List.of(line), List.of()),
                books);
    }

    /** W28: what is invoiced and on order of March stays in March. */
    @Test
    void monthsOnBooks_shiftedByOne_leaveWhatIsInvoicedAndOrdered() {
        List<OpenItem> items = List.of(
                item(Kind.INVOICE, "1", LocalDate.of(2026, 3, 2), LocalDate.of(2026, 5, 29), 7_840_000, 7_840_000),
                item(Kind.ORDER, "2", LocalDate.of(2026, 3, 25), LocalDate.of(2026, 5, 29), 1_200_000, 1_200_000));
        Forecast base = OpenItemCases.forecast(
                FRIDAY, sales(Map.of(MARCH, 12_000_000L, APRIL, 11_000_000L, MAY, 10_000_000L), 0), items);
        Forecast later = shifted(base, "s", 1, Act.Shift.Unit.MONTHS, DayRange.ALWAYS);
        List<LeftOfPlan.Month> months =
                later.accounts().stream(later.plan().lines().get(0)).left().months();
        assertThat(months.get(0).left()).isZero();
        assertThat(months.get(1).planned()).isEqualTo(2_960_000);
        assertThat(months.get(2).planned()).isEqualTo(11_000_000);
        assertThat(months.get(3).planned()).isEqualTo(10_000_000);
    }

    /** W28: the movement is used up on the base's day. */
    @Test
    void bill_shiftedByDays_keepsWhatIsPaidOfIt() {
        LocalDate asOf = LocalDate.of(2026, 4, 2);
        DayAmount paid = new DayAmount(LocalDate.of(2026, 3, 31), -350_000);
        for (Line bill : List.of(
                line(
                        "bill",
                        Recurring.plain(
                                new Recurrence(
                                        Recurrence.Span.MONTH, 1, LocalDate.of(2026, 4, 7), LocalDate.of(2026, 4, 30)),
                                new Steps<>(List.of(new Steps.Step<>(LocalDate.of(2026, 1, 1), 900_000L))),
                                Convention.FOLLOWING,
                                Certainty.CERTAIN)),
                line(
                        "bill",
                        DatedItems.untaxed(
                                List.of(new DatedItem(LocalDate.of(2026, 4, 7), 900_000, Certainty.CERTAIN, "")),
                                Convention.FOLLOWING)))) {
            Forecast base = base(asOf, bill, paid);
            assertThat(base.closing(LocalDate.of(2026, 4, 7)) - base.closing(LocalDate.of(2026, 4, 6)))
                    .isEqualTo(-550_000);
            Forecast later = shifted(base, "bill", 10, Act.Shift.Unit.DAYS, DayRange.ALWAYS);
            assertThat(later.closing(LocalDate.of(2026, 4, 16))).isEqualTo(base.closing(LocalDate.of(2026, 4, 6)));
            assertThat(later.closing(LocalDate.of(2026, 4, 17)) - later.closing(LocalDate.of(2026, 4, 16)))
                    .isEqualTo(-550_000);
            Forecast month = shifted(base, "bill", 1, Act.Shift.Unit.MONTHS, DayRange.ALWAYS);
            assertThat(month.closing(LocalDate.of(2026, 5, 7)) - month.closing(LocalDate.of(2026, 5, 6)))
                    .isEqualTo(-550_000);
            // Sooner than the as-of date it is paid on the first business day after.
            Forecast sooner = shifted(base, "bill", -20, Act.Shift.Unit.DAYS, DayRange.ALWAYS);
            assertThat(sooner.closing(LocalDate.of(2026, 4, 3)) - sooner.closing(asOf))
                    .isEqualTo(-550_000);
        }
    }

    /** Of a pattern what the spread lays after the as-of date: 6 of March's 22 business days, of 110,000. */
    @Test
    void monthOfAPattern_shifted_leavesWhatLiesUpToTheAsOfDate() {
        TreeMap<YearMonth, Long> months = new TreeMap<>(Map.of(MARCH, 11_000_000L, APRIL, 5_000_000L));
        Forecast base = base(
                LocalDate.of(2026, 3, 23),
                line(
                        "s",
                        Assumption.Stream.of(
                                new TypedMonths(months),
                                new TreeMap<>(),
                                new TreeMap<>(),
                                SalesTax.NONE,
                                new MonthPattern(
                                        List.of(new MonthPattern.Step(Percent.HUNDRED, 0, Percent.ZERO)),
                                        Percent.ZERO,
                                        null),
                                new Spread.Even())));
        Forecast later = shifted(base, "s", 1, Act.Shift.Unit.MONTHS, DayRange.ALWAYS);
        Line line = later.plan().lines().get(0);
        assertThat(later.accounts().activity().planned(line).in(12 * 2026 + 2)).isEqualTo(8_000_000);
        assertThat(later.accounts().activity().planned(line).in(12 * 2026 + 3)).isEqualTo(3_000_000);
        assertThat(later.accounts().activity().planned(line).in(12 * 2026 + 4)).isEqualTo(5_000_000);
        assertThatThrownBy(() -> shifted(base, "s", 10, Act.Shift.Unit.DAYS, DayRange.ALWAYS))
                .hasMessageContaining("shifted by months");
    }

    /** Of 100,000 invoiced in the year, 20,000 are the one's: a fifth of April on does not come, nor what it owes. */
    @Test
    void counterpartyThatFails_paysNothing_andItsShareOfWhatIsToComeIsGone() {
        List<OpenItem> items = List.of(
                item(Kind.INVOICE, "1", LocalDate.of(2026, 3, 2), LocalDate.of(2026, 4, 30), 2_000_000, 2_000_000),
                other("2", 8_000_000));
        Forecast base = OpenItemCases.forecast(
                FRIDAY, sales(Map.of(MARCH, 12_000_000L, APRIL, 11_000_000L, MAY, 0L), 0), items);
        List<Failures.Failure> failures = Failures.of(base, 10);
        assertThat(failures)
                .extracting(Failures.Failure::counterparty)
                .containsExactly("Brill Hotels", "Gullrock Hotels");
        assertThat(failures.get(1).open()).isEqualTo(2_000_000);
        assertThat(failures.get(1).difference().closing())
                .as("what it owes, and a fifth of April and of the two years' March and April that follow")
                .isEqualTo(-2_000_000 - 2_200_000 - 2_400_000 - 2_200_000 - 2_400_000);
    }

    private static OpenItem other(String id, long gross) {
        return new OpenItem(
                id,
                Kind.INVOICE,
                id,
                "Brill Hotels",
                "s",
                LocalDate.of(2026, 3, 2),
                LocalDate.of(2026, 3, 2),
                LocalDate.of(2026, 4, 30),
                new OpenItem.Amount(gross, 0, false, gross),
                null,
                Handling.NONE,
                null);
    }
}
