package ebbtide.activity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Growth compounds unrounded and is rounded once, whatever shortcut is taken on the way. */
class GrowthTest {
    @Test
    void rounded_beyondAnyMoney_isRefusedInASentence() {
        Growth growth = new Growth(1_000_000_000_000L, 40);
        for (int month = 0; month < 40; month++) {
            growth.grow(11_000_000);
        }
        assertThatThrownBy(growth::rounded)
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageStartingWith(
                        "an amount comes to more than can be counted, about 1 with 53 noughts in the smallest coin");
    }

    @Test
    void rounded_anyBaseAndFactors_isTheExactProductRoundedHalfAwayFromZero() {
        Random random = new Random(11);
        for (int run = 0; run < 4_000; run++) {
            long base = random.nextInt(5) == 0 ? random.nextInt(50) : random.nextLong(1L << (10 + random.nextInt(34)));
            // Factors of halves and fifths land on rounding edges, where a shortcut would slip.
            long step = random.nextBoolean() ? 500_000 : random.nextInt(60_000) - 20_000;
            int months = 1 + random.nextInt(90);
            Growth growth = new Growth(base, months);
            BigDecimal exact = BigDecimal.valueOf(base);
            for (int month = 0; month < months && exact.precision() - exact.scale() < 15; month++) {
                long factor = 1_000_000 + (random.nextInt(4) == 0 ? -step / 2 : step);
                growth.grow(factor);
                exact = exact.multiply(BigDecimal.valueOf(factor, 6));
                assertThat(growth.rounded())
                        .as("run %d month %d", run, month)
                        .isEqualTo(exact.setScale(0, RoundingMode.HALF_UP).longValueExact());
            }
        }
    }
}
