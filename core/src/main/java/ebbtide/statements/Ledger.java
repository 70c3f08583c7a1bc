package ebbtide.statements;

import ebbtide.forecast.Forecast;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Direction;
import ebbtide.plan.Dividends;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Pay;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.TermLoan;
import ebbtide.statements.Account.Cause;
import ebbtide.time.Period;
import ebbtide.timing.AssetAccount;
import ebbtide.timing.Earnings;
import ebbtide.timing.LoanAccount;
import ebbtide.timing.Settlements;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The ledger of a forecast (rules 9.1): what each line earns, bills and pays by whole month from the opening balance sheet on, and the accounts
 * that follow. What a line is owed, or owes, grows by what it bills with its sales tax and falls by its cash; what it bills otherwise than it
 * earns stands as stock, prepaid or fixed assets. Days up to the as-of date are facts in cash and the plan's in everything else.
 */
final class Ledger {
  private final Plan plan;
  private final Forecast forecast;
  private final YearMonth first;
  private final int months;
  private final List<Period> periods = new ArrayList<>();
  private final Map<String, Line> lines = new LinkedHashMap<>();
  private final Map<String, LoanAccount> loans = new LinkedHashMap<>();
  private final Map<String, List<AssetAccount.Month>> assets = new LinkedHashMap<>();
  private final Map<String, Earnings.Months> earnings = new LinkedHashMap<>();
  private final Map<String, long[]> cash = new LinkedHashMap<>();
  private final Map<String, Kind> mains = new LinkedHashMap<>();
  private final List<Account> accounts = new ArrayList<>();
  private final long[] tax;
  private final long[] points;
  private final long[] profit;
  private final long[] declared;
  private final long[] retained;

  Ledger(Forecast forecast) {
    this.forecast = forecast;
    this.plan = forecast.plan();
    this.first = plan.settings().firstForecastMonth();
    this.months = (int) first.until(YearMonth.from(forecast.lastDay()), ChronoUnit.MONTHS) + 1;
    for (int i = 0; i < months; i++) {
      periods.add(new Period(first.plusMonths(i).atDay(1), first.plusMonths(i + 1L).atDay(1)));
    }
    plan.lines().forEach(line -> lines.put(line.id(), line));
    this.tax = new long[months];
    this.points = new long[months];
    Map<String, long[]> declaredBy = new LinkedHashMap<>();
    Settlements settlements = forecast.forecaster().settlements();
    plan.lines().stream().filter(line -> !line.isGroup()).forEach(line -> take(line, settlements, declaredBy));
    findSalesTax().ifPresent(line -> add(points, settlements.salesTax(line).pointsByMonth(), 1));
    plan.lines().stream().filter(line -> !line.isGroup()).forEach(line -> open(line, declaredBy));
    openBesideLines();
    this.profit = new long[months];
    earnings.values().forEach(one -> add(profit, one.earned(), 1));
    this.declared = new long[months];
    declaredBy.values().forEach(one -> add(declared, one, 1));
    this.retained = retained();
  }

  /** Retained profit at the opening, then at each month's end. */
  private long[] retained() {
    long[] levels = new long[months + 1];
    levels[0] = entries().stream().filter(entry -> entry.kind() == Kind.RETAINED).mapToLong(Entry::amount).sum();
    for (int i = 0; i < months; i++) {
      levels[i + 1] = levels[i] + profit[i] - declared[i];
    }
    return levels;
  }

  private void take(Line line, Settlements settlements, Map<String, long[]> declaredBy) {
    if (line.assumption() instanceof TermLoan) {
      loans.put(line.id(), settlements.loan(line));
    } else if (line.assumption() instanceof CapitalSpending) {
      assets.put(line.id(), settlements.assets(line).months());
    } else if (line.assumption() instanceof Dividends) {
      declaredBy.put(line.id(), declared(line, settlements));
    }
    Earnings.Months one = settlements.earnings().months(line);
    earnings.put(line.id(), one);
    add(tax, one.tax(), 1);
    long[] flows = new long[months];
    for (int i = 0; i < months; i++) {
      flows[i] = forecast.cell(line, period(i)).amount();
    }
    cash.put(line.id(), flows);
  }

  private static void add(long[] to, long[] more, int sign) {
    for (int i = 0; i < to.length; i++) {
      to[i] += sign * more[i];
    }
  }

