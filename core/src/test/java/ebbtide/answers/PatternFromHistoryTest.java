package ebbtide.answers;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.money.Percent;
import ebbtide.plan.MonthPattern;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The pattern that billed and booked months imply, and how it does on months it has not seen. */
class PatternFromHistoryTest {
    @Test
    void bookedMonths_madeByAPattern_giveItBack() {
        Random random = new Random(9);
        for (int run = 0; run < 40; run++) {
            int first = random.nextInt(60);
            int second = random.nextInt(100 - first);
            int third = random.nextInt(101 - first - second);
            List<Long> billed = new ArrayList<>();
            random.longs(16, 50_000_00, 150_000_00).forEach(billed::add);
            List<Long> booked = new ArrayList<>();
            for (int m = 4; m < 16; m++) {
                booked.add((billed.get(m) * first + billed.get(m - 1) * second + billed.get(m - 2) * third) / 100);
            }
            PatternFromHistory found = PatternFromHistory.of(billed, booked, MonthPattern.atOnce());
            if (first + second + third == 0) {
                continue;
            }
            int[] shares = new int[5];
            found.found()
                    .steps()
                    .forEach(step ->
                            shares[step.lagMonths()] = (int) (step.share().millionths() / 10_000));
            assertThat(shares).as("run %d", run).containsExactly(first, second, third, 0, 0);
            assertThat(found.found().never().millionths())
                    .isEqualTo((100 - first - second - third) * Percent.WHOLE / 100);
            assertThat(found.error()).isLessThanOrEqualTo(Math.max(5, found.errorInForce()));
        }
    }

    @Test
    void tooFewMonths_giveNone() {
        PatternFromHistory found =
                PatternFromHistory.of(List.of(1L, 1L, 1L, 1L, 1L, 1L, 1L), List.of(1L, 1L, 1L), MonthPattern.atOnce());
        assertThat(found.found()).isNull();
        assertThat(found.months()).isEqualTo(3);
    }
}
