package ebbtide.statements;

import ebbtide.accounts.AssetHolding;
import ebbtide.accounts.LineAccount;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.WholeMonths;
import ebbtide.plan.CashRow;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Revolving;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.ToLongFunction;

/**
 * The last twelve months that are planned, added up as the years after them begin with (rules 9.4): what rows of the
 * income statement earn and cost, what those of the balance sheet come to at the end, and the debts that go on. Minor
 * units.
 */
public final class LastTwelveMonths {
    private static final int YEAR = 12;
    private final Statements statements;
    private final Ledger ledger;
    private final int last;

    /** A debt at the end: of a line or of none, and what is left of it at the end of a later day as agreed. */
    public record Debt(String id, String name, long amount, ToLongFunction<LocalDate> owed) {}

    private LastTwelveMonths(Statements statements) {
        this.statements = statements;
        this.ledger = statements.ledger();
        this.last = ledger.months() - 1;
    }

    /** Returns whether a forecast has as many months. */
    public static boolean isPossible(Forecast forecast) {
        return WholeMonths.of(forecast).all(Periods.MONTH).size() >= YEAR;
    }

    /** Returns them, nothing of a forecast of fewer months. */
    public static Optional<LastTwelveMonths> of(Forecast forecast) {
        return isPossible(forecast) ? Optional.of(new LastTwelveMonths(Statements.of(forecast))) : Optional.empty();
    }

    public LocalDate end() {
        return ledger.period(last).lastDay();
    }

    /** Returns what a row of the income statement comes to: income above zero, costs below. */
    public long flow(String figure) {
        return statements.income().figure(figure).over(last - YEAR + 1, last);
    }

    /** Returns what a row of the income statement is called, nothing where it has none of it. */
    public Optional<String> nameOfFlow(String figure) {
        return statements.income().figures().stream()
                .filter(one -> one.id().equals(figure))
                .map(Figure::name)
                .findFirst();
    }

    /** Returns what a row of the balance sheet comes to at the end. */
    public long level(String row) {
        return statements
                .balance()
                .row(BalanceRow.valueOf(row.toUpperCase(Locale.ROOT)))
                .in(last);
    }

    /** Returns what a row of the balance sheet is called. */
    public String nameOfLevel(String row) {
        return BalanceRow.valueOf(row.toUpperCase(Locale.ROOT)).words();
    }

    /** Returns what is depreciated of fixed assets at the end, of those that the plan itself depreciates. */
    public long accumulated() {
        long sum = ledger.depreciated().stream()
                .mapToLong(one -> one.at().applyAsLong(last))
                .sum();
        return Math.min(Math.max(0, sum), Math.max(0, sum + level("fixed_assets")));
    }

    /** Returns the losses that may still lower tax at the end. */
    public long losses() {
        return lines(CashRow.PROFIT_TAX).stream()
                .mapToLong(line -> ledger.forecast()
                        .accounts()
                        .profitTax(line)
                        .lossesLeft()
                        .at(last))
                .sum();
    }

    private List<Line> lines(CashRow of) {
        return ledger.plan().lines().stream()
                .filter(line -> !line.isGroup()
                        && ledger.plan().isActive(line)
                        && line.standing().cash() == of)
                .toList();
    }

    /** Returns what was spent on fixed assets. */
    public long spending() {
        return lines(CashRow.CAPITAL).stream()
                .flatMap(line -> ledger.assets(line).subList(last - YEAR + 1, last + 1).stream())
                .mapToLong(AssetHolding.Month::bought)
                .sum();
    }

    /** Returns what was declared of dividends. */
    public long declared() {
        long sum = 0;
        for (int month = last - YEAR + 1; month <= last; month++) {
            sum += ledger.declaredIn(month);
        }
        return sum;
    }

    /** Returns the debts that there are at the end, or are drawn later. */
    public List<Debt> debts() {
        Map<String, Debt> debts = new LinkedHashMap<>();
        for (Account one : ledger.accounts()) {
            if (one.kind() == Kind.DEBT) {
                long amount = -one.at(last);
                Optional<Line> line = ledger.line(one);
                ToLongFunction<LocalDate> owed =
                        line.map(of -> owed(of, amount)).orElse(day -> amount);
                debts.merge(
                        line.map(Line::id).orElse("beside " + one.name()),
                        new Debt("", one.name(), amount, owed),
                        (had, more) -> new Debt(
                                "",
                                had.name(),
                                had.amount() + more.amount(),
                                day -> had.owed().applyAsLong(day) + more.owed().applyAsLong(day)));
            }
        }
        return debts.entrySet().stream()
                .map(one -> new Debt(
                        one.getKey(),
                        one.getValue().name(),
                        one.getValue().amount(),
                        one.getValue().owed()))
                .toList();
    }

    /** A loan goes on by its schedule, a facility as it is drawn until it ends. */
    private ToLongFunction<LocalDate> owed(Line line, long amount) {
        if (line.assumption() instanceof Revolving facility) {
            return day -> facility.end() != null && !day.isBefore(facility.end()) ? 0 : amount;
        }
        LineAccount account = ledger.account(line);
        OptionalLong atEnd = line.standing().cash().isRepaid() ? account.owedOn(end()) : OptionalLong.empty();
        return atEnd.isEmpty()
                ? day -> amount
                : day -> amount - atEnd.getAsLong() + account.owedOn(day).orElse(atEnd.getAsLong());
    }
}
