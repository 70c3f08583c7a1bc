package ebbtide.whatif;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.plan.Line;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Objects;

/** What a change does to its target (rules 11.2, 11.3). */
public sealed interface Act {

    /** Another value in the place of what there is. */
    record Set(Typed value) implements Act {
        public Set {
            Objects.requireNonNull(value, "value");
        }
    }

    /** A share of what there is: 100% leaves it. */
    record Scale(Percent to) implements Act {
        private static final Percent MOST = new Percent(10 * Percent.WHOLE);

        public Scale {
            Check.inRange(to, Percent.ZERO, MOST, "share of what there is");
        }
    }

    /** More, or less, than there is, in the unit of the target. */
    record Add(BigDecimal more) implements Act {
        public Add {
            more = new Typed.Figure(more).number();
        }
    }

    /** Later, or sooner, by months or by days. */
    record Shift(int by, Unit unit) implements Act {
        private static final int FURTHEST = 3_660;

        /** By what is counted. */
        public enum Unit {
            DAYS,
            MONTHS
        }

        public Shift {
            Check.inRange(by, -FURTHEST, FURTHEST, "days or months of a shift");
            Objects.requireNonNull(unit, "days or months");
        }

        /** Returns the day to which it moves one; a day that a month lacks is its last. */
        LocalDate of(LocalDate day) {
            return unit == Unit.MONTHS ? day.plusMonths(by) : day.plusDays(by);
        }
    }

    /** Left out: what is open or owed on the as-of date still comes. */
    record LeaveOut() implements Act {}

    /** Cash paid so many days later, or sooner below zero. */
    record PaidLater(int days) implements Act {
        public PaidLater {
            Check.inRange(days, -366, 366, "days later");
        }
    }

    /** So many points more that are never paid. */
    record NeverPaid(Percent points) implements Act {
        public NeverPaid {
            Check.inRange(points, Percent.ZERO, Percent.HUNDRED, "points that are never paid");
        }
    }

    /** Paid in full: no discount for paying early is taken any more. */
    record WithoutDiscounts() implements Act {}

    /** Paid when it falls due: no habit and no lateness; typed days and promises stay. */
    record OnDueDates() implements Act {}

    /** A counterparty that fails: its items are never paid, and its share of what is still to come does not come. */
    record Fails() implements Act {}

    /** A line that the scenario alone has. */
    record New(Line line) implements Act {
        public New {
            Objects.requireNonNull(line, "line");
        }
    }
}
