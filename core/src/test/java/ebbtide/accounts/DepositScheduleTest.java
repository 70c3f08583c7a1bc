package ebbtide.accounts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import ebbtide.money.Percent;
import ebbtide.plan.DayCount;
import ebbtide.plan.Steps;
import ebbtide.plan.TermDeposit;
import ebbtide.time.BusinessDays;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Term deposits to the cent (rules 8.10). */
class DepositScheduleTest {
    private static final LocalDate PLACED = LocalDate.of(2026, 3, 2);
    private static final LocalDate BACK = LocalDate.of(2026, 9, 1);
    private static final long AMOUNT = 25_000_000;
    private static final BusinessDays WEEKENDS = BusinessDays.ofCountry("--");

    private static DepositSchedule of(TermDeposit deposit) {
        return new DepositSchedule(deposit, WEEKENDS, LocalDate.of(2028, 12, 31));
    }

    private static TermDeposit fixed(int everyMonths, TermDeposit.Rollover rollover, TermDeposit.Broken broken) {
        Steps<Percent> rate = new Steps<>(List.of(
                new Steps.Step<>(LocalDate.of(2026, 1, 1), Percent.parse("3.15")),
                new Steps.Step<>(BACK, Percent.parse("2.9"))));
        return new TermDeposit(
                PLACED, AMOUNT, null, BACK, null, rate, DayCount.ACT_365F, everyMonths, rollover, broken);
    }

    private static List<String> interest(DepositSchedule schedule) {
        return schedule.payments().stream()
                .map(one -> one.day() + " " + one.interest())
                .toList();
    }

    private static List<String> moved(List<Due> dues) {
        return dues.stream().map(due -> due.day() + " " + due.amount()).toList();
    }

    @Test
    void interest_atTheEndOfTheTerm_isThatOfItsDays() {
        DepositSchedule schedule = of(fixed(0, null, null));
        assertThat(interest(schedule)).containsExactly("2026-09-01 394829");
        assertThat(moved(schedule.dues())).containsExactly("2026-03-02 25000000", "2026-09-01 -25000000");
        assertThat(moved(schedule.interestDues())).containsExactly("2026-09-01 -394829");
        assertThat(schedule.placedOn(PLACED.minusDays(1))).isZero();
        assertThat(schedule.placedOn(BACK.minusDays(1))).isEqualTo(AMOUNT);
        assertThat(schedule.placedOn(BACK)).isZero();
        assertThat(schedule.interestUpTo(LocalDate.of(2026, 6, 1)))
                .as("91 days")
                .isEqualTo(-196_336);
        assertThat(schedule.interestOwedOn(BACK)).isZero();
    }

    @Test
    void rolledOver_withInterest_putsItAwayToo_atTheRateThenInForce() {
        DepositSchedule schedule = of(fixed(0, new TermDeposit.Rollover(1, true), null));
        assertThat(interest(schedule)).containsExactly("2026-09-01 394829", "2027-03-03 369234");
        assertThat(moved(schedule.dues()))
                .containsExactly("2026-03-02 25000000", "2026-09-01 394829", "2027-03-03 -25394829");
        assertThat(schedule.placedOn(BACK)).isEqualTo(25_394_829);
    }

    @Test
    void rolledOver_withoutInterest_paysItOut() {
        DepositSchedule schedule = of(fixed(0, new TermDeposit.Rollover(1, false), null));
        assertThat(moved(schedule.dues())).containsExactly("2026-03-02 25000000", "2027-03-03 -25000000");
        assertThat(interest(schedule)).containsExactly("2026-09-01 394829", "2027-03-03 363493");
    }

    @Test
    void broken_early_losesWhatIsForfeited() {
        LocalDate june = LocalDate.of(2026, 6, 1);
        assertThat(interest(of(fixed(0, null, new TermDeposit.Broken(june, 0, 30)))))
                .as("1,963.36 - 647.26")
                .containsExactly("2026-06-01 131610");
        assertThat(interest(of(fixed(0, null, new TermDeposit.Broken(june, 200_000, 0)))))
                .as("more than it earned")
                .containsExactly("2026-06-01 -3664");
        DepositSchedule later = of(
                fixed(0, new TermDeposit.Rollover(3, true), new TermDeposit.Broken(LocalDate.of(2026, 10, 3), 0, 0)));
        assertThat(moved(later.dues()))
                .as("a Saturday of the second term: back on the Monday after")
                .endsWith("2026-10-05 -25394829");
    }

    @Test
    void broken_afterItIsBack_isRefused_ratherThanOfNoEffect() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> fixed(0, null, new TermDeposit.Broken(BACK, 0, 30)))
                .withMessage(
                        "a deposit is broken before it comes back, 2026-09-01: put that day earlier, or take it out");
    }

    @Test
    void interest_onAgreedDays_isPaidByThem() {
        assertThat(interest(of(fixed(2, null, null))))
                .as("2 May is a Saturday, each month's 2nd counts from the first day")
                .containsExactly("2026-05-04 135925", "2026-07-02 127295", "2026-09-01 131610");
    }

    @Test
    void atNotice_staysUntilItIsGiven_atTheRateOfEachDay() {
        Steps<Percent> rate = new Steps<>(List.of(
                new Steps.Step<>(LocalDate.of(2026, 1, 1), Percent.parse("3.65")),
                new Steps.Step<>(LocalDate.of(2026, 3, 12), Percent.parse("1.825"))));
        TermDeposit open = new TermDeposit(
                PLACED, AMOUNT, null, null, new TermDeposit.Notice(35, null), rate, DayCount.ACT_365F, 0, null, null);
        DepositSchedule schedule = of(open);
        assertThat(schedule.payments()).isEmpty();
        assertThat(schedule.placedOn(LocalDate.of(2030, 1, 1))).isEqualTo(AMOUNT);
        assertThat(schedule.callable(PLACED, LocalDate.of(2026, 4, 6)))
                .as("35 days on")
                .isEqualTo(AMOUNT);
        assertThat(schedule.callable(PLACED, LocalDate.of(2026, 4, 5))).isZero();
        TermDeposit given = new TermDeposit(
                PLACED,
                AMOUNT,
                null,
                null,
                new TermDeposit.Notice(35, LocalDate.of(2026, 3, 10)),
                rate,
                DayCount.ACT_365F,
                0,
                null,
                null);
        assertThat(interest(of(given))).as("10 days of 25.00 and 33 of 12.50").containsExactly("2026-04-14 66250");
    }

    @Test
    void running_hasItsInterestSoFar_andIsNotPlacedAgain() {
        TermDeposit running = new TermDeposit(
                PLACED,
                AMOUNT,
                new TermDeposit.Running(LocalDate.of(2026, 6, 1), 196_336),
                BACK,
                null,
                Steps.from(LocalDate.of(2026, 1, 1), Percent.parse("3.15")),
                DayCount.ACT_365F,
                0,
                null,
                null);
        DepositSchedule schedule = of(running);
        assertThat(moved(schedule.dues())).containsExactly("2026-09-01 -25000000");
        assertThat(interest(schedule)).containsExactly("2026-09-01 394829");
        assertThat(schedule.interestOwedOn(LocalDate.of(2026, 6, 1))).isEqualTo(-196_336);
    }
}
