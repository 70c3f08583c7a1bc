package ebbtide;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;
import static org.junit.jupiter.api.DynamicTest.dynamicTest;

import ebbtide.forecast.ForecastIdentities;
import ebbtide.forecast.Identity;
import ebbtide.statements.StatementIdentities;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.TestFactory;

/**
 * Identities that hold for every plan (rules 9.3), over plans made at random that use everything: each is made and
 * forecast once; a failure names every seed.
 */
// It takes the longest: the others run beside it.
@Order(1)
class IdentitiesTest {
    private static final int PLANS = Asked.of(2_000);

    @TestFactory
    Stream<DynamicTest> identities_overRandomPlans_hold() {
        List<Identity> identities = new ArrayList<>(ForecastIdentities.all());
        identities.addAll(StatementIdentities.all());
        Map<String, ConcurrentSkipListMap<Long, Throwable>> failures = Identity.failures(PLANS, identities);
        Stream<DynamicTest> held = identities.stream()
                .map(one -> dynamicTest(one.name(), () -> {
                    ConcurrentSkipListMap<Long, Throwable> failed = failures.get(one.name());
                    if (failed != null) {
                        fail(
                                "fails for " + failed.size() + " of " + PLANS / one.every() + " plans, seeds "
                                        + failed.keySet() + "; the first: "
                                        + failed.firstEntry().getValue().getMessage(),
                                failed.firstEntry().getValue());
                    }
                }));
        return Stream.concat(
                held, Stream.of(dynamicTest("proposed_openingBalanceSheet_isHeldAgainstManyAccounts", () -> assertThat(
                                StatementIdentities.proposedAccounts())
                        .isGreaterThan(PLANS))));
    }
}
