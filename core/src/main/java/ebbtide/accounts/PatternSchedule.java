package ebbtide.accounts;

import ebbtide.activity.MonthlyActivity;
import ebbtide.billing.DayBilling;
import ebbtide.billing.MonthBilling;
import ebbtide.billing.PaidDays;
import ebbtide.billing.PatternBilling;
import ebbtide.billing.TargetBilling;
import ebbtide.plan.Assumption;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Terms;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;

/**
 * A stream laid out month by cash month (rules 3.2, 3.3): what each month bills and when it is paid, with discounts,
 * what is written off and what is still owed at each month's end. Minor units, unsigned, gross of sales tax; whole
 * months as the pattern has them, before any netting with the bank.
 */
public record PatternSchedule(
        List<YearMonth> cashMonths,
        List<Billed> billed,
        MonthSeries cash,
        MonthSeries discounts,
        MonthSeries writtenOff,
        MonthSeries owed) {

    /** One month's billing: its amount as typed, gross, and the cash of each step. */
    public record Billed(YearMonth month, long amount, long gross, List<Payment> payments) {}

    /** What a step of a month's billing pays, in a cash month. */
    public record Payment(int step, YearMonth month, long gross, long discount, long cash) {}

    /** Returns the schedule of a stream's billing for so many cash months from one on. */
    public static PatternSchedule of(StreamBilling account, YearMonth firstCashMonth, int months) {
        Assumption.Stream stream = account.stream();
        Laying laying = new Laying(account.amounts(), Timeline.monthNumber(firstCashMonth), months);
        if (stream.terms().by() == Terms.By.TARGET) {
            laying.byTarget(account.target());
        } else if (stream.terms().by() == Terms.By.DAYS) {
            laying.byDays(
                    stream,
                    days(
                            account,
                            firstCashMonth.minusMonths(stream.terms().monthsBack()),
                            firstCashMonth.plusMonths(months)));
        } else {
            laying.byMonths(stream);
        }
        return laying.schedule();
    }

    /** The days of bills that the account has at hand, if they reach from a month to another. */
    private static PaidDays days(StreamBilling account, YearMonth from, YearMonth to) {
        Timeline known = account.paidDays().issues();
        return known.firstMonth() <= Timeline.monthNumber(from) && known.lastMonth() >= Timeline.monthNumber(to)
                ? account.paidDays()
                : new PaidDays(new Timeline(from, to, account.timeline().calendar()));
    }

    /** The laying of month after month's billing into its cash months. */
    private static final class Laying {
        private final MonthlyActivity activity;
        private final int first;
        private final int last;
        private final List<Billed> billed = new ArrayList<>();
        private final MonthSeries.Sum cash;
        private final MonthSeries.Sum discounts;
        private final MonthSeries.Sum writtenOff;
        private final MonthSeries.Sum owed;

        Laying(MonthlyActivity activity, int first, int months) {
            this.activity = activity;
            this.first = first;
            this.last = first + months - 1;
            this.cash = new MonthSeries.Sum(first, months);
            this.discounts = new MonthSeries.Sum(first, months);
            this.writtenOff = new MonthSeries.Sum(first, months);
            this.owed = new MonthSeries.Sum(first, months);
        }

        void byMonths(Assumption.Stream stream) {
            MonthPattern pattern = stream.terms().pattern();
            int from = first - stream.terms().monthsBack();
            int to = last + pattern.longestLead();
            PatternBilling all = new PatternBilling(stream.tax(), pattern, MonthSeries.of(from, to, activity::in));
            for (int m = from; m <= to; m++) {
                MonthBilling billing = new MonthBilling(all, m);
                List<Payment> payments = new ArrayList<>();
                owes(m, billing.gross());
                for (int step = 0; step < pattern.steps().size(); step++) {
                    pay(
                            payments,
                            new Payment(
                                    step,
                                    Timeline.month(billing.cashMonth(step)),
                                    billing.grossOf(step),
                                    billing.discount(step),
                                    billing.cash(step)));
                }
                owes(billing.writeOffMonth(), -billing.writtenOff());
                writtenOff.add(billing.writeOffMonth(), billing.writtenOff());
                add(m, billing.gross(), payments);
            }
        }

        /** The payments of a month's billing by days are numbered by how many months later they fall. */
        void byDays(Assumption.Stream stream, PaidDays days) {
            for (int m = first - stream.terms().monthsBack(); m <= last; m++) {
                DayBilling billing = DayBilling.of(
                        m, activity.in(m), stream.tax(), stream.terms().dayTerms());
                SortedMap<Integer, long[]> byMonth = new TreeMap<>();
                billing.lay(stream.spread(), days, (day, gross, discount) -> {
                    int paid = Timeline.monthNumber(YearMonth.from(days.issues().date(day)));
                    long[] sums = byMonth.computeIfAbsent(paid, at -> new long[2]);
                    sums[0] += gross;
                    sums[1] += discount;
                });
                List<Payment> payments = new ArrayList<>();
                owes(m, billing.gross());
                int month = m;
                byMonth.forEach((at, sums) -> pay(
                        payments, new Payment(at - month, Timeline.month(at), sums[0], sums[1], sums[0] - sums[1])));
                add(m, billing.gross(), payments);
            }
        }

        /** A target has no payments of a month's own: what comes in is what the level of what is owed lets in. */
        void byTarget(TargetBilling target) {
            for (TargetBilling.Month one : target.months(last)) {
                if (one.month() >= first) {
                    billed.add(
                            new Billed(Timeline.month(one.month()), activity.in(one.month()), one.billed(), List.of()));
                    cash.add(one.month(), one.cash());
                    owed.add(one.month(), one.closing());
                }
            }
        }

        private void pay(List<Payment> payments, Payment payment) {
            int at = Timeline.monthNumber(payment.month());
            owes(at, -payment.gross());
            if (at >= first && at <= last) {
                cash.add(at, payment.cash());
                discounts.add(at, payment.discount());
                payments.add(payment);
            }
        }

        private void add(int month, long gross, List<Payment> payments) {
            if (!payments.isEmpty() || month >= first && month <= last) {
                billed.add(new Billed(Timeline.month(month), activity.in(month), gross, payments));
            }
        }

        /** Adds a change of what is owed to every month end from that of one on. */
        private void owes(int from, long minor) {
            for (int month = Math.max(first, from); month <= last; month++) {
                owed.add(month, minor);
            }
        }

        PatternSchedule schedule() {
            return new PatternSchedule(
                    IntStream.rangeClosed(first, last).mapToObj(Timeline::month).toList(),
                    billed,
                    cash.series(),
                    discounts.series(),
                    writtenOff.series(),
                    owed.series());
        }
    }
}
