package ebbtide.funding;

import static java.util.Objects.requireNonNull;

import ebbtide.time.DaySeries;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The sweep of revolving facilities, day by day from the first after the as-of date (rules 8.2 to 8.5): limits that
 * fall are obeyed, cash is brought to its minimum by drawing in order of priority and brought back by repaying in the
 * reverse, interest accrues by nights and is paid when charged, or is found by the mean of balances month by month. A
 * pure function of its input; amounts in minor units.
 */
public final class Sweep {
    /** No more rounds are made to settle a month's interest. */
    public static final int MOST_ROUNDS = 100;

    /**
     * A facility by day: the most that may be drawn, what the bank has booked as drawn (below zero: repaid) since the
     * as-of date, whether what is undrawn counts as liquidity; from which day on the notice lets it be drawn; what was
     * drawn at first.
     */
    public record Facility(
            DaySeries most,
            DaySeries moved,
            boolean committed,
            long multiple,
            int firstDraw,
            long drawn,
            Accrual accrual) {}

    /**
     * What is swept: cash at the end of the as-of date, every other flow by day, minimum cash, overdraft limit and the
     * days on which it is swept; what is left above the minimum before anything is repaid; interest of the overdraft
     * and on cash; months and their last business days where interest is by the mean of balances ({@code months} is
     * null otherwise).
     */
    public record Input(
            long cash,
            DaySeries net,
            DaySeries minimum,
            DaySeries overdraft,
            boolean[] swept,
            long buffer,
            List<Facility> facilities,
            Accrual ofOverdraft,
            Accrual onCash,
            @Nullable List<Month> months) {
        int days() {
            return swept.length;
        }

        /** Returns the same with other flows by day. */
        Input flowing(DaySeries other) {
            return new Input(cash, other, minimum, overdraft, swept, buffer, facilities, ofOverdraft, onCash, months);
        }
    }

    /**
     * The days of a month, its last business day on which interest is paid, and which part of a whole month they are.
     */
    public record Month(int first, int last, int paidOn, int parts, int of) {}

    /**
     * What came of it by day: drawn (below zero: repaid) and, of that, repaid because the limit asked for it, of each
     * facility; its balance; interest and fees paid of each, then of the overdraft and, below zero, on cash; what all
     * of that has cost since the as-of date with what had accrued then; closing cash, what stays drawn past its limit,
     * and the shortfall. {@code unsettled} is the place of the month whose interest does not settle, from which on
     * nothing is known; -1 if all do.
     */
    public record Result(
            List<DaySeries> flows,
            List<DaySeries> forced,
            List<DaySeries> drawn,
            List<DaySeries> interest,
            List<InterestCost> costs,
            DaySeries cash,
            DaySeries overdue,
            DaySeries shortfall,
            int unsettled) {
        /**
         * Returns what of a source's interest is owed at the end: what was owed at first and all that it has cost, less
         * what is paid and what the bank has booked.
         */
        public long owed(int source) {
            InterestCost cost = costs.get(source);
            int last = (unsettled < 0 ? cost.days() : unsettled) - 1;
            long owed = last < 0 ? cost.opening() : cost.upTo(last);
            owed += cost.accrual().pendingOn() >= 0
                    ? cost.sign() * cost.accrual().pending()
                    : 0;
            return owed
                    - interest.get(source).sum(0, last + 1)
                    - cost.accrual().booked().sum(0, last + 1);
        }

        /** Returns whether a day is known: interest settled up to its month. */
        public boolean isKnown(int day) {
            return unsettled < 0 || day < unsettled;
        }
    }

    private final Input in;
    private final int count;
    private final long[][] flows;
    private final long[][] forced;
    private final long[][] drawnBy;
    private final long[][] interest;
    private final List<InterestCost> costs;
    private final long[] cashBy;
    private final long[] overdue;
    private final long[] shortfall;
    private final long[] charged;
    private long cash;
    private final long[] drawn;
    private final Accrued[] accrued;
    private final long[][] due;
    private final long[] booked;

