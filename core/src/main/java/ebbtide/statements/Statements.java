package ebbtide.statements;

import static ebbtide.time.DayFormats.MONTH;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.WholeMonths;
import ebbtide.money.Refused;
import ebbtide.money.Rounding;
import ebbtide.time.Period;
import ebbtide.workings.Workings;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** The pro forma statements of a forecast (rules 9.1), from the same activity and flows, each figure with its parts. */
public final class Statements {
    private static final long TENTHS = 1_000;
    private final Ledger ledger;
    private final IncomeStatement income;
    private final BalanceSheet balance;
    private final CashFlow flow;

    private Statements(Forecast forecast) {
        this.ledger = new Ledger(forecast);
        this.income = new IncomeStatement(ledger);
        this.balance = new BalanceSheet(ledger);
        this.flow = new CashFlow(ledger, income);
    }

    /** The statements there are. */
    public enum Kind {
        INCOME,
        BALANCE,
        CASH_DIRECT,
        CASH_INDIRECT
    }

    /** Returns the statements of a forecast over its whole horizon. */
    public static Statements of(Forecast forecast) {
        return new Statements(forecast);
    }

    /** Returns the months that they are of. */
    public WholeMonths months() {
        return WholeMonths.of(ledger.forecast());
    }

    /**
     * Returns a statement by period, periods being whole months ({@link WholeMonths}); in common size with the share of
     * sales, or of assets.
     */
    public StatementTable table(Kind kind, List<Period> periods, boolean commonSize) {
        boolean opening = kind == Kind.BALANCE;
        List<MonthRange> months = periods.stream()
                .map(period -> new MonthRange(month(period.startInclusive()), month(period.lastDay())))
                .toList();
        // Sums come after what they are of: each finds its parts added up.
        Map<Figure, List<Long>> all = new LinkedHashMap<>();
        figures(kind).forEach(figure -> all.put(figure, amounts(figure, months, opening)));
        Figure base = opening ? balance.figure("assets") : income.figure("sales");
        List<Long> whole = amounts(base, months, opening);
        List<StatementTable.Row> rows = new ArrayList<>();
        all.forEach((figure, amounts) -> {
            if (figure.style() == StatementTable.Style.CHECK || amounts.stream().anyMatch(minor -> minor != 0)) {
                rows.add(new StatementTable.Row(
                        figure.id(),
                        figure.style(),
                        figure.name(),
                        amounts,
                        commonSize ? shares(amounts, whole) : null));
            }
        });
        return new StatementTable(List.copyOf(periods), opening, rows);
    }

    private static List<Long> shares(List<Long> amounts, List<Long> whole) {
        List<Long> shares = new ArrayList<>(amounts.size());
        for (int i = 0; i < amounts.size(); i++) {
            shares.add(whole.get(i) == 0 ? null : Long.valueOf(share(amounts.get(i), whole.get(i))));
        }
        return Collections.unmodifiableList(shares);
    }

    /** In tenths of a percent, rounded half away from zero. */
    private static long share(long part, long whole) {
        long most = Long.MAX_VALUE / (2 * TENTHS);
        if (Math.abs(part) > most || Math.abs(whole) > most) {
            return Rounding.divide(BigDecimal.valueOf(part).multiply(BigDecimal.valueOf(TENTHS)), whole);
        }
        long twice = 2 * TENTHS * Math.abs(part) + Math.abs(whole);
        return Rounding.floor(twice, 2 * Math.abs(whole)) * Long.signum(part) * Long.signum(whole);
    }

    /** The months of a period, counted from the first that is forecast, both included. */
    private record MonthRange(int from, int to) {}

    private static List<Long> amounts(Figure figure, List<MonthRange> months, boolean opening) {
        figure.addUp(months.get(0).from(), months.get(months.size() - 1).to());
        List<Long> amounts = new ArrayList<>(months.size() + 1);
        if (opening) {
            amounts.add(figure.in(-1));
        }
        months.forEach(one -> amounts.add(figure.over(one.from(), one.to())));
        return amounts;
    }

