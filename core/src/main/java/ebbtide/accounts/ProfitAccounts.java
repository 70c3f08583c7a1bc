package ebbtide.accounts;

import static java.util.Map.entry;
import static java.util.Objects.requireNonNull;

import ebbtide.derive.Derived;
import ebbtide.plan.Assumption;
import ebbtide.plan.CashRow;
import ebbtide.plan.Dividends;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.time.MonthSeries;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;

/** The accounts of the lines that are paid out of profit: the tax on it, and what owners are paid. */
final class ProfitAccounts {
    /** How the account of each kind of line is made from profit. */
    static final Map<Class<? extends Assumption>, BiFunction<ProfitAccounts, Line, LineAccount>> KINDS = Map.ofEntries(
            entry(ProfitTax.class, ProfitAccounts::profitTax), entry(Dividends.class, ProfitAccounts::dividends));

    private final Plan plan;
    private final Frame frame;
    private final Profit profit;
    private final ActualProfit actual;
    private final Derived<Object, LineAccount> accounts;

    ProfitAccounts(Foundations below, Profit profit, Optional<ProfitAccounts> before) {
        this.plan = below.plan();
        this.frame = below.frame();
        this.profit = profit;
        this.actual = ActualProfit.of(plan, below.books().actual());
        this.accounts = before.map(one -> one.accounts.next()).orElseGet(Derived::none);
    }

    Profit profit() {
        return profit;
    }

    LineAccount of(Line line) {
        return requireNonNull(KINDS.get(line.assumption().getClass())).apply(this, line);
    }

    private ProfitTaxAccount profitTax(Line line) {
        return (ProfitTaxAccount) accounts.of(
                line.id(),
                () -> new ProfitTaxAccount.Reads(
                        withLedger(line), frame, profit.toLast(), profit.swept(), profit.operating()),
                reads -> new ProfitTaxAccount((ProfitTaxAccount.Reads) reads));
    }

    private DividendAccount dividends(Line line) {
        return (DividendAccount) accounts.of(
                line.id(),
                () -> new DividendAccount.Reads(
                        withLedger(line),
                        frame,
                        lessTax(profit.beforeTax(), ProfitTaxAccount::expense),
                        lessTax(profit.beforeTax().minus(profit.swept()), ProfitTaxAccount::expenseBeforeSwept)),
                reads -> new DividendAccount((DividendAccount.Reads) reads));
    }

    /** What is typed of months that are over, the ledger says where it has them all (rules 9.5). */
    private Line withLedger(Line line) {
        if (line.assumption() instanceof ProfitTax tax) {
            return actual.yearSoFar()
                    .map(year -> line.with(tax.reading(year.beforeTax(), year.tax())))
                    .orElse(line);
        }
        Dividends dividends = (Dividends) line.assumption();
        return line.with(dividends.reading(
                actual.lastYear().map(ActualProfit.Span::afterTax).orElse(dividends.lastYearProfit()),
                actual.yearSoFar().map(ActualProfit.Span::afterTax).orElse(dividends.yearSoFar())));
    }

    private MonthSeries lessTax(MonthSeries before, Function<ProfitTaxAccount, MonthSeries> expense) {
        MonthSeries left = before;
        for (Line line : plan.lines()) {
            if (line.standing().cash() == CashRow.PROFIT_TAX && plan.isActive(line)) {
                left = left.minus(expense.apply(profitTax(line)));
            }
        }
        return left;
    }
}
