package ebbtide.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.money.Percent;
import ebbtide.time.Convention;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.List;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Facilities, loans, interest, covenants and the rules of the sweep: what they say of a day, and what they refuse in a
 * sentence.
 */
class FundingRecordsTest {
    private static final LocalDate NEW_YEAR = LocalDate.of(2026, 1, 1);

    private static Revolving facility(LocalDate start, LocalDate end, String base, long multiple, int notice) {
        return new Revolving(
                Steps.from(NEW_YEAR, 500L),
                true,
                start,
                end,
                Steps.from(NEW_YEAR, Percent.parse(base)),
                Steps.from(NEW_YEAR, Percent.parse("2")),
                Steps.none(),
                multiple,
                notice,
                Steps.from(LocalDate.of(2026, 2, 1), 120L),
                Charging.MONTHLY,
                new Revolving.Drawn(NEW_YEAR, 0, 0));
    }

    @ParameterizedTest
    @CsvSource({"2026-01-31, 500", "2026-02-01, 380", "2026-02-14, 380", "2026-02-15, 0", "2025-12-31, 0"})
    void most_isTheLimitLessGuarantees_upToTheDayBeforeItsEnd(LocalDate day, long most) {
        assertThat(facility(null, LocalDate.of(2026, 2, 15), "3", 1, 0).most(day))
                .isEqualTo(most);
    }

    @Test
    void rate_isBaseAndMargin_neverBelowZero_andNothingIsThereBeforeItsStart() {
        assertThat(facility(null, null, "3.25", 1, 0).rate(NEW_YEAR)).isEqualTo(Percent.parse("5.25"));
        assertThat(facility(null, null, "-3", 1, 0).rate(NEW_YEAR)).isEqualTo(Percent.ZERO);
        assertThat(facility(LocalDate.of(2026, 1, 10), null, "3", 1, 0).most(LocalDate.of(2026, 1, 9)))
                .isZero();
    }

    @ParameterizedTest
    @CsvSource({
        "ACT_365F, 2026-01-31, 2026-03-01, 29",
        "ACT_360, 2024-02-28, 2024-03-01, 2",
        "THIRTY_E_360, 2026-01-31, 2026-02-28, 28",
        "THIRTY_E_360, 2026-01-30, 2026-01-31, 0",
        "THIRTY_E_360, 2026-02-28, 2026-03-01, 3",
        "THIRTY_E_360, 2025-12-31, 2026-12-31, 360"
    })
    void days_areCountedAsTheirNameSays(DayCount count, LocalDate from, LocalDate to, long days) {
        assertThat(count.days(from, to)).isEqualTo(days);
    }

    @ParameterizedTest
    @CsvSource({
        "MONTH, 2026-02-28, true, 2026-02-28",
        "MONTH, 2026-02-27, false, 2026-01-31",
        "QUARTER, 2026-02-28, false, 2025-12-31",
        "QUARTER, 2026-03-31, true, 2026-03-31",
        "QUARTER, 2026-05-01, false, 2026-03-31"
    })
    void charging_isAtMonthsOrQuartersEnd(Charging.Often often, LocalDate day, boolean is, LocalDate last) {
        Charging charging = new Charging(DayCount.ACT_365F, often, false);
        assertThat(charging.isOn(day)).isEqualTo(is);
        assertThat(charging.lastOn(day)).isEqualTo(last);
    }

    @ParameterizedTest
    @CsvSource({
        "APRIL, 2026-06, true",
        "APRIL, 2026-05, false",
        "APRIL, 2026-03, true",
        "JANUARY, 2026-03, true",
        "FEBRUARY, 2026-04, true",
        "FEBRUARY, 2026-03, false"
    })
    void covenant_ofAQuarter_isTestedByTheFiscalYear(Month first, YearMonth month, boolean tested) {
        Covenant covenant = new Covenant(
                "c", "Cover", Covenant.Ratio.INTEREST_COVER, new BigDecimal("3.00"), Covenant.Every.QUARTER);
        assertThat(covenant.isTested(month, first)).isEqualTo(tested);
        assertThat(covenant.bound()).isEqualTo(new BigDecimal("3"));
        assertThat(new Covenant("c", "Cover", Covenant.Ratio.INTEREST_COVER, BigDecimal.ONE, Covenant.Every.MONTH)
                        .isTested(month, first))
                .isTrue();
    }

