package ebbtide.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.time.Spread.ByWeek;
import ebbtide.time.Spread.DayWeight;
import ebbtide.time.Spread.Even;
import ebbtide.time.Spread.OnDays;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How a month's amount lies over its days (rules 1.6), and the days on which banks work (rules 1.5). */
class SpreadTest {
    private static final BusinessDays WEEKENDS = BusinessDays.ofCountry("--");

    private static TreeMap<LocalDate, Long> lay(Spread spread, long minor, YearMonth month, BusinessDays calendar) {
        Timeline timeline = new Timeline(month, month, calendar);
        TreeMap<LocalDate, Long> days = new TreeMap<>();
        spread.lay(minor, Timeline.monthNumber(month), timeline, (day, part) -> {
            if (part != 0) {
                days.merge(timeline.date(day), part, Long::sum);
            }
        });
        return days;
    }

    @Test
    void even_leftUnits_goToTheEarliestBusinessDays() {
        // April 2026 has 22 days without weekends: 100 over 22 is 4 and 12 left over.
        TreeMap<LocalDate, Long> days = lay(new Even(), 100, YearMonth.of(2026, 4), WEEKENDS);
        assertThat(days).hasSize(22);
        assertThat(days.values()).containsSubsequence(5L, 5L, 4L).endsWith(4L);
        assertThat(days.values().stream().filter(part -> part == 5).count()).isEqualTo(12);
        assertThat(days.firstEntry().getValue()).isEqualTo(5);
    }

    @Test
    void even_bankHolidays_takeNothing() {
        TreeMap<LocalDate, Long> days = lay(new Even(), 2_000, YearMonth.of(2026, 4), BusinessDays.ofCountry("GB"));
        assertThat(days).hasSize(20).doesNotContainKeys(LocalDate.of(2026, 4, 3), LocalDate.of(2026, 4, 6));
        assertThat(days.values()).containsOnly(100L);
    }

    @Test
    void oneDay_thatTheMonthLacks_isItsLastWithinTheMonth() {
        Spread last = new OnDays(List.of(new DayWeight(31, 1)));
        assertThat(lay(last, 500, YearMonth.of(2026, 2), WEEKENDS)).containsOnlyKeys(LocalDate.of(2026, 2, 27));
        // 31 May 2026 is a Sunday: following would leave the month, so the business day before.
        assertThat(lay(last, 500, YearMonth.of(2026, 5), WEEKENDS)).containsOnlyKeys(LocalDate.of(2026, 5, 29));
    }

    @Test
    void severalDays_withWeights_areSplitByLargestRemainder() {
        Spread days = new OnDays(List.of(new DayWeight(10, 2), new DayWeight(20, 1)));
        assertThat(lay(days, 1_000, YearMonth.of(2026, 3), WEEKENDS))
                .containsEntry(LocalDate.of(2026, 3, 10), 667L)
                .containsEntry(LocalDate.of(2026, 3, 20), 333L);
    }

    @Test
    void byWeek_weekWithoutBusinessDays_givesItsWeightToTheOthers() {
        // February 2026 ends with day 28: the fifth week has no day at all.
        TreeMap<LocalDate, Long> days = lay(new ByWeek(List.of(1, 1, 1, 1, 6)), 4_000, YearMonth.of(2026, 2), WEEKENDS);
        assertThat(days.headMap(LocalDate.of(2026, 2, 8)).values().stream()
                        .mapToLong(Long::longValue)
                        .sum())
                .isEqualTo(1_000);
        assertThat(days.values().stream().mapToLong(Long::longValue).sum()).isEqualTo(4_000);
    }

    @Test
    void everySpread_anyMonthAmountAndCountry_addsUpAndStaysInItsMonth() {
        Random random = new Random(5);
        for (int run = 0; run < 3_000; run++) {
            YearMonth month = YearMonth.of(2015, 1).plusMonths(random.nextInt(240));
            long minor = random.nextLong() >> (20 + random.nextInt(40));
            Spread spread =
                    switch (random.nextInt(3)) {
                        case 0 -> new Even();
                        case 1 ->
                            new OnDays(List.of(
                                    new DayWeight(1 + random.nextInt(31), 1 + random.nextInt(9)),
                                    new DayWeight(1 + random.nextInt(31), 1 + random.nextInt(9))));
                        default ->
                            new ByWeek(List.of(
                                    random.nextInt(4), random.nextInt(4), random.nextInt(4), random.nextInt(4), 1));
                    };
            BusinessDays calendar =
                    BusinessDays.ofCountry(List.of("GB", "US", "JP", "DE", "--").get(random.nextInt(5)));
            TreeMap<LocalDate, Long> days = lay(spread, minor, month, calendar);
            assertThat(days.values().stream().mapToLong(Long::longValue).sum())
                    .as("run %d", run)
                    .isEqualTo(minor);
            assertThat(days.keySet())
                    .allMatch(day -> YearMonth.from(day).equals(month))
                    .allMatch(calendar::isBusinessDay);
        }
    }

    @Test
    void spreads_thatSpreadNothing_areRefused() {
        assertThatThrownBy(() -> new OnDays(List.of())).hasMessage("a spread over days needs at least one day");
        assertThatThrownBy(() -> new ByWeek(List.of(0, 0, 0, 0, 0))).hasMessageContaining("at least one week");
        assertThatThrownBy(() -> new ByWeek(List.of(1, 2))).hasMessageContaining("five weights, but had 2");
        assertThatThrownBy(() -> new DayWeight(32, 1)).hasMessage("day of the month must be from 1 to 31, but was 32");
    }

    @ParameterizedTest
    @CsvSource({
        "FOLLOWING,2026-05-31,2026-06-01",
        "MODIFIED_FOLLOWING,2026-05-31,2026-05-29",
        "PRECEDING,2026-05-31,2026-05-29",
        "NONE,2026-05-31,2026-05-31",
        "FOLLOWING,2026-05-29,2026-05-29",
        "MODIFIED_FOLLOWING,2026-05-16,2026-05-18"
    })
    void convention_onADayWithoutBanking_namesTheDay(Convention convention, LocalDate day, LocalDate adjusted) {
        assertThat(convention.adjust(day, WEEKENDS)).isEqualTo(adjusted);
    }

    @Test
    void countries_together_allMustWork() {
        BusinessDays both = BusinessDays.ofCountries(List.of("GB", "US"));
        assertThat(both.isBusinessDay(LocalDate.of(2026, 11, 26)))
                .as("Thanksgiving in the US alone")
                .isFalse();
        assertThat(both.isBusinessDay(LocalDate.of(2026, 4, 6)))
                .as("Easter Monday in Britain alone")
                .isFalse();
        assertThat(both.next(LocalDate.of(2026, 4, 2))).isEqualTo(LocalDate.of(2026, 4, 7));
        assertThatThrownBy(() -> BusinessDays.ofCountry("XX")).hasMessageContaining("but not for 'XX'");
    }
}
