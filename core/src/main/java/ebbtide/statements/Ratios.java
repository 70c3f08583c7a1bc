package ebbtide.statements;

import ebbtide.money.Money;
import ebbtide.plan.CashRow;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.time.Period;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What the statements say in ratios (rules 9.2), period by period, each with the figures it is made of in words. */
public final class Ratios {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);
    private static final int YEAR = 12;
    private static final int BURN_MONTHS = 3;
    private final Statements statements;
    private final Ledger ledger;
    private final List<Period> periods;

    private Ratios(Statements statements, List<Period> periods) {
        this.statements = statements;
        this.ledger = statements.ledger();
        this.periods = periods;
    }

    /** What a ratio is counted in. */
    public enum Unit {
        PERCENT,
        TIMES,
        DAYS,
        /** An amount in minor units. */
        MONEY,
        MONTHS
    }

    /**
     * A ratio by period: its values (null where it is not known, or has nothing to be held against) and how each comes
     * about.
     */
    public record Ratio(String id, String name, Unit unit, List<BigDecimal> values, List<String> because) {}

    /** A value with its words; null values are not known. */
    private record Value(@Nullable BigDecimal value, String because) {}

    private interface InPeriod {
        Value of(Months months);
    }

    /** The months of a period, counted from the first that is forecast. */
    private record Months(int from, int to, long days) {
        int count() {
            return to - from + 1;
        }
    }

    /**
     * Returns the ratios of statements for periods of whole months; those of the balance sheet are not known without
     * its opening.
     */
    public static List<Ratio> of(Statements statements, List<Period> periods) {
        return new Ratios(statements, periods).all();
    }

    private List<Ratio> all() {
        List<Ratio> all = new ArrayList<>();
        all.add(margin("gross-margin", "Gross margin", "gross"));
        all.add(margin("ebitda-margin", "EBITDA margin", "ebitda"));
        all.add(margin("operating-margin", "Operating margin", "operating"));
        all.add(margin("net-margin", "Net margin", "profit"));
        all.add(ratio(
                "return-on-assets",
                "Return on assets",
                Unit.PERCENT,
                at -> percent("profit after tax of a year", year("profit", at), "mean assets", mean("assets", at))));
        all.add(ratio(
                "return-on-equity",
                "Return on equity",
                Unit.PERCENT,
                at -> percent("profit after tax of a year", year("profit", at), "mean equity", mean("equity", at))));
        all.add(ratio(
                "asset-turnover",
                "of it: sales over assets",
                Unit.TIMES,
                at -> times("sales of a year", year("sales", at), "mean assets", mean("assets", at))));
        all.add(ratio(
                "equity-multiplier",
                "of it: assets over equity",
                Unit.TIMES,
                at -> times("mean assets", mean("assets", at), "mean equity", mean("equity", at))));
        all.add(ratio(
                "current-ratio",
                "Current ratio",
                Unit.TIMES,
                at -> times(
                        "current assets",
                        level("current-assets", at),
                        "current liabilities",
                        level("current-liabilities", at))));
        all.add(ratio(
                "quick-ratio",
                "Quick ratio",
                Unit.TIMES,
                at -> times(
                        "current assets without stock",
                        quick(at),
                        "current liabilities",
                        level("current-liabilities", at))));
        all.add(ratio(
                "days-of-sales",
                "Days of sales (DSO)",
                Unit.DAYS,
                at -> days(
                        "receivables",
                        row(BalanceRow.RECEIVABLES, at),
                        "billed to customers",
                        billed(Kind.RECEIVABLES, at),
                        at)));
        all.add(ratio(
                "days-of-stock",
                "Days of stock (DIO)",
                Unit.DAYS,
                at -> days("stock", row(BalanceRow.STOCK, at), "cost of sales", -flow("cost", at), at)));
        all.add(ratio(
                "days-of-payables",
                "Days of payables (DPO)",
                Unit.DAYS,
                at -> days("payables", suppliers(at), "billed by suppliers", -billed(Kind.PAYABLES, at), at)));
        all.add(cycle(all.subList(all.size() - 3, all.size())));
        all.add(ratio(
                "interest-cover",
                "Interest cover",
                Unit.TIMES,
                at -> times("EBITDA", flow("ebitda", at), "interest on debt", -flow("interest", at))));
        all.add(ratio(
                "debt-to-equity",
                "Debt to equity",
                Unit.TIMES,
                at -> times("debt and overdraft", debt(at), "equity", level("equity", at))));
        all.add(ratio("burn", "Burn a month", Unit.MONEY, this::burn));
        all.add(ratio("runway", "Runway", Unit.MONTHS, this::runway));
        return List.copyOf(all);
    }

    private Ratio ratio(String id, String name, Unit unit, InPeriod of) {
        List<BigDecimal> values = new ArrayList<>();
        List<String> because = new ArrayList<>();
        for (Period period : periods) {
            Value value = of.of(new Months(
                    month(period.startInclusive()),
                    month(period.lastDay()),
                    ChronoUnit.DAYS.between(period.startInclusive(), period.endExclusive())));
            values.add(value.value());
            because.add(value.because());
        }
        return new Ratio(id, name, unit, values, because);
    }

    private int month(java.time.LocalDate day) {
        return (int) ledger.first().until(YearMonth.from(day), ChronoUnit.MONTHS);
    }

    private Ratio margin(String id, String name, String figure) {
        return ratio(id, name, Unit.PERCENT, at -> {
            long sales = flow("sales", at);
            return over(
                    statements.income().figure(figure).name().toLowerCase(java.util.Locale.ROOT),
                    BigDecimal.valueOf(flow(figure, at)),
                    "sales",
                    BigDecimal.valueOf(sales),
                    HUNDRED,
                    1);
        });
    }

    private long flow(String figure, Months at) {
        return statements.income().figure(figure).over(at.from(), at.to());
    }

    /** What a period would come to in a year. */
    private BigDecimal year(String figure, Months at) {
        return BigDecimal.valueOf(flow(figure, at))
                .multiply(BigDecimal.valueOf(YEAR))
                .divide(BigDecimal.valueOf(at.count()), 0, RoundingMode.HALF_UP);
    }

    private @Nullable BigDecimal mean(String figure, Months at) {
        if (statements.opensWithout()) {
            return null;
        }
        Figure of = statements.balance().figure(figure);
        return BigDecimal.valueOf(of.in(at.from() - 1))
                .add(BigDecimal.valueOf(of.in(at.to())))
                .divide(BigDecimal.valueOf(2), 0, RoundingMode.HALF_UP);
    }

    private @Nullable BigDecimal level(String figure, Months at) {
        return statements.opensWithout()
                ? null
                : BigDecimal.valueOf(statements.balance().figure(figure).in(at.to()));
    }

    private @Nullable BigDecimal row(BalanceRow row, Months at) {
        return statements.opensWithout()
                ? null
                : BigDecimal.valueOf(statements.balance().row(row).in(at.to()));
    }

    private @Nullable BigDecimal quick(Months at) {
        BigDecimal current = level("current-assets", at);
        return current == null ? null : current.subtract(row(BalanceRow.STOCK, at));
    }

    private @Nullable BigDecimal debt(Months at) {
        BigDecimal soon = row(BalanceRow.DEBT_WITHIN_A_YEAR, at);
        return soon == null ? null : soon.add(row(BalanceRow.DEBT_LATER, at)).add(row(BalanceRow.OVERDRAFT, at));
    }

    /** Payables without what is owed for assets: those are payables of their own, and count for no day of supplies. */
    private @Nullable BigDecimal suppliers(Months at) {
        BigDecimal payables = row(BalanceRow.PAYABLES, at);
        return payables == null
                ? null
                : payables.subtract(BigDecimal.valueOf(ledger.accounts().stream()
                        .filter(account -> account.kind() == Kind.PAYABLES && isOfAssets(account))
                        .mapToLong(account -> Math.max(0, -account.at(at.to())))
                        .sum()));
    }

    private boolean isOfAssets(Account account) {
        return ledger.line(account)
                .filter(line -> line.standing().cash() == CashRow.CAPITAL)
                .isPresent();
    }

    /** What lines whose account is of a kind have billed, with sales tax; assets left out. */
    private long billed(Kind kind, Months at) {
        long sum = 0;
        for (Account account : ledger.accounts()) {
            if (account.kind() == kind && account.lineId() != null && !isOfAssets(account)) {
                Line line = ledger.line(account).orElseThrow();
                for (int month = at.from(); month <= at.to(); month++) {
                    sum += ledger.earnings(line).billed().at(month)
                            + ledger.earnings(line).tax().at(month);
                }
            }
        }
        return sum;
    }

    private Value percent(String top, BigDecimal above, String bottom, @Nullable BigDecimal below) {
        return over(top, above, bottom, below, HUNDRED, 1);
    }

    private Value times(String top, @Nullable BigDecimal above, String bottom, @Nullable BigDecimal below) {
        return over(top, above, bottom, below, BigDecimal.ONE, 2);
    }

    private Value times(String top, long above, String bottom, long below) {
        return times(top, BigDecimal.valueOf(above), bottom, BigDecimal.valueOf(below));
    }

    private Value days(String top, @Nullable BigDecimal level, String bottom, long flow, Months at) {
        Value value = over(top, level, bottom, BigDecimal.valueOf(flow), BigDecimal.valueOf(at.days()), 1);
        return value.value() == null
                ? value
                : new Value(value.value(), value.because() + ", times " + at.days() + " days");
    }

    private Value over(
            String top,
            @Nullable BigDecimal above,
            String bottom,
            @Nullable BigDecimal below,
            BigDecimal times,
            int decimals) {
        if (above == null || below == null) {
            return new Value(null, "not known without an opening balance sheet");
        }
        if (below.signum() <= 0) {
            return new Value(null, "there is no " + bottom + " to hold it against");
        }
        return new Value(
                above.multiply(times).divide(below, decimals, RoundingMode.HALF_UP),
                top + " " + words(above) + " over " + bottom + " " + words(below));
    }

    private String words(BigDecimal minor) {
        return Money.words(minor.longValueExact(), ledger.plan().settings().currency());
    }

    /** Days of sales and of stock less days of payables: what is known of them. */
    private Ratio cycle(List<Ratio> days) {
        List<BigDecimal> values = new ArrayList<>();
        List<String> because = new ArrayList<>();
        for (int i = 0; i < periods.size(); i++) {
            BigDecimal sales = days.get(0).values().get(i);
            BigDecimal stock = days.get(1).values().get(i);
            BigDecimal payables = days.get(2).values().get(i);
            boolean known = sales != null && payables != null;
            BigDecimal held = stock == null ? BigDecimal.ZERO : stock;
            values.add(known ? sales.add(held).subtract(payables) : null);
            because.add(
                    known
                            ? "days of sales " + sales + " and of stock " + held + ", less days of payables " + payables
                            : "not known without days of sales and of payables");
        }
        return new Ratio("cash-conversion-cycle", "Cash conversion cycle", Unit.DAYS, values, because);
    }

    /** What cash before financing fell by in a month, on the mean of the last three months up to the period's end. */
    private Value burn(Months at) {
        if (at.to() + 1 < BURN_MONTHS) {
            return new Value(null, "takes three whole months");
        }
        long sum = 0;
        for (int month = at.to() - BURN_MONTHS + 1; month <= at.to(); month++) {
            sum += statements.beforeFinancing(month);
        }
        String words = "cash from operations and investing of three months " + words(BigDecimal.valueOf(sum));
        return new Value(
                sum >= 0
                        ? null
                        : BigDecimal.valueOf(-sum).divide(BigDecimal.valueOf(BURN_MONTHS), 0, RoundingMode.HALF_UP),
                sum >= 0 ? words + ": nothing is burnt" : words + ", by three");
    }

    private Value runway(Months at) {
        Value burn = burn(at);
        if (burn.value() == null || burn.value().signum() == 0) {
            return new Value(null, burn.because());
        }
        BigDecimal cash = BigDecimal.valueOf(Math.max(0, ledger.cashAt(at.to())));
        return over("cash", cash, "burn a month", burn.value(), BigDecimal.ONE, 1);
    }
}
