package ebbtide.sim;

import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.money.Money;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Currency;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * The statements of the four weeks after the demo's as-of date, as two banks write them in CSV: one with signed amounts and a
 * running balance, one with semicolons, decimal commas and a column each for money out and in. The folder {@code standard} holds
 * the same in the standard formats: the current account as camt.053, the shop's as MT940, the reserve as OFX; the folder {@code ledger} lists of invoices and bills.
 */
public final class DemoFiles {
  private static final Currency POUND = Money.currency("GBP");
  private static final DateTimeFormatter SLASHES = DateTimeFormatter.ofPattern("dd/MM/yyyy");

  private DemoFiles() {}

  /** Writes the files into the folder named first. */
  public static void main(String[] args) throws IOException {
    Path folder = Files.createDirectories(Path.of(args[0]));
    for (Map.Entry<String, String> file : texts().entrySet()) {
      Path path = folder.resolve(file.getKey());
      Files.createDirectories(path.getParent());
      Files.writeString(path, file.getValue(), StandardCharsets.UTF_8);
    }
  }

  /** Returns the text of each file by its name. */
  public static Map<String, String> texts() {
    Map<String, String> texts = new TreeMap<>();
    Map<String, Account> accounts = new TreeMap<>();
    DemoCompany.document().accounts().forEach(account -> accounts.put(account.id(), account));
    long balance = accounts.get(DemoBank.CURRENT).balance();
    for (int week = 1; week <= 4; week++) {
      LocalDate sunday = DemoPlan.AS_OF.plusWeeks(week);
      StringBuilder current = new StringBuilder("Date,Description,Counterparty,Amount,Balance\n");
      for (BankMovement m : DemoCompany.week(week, DemoBank.CURRENT)) {
        balance += m.minor();
        current.append(String.join(",", SLASHES.format(m.bookingDate()), m.text(), quoted(m.counterparty()),
            Money.plain(m.minor(), POUND), Money.plain(balance, POUND))).append('\n');
      }
      texts.put("current-account-" + sunday + ".csv", current.toString());
      StringBuilder shop = new StringBuilder("Shop takings;week to " + sunday + "\nBooked;Details;Paid out;Paid in\n");
      for (BankMovement m : DemoCompany.week(week, DemoBank.SHOP)) {
        String size = Money.plain(Math.abs(m.minor()), POUND).replace('.', ',');
        shop.append(String.join(";", m.bookingDate().toString(), m.text(), m.minor() < 0 ? size : "",
            m.minor() < 0 ? "" : size)).append('\n');
      }
      texts.put("shop-takings-" + sunday + ".csv", shop.toString());
    }
    accounts.values().forEach(account -> standard(account, texts));
    texts.putAll(DemoLedger.texts());
    return texts;
  }

  private static void standard(Account account, Map<String, String> texts) {
    long opening = account.balance();
    for (int week = 1; week <= 4; week++) {
      LocalDate sunday = DemoPlan.AS_OF.plusWeeks(week);
      IssuedStatement issued = new IssuedStatement("0000-" + account.id(), 9 + week, POUND, sunday.minusDays(6), sunday, opening,
          DemoCompany.week(week, account.id()));
      opening = issued.closing();
      String name = "standard/" + account.name().toLowerCase(Locale.ROOT).replace(' ', '-') + "-" + sunday;
      switch (account.id()) {
        case DemoBank.CURRENT -> texts.put(name + ".xml", issued.camt());
        case DemoBank.SHOP -> texts.put(name + ".sta", issued.mt940());
        default -> texts.put(name + ".ofx", issued.ofx());
      }
    }
  }

  private static String quoted(String field) {
    return field.contains(",") ? "\"" + field.toUpperCase(Locale.ROOT) + "\"" : field.toUpperCase(Locale.ROOT);
  }
}
