package ebbtide.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.api.Test;

/** Every kind of line is checked among the lines of its plan, or says that there is nothing to check. */
class PlanCheckKindsTest {
    @Test
    void everyKindOfLine_isInTheList() {
        Set<Class<?>> found = Set.copyOf(PlanCheck.KINDS.keySet());
        assertThat(found).containsExactlyInAnyOrder(Assumption.class.getPermittedSubclasses());
    }
}
