package ebbtide.funding;

import ebbtide.time.DaySeries;

/**
 * Amounts of several things by day, in minor units, day after day: the sweep goes through all things of a day before
 * the next, and what it reads and writes lies together.
 */
final class DayTable {
    private final int things;
    private final int days;
    private final long[] amounts;

    /** Takes an array of so many things a day as it is: nothing may be written to it any more. */
    DayTable(int things, int days, long[] amounts) {
        this.things = things;
        this.days = days;
        this.amounts = amounts;
    }

    /** Returns the amount of a thing on a day; nil outside the days. */
    long on(int thing, int day) {
        return day < 0 || day >= days ? 0 : amounts[day * things + thing];
    }

    /** Returns what all things come to on a day. */
    long sum(int day) {
        long sum = 0;
        for (int i = day * things; i < (day + 1) * things; i++) {
            sum += amounts[i];
        }
        return sum;
    }

    DaySeries of(int thing) {
        return DaySeries.of(days, day -> amounts[day * things + thing]);
    }
}
