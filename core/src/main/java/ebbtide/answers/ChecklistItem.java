package ebbtide.answers;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.Expectation;
import ebbtide.billing.TargetBilling;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.items.LineItems;
import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.CashRow;
import ebbtide.plan.Direction;
import ebbtide.plan.Dividends;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Pay;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Steps;
import ebbtide.plan.StockPolicy;
import ebbtide.plan.Terms;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** What a plan still lacks for its figures to be trusted; {@code lineId} names the line to mend, null for the plan. */
public record ChecklistItem(String lineId, String sentence) {
  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

  private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);
  private static final int BOOKED_OF_LATE = 31;

  /** Returns what is missing in the plan and the books of a forecast, accounts first, then line by line. */
  public static List<ChecklistItem> of(Forecast forecast) {
    List<ChecklistItem> found = new ArrayList<>();
    Plan plan = forecast.plan();
    Books books = forecast.books();
    Accounts accounts = forecast.accounts();
    LocalDate asOf = plan.settings().asOf();
    if (books.accounts().isEmpty()) {
      found.add(new ChecklistItem(null, "No bank account yet: without a balance the forecast starts at nil"));
    }
    for (Account account : books.accounts()) {
      LocalDate known = books.lastDay(account);
      if (known.isBefore(asOf.minusDays(7))) {
        found.add(new ChecklistItem(null, account.name() + " is known up to " + DAY.format(known)
            + ", earlier than the as-of date: bring in its statements, or choose an earlier as-of date"));
      }
    }
    if (plan.settings().minimumCash().isEmpty()) {
      found.add(new ChecklistItem(null, "No minimum cash is set: headroom is measured from nil"));
    }
    for (Direction direction : Direction.values()) {
      if (plan.lines().stream().noneMatch(line -> line.direction() == direction && !line.isGroup())) {
        found.add(new ChecklistItem(null, direction == Direction.RECEIPT ? "No receipts are planned yet"
            : "No payments are planned yet"));
      }
    }
    for (Line line : plan.lines()) {
      if (plan.isActive(line)) {
        ofLine(plan, accounts, line, found);
      }
    }
    salesTax(plan, accounts, found);
    funding(plan, found);
    openItems(plan, books, found);
    notSettled(plan, books, found);
    plan.lines().stream().filter(line -> plan.isActive(line) && (line.assumption() instanceof Pay || line.assumption() instanceof ProfitTax))
        .forEach(line -> overdue(plan, accounts, line, found));
    plan.lines().stream().filter(line -> plan.isActive(line) && line.assumption() instanceof Dividends).forEach(line ->
        accounts.dividends(line).declared().stream()
            .filter(one -> one.distributable() != null && one.amount() > one.distributable()).findFirst()
            .ifPresent(one -> found.add(new ChecklistItem(line.id(), line.name() + " declared in " + one.month() + " is more than the "
                + Money.words(Math.max(0, one.distributable()), plan.settings().currency()) + " that can be distributed: lower it, or say more"))));
    plan.lines().stream().filter(line -> plan.isActive(line) && line.assumption() instanceof Pay).forEach(line ->
        accounts.pay(line).paidOver().stream().filter(month -> month.owed() == null && month.proposed() != 0)
            .forEach(month -> found.add(new ChecklistItem(line.id(), line.name() + " of " + month.month() + " lacks what was withheld and owed "
                + "on the as-of date: take the figure proposed, or type your own"))));
    return found;
  }

  /** What staff or the state are owed stands until it is paid (rules 1.9): where no movement has paid it, it may have been paid all the same. */
  private static void overdue(Plan plan, Accounts accounts, Line line, List<ChecklistItem> found) {
    LocalDate asOf = plan.settings().asOf();
    List<Expectation> late = accounts.expectations(line).stream()
        .filter(one -> one.isUntilPaid() && !one.day().isAfter(asOf) && one.left() > 0).toList();
    if (!late.isEmpty()) {
      String mend = line.assumption() instanceof Pay ? ", or type a first pay day after those that were paid" : ", or type it as paid so far";
      found.add(new ChecklistItem(line.id(), line.name() + " stands overdue with " + Money.words(late.stream().mapToLong(Expectation::left).sum(), plan.settings().currency())
          + " of " + (late.size() == 1 ? DAY.format(late.get(0).day()) : late.size() + " days from " + DAY.format(late.get(0).day()))
          + ", which no movement has paid: assign its movements" + mend));
    }
  }

  /** A facility, loan or deposit that bears a rate needs a line on which its interest is paid. */
  private static void funding(Plan plan, List<ChecklistItem> found) {
    for (Line line : plan.lines()) {
      if (line.assumption().bearsInterest() && plan.isActive(line) && plan.lines().stream().noneMatch(other -> plan.isActive(other) && other.assumption() instanceof Interest interest
          && line.id().equals(interest.lineId()))) {
        found.add(new ChecklistItem(line.id(), line.name() + " bears interest or a fee, but no line pays it: add its interest under Payments, or it " + (line.standing().cash() == CashRow.DEPOSITS
            ? "earns" : "costs") + " nothing"));
      }
    }
  }

  /** Open items of a line for which none are kept count for nothing: that must not happen in silence. */
  private static void openItems(Plan plan, Books books, List<ChecklistItem> found) {
    for (Line line : plan.lines()) {
      long open = books.items().of(line.id()).stream().filter(item -> item.amount().open() > 0).count();
      if (open > 0 && plan.isActive(line) && !LineItems.counts(line)) {
        found.add(new ChecklistItem(line.id(), line.name() + " has " + open + (open == 1 ? " open item" : " open items")
            + ", but is planned by its pattern alone: keep open items for it, or they count for nothing"));
      }
    }
  }

  /**
   * Cash booked on a line that keeps open items is paid on some of them. Where more was booked of late than its items say was paid, an item
   * that is still open may be paid already, and counts twice.
   */
  private static void notSettled(Plan plan, Books books, List<ChecklistItem> found) {
    LocalDate from = plan.settings().asOf().minusDays(BOOKED_OF_LATE);
    for (Line line : plan.lines()) {
      List<OpenItem> items = books.items().of(line.id());
      if (plan.isActive(line) && LineItems.counts(line) && items.stream().anyMatch(item -> item.amount().open() > 0)) {
        long booked = books.byLine().getOrDefault(line.id(), List.of()).stream().filter(m -> m.day().isAfter(from) && !m.day().isAfter(plan.settings().asOf()))
            .mapToLong(m -> m.minor() * line.direction().sign()).sum();
        long paid = items.stream().filter(item -> item.kind() == OpenItem.Kind.INVOICE || item.kind() == OpenItem.Kind.COMMITMENT)
            .filter(item -> item.paidOn() == null || item.paidOn().isAfter(from)).mapToLong(item -> item.amount().gross() - item.amount().open()).sum();
        if (booked > paid) {
          found.add(new ChecklistItem(line.id(), Money.words(booked - paid, plan.settings().currency()) + " more was booked on " + line.name() + " since "
              + DAY.format(from.plusDays(1)) + " than its items say was paid: settle the movements, or bring in the ledger's list, lest an item counts that is paid"));
        }
      }
    }
  }

  /** Tax without a day of settlement is never paid; a period begun by the as-of date has tax that only the books know (7.3). */
  private static void salesTax(Plan plan, Accounts accounts, List<ChecklistItem> found) {
    List<Line> taxed = plan.lines().stream().filter(line -> plan.isActive(line) && line.assumption().bearsTax()).toList();
    Line settling = plan.lines().stream().filter(line -> plan.isActive(line) && line.assumption() instanceof SalesTaxSettlement)
        .findFirst().orElse(null);
    if (settling == null && !taxed.isEmpty()) {
      found.add(new ChecklistItem(null, taxed.get(0).name() + (taxed.size() == 1 ? " bears" : " and " + (taxed.size() - 1)
          + " more bear") + " sales tax, but no line settles it: add one under Payments, or the tax is never paid over"));
    } else if (settling != null) {
      accounts.salesTax(settling).periods().stream()
          .filter(period -> period.owed() == null && period.beganBy(plan.settings().asOf()))
          .forEach(period -> found.add(new ChecklistItem(settling.id(), settling.name() + " of the period to " + period.last()
              + " lacks what was owed on the as-of date: take the figure proposed, or type your own")));
    }
  }

  private static void ofLine(Plan plan, Accounts accounts, Line line, List<ChecklistItem> found) {
    if (line.assumption() instanceof Assumption.Stream stream) {
      missingHistory(plan, accounts, line, stream, found);
      if (stream.method() instanceof ActivityMethod.Product product) {
        int price = product.factors().size() - 1;
        oldStep(plan, line, product.of().factors().get(price), product.factors().get(price).value(), found);
      } else if (stream.method() instanceof ActivityMethod.RecurringCustomers customers) {
        oldStep(plan, line, "fee", customers.fee().value(), found);
      }
      if (stream.method() instanceof ActivityMethod.StockPurchases stock) {
        stock(plan, accounts, line, stock.policy(), found);
      }
      if (stream.method().isEmpty()) {
        found.add(new ChecklistItem(line.id(), line.name() + " has no amount yet"));
      }
    } else if (line.assumption() instanceof Pay pay && pay.roles().stream().allMatch(role -> role.pay().isEmpty())
        || line.assumption() instanceof Assumption.Recurring recurring && recurring.amount().isEmpty()
        || line.assumption() instanceof Assumption.DatedItems items && items.items().isEmpty()) {
      found.add(new ChecklistItem(line.id(), line.name() + " has no amount yet"));
    }
  }

  /** A price that nobody has looked at for over a year may have been forgotten. */
  private static void oldStep(Plan plan, Line line, String what, Steps<?> steps, List<ChecklistItem> found) {
    if (!steps.isEmpty()) {
      LocalDate from = steps.steps().get(steps.steps().size() - 1).from();
      if (from.isBefore(plan.settings().asOf().minusYears(1))) {
        found.add(new ChecklistItem(line.id(), "The " + what + " of " + line.name() + " has stood since " + DAY.format(from)
            + ", over a year before the as-of date: give it a step of its own from when it changes, or from today if it still holds"));
      }
    }
  }

  /** A target of days needs what was owed at first, and cash that runs the other way is said (rules 3.4). */
  private static void target(Plan plan, Accounts accounts, Line line, List<ChecklistItem> found) {
    TargetBilling billing = accounts.stream(line).target();
    if (!billing.isOpeningKnown()) {
      found.add(new ChecklistItem(line.id(), line.name() + " stands at a target of days, but no month before "
          + plan.settings().firstForecastMonth() + " is known: type its history or its ledger total, or nothing was owed at first"));
    }
    billing.months(Timeline.monthNumber(YearMonth.from(plan.settings().horizonEnd()))).stream().filter(month -> month.cash() < 0).findFirst()
        .ifPresent(month -> found.add(new ChecklistItem(line.id(), "The target of days of " + line.name() + " rises by more than is billed in "
            + Timeline.month(month.month()) + ": its cash would be " + Money.words(month.cash(), plan.settings().currency()))));
  }

  /** Stock that nobody has said (rules 6.1), or that is sold and not there (rules 6.3): the first month, and what is missing. */
  private static void stock(Plan plan, Accounts accounts, Line line, StockPolicy policy, List<ChecklistItem> found) {
    if (!policy.opening().said()) {
      found.add(new ChecklistItem(line.id(), line.name() + " has no opening stock: type what was in stock at the end of "
          + MONTH.format(plan.settings().openingDay()) + ", be it nil, or it is taken as nil"));
    }
    LocalDate end = plan.settings().horizonEnd();
    Arrays.stream(accounts.activity().stock(line).months()).filter(one -> !one.month().atDay(1).isAfter(end))
        .filter(one -> one.units() == null ? one.closing() < 0 : one.units().closing().signum() < 0).findFirst()
        .ifPresent(one -> found.add(new ChecklistItem(line.id(), "The stock of " + line.name() + " falls below zero in " + one.month() + ": "
            + (one.units() == null ? Money.words(-one.closing(), plan.settings().currency())
                : one.units().closing().negate().setScale(2, java.math.RoundingMode.UP).stripTrailingZeros().toPlainString() + " units")
            + " are missing. Buy more by then, or sell less")));
  }

  /** Lags read months before the forecast; each that the pattern needs and history lacks is missed (rules 2.4). */
  private static void missingHistory(Plan plan, Accounts accounts, Line line, Assumption.Stream stream, List<ChecklistItem> found) {
    if (stream.method() instanceof ActivityMethod.ShareOfLine || stream.basis() == Basis.BOOKS) {
      return;
    }
    if (stream.ledger() != null && stream.ledger().trueUp() && stream.ledger().amount() > 0 && stream.terms().by() != Terms.By.TARGET
        && accounts.stream(line).owedByHistory().total() == 0) {
      found.add(new ChecklistItem(line.id(), line.name() + " has " + Money.words(stream.ledger().amount(), plan.settings().currency())
          + " in the ledger, but its history implies nothing to scale to it: type the history, or add the sum as a line with a single date"));
    }
    if (stream.terms().by() == Terms.By.TARGET) {
      target(plan, accounts, line, found);
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
      found.add(new ChecklistItem(line.id(), line.name() + " is paid up to " + lag + (lag == 1 ? " month" : " months")
          + " later, but " + (lacking == 1 ? "1 month" : lacking + " months") + " before " + first.getMonth()
              .getDisplayName(java.time.format.TextStyle.FULL, Locale.ENGLISH)
          + " have no figure: type its history, or those months count as nil"));
    }
  }
}
