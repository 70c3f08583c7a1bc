package ebbtide.funding;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.plan.Facility;
import ebbtide.plan.Steps;
import ebbtide.time.BusinessDays;
import ebbtide.time.DaySeries;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Headroom, low water and peak need by day (rules 8.7). */
class LiquidityTest {
    private static final Timeline MARCH =
            new Timeline(YearMonth.of(2026, 3), YearMonth.of(2026, 3), BusinessDays.ofCountry("--"));

    private static Liquidity of(Steps<Long> minimum, Facility facility, long... cash) {
        DaySeries days = DaySeries.of(MARCH.days(), day -> cash[Math.min(day, cash.length - 1)]);
        DaySeries limit = byDay(facility == null ? Steps.none() : facility.limit());
        return new Liquidity(days, byDay(minimum), limit, limit, DaySeries.NIL, DaySeries.NIL);
    }

    private static DaySeries byDay(Steps<Long> steps) {
        return DaySeries.of(
                MARCH.days(),
                day -> steps.findOn(MARCH.date(day)).map(Steps.Step::value).orElse(0L));
    }

    @Test
    void lowWater_isTheEarliestOfTheWorstDays_andTheLimitSteps() {
        Facility facility = new Facility(
                "Overdraft",
                new Steps<>(List.of(
                        new Steps.Step<>(LocalDate.of(2026, 1, 1), 50L),
                        new Steps.Step<>(LocalDate.of(2026, 3, 5), 0L))));
        Liquidity liquidity =
                of(Steps.from(LocalDate.of(2026, 1, 1), 100L), facility, 200, 120, 90, 140, 140, 140, 140, 300);
        assertThat(liquidity.headroom(2)).isEqualTo(90 + 50 - 100);
        assertThat(liquidity.headroom(4)).isEqualTo(140 - 100);
        Liquidity.LowWater low = liquidity.lowWater(0, MARCH.days() - 1, MARCH);
        assertThat(low.day()).as("three days have 40: the earliest").isEqualTo(LocalDate.of(2026, 3, 3));
        assertThat(low.cash()).isEqualTo(90);
        assertThat(liquidity.peakNeed(0, MARCH.days() - 1)).isEqualTo(10);
        assertThat(liquidity.peakNeed(2, MARCH.days() - 1))
                .as("after the 3rd never below")
                .isZero();
    }

    @Test
    void depth_isByQuartersOfTheLimit_orOfMinimumCashWithoutOne() {
        Facility facility = new Facility("F", Steps.from(LocalDate.of(2026, 1, 1), 400L));
        Liquidity limited = of(Steps.none(), facility, -401, -400, -301, -300, -200, -100, 0, 900);
        assertThat(IntStream.range(0, 8).map(limited::depth)).containsExactly(0, 1, 1, 2, 3, 4, 5, 5);
        Liquidity unlimited = of(Steps.from(LocalDate.of(2026, 1, 1), 400L), null, 399, 400, 500, 900);
        assertThat(IntStream.range(0, 4).map(unlimited::depth)).containsExactly(0, 1, 2, 5);
        assertThat(of(Steps.none(), null, 0).depth(0)).isEqualTo(5);
    }

    @Test
    void worstDay_ofAnySpan_hasNoDayBelowIt() {
        Random random = new Random(4);
        for (int run = 0; run < 500; run++) {
            Liquidity liquidity = of(
                    Steps.from(LocalDate.of(2026, 3, 1 + random.nextInt(20)), (long) random.nextInt(500)),
                    null,
                    random.longs(31, -1_000, 1_000).toArray());
            int from = random.nextInt(20);
            int to = from + random.nextInt(11);
            int worst = liquidity.worstDay(from, to);
            for (int day = from; day <= to; day++) {
                assertThat(liquidity.headroom(day)).isGreaterThanOrEqualTo(liquidity.headroom(worst));
                assertThat(day < worst && liquidity.headroom(day) == liquidity.headroom(worst))
                        .isFalse();
            }
        }
    }
}
