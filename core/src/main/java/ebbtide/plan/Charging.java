package ebbtide.plan;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Objects;

/** When interest or a fee is charged and paid, and how its days are counted (rules 8.4). */
public record Charging(DayCount dayCount, Often often, boolean nextBusinessDay) {
    /** By actual days of a year of 365, charged at each month's end and paid that day. */
    public static final Charging MONTHLY = new Charging(DayCount.ACT_365F, Often.MONTH, false);

    /** How often it is charged. */
    public enum Often {
        MONTH,
        /** At the end of March, June, September and December. */
        QUARTER
    }

    public Charging {
        Objects.requireNonNull(dayCount, "how days are counted");
        Objects.requireNonNull(often, "how often it is charged");
    }

    /** Returns whether it is charged on a day, a month's last. */
    public boolean isOn(LocalDate day) {
        return day.getDayOfMonth() == day.lengthOfMonth() && (often == Often.MONTH || day.getMonthValue() % 3 == 0);
    }

    /** Returns the last day up to a day, it included, on which it was charged. */
    public LocalDate lastOn(LocalDate day) {
        LocalDate end = YearMonth.from(day).atEndOfMonth();
        while (end.isAfter(day) || !isOn(end)) {
            end = YearMonth.from(end).minusMonths(1).atEndOfMonth();
        }
        return end;
    }
}
