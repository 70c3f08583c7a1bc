package ebbtide.accounts;

import ebbtide.activity.ActivityCalculator;
import ebbtide.billing.Calendars;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.items.ItemTiming;
import ebbtide.items.LineItems;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.BusinessDays;
import ebbtide.time.MonthSeries;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The accounts of a plan and its books: what every line is planned to come to, bills, earns, owes and is owed. They
 * never change: with what the sweep's interest is found to cost there are new ones, which share all that does not
 * follow from profit ({@link #withInterest}).
 */
public final class Accounts {
    private final Foundations below;
    private final AccountsApart apart;
    private final InterestAccounts interest;
    private final ProfitAccounts uponProfit;

    private Accounts(
            Foundations below, AccountsApart apart, InterestAccounts interest, Optional<ProfitAccounts> before) {
        this.below = below;
        this.apart = apart;
        this.interest = interest;
        this.uponProfit = new ProfitAccounts(below, new Profit(apart, interest), before);
    }

    private static Accounts of(Plan plan, Books books, Optional<Accounts> before) {
        Foundations below = new Foundations(plan, books, before.map(one -> one.below));
        AccountsApart apart = new AccountsApart(below, before.map(one -> one.apart));
        InterestAccounts interest = new InterestAccounts(apart, Map.of(), before.map(one -> one.interest));
        return new Accounts(below, apart, interest, before.map(one -> one.uponProfit));
    }

    /**
     * Returns the accounts of a plan without problems ({@link ebbtide.plan.PlanCheck}) and its books, the sweep's
     * interest not known yet.
     */
    public static Accounts of(Plan plan, Books books) {
        return of(plan, books, Optional.empty());
    }

    /** Returns the accounts of another plan and books, which take over all that reads the same as these do. */
    public Accounts next(Plan other, Books others) {
        return of(other, others, Optional.of(this));
    }

    /**
     * Returns the accounts with what the sweep's interest earns (below zero: costs) by line and month from the first
     * that is forecast; these if it is no news.
     */
    public Accounts withInterest(Map<String, MonthSeries> swept) {
        return swept.equals(interest.swept())
                ? this
                : new Accounts(
                        below,
                        apart,
                        new InterestAccounts(apart, Map.copyOf(swept), Optional.of(interest)),
                        Optional.of(uponProfit));
    }

    public Plan plan() {
        return below.plan();
    }

    public Books books() {
        return below.books();
    }

    /** Returns the days on which lines are paid. */
    public Calendars calendars() {
        return below.frame().calendars();
    }

    /** Returns the business days on which a line is paid. */
    public BusinessDays calendar(Line line) {
        return below.frame().calendar(line);
    }

    /** Returns what every stream is planned to earn or incur by month. */
    public ActivityCalculator activity() {
        return below.activity();
    }

    /** Returns when open items are expected to be paid, and why (rules 4). */
    public ItemTiming items() {
        return below.items();
    }

    /** Returns the items of a line, where they count. */
    public LineItems items(Line line) {
        return below.items().line(line);
    }

    /** Returns what the plan earns. */
    public Profit profit() {
        return uponProfit.profit();
    }

    /** Returns whether what is paid on a line follows from profit, or from interest that profit bears. */
    public static boolean followsFromProfit(Line line) {
        return !AccountsApart.has(line);
    }

    /** Returns the account of a line of the plan, found by its id. */
    public LineAccount of(Line line) {
        Line own = plan().findLine(line.id()).orElseThrow();
        return AccountsApart.has(own)
                ? apart.of(own)
                : own.assumption().findInterest().isPresent() ? interest.of(own) : uponProfit.of(own);
    }

    /** Returns what a line that is a stream bills, and how that is paid. */
    public StreamBilling stream(Line line) {
        return ((StreamAccount) of(line)).billing();
    }

    /** Returns the account of a line that settles sales tax (rules 7.3). */
    public SalesTaxAccount salesTax(Line line) {
        return (SalesTaxAccount) of(line);
    }

    /** Returns the account of a line of bills that come back (rules 7.2). */
    public RecurringAccount recurring(Line line) {
        return (RecurringAccount) of(line);
    }

    /** Returns the account of a line that is pay by role (rules 7.1). */
    public PayAccount pay(Line line) {
        return (PayAccount) of(line);
    }

    /** Returns what a line holds of fixed assets: one of capital spending, or a lease (rules 7.5, 8.11). */
    public AssetHolding assets(Line line) {
        return (AssetHolding) of(line);
    }

    /** Returns the schedule of a line that is a loan (rules 8.6). */
    public LoanSchedule loan(Line line) {
        return ((LoanAccount) of(line)).schedule();
    }

    /** Returns the schedule of a line that is a term deposit (rules 8.10). */
    public DepositSchedule deposit(Line line) {
        return ((DepositAccount) of(line)).schedule();
    }

    /** Returns the account of a line that is tax on profit (rules 7.4). */
    public ProfitTaxAccount profitTax(Line line) {
        return (ProfitTaxAccount) of(line);
    }

    /** Returns the account of a line that pays owners out of profit (rules 7.6). */
    public DividendAccount dividends(Line line) {
        return (DividendAccount) of(line);
    }

    /**
     * Returns the expectations of a line planned in cash, with their windows and what movements and items have used of
     * each (rules 5.2).
     */
    public List<Expectation> expectations(Line line) {
        return expectations(line, books().byLine().getOrDefault(line.id(), List.of()));
    }

    /** Returns the expectations of a line, left-out certainties included, used up by the movements given. */
    public List<Expectation> expectations(Line line, List<DayAmount> movements) {
        return Expectations.of(
                of(line), movements, items(line).known(), plan().settings().ofLines());
    }

    /**
     * Returns what a line earns by month from the first that is forecast to the horizon; nothing if it is switched off.
     */
    public Earned earned(Line line) {
        if (!plan().isActive(line)) {
            return Earned.nil(below.frame()).first(below.frame().toHorizon());
        }
        Line own = plan().findLine(line.id()).orElseThrow();
        return (AccountsApart.has(own) ? apart.earned(own) : of(own).earned())
                .first(below.frame().toHorizon());
    }
}
