package ebbtide.statements;

import static java.util.Objects.requireNonNull;

import ebbtide.accounts.LineAccount;
import ebbtide.money.Money;
import ebbtide.plan.Line;
import ebbtide.statements.Figure.Part;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntToLongFunction;

/**
 * The balance sheet (rules 9.1) at the end of each month; month -1 is the opening. Each account stands on the side its
 * level has then: what customers paid ahead is owed, what was paid ahead to suppliers is owned. Debt is parted by what
 * falls due within twelve months.
 */
final class BalanceSheet {
    private static final int YEAR = 12;
    /** The row that says whether the sheet balances. */
    static final String CHECK = "check";

    static final String ACCUMULATED = "accumulated";
    static final String GROSS_ASSETS = "gross-assets";

    private final Ledger ledger;
    private final Map<BalanceRow, Figure> rows = new EnumMap<>(BalanceRow.class);
    private final List<Figure> figures = new ArrayList<>();

    BalanceSheet(Ledger ledger) {
        this.ledger = ledger;
        for (BalanceRow row : BalanceRow.values()) {
            rows.put(row, figure(row));
        }
        Figure current = sum("current-assets", "Current assets", BalanceRow.Part.CURRENT_ASSETS);
        Figure fixed = sum("long-assets", "Long-term assets", BalanceRow.Part.LONG_ASSETS);
        figures.add(Figure.sum("assets", "Assets", List.of(current, fixed)));
        Figure owed = sum("current-liabilities", "Current liabilities", BalanceRow.Part.CURRENT_LIABILITIES);
        Figure later = sum("long-liabilities", "Long-term liabilities", BalanceRow.Part.LONG_LIABILITIES);
        figures.add(Figure.sum("liabilities", "Liabilities", List.of(owed, later)));
        Figure equity = sum("equity", "Equity", BalanceRow.Part.EQUITY);
        Figure claims = Figure.sum("liabilities-and-equity", "Liabilities and equity", List.of(owed, later, equity));
        figures.add(claims);
        Figure assets = figure("assets");
        figures.add(new Figure(
                CHECK,
                StatementTable.Style.CHECK,
                "Assets less liabilities and equity",
                true,
                List.of(Part.of(assets.name(), assets::in), Part.of(claims.name(), month -> -claims.in(month)))));
    }

    private Figure sum(String id, String name, BalanceRow.Part part) {
        List<Figure> of = rows.entrySet().stream()
                .filter(one -> one.getKey().part() == part)
                .map(Map.Entry::getValue)
                .toList();
        if (part == BalanceRow.Part.LONG_ASSETS) {
            grossAndAccumulated();
        }
        figures.addAll(of);
        Figure sum = Figure.levels(id, name, of);
        figures.add(sum);
        return sum;
    }

    /** What fixed assets cost and what is depreciated of them: two rows above the net, of which alone sums are made. */
    private void grossAndAccumulated() {
        List<Ledger.Depreciated> depreciated = ledger.depreciated();
        Figure net = row(BalanceRow.FIXED_ASSETS);
        Figure accumulated = new Figure(
                ACCUMULATED,
                StatementTable.Style.OF_WHICH,
                "Accumulated depreciation",
                true,
                depreciated.stream()
                        .map(one -> Part.of(one.name(), month -> -one.at().applyAsLong(month)))
                        .toList());
        figures.add(new Figure(
                GROSS_ASSETS,
                StatementTable.Style.OF_WHICH,
                "Fixed assets before depreciation",
                true,
                depreciated.isEmpty()
                        ? List.of()
                        : List.of(
                                Part.of(net.name(), net::in),
                                Part.of("Depreciated so far", month -> -accumulated.in(month)))));
        figures.add(accumulated);
    }

    private Figure figure(BalanceRow row) {
        List<Part> parts = new ArrayList<>();
        switch (row) {
            case CASH ->
                parts.add(Part.of("What the accounts at the bank hold", month -> Math.max(0, ledger.cashAt(month))));
            case OVERDRAFT ->
                parts.add(Part.of(
                        "What the accounts at the bank are overdrawn by", month -> Math.max(0, -ledger.cashAt(month))));
            case RETAINED -> retained(parts);
            case NOT_PLACED ->
                parts.add(new Part(
                        "What the opening balance sheet lacks to balance",
                        month -> "place it, and this row is gone",
                        month -> ledger.unplaced()));
            default ->
                ledger.accounts().stream()
                        .filter(account -> canBe(account, row))
                        .forEach(account -> parts.add(
                                new Part(account.name(), month -> because(account, month), amount(account, row))));
        }
        return new Figure(row.figure(), StatementTable.Style.LINE, row.words(), true, parts);
    }

    private void retained(List<Part> parts) {
        parts.add(Part.of("Before the month", month -> ledger.retainedAt(month < 0 ? month : month - 1)));
        parts.add(Part.of("Profit after tax of the month", month -> month < 0 ? 0 : ledger.profit(month)));
        parts.add(Part.of("Dividends declared in the month", month -> month < 0 ? 0 : -ledger.declaredIn(month)));
    }

    private static boolean canBe(Account account, BalanceRow row) {
        return BalanceRow.later(account.kind()).filter(later -> later == row).isPresent()
                || BalanceRow.of(account.kind(), true) == row
                || BalanceRow.of(account.kind(), false) == row;
    }

    /** What of an account stands in a row at the end of each month, above zero on the row's side. */
    private IntToLongFunction amount(Account account, BalanceRow row) {
        int sign = row.part().sign();
        Optional<BalanceRow> later = BalanceRow.later(account.kind());
        if (later.isPresent()) {
            IntToLongFunction whole = month -> account.at(month) * sign;
            IntToLongFunction beyond = dueLater(account, whole);
            return later.get() == row ? beyond : month -> whole.applyAsLong(month) - beyond.applyAsLong(month);
        }
        boolean ifOwned = BalanceRow.of(account.kind(), true) == row;
        boolean ifOwed = BalanceRow.of(account.kind(), false) == row;
        return month -> {
            long level = account.at(month);
            return (level > 0 ? ifOwned : ifOwed) ? level * sign : 0;
        };
    }

    /**
     * What of a debt or a deposit falls due later than twelve months after a month's end: of a facility all where it
     * ends later.
     */
    private IntToLongFunction dueLater(Account account, IntToLongFunction whole) {
        Line line = ledger.line(account).orElse(null);
        if (line == null) {
            return whole;
        }
        LineAccount due = ledger.account(line);
        boolean own = line.standing().own() == account.kind();
        return month -> {
            LocalDate end = ledger.first().plusMonths(month + 1L).atDay(1).minusDays(1);
            return due.dueLater(whole.applyAsLong(month), own, end, end.plusMonths(YEAR));
        };
    }

    private String because(Account account, int month) {
        StringBuilder words = new StringBuilder(
                month < 0 ? "opening balance sheet" : "before the month " + words(account.at(month - 1)));
        for (Account.Cause cause : month < 0 ? List.<Account.Cause>of() : account.causes()) {
            if (cause.amounts().at(month) != 0) {
                words.append(", ")
                        .append(cause.name())
                        .append(' ')
                        .append(words(cause.amounts().at(month)));
            }
        }
        return words.toString();
    }

    private String words(long minor) {
        return Money.words(minor, ledger.plan().settings().currency());
    }

    List<Figure> figures() {
        return figures;
    }

    Figure row(BalanceRow row) {
        return requireNonNull(rows.get(row));
    }

    Figure figure(String id) {
        return figures.stream().filter(one -> one.id().equals(id)).findFirst().orElseThrow();
    }
}
