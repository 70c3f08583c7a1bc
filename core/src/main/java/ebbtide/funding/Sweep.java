package ebbtide.funding;

import static java.util.Objects.requireNonNull;

import ebbtide.time.DaySeries;
import java.math.BigInteger;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The sweep of revolving facilities, day by day from the first after the as-of date (rules 8.2 to 8.5): limits that
 * fall are obeyed, cash is brought to its minimum by drawing in order of priority and brought back by repaying in the
 * reverse, interest accrues by nights and is paid when charged, or is found by the mean of balances month by month. A
 * pure function of its input; amounts in minor units.
 */
final class Sweep {
    /** No more rounds are made to settle a month's interest. */
    static final int MOST_ROUNDS = 100;

    /**
     * What is swept: cash at the end of the as-of date, every other flow by day, minimum cash, overdraft limit and the
     * days on which it is swept; what is left above the minimum before anything is repaid; interest of the overdraft
     * and on cash; months and their last business days where interest is by the mean of balances ({@code months} is
     * null otherwise); what changes of the facilities by day.
     */
    record Input(
            long cash,
            DaySeries net,
            DaySeries minimum,
            DaySeries overdraft,
            boolean[] swept,
            long buffer,
            List<SweptFacility> facilities,
            Accrual ofOverdraft,
            Accrual onCash,
            @Nullable List<Month> months,
            SweptTerms terms) {
        int days() {
            return swept.length;
        }

        /** Returns the same with other flows by day. */
        Input flowing(DaySeries other) {
            return new Input(
                    cash, other, minimum, overdraft, swept, buffer, facilities, ofOverdraft, onCash, months, terms);
        }
    }

    /**
     * The days of a month, its last business day on which interest is paid, and which part of a whole month they are.
     */
    record Month(int first, int last, int paidOn, int parts, int of) {}

    /**
     * What came of it by day: drawn (below zero: repaid) and, of that, repaid because the limit asked for it, of each
     * facility; its balance; interest and fees paid of each, then of the overdraft and, below zero, on cash; what all
     * of that has cost since the as-of date with what had accrued then; closing cash, what stays drawn past its limit,
     * and the shortfall. {@code unsettled} is the place of the month whose interest does not settle, from which on
     * nothing is known; -1 if all do.
     */
    record Result(
            DayTable flows,
            DayTable forced,
            DayTable drawn,
            DayTable interest,
            InterestCosts costs,
            DaySeries cash,
            DaySeries overdue,
            DaySeries shortfall,
            int unsettled) {
        /**
         * Returns what of a source's interest is owed at the end: what was owed at first and all that it has cost, less
         * what is paid and what the bank has booked.
         */
        long owed(int source) {
            Accrual accrual = costs.accrual(source);
            int days = (unsettled < 0 ? costs.days() : unsettled);
            long owed = days == 0 ? costs.opening(source) : costs.upTo(source, days - 1);
            owed += accrual.pendingOn() >= 0 ? costs.sign(source) * accrual.pending() : 0;
            return owed - interest.of(source).sum(0, days) - accrual.booked().sum(0, days);
        }

        /** Returns whether a day is known: interest settled up to its month. */
        boolean isKnown(int day) {
            return unsettled < 0 || day < unsettled;
        }
    }

    private final Input in;
    private final SweptTerms terms;
    private final int count;
    /** Facilities, the overdraft and cash: all that bears interest. */
    private final int sources;

    private final List<Accrual> accruals;
    private final long[] flows;
    private final long[] forced;
    private final long[] drawnBy;
    private final long[] interest;
    private final InterestCosts costs;
    private final long[] cashBy;
    private final long[] overdue;
    private final long[] shortfall;
    private final long[] charged;
    private long cash;
    private final long[] drawn;
    private final Accrued[] accrued;
    private final long[] due;
    private final long[] booked;
    private final boolean[] isBooked;

