package ebbtide.forecast;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Terms;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What a plan still lacks for its figures to be trusted; {@code lineId} names the line to mend, null for the plan. */
public record Missing(String lineId, String sentence) {
  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

  /** Returns what is missing in a plan and its books, accounts first, then line by line. */
  public static List<Missing> of(Plan plan, Books books) {
    List<Missing> found = new ArrayList<>();
    LocalDate asOf = plan.settings().asOf();
    if (books.accounts().isEmpty()) {
      found.add(new Missing(null, "No bank account yet: without a balance the forecast starts at nil"));
    }
    for (Account account : books.accounts()) {
      LocalDate known = books.lastDay(account);
      if (known.isBefore(asOf.minusDays(7))) {
        found.add(new Missing(null, account.name() + " is known up to " + DAY.format(known)
            + ", earlier than the as-of date: bring in its statements, or choose an earlier as-of date"));
      }
    }
    if (plan.settings().minimumCash().isEmpty()) {
      found.add(new Missing(null, "No minimum cash is set: headroom is measured from nil"));
    }
    for (Direction direction : Direction.values()) {
      if (plan.lines().stream().noneMatch(line -> line.direction() == direction && !line.isGroup())) {
        found.add(new Missing(null, direction == Direction.RECEIPT ? "No receipts are planned yet"
            : "No payments are planned yet"));
      }
    }
    for (Line line : plan.lines()) {
      if (plan.isActive(line)) {
        ofLine(plan, line, found);
      }
    }
    return found;
  }

  private static void ofLine(Plan plan, Line line, List<Missing> found) {
    if (line.assumption() instanceof Assumption.Stream stream) {
      missingHistory(plan, line, stream, found);
      if (stream.method().isEmpty()) {
        found.add(new Missing(line.id(), line.name() + " has no amount yet"));
      }
    } else if (line.assumption() instanceof Assumption.Recurring recurring && recurring.amount().isEmpty()
        || line.assumption() instanceof Assumption.DatedItems items && items.items().isEmpty()) {
      found.add(new Missing(line.id(), line.name() + " has no amount yet"));
    }
  }

  /** Lags read months before the forecast; each that the pattern needs and history lacks is missed (rules 2.4). */
  private static void missingHistory(Plan plan, Line line, Assumption.Stream stream, List<Missing> found) {
    if (stream.method() instanceof ActivityMethod.ShareOfLine) {
      return;
    }
    int lag = stream.terms().by() == Terms.By.DAYS ? stream.terms().days().monthsBack() - 1
        : stream.terms().pattern().longestLag();
    YearMonth first = plan.settings().firstForecastMonth();
    long lacking = 0;
    for (int back = 1; back <= lag; back++) {
      lacking += stream.history().containsKey(first.minusMonths(back)) ? 0 : 1;
    }
    if (lacking > 0) {
      found.add(new Missing(line.id(), line.name() + " is paid up to " + lag + (lag == 1 ? " month" : " months")
          + " later, but " + (lacking == 1 ? "1 month" : lacking + " months") + " before " + first.getMonth()
              .getDisplayName(java.time.format.TextStyle.FULL, Locale.ENGLISH)
          + " have no figure: type its history, or those months count as nil"));
    }
  }
}
