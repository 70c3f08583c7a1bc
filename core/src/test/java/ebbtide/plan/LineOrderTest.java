package ebbtide.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** A line put among others stands where it was put, however often lines are put there before. */
class LineOrderTest {
    @Test
    void lines_putAnywhereAThousandTimes_standInTheirOrder() {
        Random random = new Random(1);
        List<Double> places = new ArrayList<>();
        int givenOutAnew = 0;
        for (int i = 0; i < 1_000; i++) {
            // Mostly between the same two, where numbers soon lie too near each other.
            int at = random.nextInt(5) == 0 ? random.nextInt(places.size() + 1) : Math.min(1, places.size());
            LineOrder order = LineOrder.putting(places, at);
            if (!order.others().isEmpty()) {
                assertThat(order.others()).hasSameSizeAs(places);
                places = new ArrayList<>(order.others());
                givenOutAnew++;
            }
            places.add(at, order.place());
            assertThat(places).isSorted().doesNotHaveDuplicates();
        }
        assertThat(givenOutAnew).isPositive();
        assertThat(LineOrder.after(places)).isGreaterThan(places.get(places.size() - 1));
        assertThat(LineOrder.after(List.of())).isEqualTo(1);
    }
}
