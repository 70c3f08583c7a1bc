package ebbtide.app.desk;

import ebbtide.formats.plan.PlanDocument;
import java.util.Comparator;
import java.util.List;

/**
 * A plan document in which what has no order of its own, as movements, stands in one: two that hold the same are then
 * equal, which costs far less to find out than to look in each for every part of the other.
 */
final class InOrder {
    private InOrder() {}

    static PlanDocument of(PlanDocument document) {
        return new PlanDocument(
                document.plan(),
                sorted(document.accounts()),
                sorted(document.rules()),
                sorted(document.movements()),
                sorted(document.items()),
                document.scenarios(),
                document.actual(),
                document.past());
    }

    private static <T> List<T> sorted(List<T> parts) {
        return parts.stream().sorted(Comparator.comparing(T::toString)).toList();
    }
}
