package ebbtide.billing;

import ebbtide.activity.MonthlyActivity;
import ebbtide.books.OpenItem;
import ebbtide.money.Rounding;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.LineSettings;
import ebbtide.plan.Netting;
import ebbtide.time.BusinessDays;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What invoices and orders leave of each month planned for a stream on books (rules 5.1): left = planned - invoiced -
 * on order, never below zero; below zero it is over by that, and takes nothing from other months. In minor units as the
 * line types them, net or gross.
 */
public final class LeftOfPlan {
    private final List<Month> months = new ArrayList<>();
    private final MonthlyActivity billed;

    /**
     * A month: what is planned, invoiced less credit notes, and on order without an invoice; {@code most} is what its
     * business days after the as-of date bear by the plan where a line goes on at that rate, else all that is planned.
     */
    public record Month(YearMonth month, long planned, long invoiced, long onOrder, long most) {
        public long left() {
            return Math.min(Math.max(0, planned - invoiced - onOrder), most);
        }

        /** Returns whether less is left than the plan lacks, because the line goes on at the plan's rate. */
        public boolean isCapped() {
            return planned - invoiced - onOrder > most;
        }

        /** Returns by how much invoices and orders exceed the plan, zero if they don't. */
        public long overBy() {
            return Math.max(0, invoiced + onOrder - planned);
        }
    }

    /**
     * Works out what is left of the months planned from the first that is not closed; {@code late} is the plan as it
     * stands before that month, read for those that are over but not closed.
     */
    public LeftOfPlan(
            Line line,
            List<OpenItem> items,
            MonthlyActivity planned,
            MonthlyActivity late,
            LineSettings settings,
            Timeline timeline) {
        Assumption.Stream stream = (Assumption.Stream) line.assumption();
        boolean gross = stream.tax().amountsAreGross();
        int open = Timeline.monthNumber(settings.firstForecastMonth());
        Map<Integer, Long> invoiced = new HashMap<>();
        Map<Integer, Long> onOrder = new HashMap<>();
        for (OpenItem item : items) {
            if (item.kind() == OpenItem.Kind.ORDER) {
                onOrder.merge(
                        month(delivered(item, settings.asOf())),
                        gross ? item.amount().open() : item.amount().open() - taxOfOpen(item),
                        Long::sum);
            } else {
                long amount = gross ? item.amount().gross() : item.amount().net();
                invoiced.merge(
                        month(item.supplied()), item.kind() == OpenItem.Kind.CREDIT_NOTE ? -amount : amount, Long::sum);
            }
        }
        MonthSeries counted = planned.effective();
        MonthSeries.Sum left = new MonthSeries.Sum(counted.first(), counted.months());
        boolean runRate = line.netting().left() == Netting.Left.RUN_RATE;
        for (int month = Timeline.monthNumber(settings.firstOpenMonth()); month <= planned.lastMonth(); month++) {
            long plan = month < open ? late.in(month) : planned.in(month);
            Month one = new Month(
                    Timeline.month(month),
                    plan,
                    invoiced.getOrDefault(month, 0L),
                    onOrder.getOrDefault(month, 0L),
                    runRate ? atRate(plan, month, settings.asOf(), timeline) : plan);
            months.add(one);
            left.add(Math.max(open, month), one.left());
        }
        passOn(left, counted.last(), new RestOfMonth(timeline, open, timeline.index(settings.asOf())));
        billed = new MonthlyActivity(planned.computed(), left.series());
    }

    /**
     * A month's plan by its business days after the as-of date: all of a month to come, nothing of one that is over.
     */
    private static long atRate(long plan, int month, LocalDate asOf, Timeline timeline) {
        YearMonth of = Timeline.month(month);
        if (!of.atDay(1).isBefore(asOf.plusDays(1))) {
            return plan;
        }
        BusinessDays calendar = timeline.calendar();
        long all = of.atDay(1)
                .datesUntil(of.plusMonths(1).atDay(1))
                .filter(calendar::isBusinessDay)
                .count();
        long after = of.atDay(1)
                .datesUntil(of.plusMonths(1).atDay(1))
                .filter(day -> day.isAfter(asOf) && calendar.isBusinessDay(day))
                .count();
        return all == 0 ? 0 : Rounding.divide(BigDecimal.valueOf(plan).multiply(BigDecimal.valueOf(after)), all);
    }

    /**
     * Without a business day left in its month, what is left is timed as activity of the next one, where the first
     * business day is.
     */
    private static void passOn(MonthSeries.Sum left, int last, RestOfMonth open) {
        int month = open.month();
        if (open.hasBegun() && month < last && open.businessDays().length == 0) {
            left.add(month + 1, left.in(month));
            left.put(month, 0);
        }
    }

    private static int month(LocalDate day) {
        return Timeline.monthNumber(YearMonth.from(day));
    }

    /**
     * Returns the day on which an order is delivered: one that should have been by the as-of date is looked for after
     * it.
     */
    public static LocalDate delivered(OpenItem order, LocalDate asOf) {
        return order.supplied().isAfter(asOf) ? order.supplied() : asOf.plusDays(1);
    }

    /** Returns the sales tax within what is open of an item. */
    public static long taxOfOpen(OpenItem item) {
        OpenItem.Amount amount = item.amount();
        return amount.gross() == 0
                ? 0
                : Rounding.divide(
                        BigDecimal.valueOf(amount.tax()).multiply(BigDecimal.valueOf(amount.open())), amount.gross());
    }

    /** Returns a month that is not closed. */
    public Month in(YearMonth month) {
        return months.stream()
                .filter(one -> one.month().equals(month))
                .findFirst()
                .orElseThrow();
    }

    /** Returns the months from the first that is not closed. */
    public List<Month> months() {
        return List.copyOf(months);
    }

    /** Returns what is still to be billed, by month. */
    public MonthlyActivity billed() {
        return billed;
    }
}