  private static long[] negative(long[] amounts) {
    long[] negative = new long[amounts.length];
    add(negative, amounts, -1);
    return negative;
  }

  boolean opensWithout() {
    OpeningSheet sheet = plan.settings().openingSheet();
    return sheet == null || !sheet.on().equals(plan.settings().openingDay());
  }

  List<Entry> entries() {
    return opensWithout() ? List.of() : plan.settings().openingSheet().entries();
  }

  /** Makes the accounts of a line: its own, and that of what it bills otherwise than it earns. */
  private void open(Line line, Map<String, long[]> declaredBy) {
    Earnings.Months one = earnings.get(line.id());
    Set<Kind> apart = apart(line);
    List<Entry> mine = entries().stream().filter(entry -> line.id().equals(entry.lineId()) && isAccount(entry)).toList();
    boolean noBills = line.assumption() instanceof Assumption.Recurring recurring && recurring.expensing().nonCash();
    List<Entry> ofMain = mine.stream().filter(entry -> !apart.contains(entry.kind()) && !noBills).toList();
    Kind main = ofMain.isEmpty() ? usual(line) : ofMain.get(0).kind();
    mains.put(line.id(), main);
    long[] flows = cash.get(line.id());
    List<Cause> causes = new ArrayList<>();
    if (line.assumption() instanceof SalesTaxSettlement) {
      causes.add(new Cause("tax points", negative(points)));
    } else if (line.assumption() instanceof Dividends) {
      causes.add(new Cause("declared", negative(declaredBy.get(line.id()))));
    } else {
      causes.add(new Cause(line.assumption() instanceof Pay || line.assumption() instanceof Interest ? "cost" : "billed", one.billed()));
      causes.add(new Cause("sales tax", one.tax()));
    }
    causes.add(new Cause(line.direction() == Direction.RECEIPT ? "received" : "paid", negative(flows)));
    accounts.add(Account.of(main, line.id(), line.name(), sum(ofMain), months, causes));
    if (!apart.isEmpty()) {
      List<Entry> others = mine.stream().filter(entry -> !ofMain.contains(entry)).toList();
      accounts.add(Account.of(others.isEmpty() ? apart.iterator().next() : others.get(0).kind(), line.id(), line.name(), sum(others), months,
          List.of(new Cause("billed", negative(one.billed())), new Cause("cost of the month", one.earned()))));
    }
  }

  /** Cash is what the accounts at the bank have, retained profit what profit and dividends make of it. */
  private static boolean isAccount(Entry entry) {
    return entry.kind() != Kind.CASH && entry.kind() != Kind.RETAINED;
  }

  private static long sum(List<Entry> entries) {
    return entries.stream().mapToLong(entry -> entry.amount() * entry.kind().sign()).sum();
  }

  /** The kinds of account in which a line holds what it has billed otherwise than it earns; the first is the usual one. */
  static Set<Kind> apart(Line line) {
    if (line.assumption() instanceof Assumption.Stream stream && stream.method() instanceof ebbtide.plan.ActivityMethod.StockPurchases) {
      return EnumSet.of(Kind.STOCK);
    }
    if (line.assumption() instanceof CapitalSpending) {
      return EnumSet.of(Kind.FIXED_ASSETS);
    }
    if (line.assumption() instanceof Interest interest && interest.lineId() != null) {
      return EnumSet.of(Kind.PREPAID);
    }
    if (line.assumption() instanceof Assumption.Recurring recurring && line.nature() != Nature.OUTSIDE) {
      return recurring.expensing().nonCash() ? EnumSet.of(Kind.PROVISIONS)
          : recurring.expensing().isSpread() ? EnumSet.of(Kind.PREPAID, Kind.ACCRUED) : EnumSet.noneOf(Kind.class);
    }
    return EnumSet.noneOf(Kind.class);
  }

  /** The kind of a line's own account where no opening entry says otherwise. */
  static Kind usual(Line line) {
    if (line.assumption() instanceof Pay) {
      return Kind.PAY_OWED;
    }
    if (line.assumption() instanceof SalesTaxSettlement) {
      return Kind.SALES_TAX;
    }
    if (line.assumption() instanceof ProfitTax) {
      return Kind.PROFIT_TAX;
    }
    if (line.assumption() instanceof Dividends) {
      return Kind.DIVIDENDS;
    }
    if (line.assumption() instanceof Interest) {
      return Kind.INTEREST_OWED;
    }
    if (line.assumption() instanceof Revolving || line.assumption() instanceof TermLoan) {
      return Kind.DEBT;
    }
    if (line.nature() == Nature.OUTSIDE && !(line.assumption() instanceof CapitalSpending)) {
      return Kind.PAID_IN;
    }
    return line.direction() == Direction.RECEIPT ? Kind.RECEIVABLES : Kind.PAYABLES;
  }

