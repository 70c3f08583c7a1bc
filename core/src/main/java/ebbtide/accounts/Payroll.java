package ebbtide.accounts;

import static ebbtide.time.DayFormats.MONTH;
import static java.util.Objects.requireNonNull;

import ebbtide.activity.MonthlyActivity;
import ebbtide.money.Rounding;
import ebbtide.money.Split;
import ebbtide.plan.Line;
import ebbtide.plan.Pay;
import ebbtide.plan.PayDays;
import ebbtide.time.BusinessDays;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;

/** Every pay day of a line's roles: what is earned, withheld and added on it, and the days it pays for (rules 7.1). */
public final class Payroll {
    /** Pay days after the last month that is earned whose work lies partly before it. */
    private static final int DAYS_AHEAD = 62;

    private final Frame frame;
    private final Line line;
    private final Pay pay;
    private final BusinessDays calendar;
    private final Map<String, MonthlyActivity> sold;
    private final Map<Days, List<LocalDate>> businessDays = new ConcurrentHashMap<>();
    private final List<PayDay> payDays;

    /** Why a role is paid on a day. */
    public enum Why {
        /** Its pay for the days it covers. */
        PAY,
        /** A sum of its own on its date. */
        EXTRA,
        /** A commission, earned at the end of its month. */
        COMMISSION
    }

    /**
     * A day on which a role is paid: its date before and after the convention, the days it pays for (the same day for a
     * sum of its own), and what is earned, withheld from it and owed on top, in minor units.
     */
    public record PayDay(
            String role,
            Why why,
            String what,
            LocalDate typed,
            LocalDate day,
            LocalDate from,
            LocalDate to,
            long earned,
            long withheld,
            long onCost) {
        public long net() {
            return earned - withheld;
        }

        /** Returns what is paid over later: withheld, and the employer's own. */
        public long paidOver() {
            return withheld + onCost;
        }

        YearMonth month() {
            return YearMonth.from(typed);
        }
    }

    /**
     * Makes the pay days of a line's roles; {@code sold} is the activity of the lines that their commissions are a
     * share of.
     */
    Payroll(Frame frame, Line line, BusinessDays calendar, Map<String, MonthlyActivity> sold) {
        this.frame = frame;
        this.line = line;
        this.pay = (Pay) line.assumption();
        this.calendar = calendar;
        this.sold = sold;
        this.payDays = List.copyOf(made());
    }

    /** Returns the pay days in order. */
    List<PayDay> payDays() {
        return payDays;
    }

    /**
     * Staff are owed until they are paid (rules 1.9), so every pay day from the first on is looked for; none before it
     * is.
     */
    private List<PayDay> made() {
        LocalDate first = pay.days().anchor();
        LocalDate to = frame.lastEarned().atEndOfMonth().plusDays(DAYS_AHEAD);
        List<PayDay> made = new ArrayList<>();
        List<PayDays.Date> dates = pay.days().between(first, to);
        for (Pay.Role role : pay.roles()) {
            dates.forEach(date -> addPay(made, role, date));
            role.extras().stream()
                    .filter(extra -> !extra.date().isAfter(to))
                    .forEach(extra -> addUnlessNil(
                            made,
                            role,
                            Why.EXTRA,
                            extra.note().isEmpty() ? "extra pay" : extra.note(),
                            new PayDays.Date(extra.date(), 0, extra.date(), extra.date()),
                            extra.amount()));
            Pay.Commission commission = role.commission();
            if (commission != null) {
                // What is earned up to the last month costs then, however much later it is paid.
                commissions(made, role, commission, pay.days().between(first, to.plusMonths(commission.monthsAfter())));
            }
        }
        made.sort(Comparator.comparing(PayDay::day));
        return made;
    }

    /** What a scenario pays a role otherwise takes the place of its pay; a commission follows what is sold. */
    private void addUnlessNil(List<PayDay> made, Pay.Role role, Why why, String what, PayDays.Date date, long typed) {
        long earned = why == Why.COMMISSION ? typed : line.altered(typed, date.day(), role.name());
        if (earned != 0) {
            made.add(new PayDay(
                    role.name(),
                    why,
                    what,
                    date.day(),
                    pay.days().convention().adjust(date.day(), calendar),
                    date.from(),
                    date.to(),
                    earned,
                    role.withheld().of(earned),
                    role.onCost().of(earned)));
        }
    }

    /** A year's pay is parted evenly over its pay days; one more than the usual number is paid in full as well. */
    private void addPay(List<PayDay> made, Pay.Role role, PayDays.Date date) {
        LocalDate begins = role.start().isAfter(date.from()) ? role.start() : date.from();
        LocalDate ends = role.end() != null && role.end().isBefore(date.to()) ? role.end() : date.to();
        if (ends.isBefore(begins)) {
            return;
        }
        long annual = role.annualOn(begins);
        int parts = pay.days().often().aYear();
        long full =
                date.ofYear() < parts ? Split.equalPart(annual, parts, date.ofYear()) : Rounding.divide(annual, parts);
        boolean whole = begins.equals(date.from()) && ends.equals(date.to());
        int all = whole ? 0 : businessDays(date.from(), date.to()).size();
        long earned = all == 0
                ? full
                : Rounding.divide(full * businessDays(begins, ends).size(), all);
        addUnlessNil(
                made,
                role,
                Why.PAY,
                whole ? "pay" : "pay for part of the time",
                new PayDays.Date(date.day(), date.ofYear(), begins, ends),
                earned);
    }

    private void commissions(List<PayDay> made, Pay.Role role, Pay.Commission commission, List<PayDays.Date> dates) {
        TreeMap<YearMonth, LocalDate> lastOfMonth = new TreeMap<>();
        dates.forEach(date -> lastOfMonth.put(YearMonth.from(date.day()), date.day()));
        lastOfMonth.forEach((paid, day) -> {
            YearMonth month = paid.minusMonths(commission.monthsAfter());
            boolean employed = !role.start().isAfter(month.atEndOfMonth())
                    && (role.end() == null || !role.end().isBefore(month.atDay(1)));
            if (employed) {
                long amount = requireNonNull(sold.get(commission.lineId())).in(Timeline.monthNumber(month));
                addUnlessNil(
                        made,
                        role,
                        Why.COMMISSION,
                        "commission of " + MONTH.format(month),
                        new PayDays.Date(day, 0, month.atDay(1), month.atEndOfMonth()),
                        commission.share().of(amount));
            }
        });
    }

    private record Days(LocalDate from, LocalDate to) {}

    /** Roles are mostly paid for the same days. */
    private List<LocalDate> businessDays(LocalDate from, LocalDate to) {
        return businessDays.computeIfAbsent(new Days(from, to), some -> findBusinessDays(from, to));
    }

    private List<LocalDate> findBusinessDays(LocalDate from, LocalDate to) {
        List<LocalDate> found = new ArrayList<>();
        for (LocalDate day = from; !day.isAfter(to); day = day.plusDays(1)) {
            if (calendar.isBusinessDay(day)) {
                found.add(day);
            }
        }
        return found;
    }

    /**
     * Returns the business days that a pay day pays for, its last day where there are none; a commission is earned at
     * its month's end.
     */
    List<LocalDate> daysOf(PayDay one) {
        List<LocalDate> days = one.why() == Why.COMMISSION ? List.of() : businessDays(one.from(), one.to());
        return days.isEmpty() ? List.of(one.to()) : days;
    }
}