    private Sweep(Input in) {
        this.in = in;
        this.count = in.facilities().size();
        int days = in.days();
        this.flows = new long[count][days];
        this.forced = new long[count][days];
        this.drawnBy = new long[count][days];
        this.interest = new long[count + 2][days];
        this.costs = costs(in);
        this.cashBy = new long[days];
        this.overdue = new long[days];
        this.shortfall = new long[days];
        this.charged = new long[count + 2];
        this.cash = in.cash();
        this.drawn = in.facilities().stream().mapToLong(Facility::drawn).toArray();
        this.accrued = new Accrued[count + 2];
        this.due = new long[count + 2][days + 1];
        this.booked = new long[count + 2];
        for (int i = 0; i < count + 2; i++) {
            accrued[i] = new Accrued(accrual(i).opening());
            if (accrual(i).pendingOn() >= 0
                    && accrual(i).pendingOn() < days
                    && accrual(i).counted()) {
                due[i][accrual(i).pendingOn()] =
                        (i == count + 1 ? -1 : 1) * accrual(i).pending();
            }
        }
    }

    private Result result(int unsettled) {
        return new Result(
                each(flows),
                each(forced),
                each(drawnBy),
                each(interest),
                costs,
                DaySeries.of(cashBy),
                DaySeries.of(overdue),
                DaySeries.of(shortfall),
                unsettled);
    }

    private static List<DaySeries> each(long[][] series) {
        return Arrays.stream(series).map(DaySeries::of).toList();
    }

    private static List<InterestCost> costs(Input in) {
        int count = in.facilities().size();
        List<InterestCost> costs = new ArrayList<>();
        for (int i = 0; i < count + 2; i++) {
            Accrual of = i < count ? in.facilities().get(i).accrual() : i == count ? in.ofOverdraft() : in.onCash();
            costs.add(new InterestCost(of, i == count + 1 ? -1 : 1, in.days()));
        }
        return costs;
    }

    /** Returns the sweep of an input. */
    public static Result of(Input in) {
        Sweep sweep = new Sweep(in);
        if (in.months() != null) {
            return sweep.byMonths();
        }
        for (int day = 0; day < in.days(); day++) {
            sweep.day(day);
        }
        return sweep.result(-1);
    }

    private Accrual accrual(int source) {
        return source < count
                ? in.facilities().get(source).accrual()
                : source == count ? in.ofOverdraft() : in.onCash();
    }

    private void day(int day) {
        cash += in.net().on(day);
        for (int i = 0; i < count + 2; i++) {
            charge(i, day);
            interest[i][day] = left(i, day);
            cash -= interest[i][day];
        }
        long beyond = 0;
        for (int i = 0; i < count; i++) {
            drawn[i] += in.facilities().get(i).moved().on(day);
            beyond += obeyLimit(i, day);
        }
        if (in.swept()[day]) {
            sweep(day);
        }
        cashBy[day] = cash;
        overdue[day] = beyond;
        shortfall[day] = Math.max(
                        0, in.minimum().on(day) - cash - in.overdraft().on(day) - (in.swept()[day] ? 0 : drawable(day)))
                + beyond;
        for (int i = 0; i < count; i++) {
            drawnBy[i][day] = drawn[i];
            accrual(i).night(day, Math.max(0, drawn[i]), undrawn(i, day), accrued[i]);
        }
        accrual(count).night(day, Math.max(0, -cash), 0, accrued[count]);
        accrual(count + 1).night(day, Math.max(0, cash), 0, accrued[count + 1]);
        for (int i = 0; i < count + 2; i++) {
            costs.get(i).put(day, charged[i], accrued[i]);
        }
    }

    /** What the bank has booked since the as-of date is cash already: it is taken off what falls due next. */
    private long left(int source, int day) {
        booked[source] += accrual(source).booked().on(day);
        long sum = due[source][day];
        long taken = Long.signum(sum) * Math.min(Math.abs(sum), Math.max(0, Long.signum(sum) * booked[source]));
        booked[source] -= taken;
        return sum - taken;
    }

    /** A charge takes the nights up to the day before; those after it are of the next. */
    private void charge(int source, int day) {
        int paid = accrual(source).paidOn()[day];
        if (paid < 0 || in.months() != null || !accrual(source).counted()) {
            return;
        }
        long charge = (source == count + 1 ? -1 : 1) * accrual(source).charge(accrued[source].sum());
        due[source][Math.min(paid, in.days())] += charge;
        charged[source] += charge;
        accrued[source].clear();
    }

    /** What the next sweep may draw: below minimum until then is no shortfall as far as it reaches. */
    private long drawable(int day) {
        long sum = 0;
        for (int i = 0; i < count; i++) {
            Facility one = in.facilities().get(i);
            sum += day < one.firstDraw() ? 0 : undrawn(i, day) / one.multiple() * one.multiple();
        }
        return sum;
    }