  /** Entries that no line clears stand as they are; movements of no line and tax that is not due yet have accounts of their own. */
  private void openBesideLines() {
    entries().stream().filter(entry -> isAccount(entry) && !mains.containsKey(String.valueOf(entry.lineId())))
        .forEach(entry -> accounts.add(Account.of(entry.kind(), null, entry.name(), entry.amount() * entry.kind().sign(), months, List.of())));
    long[] notDue = negative(tax);
    add(notDue, points, 1);
    beside(Kind.SALES_TAX, findSalesTax().isPresent() ? "Sales tax that is not due yet" : "Sales tax that no line settles", "tax billed less tax points", notDue);
    beside(Kind.OTHER_RECEIVABLES, "Not assigned yet", "booked", negative(unassigned()));
    beside(Kind.OTHER_RECEIVABLES, "On the way between own accounts", "booked", negative(transfers()));
  }

  private void beside(Kind kind, String name, String cause, long[] amounts) {
    if (java.util.Arrays.stream(amounts).anyMatch(minor -> minor != 0)) {
      accounts.add(Account.of(kind, null, name, 0, months, List.of(new Cause(cause, amounts))));
    }
  }

  long[] unassigned() {
    long[] sum = new long[months];
    for (int i = 0; i < months; i++) {
      sum[i] = forecast.unassigned(Direction.RECEIPT, period(i)).amount() + forecast.unassigned(Direction.PAYMENT, period(i)).amount();
    }
    return sum;
  }

  long[] transfers() {
    long[] sum = new long[months];
    for (int i = 0; i < months; i++) {
      sum[i] = forecast.transfers(period(i)).amount();
    }
    return sum;
  }

  private long[] declared(Line line, Settlements settlements) {
    long[] declared = new long[months];
    if (plan.isActive(line)) {
      settlements.dividends(line).declared().forEach(one -> declared[(int) first.until(one.month(), ChronoUnit.MONTHS)] += one.amount());
    }
    return declared;
  }

  private Optional<Line> findSalesTax() {
    return plan.lines().stream().filter(line -> line.assumption() instanceof SalesTaxSettlement && plan.isActive(line)).findFirst();
  }

  Plan plan() {
    return plan;
  }

  Forecast forecast() {
    return forecast;
  }

  /** Returns the schedule of a loan's line. */
  LoanAccount loan(Line line) {
    return loans.get(line.id());
  }

  /** Returns the months of a line of assets. */
  List<AssetAccount.Month> assets(Line line) {
    return assets.get(line.id());
  }

  YearMonth first() {
    return first;
  }

  int months() {
    return months;
  }

  Period period(int month) {
    return periods.get(month);
  }

  List<Account> accounts() {
    return accounts;
  }

  Earnings.Months earnings(Line line) {
    return earnings.get(line.id());
  }

  long[] cash(Line line) {
    return cash.get(line.id());
  }

  /** Returns the line that moves an account, if one does. */
  Optional<Line> line(Account account) {
    return Optional.ofNullable(account.lineId()).map(lines::get);
  }

  Section section(Line line) {
    return Section.of(line, mains.get(line.id()));
  }

  /** Returns cash at the end of a month; -1 is the opening. */
  long cashAt(int month) {
    return forecast.closing(first.plusMonths(month + 1L).atDay(1).minusDays(1));
  }

  /** Returns what is declared to owners in a month. */
  long declaredIn(int month) {
    return declared[month];
  }

  /** Returns profit after tax of a month: what all lines earn. */
  long profit(int month) {
    return profit[month];
  }

  /** Returns retained profit at the end of a month; -1 is the opening. */
  long retainedAt(int month) {
    return retained[month + 1];
  }

  /** Returns what the opening balance sheet lacks to balance, cash as the accounts have it: assets less what is owed and equity. */
  long unplaced() {
    return cashAt(-1) + accounts.stream().mapToLong(Account::opening).sum() - retainedAt(-1);
  }
}
