package ebbtide.forecast;

import static ebbtide.forecast.OpenItemCases.FRIDAY;
import static ebbtide.forecast.OpenItemCases.MARCH;
import static ebbtide.forecast.OpenItemCases.forecast;
import static ebbtide.forecast.OpenItemCases.item;
import static ebbtide.forecast.OpenItemCases.month;
import static ebbtide.forecast.OpenItemCases.on;
import static ebbtide.forecast.OpenItemCases.said;
import static ebbtide.forecast.OpenItemCases.sales;
import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.answers.ChecklistItem;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.Amount;
import ebbtide.books.OpenItem.Kind;
import ebbtide.books.OpenItems;
import ebbtide.flows.Part;
import ebbtide.items.ExpectedItem;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.Charging;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Handling.Standing;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.workings.RowWorkings;
import ebbtide.workings.Workings;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Plan and facts once each (rules 5), and when open items are paid (rules 4); weekends the only holidays. */
class OpenItemsTest {
    @Test
    void creditNote_thatIsDisputed_lowersNothing() {
        OpenItem invoice = item(Kind.INVOICE, "a", FRIDAY.minusDays(2), FRIDAY.plusDays(5), 6_000, 6_000);
        OpenItem credit = item(Kind.CREDIT_NOTE, "c", FRIDAY.minusDays(2), FRIDAY.plusDays(5), 1_000, 1_000);
        assertThat(on(forecast(FRIDAY, sales(Map.of(), 30), List.of(invoice, credit)), "2026-03-25")
                        .committed())
                .isEqualTo(5_000);
        Forecast disputed =
                forecast(FRIDAY, sales(Map.of(), 30), List.of(invoice, said(credit, null, null, Standing.DISPUTED)));
        assertThat(on(disputed, "2026-03-25").committed()).isEqualTo(6_000);
        assertThat(disputed.items().of(disputed.plan().lines().get(0)))
                .extracting(ExpectedItem::source)
                .contains(ExpectedItem.Source.HELD);
    }

