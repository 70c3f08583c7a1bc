package ebbtide.funding;

import ebbtide.time.DaySeries;
import ebbtide.time.Timeline;
import java.time.LocalDate;

/**
 * Cash against minimum cash and what can still be drawn, by day (rules 8.7): liquidity = cash + overdraft limit + what
 * is undrawn of committed facilities, headroom = liquidity - minimum cash. Deposits that can be called soon enough
 * count with it (rules 8.10).
 */
public final class Liquidity {
    private final DaySeries cash;
    private final DaySeries minimum;
    private final DaySeries limit;
    private final DaySeries undrawn;
    private final DaySeries drawn;
    private final DaySeries callable;

    /**
     * Makes the liquidity of closing cash by day in minor units; {@code limit} is that of overdraft and all facilities,
     * {@code undrawn} the overdraft's limit and what is undrawn of committed facilities, {@code drawn} what is drawn on
     * all, {@code callable} what of deposits counts.
     */
    public Liquidity(
            DaySeries cash,
            DaySeries minimum,
            DaySeries limit,
            DaySeries undrawn,
            DaySeries drawn,
            DaySeries callable) {
        this.cash = cash;
        this.minimum = minimum;
        this.limit = limit;
        this.undrawn = undrawn;
        this.drawn = drawn;
        this.callable = callable;
    }

    public long cash(int day) {
        return cash.on(day);
    }

    public long minimum(int day) {
        return minimum.on(day);
    }

    public long limit(int day) {
        return limit.on(day);
    }

    /** Returns what can still be drawn on a day: the overdraft's limit, and what is undrawn of committed facilities. */
    public long undrawn(int day) {
        return undrawn.on(day);
    }

    public long liquidity(int day) {
        return cash.on(day) + undrawn.on(day) + callable.on(day);
    }

    /** Returns what of deposits counts on a day: those that can be called soon enough. */
    public long callable(int day) {
        return callable.on(day);
    }

    public long headroom(int day) {
        return liquidity(day) - minimum.on(day);
    }

    /** Returns the day of the least headroom from one day to another, both included; the earliest on ties. */
    public int worstDay(int from, int to) {
        int worst = from;
        long least = headroom(from);
        for (int day = from + 1; day <= to; day++) {
            long headroom = headroom(day);
            if (headroom < least) {
                worst = day;
                least = headroom;
            }
        }
        return worst;
    }

    /**
     * Returns how deep the water is on a day: 0 below zero, 1 under a quarter of the limit, 2 to 5 by further quarters;
     * without a limit, minimum cash takes its place.
     */
    public int depth(int day) {
        long measure = limit.on(day) > 0 ? limit.on(day) : minimum.on(day);
        long headroom = headroom(day);
        if (headroom < 0) {
            return 0;
        }
        return measure == 0 ? 5 : (int) Math.min(5, 1 + headroom * 4 / measure);
    }

    /** Returns by how much minimum cash exceeds cash without all drawings on a day; below zero when it does not. */
    public long need(int day) {
        return minimum.on(day) - cash.on(day) + drawn.on(day);
    }

    /**
     * Returns the peak need after a day: the most by which minimum cash exceeds cash without all drawings, not below
     * zero (rules 8.7).
     */
    public long peakNeed(int afterDay, int lastDay) {
        long most = 0;
        for (int day = afterDay + 1; day <= lastDay; day++) {
            most = Math.max(most, need(day));
        }
        return most;
    }

    /** The day of the least headroom over the horizon, and the cash on it. */
    public record LowWater(LocalDate day, long headroom, long cash) {}

    /** Returns the low water after a day (rules 8.7). */
    public LowWater lowWater(int afterDay, int lastDay, Timeline timeline) {
        int worst = worstDay(afterDay + 1, lastDay);
        return new LowWater(timeline.date(worst), headroom(worst), cash.on(worst));
    }
}
