package ebbtide.statements;

import static ebbtide.time.DayFormats.LONG_DAY;

import ebbtide.accounts.LineAccount;
import ebbtide.forecast.Forecast;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.plan.CashRow;
import ebbtide.plan.Line;
import ebbtide.plan.LongRange;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.ProfitTax;
import ebbtide.statements.StatementTable.Row;
import ebbtide.statements.StatementTable.Style;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The years after the months that are planned, in percent of sales (rules 9.4): the last twelve months are the first
 * year, each year after it grows from the one before. What assets and repayments need beyond what is owed, kept and in
 * hand is funded from outside; what is left over is cash. Minor units, costs below zero.
 */
public record LongRangeTable(List<LocalDate> ends, List<Row> rows, List<Need> needs) {
    private static final int YEAR = 12;
    private static final int DAYS = 365;

    /**
     * What is needed from outside in a year (below zero: what is left over above minimum cash), its parts, which add up
     * to it, and in a sentence.
     */
    public record Need(LocalDate end, long minor, List<Part> parts, String sentence) {}

    /** A part of it: above zero what takes money, below what brings it. */
    public record Part(String name, long minor) {}

    /** A year as it stands at its end. */
    private record Year(
            long sales,
            long variable,
            long fixed,
            long depreciation,
            long interest,
            long tax,
            long dividends,
            long receivables,
            long stock,
            long assets,
            long payables,
            long debt,
            long borrowed,
            long equity,
            long cash) {
        long ebitda() {
            return sales - variable - fixed;
        }

        long profit() {
            return ebitda() - depreciation - interest - tax;
        }
    }

    /** Returns the years of a forecast's plan by assumptions; the plan reaches at least twelve months ahead. */
    public static LongRangeTable of(Forecast forecast, LongRange range) {
        return new Working(Statements.of(forecast), range).table();
    }

    /** Returns whether a forecast reaches far enough for its last twelve months to be the first year. */
    public static boolean isPossible(Forecast forecast) {
        return new Ledger(forecast).months() >= YEAR;
    }

    /** Returns assumptions as the last twelve months of a forecast have them, without growth, for so many years. */
    public static LongRange proposed(Forecast forecast, int years) {
        Statements statements = Statements.of(forecast);
        Base base = new Base(statements);
        long depreciation = -base.flow("depreciation");
        long spent = Math.max(0, base.level("row fixed_assets") - base.before("row fixed_assets") + depreciation);
        long fixed = Math.max(0, -base.flow("overheads") - base.flow("other"));
        Percent tax = forecast.plan().lines().stream()
                .filter(line ->
                        forecast.plan().isActive(line) && line.standing().cash() == CashRow.PROFIT_TAX)
                .map(line -> ((ProfitTax) line.assumption()).rate())
                .findFirst()
                .orElse(Percent.ZERO);
        long debt = base.debt();
        return new LongRange(
                Collections.nCopies(years, Percent.ZERO),
                share(-base.flow("cost"), base.flow("sales"), 10),
                fixed,
                Percent.ZERO,
                days(base.level("row receivables"), base.flow("sales")),
                days(base.level("row stock"), -base.flow("cost")),
                days(base.level("row payables"), -base.flow("cost")),
                Collections.nCopies(years, spent),
                share(depreciation, base.level("row fixed_assets"), 1),
                share(-base.flow("interest"), debt, 1),
                tax,
                Percent.ZERO);
    }

    private static Percent share(long part, long whole, int most) {
        return whole <= 0 || part <= 0
                ? Percent.ZERO
                : new Percent(Math.min(
                        (long) most * Percent.WHOLE,
                        Rounding.divide(BigDecimal.valueOf(part).multiply(BigDecimal.valueOf(Percent.WHOLE)), whole)));
    }

    private static int days(long level, long flow) {
        return flow <= 0 || level <= 0
                ? 0
                : (int) Math.min(
                        DAYS, Rounding.divide(BigDecimal.valueOf(level).multiply(BigDecimal.valueOf(DAYS)), flow));
    }

