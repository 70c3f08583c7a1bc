package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.answers.ItemTable;
import ebbtide.app.api.ItemChoice.Order;
import ebbtide.app.api.ItemChoice.Show;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.plan.Certainty;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Handling.Standing;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which open items are listed, and in what order. */
class ItemChoiceTest {
    private static final LocalDate D = LocalDate.of(2026, 3, 20);

    private static OpenItem item(
            String number, String party, LocalDate due, long open, LocalDate paid, Handling handling) {
        return new OpenItem(
                number,
                OpenItem.Kind.INVOICE,
                number,
                party,
                "l",
                due.minusDays(30),
                null,
                due,
                new OpenItem.Amount(1_000, 0, false, open),
                paid,
                handling,
                null);
    }

    private static ItemTable table() {
        List<OpenItem> items = List.of(
                item("A", "Otter", D.plusDays(9), 1_000, null, Handling.NONE),
                item("B", "Limpet", D.minusDays(3), 300, null, Handling.NONE),
                item("C", "limpet", D.plusDays(2), 700, null, new Handling(D.plusDays(5), null, Standing.NORMAL, "")),
                item("D", "Tern", D.plusDays(2), 500, null, new Handling(null, D.minusDays(1), Standing.NORMAL, "")),
                item("E", "Tern", D.plusDays(1), 900, null, new Handling(null, null, Standing.DISPUTED, "")),
                item("F", "Gull", D.plusDays(4), 800, null, new Handling(null, null, Standing.CANNOT_WAIT, "")),
                item("G", "Gull", D.minusDays(9), 0, D.minusDays(1), Handling.NONE));
        BankMovement settling = new BankMovement(
                "a", D.minusDays(2), null, 100, "", "", "", List.of(new AssignedPart("l", 100, "B", 0)));
        Line line = new Line(
                "l",
                null,
                "Sales",
                Direction.RECEIPT,
                true,
                null,
                "",
                Recurring.plain(
                        new Recurrence(Recurrence.Span.MONTH, 1, D, null),
                        Steps.from(D, 1L),
                        Convention.FOLLOWING,
                        Certainty.CERTAIN),
                List.of());
        Books books = Books.of(List.of(new Account("a", "A", "--", false, D, 0)), List.of(settling))
                .with(OpenItems.of(items).settled(BankMovement.settled(List.of(settling))));
        return ItemTable.of(
                Forecaster.forecast(
                        new Plan(Settings.of("P", Money.currency("GBP"), D), List.of(line), List.of()), books),
                Direction.RECEIPT);
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "ALL, EXPECTED, false, '', GBCDFAE",
                "ALL, COUNTERPARTY, false, '', GFBCADE",
                "ALL, OPEN, true, '', AEFCDBG",
                "ALL, NUMBER, true, '', GFEDCBA",
                "ALL, DUE, false, '', GBECDFA",
                "LATE, EXPECTED, false, '', B",
                "SAID, EXPECTED, false, '', CF",
                "BROKEN, EXPECTED, false, '', D",
                "LEFT_OUT, EXPECTED, false, '', E",
                "UNDER_WAY, EXPECTED, false, '', G",
                "ALL, EXPECTED, false, ' LIMP ', BC",
                "SAID, OPEN, false, limpet, C",
                "LATE, EXPECTED, false, sales, B"
            })
    void items_areChosenAndOrdered(Show show, Order order, boolean descending, String words, String numbers) {
        assertThat(new ItemChoice(words, show, order, descending)
                        .of(table().rows(), D).stream()
                                .map(row -> row.item().number())
                                .reduce("", String::concat))
                .isEqualTo(numbers);
    }
}
