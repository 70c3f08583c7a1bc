package ebbtide.sim;

import ebbtide.books.ActualLedger;
import ebbtide.books.ActualLedger.Said;
import ebbtide.books.LedgerRow;
import ebbtide.books.TrialBalance;
import ebbtide.books.TrialBalance.Balance;
import ebbtide.money.Money;
import ebbtide.money.Rounding;
import ebbtide.money.Split;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Currency;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * The trial balances of the demo company's fiscal year so far, April 2025 to February 2026, as its ledger has them:
 * sales and costs of the plan's history, the EBITDA its bank was told, what its accounts held, and at the end the
 * opening balance sheet. What earlier months lack to balance its suppliers were owed.
 */
final class DemoTrialBalances {
    private static final Currency POUND = Money.currency("GBP");
    private static final YearMonth FIRST = YearMonth.of(2025, 4);
    /** Of what is left of EBITDA after sales and costs, in hundredths. */
    private static final int PAY_SHARE = 86;

    private static final long DEPRECIATION = 320_000;
    private static final long COST_OF_ASSETS = 96_000_000;
    private static final long DEPRECIATED = 30_500_000;
    private static final long TAX_OF_YEAR = 9_475_000;
    private static final long INTEREST_OF_YEAR = 20_000;
    private static final Map<Kind, String> NUMBERS = new EnumMap<>(Map.of(
            Kind.RECEIVABLES, "1100",
            Kind.STOCK, "1200",
            Kind.PREPAID, "1300",
            Kind.SALES_TAX, "2200",
            Kind.PROFIT_TAX, "2300",
            Kind.PAY_OWED, "2400",
            Kind.ACCRUED, "2500",
            Kind.INTEREST_OWED, "2600",
            Kind.DIVIDENDS, "2700",
            Kind.PAID_IN, "3000"));
    /** How overheads are shared out over the lines of them. */
    private static final SortedMap<String, Long> OVERHEADS =
            new TreeMap<>(Map.of("rent", 126L, "insurance", 82L, "marketing", 98L, "repairs", 137L));

    private static final String CREDITORS = "2100";
    private final Plan plan;
    private final int months;
    private final List<Said> said = new ArrayList<>();
    /** What each income account came to by the month that is made, debits above zero. */
    private final Map<String, Balance> soFar = new LinkedHashMap<>();

    private DemoTrialBalances(Plan plan) {
        this.plan = plan;
        this.months = DemoFunding.EBITDA.size();
    }

    /** Returns them for a plan that has its opening balance sheet, with what each account is. */
    static ActualLedger of(Plan plan) {
        DemoTrialBalances ledger = new DemoTrialBalances(plan);
        List<TrialBalance> all = new ArrayList<>();
        for (int i = 0; i < ledger.months; i++) {
            all.add(new TrialBalance(FIRST.plusMonths(i), ledger.balances(i)));
        }
        return new ActualLedger(all, ledger.said, false);
    }

    /** Returns the trial balance of the last of its months as the ledger gives it out. */
    static String csv(ActualLedger ledger) {
        StringBuilder text = new StringBuilder("Account,Name,Debit,Credit\n");
        for (Balance one : ledger.months().get(ledger.months().size() - 1).balances()) {
            String size = Money.plain(Math.abs(one.minor()), POUND);
            text.append(String.join(
                            ",", one.account(), one.name(), one.minor() > 0 ? size : "", one.minor() > 0 ? "" : size))
                    .append('\n');
        }
        return text.toString();
    }

