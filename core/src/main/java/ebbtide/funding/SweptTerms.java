package ebbtide.funding;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What changes of facilities by day, day after day as the sweep goes through them: the most that may be drawn, and what
 * a night bears and costs, in millionths times the days that it counts for. They are the same for every sweep of the
 * same facilities.
 */
final class SweptTerms {
    final long[] most;
    final long[] bears;
    final long[] costs;
    /** The facilities that are charged on a day. */
    final int[][] charged;
    /** The facilities of which the bank has booked anything as drawn since the as-of date. */
    final int[] moved;

    private static final int[] NOTHING = new int[0];

    SweptTerms(List<SweptFacility> facilities, int days) {
        int count = facilities.size();
        this.most = new long[count * days];
        this.bears = new long[count * days];
        this.costs = new long[count * days];
        this.charged = new int[days][];
        Arrays.fill(charged, NOTHING);
        this.moved = IntStream.range(0, count)
                .filter(i -> !facilities.get(i).moved().isNil())
                .toArray();
        for (int i = 0; i < count; i++) {
            SweptFacility one = facilities.get(i);
            Accrual accrual = one.accrual();
            for (int day = 0; day < days; day++) {
                int at = day * count + i;
                most[at] = one.most().on(day);
                if (accrual.counted()) {
                    bears[at] = accrual.rate().on(day) * accrual.nights()[day];
                    costs[at] = accrual.fee().on(day) * accrual.nights()[day];
                }
                if (accrual.counted() && accrual.paidOn()[day] >= 0) {
                    charged[day] = Arrays.copyOf(charged[day], charged[day].length + 1);
                    charged[day][charged[day].length - 1] = i;
                }
            }
        }
    }
}