    private Sweep(Input in) {
        this.in = in;
        this.terms = in.terms();
        this.count = in.facilities().size();
        this.sources = count + 2;
        this.accruals = Stream.concat(
                        in.facilities().stream().map(SweptFacility::accrual), Stream.of(in.ofOverdraft(), in.onCash()))
                .toList();
        int days = in.days();
        this.flows = new long[count * days];
        this.forced = new long[count * days];
        this.drawnBy = new long[count * days];
        this.interest = new long[sources * days];
        this.costs = new InterestCosts(accruals, days);
        this.cashBy = new long[days];
        this.overdue = new long[days];
        this.shortfall = new long[days];
        this.charged = new long[sources];
        this.cash = in.cash();
        this.drawn = in.facilities().stream().mapToLong(SweptFacility::drawn).toArray();
        this.accrued = new Accrued[sources];
        this.due = new long[sources * (days + 1)];
        this.booked = new long[sources];
        this.isBooked = new boolean[sources];
        for (int i = 0; i < sources; i++) {
            Accrual one = accruals.get(i);
            accrued[i] = new Accrued(one.opening());
            isBooked[i] = !one.booked().isNil();
            if (one.pendingOn() >= 0 && one.pendingOn() < days && one.counted()) {
                due[one.pendingOn() * sources + i] = costs.sign(i) * one.pending();
            }
        }
    }

    private Result result(int unsettled) {
        int days = in.days();
        return new Result(
                new DayTable(count, days, flows),
                new DayTable(count, days, forced),
                new DayTable(count, days, drawnBy),
                new DayTable(sources, days, interest),
                costs,
                DaySeries.of(cashBy),
                DaySeries.of(overdue),
                DaySeries.of(shortfall),
                unsettled);
    }

    /** Returns the sweep of an input. */
    static Result of(Input in) {
        Sweep sweep = new Sweep(in);
        if (in.months() != null) {
            return sweep.byMonths();
        }
        for (int day = 0; day < in.days(); day++) {
            sweep.day(day);
        }
        return sweep.result(-1);
    }

    private void day(int day) {
        cash += in.net().on(day);
        payInterest(day);
        for (int i : terms.moved) {
            drawn[i] += in.facilities().get(i).moved().on(day);
        }
        long beyond = obeyLimits(day);
        if (in.swept()[day]) {
            sweep(day);
        }
        cashBy[day] = cash;
        overdue[day] = beyond;
        shortfall[day] = Math.max(
                        0, in.minimum().on(day) - cash - in.overdraft().on(day) - (in.swept()[day] ? 0 : drawable(day)))
                + beyond;
        System.arraycopy(drawn, 0, drawnBy, day * count, count);
        for (int i = 0; i < count; i++) {
            int at = day * count + i;
            Accrual.night(terms.bears[at], Math.max(0, drawn[i]), terms.costs[at], undrawn(i, day), accrued[i]);
        }
        in.ofOverdraft().night(day, Math.max(0, -cash), accrued[count]);
        in.onCash().night(day, Math.max(0, cash), accrued[count + 1]);
        for (int i = 0; i < sources; i++) {
            costs.put(i, day, charged[i], accrued[i]);
        }
    }

    private void payInterest(int day) {
        if (in.months() == null) {
            for (int i : terms.charged[day]) {
                charge(i, day);
            }
            charge(count, day);
            charge(count + 1, day);
        }
        for (int at = day * sources, i = 0; i < sources; at++, i++) {
            long paid = due[at] == 0 && !isBooked[i] ? 0 : left(i, day);
            interest[at] = paid;
            cash -= paid;
        }
    }

    /** What the bank has booked since the as-of date is cash already: it is taken off what falls due next. */
    private long left(int source, int day) {
        booked[source] += accruals.get(source).booked().on(day);
        long sum = due[day * sources + source];
        long taken = Long.signum(sum) * Math.min(Math.abs(sum), Math.max(0, Long.signum(sum) * booked[source]));
        booked[source] -= taken;
        return sum - taken;
    }

    /** A charge takes the nights up to the day before; those after it are of the next. */
    private void charge(int source, int day) {
        Accrual one = accruals.get(source);
        int paid = one.paidOn()[day];
        if (paid < 0 || !one.counted()) {
            return;
        }
        long charge = costs.sign(source) * one.charge(accrued[source].sum());
        due[Math.min(paid, in.days()) * sources + source] += charge;
        charged[source] += charge;
        accrued[source].clear();
    }

