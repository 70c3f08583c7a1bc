package ebbtide.statements;

import ebbtide.accounts.AssetHolding;
import ebbtide.accounts.Earned;
import ebbtide.accounts.Earned.Lowered;
import ebbtide.activity.ActivityCalculator;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.CashRow;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.statements.Figure.Part;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.function.Predicate;
import java.util.function.ToLongFunction;
import org.jspecify.annotations.Nullable;

/**
 * The income statement (rules 9.1): what lines earn by their nature, down to profit after tax; income above zero, costs
 * below.
 */
final class IncomeStatement {
    /** What has rows of its own below operating profit. */
    private static final Set<CashRow> APART =
            EnumSet.of(CashRow.CAPITAL, CashRow.LEASES, CashRow.INTEREST, CashRow.PROFIT_TAX);

    /** What the id of a row begins with that accounts of the ledger have beside those of lines. */
    static final String OF_NO_LINE = "beside ";

    private final Ledger ledger;
    private final ActivityCalculator activity;
    private final List<Figure> figures = new ArrayList<>();

    IncomeStatement(Ledger ledger) {
        this.ledger = ledger;
        this.activity = ledger.forecast().accounts().activity();
        Figure sales = group("sales", "Sales", line -> isOf(line, Nature.SALES));
        Figure allowed = lowered("discounts-allowed", "Discounts allowed", Nature.SALES, Lowered::discounts);
        Figure credited = lowered("credit-notes", "Credit notes", Nature.SALES, Lowered::credited);
        Figure cost = group("cost", "Cost of sales", line -> isOf(line, Nature.COST_OF_SALES));
        Figure taken = lowered("discounts-taken", "Discounts taken", Nature.COST_OF_SALES, Lowered::discounts);
        Figure returned =
                lowered("suppliers-credit-notes", "Suppliers' credit notes", Nature.COST_OF_SALES, Lowered::credited);
        Figure gross = sum("gross", "Gross profit", sales, allowed, credited, cost, taken, returned);
        Figure other = group("other", "Other income", line -> isOf(line, Nature.OTHER_INCOME));
        Figure overheads = overheads();
        Figure ebitda = sum("ebitda", "EBITDA", gross, other, overheads);
        Figure depreciation = depreciation();
        Figure gain = row("gain", "Gain on assets sold", assets(AssetHolding.Month::gain));
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

    /** What a row of the income statement has of its own of what lowers a line's bills. */
    private interface Lowering {
        MonthSeries of(Lowered lowered);
    }

    /** What of a line stands in rows of its own, whatever group the line is of (rules 9.6). */
    private static MonthSeries apart(Line line, Lowered lowered) {
        return switch (line.nature()) {
            case SALES -> lowered.discounts().plus(lowered.credited()).plus(lowered.writtenOff());
            case COST_OF_SALES -> lowered.discounts().plus(lowered.credited());
            case OTHER_INCOME -> lowered.writtenOff();
            case OVERHEADS, DEPRECIATION, PROVISION, OUTSIDE ->
                MonthSeries.nil(lowered.discounts().first(), lowered.discounts().months());
        };
    }

    private Figure lowered(String id, String name, Nature nature, Lowering of) {
        return row(id, name, lowering(line -> isOf(line, nature), of));
    }

    private List<Part> lowering(Predicate<Line> which, Lowering of) {
        return lines(which).stream()
                .map(line -> new Part(
                        line.name(), month -> "", of.of(ledger.earnings(line).lowered())::at))
                .toList();
    }

    private Figure overheads() {
        List<Figure> all = inTree("overheads", line -> isOf(line, Nature.OVERHEADS) || isOf(line, Nature.PROVISION));
        all.add(add(ofNoLine("overheads", "Overheads and pay")));
        all.add(row(
                "bad-debts",
                "Bad debts",
                lowering(line -> isOf(line, Nature.SALES) || isOf(line, Nature.OTHER_INCOME), Lowered::writtenOff)));
        return add(Figure.sum("overheads", "Overheads and pay", all));
    }

    private Figure depreciation() {
        List<Part> parts = new ArrayList<>(assets(month -> -month.depreciation()));
        lines(line -> isOf(line, Nature.DEPRECIATION))
                .forEach(line -> parts.add(
                        new Part(line.name(), month -> "", ledger.earnings(line).earned()::at)));
        return row("depreciation", "Depreciation", parts);
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
        List<Figure> all = inTree(id, which);
        all.add(add(ofNoLine(id, name)));
        return add(Figure.sum(id, name, all));
    }

    /** Adds lines with the rows of their groups, and returns the lines alone. */
    private List<Figure> inTree(String section, Predicate<Line> which) {
        List<Figure> all = LineGroups.of(ledger.plan(), section, lines(which), this::line);
        figures.addAll(all);
        return new ArrayList<>(all.stream()
                .filter(one -> one.style() == StatementTable.Style.LINE)
                .toList());
    }

    /** What accounts of the ledger have of a row that no line stands for: of months with a trial balance alone. */
    private static Figure ofNoLine(String id, String name) {
        return new Figure(OF_NO_LINE + id, StatementTable.Style.LINE, name + " of no line", false, List.of());
    }

    private Figure line(Line line, @Nullable String group) {
        Earned earned = ledger.earnings(line);
        return Figure.line(
                "line " + line.id(),
                line.name(),
                group,
                words(line),
                earned.earned().minus(apart(line, earned.lowered()))::at);
    }

    private List<Part> assets(ToLongFunction<AssetHolding.Month> of) {
        List<Part> parts = new ArrayList<>();
        for (Line line : lines(one -> one.standing().holdsAssets())) {
            List<AssetHolding.Month> months = ledger.assets(line);
            parts.add(new Part(line.name(), month -> "", month -> of.applyAsLong(months.get(month))));
        }
        return parts;
    }

    private Figure row(String id, String name, List<Part> parts) {
        return add(new Figure(id, StatementTable.Style.LINE, name, false, parts));
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