    /** The last twelve months of the statements. */
    private static final class Base {
        private final Statements statements;
        private final int last;

        Base(Statements statements) {
            this.statements = statements;
            this.last = statements.ledger().months() - 1;
        }

        long flow(String figure) {
            return statements.income().figure(figure).over(last - YEAR + 1, last);
        }

        long level(String figure) {
            return find(figure, last);
        }

        long before(String figure) {
            return find(figure, last - YEAR);
        }

        private long find(String figure, int month) {
            return statements.balance().figures().stream()
                    .filter(one -> one.id().equals(figure))
                    .mapToLong(one -> one.in(month))
                    .findFirst()
                    .orElse(0);
        }

        long debt() {
            return level("row debt_within_a_year") + level("row debt_later") + level("row overdraft");
        }

        LocalDate end() {
            return statements.ledger().period(last).lastDay();
        }
    }

    private static final class Working {
        private final Statements statements;
        private final LongRange range;
        private final Base base;
        private final long minimum;
        private final List<LocalDate> ends = new ArrayList<>();
        private final List<Year> years = new ArrayList<>();
        private final List<Need> needs = new ArrayList<>();
        private final long other;

        Working(Statements statements, LongRange range) {
            this.statements = statements;
            this.range = range;
            this.base = new Base(statements);
            Forecast forecast = statements.ledger().forecast();
            this.minimum = forecast.funding().minimum(forecast.timeline().index(base.end()));
            Year first = new Year(
                    base.flow("sales"),
                    -base.flow("cost"),
                    -base.flow("overheads") - base.flow("other"),
                    -base.flow("depreciation") - base.flow("gain"),
                    -base.flow("interest") - base.flow("interest-on-cash"),
                    -base.flow("profit-tax"),
                    declared(),
                    base.level("row receivables"),
                    base.level("row stock"),
                    base.level("row fixed_assets"),
                    base.level("row payables"),
                    base.debt(),
                    0,
                    base.level("equity"),
                    base.level("row cash"));
            // What else is owned and owed stays as it is.
            this.other = first.equity()
                    + first.debt()
                    + first.payables()
                    - first.cash()
                    - first.receivables()
                    - first.stock()
                    - first.assets();
            ends.add(base.end());
            years.add(first);
            for (int i = 0; i < range.growth().size(); i++) {
                ends.add(base.end().plusYears(i + 1L));
                next(i, years.get(i));
            }
        }

        private long declared() {
            long sum = 0;
            for (int month = base.last - YEAR + 1; month <= base.last; month++) {
                sum += statements.ledger().declaredIn(month);
            }
            return sum;
        }

        private static long of(long amount, int days) {
            return Rounding.divide(BigDecimal.valueOf(amount).multiply(BigDecimal.valueOf(days)), DAYS);
        }

        private void next(int i, Year before) {
            long sales = before.sales() + range.growth().get(i).of(before.sales());
            long variable = range.variable().of(sales);
            long fixed = i == 0
                    ? range.fixed()
                    : before.fixed() + range.fixedGrowth().of(before.fixed());
            long spent = range.capitalSpending().get(i);
            long depreciation = range.depreciation().of(before.assets() + spent);
            long interest = range.interest().of(before.debt() + before.borrowed());
            long beforeTax = sales - variable - fixed - depreciation - interest;
            long tax = range.tax().of(Math.max(0, beforeTax));
            long dividends = range.payout().of(Math.max(0, beforeTax - tax));
            long receivables = of(sales, range.daysOfSales());
            long stock = of(variable, range.daysOfStock());
            long payables = of(variable, range.daysOfPayables());
            long debt = Math.max(0, before.debt() - repaid(ends.get(i), ends.get(i + 1)));
            long equity = before.equity() + beforeTax - tax - dividends;
            long assets = before.assets() + spent - depreciation;
            List<Part> parts = new ArrayList<>();
            part(parts, "More receivables", receivables - before.receivables());
            part(parts, "More stock", stock - before.stock());
            part(parts, "Capital spending", spent);
            part(parts, "Debt repaid as agreed", before.debt() - debt);
            part(parts, "Funding of the year before, to be kept up", before.borrowed());
            part(parts, "Dividends", dividends);
            part(parts, "Minimum cash, less cash in hand", minimum - before.cash());
            part(parts, "Less: more payables", before.payables() - payables);
            part(parts, "Less: profit after tax", -(beforeTax - tax));
            part(parts, "Less: depreciation, which takes no cash", -depreciation);
            long need = parts.stream().mapToLong(Part::minor).sum();
            needs.add(new Need(ends.get(i + 1), need, List.copyOf(parts), sentence(need, ends.get(i + 1))));
            years.add(new Year(
                    sales,
                    variable,
                    fixed,
                    depreciation,
                    interest,
                    tax,
                    dividends,
                    receivables,
                    stock,
                    assets,
                    payables,
                    debt,
                    Math.max(0, need),
                    equity,
                    minimum + Math.max(0, -need)));
        }