    /**
     * Half of what is open and neither held nor more than sixty days late is available: 40,000 due on 10 March and
     * expected in June, until 9 May.
     */
    @Test
    void facilityAgainstReceivables_countsItemsNeitherHeldNorTooLate() {
        LocalDate due = LocalDate.of(2026, 3, 10);
        List<OpenItem> items = List.of(
                said(
                        item(Kind.INVOICE, "late", due, due, 4_000_000, 4_000_000),
                        LocalDate.of(2026, 6, 15),
                        null,
                        Standing.NORMAL),
                said(item(Kind.INVOICE, "held", due, due, 9_000_000, 9_000_000), null, null, Standing.HELD));
        Revolving facility = new Revolving(
                Steps.from(due, 5_000_000L),
                true,
                null,
                null,
                Steps.none(),
                Steps.none(),
                Steps.none(),
                1,
                0,
                Steps.none(),
                Charging.MONTHLY,
                new Revolving.Drawn(FRIDAY, 0, 0),
                new BorrowingBase(Percent.parse("50"), Percent.ZERO, 60, 700_000));
        Line line = new Line("f", null, "Facility", Direction.PAYMENT, true, null, "", facility, List.of());
        Forecast forecast = Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), FRIDAY), List.of(sales(Map.of(), 0), line), List.of()),
                Books.of(List.of(new Account("a", "A", "--", false, FRIDAY, 0))).with(OpenItems.of(items)));
        assertThat(java.util.stream.Stream.of("2026-03-30", "2026-03-31", "2026-04-30", "2026-05-31")
                        .map(LocalDate::parse)
                        .map(day ->
                                forecast.funding().most(0, forecast.timeline().index(day))))
                .containsExactly(700_000L, 2_000_000L, 2_000_000L, 0L);
    }

    /**
     * Cash that settles nothing beside an item still open would count twice: the checklist says so, until either is
     * told of the other.
     */
    @Test
    void cashThatSettlesNothing_besideAnOpenItem_isAskedAbout() {
        OpenItem open = item(Kind.INVOICE, "1", LocalDate.of(2026, 3, 2), LocalDate.of(2026, 4, 30), 100_000, 100_000);
        DayAmount booked = new DayAmount(FRIDAY.minusDays(3), 100_000);
        Forecast forecast = forecast(FRIDAY, sales(Map.of(MARCH, 12_000_000L), 0), List.of(open), booked);
        assertThat(ChecklistItem.of(forecast))
                .extracting(ChecklistItem::sentence)
                .anyMatch(said -> said.startsWith("1,000 more was booked on "));
        Forecast told = forecast(
                FRIDAY,
                sales(Map.of(MARCH, 12_000_000L), 0),
                List.of(
                        open.open(0, booked.day()),
                        item(Kind.INVOICE, "2", LocalDate.of(2026, 3, 3), LocalDate.of(2026, 4, 30), 50_000, 50_000)),
                booked);
        assertThat(ChecklistItem.of(told))
                .extracting(ChecklistItem::sentence)
                .noneMatch(said -> said.contains("more was booked on"));
    }

    /**
     * The ledger has 1,000 and 500 as paid of late; the bank has settled the first in part, and 200 came that settle
     * nothing.
     */
    @Test
    void paidByTheLedgerAndNotAtTheBank_isUnderWay() {
        OpenItem first = new OpenItem(
                "1",
                Kind.INVOICE,
                "1",
                "Gullrock Hotels",
                "s",
                FRIDAY.minusDays(40),
                null,
                FRIDAY.minusDays(10),
                new Amount(100_000, 0, false, 0),
                FRIDAY.minusDays(2),
                Handling.NONE,
                null);
        OpenItem second = new OpenItem(
                "2",
                Kind.INVOICE,
                "2",
                "Gullrock Hotels",
                "s",
                FRIDAY.minusDays(40),
                null,
                FRIDAY.minusDays(10),
                new Amount(50_000, 0, false, 0),
                FRIDAY.minusDays(1),
                Handling.NONE,
                null);
        OpenItem longAgo = new OpenItem(
                "3",
                Kind.INVOICE,
                "3",
                "Gullrock Hotels",
                "s",
                FRIDAY.minusDays(90),
                null,
                FRIDAY.minusDays(60),
                new Amount(70_000, 0, false, 0),
                FRIDAY.minusDays(10),
                Handling.NONE,
                null);
        BankMovement settling = new BankMovement(
                "a",
                FRIDAY.minusDays(1),
                null,
                60_000,
                "",
                "",
                "",
                List.of(new BankMovement.AssignedPart("s", 60_000, "1", 0)));
        BankMovement other = new BankMovement(
                "a", FRIDAY, null, 20_000, "", "", "", List.of(new BankMovement.AssignedPart("s", 20_000)));
        Line line = sales(Map.of(), 30);
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), FRIDAY), List.of(line), List.of());
        Books books = Books.of(List.of(new Account("a", "A", "--", false, FRIDAY, 0)), List.of(settling, other));
        Forecast forecast = Forecaster.forecast(
                plan,
                books.with(OpenItems.of(List.of(first, second, longAgo))
                        .settled(BankMovement.settled(List.of(settling, other)))));
        assertThat(on(forecast, "2026-03-23").committed())
                .as("500 less the 200 that may be its payment, and 400 of the first")
                .isEqualTo(70_000);
        assertThat(RowWorkings.of(forecast, "s", month(MARCH)).items())
                .filteredOn(one -> one.part() == Part.COMMITTED)
                .extracting(Workings.Item::because)
                .containsExactlyInAnyOrder(
                        "paid on 2026-03-19 by the ledger, not at the bank yet",
                        "paid on 2026-03-18 by the ledger, not at the bank yet");
        Forecast untold = Forecaster.forecast(
                plan, Books.of(books.accounts(), List.of(other)).with(OpenItems.of(List.of(first, second, longAgo))));
        assertThat(on(untold, "2026-03-23").committed())
                .as("a line whose cash is told from no item has nothing under way")
                .isZero();
    }
}