    @Test
    void whatCannotBe_isRefusedInASentence() {
        refused("a facility ends after it starts", () -> facility(NEW_YEAR, NEW_YEAR, "3", 1, 0));
        refused("in multiples of at least the smallest coin", () -> facility(null, null, "3", 0, 0));
        refused("business days of notice", () -> facility(null, null, "3", 1, 61));
        refused("the first pay day lies after", () -> loan(NEW_YEAR, 12, 0));
        refused("payments of interest only", () -> loan(NEW_YEAR.plusMonths(1), 12, 12));
        refused("names its line", () -> new Interest(Interest.Of.LINE, null, Charging.MONTHLY));
        refused("names none", () -> new Interest(Interest.Of.CASH, "f", Charging.MONTHLY));
        refused(
                "the payments of 0 to 366 days",
                () -> new FundingRules(
                        FundingRules.Sweeps.DAY, 0, FundingRules.InterestBy.NIGHTS, BigDecimal.valueOf(400)));
        refused(
                "at most four decimals",
                () -> new Covenant(
                        "c", "Cover", Covenant.Ratio.INTEREST_COVER, new BigDecimal("3.00001"), Covenant.Every.MONTH));
        refused(
                "is put to two dates",
                () -> new Netting(
                        Netting.Left.CATCH_UP,
                        null,
                        List.of(
                                new Netting.Chosen(NEW_YEAR, NEW_YEAR),
                                new Netting.Chosen(NEW_YEAR, NEW_YEAR.plusDays(1)))));
        refused(
                "what a facility draws and what interest costs is worked out",
                () -> new Line(
                        "f",
                        null,
                        "F",
                        Direction.PAYMENT,
                        true,
                        null,
                        "",
                        facility(null, null, "3", 1, 0),
                        List.of(new Line.CashOverride(
                                new ebbtide.time.Period(NEW_YEAR, NEW_YEAR.plusDays(1)), 5, "typed"))));
    }

    private static TermLoan loan(LocalDate firstPayDay, int payments, int interestOnly) {
        return new TermLoan(
                TermLoan.By.BULLET,
                new TermLoan.Balance(NEW_YEAR, 100, 0),
                false,
                Steps.none(),
                firstPayDay,
                payments,
                1,
                interestOnly,
                null,
                Convention.FOLLOWING,
                List.of(),
                List.of(),
                true,
                0);
    }

    private static void refused(String sentence, ThrowingCallable make) {
        assertThatThrownBy(make).isInstanceOf(IllegalArgumentException.class).hasMessageContaining(sentence);
    }

    private static Line line(String id, Direction direction, Assumption assumption) {
        return new Line(id, null, id, direction, true, null, "", assumption, List.of());
    }

    @Test
    void interestOfWhatIsNoFacility_twiceTheSame_orUnderReceipts_isAProblemOfItsLine() {
        Settings settings = Settings.of("P", ebbtide.money.Money.currency("GBP"), NEW_YEAR);
        Line facility = line("f", Direction.PAYMENT, facility(null, null, "3", 1, 0));
        Line interest = line("i", Direction.PAYMENT, new Interest(Interest.Of.LINE, "f", Charging.MONTHLY));
        assertThat(PlanCheck.problems(new Plan(settings, List.of(facility, interest), List.of())))
                .isEmpty();
        assertThat(PlanCheck.problems(new Plan(settings, List.of(interest), List.of())))
                .extracting(PlanProblem::sentence)
                .containsExactly(
                        "'i' is interest of a line that is not in the plan ('f'): choose a facility or a loan, or take it out");
        assertThat(PlanCheck.problems(new Plan(
                        settings,
                        List.of(facility, interest, line("j", Direction.PAYMENT, interest.assumption())),
                        List.of())))
                .extracting(PlanProblem::sentence)
                .containsExactly("'i' is the same interest already: keep one of the two, or it would be paid twice");
        assertThat(PlanCheck.problems(
                        new Plan(settings, List.of(line("f", Direction.RECEIPT, facility.assumption())), List.of())))
                .extracting(PlanProblem::sentence)
                .containsExactly("'f' stands under payments: what is drawn or earned is shown there too");
    }
}