        private static void part(List<Part> parts, String name, long minor) {
            if (minor != 0) {
                parts.add(new Part(name, minor));
            }
        }

        private String sentence(long need, LocalDate end) {
            String words = Money.words(
                    Math.abs(need), statements.ledger().plan().settings().currency());
            String upTo = "Up to " + LONG_DAY.format(end) + " ";
            return need > 0
                    ? upTo + words + " is needed from outside"
                    : upTo + "nothing is needed from outside"
                            + (need == 0 ? "" : "; " + words + " is left above minimum cash");
        }

        /** What loans repay by their schedules between two days. */
        private long repaid(LocalDate from, LocalDate to) {
            long sum = 0;
            for (Account one : statements.ledger().accounts()) {
                Line line = one.kind() == Kind.DEBT && one.lineId() != null
                        ? statements.ledger().plan().findLine(one.lineId()).orElseThrow()
                        : null;
                if (line != null
                        && statements.ledger().plan().isActive(line)
                        && line.standing().cash() == CashRow.LOANS) {
                    LineAccount account = statements.ledger().account(line);
                    sum += account.owedOn(from).orElse(0) - account.owedOn(to).orElse(0);
                }
            }
            return sum;
        }

        private interface OfYear {
            long of(Year year);
        }

        LongRangeTable table() {
            Map<String, OfYear> lines = new LinkedHashMap<>();
            lines.put("Sales", Year::sales);
            lines.put("Costs that vary with sales", year -> -year.variable());
            lines.put("Costs that do not", year -> -year.fixed());
            lines.put("*EBITDA", Year::ebitda);
            lines.put("Depreciation", year -> -year.depreciation());
            lines.put("Interest", year -> -year.interest());
            lines.put("Profit tax", year -> -year.tax());
            lines.put("*Profit after tax", Year::profit);
            lines.put("Dividends", year -> -year.dividends());
            lines.put("Cash", Year::cash);
            lines.put("Receivables", Year::receivables);
            lines.put("Stock", Year::stock);
            lines.put("Fixed assets", Year::assets);
            lines.put("Other, less what else is owed", year -> other);
            lines.put(
                    "*Assets, less what else is owed",
                    year -> year.cash() + year.receivables() + year.stock() + year.assets() + other);
            lines.put("Payables", Year::payables);
            lines.put("Debt as agreed", Year::debt);
            lines.put("Funding from outside", Year::borrowed);
            lines.put("Equity", Year::equity);
            lines.put(
                    "*Payables, debt and equity",
                    year -> year.payables() + year.debt() + year.borrowed() + year.equity());
            List<Row> rows = new ArrayList<>();
            lines.forEach((name, of) -> {
                boolean sum = name.startsWith("*");
                rows.add(new Row(
                        "long " + rows.size(),
                        sum ? Style.SUM : Style.LINE,
                        sum ? name.substring(1) : name,
                        years.stream().map(of::of).toList(),
                        null));
            });
            return new LongRangeTable(List.copyOf(ends), rows, List.copyOf(needs));
        }
    }
}
