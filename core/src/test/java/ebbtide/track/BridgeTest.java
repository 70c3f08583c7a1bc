package ebbtide.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.Asked;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.books.Payment;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.money.Money;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.time.Convention;
import ebbtide.track.Bridge.Cause;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What moved closing cash from one forecast to the next, by line and by cause (rules 10.6). */
class BridgeTest {
    private static final LocalDate THEN = LocalDate.of(2026, 3, 1);
    private static final LocalDate NOW = THEN.plusDays(7);
    private static final LocalDate END = LocalDate.of(2026, 3, 31);

    private static Line line(String id, long amount) {
        return new Line(
                id,
                null,
                "Line " + id,
                Direction.RECEIPT,
                true,
                null,
                "",
                DatedItems.untaxed(
                        amount == 0
                                ? List.of()
                                : List.of(new DatedItem(LocalDate.of(2026, 3, 20), amount, Certainty.CERTAIN, "")),
                        Convention.NONE),
                List.of());
    }

    private static OpenItem invoice(String id, LocalDate due, long open, Handling.Standing standing) {
        return new OpenItem(
                id,
                OpenItem.Kind.INVOICE,
                id,
                "Party",
                "items",
                THEN,
                THEN,
                due,
                new OpenItem.Amount(10_000, 0, false, open),
                open == 0 ? NOW : null,
                new Handling(due, null, standing, ""),
                null);
    }

    private static final List<Account> ACCOUNTS = List.of(new Account("a", "A", "GB", false, THEN, 100_000));

    private static Books books(List<OpenItem> items, BankMovement... movements) {
        return Books.of(ACCOUNTS, List.of(movements))
                .with(OpenItems.of(items).settled(BankMovement.settled(List.of(movements))));
    }

    private static Snapshot snapshot(LocalDate asOf, Books books, Line... lines) {
        return Snapshot.of(Forecaster.forecast(plan(asOf, lines), books), line -> line.assumption()
                .toString());
    }

    private static Plan plan(LocalDate asOf, Line... lines) {
        return new Plan(Settings.of("P", Money.currency("GBP"), asOf), List.of(lines), List.of());
    }

    @Test
    void bridge_namesTheCauseOfEachChange() {
        Handling.Standing normal = Handling.Standing.NORMAL;
        Snapshot old = snapshot(
                THEN,
                books(List.of(
                        invoice("short", THEN.plusDays(3), 10_000, normal),
                        invoice("later", THEN.plusDays(9), 10_000, normal),
                        invoice("held", THEN.plusDays(9), 10_000, normal))),
                line("items", 0),
                line("changed", 5_000),
                line("facts", 0),
                line("gone", 700));
        BankMovement paid = new BankMovement(
                "a", NOW, NOW, 9_400, "", "", "", List.of(new AssignedPart("items", 9_400, "short", 600)));
        BankMovement other =
                new BankMovement("a", NOW, NOW, 1_300, "", "", "", List.of(new AssignedPart("facts", 1_300)));
        BankMovement unknown = new BankMovement("a", NOW, NOW, 250, "", "", "", List.of());
        Books now = books(
                List.of(
                        invoice("short", THEN.plusDays(3), 0, normal),
                        invoice("later", END.plusDays(5), 10_000, normal),
                        invoice("held", THEN.plusDays(9), 10_000, Handling.Standing.HELD),
                        invoice("fresh", THEN.plusDays(20), 10_000, normal)),
                paid,
                other,
                unknown);
        Line[] lines = {line("items", 0), line("changed", 8_000), line("facts", 0), line("added", 400)};
        Bridge bridge = Bridge.of(
                old,
                snapshot(NOW, now, lines),
                new Outturn(plan(NOW, lines), now, Payment.of(ACCOUNTS, List.of(paid, other, unknown)), List.of()),
                END);
        assertThat(bridge.rows())
                .filteredOn(row -> row.id().equals("items"))
                .singleElement()
                .extracting(Bridge.Row::causes)
                .isEqualTo(Map.of(
                        Cause.FACTS, -600L, Cause.DATES, -10_000L, Cause.LEFT_OUT, -10_000L, Cause.ADDED, 10_000L));
        assertThat(bridge.causes())
                .isEqualTo(Map.of(
                        Cause.FACTS,
                        -600L + 1_300 + 250,
                        Cause.DATES,
                        -10_000L,
                        Cause.LEFT_OUT,
                        -10_000L - 700,
                        Cause.ADDED,
                        10_000L + 400,
                        Cause.ASSUMPTION,
                        3_000L));
        assertThat(bridge.before()).isEqualTo(100_000 + 30_000 + 5_000 + 700);
        assertThat(bridge.after() - bridge.before())
                .isEqualTo(bridge.rows().stream().mapToLong(Bridge.Row::moved).sum());
    }

    @Test
    void bridge_ofDaysThatOneForecastDoesNotCover_isRefusedInASentence() {
        Snapshot one = snapshot(THEN, books(List.of()), line("items", 0));
        Snapshot other = snapshot(NOW, books(List.of()), line("items", 0));
        Outturn facts = new Outturn(plan(NOW), books(List.of()), List.of(), List.of());
        assertThatThrownBy(() -> Bridge.of(other, one, facts, END))
                .hasMessageContaining("choose them the other way round");
        assertThatThrownBy(() -> Bridge.of(one, other, facts, NOW))
                .hasMessageContaining("closing cash is compared on a day from 2026-03-09 to");
    }

    /**
     * From any plan as of a day to the same some days on, with a line taken out and another changed: it adds up on
     * every day.
     */
    @Test
    void bridge_betweenAnyTwoForecasts_addsUp() {
        RandomPlans.each(Asked.of(300), (some, seed) -> {
            LocalDate asOf = some.plan().settings().asOf();
            Snapshot old = Snapshot.of(Forecaster.forecast(some.plan(), some.books()), line -> line.assumption()
                    .toString());
            List<Line> lines = new ArrayList<>(some.plan().lines());
            lines.replaceAll(line -> line.isGroup() || seed % 3 > 0 ? line : line.off());
            Plan plan = new Plan(some.plan().settings().withAsOf(asOf.plusDays(seed % 9)), lines, List.of());
            Snapshot now = Snapshot.of(Forecaster.forecast(plan, some.books()), line -> line.assumption()
                    .toString());
            Outturn facts = new Outturn(plan, some.books(), List.of(), List.of());
            LocalDate end = old.horizonEnd().isBefore(now.horizonEnd()) ? old.horizonEnd() : now.horizonEnd();
            for (LocalDate day = now.asOf().plusDays(1); !day.isAfter(end); day = day.plusDays(17)) {
                Bridge bridge = Bridge.of(old, now, facts, day);
                assertThat(bridge.after() - bridge.before())
                        .isEqualTo(bridge.causes().values().stream()
                                .mapToLong(Long::longValue)
                                .sum());
                assertThat(bridge.after()).isEqualTo(now.closing(day));
                assertThat(bridge.steps().get(0).from()).isEqualTo(bridge.before());
                assertThat(bridge.steps().get(Cause.values().length - 1).to()).isEqualTo(bridge.after());
                assertThat(bridge.rows())
                        .as("books that stayed leave nothing that no line explains")
                        .noneMatch(row -> row.id().isEmpty());
            }
        });
    }
}
