package ebbtide.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Random;
import org.junit.jupiter.api.Test;

/** Amounts by day: sums, parts and levels of them are what they are day by day. */
class DaySeriesTest {
    private static DaySeries any(Random random) {
        return DaySeries.of(random.longs(random.nextInt(12), -2, 3).toArray());
    }

    @Test
    void anySeries_addedPartedAndLevelled_isSoOnEveryDay_andNilOutside() {
        Random random = new Random(4);
        for (int run = 0; run < 2_000; run++) {
            DaySeries one = any(random);
            DaySeries other = any(random);
            int from = random.nextInt(14);
            int to = from + random.nextInt(14);
            DaySeries both = one.plus(other);
            DaySeries part = one.part(from, to);
            DaySeries levels = one.levels(one.days(), 100);
            long sum = 0;
            for (int day = -2; day < 30; day++) {
                assertThat(both.on(day)).as("run %d", run).isEqualTo(one.on(day) + other.on(day));
                assertThat(part.on(day)).isEqualTo(day < 0 || day >= to - from ? 0 : one.on(from + day));
                assertThat(one.negative().on(day)).isEqualTo(-one.on(day));
                assertThat(one.sum(-2, day)).isEqualTo(sum);
                sum += one.on(day);
                assertThat(levels.on(day)).isEqualTo(day < 0 || day >= one.days() ? 0 : 100 + sum);
            }
            assertThat(one.isNil(from, to)).isEqualTo(part.isNil());
            assertThat(one.plus(one.negative())).isEqualTo(DaySeries.NIL).hasSameHashCodeAs(DaySeries.NIL);
            DaySeries longer = DaySeries.of(one.days() + 3, one::on);
            assertThat(longer).isEqualTo(one).hasSameHashCodeAs(one);
            assertThat(one.equals(other)).isEqualTo(both.equals(one.plus(one)));
        }
    }

    @Test
    void series_neverChanges_andASumGivesItOnce() {
        long[] amounts = {1, 2, 3};
        DaySeries series = DaySeries.of(amounts);
        amounts[0] = 99;
        assertThat(series.stream().toArray()).containsExactly(1, 2, 3);
        assertThat(DaySeries.of(amounts, 1, 9)).isEqualTo(DaySeries.of(2, 3));
        DaySeries.Sum sum = new DaySeries.Sum(3);
        sum.add(2, 5);
        sum.add(series, 1);
        assertThat(sum.on(2)).isEqualTo(8);
        assertThat(sum.series()).isEqualTo(DaySeries.of(1, 2, 8));
        assertThatThrownBy(() -> sum.add(0, 1)).isInstanceOf(IndexOutOfBoundsException.class);
    }
}
