package ebbtide.statements;

import ebbtide.plan.CashRow;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.statements.Figure.Part;
import ebbtide.time.MonthSeries;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * The cash flow statement (rules 9.1): direct, from the cash of lines; and indirect, from profit, what takes no cash,
 * and how accounts change. The two agree in each section (rules 9.3 e).
 */
final class CashFlow {
    private final Ledger ledger;
    private final IncomeStatement income;
    private final Map<Account, Section> sections = new IdentityHashMap<>();
    private final List<Figure> direct = new ArrayList<>();
    private final List<Figure> indirect = new ArrayList<>();

    CashFlow(Ledger ledger, IncomeStatement income) {
        this.ledger = ledger;
        this.income = income;
        ledger.accounts()
                .forEach(account -> sections.put(
                        account, ledger.line(account).map(ledger::section).orElse(Section.OPERATING)));
        layDirect();
        layIndirect();
    }

    private List<Line> lines(Predicate<Line> which) {
        return ledger.plan().lines().stream()
                .filter(line -> !line.isGroup() && which.test(line))
                .toList();
    }

    private void layDirect() {
        Set<String> taken = new HashSet<>();
        List<Figure> operating = new ArrayList<>();
        cash(
                operating,
                taken,
                "customers",
                "Received from customers",
                Section.OPERATING,
                line -> line.nature() == Nature.SALES);
        cash(
                operating,
                taken,
                "received",
                "Other receipts",
                Section.OPERATING,
                line -> line.direction() == Direction.RECEIPT && line.standing().cash() != CashRow.INTEREST);
        cash(
                operating,
                taken,
                "suppliers",
                "Paid to suppliers of what is sold",
                Section.OPERATING,
                line -> line.nature() == Nature.COST_OF_SALES);
        cash(
                operating,
                taken,
                "pay",
                "Pay",
                Section.OPERATING,
                line -> line.standing().cash() == CashRow.PAY);
        cash(
                operating,
                taken,
                "sales-tax",
                "Sales tax",
                Section.OPERATING,
                line -> line.standing().cash() == CashRow.SALES_TAX);
        cash(
                operating,
                taken,
                "profit-tax",
                "Profit tax",
                Section.OPERATING,
                line -> line.standing().cash() == CashRow.PROFIT_TAX);
        cash(
                operating,
                taken,
                "interest",
                "Interest",
                Section.OPERATING,
                line -> line.standing().cash() == CashRow.INTEREST);
        cash(operating, taken, "overheads", "Overheads", Section.OPERATING, line -> true);
        booked(operating, "Bank movements not assigned yet", "unassigned", ledger.unassigned());
        booked(operating, "Between own accounts, booked on one side", "transfers", ledger.transfers());
        List<Figure> investing = new ArrayList<>();
        cash(
                investing,
                taken,
                "capital",
                "Capital spending",
                Section.INVESTING,
                line -> line.standing().cash() == CashRow.CAPITAL);
        cash(
                investing,
                taken,
                "deposits",
                "Term deposits, back less placed",
                Section.INVESTING,
                line -> line.standing().cash() == CashRow.DEPOSITS);
        cash(investing, taken, "investing-other", "Other long-term assets", Section.INVESTING, line -> true);
        List<Figure> financing = new ArrayList<>();
        cash(
                financing,
                taken,
                "facilities",
                "Facilities, drawn less repaid",
                Section.FINANCING,
                line -> line.standing().cash() == CashRow.FACILITIES);
        cash(
                financing,
                taken,
                "loans",
                "Loans, drawn less repaid",
                Section.FINANCING,
                line -> line.standing().cash() == CashRow.LOANS);
        cash(
                financing,
                taken,
                "leases",
                "Leases, repaid",
                Section.FINANCING,
                line -> line.standing().cash() == CashRow.LEASES);
        cash(
                financing,
                taken,
                "dividends",
                "Dividends",
                Section.FINANCING,
                line -> line.standing().cash() == CashRow.DIVIDENDS);
        cash(financing, taken, "owners", "Owners and others, paid in less drawn", Section.FINANCING, line -> true);
        close(direct, operating, investing, financing);
    }

