package ebbtide.plan;

import java.util.Objects;

/**
 * How what a stream bills becomes cash: by a pattern of months or by days (rules 3.2, 3.3). The one that is not in force
 * keeps what was typed into it; {@code days} is null until it was first used.
 */
public record Terms(By by, MonthPattern pattern, DayTerms days) {
  /** Which of the two is in force. */
  public enum By {
    MONTHS,
    DAYS
  }

  public Terms {
    Objects.requireNonNull(pattern, "pattern");
    if (by == By.DAYS) {
      Objects.requireNonNull(days, "terms by days");
    }
  }

  /** Returns terms by a pattern of months. */
  public static Terms byMonths(MonthPattern pattern) {
    return new Terms(By.MONTHS, pattern, null);
  }

  /** Returns terms by days. */
  public static Terms byDays(DayTerms days) {
    return new Terms(By.DAYS, MonthPattern.atOnce(), days);
  }

  /** Returns how many months before its payment the earliest billing may lie. */
  public int monthsBack() {
    return by == By.DAYS ? days.monthsBack() : Math.max(pattern.longestLag(), pattern.monthsToWriteOff());
  }

  /** Returns how many months after its payment the latest billing may lie. */
  public int monthsAhead() {
    return by == By.DAYS ? 0 : pattern.longestLead();
  }
}
