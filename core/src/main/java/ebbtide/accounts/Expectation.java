package ebbtide.accounts;

import ebbtide.plan.Certainty;
import java.time.LocalDate;

/**
 * One occurrence of cash planned by date (rules 5.2): what falls due, the window in which movements use it up, and what
 * has been used, in the line's direction.
 */
public record Expectation(Due due, LocalDate windowStart, LocalDate windowEnd, long used) {

    /** Returns the date as planned. */
    public LocalDate typed() {
        return due.typed();
    }

    /** Returns the day after the convention. */
    public LocalDate day() {
        return due.day();
    }

    public long amount() {
        return due.amount();
    }

    public Certainty certainty() {
        return due.certainty();
    }

    public String words() {
        return due.words();
    }

    /** Returns what is still expected; never of the other sign than what falls due. */
    public long left() {
        return amount() < 0 ? Math.min(0, amount() - used) : Math.max(0, amount() - used);
    }

    /** Returns by how much the movements exceed the expectation, by size; zero if they don't. */
    public long overBy() {
        return Math.max(0, Math.abs(used) - Math.abs(amount()));
    }

    boolean holds(LocalDate date) {
        return !date.isBefore(windowStart) && !date.isAfter(windowEnd);
    }

    /** Returns whether it stays expected until it is paid, however late. */
    public boolean isUntilPaid() {
        return windowEnd.equals(LocalDate.MAX);
    }

    /** Returns whether it is a pay day, on which what was earned is owed. */
    public boolean isPayDay() {
        return due.lasting() == Due.Lasting.PAY_DAY;
    }

    long distance(LocalDate date) {
        return Math.abs(date.toEpochDay() - day().toEpochDay());
    }

    /** Returns the same with no end to its window. */
    Expectation standing() {
        return new Expectation(due, windowStart, LocalDate.MAX, used);
    }

    Expectation use(long minor) {
        return new Expectation(due, windowStart, windowEnd, used + minor);
    }
}
