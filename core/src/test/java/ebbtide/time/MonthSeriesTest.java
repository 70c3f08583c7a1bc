package ebbtide.time;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Amounts by month: sums, differences and parts of them are what they are month by month. */
class MonthSeriesTest {
    private static final int MAY = Timeline.monthNumber(YearMonth.of(2026, 5));

    @Test
    void anySeries_addedAndTakenOff_isSoInEveryMonth_andNilOutside() {
        Random random = new Random(4);
        for (int run = 0; run < 500; run++) {
            MonthSeries one = MonthSeries.of(
                    MAY, random.longs(random.nextInt(12), -900, 900).toArray());
            MonthSeries other = MonthSeries.of(
                    MAY - 3 + random.nextInt(7),
                    random.longs(random.nextInt(12), -900, 900).toArray());
            MonthSeries.Sum sum = new MonthSeries.Sum(MAY, 8);
            sum.add(one, 1);
            sum.add(other, -1);
            sum.add(MAY + 20, 77);
            MonthSeries all = sum.series();
            for (int month = MAY - 5; month < MAY + 25; month++) {
                boolean inside = month >= MAY && month < MAY + 8;
                assertThat(all.in(month)).as("run %d", run).isEqualTo(inside ? one.in(month) - other.in(month) : 0);
            }
            assertThat(one.plus(one).minus(one)).isEqualTo(one).hasSameHashCodeAs(one);
            assertThat(one.negative().negative()).isEqualTo(one);
            assertThat(one.plus(one.negative()).isNil()).isTrue();
        }
    }

    @Test
    void first_cutsOrGoesOnWithNil_andTheSeriesItselfNeverChanges() {
        long[] amounts = {1, 2, 3};
        MonthSeries series = MonthSeries.of(MAY, amounts);
        amounts[0] = 99;
        assertThat(series.stream().toArray()).containsExactly(1, 2, 3);
        assertThat(series.first(2).stream().toArray()).containsExactly(1, 2);
        assertThat(series.first(4).stream().toArray()).containsExactly(1, 2, 3, 0);
        assertThat(series.first(3)).isSameAs(series);
        MonthSeries.Sum sum = new MonthSeries.Sum(MAY, 1);
        sum.add(MAY, 5);
        MonthSeries taken = sum.series();
        sum.add(MAY, 5);
        assertThat(taken.in(MAY)).isEqualTo(5);
        assertThat(sum.in(MAY)).isEqualTo(10);
    }
}
