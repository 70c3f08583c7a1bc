package ebbtide.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.plan.Assumption;
import ebbtide.plan.Interest;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Every kind of line has an account, in one of the lists. */
class KindsTest {
    @Test
    void everyKindOfLine_hasAnAccount() {
        Set<Class<?>> found = Stream.concat(
                        Stream.concat(AccountsApart.KINDS.keySet().stream(), ProfitAccounts.KINDS.keySet().stream()),
                        Stream.of(Interest.class))
                .collect(Collectors.toSet());
        assertThat(found).containsExactlyInAnyOrder(Assumption.class.getPermittedSubclasses());
    }
}
