package ebbtide.sim;

import ebbtide.books.Account;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.plan.Plan;
import java.time.LocalDate;
import java.util.List;

/** Skerrywick Shellfish Ltd on Sunday 1 March 2026: its plan, its accounts, and 26 weeks of assigned movements. */
public final class DemoCompany {
  private static final long OPENING_CURRENT = 43_600_000;
  private static final long OPENING_SHOP = 690_000;
  private static final long OPENING_RESERVE = 9_000_000;

  private DemoCompany() {}

  /** Returns the company as its plan file would hold it. */
  public static PlanDocument document() {
    Plan plan = DemoPlan.plan();
    List<BankMovement> known = DemoBank.movements(plan).stream()
        .filter(m -> !m.bookingDate().isAfter(DemoPlan.AS_OF)).toList();
    List<Account> accounts = List.of(
        account(DemoBank.CURRENT, "Current account", OPENING_CURRENT, known),
        account(DemoBank.SHOP, "Shop takings", OPENING_SHOP, known),
        account(DemoBank.RESERVE, "Reserve", OPENING_RESERVE, known));
    return new PlanDocument(plan, accounts, rules(), known);
  }

  /** Returns what the banks book in a week after the as-of date, 1 to 4, for one account. */
  static List<BankMovement> week(int week, String account) {
    LocalDate monday = DemoPlan.AS_OF.plusDays(1).plusWeeks(week - 1L);
    return DemoBank.movements(DemoPlan.plan()).stream().filter(m -> m.account().equals(account))
        .filter(m -> !m.bookingDate().isBefore(monday) && m.bookingDate().isBefore(monday.plusWeeks(1))).toList();
  }

  private static Account account(String id, String name, long opening, List<BankMovement> known) {
    long balance = opening + known.stream().filter(m -> m.account().equals(id)).mapToLong(BankMovement::minor).sum();
    return new Account(id, name, "GB", false, DemoPlan.AS_OF, balance);
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