    private void cash(
            List<Figure> to, Set<String> taken, String id, String name, Section section, Predicate<Line> which) {
        List<Line> lines =
                lines(line -> ledger.section(line) == section && !taken.contains(line.id()) && which.test(line));
        lines.forEach(line -> taken.add(line.id()));
        if (!lines.isEmpty()) {
            to.add(new Figure(
                    id,
                    StatementTable.Style.LINE,
                    name,
                    false,
                    lines.stream()
                            .map(line -> Part.of(line.name(), ledger.cash(line)::at))
                            .toList()));
        }
    }

    private static void booked(List<Figure> to, String name, String id, MonthSeries amounts) {
        if (!amounts.isNil()) {
            to.add(Figure.line(id, name, null, month -> "assign them under Position", amounts::at));
        }
    }

    private void layIndirect() {
        List<Figure> operating = new ArrayList<>();
        operating.add(again(income.figure("profit")));
        operating.add(turned("depreciation", "Depreciation, which takes no cash", income.figure("depreciation")));
        operating.add(turned("gain", "Gain on assets sold, within investing", income.figure("gain")));
        for (Kind kind : Kind.values()) {
            changes(
                    operating,
                    "less-" + kind.name().toLowerCase(java.util.Locale.ROOT),
                    "Change of " + low(kind.words()),
                    Section.OPERATING,
                    kind);
        }
        others(
                operating,
                "tax-elsewhere",
                "Sales tax on investing and financing",
                line -> ledger.section(line) != Section.OPERATING,
                line -> ledger.earnings(line).tax().negative()::at);
        List<Figure> investing = new ArrayList<>();
        others(
                investing,
                "bought",
                "Assets bought, less sold",
                line -> ledger.section(line) == Section.INVESTING,
                line -> ledger.earnings(line).billed()::at);
        others(
                investing,
                "tax-on-assets",
                "Sales tax on them",
                line -> ledger.section(line) == Section.INVESTING,
                line -> ledger.earnings(line).tax()::at);
        changes(investing, "placed", "Term deposits, back less placed", Section.INVESTING, Kind.DEPOSITS);
        owed(investing, "assets-owed", "Change of what is owed for them", Section.INVESTING);
        List<Figure> financing = new ArrayList<>();
        changes(financing, "debt", "Debt, drawn less repaid", Section.FINANCING, Kind.DEBT);
        others(
                financing,
                "leased",
                "What was leased, which takes no cash",
                line -> line.standing().cash() == CashRow.LEASES,
                line -> ledger.earnings(line).billed()::at);
        others(
                financing,
                "declared",
                "Dividends declared",
                line -> line.standing().cash() == CashRow.DIVIDENDS,
                line -> month -> -declared(line, month));
        changes(
                financing,
                "dividends-owed",
                "Change of dividends declared and not paid",
                Section.FINANCING,
                Kind.DIVIDENDS);
        others(
                financing,
                "tax-on-owners",
                "Sales tax on what owners and others pay",
                line -> ledger.section(line) == Section.FINANCING,
                line -> ledger.earnings(line).tax()::at);
        for (Kind kind : Kind.values()) {
            if (kind != Kind.DEBT && kind != Kind.DIVIDENDS) {
                changes(
                        financing,
                        "financing-" + kind.name().toLowerCase(java.util.Locale.ROOT),
                        kind == Kind.PAID_IN
                                ? "Owners and others, paid in less drawn"
                                : "Change of " + low(kind.words()),
                        Section.FINANCING,
                        kind);
            }
        }
        close(indirect, operating, investing, financing);
    }

    private long declared(Line line, int month) {
        return -ledger.accounts().stream()
                .filter(account -> line.id().equals(account.lineId()))
                .flatMap(account -> account.causes().stream())
                .filter(cause -> cause.name().equals("declared"))
                .mapToLong(cause -> cause.amounts().at(month))
                .sum();
    }

