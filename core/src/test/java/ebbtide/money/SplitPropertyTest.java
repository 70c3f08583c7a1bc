package ebbtide.money;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Parts of an amount, held against the rule worked out in whole numbers of any size. */
class SplitPropertyTest {
    private final Random random = new Random(53);

    @Test
    void byWeights_anyAmountsAndWeights_isTheLargestRemainderToTheUnit() {
        for (int round = 0; round < 40_000; round++) {
            long[] weights = random.longs(1 + random.nextInt(8), 0, 1L << (1 + random.nextInt(37)))
                    .toArray();
            weights[random.nextInt(weights.length)]++;
            long total = (random.nextLong() >> random.nextInt(63)) / 2;
            assertThat(Split.byWeights(total, weights))
                    .as("%s by %s", total, Arrays.toString(weights))
                    .isEqualTo(byTheRule(total, weights));
        }
    }

    /**
     * Where doubles round: products of numbers with all their bits, sums that divide them without a rest, and one more
     * or less.
     */
    @Test
    void byWeights_atTheEdgesOfADouble_isRightAllTheSame() {
        for (long edge :
                new long[] {1L << 50, 1L << 51, 1L << 52, 1L << 53, Long.MAX_VALUE / 3, 999_999_999_999_999L}) {
            for (long off = -3; off <= 3; off++) {
                for (long[] weights : List.of(
                        new long[] {1, 1},
                        new long[] {1, 2},
                        new long[] {333_333_333, 333_333_333, 333_333_334},
                        new long[] {0, 7, 0, 1},
                        new long[] {1_000_003, 1})) {
                    assertThat(Split.byWeights(edge + off, weights))
                            .as("%s", edge + off)
                            .isEqualTo(byTheRule(edge + off, weights));
                }
            }
        }
    }

    @Test
    void allByWeights_manyTotals_areEachSplitByItself() {
        for (int round = 0; round < 2_000; round++) {
            long[] weights = random.longs(1 + random.nextInt(8), 1, 1L << (1 + random.nextInt(37)))
                    .toArray();
            long[] totals = random.longs(5)
                    .map(total -> total >> 20 + random.nextInt(44))
                    .toArray();
            totals[random.nextInt(5)] = 0;
            assertThat(Split.allByWeights(totals, weights))
                    .isEqualTo(Arrays.stream(totals)
                            .flatMap(total -> Arrays.stream(byTheRule(total, weights)))
                            .toArray());
        }
    }

    /** Quotients that are whole, one less and one more, of numbers of any size. */
    @Test
    void floor_anyNumbers_isTheWholeQuotient() {
        for (int round = 0; round < 100_000; round++) {
            long denominator = 1 + (random.nextLong() >>> 24 + random.nextInt(39));
            long edge = denominator * random.nextInt(1 << 22) - 1 + random.nextInt(3);
            long numerator = Math.max(0, random.nextBoolean() ? edge : random.nextLong() >>> 1 + random.nextInt(62));
            assertThat(Rounding.floor(numerator, denominator)).isEqualTo(numerator / denominator);
        }
    }

    private static long[] byTheRule(long total, long[] weights) {
        BigInteger size = BigInteger.valueOf(total).abs();
        BigInteger sum = BigInteger.valueOf(Arrays.stream(weights).sum());
        BigInteger[][] found = Arrays.stream(weights)
                .mapToObj(weight -> size.multiply(BigInteger.valueOf(weight)).divideAndRemainder(sum))
                .toArray(BigInteger[][]::new);
        long[] parts =
                Arrays.stream(found).mapToLong(one -> one[0].longValueExact()).toArray();
        long left =
                size.subtract(BigInteger.valueOf(Arrays.stream(parts).sum())).longValueExact();
        IntStream.range(0, parts.length)
                .boxed()
                .sorted(Comparator.comparing((Integer i) -> found[i][1])
                        .reversed()
                        .thenComparing(i -> i))
                .limit(left)
                .forEach(i -> parts[i]++);
        return total < 0 ? Arrays.stream(parts).map(part -> -part).toArray() : parts;
    }
}
