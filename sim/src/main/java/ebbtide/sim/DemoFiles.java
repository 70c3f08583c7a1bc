package ebbtide.sim;

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
 * The statements of the four weeks after the demo's as-of date, as two banks write them in CSV: one with signed amounts
 * and a running balance, one with semicolons, decimal commas and a column each for money out and in. The folder
 * {@code standard} holds the same in the standard formats, as {@link Issued} writes them; the folder {@code ledger} the
 * lists of invoices and bills.
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
        for (LocalDate sunday = DemoPlan.AS_OF.plusWeeks(1);
                !sunday.isAfter(DemoPlan.AS_OF.plusWeeks(4));
                sunday = sunday.plusWeeks(1)) {
            LocalDate before = sunday.minusWeeks(1);
            texts.put("current-account-" + sunday + ".csv", current(before, sunday));
            texts.put("shop-takings-" + sunday + ".csv", shop(before, sunday));
            Issued.between(before, sunday).forEach((name, text) -> texts.put(name.replace("bank/", "standard/"), text));
        }
        DemoLedger.LINES.forEach(
                line -> texts.put("ledger/" + line + "-" + DemoPlan.AS_OF + ".csv", Issued.list(line, DemoPlan.AS_OF)));
        texts.put(
                "ledger/trial-balance-2026-02.csv",
                DemoTrialBalances.csv(DemoCompany.document().actual()));
        return texts;
    }

    private static String current(LocalDate after, LocalDate upTo) {
        long balance = DemoCompany.balance(DemoBank.CURRENT, after);
        StringBuilder text = new StringBuilder("Date,Description,Counterparty,Amount,Balance\n");
        for (BankMovement m : DemoWorld.get().movements(DemoBank.CURRENT, after.plusDays(1), upTo)) {
            balance += m.minor();
            text.append(String.join(
                            ",",
                            SLASHES.format(m.bookingDate()),
                            m.text(),
                            quoted(m.counterparty()),
                            Money.plain(m.minor(), POUND),
                            Money.plain(balance, POUND)))
                    .append('\n');
        }
        return text.toString();
    }

    private static String shop(LocalDate after, LocalDate upTo) {
        StringBuilder text = new StringBuilder("Shop takings;week to " + upTo + "\nBooked;Details;Paid out;Paid in\n");
        for (BankMovement m : DemoWorld.get().movements(DemoBank.SHOP, after.plusDays(1), upTo)) {
            String size = Money.plain(Math.abs(m.minor()), POUND).replace('.', ',');
            text.append(String.join(
                            ";",
                            m.bookingDate().toString(),
                            m.text(),
                            m.minor() < 0 ? size : "",
                            m.minor() < 0 ? "" : size))
                    .append('\n');
        }
        return text.toString();
    }

    private static String quoted(String field) {
        return field.contains(",") ? "\"" + field.toUpperCase(Locale.ROOT) + "\"" : field.toUpperCase(Locale.ROOT);
    }
}
