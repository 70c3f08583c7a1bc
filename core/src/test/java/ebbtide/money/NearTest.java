package ebbtide.money;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.OptionalLong;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** A number that knows its error rounds as the exact one does, or says that it does not know. */
class NearTest {
    private static final MathContext EXACT = new MathContext(400);

    private static BigDecimal any(Random random) {
        return BigDecimal.valueOf(random.nextInt(2_000_000) - 1_000_000L, random.nextInt(7));
    }

    /**
     * Chains of products, sums and differences, a third of them brought to the very edge of rounding: no answer is ever
     * another than the exact one's.
     */
    @Test
    void anyChainOfOperations_roundsAsTheExactNumber_orSaysThatItDoesNotKnow() {
        Random random = new Random(15);
        int known = 0;
        for (int run = 0; run < 20_000; run++) {
            BigDecimal exact = any(random);
            Near near = Near.of(exact);
            for (int step = random.nextInt(40); step >= 0; step--) {
                BigDecimal other = random.nextBoolean()
                        ? BigDecimal.ONE.add(BigDecimal.valueOf(random.nextInt(40_000) - 20_000L, 6))
                        : any(random);
                int act = random.nextInt(8);
                exact = act == 0
                        ? exact.add(other)
                        : act == 1
                                ? exact.subtract(other)
                                : exact.abs().compareTo(new BigDecimal("1e9")) > 0
                                        ? exact
                                        : exact.multiply(other, EXACT);
                near = act == 0
                        ? near.plus(Near.of(other))
                        : act == 1
                                ? near.minus(Near.of(other))
                                : near.value() > 1e9 || near.value() < -1e9 ? near : near.times(Near.of(other));
            }
            if (run % 3 == 0) {
                // To the edge: what is missing to a half is added.
                BigDecimal half = exact.setScale(0, RoundingMode.FLOOR)
                        .add(new BigDecimal("0.5"))
                        .subtract(exact);
                exact = exact.add(half);
                near = near.plus(Near.of(half));
            }
            OptionalLong whole = near.whole();
            if (whole.isPresent()) {
                known++;
                assertThat(whole.getAsLong()).as("run %d: %s", run, exact).isEqualTo(Rounding.toMinor(exact));
            }
        }
        assertThat(known).as("known without the exact number").isGreaterThan(10_000);
    }

    @Test
    void halves_areRoundedOnlyWhereTheErrorLeavesNoDoubt() {
        assertThat(Near.of(new BigDecimal("2.4999")).whole()).hasValue(2);
        assertThat(Near.of(new BigDecimal("-2.6")).whole()).hasValue(-3);
        assertThat(Near.of(new BigDecimal("2.5")).whole()).as("on the edge").isEmpty();
        assertThat(Near.of(new BigDecimal("99999999999999.1")).whole())
                .as("beyond what doubles can say")
                .isEmpty();
        assertThat(Near.of(BigDecimal.ONE).isBelow(Near.of(BigDecimal.ONE))).isFalse();
        assertThat(Near.of(BigDecimal.ONE).isBelow(Near.of(new BigDecimal("1.001"))))
                .isTrue();
    }
}
