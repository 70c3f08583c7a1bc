package ebbtide.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.plan.PaymentRuns.Takes;
import ebbtide.plan.PaymentRuns.When;
import ebbtide.time.BusinessDays;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The run that takes a bill (rules 4.6). D is Monday 9 March 2026. */
class PaymentRunsTest {
    private static final LocalDate AS_OF = LocalDate.of(2026, 3, 9);
    private static final BusinessDays UK = BusinessDays.ofCountry("GB");

    @ParameterizedTest
    @CsvSource({
        "WEEKLY, 0, ON_OR_AFTER, 2026-03-10, 2026-03-12",
        "WEEKLY, 0, ON_OR_BEFORE, 2026-03-18, 2026-03-12",
        "WEEKLY, 3, ON_OR_AFTER, 2026-03-10, 2026-03-19",
        "WEEKLY, 0, ON_OR_BEFORE, 2026-03-11, 2026-03-12",
        "WEEKLY, 0, ON_OR_AFTER, 2026-02-01, 2026-03-12",
        "DAYS_OF_MONTH, 0, ON_OR_AFTER, 2026-03-11, 2026-03-25",
        "DAYS_OF_MONTH, 0, ON_OR_AFTER, 2026-03-26, 2026-04-10",
        "DAYS_OF_MONTH, 0, ON_OR_BEFORE, 2026-05-11, 2026-05-08",
        "LAST_BUSINESS_DAY, 0, ON_OR_AFTER, 2026-03-11, 2026-03-31",
        "LAST_BUSINESS_DAY, 0, ON_OR_BEFORE, 2026-05-30, 2026-05-29"
    })
    void run_takesTheBill_byItsPolicy_neverOnOrBeforeTheAsOfDate(
            When when, int stretch, Takes takes, LocalDate due, LocalDate run) {
        assertThat(new PaymentRuns(when, DayOfWeek.THURSDAY, List.of(10, 25), stretch, takes).runFor(due, AS_OF, UK))
                .isEqualTo(run);
    }

    @Test
    void run_ofAnyDueDate_isABusinessDayAfterTheAsOfDate_onTheSideItsPolicySays() {
        Random random = new Random(46);
        for (int i = 0; i < 2_000; i++) {
            PaymentRuns runs = new PaymentRuns(
                    When.values()[random.nextInt(3)],
                    DayOfWeek.of(1 + random.nextInt(7)),
                    List.of(1 + random.nextInt(31)),
                    random.nextInt(20),
                    Takes.values()[random.nextInt(2)]);
            LocalDate due = AS_OF.plusDays(random.nextInt(300) - 60L);
            LocalDate run = runs.runFor(due, AS_OF, UK);
            assertThat(UK.isBusinessDay(run)).isTrue();
            assertThat(run).as("%s of %s", runs, due).isAfter(AS_OF);
            LocalDate wanted = due.plusDays(runs.stretchDays());
            assertThat(
                            runs.takes() == Takes.ON_OR_AFTER
                                    ? !run.isBefore(wanted)
                                    : !run.isAfter(wanted) || run.isBefore(AS_OF.plusDays(40)))
                    .isTrue();
            assertThat(run).isBeforeOrEqualTo((wanted.isAfter(AS_OF) ? wanted : AS_OF).plusDays(40));
        }
    }

    @Test
    void runs_thatCannotBe_areRefused() {
        assertThatThrownBy(() -> new PaymentRuns(When.DAYS_OF_MONTH, DayOfWeek.MONDAY, List.of(), 0, Takes.ON_OR_AFTER))
                .hasMessageContaining("at least one day");
        assertThatThrownBy(() -> new PaymentRuns(When.WEEKLY, DayOfWeek.MONDAY, List.of(32), 0, Takes.ON_OR_AFTER))
                .hasMessageContaining("must be from 1 to 31");
        assertThatThrownBy(() -> new PaymentRuns(When.WEEKLY, DayOfWeek.MONDAY, List.of(), 200, Takes.ON_OR_AFTER))
                .hasMessageContaining("stretched must be from 0 to 120");
    }
}
