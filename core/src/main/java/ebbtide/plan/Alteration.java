package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.time.LocalDate;
import java.util.Objects;

/**
 * What a scenario does to a line beyond what the line assumes (rules 11.2, 11.3), each on what those before it left.
 * The base has none.
 */
public sealed interface Alteration {
    /** Returns the name of the scenario that does it. */
    String by();

    /** What is done to an amount: it takes a share of it, more or less, or another in its place. */
    enum Kind {
        SCALE,
        ADD,
        SET
    }

    /**
     * Other amounts in a range: of a stream's months, of bills, of pay. {@code value} is millionths of what there was
     * to scale it, else minor units; {@code part} is the role that is paid otherwise, empty for all there is on the
     * line.
     */
    record Amounts(String by, Kind kind, long value, DayRange range, String part) implements Alteration {
        public Amounts {
            Objects.requireNonNull(by, "scenario");
            Objects.requireNonNull(kind, "what is done");
            Objects.requireNonNull(range, "range");
        }

        /** Returns whether it is about an amount of a day, or of a role's on that day. */
        boolean isOf(LocalDate day, String some) {
            return range.contains(day) && (part.isEmpty() || part.equals(some));
        }

        /** Returns an amount as this leaves it, in minor units; never below nil. */
        public long of(long minor) {
            return switch (kind) {
                case SCALE -> new Percent(value).of(minor);
                case ADD -> Math.max(0, Math.addExact(minor, value));
                case SET -> value;
            };
        }
    }

    /**
     * Cash that is paid so many days later (sooner below zero) than it would be, of what is paid in a range: of items
     * of one counterparty alone where one is named.
     */
    record PaidLater(String by, int days, DayRange range, String counterparty) implements Alteration {
        private static final int FURTHEST = 366;

        public PaidLater {
            Check.inRange(days, -FURTHEST, FURTHEST, "days later");
            Objects.requireNonNull(range, "range");
        }

        boolean isOf(LocalDate day, String of) {
            return range.contains(day) && (counterparty.isEmpty() || counterparty.equals(of));
        }
    }

    /**
     * A share more that is never paid: the line's pattern has it already, and {@code before} is the pattern without it,
     * by which history is owed.
     */
    record NeverPaid(String by, MonthPattern before) implements Alteration {
        public NeverPaid {
            Objects.requireNonNull(before, "pattern before");
        }
    }
}
