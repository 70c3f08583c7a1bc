package ebbtide.track;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.books.Payment;
import ebbtide.money.Money;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.time.Convention;
import ebbtide.time.DaySeries;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The pieces of one line's split (rules 10.3): an item's in the windows it touches, then the estimate's. */
class LineSplitTest {
    private static final LocalDate THEN = LocalDate.of(2026, 3, 1);
    private static final Period FIRST = new Period(THEN.plusDays(1), THEN.plusDays(8));
    private static final Period SECOND = new Period(THEN.plusDays(8), THEN.plusDays(15));

    private static LineSplit split(OpenItem today, BankMovement... movements) {
        long[] committed = new long[14];
        committed[2] = 1_000;
        long[] estimated = new long[14];
        estimated[9] = 500;
        Snapshot.KeptItem item =
                new Snapshot.KeptItem("x", "l", "X", "Party", false, THEN, THEN.plusDays(3), 1_000, 1_000);
        Snapshot snapshot = new Snapshot(
                THEN,
                THEN.plusDays(60),
                0,
                List.of(new Snapshot.KeptLine("l", "Line", "", Direction.RECEIPT, "")),
                Map.of("l", new KeptFlows(DaySeries.of(committed), DaySeries.of(estimated))),
                List.of(item));
        List<Account> accounts = List.of(new Account("a", "A", "--", false, THEN, 0));
        Line line = new Line(
                "l",
                null,
                "Line",
                Direction.RECEIPT,
                true,
                null,
                "",
                DatedItems.untaxed(List.of(), Convention.NONE),
                List.of());
        Books books = Books.of(accounts, List.of(movements))
                .with(OpenItems.of(List.of(today)).settled(BankMovement.settled(List.of(movements))));
        Outturn facts = new Outturn(
                new Plan(Settings.of("P", Money.currency("GBP"), SECOND.lastDay()), List.of(line), List.of()),
                books,
                Payment.of(accounts, List.of(movements)),
                List.of());
        return new LineSplit(snapshot, facts, "l", List.of(item), List.of(FIRST, SECOND));
    }

    private static OpenItem invoice(long open) {
        return new OpenItem(
                "x",
                OpenItem.Kind.INVOICE,
                "X",
                "Party",
                "l",
                THEN,
                THEN,
                THEN,
                new OpenItem.Amount(1_000, 0, false, open),
                open == 0 ? THEN.plusDays(10) : null,
                Handling.NONE,
                null);
    }

    private static BankMovement paid(int day, long minor, String item) {
        return new BankMovement(
                "a",
                THEN.plusDays(day),
                THEN.plusDays(day),
                minor,
                "",
                "",
                "",
                List.of(new AssignedPart("l", minor, item, 0)));
    }

    /** The item comes a week later, the estimate falls short by 100. */
    @Test
    void itemPaidInALaterWindow_isTimingInBoth_andTheEstimateStandsLast() {
        LineSplit split = split(invoice(0), paid(10, 1_000, "x"), paid(11, 400, null));
        assertThat(split.in(FIRST)).first().satisfies(piece -> {
            assertThat(piece.item().id()).isEqualTo("x");
            assertThat(List.of(piece.forecast(), piece.actual())).containsExactly(1_000L, 0L);
            assertThat(piece.why()).isEqualTo(new Reasons(-1_000, 0, 0, 0, 0));
        });
        assertThat(split.in(SECOND)).last().satisfies(piece -> {
            assertThat(piece.item()).isNull();
            assertThat(List.of(piece.forecast(), piece.actual())).containsExactly(500L, 400L);
        });
        assertThat(split.why(FIRST)).isEqualTo(new Reasons(-1_000, 0, 0, 0, 0));
        assertThat(split.why(SECOND)).isEqualTo(new Reasons(1_000, 0, 0, 0, -100));
    }

    /**
     * Whatever is paid when, the pieces of a window add up to what was forecast and what came, and their reasons to the
     * difference.
     */
    @Test
    void pieces_ofEachWindow_addUpToItsVariance() {
        LineSplit split = split(invoice(300), paid(4, 700, "x"), paid(9, 650, null));
        for (Period window : List.of(FIRST, SECOND)) {
            long forecast = split.in(window).stream()
                    .mapToLong(LineSplit.Piece::forecast)
                    .sum();
            long actual =
                    split.in(window).stream().mapToLong(LineSplit.Piece::actual).sum();
            assertThat(forecast).isEqualTo(window.equals(FIRST) ? 1_000 : 500);
            assertThat(actual).isEqualTo(window.equals(FIRST) ? 700 : 650);
            assertThat(split.why(window).total()).isEqualTo(actual - forecast);
        }
    }
}
