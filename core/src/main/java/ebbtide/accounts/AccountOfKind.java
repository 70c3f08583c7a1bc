package ebbtide.accounts;

import static java.util.Map.entry;

import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Dividends;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Pay;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.TermLoan;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * How the account of a kind of line is made: what it reads of the plan's accounts, and the account that follows from that and from nothing else;
 * and whether it follows from profit, or from interest that profit bears. The one list of all kinds.
 */
record AccountOfKind<R>(boolean uponProfit, BiFunction<Accounts, Line, R> reads, Function<R, LineAccount> made) {
  private static final Map<Class<? extends Assumption>, AccountOfKind<?>> ALL = Map.ofEntries(
      entry(Assumption.Group.class, apart(AccountOfKind::own, GroupAccount::new)),
      entry(Assumption.Stream.class, apart(AccountOfKind::stream, StreamAccount::new)),
      entry(Assumption.Recurring.class, apart(AccountOfKind::own, RecurringAccount::new)),
      entry(Assumption.DatedItems.class, apart(AccountOfKind::own, DatedAccount::new)),
      entry(Pay.class, apart(AccountOfKind::pay, PayAccount::new)),
      entry(SalesTaxSettlement.class, apart(AccountOfKind::salesTax, SalesTaxAccount::new)),
      entry(CapitalSpending.class, apart(AccountOfKind::own, AssetAccount::new)),
      entry(Revolving.class, apart(AccountOfKind::own, FacilityAccount::new)),
      entry(TermLoan.class, apart(AccountOfKind::own, LoanAccount::new)),
      entry(Interest.class, uponProfit(AccountOfKind::interest, InterestAccount::new)),
      entry(ProfitTax.class, uponProfit(AccountOfKind::profitTax, ProfitTaxAccount::new)),
      entry(Dividends.class, uponProfit(AccountOfKind::dividends, DividendAccount::new)));

  private static <R> AccountOfKind<R> apart(BiFunction<Accounts, Line, R> reads, Function<R, LineAccount> made) {
    return new AccountOfKind<>(false, reads, made);
  }

  private static <R> AccountOfKind<R> uponProfit(BiFunction<Accounts, Line, R> reads, Function<R, LineAccount> made) {
    return new AccountOfKind<>(true, reads, made);
  }

  /** Returns how the account of an assumption's kind is made. */
  static AccountOfKind<?> of(Assumption assumption) {
    return Objects.requireNonNull(ALL.get(assumption.getClass()), () -> "no account for " + assumption.getClass());
  }

  /** Makes an account from what {@link #reads} gave. */
  @SuppressWarnings("unchecked")
  LineAccount make(Object read) {
    return made.apply((R) read);
  }

  private static OwnReads own(Accounts accounts, Line line) {
    return new OwnReads(line, accounts.frame());
  }

  private static StreamAccount.Reads stream(Accounts accounts, Line line) {
    boolean buys = ((Assumption.Stream) line.assumption()).method() instanceof ActivityMethod.StockPurchases;
    return new StreamAccount.Reads(line, accounts.frame(), accounts.activity().planned(line), accounts.beforeLate().planned(line),
        buys ? Optional.of(accounts.activity().stock(line)) : Optional.empty(), accounts.items(line));
  }

  private static PayAccount.Reads pay(Accounts accounts, Line line) {
    return new PayAccount.Reads(line, accounts.frame(), line.reads().stream().distinct().collect(Collectors.toMap(id -> id, accounts.activity()::net)));
  }

  private static SalesTaxAccount.Reads salesTax(Accounts accounts, Line line) {
    return new SalesTaxAccount.Reads(line, accounts.frame(), accounts.plan().lines().stream().filter(one -> accounts.plan().isActive(one)
        && one.assumption().bearsTax()).map(accounts::of).toList());
  }

  private static InterestAccount.Reads interest(Accounts accounts, Line line) {
    Optional<LoanAccount> loan = Optional.ofNullable(((Interest) line.assumption()).lineId()).flatMap(accounts.plan()::findLine)
        .filter(of -> of.assumption() instanceof TermLoan && accounts.plan().isActive(of)).map(of -> (LoanAccount) accounts.of(of));
    return new InterestAccount.Reads(line, accounts.frame(), loan, Optional.ofNullable(accounts.interest().get(line.id())));
  }

  private static ProfitTaxAccount.Reads profitTax(Accounts accounts, Line line) {
    Profit profit = accounts.profit();
    return new ProfitTaxAccount.Reads(line, accounts.frame(), profit.toLast(), profit.swept(), profit.operating());
  }

  private static DividendAccount.Reads dividends(Accounts accounts, Line line) {
    return new DividendAccount.Reads(line, accounts.frame(), accounts.profit().afterTax(), accounts.profit().afterTaxBeforeSwept());
  }
}