    private List<Balance> balances(int at) {
        earn(at);
        List<Balance> all = new ArrayList<>(soFar.values());
        YearMonth month = FIRST.plusMonths(at);
        add(all, "0010", "Sheds and boats at cost", COST_OF_ASSETS, LedgerRow.FIXED_ASSETS);
        add(
                all,
                "0011",
                "Depreciation of them",
                -DEPRECIATED + DEPRECIATION * (months - 1 - at),
                LedgerRow.ACCUMULATED_DEPRECIATION);
        long cash = DemoCompany.accounts().stream()
                .mapToLong(account -> DemoCompany.balance(account.id(), month.atEndOfMonth()))
                .sum();
        add(all, "1000", "Bank accounts", cash, LedgerRow.CASH);
        Map<Kind, Long> opening = new EnumMap<>(Kind.class);
        for (Entry entry : plan.settings().openingOfItsDay().orElseThrow().entries()) {
            opening.merge(entry.kind(), entry.amount() * entry.kind().sign(), Long::sum);
        }
        NUMBERS.forEach((kind, number) -> {
            long then = opening.getOrDefault(kind, 0L);
            if (then != 0) {
                add(all, number, kind.words(), scaled(kind, then, month), LedgerRow.valueOf(kind.name()));
            }
        });
        long year = DemoFunding.EBITDA.stream().mapToLong(ebitda -> ebitda).sum()
                - DEPRECIATION * months
                + INTEREST_OF_YEAR
                - TAX_OF_YEAR;
        add(
                all,
                "3100",
                "Retained profit brought forward",
                opening.getOrDefault(Kind.RETAINED, 0L) + year,
                LedgerRow.RETAINED);
        add(all, CREDITORS, "Suppliers", -all.stream().mapToLong(Balance::minor).sum(), LedgerRow.PAYABLES);
        return all;
    }

    /** Customers owe as much as was sold; all else is what it is at the end. */
    private long scaled(Kind kind, long then, YearMonth month) {
        return kind == Kind.RECEIVABLES
                ? Rounding.divide(
                        BigDecimal.valueOf(then).multiply(BigDecimal.valueOf(sold(month))),
                        sold(FIRST.plusMonths(months - 1L)))
                : then;
    }

    private long sold(YearMonth month) {
        return plan.lines().stream()
                .filter(line -> line.nature() == Nature.SALES)
                .mapToLong(line -> net(line, month))
                .sum();
    }

    private static long net(Line line, YearMonth month) {
        long amount = line.findStream()
                .map(stream -> stream.history().getOrDefault(month, 0L))
                .orElse(0L);
        SalesTax tax = line.assumption().tax();
        return tax.amountsAreGross() ? amount - tax.taxOf(amount) : amount;
    }

    private void earn(int at) {
        YearMonth month = FIRST.plusMonths(at);
        long rest = DemoFunding.EBITDA.get(at);
        int number = 4000;
        for (Line line : plan.lines()) {
            boolean sales = line.nature() == Nature.SALES;
            if (line.assumption() instanceof Assumption.Stream && (sales || line.nature() == Nature.COST_OF_SALES)) {
                number += 10;
                long earned = net(line, month) * line.direction().sign();
                rest -= earned;
                earn(String.valueOf(sales ? number : number + 1_000), line.name(), -earned, line.id(), null);
            }
        }
        long pay = Rounding.divide(rest * PAY_SHARE, 100);
        earn("7000", "Wages and salaries", -pay, "pay", null);
        overheads(pay - rest);
        earn("8000", "Depreciation", DEPRECIATION, null, LedgerRow.DEPRECIATION);
        boolean last = at == months - 1;
        earn("8100", "Interest received", last ? -INTEREST_OF_YEAR : 0, null, LedgerRow.INTEREST_ON_CASH);
        earn("8500", "Profit tax", last ? TAX_OF_YEAR : 0, null, LedgerRow.PROFIT_TAX_OF_THE_YEAR);
    }

    private void overheads(long cost) {
        long[] parts = Split.byWeights(
                cost, OVERHEADS.values().stream().mapToLong(one -> one).toArray());
        int at = 0;
        for (String id : OVERHEADS.keySet()) {
            String name = plan.findLine(id).orElseThrow().name();
            earn("75" + at + "0", name, parts[at], id, null);
            at++;
        }
    }

    private void earn(String account, String name, long minor, @Nullable String line, @Nullable LedgerRow row) {
        soFar.merge(
                account,
                new Balance(account, name, minor),
                (was, more) -> new Balance(account, name, was.minor() + more.minor()));
        say(new Said(account, row, line));
    }

    private void add(List<Balance> all, String account, String name, long minor, LedgerRow row) {
        all.add(new Balance(account, name, minor));
        say(new Said(account, row, null));
    }

    private void say(Said one) {
        if (said.stream().noneMatch(before -> before.account().equals(one.account()))) {
            said.add(one);
        }
    }
}
