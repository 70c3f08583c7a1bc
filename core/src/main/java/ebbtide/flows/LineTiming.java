package ebbtide.flows;

import ebbtide.accounts.Expectation;
import ebbtide.accounts.LineAccount;
import ebbtide.accounts.StreamAccount;
import ebbtide.accounts.StreamBilling;
import ebbtide.activity.MonthlyActivity;
import ebbtide.billing.DayBilling;
import ebbtide.billing.MonthBilling;
import ebbtide.billing.OwedByHistory;
import ebbtide.billing.PaidDays;
import ebbtide.billing.TargetBilling;
import ebbtide.books.DayAmount;
import ebbtide.items.ExpectedItem;
import ebbtide.items.LineItems;
import ebbtide.plan.Line;
import ebbtide.plan.LineSettings;
import ebbtide.plan.MonthPattern;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.util.List;

/**
 * The timing of one line: what is estimated after the as-of date, and why, emitted into a sink that adds up or one that
 * explains. Figure and workings share this path.
 */
public record LineTiming(
        LineAccount account,
        LineItems items,
        List<DayAmount> movements,
        List<Expectation> expectations,
        Timeline timeline,
        LineSettings settings) {

    private Line line() {
        return account.line();
    }

    /**
     * Returns the day, by its index on the timeline, on which a scenario has paid what lies on a day after the as-of
     * date, which may lie beyond the timeline (rules 11.3).
     */
    public int moved(int day) {
        return !line().isPaidLater() || day >= timeline.days() ? day : moved(day, timeline.date(day));
    }

    /** What is paid on a day was to be on another before its convention. */
    private int moved(int day, LocalDate before) {
        LocalDate on = timeline.date(day);
        int later = on.isAfter(settings.asOf()) ? line().paidLater(on, "") : 0;
        return later == 0
                ? day
                : ahead(line().assumption()
                        .conventionOfItems(line().direction())
                        .adjust(before.plusDays(later), timeline.calendar()));
    }

    private int ahead(LocalDate day) {
        return timeline.index(
                day.isAfter(settings.asOf()) ? day : timeline.calendar().next(settings.asOf()));
    }

    /**
     * Emits every open item and every estimate of an active line after the as-of date; the movements are the line's
     * own.
     */
    public void emit(FlowSink sink) {
        emitItems(sink);
        if (account instanceof StreamAccount stream) {
            emitStream(stream.billing(), sink);
        } else {
            emitExpectations(sink);
        }
    }

    private void emitStream(StreamBilling billed, FlowSink sink) {
        switch (billed.stream().terms().by()) {
            case DAYS -> emitDays(billed, sink);
            case TARGET -> emitTarget(billed, sink);
            case MONTHS -> emitPattern(billed, sink);
        }
        if (billed.isTruedUp()) {
            OwedByHistory owed = billed.owedByHistory();
            owed.corrections().forEach(correction -> sink.fromTrueUp(owed, correction));
        }
        line().carried().stream()
                .filter(one -> one.day().isAfter(settings.asOf()) && !one.day().isAfter(settings.horizonEnd()))
                .forEach(one -> sink.fromCarried(one, timeline.index(one.day())));
    }

    /**
     * Open items on their days. On books, cash booked after the as-of date is taken as paid on account until it is
     * settled: it lowers the items expected first.
     */
    private void emitItems(FlowSink sink) {
        long onAccount = account instanceof StreamAccount ? bookedAfter() : 0;
        for (ExpectedItem one : items.expected()) {
            if (!one.isLeftOut()) {
                long used = Math.min(onAccount, one.minor());
                onAccount -= used;
                sink.fromItem(one, timeline.index(one.paidOn()), one.minor() - used);
            }
        }
    }

    /**
     * What was booked on the line after the as-of date and settles no item, in its direction; zero if it went the other
     * way.
     */
    private long bookedAfter() {
        long booked = movements.stream()
                .filter(movement -> movement.day().isAfter(settings.asOf()))
                .mapToLong(DayAmount::minor)
                .sum();
        return Math.max(0, (booked - items.settledAfter()) * line().direction().sign());
    }

    /**
     * Returns what of the cash booked after the as-of date is the line's open items', settled or taken as paid on
     * account; minor units, unsigned.
     */
    public long onAccount() {
        long open = items.expected().stream()
                .filter(one -> !one.isLeftOut())
                .mapToLong(ExpectedItem::minor)
                .sum();
        return Math.min(open, bookedAfter())
                + Math.max(0, items.settledAfter() * line().direction().sign());
    }

    private int firstMonth() {
        return Timeline.monthNumber(settings.firstForecastMonth());
    }

    private void emitPattern(StreamBilling billed, FlowSink sink) {
        MonthPattern pattern = billed.stream().terms().pattern();
        int first = firstMonth();
        int to = timeline.lastMonth() + pattern.longestLead();
        for (int month = first - pattern.longestLag(); month <= to; month++) {
            MonthBilling billing = billed.billing(month);
            if (billing == null) {
                continue;
            }
            for (int step = 0; step < billing.steps(); step++) {
                int cashMonth = billing.cashMonth(step);
                if (cashMonth >= first && cashMonth <= timeline.lastMonth()) {
                    sink.fromPattern(billing, step);
                }
            }
        }
    }

    private void emitDays(StreamBilling billed, FlowSink sink) {
        MonthlyActivity amounts = billed.amounts();
        PaidDays days = billed.paidDays();
        int offset = timeline.index(days.issues().first());
        for (int month = firstMonth() - billed.stream().terms().dayTerms().monthsBack();
                month <= timeline.lastMonth();
                month++) {
            if (amounts.in(month) != 0) {
                DayBilling billing = DayBilling.of(
                        month,
                        amounts.in(month),
                        billed.stream().tax(),
                        billed.stream().terms().dayTerms());
                if (!line().isPaidLater()) {
                    billing.lay(
                            billed.stream().spread(),
                            days,
                            (day, gross, discount) ->
                                    sink.fromDays(billing, day + offset, day + offset, gross - discount));
                } else {
                    billing.layIssued(
                            billed.stream().spread(),
                            days,
                            (issued, paid, minor) -> sink.fromDays(
                                    billing, paid + offset, movedDays(billing, days, issued, paid + offset), minor));
                }
            }
        }
    }

    /** Each part that terms of days have paid after the as-of date moves before its convention. */
    private int movedDays(DayBilling billing, PaidDays days, int issued, int paid) {
        int later = paid < 0 || paid >= timeline.days() || !timeline.date(paid).isAfter(settings.asOf())
                ? 0
                : line().paidLater(timeline.date(paid), "");
        if (later == 0) {
            return paid;
        }
        int moved = days.later(billing.terms(), issued, later)
                + timeline.index(days.issues().first());
        return moved < timeline.days() ? Math.max(moved, ahead(settings.asOf())) : moved;
    }

    private void emitTarget(StreamBilling billed, FlowSink sink) {
        TargetBilling billing = billed.target();
        billing.months(timeline.lastMonth()).forEach(month -> sink.fromTarget(billing, month));
    }

    /** What a scenario moves is moved before its convention, then paid later where a scenario has that too. */
    private int moved(Expectation one, int day, boolean overdue) {
        if (one.due().isMoved()) {
            int at = ahead(line().assumption()
                    .conventionOfItems(line().direction())
                    .adjust(one.due().moved(), timeline.calendar()));
            return line().isPaidLater() && at < timeline.days()
                    ? moved(at, one.due().moved())
                    : at;
        }
        return line().isPaidLater() ? moved(day, overdue ? timeline.date(day) : one.typed()) : day;
    }

    /**
     * Returns the day on which what is left of an expectation is forecast: its own, the first business day after the
     * as-of date where that has passed, or where a scenario has it paid.
     */
    public LocalDate forecastOn(Expectation one) {
        boolean overdue = !one.day().isAfter(settings.asOf());
        LocalDate day = overdue ? timeline.calendar().next(settings.asOf()) : one.day();
        return day.isAfter(settings.horizonEnd()) && !one.due().isMoved()
                ? day
                : timeline.date(moved(one, timeline.index(day), overdue));
    }

    private void emitExpectations(FlowSink sink) {
        for (Expectation one : expectations) {
            boolean overdue = !one.day().isAfter(settings.asOf());
            LocalDate day = overdue ? timeline.calendar().next(settings.asOf()) : one.day();
            boolean stands = !overdue || one.windowEnd().isAfter(settings.asOf());
            if (stands
                    && one.left() != 0
                    && (one.due().isMoved() || !day.isAfter(settings.horizonEnd()))
                    && settings.counts(line().direction(), one.certainty())) {
                int at = timeline.index(day);
                sink.fromExpectation(one, at, moved(one, at, overdue), overdue);
            }
        }
    }
}