    private int month(LocalDate day) {
        return (int) ledger.first().until(YearMonth.from(day), ChronoUnit.MONTHS);
    }

    private List<Figure> figures(Kind kind) {
        return switch (kind) {
            case INCOME -> income.figures();
            case BALANCE -> balance.figures();
            case CASH_DIRECT -> flow.direct();
            case CASH_INDIRECT -> flow.indirect();
        };
    }

    /**
     * Returns the parts of a row of a statement in a period, null for the opening: they add up to it.
     *
     * @throws Refused for a row or a period that is not there
     */
    public List<Workings.Item> workings(Kind kind, String row, @Nullable Period period) {
        Figure figure = figures(kind).stream()
                .filter(one -> one.id().equals(row))
                .findFirst()
                .orElseThrow(() -> new Refused("The statement has no row '" + row + "'"));
        List<Workings.Item> items = new ArrayList<>();
        int last = period == null ? -1 : month(period.lastDay());
        int first = period == null || figure.isLevel() ? last : month(period.startInclusive());
        if (period == null && !figure.isLevel()
                || last >= ledger.months()
                || period != null && month(period.startInclusive()) < 0) {
            throw new Refused("The statement has no such period");
        }
        boolean byMonth = figure.parts().size() == 1 && last > first;
        for (Figure.Part part : figure.parts()) {
            if (byMonth) {
                for (int month = first; month <= last; month++) {
                    add(
                            items,
                            MONTH.format(ledger.first().plusMonths(month)),
                            part.because().apply(month),
                            part.amount().applyAsLong(month));
                }
            } else {
                long sum = IntStream.rangeClosed(first, last)
                        .mapToLong(part.amount())
                        .sum();
                add(items, part.what(), first == last ? part.because().apply(last) : "", sum);
            }
        }
        return items;
    }

    private static void add(List<Workings.Item> items, String what, String because, long minor) {
        if (minor != 0) {
            items.add(new Workings.Item(null, what, because, null, minor));
        }
    }

    /**
     * A step on the way from opening to closing cash: what came in or went out, and the level it leads to; minor units.
     */
    public record Step(String id, String name, long minor, long level) {}

    /**
     * Where the cash of a period went: opening cash, each cause from the greatest receipt to the greatest payment,
     * closing cash.
     */
    public record Bridge(long opening, List<Step> steps, long closing) {}

    /**
     * Returns where the cash of a period of whole months went, by the rows of the direct cash flow.
     *
     * @throws Refused for a period that is not there
     */
    public Bridge bridge(Period period) {
        int from = month(period.startInclusive());
        int to = month(period.lastDay());
        if (from < 0 || to >= ledger.months()) {
            throw new Refused("The statements have no such period");
        }
        List<Figure> causes = flow.direct().stream()
                .filter(figure -> figure.style() == StatementTable.Style.LINE && figure.over(from, to) != 0)
                .sorted(java.util.Comparator.comparingLong((Figure figure) -> figure.over(from, to))
                        .reversed())
                .toList();
        long level = ledger.cashAt(from - 1);
        List<Step> steps = new ArrayList<>();
        for (Figure one : causes) {
            level += one.over(from, to);
            steps.add(new Step(one.id(), one.name(), one.over(from, to), level));
        }
        return new Bridge(ledger.cashAt(from - 1), List.copyOf(steps), ledger.cashAt(to));
    }

    /**
     * Returns whether there is no opening balance sheet of the day on which these statements start, so that levels are
     * only what has changed since.
     */
    public boolean opensWithout() {
        return ledger.opensWithout();
    }

    /** Returns cash from operations and investing of a month. */
    long beforeFinancing(int month) {
        return flow.direct().stream()
                .filter(one -> one.id().equals("operating") || one.id().equals("investing"))
                .mapToLong(one -> one.in(month))
                .sum();
    }

    Ledger ledger() {
        return ledger;
    }

    IncomeStatement income() {
        return income;
    }

    BalanceSheet balance() {
        return balance;
    }
}
