package ebbtide.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.DayCount;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.plan.TermLoan.By;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Schedules of loans (rules 8.6). */
class LoanScheduleTest {
    private static final LocalDate DRAWN = LocalDate.of(2026, 1, 31);
    private static final BusinessDays WEEKENDS = BusinessDays.ofCountry("--");

    private static TermLoan loan(
            By by,
            long amount,
            Steps<Percent> rate,
            int payments,
            int interestOnly,
            DayCount count,
            List<DatedAmount> apart,
            boolean keepsEnd) {
        return new TermLoan(
                by,
                new TermLoan.Balance(DRAWN, amount, 0),
                false,
                rate,
                LocalDate.of(2026, 2, 28),
                payments,
                1,
                interestOnly,
                count,
                Convention.FOLLOWING,
                by == By.TYPED ? apart : List.of(),
                by == By.TYPED ? List.of() : apart,
                keepsEnd,
                0);
    }

    private static List<LoanSchedule.Payment> payments(TermLoan loan) {
        return new LoanSchedule(loan, WEEKENDS).payments();
    }

    private static Steps<Percent> rate(String percent) {
        return Steps.from(LocalDate.of(2025, 1, 1), Percent.parse(percent));
    }

    /** W6. */
    @Test
    void equalInstalments_endAtNothing_theRoundingOnTheLast() {
        List<LoanSchedule.Payment> all =
                payments(loan(By.EQUAL_INSTALMENTS, 24_000_000, rate("6.6"), 24, 0, null, List.of(), true));
        assertThat(all).hasSize(24);
        assertThat(all.subList(0, 23)).allMatch(one -> one.principal() + one.interest() == 1_070_195);
        assertThat(all.get(23).principal() + all.get(23).interest()).isEqualTo(1_070_196);
        assertThat(all)
                .extracting(LoanSchedule.Payment::interest)
                .startsWith(132_000L, 126_840L)
                .endsWith(11_676L, 5_854L);
        assertThat(all.stream().mapToLong(LoanSchedule.Payment::interest).sum()).isEqualTo(1_684_681);
        assertThat(all.get(23).left()).isZero();
        assertThat(all.get(0).day())
                .as("Saturday 28 February is paid on Monday, the interest is the same")
                .isEqualTo(LocalDate.of(2026, 3, 2));
    }

    @Test
    void otherWays_repayAsTheySay() {
        assertThat(payments(loan(By.EQUAL_PRINCIPAL, 1_000, rate("12"), 3, 0, null, List.of(), true)))
                .extracting(LoanSchedule.Payment::principal)
                .containsExactly(333L, 333L, 334L);
        assertThat(payments(loan(By.BULLET, 1_000, rate("12"), 3, 0, null, List.of(), true)))
                .extracting(LoanSchedule.Payment::principal)
                .containsExactly(0L, 0L, 1_000L);
        List<LoanSchedule.Payment> late =
                payments(loan(By.EQUAL_INSTALMENTS, 120_000, rate("12"), 4, 2, null, List.of(), true));
        assertThat(late)
                .extracting(LoanSchedule.Payment::principal)
                .as("two months of interest alone")
                .startsWith(0L, 0L);
        assertThat(late).extracting(LoanSchedule.Payment::interest).startsWith(1_200L, 1_200L, 1_200L);
        List<LoanSchedule.Payment> actual =
                payments(loan(By.BULLET, 365_000, rate("10"), 2, 0, DayCount.ACT_365F, List.of(), true));
        assertThat(actual)
                .extracting(LoanSchedule.Payment::interest)
                .as("28 and 31 days")
                .containsExactly(2_800L, 2_800L);
        assertThat(payments(loan(
                        By.TYPED,
                        1_000,
                        rate("0"),
                        3,
                        0,
                        null,
                        List.of(new DatedAmount(LocalDate.of(2026, 3, 10), 600, "")),
                        true)))
                .extracting(LoanSchedule.Payment::left)
                .containsExactly(1_000L, 400L, 400L, 0L);
    }

    @Test
    void rateStep_recomputesTheInstalment_overWhatIsLeft() {
        Steps<Percent> stepped = new Steps<>(List.of(
                new Steps.Step<>(LocalDate.of(2025, 1, 1), Percent.parse("6")),
                new Steps.Step<>(LocalDate.of(2026, 8, 1), Percent.parse("9"))));
        List<LoanSchedule.Payment> all =
                payments(loan(By.EQUAL_INSTALMENTS, 1_200_000, stepped, 12, 0, null, List.of(), true));
        long before = all.get(0).principal() + all.get(0).interest();
        long after = all.get(7).principal() + all.get(7).interest();
        assertThat(after).isGreaterThan(before);
        assertThat(all.subList(0, 7)).allMatch(one -> one.principal() + one.interest() == before);
        assertThat(all.subList(7, 11)).allMatch(one -> one.principal() + one.interest() == after);
        assertThat(all.get(11).left()).isZero();
    }

    @Test
    void earlyRepayment_lowersInstalments_orShortens() {
        List<DatedAmount> early = List.of(new DatedAmount(LocalDate.of(2026, 6, 15), 400_000, ""));
        List<LoanSchedule.Payment> lowered =
                payments(loan(By.EQUAL_INSTALMENTS, 1_200_000, rate("6"), 12, 0, null, early, true));
        List<LoanSchedule.Payment> shortened =
                payments(loan(By.EQUAL_INSTALMENTS, 1_200_000, rate("6"), 12, 0, null, early, false));
        assertThat(lowered).hasSize(13);
        assertThat(shortened.size()).isLessThan(13);
        assertThat(shortened.get(6).principal() + shortened.get(6).interest())
                .as("the same instalment")
                .isEqualTo(shortened.get(0).principal() + shortened.get(0).interest());
        assertThat(lowered.get(6).principal() + lowered.get(6).interest())
                .isLessThan(lowered.get(0).principal() + lowered.get(0).interest());
    }

    /** Whatever the loan: it is repaid to nothing, no payment is below zero, and what is left chains. */
    @Test
    void anyLoan_isRepaidWhole() {
        Random random = new Random(6);
        for (int run = 0; run < 2_000; run++) {
            int count = 1 + random.nextInt(60);
            By by = By.values()[random.nextInt(4)];
            List<DatedAmount> apart = random.nextBoolean()
                    ? List.of()
                    : List.of(
                            new DatedAmount(DRAWN.plusDays(1 + random.nextInt(900)), 1 + random.nextInt(500_000), ""));
            Steps<Percent> rates = random.nextBoolean()
                    ? rate("0")
                    : new Steps<>(List.of(
                            new Steps.Step<>(LocalDate.of(2025, 1, 1), new Percent(random.nextInt(200_000))),
                            new Steps.Step<>(LocalDate.of(2026, 7, 9), new Percent(random.nextInt(200_000)))));
            TermLoan loan = loan(
                    by,
                    1 + random.nextInt(5_000_000),
                    rates,
                    count,
                    random.nextInt(count),
                    random.nextBoolean() ? null : DayCount.values()[random.nextInt(3)],
                    apart,
                    random.nextBoolean());
            long left = loan.from().amount();
            for (LoanSchedule.Payment one : payments(loan)) {
                left -= one.principal();
                assertThat(one.principal()).as("run %d", run).isNotNegative();
                assertThat(one.interest()).isNotNegative();
                assertThat(one.left()).isEqualTo(left);
            }
            assertThat(left).as("run %d", run).isZero();
        }
    }
}
