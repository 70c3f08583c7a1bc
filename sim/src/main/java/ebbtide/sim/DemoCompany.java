package ebbtide.sim;

import static ebbtide.sim.DemoLines.pounds;
import static java.util.Objects.requireNonNull;

import ebbtide.books.Account;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.budget.Sheet;
import ebbtide.formats.budget.SheetReader;
import ebbtide.formats.items.ItemColumns;
import ebbtide.formats.items.ItemList;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanPast;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.Plan;
import ebbtide.plan.YearsPlan;
import ebbtide.statements.OpeningCheck;
import ebbtide.years.DriverEdit;
import ebbtide.years.DriverPart;
import ebbtide.years.Years;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * Skerrywick Shellfish Ltd on Sunday 1 March 2026: its plan, its accounts, its ledger's items and 26 weeks of assigned
 * movements.
 */
public final class DemoCompany {
    /** What was on each account before its first movement. */
    private static final Map<String, Long> OPENING =
            Map.of(DemoBank.CURRENT, 31_300_000L, DemoBank.SHOP, 2_490_000L, DemoBank.RESERVE, 9_000_000L);

    private static final int YEARS = 5;

    private DemoCompany() {}

    /** Returns the company as its plan file would hold it. */
    public static PlanDocument document() {
        Plan plan = DemoPlan.plan();
        List<OpenItem> items = items(plan, DemoPlan.AS_OF);
        List<BankMovement> movements = movements(items, DemoPlan.AS_OF);
        PlanDocument without = new PlanDocument(plan, accounts(), rules(), movements, items);
        Plan opened =
                opened(opened(plan, without.books(), OpeningCheck::proposed), without.books(), OpeningCheck::placed);
        return new PlanDocument(
                withYears(opened, without.books()),
                accounts(),
                rules(),
                movements,
                items,
                DemoScenarios.all(),
                DemoTrialBalances.of(opened),
                PlanPast.NONE);
    }

    /** What the banks had booked by a day, each movement assigned, and settling those items that were known. */
    private static List<BankMovement> movements(List<OpenItem> items, LocalDate day) {
        Set<String> known = new HashSet<>(items.stream().map(OpenItem::id).toList());
        return DemoWorld.get().movements().stream()
                .filter(m -> !m.bookingDate().isAfter(day))
                .map(m -> m.withParts(m.parts().stream()
                        .map(part ->
                                known.contains(part.itemId()) ? part : new AssignedPart(part.lineId(), part.minor()))
                        .toList()))
                .toList();
    }

    /** Returns the ledger's items as it had them on a day. */
    static List<OpenItem> items(Plan plan, LocalDate day) {
        List<OpenItem> items = new ArrayList<>();
        DemoLedger.LINES.forEach(
                line -> items.addAll(items(plan, plan.findLine(line).orElseThrow(), day)));
        return items;
    }

    /** Returns the books of a day with the items known by then. */
    static Books books(List<OpenItem> items, LocalDate day) {
        List<BankMovement> movements = movements(items, day);
        return Books.of(accounts(day), movements).with(OpenItems.of(items).settled(BankMovement.settled(movements)));
    }

    /**
     * The opening balance sheet is what the plan's flows clear, the owners' capital, and retained profit for the rest.
     */
    private static Plan opened(Plan plan, Books books, Function<Forecast, OpeningSheet> by) {
        OpeningSheet sheet = by.apply(Forecaster.forecast(plan, books));
        List<OpeningSheet.Entry> entries = new ArrayList<>(sheet.entries());
        if (entries.stream().noneMatch(entry -> entry.kind() == OpeningSheet.Kind.PAID_IN)) {
            entries.add(new OpeningSheet.Entry("Share capital", OpeningSheet.Kind.PAID_IN, 25_000_000, null, true));
        }
        return new Plan(
                plan.settings().withOpeningSheet(new OpeningSheet(sheet.on(), entries)), plan.lines(), plan.buoys());
    }

    /** Five years after the months: as the last twelve were, but for a second line of beds and what it brings. */
    private static Plan withYears(Plan plan, Books books) {
        int first = plan.settings().horizonEnd().getYear();
        YearsPlan years = DriverEdit.proposed(Years.of(Forecaster.forecast(plan, books), YearsPlan.asBefore(YEARS)));
        years = DriverEdit.value(years, "sales", DriverPart.GROWTH, first, BigDecimal.valueOf(12));
        years = DriverEdit.value(years, "sales", DriverPart.GROWTH, first + 2, BigDecimal.valueOf(6));
        years = DriverEdit.value(years, "overheads", DriverPart.GROWTH, first, BigDecimal.valueOf(3));
        years = DriverEdit.value(years, "spending", DriverPart.AMOUNT, first, BigDecimal.valueOf(pounds(1_800_000)));
        years = DriverEdit.value(years, "spending", DriverPart.AMOUNT, first + 1, BigDecimal.valueOf(pounds(250_000)));
        years = DriverEdit.note(years, "sales", "second line of beds");
        return new Plan(plan.settings().withYears(years), plan.lines(), plan.buoys());
    }

    /** The ledger's own list, read as any other would be. */
    private static List<OpenItem> items(Plan plan, Line line, LocalDate day) {
        byte[] list = DemoWorld.get().list(line.id(), day, day).getBytes(StandardCharsets.UTF_8);
        Sheet sheet = SheetReader.read(list).get(0);
        return ItemList.read(
                        sheet,
                        0,
                        ItemColumns.proposed(sheet.rows().get(0)),
                        new ItemList.Reading(line, plan.settings().currency()))
                .items();
    }

    /** The id by which a list's reader knows an entry. */
    static String itemId(LedgerEntry entry) {
        return ItemList.id(OpenItem.Kind.INVOICE, entry.number(), entry.party());
    }

    /** Returns the accounts with their balances on the as-of date. */
    static List<Account> accounts() {
        return accounts(DemoPlan.AS_OF);
    }

    private static List<Account> accounts(LocalDate day) {
        return List.of(
                account(DemoBank.CURRENT, "Current account", day),
                account(DemoBank.SHOP, "Shop takings", day),
                account(DemoBank.RESERVE, "Reserve", day));
    }

    private static Account account(String id, String name, LocalDate day) {
        return new Account(id, name, "GB", false, day, balance(id, day));
    }

    /** Returns an account's balance at the end of a day, in minor units. */
    static long balance(String account, LocalDate day) {
        return requireNonNull(OPENING.get(account))
                + DemoWorld.get().movements(account, DemoBank.FIRST_DAY, day).stream()
                        .mapToLong(BankMovement::minor)
                        .sum();
    }

    private static List<AssignRule> rules() {
        return List.of(
                rule("rule-card", "card takings", 1, "shop"),
                rule("rule-payroll", "bacs payroll", -1, "pay"),
                rule("rule-transfer-in", "transfer from", 1, null),
                rule("rule-transfer-out", "transfer to", -1, null),
                rule("rule-cover", "marine cover", -1, "insurance"));
    }

    private static AssignRule rule(String id, String text, int direction, @Nullable String line) {
        return new AssignRule(id, text, "", null, direction, null, null, line);
    }
}
