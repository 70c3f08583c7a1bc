package ebbtide.funding;

import static java.util.Objects.requireNonNull;

import java.math.BigInteger;
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
            long[] most, long[] moved, boolean committed, long multiple, int firstDraw, long drawn, Accrual accrual) {}

    /**
     * What is swept: cash at the end of the as-of date, every other flow by day, minimum cash, overdraft limit and the
     * days on which it is swept; what is left above the minimum before anything is repaid; interest of the overdraft
     * and on cash; months and their last business days where interest is by the mean of balances ({@code months} is
     * null otherwise).
     */
    public record Input(
            long cash,
            long[] net,
            long[] minimum,
            long[] overdraft,
            boolean[] swept,
            long buffer,
            List<Facility> facilities,
            Accrual ofOverdraft,
            Accrual onCash,
            @Nullable List<Month> months) {
        int days() {
            return net.length;
        }

        /** Returns the same with other flows by day. */
        Input flowing(long[] other) {
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
            long[][] flows,
            long[][] forced,
            long[][] drawn,
            long[][] interest,
            Cost[] costs,
            long[] cash,
            long[] overdue,
            long[] shortfall,
            int unsettled) {
        /**
         * Returns what of a source's interest is owed at the end: what was owed at first and all that it has cost, less
         * what is paid and what the bank has booked.
         */
        public long owed(int source) {
            Cost cost = costs[source];
            int last = (unsettled < 0 ? cash.length : unsettled) - 1;
            long owed = last < 0 ? cost.opening() : cost.upTo(last);
            owed += cost.accrual.pendingOn() >= 0 ? cost.accrual.pending() * cost.sign : 0;
            for (int day = 0; day <= last; day++) {
                owed -= interest[source][day] + cost.accrual.booked()[day];
            }
            return owed;
        }

        /** Returns whether a day is known: interest settled up to its month. */
        public boolean isKnown(int day) {
            return unsettled < 0 || day < unsettled;
        }
    }

    /**
     * What interest came to by day, whenever it is paid: the sum of what was charged, and what had accrued since the
     * charge before.
     */
    public static final class Cost {
        private final Accrual accrual;
        private final int sign;
        private final long[] charged;
        private final BigInteger[] accrued;

        Cost(Accrual accrual, int sign, int days) {
            this.accrual = accrual;
            this.sign = sign;
            this.charged = new long[days];
            this.accrued = new BigInteger[days];
        }

        void put(int day, long sum, BigInteger since) {
            charged[day] = sum;
            accrued[day] = since;
        }

        /**
         * Returns what was charged and accrued up to a day, with what had accrued by the as-of date; below zero on
         * cash.
         */
        public long upTo(int day) {
            return charged[day] + sign * accrual.charge(accrued[day]);
        }

        /** Returns what had accrued by the as-of date. */
        public long opening() {
            return sign * accrual.charge(accrual.opening());
        }
    }

    private final Input in;
    private final int count;
    private final Result out;
    private final long[] charged;
    private long cash;
    private final long[] drawn;
    private final BigInteger[] accrued;
    private final long[][] due;
    private final long[] booked;

    private Sweep(Input in) {
        this.in = in;
        this.count = in.facilities().size();
        int days = in.days();
        this.out = new Result(
                new long[count][days],
                new long[count][days],
                new long[count][days],
                new long[count + 2][days],
                costs(in),
                new long[days],
                new long[days],
                new long[days],
                -1);
        this.charged = new long[count + 2];
        this.cash = in.cash();
        this.drawn = in.facilities().stream().mapToLong(Facility::drawn).toArray();
        this.accrued = new BigInteger[count + 2];
        this.due = new long[count + 2][days + 1];
        this.booked = new long[count + 2];
        for (int i = 0; i < count + 2; i++) {
            accrued[i] = accrual(i).opening();
            if (accrual(i).pendingOn() >= 0
                    && accrual(i).pendingOn() < days
                    && accrual(i).counted()) {
                due[i][accrual(i).pendingOn()] =
                        (i == count + 1 ? -1 : 1) * accrual(i).pending();
            }
        }
    }

    private static Cost[] costs(Input in) {
        int count = in.facilities().size();
        Cost[] costs = new Cost[count + 2];
        for (int i = 0; i < count + 2; i++) {
            Accrual of = i < count ? in.facilities().get(i).accrual() : i == count ? in.ofOverdraft() : in.onCash();
            costs[i] = new Cost(of, i == count + 1 ? -1 : 1, in.days());
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
        return sweep.out;
    }

    private Accrual accrual(int source) {
        return source < count
                ? in.facilities().get(source).accrual()
                : source == count ? in.ofOverdraft() : in.onCash();
    }

    private void day(int day) {
        cash += in.net()[day];
        for (int i = 0; i < count + 2; i++) {
            charge(i, day);
            out.interest()[i][day] = left(i, day);
            cash -= out.interest()[i][day];
        }
        long overdue = 0;
        for (int i = 0; i < count; i++) {
            drawn[i] += in.facilities().get(i).moved()[day];
            overdue += obeyLimit(i, day);
        }
        if (in.swept()[day]) {
            sweep(day);
        }
        out.cash()[day] = cash;
        out.overdue()[day] = overdue;
        out.shortfall()[day] = Math.max(
                        0, in.minimum()[day] - cash - in.overdraft()[day] - (in.swept()[day] ? 0 : drawable(day)))
                + overdue;
        for (int i = 0; i < count; i++) {
            out.drawn()[i][day] = drawn[i];
            accrued[i] = accrued[i].add(accrual(i).night(day, Math.max(0, drawn[i]), undrawn(i, day)));
        }
        accrued[count] = accrued[count].add(accrual(count).night(day, Math.max(0, -cash), 0));
        accrued[count + 1] = accrued[count + 1].add(accrual(count + 1).night(day, Math.max(0, cash), 0));
        for (int i = 0; i < count + 2; i++) {
            out.costs()[i].put(day, charged[i], accrued[i]);
        }
    }

    /** What the bank has booked since the as-of date is cash already: it is taken off what falls due next. */
    private long left(int source, int day) {
        booked[source] += accrual(source).booked()[day];
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
        long charge = (source == count + 1 ? -1 : 1) * accrual(source).charge(accrued[source]);
        due[source][Math.min(paid, in.days())] += charge;
        charged[source] += charge;
        accrued[source] = BigInteger.ZERO;
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
        return Math.max(0, in.facilities().get(i).most()[day] - Math.max(0, drawn[i]));
    }

    /**
     * What is drawn beyond the limit is repaid at once, minimum cash or not, as far as there is cash; the rest is
     * overdue.
     */
    private long obeyLimit(int i, int day) {
        long excess = Math.max(0, drawn[i] - in.facilities().get(i).most()[day]);
        long paid = Math.min(excess, Math.max(0, cash));
        move(i, day, -paid);
        out.forced()[i][day] = paid;
        return excess - paid;
    }

    private void move(int i, int day, long by) {
        drawn[i] += by;
        cash += by;
        out.flows()[i][day] += by;
    }

    private void sweep(int day) {
        long need = in.minimum()[day] - cash;
        for (int i = 0; i < count && need > 0; i++) {
            Facility one = in.facilities().get(i);
            if (day >= one.firstDraw()) {
                long wanted = (need + one.multiple() - 1) / one.multiple() * one.multiple();
                long draw = Math.min(wanted, undrawn(i, day) / one.multiple() * one.multiple());
                move(i, day, draw);
                need -= draw;
            }
        }
        long excess = cash - in.minimum()[day] - in.buffer();
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
            if (out.flows()[i][day] > 0) {
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
            long[] interest = new long[count + 2];
            int round = 0;
            while (true) {
                cash = opening;
                System.arraycopy(before, 0, drawn, 0, count);
                System.arraycopy(bookedBefore, 0, booked, 0, count + 2);
                for (int i = 0; i < count + 2; i++) {
                    due[i][month.paidOn()] = interest[i];
                }
                for (int i = 0; i < count; i++) {
                    Arrays.fill(out.flows()[i], month.first(), month.last() + 1, 0);
                }
                for (int day = month.first(); day <= month.last(); day++) {
                    day(day);
                }
                long[] next = average(month, opening, before);
                if (Arrays.equals(next, interest)) {
                    break;
                }
                if (++round > MOST_ROUNDS) {
                    return new Result(
                            out.flows(),
                            out.forced(),
                            out.drawn(),
                            out.interest(),
                            out.costs(),
                            out.cash(),
                            out.overdue(),
                            out.shortfall(),
                            month.first());
                }
                interest = next;
            }
            book(month, interest);
        }
        return out;
    }

    /** The interest of a month by its mean is charged on the day on which it is paid; nothing accrues beside it. */
    private void book(Month month, long[] interest) {
        for (int i = 0; i < count + 2; i++) {
            for (int day = month.first(); day <= month.last(); day++) {
                boolean paid = day >= month.paidOn();
                out.costs()[i].put(
                        day,
                        charged[i] + (paid ? interest[i] : 0),
                        month.first() == 0 && !paid ? accrual(i).opening() : BigInteger.ZERO);
            }
            charged[i] += interest[i];
        }
    }

    private long[] average(Month month, long opening, long[] before) {
        long[] next = new long[count + 2];
        for (int i = 0; i < count; i++) {
            long undrawn =
                    Math.max(0, in.facilities().get(i).most()[month.last()] - before[i]) + undrawn(i, month.last());
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
