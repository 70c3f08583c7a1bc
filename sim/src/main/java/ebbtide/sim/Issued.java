package ebbtide.sim;

import ebbtide.books.Account;
import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.time.BusinessDays;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Currency;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * The files that the demo's banks and ledger issue: for each account a statement of some days, the current account's as
 * camt.053, the shop's as MT940, the reserve's as OFX; for each line on books a list as of a day.
 */
final class Issued {
    private static final Currency POUND = Money.currency("GBP");
    private static final BusinessDays UK = BusinessDays.ofCountry("GB");

    private Issued() {}

    /**
     * Returns the statements of the days after one up to another, by name; refuses days of which nothing is simulated.
     */
    static Map<String, String> between(LocalDate after, LocalDate upTo) {
        Check.that(
                !after.isBefore(DemoPlan.AS_OF) && after.isBefore(upTo) && !upTo.isAfter(DemoBank.LAST_DAY),
                "The demo's banks issue statements of days from " + DemoPlan.AS_OF.plusDays(1) + " to "
                        + DemoBank.LAST_DAY);
        Map<String, String> texts = new TreeMap<>();
        for (Account account : DemoCompany.accounts()) {
            IssuedStatement statement = new IssuedStatement(
                    "0000-" + account.id(),
                    (int) ChronoUnit.DAYS.between(DemoPlan.AS_OF, upTo),
                    POUND,
                    after.plusDays(1),
                    upTo,
                    DemoCompany.balance(account.id(), after),
                    DemoWorld.get().movements(account.id(), after.plusDays(1), upTo));
            String name = "bank/" + account.name().toLowerCase(Locale.ROOT).replace(' ', '-') + "-" + upTo;
            switch (account.id()) {
                case DemoBank.CURRENT -> texts.put(name + ".xml", statement.camt());
                case DemoBank.SHOP -> texts.put(name + ".sta", statement.mt940());
                default -> texts.put(name + ".ofx", statement.ofx());
            }
        }
        return texts;
    }

    /**
     * Returns a line's list as of a day. Payments of the last business day are not in it yet: the ledger enters them on
     * the next.
     */
    static String list(String lineId, LocalDate day) {
        return DemoWorld.get()
                .list(lineId, day, UK.previousOrSame(UK.previousOrSame(day).minusDays(1)));
    }
}