    private long undrawn(int i, int day) {
        return Math.max(0, in.facilities().get(i).most().on(day) - Math.max(0, drawn[i]));
    }

    /**
     * What is drawn beyond the limit is repaid at once, minimum cash or not, as far as there is cash; the rest is
     * overdue.
     */
    private long obeyLimit(int i, int day) {
        long excess = Math.max(0, drawn[i] - in.facilities().get(i).most().on(day));
        long paid = Math.min(excess, Math.max(0, cash));
        move(i, day, -paid);
        forced[i][day] = paid;
        return excess - paid;
    }

    private void move(int i, int day, long by) {
        drawn[i] += by;
        cash += by;
        flows[i][day] += by;
    }

    private void sweep(int day) {
        long need = in.minimum().on(day) - cash;
        for (int i = 0; i < count && need > 0; i++) {
            Facility one = in.facilities().get(i);
            if (day >= one.firstDraw()) {
                long wanted = (need + one.multiple() - 1) / one.multiple() * one.multiple();
                long draw = Math.min(wanted, undrawn(i, day) / one.multiple() * one.multiple());
                move(i, day, draw);
                need -= draw;
            }
        }
        long excess = cash - in.minimum().on(day) - in.buffer();
        for (int i = count - 1; i >= 0 && need <= 0 && excess > 0 && !drewOn(day); i--) {
            long multiple = in.facilities().get(i).multiple();
            long owed = Math.max(0, drawn[i]);
            long repaid = excess >= owed ? owed : excess / multiple * multiple;
            move(i, day, -repaid);
            excess -= repaid;
        }
    }

    /** A draw in multiples may leave more than the minimum: that is not repaid on the day on which it is drawn. */
    private boolean drewOn(int day) {
        for (int i = 0; i < count; i++) {
            if (flows[i][day] > 0) {
                return true;
            }
        }
        return false;
    }

    /** From no interest on, each month is worked out anew until a round changes nothing to the cent (rules 8.5). */
    private Result byMonths() {
        for (Month month : requireNonNull(in.months())) {
            long opening = cash;
            long[] before = drawn.clone();
            long[] bookedBefore = booked.clone();
            long[] found = new long[count + 2];
            int round = 0;
            while (true) {
                cash = opening;
                System.arraycopy(before, 0, drawn, 0, count);
                System.arraycopy(bookedBefore, 0, booked, 0, count + 2);
                for (int i = 0; i < count + 2; i++) {
                    due[i][month.paidOn()] = found[i];
                }
                for (int i = 0; i < count; i++) {
                    Arrays.fill(flows[i], month.first(), month.last() + 1, 0);
                }
                for (int day = month.first(); day <= month.last(); day++) {
                    day(day);
                }
                long[] next = average(month, opening, before);
                if (Arrays.equals(next, found)) {
                    break;
                }
                if (++round > MOST_ROUNDS) {
                    return result(month.first());
                }
                found = next;
            }
            book(month, found);
        }
        return result(-1);
    }

    /** The interest of a month by its mean is charged on the day on which it is paid; nothing accrues beside it. */
    private void book(Month month, long[] found) {
        for (int i = 0; i < count + 2; i++) {
            for (int day = month.first(); day <= month.last(); day++) {
                boolean paid = day >= month.paidOn();
                costs.get(i)
                        .put(
                                day,
                                charged[i] + (paid ? found[i] : 0),
                                month.first() == 0 && !paid ? accrual(i).opening() : BigInteger.ZERO);
            }
            charged[i] += found[i];
        }
    }

    private long[] average(Month month, long opening, long[] before) {
        long[] next = new long[count + 2];
        for (int i = 0; i < count; i++) {
            long undrawn =
                    Math.max(0, in.facilities().get(i).most().on(month.last()) - before[i]) + undrawn(i, month.last());
            next[i] = accrual(i)
                    .average(
                            month.last(),
                            Math.max(0, before[i]) + Math.max(0, drawn[i]),
                            undrawn,
                            month.parts(),
                            month.of());
        }
        next[count] = accrual(count)
                .average(month.last(), Math.max(0, -opening) + Math.max(0, -cash), 0, month.parts(), month.of());
        next[count + 1] = -accrual(count + 1)
                .average(month.last(), Math.max(0, opening) + Math.max(0, cash), 0, month.parts(), month.of());
        for (int i = 0; month.first() == 0 && i < count + 2; i++) {
            next[i] += (i == count + 1 ? -1 : 1) * accrual(i).charge(accrual(i).opening());
        }
        return next;
    }
}
