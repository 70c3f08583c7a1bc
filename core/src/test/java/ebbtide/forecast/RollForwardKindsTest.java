package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.plan.Assumption;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Every kind of line says what is owed on it month by month, or that nothing is. */
class RollForwardKindsTest {
    @Test
    void everyKindOfLine_isInTheList() {
        Set<Class<?>> found = Set.copyOf(RollForwards.KINDS.keySet());
        assertThat(found).containsExactlyInAnyOrder(Assumption.class.getPermittedSubclasses());
    }
}
