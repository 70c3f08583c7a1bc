package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * Payment terms by days: when what is billed on a day falls due, how many days late it is usually paid, and what
 * becomes of a date without banking (rules 3.3). {@code early} is null where no discount is offered (rules 3.6).
 */
public record DayTerms(
        Due due,
        int days,
        int lateDays,
        Convention convention,
        @Nullable EarlyPayment early) {
    private static final int MOST_DAYS = 365;
    private static final int MOST_LATE = 180;
    /** The most months that can lie between a bill and its payment, with its own and a holiday's. */
    public static final int MOST_MONTHS = (MOST_DAYS + MOST_LATE) / 30 + 3;

    /** From which day the days are counted. */
    public enum Due {
        /** Issued 10 March, 30 days: 9 April. */
        AFTER_ISSUE,
        /** Issued 10 March, 30 days: 30 April. */
        AFTER_MONTH_END,
        /** Issued 10 March, the 15th: 15 April; a day the month lacks is its last. */
        DAY_OF_NEXT_MONTH
    }

    public DayTerms {
        Objects.requireNonNull(due, "from when days are counted");
        Objects.requireNonNull(convention, "what becomes of a date without banking");
        if (due == Due.DAY_OF_NEXT_MONTH) {
            Check.inRange(days, 1, 31, "day of the month after");
        } else {
            Check.inRange(days, 0, MOST_DAYS, "days until due");
        }
        Check.inRange(lateDays, 0, MOST_LATE, "days late");
    }

    Inputs<DayTerms> inputs() {
        return Inputs.of(this)
                .add(
                        "days",
                        due == Due.DAY_OF_NEXT_MONTH
                                ? "due on the day of the month after"
                                : due == Due.AFTER_MONTH_END ? "due after the month's end" : "due after issue",
                        due == Due.DAY_OF_NEXT_MONTH ? Unit.DAY_OF_MONTH : Unit.days(0, MOST_DAYS))
                .when(lateDays != 0, "lateDays", "paid late by", Unit.days(0, MOST_LATE))
                .when(false, "due", "counted from", Unit.CHOICE)
                .when(false, "convention", "on a holiday", Unit.CHOICE)
                .in("early", early, EarlyPayment::inputs);
    }

    /** Makes terms without a discount for paying early. */
    public DayTerms(Due due, int days, int lateDays, Convention convention) {
        this(due, days, lateDays, convention, null);
    }

    /** Returns the discount of terms that offer one. */
    public EarlyPayment earlyPayment() {
        return Objects.requireNonNull(early, "a discount for paying early");
    }

    /** Returns whether a discount for paying early is taken. */
    public boolean isEarly() {
        return early != null && early.taken();
    }

    /** Returns the same terms with a discount taken or not. */
    public DayTerms taking(boolean taken) {
        return new DayTerms(
                due,
                days,
                lateDays,
                convention,
                new EarlyPayment(earlyPayment().discount(), earlyPayment().days(), taken));
    }

    /** Returns the same terms paid when due, none late. */
    public DayTerms punctual() {
        return new DayTerms(due, days, 0, convention, early);
    }

    /**
     * Returns after how many days what is issued is paid when no discount is taken, lateness included; terms that count
     * from a month are reckoned from its middle.
     */
    public int usualDays() {
        return days + lateDays + (due == Due.AFTER_ISSUE ? 0 : 15);
    }

    /** Returns the day on which what is issued on a day falls due. */
    public LocalDate dueDay(LocalDate issued) {
        YearMonth month = YearMonth.from(issued);
        return switch (due) {
            case AFTER_ISSUE -> issued.plusDays(days);
            case AFTER_MONTH_END -> month.atEndOfMonth().plusDays(days);
            case DAY_OF_NEXT_MONTH -> {
                YearMonth next = month.plusMonths(1);
                yield next.atDay(Math.min(days, next.lengthOfMonth()));
            }
        };
    }

    /**
     * Returns the day on which it is paid: within the days of a discount that is taken, else due, usual lateness, then
     * the convention (rules 1.8).
     */
    public LocalDate paidDay(LocalDate issued, BusinessDays calendar) {
        return convention.adjust(usualDay(issued), calendar);
    }

    /** Returns the day on which it is paid before the convention. */
    public LocalDate usualDay(LocalDate issued) {
        return isEarly()
                ? issued.plusDays(earlyPayment().days())
                : dueDay(issued).plusDays(lateDays);
    }

    /** Returns how many whole months may lie between the month of a bill and that of its payment. */
    public int monthsBack() {
        return Math.max(days + lateDays, early == null ? 0 : early.days()) / 28 + 2;
    }

    /** Returns the terms in words: "30 days after the end of the month, paid 5 days late". */
    public String words() {
        String falls =
                switch (due) {
                    case AFTER_ISSUE ->
                        days == 0 ? "due at once" : "due " + days + (days == 1 ? " day" : " days") + " after issue";
                    case AFTER_MONTH_END ->
                        days == 0
                                ? "due at the end of the month"
                                : "due " + days + (days == 1 ? " day" : " days") + " after the end of the month";
                    case DAY_OF_NEXT_MONTH -> "due on day " + days + " of the month after";
                };
        if (isEarly()) {
            return "paid " + earlyPayment().days() + " days after issue, less "
                    + earlyPayment().discount() + " discount";
        }
        return falls + (lateDays == 0 ? "" : ", paid " + lateDays + (lateDays == 1 ? " day" : " days") + " late");
    }
}
