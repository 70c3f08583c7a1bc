package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

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

    /** What is done to the months of a stream. */
    sealed interface OfMonths extends Alteration {
        /** Returns the months that it is about. */
        DayRange range();

        /** Does it to amounts by month, from the first that is forecast to the last. */
        void alter(MonthSeries.Sum amounts, int first, int last);
    }

    /**
     * Months of a stream that come so many months later, sooner below zero, all at once and on top of what is there
     * (rules 11.3); none before the first that is forecast. Of that month what is left moves: all but what
     * {@code stays} (nothing: all of it), or as much of it as {@code laid} is of {@code of}, where {@code of} is not
     * nil.
     */
    record MonthsShifted(String by, int months, DayRange range, long stays, long laid, long of) implements OfMonths {
        public MonthsShifted {
            Objects.requireNonNull(range, "range");
        }

        @Override
        public void alter(MonthSeries.Sum amounts, int first, int last) {
            MonthSeries before = amounts.series();
            for (int month = first; month <= last; month++) {
                if (range.touches(Timeline.month(month))) {
                    long moved = month == first ? left(before.in(month)) : before.in(month);
                    amounts.add(month, -moved);
                    amounts.add(Math.max(first, month + months), moved);
                }
            }
        }

        private long left(long amount) {
            return of == 0
                    ? Math.max(0, amount - stays)
                    : amount == of
                            ? laid
                            : Rounding.divide(BigDecimal.valueOf(amount).multiply(BigDecimal.valueOf(laid)), of);
        }
    }

    /**
     * Bills and single items of a range that come so many days or months later, sooner below zero (rules 11.3): what
     * they earn, their tax and what is left to be paid of them; facts use them up on the day that the base has. Those
     * of one certainty alone where one is said.
     */
    record DaysShifted(
            String by,
            int count,
            boolean months,
            DayRange range,
            @Nullable Certainty certainty) implements Alteration {
        public DaysShifted {
            Objects.requireNonNull(range, "range");
        }

        boolean isOf(LocalDate day, Certainty some) {
            return range.contains(day) && (certainty == null || certainty == some);
        }

        LocalDate of(LocalDate day) {
            return months ? day.plusMonths(count) : day.plusDays(count);
        }

        /** Returns the most days by which anything comes sooner. */
        int sooner() {
            return count >= 0 ? 0 : months ? -count * 31 : -count;
        }
    }

    /**
     * Other amounts in a range: of a stream's months, of bills, of pay. {@code value} is millionths of what there was
     * to scale it, else minor units; {@code part} is the role that is paid otherwise, empty for all there is on the
     * line.
     */
    record Amounts(String by, Kind kind, long value, DayRange range, String part) implements OfMonths {
        public Amounts {
            Objects.requireNonNull(by, "scenario");
            Objects.requireNonNull(kind, "what is done");
            Objects.requireNonNull(range, "range");
        }

        /** Returns whether it is about an amount of a day, or of a role's on that day. */
        boolean isOf(LocalDate day, String some) {
            return range.contains(day) && (part.isEmpty() || part.equals(some));
        }

        @Override
        public void alter(MonthSeries.Sum amounts, int first, int last) {
            for (int month = first; month <= last; month++) {
                if (range.touches(Timeline.month(month))) {
                    amounts.put(month, of(amounts.in(month)));
                }
            }
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

    /** Returns whether any of some alterations has something paid later, or sooner. */
    static boolean isPaidLater(List<Alteration> altered) {
        // Asked of every day of every line, and nothing is altered in the base.
        for (Alteration one : altered) {
            if (one instanceof PaidLater) {
                return true;
            }
        }
        return false;
    }

    /**
     * Returns how many days later some alterations have paid what is paid on a day, of a counterparty where it is an
     * item's; 0 where they do nothing to that.
     */
    static int paidLater(List<Alteration> altered, LocalDate day, String counterparty) {
        int days = 0;
        for (Alteration one : altered) {
            if (one instanceof PaidLater later && later.isOf(day, counterparty)) {
                days += later.days();
            }
        }
        return days;
    }

    /** What is done to open items: to those of one counterparty alone where one is named. */
    sealed interface OfItems extends Alteration {
        String counterparty();

        /** Returns whether it is about the items of a counterparty. */
        default boolean isOf(String some) {
            return counterparty().isEmpty() || counterparty().equals(some);
        }
    }

    /** The items of a counterparty that fails: none of them is paid any more. */
    record Fails(String by, String counterparty) implements OfItems {
        public Fails {
            counterparty = Check.text(counterparty, "counterparty", 200);
        }
    }

    /** Items that are paid when they fall due, whatever their habit was; a typed day and a promise stay. */
    record OnDueDates(String by, String counterparty) implements OfItems {}

    /** Items that are paid in full, whatever discount they offer. */
    record WithoutDiscounts(String by, String counterparty) implements OfItems {}

    /** What is said of one open item, by its id, in the place of what the books have (rules 11.1). */
    record ItemSaid(String by, String item, Handling said) implements Alteration {
        public ItemSaid {
            item = Check.text(item, "open item", 80);
            Objects.requireNonNull(said, "what is said of the item");
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