    /** What the next sweep may draw: below minimum until then is no shortfall as far as it reaches. */
    private long drawable(int day) {
        long sum = 0;
        for (int i = 0; i < count; i++) {
            SweptFacility one = in.facilities().get(i);
            sum += day < one.firstDraw() ? 0 : undrawn(i, day) / one.multiple() * one.multiple();
        }
        return sum;
    }

    private long undrawn(int i, int day) {
        return Math.max(0, terms.most[day * count + i] - Math.max(0, drawn[i]));
    }

    /**
     * What is drawn beyond the limit is repaid at once, minimum cash or not, as far as there is cash; the rest, which
     * is returned, is overdue.
     */
    private long obeyLimits(int day) {
        long beyond = 0;
        for (int at = day * count, i = 0; i < count; at++, i++) {
            long excess = Math.max(0, drawn[i] - terms.most[at]);
            long paid = Math.min(excess, Math.max(0, cash));
            forced[at] = paid;
            if (excess > 0) {
                move(i, day, -paid);
                beyond += excess - paid;
            }
        }
        return beyond;
    }

    private void move(int i, int day, long by) {
        drawn[i] += by;
        cash += by;
        flows[day * count + i] += by;
    }

    private void sweep(int day) {
        long need = in.minimum().on(day) - cash;
        for (int i = 0; i < count && need > 0; i++) {
            SweptFacility one = in.facilities().get(i);
            if (day >= one.firstDraw()) {
                long wanted = (need + one.multiple() - 1) / one.multiple() * one.multiple();
                long draw = Math.min(wanted, undrawn(i, day) / one.multiple() * one.multiple());
                move(i, day, draw);
                need -= draw;
            }
        }
        long excess = cash - in.minimum().on(day) - in.buffer();
        boolean repays = need <= 0 && !drewOn(day);
        for (int i = count - 1; i >= 0 && repays && excess > 0; i--) {
            long multiple = in.facilities().get(i).multiple();
            long owed = Math.max(0, drawn[i]);
            long repaid = excess >= owed ? owed : excess / multiple * multiple;
            move(i, day, -repaid);
            excess -= repaid;
        }
    }

    /** A draw in multiples may leave more than the minimum: that is not repaid on the day on which it is drawn. */
    private boolean drewOn(int day) {
        for (int at = day * count; at < (day + 1) * count; at++) {
            if (flows[at] > 0) {
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
            long[] found = new long[sources];
            int round = 0;
            while (true) {
                cash = opening;
                System.arraycopy(before, 0, drawn, 0, count);
                System.arraycopy(bookedBefore, 0, booked, 0, sources);
                System.arraycopy(found, 0, due, month.paidOn() * sources, sources);
                Arrays.fill(flows, month.first() * count, (month.last() + 1) * count, 0);
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
        for (int i = 0; i < sources; i++) {
            Accrued opening = new Accrued(month.first() == 0 ? accruals.get(i).opening() : BigInteger.ZERO);
            Accrued nothing = new Accrued(BigInteger.ZERO);
            for (int day = month.first(); day <= month.last(); day++) {
                boolean paid = day >= month.paidOn();
                costs.put(i, day, charged[i] + (paid ? found[i] : 0), paid ? nothing : opening);
            }
            charged[i] += found[i];
        }
    }

    private long[] average(Month month, long opening, long[] before) {
        long[] next = new long[sources];
        for (int i = 0; i < count; i++) {
            long undrawn = Math.max(0, terms.most[month.last() * count + i] - before[i]) + undrawn(i, month.last());
            next[i] = accruals.get(i)
                    .average(
                            month.last(),
                            Math.max(0, before[i]) + Math.max(0, drawn[i]),
                            undrawn,
                            month.parts(),
                            month.of());
        }
        next[count] = in.ofOverdraft()
                .average(month.last(), Math.max(0, -opening) + Math.max(0, -cash), 0, month.parts(), month.of());
        next[count + 1] = -in.onCash()
                .average(month.last(), Math.max(0, opening) + Math.max(0, cash), 0, month.parts(), month.of());
        for (int i = 0; month.first() == 0 && i < sources; i++) {
            next[i] += costs.sign(i) * accruals.get(i).charge(accruals.get(i).opening());
        }
        return next;
    }
}
