package ebbtide.statements;

import static ebbtide.time.DayFormats.MONTH;

import ebbtide.books.ActualLedger;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.WholeMonths;
import ebbtide.money.Refused;
import ebbtide.money.Rounding;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.workings.Workings;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
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
    private final ActualMonths actual;

    private Statements(Forecast forecast, ActualLedger before) {
        this.ledger = new Ledger(forecast);
        this.income = new IncomeStatement(ledger);
        this.balance = new BalanceSheet(ledger);
        this.flow = new CashFlow(ledger, income);
        this.actual = new ActualMonths(forecast, before, id -> income.figures().stream()
                .anyMatch(one -> one.id().equals(id)));
    }

    /** The statements there are. */
    public enum Kind {
        INCOME,
        BALANCE,
        CASH_DIRECT,
        CASH_INDIRECT;

        /**
         * Returns the statement that is called by a word: "cash-direct".
         *
         * @throws Refused for any other word
         */
        public static Kind of(String word) {
            return Arrays.stream(values())
                    .filter(one -> one.name()
                            .toLowerCase(Locale.ROOT)
                            .replace('_', '-')
                            .equals(word))
                    .findFirst()
                    .orElseThrow(() -> new Refused(
                            "There is no statement '" + word + "': say income, balance, cash-direct or cash-indirect"));
        }
    }

    /** Returns the statements of a forecast over its whole horizon. */
    public static Statements of(Forecast forecast) {
        return new Statements(forecast, ActualLedger.NONE);
    }

    /**
     * Returns the statements of a forecast, its income statement and balance sheet after those of the months that have
     * a trial balance (rules 9.5).
     */
    public static Statements of(Forecast forecast, ActualLedger before) {
        return new Statements(forecast, before);
    }

    /** Returns the months with a trial balance, and what is to be looked at in them. */
    public ActualMonths actual() {
        return actual;
    }

    /**
     * Returns the periods of a length that some days touch, those of months with a trial balance first; with the whole
     * of each fiscal year after its own where that is asked for. Cash flows have months that are forecast alone.
     */
    public List<Period> periods(
            Kind kind, Periods by, @Nullable LocalDate from, @Nullable LocalDate to, boolean years) {
        if (actual.all().isEmpty() || kind == Kind.CASH_DIRECT || kind == Kind.CASH_INDIRECT) {
            return years ? months().withYears(by, from, to) : months().touched(by, from, to);
        }
        return new ActualPeriods(months(), actual.all()).touched(by, from, to, years);
    }

    /**
     * Returns the fiscal year up to the end of a period of whole months, as far back as there are months of it; the
     * period itself where it begins earlier.
     */
    public Period yearTo(Kind kind, Period period) {
        YearMonth last = YearMonth.from(period.lastDay());
        YearMonth year = YearMonth.of(last.getYear(), months().settings().firstFiscalMonth());
        LocalDate begins = (year.isAfter(last) ? year.minusYears(1) : year).atDay(1);
        LocalDate there = periods(kind, Periods.MONTH, null, null, false).get(0).startInclusive();
        LocalDate from = begins.isBefore(there) ? there : begins;
        return from.isBefore(period.startInclusive()) ? new Period(from, period.endExclusive()) : period;
    }

    /** Returns how many of the months of a period have a trial balance. */
    public StatementTable.Actual actualIn(Period period) {
        return new StatementTable.Actual(
                span(period).actualMonths(), month(period.lastDay()) - month(period.startInclusive()) + 1);
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
        List<Span> spans = periods.stream().map(this::span).toList();
        Map<Figure, List<Long>> all = new LinkedHashMap<>();
        figures(kind).forEach(figure -> all.put(figure, List.of()));
        // Sums come after what they are of, but for groups: so each finds its parts added up.
        for (boolean groups : new boolean[] {false, true}) {
            all.replaceAll((figure, none) ->
                    groups == (figure.style() == StatementTable.Style.GROUP) ? amounts(figure, spans, opening) : none);
        }
        Figure base = opening ? balance.figure("assets") : income.figure("sales");
        List<Long> whole = amounts(base, spans, opening);
        List<StatementTable.Row> rows = new ArrayList<>();
        all.forEach((figure, amounts) -> {
            if (figure.style() == StatementTable.Style.CHECK || amounts.stream().anyMatch(minor -> minor != 0)) {
                rows.add(new StatementTable.Row(
                        figure.id(),
                        figure.style(),
                        figure.name(),
                        figure.group(),
                        amounts,
                        commonSize ? shares(amounts, whole) : null));
            }
        });
        return new StatementTable(
                List.copyOf(periods),
                opening,
                beforeOpening(spans),
                periods.stream().map(this::actualIn).toList(),
                rows);
    }

    private static int beforeOpening(List<Span> spans) {
        return (int) spans.stream().filter(span -> span.to() < 0).count();
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

    /**
     * What a period is of: the months with a trial balance that end in it, and those that are forecast, counted from
     * the first, both included; below nil where none is.
     */
    private record Span(List<ActualMonth> before, int from, int to) {
        int actualMonths() {
            return before.stream()
                    .mapToInt(one -> (int) one.since().until(one.month(), ChronoUnit.MONTHS) + 1)
                    .sum();
        }

        boolean isForecast() {
            return to >= 0;
        }

        long of(Figure figure) {
            long sum = 0;
            if (figure.isLevel()) {
                return isForecast()
                        ? figure.in(to)
                        : before.isEmpty() ? 0 : before.get(before.size() - 1).in(figure);
            }
            for (ActualMonth one : before) {
                sum += one.in(figure);
            }
            return isForecast() ? sum + figure.over(from, to) : sum;
        }
    }

    private Span span(Period period) {
        int from = month(period.startInclusive());
        int to = month(period.lastDay());
        List<ActualMonth> before = actual.all().stream()
                .filter(one -> !one.month().atEndOfMonth().isBefore(period.startInclusive())
                        && !one.month().atEndOfMonth().isAfter(period.lastDay()))
                .toList();
        return new Span(before, Math.max(0, from), to);
    }

    private static List<Long> amounts(Figure figure, List<Span> spans, boolean opening) {
        spans.stream()
                .filter(Span::isForecast)
                .mapToInt(Span::from)
                .min()
                .ifPresent(first -> figure.addUp(
                        first, spans.stream().mapToInt(Span::to).max().orElseThrow()));
        List<Long> amounts = new ArrayList<>(spans.size() + 1);
        spans.forEach(one -> amounts.add(one.of(figure)));
        if (opening) {
            amounts.add(beforeOpening(spans), figure.in(-1));
        }
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
        int first = period == null || figure.isLevel() ? last : Math.max(0, month(period.startInclusive()));
        Span span = period == null ? new Span(List.of(), -1, -1) : span(period);
        if (period == null && !figure.isLevel()
                || last >= ledger.months()
                || period != null && !span.isForecast() && span.before().isEmpty()) {
            throw new Refused("The statement has no such period");
        }
        List<ActualMonth> before = !figure.isLevel()
                ? span.before()
                : span.isForecast() || span.before().isEmpty()
                        ? List.of()
                        : List.of(span.before().get(span.before().size() - 1));
        for (ActualMonth one : before) {
            one.shares(figure)
                    .forEach(share ->
                            add(items, share.name(), "trial balance of " + MONTH.format(one.month()), share.minor()));
        }
        if (period == null || span.isForecast()) {
            forecast(items, figure, first, last);
        }
        return items;
    }

    private void forecast(List<Workings.Item> items, Figure figure, int first, int last) {
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
