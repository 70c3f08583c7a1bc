package ebbtide.sim;

import ebbtide.books.Account;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.budget.Sheet;
import ebbtide.formats.budget.SheetReader;
import ebbtide.formats.items.ItemColumns;
import ebbtide.formats.items.ItemList;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.Plan;
import ebbtide.statements.OpeningCheck;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/** Skerrywick Shellfish Ltd on Sunday 1 March 2026: its plan, its accounts, its ledger's items and 26 weeks of assigned movements. */
public final class DemoCompany {
  /** What was on each account before its first movement. */
  private static final Map<String, Long> OPENING = Map.of(DemoBank.CURRENT, 31_300_000L, DemoBank.SHOP, 2_490_000L, DemoBank.RESERVE, 9_000_000L);

  private DemoCompany() {}

  /** Returns the company as its plan file would hold it. */
  public static PlanDocument document() {
    DemoWorld world = DemoWorld.get();
    Plan plan = DemoPlan.plan();
    List<OpenItem> items = new ArrayList<>();
    DemoLedger.LINES.forEach(line -> items.addAll(items(plan.findLine(line).orElseThrow(), world)));
    Set<String> known = new HashSet<>(items.stream().map(OpenItem::id).toList());
    List<BankMovement> movements = world.movements().stream().filter(m -> !m.bookingDate().isAfter(DemoPlan.AS_OF))
        .map(m -> m.withParts(m.parts().stream().map(part -> known.contains(part.itemId()) ? part : new AssignedPart(part.lineId(), part.minor())).toList()))
        .toList();
    PlanDocument without = new PlanDocument(plan, accounts(), rules(), movements, items);
    return new PlanDocument(opened(opened(plan, without.books(), OpeningCheck::proposed), without.books(), OpeningCheck::placed), accounts(), rules(), movements, items);
  }

  /** The opening balance sheet is what the plan's flows clear, the owners' capital, and retained profit for the rest. */
  private static Plan opened(Plan plan, Books books, Function<Forecast, OpeningSheet> by) {
    OpeningSheet sheet = by.apply(Forecaster.forecast(plan, books));
    List<OpeningSheet.Entry> entries = new ArrayList<>(sheet.entries());
    if (entries.stream().noneMatch(entry -> entry.kind() == OpeningSheet.Kind.PAID_IN)) {
      entries.add(new OpeningSheet.Entry("Share capital", OpeningSheet.Kind.PAID_IN, 25_000_000, null, true));
    }
    return new Plan(plan.settings().startingFrom(new OpeningSheet(sheet.on(), entries)), plan.lines(), plan.buoys());
  }

  /** The ledger's own list, read as any other would be. */
  private static List<OpenItem> items(Line line, DemoWorld world) {
    byte[] list = world.list(line.id(), DemoPlan.AS_OF, DemoPlan.AS_OF).getBytes(StandardCharsets.UTF_8);
    Sheet sheet = SheetReader.read(list).get(0);
    return ItemList.read(sheet, 0, ItemColumns.proposed(sheet.rows().get(0)), new ItemList.Reading(line,
        DemoPlan.plan().settings().currency())).items();
  }

  /** The id by which a list's reader knows an entry. */
  static String itemId(LedgerEntry entry) {
    return ItemList.id(OpenItem.Kind.INVOICE, entry.number(), entry.party());
  }

  /** Returns the accounts with their balances on the as-of date. */
  static List<Account> accounts() {
    return List.of(account(DemoBank.CURRENT, "Current account"), account(DemoBank.SHOP, "Shop takings"), account(DemoBank.RESERVE, "Reserve"));
  }

  private static Account account(String id, String name) {
    return new Account(id, name, "GB", false, DemoPlan.AS_OF, balance(id, DemoPlan.AS_OF));
  }

  /** Returns an account's balance at the end of a day, in minor units. */
  static long balance(String account, LocalDate day) {
    return OPENING.get(account) + DemoWorld.get().movements(account, DemoBank.FIRST_DAY, day).stream().mapToLong(BankMovement::minor).sum();
  }

  private static List<AssignRule> rules() {
    return List.of(rule("rule-card", "card takings", 1, "shop"), rule("rule-payroll", "bacs payroll", -1, "pay"),
        rule("rule-transfer-in", "transfer from", 1, null), rule("rule-transfer-out", "transfer to", -1, null),
        rule("rule-cover", "marine cover", -1, "insurance"));
  }

  private static AssignRule rule(String id, String text, int direction, String line) {
    return new AssignRule(id, text, "", null, direction, null, null, line);
  }
}
