package ebbtide.accounts;

import ebbtide.activity.ActivityCalculator;
import ebbtide.billing.Calendars;
import ebbtide.books.Books;
import ebbtide.derive.Derived;
import ebbtide.items.ItemTiming;
import ebbtide.plan.Plan;
import java.util.Optional;

/**
 * What the accounts of a plan and its books stand on: the days, what is planned by month, and when open items are paid;
 * from the bottom up.
 */
final class Foundations {
    private final Plan plan;
    private final Books books;
    private final Derived<Calendars.Span, Calendars> calendars;
    private final Frame frame;
    private final ActivityCalculator activity;
    private final ActivityCalculator beforeLate;
    private final ItemTiming items;

    Foundations(Plan plan, Books books, Optional<Foundations> before) {
        this.plan = plan;
        this.books = books;
        this.calendars = before.map(one -> one.calendars.next()).orElseGet(Derived::none);
        Calendars days = calendars.of(
                "calendars",
                () -> Calendars.Span.of(
                        plan,
                        books.accounts(),
                        books.findFirstDay().orElse(plan.settings().asOf())),
                Calendars::new);
        this.frame = Frame.of(plan, days);
        this.activity = before.map(one -> one.activity.next(plan)).orElseGet(() -> new ActivityCalculator(plan));
        this.beforeLate = hasLateMonths() ? calculatorBeforeLate(before) : activity;
        this.items =
                before.map(one -> one.items.next(plan, books, days)).orElseGet(() -> ItemTiming.of(plan, books, days));
    }

    Plan plan() {
        return plan;
    }

    Books books() {
        return books;
    }

    Frame frame() {
        return frame;
    }

    ActivityCalculator activity() {
        return activity;
    }

    ItemTiming items() {
        return items;
    }

    /**
     * Returns what was planned of months that are over but not closed: read from the plan as it stands before the first
     * of them.
     */
    ActivityCalculator beforeLate() {
        return beforeLate;
    }

    private ActivityCalculator calculatorBeforeLate(Optional<Foundations> before) {
        Plan then = plan.asOf(plan.settings().firstOpenMonth().atDay(1).minusDays(1));
        return before.filter(Foundations::hasLateMonths)
                .map(one -> one.beforeLate.next(then))
                .orElseGet(() -> new ActivityCalculator(then));
    }

    private boolean hasLateMonths() {
        return !plan.settings().firstOpenMonth().equals(plan.settings().firstForecastMonth());
    }
}
