package ebbtide.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The periods in which flows are added up (rules 1.2, 1.7). */
class PeriodsTest {
    @Test
    void cover_anyLengthSpanAndSettings_coversEveryDayOnceAndBreaksOnlyWhereItMust() {
        Random random = new Random(9);
        for (int run = 0; run < 2_000; run++) {
            LocalDate from = LocalDate.of(2024, 1, 1).plusDays(random.nextInt(900));
            LocalDate to = from.plusDays(random.nextInt(500));
            DayOfWeek firstDay = DayOfWeek.of(1 + random.nextInt(7));
            Month firstMonth = Month.of(1 + random.nextInt(12));
            LocalDate asOf = from.plusDays(random.nextInt(520) - 10L);
            for (Periods by : Periods.values()) {
                List<Period> periods = by.cover(from, to, firstDay, firstMonth, asOf);
                assertThat(periods.get(0).startInclusive()).isEqualTo(from);
                assertThat(periods.get(periods.size() - 1).lastDay()).isEqualTo(to);
                for (int i = 1; i < periods.size(); i++) {
                    LocalDate start = periods.get(i).startInclusive();
                    assertThat(start)
                            .as("run %d, %s: no gap, no overlap", run, by)
                            .isEqualTo(periods.get(i - 1).endExclusive());
                    boolean naturally =
                            switch (by) {
                                case DAY -> true;
                                case WEEK -> start.getDayOfWeek() == firstDay || start.equals(asOf.plusDays(1));
                                case MONTH -> start.getDayOfMonth() == 1;
                                case QUARTER ->
                                    start.getDayOfMonth() == 1
                                            && Math.floorMod(start.getMonthValue() - firstMonth.getValue(), 3) == 0;
                                case YEAR -> start.getDayOfMonth() == 1 && start.getMonth() == firstMonth;
                            };
                    assertThat(naturally)
                            .as("run %d, %s breaks at %s", run, by, start)
                            .isTrue();
                }
            }
        }
    }

    @Test
    void week_thatHoldsTheAsOfDate_isTwoColumns() {
        List<Period> weeks = Periods.WEEK.cover(
                LocalDate.of(2026, 3, 2),
                LocalDate.of(2026, 3, 15),
                DayOfWeek.MONDAY,
                Month.JANUARY,
                LocalDate.of(2026, 3, 4));
        assertThat(weeks)
                .containsExactly(
                        new Period(LocalDate.of(2026, 3, 2), LocalDate.of(2026, 3, 5)),
                        new Period(LocalDate.of(2026, 3, 5), LocalDate.of(2026, 3, 9)),
                        new Period(LocalDate.of(2026, 3, 9), LocalDate.of(2026, 3, 16)));
    }

    @Test
    void year_fiscalFromApril_beginsInApril() {
        assertThat(Periods.YEAR.cover(
                        LocalDate.of(2026, 1, 1),
                        LocalDate.of(2026, 12, 31),
                        DayOfWeek.MONDAY,
                        Month.APRIL,
                        LocalDate.of(2025, 1, 1)))
                .extracting(Period::startInclusive)
                .containsExactly(LocalDate.of(2026, 1, 1), LocalDate.of(2026, 4, 1));
    }

    @Test
    void period_thatEndsBeforeItStarts_isRefused() {
        LocalDate day = LocalDate.of(2026, 3, 1);
        assertThatThrownBy(() -> new Period(day, day)).hasMessageContaining("must start before it ends");
    }
}
