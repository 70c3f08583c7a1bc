package ebbtide.books;

import ebbtide.money.Check;
import ebbtide.time.BusinessDays;
import java.time.LocalDate;

/**
 * A bank account with its closing booked balance, in minor units, on one day; movements carry it to every other day. A
 * restricted account is shown, but its cash pays nothing and stands outside the forecast (rules 1.1).
 */
public record Account(String id, String name, String country, boolean restricted, LocalDate balanceDate, long balance) {
    public Account {
        id = Check.text(id, "id of an account", 80);
        name = Check.text(name, "name of an account", 120);
        BusinessDays.ofCountry(country);
        Check.inRange(balanceDate.getYear(), 1990, 2100, "year of the balance's date");
    }
}
