package ebbtide.funding;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigInteger;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What accrues is exact however large it becomes. */
class AccruedTest {
    @Test
    void anyNumbers_ofEitherSignAndSize_addUpAsWholeNumbersDo() {
        Random random = new Random(4);
        for (int round = 0; round < 200; round++) {
            BigInteger sum = BigInteger.valueOf(random.nextLong());
            Accrued accrued = new Accrued(sum);
            for (int i = 0; i < 50; i++) {
                long more = random.nextLong() >> random.nextInt(64);
                sum = sum.add(BigInteger.valueOf(more));
                accrued.add(more);
                if (i % 7 == 0) {
                    BigInteger large = new BigInteger(90, random);
                    sum = sum.add(large);
                    accrued.add(large);
                }
                assertThat(accrued.sum()).isEqualTo(sum);
                assertThat(Accrued.sum(accrued.beyond(), accrued.fits())).isEqualTo(sum);
            }
            accrued.clear();
            assertThat(accrued.sum()).isZero();
        }
    }
}
