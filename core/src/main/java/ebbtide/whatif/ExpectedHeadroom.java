package ebbtide.whatif;

import ebbtide.money.Percent;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What least headroom is to be expected of the chances of scenarios, what they leave of the whole being the base's, and
 * the worst of those that have one; minor units.
 */
public record ExpectedHeadroom(long expected, String worst, long worstHeadroom) {
    /** A scenario with its least headroom. */
    public record Likely(Scenario scenario, long headroom) {}

    /** Returns what is to be expected; nothing where no scenario has a chance. */
    public static Optional<ExpectedHeadroom> of(long base, List<Likely> all) {
        List<Likely> likely = all.stream()
                .filter(one -> one.scenario().chance() != null
                        && one.scenario().chance().compareTo(Percent.ZERO) > 0)
                .toList();
        BigDecimal sum = BigDecimal.ZERO;
        BigDecimal left = BigDecimal.ONE;
        for (Likely one : likely) {
            for (Percent chance : Stream.ofNullable(one.scenario().chance()).toList()) {
                sum = sum.add(chance.asFraction().multiply(BigDecimal.valueOf(one.headroom())));
                left = left.subtract(chance.asFraction());
            }
        }
        long expected = sum.add(left.multiply(BigDecimal.valueOf(base)))
                .setScale(0, RoundingMode.HALF_UP)
                .longValueExact();
        return likely.stream()
                .reduce((one, other) -> other.headroom() < one.headroom() ? other : one)
                .map(one -> new ExpectedHeadroom(expected, one.scenario().name(), one.headroom()));
    }
}