    private static String low(String words) {
        return Character.toLowerCase(words.charAt(0)) + words.substring(1);
    }

    /** The accounts of a section and a kind: what they grow by is cash that did not come in, or went out. */
    private void changes(List<Figure> to, String id, String name, Section section, Kind kind) {
        // What financing holds of fixed assets is leased: it comes without cash, and is told above.
        List<Account> accounts = ledger.accounts().stream()
                .filter(account -> account.kind() == kind && sectionOf(account) == section)
                .filter(account -> section != Section.FINANCING || !isUsedUp(account))
                .toList();
        if (!accounts.isEmpty()) {
            to.add(new Figure(
                    id,
                    StatementTable.Style.LINE,
                    name,
                    false,
                    accounts.stream()
                            .map(account -> Part.of(account.name(), month -> -account.change(month)))
                            .toList()));
        }
    }

    /** What a line of investing owes for what it has bought; the assets themselves are bought, used up and sold. */
    private void owed(List<Figure> to, String id, String name, Section section) {
        List<Account> accounts = ledger.accounts().stream()
                .filter(account -> account.lineId() != null
                        && sectionOf(account) == section
                        && account.kind() != Kind.DEPOSITS
                        && !isUsedUp(account))
                .toList();
        if (!accounts.isEmpty()) {
            to.add(new Figure(
                    id,
                    StatementTable.Style.LINE,
                    name,
                    false,
                    accounts.stream()
                            .map(account -> Part.of(account.name(), month -> -account.change(month)))
                            .toList()));
        }
    }

    private static boolean isUsedUp(Account account) {
        return account.causes().stream().anyMatch(cause -> cause.name().equals("cost of the month"));
    }

    private @Nullable Section sectionOf(Account account) {
        return sections.get(account);
    }

    private interface ByLine {
        java.util.function.IntToLongFunction of(Line line);
    }

    private void others(List<Figure> to, String id, String name, Predicate<Line> which, ByLine amounts) {
        List<Part> parts = lines(which).stream()
                .map(line -> Part.of(line.name(), amounts.of(line)))
                .toList();
        if (hasAny(parts)) {
            to.add(new Figure(id, StatementTable.Style.LINE, name, false, parts));
        }
    }

    private boolean hasAny(List<Part> parts) {
        return parts.stream().anyMatch(part -> IntStream.range(0, ledger.months())
                .anyMatch(month -> part.amount().applyAsLong(month) != 0));
    }

    private static Figure again(Figure figure) {
        return new Figure(
                figure.id(),
                StatementTable.Style.LINE,
                figure.name(),
                false,
                List.of(Part.of("From the income statement", figure::in)));
    }

    private static Figure turned(String id, String name, Figure figure) {
        return new Figure(
                id,
                StatementTable.Style.LINE,
                name,
                false,
                List.of(Part.of("From the income statement, its sign turned", month -> -figure.in(month))));
    }

    private void close(List<Figure> to, List<Figure> operating, List<Figure> investing, List<Figure> financing) {
        List<Figure> sums = new ArrayList<>();
        section(to, sums, "operating", "Cash from operations", operating);
        section(to, sums, "investing", "Cash from investing", investing);
        section(to, sums, "financing", "Cash from financing", financing);
        to.add(Figure.sum("net", "Net cash flow", sums));
        to.add(new Figure(
                "cash-at-end",
                StatementTable.Style.SUM,
                "Cash at the end",
                true,
                List.of(
                        Part.of("Cash at the end of the month before", month -> ledger.cashAt(month - 1)),
                        Part.of("Net cash flow of the month", to.get(to.size() - 1)::in))));
    }

    private static void section(List<Figure> to, List<Figure> sums, String id, String name, List<Figure> of) {
        Figure sum = Figure.sum(id, name, of);
        to.addAll(of);
        to.add(sum);
        sums.add(sum);
    }

    List<Figure> direct() {
        return direct;
    }

    List<Figure> indirect() {
        return indirect;
    }
}
