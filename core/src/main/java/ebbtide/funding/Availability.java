package ebbtide.funding;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.PatternSchedule;
import ebbtide.activity.StockRoll;
import ebbtide.books.OpenItem;
import ebbtide.items.ExpectedItem;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;

/**
 * What a facility is available against, month's end by month's end (rules 8.2): receivables of streams as their terms
 * leave them, open items that are expected later and not too late by then, and stock. It does not depend on what the
 * sweep does.
 */
final class Availability {
    private final Accounts accounts;
    private final YearMonth first;
    private final int months;
    private final MonthSeries.Sum billed;
    private final MonthSeries.Sum stock;
    private final List<ExpectedItem> items = new ArrayList<>();

    /** Reads the receivables and stock of a plan's accounts for so many months from the first that is forecast. */
    Availability(Accounts accounts, int months) {
        Plan plan = accounts.plan();
        this.accounts = accounts;
        this.first = plan.settings().firstForecastMonth();
        this.months = months;
        int open = Timeline.monthNumber(first);
        this.billed = new MonthSeries.Sum(open, months);
        this.stock = new MonthSeries.Sum(open, months);
        plan.lines().stream().filter(plan::isActive).forEach(line -> line.findStream()
                .ifPresent(stream -> take(line, stream)));
    }

    private void take(Line line, Assumption.Stream stream) {
        if (line.direction() == Direction.RECEIPT) {
            billed.add(PatternSchedule.of(accounts.stream(line), first, months).owed(), 1);
            if (stream.basis() == Basis.BOOKS) {
                items.addAll(accounts.items().of(line));
            }
        }
        accounts.stream(line).stock().ifPresent(roll -> {
            for (StockRoll.Month month : roll.months()) {
                stock.add(Timeline.monthNumber(month.month()), month.closing());
            }
        });
    }

    /**
     * Returns what is available by a borrowing base from a month's end on, the first month that is forecast being 0;
     * not below nil.
     */
    long available(BorrowingBase base, int month) {
        LocalDate end = first.plusMonths(month).atEndOfMonth();
        int number = Timeline.monthNumber(first) + month;
        long open = items.stream()
                .filter(one -> counts(one, end, base.daysLate()))
                .mapToLong(one -> one.item().signedOpen())
                .sum();
        return Math.max(0, base.receivables().of(billed.in(number) + open))
                + Math.max(0, base.stock().of(stock.in(number)));
    }

    /** An item counts that is billed by then, expected later, and not held, disputed or too late. */
    private boolean counts(ExpectedItem one, LocalDate end, int daysLate) {
        boolean order = one.item().kind() == OpenItem.Kind.ORDER;
        LocalDate billedOn = order ? one.item().supplied() : one.item().issued();
        return !one.isLeftOut()
                && !billedOn.isAfter(end)
                && one.paidOn().isAfter(end)
                && (one.item().due() == null
                        || !one.item().due().plusDays(daysLate).isBefore(end));
    }
}
