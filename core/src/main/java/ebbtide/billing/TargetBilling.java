package ebbtide.billing;

import ebbtide.activity.MonthlyActivity;
import ebbtide.money.Rounding;
import ebbtide.money.Split;
import ebbtide.plan.Assumption;
import ebbtide.plan.DaysTarget;
import ebbtide.plan.LineSettings;
import ebbtide.time.DaySink;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A stream that stands at a target of days (rules 3.4): what is owed at each month's end by count-back over gross
 * billed, and the cash that follows: opening + billed - closing. The first target is the end of the first whole month
 * after the as-of date.
 */
public final class TargetBilling {
    private final MonthlyActivity activity;
    private final Assumption.Stream stream;
    private final DaysTarget target;
    private final Timeline timeline;
    private final LocalDate asOf;
    private final int open;
    private final int firstKnown;
    private final boolean withinMonth;

    /**
     * A month: what is owed before and after it, what it bills after the as-of date, its cash (negative when the target
     * rises by more than is billed), and whether days beyond the first known month were assumed.
     */
    public record Month(int month, int days, long opening, long billed, long closing, long cash, boolean assumed) {}

    /** What is owed by count-back, and whether some of its days lie before the first month that is known. */
    record Owed(long minor, boolean assumed) {}

    /** Makes the billing of a stream on a timeline that holds the month of the as-of date. */
    public TargetBilling(MonthlyActivity activity, Assumption.Stream stream, LineSettings settings, Timeline timeline) {
        this.activity = activity;
        this.stream = stream;
        this.target = stream.terms().daysTarget();
        this.timeline = timeline;
        this.asOf = settings.asOf();
        this.open = Timeline.monthNumber(settings.firstForecastMonth());
        this.withinMonth = timeline.startOfMonth(open) <= timeline.index(asOf);
        this.firstKnown = firstKnown();
    }

    private int firstKnown() {
        int first = stream.history().isEmpty()
                ? open
                : Math.min(open, Timeline.monthNumber(stream.history().firstKey()));
        for (int month = activity.firstMonth(); month < first; month++) {
            if (activity.in(month) != 0) {
                return month;
            }
        }
        return first;
    }

    private long gross(int month) {
        return stream.tax().grossOf(activity.in(month));
    }

    /**
     * Returns whether any month before the forecast is known, so that what was owed on the as-of date can be counted
     * back.
     */
    public boolean isOpeningKnown() {
        return firstKnown < open || stream.ledger() != null && stream.ledger().trueUp();
    }

    /** Returns what is owed on the as-of date: by the ledger where the line is trued up, else by count-back. */
    public long opening() {
        if (stream.ledger() != null && stream.ledger().trueUp()) {
            return stream.ledger().amount();
        }
        return countedOnAsOf();
    }

    /** Returns what is owed on the as-of date by count-back; 0 when no month before it is known. */
    public long countedOnAsOf() {
        if (firstKnown == open && !withinMonth) {
            return 0;
        }
        int days = target.on(asOf);
        if (!withinMonth) {
            return back(open - 1, days, 0).minor();
        }
        long soFar = parts()[0];
        int elapsed = asOf.getDayOfMonth();
        return days <= elapsed
                ? Rounding.divide(soFar * days, elapsed)
                : back(open - 1, days - elapsed, soFar).minor();
    }

    /** The gross of the month of the as-of date up to it, and after. */
    private long[] parts() {
        long[] parts = {0, 0};
        int asOfIndex = timeline.index(asOf);
        stream.spread().lay(gross(open), open, timeline, (day, minor) -> parts[day > asOfIndex ? 1 : 0] += minor);
        return parts;
    }

    /** Counts back from a month's end: whole months while days remain, then the fraction of the next; rounded once. */
    private Owed back(int month, int days, long sum) {
        long owed = sum;
        int left = days;
        for (int m = month; left > 0; m--) {
            int length = Timeline.month(Math.max(m, firstKnown)).lengthOfMonth();
            long whole = gross(Math.max(m, firstKnown));
            if (m < firstKnown || left < length) {
                long exact =
                        Math.addExact(Math.multiplyExact(owed, (long) length), Math.multiplyExact(whole, (long) left));
                return new Owed(Rounding.divide(exact, length), m < firstKnown);
            }
            owed = Math.addExact(owed, whole);
            left -= length;
        }
        return new Owed(owed, false);
    }

    /** Returns the months from the first that is forecast to a last one, in order. */
    public List<Month> months(int last) {
        List<Month> months = new ArrayList<>();
        long level = opening();
        int month = open;
        if (withinMonth) {
            level = addBroken(months, level);
            month = open + 2;
        }
        for (; month <= last; month++) {
            level = add(months, month, level, gross(month), null);
        }
        months.removeIf(one -> one.month() > last);
        return months;
    }

    /** The rest of a broken month and the first whole one share what comes in by then over their business days. */
    private long addBroken(List<Month> months, long opening) {
        long after = parts()[1];
        int days = target.on(Timeline.month(open + 1).atEndOfMonth());
        long cash = opening + after + gross(open + 1) - back(open + 1, days, 0).minor();
        long rest = rest().businessDays().length;
        long whole = Timeline.month(open + 1)
                .atDay(1)
                .datesUntil(Timeline.month(open + 2).atDay(1))
                .filter(timeline.calendar()::isBusinessDay)
                .count();
        long[] parts = Split.byWeights(cash, new long[] {rest, Math.max(1, whole)});
        long level = opening + after - parts[0];
        months.add(new Month(
                open, target.on(Timeline.month(open).atEndOfMonth()), opening, after, level, parts[0], false));
        return add(months, open + 1, level, gross(open + 1), parts[1]);
    }

    private long add(List<Month> months, int month, long opening, long billed, @Nullable Long cash) {
        int days = target.on(Timeline.month(month).atEndOfMonth());
        Owed owed = back(month, days, 0);
        months.add(new Month(
                month,
                days,
                opening,
                billed,
                owed.minor(),
                cash != null ? cash : opening + billed - owed.minor(),
                owed.assumed()));
        return owed.minor();
    }

    private RestOfMonth rest() {
        return new RestOfMonth(timeline, open, timeline.index(asOf));
    }

    /**
     * Lays a month's cash over its days by the line's spread; in the month of the as-of date over the business days
     * after it.
     */
    public void lay(Month month, DaySink sink) {
        if (!withinMonth || month.month() != open) {
            stream.spread().lay(month.cash(), month.month(), timeline, sink);
            return;
        }
        rest().lay(month.cash(), sink);
    }
}
