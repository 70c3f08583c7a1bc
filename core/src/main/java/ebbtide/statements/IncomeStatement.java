package ebbtide.statements;

import ebbtide.accounts.AssetAccount;
import ebbtide.activity.ActivityCalculator;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.CashRow;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.statements.Figure.Part;
import ebbtide.time.Timeline;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.function.IntToLongFunction;
import java.util.function.Predicate;

/**
 * The income statement (rules 9.1): what lines earn by their nature, down to profit after tax; income above zero, costs
 * below.
 */
final class IncomeStatement {
    /** What has rows of its own below operating profit. */
    private static final Set<CashRow> APART = EnumSet.of(CashRow.CAPITAL, CashRow.INTEREST, CashRow.PROFIT_TAX);

    private final Ledger ledger;
    private final ActivityCalculator activity;
    private final List<Figure> figures = new ArrayList<>();

    IncomeStatement(Ledger ledger) {
        this.ledger = ledger;
        this.activity = ledger.forecast().accounts().activity();
        Figure sales = group("sales", "Sales", line -> isOf(line, Nature.SALES));
        Figure cost = group("cost", "Cost of sales", line -> isOf(line, Nature.COST_OF_SALES));
        Figure gross = sum("gross", "Gross profit", sales, cost);
        Figure other = group("other", "Other income", line -> isOf(line, Nature.OTHER_INCOME));
        Figure overheads = group("overheads", "Overheads and pay", line -> isOf(line, Nature.OVERHEADS));
        Figure ebitda = sum("ebitda", "EBITDA", gross, other, overheads);
        Figure depreciation = assets("depreciation", "Depreciation", month -> -month.depreciation());
        Figure gain = assets("gain", "Gain on assets sold", AssetAccount.Month::gain);
        Figure operating = sum("operating", "Operating profit", ebitda, depreciation, gain);
        Figure interest = group("interest", "Interest on debt", IncomeStatement::isInterestOnDebt);
        Figure onCash = group(
                "interest-on-cash",
                "Interest on cash and deposits",
                line -> line.standing().cash() == CashRow.INTEREST && !isInterestOnDebt(line));
        Figure before = sum("before-tax", "Profit before tax", operating, interest, onCash);
        Figure tax = group("profit-tax", "Profit tax", line -> line.standing().cash() == CashRow.PROFIT_TAX);
        sum("profit", "Profit after tax", before, tax);
    }

    static boolean isInterestOnDebt(Line line) {
        return line.assumption().findInterest().filter(Interest::isOnDebt).isPresent();
    }

    private static boolean isOf(Line line, Nature nature) {
        return line.nature() == nature && !APART.contains(line.standing().cash());
    }

    private List<Line> lines(Predicate<Line> which) {
        return ledger.plan().lines().stream()
                .filter(line -> !line.isGroup() && ledger.plan().isActive(line) && which.test(line))
                .toList();
    }

    /** The lines of a group one by one, and their sum; a line whose group is one alone stands for it. */
    private Figure group(String id, String name, Predicate<Line> which) {
        List<Figure> lines = lines(which).stream()
                .map(line -> Figure.line(
                        "line " + line.id(),
                        line.name(),
                        words(line),
                        ledger.earnings(line).earned()::at))
                .toList();
        figures.addAll(lines);
        return lines.isEmpty() ? Figure.sum(id, name, lines) : add(Figure.sum(id, name, lines));
    }

    private Figure assets(String id, String name, java.util.function.ToLongFunction<AssetAccount.Month> of) {
        List<Part> parts = new ArrayList<>();
        for (Line line : lines(one -> one.standing().cash() == CashRow.CAPITAL)) {
            List<AssetAccount.Month> months = ledger.assets(line);
            IntToLongFunction amount = month -> of.applyAsLong(months.get(month));
            parts.add(new Part(line.name(), month -> "", amount));
        }
        Figure figure = new Figure(id, StatementTable.Style.LINE, name, false, parts);
        return parts.isEmpty() ? figure : add(figure);
    }

    private Figure sum(String id, String name, Figure... of) {
        return add(Figure.sum(id, name, List.of(of)));
    }

    private Figure add(Figure figure) {
        figures.add(figure);
        return figure;
    }

    private IntFunction<String> words(Line line) {
        if (line.findStream()
                .filter(stream -> !(stream.method() instanceof ActivityMethod.StockPurchases))
                .isPresent()) {
            int first = Timeline.monthNumber(ledger.first());
            return month -> activity.words(line, first + month);
        }
        return month -> "";
    }

    List<Figure> figures() {
        return figures;
    }

    Figure figure(String id) {
        return figures.stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseGet(() -> Figure.sum(id, id, List.of()));
    }
}
