package ebbtide.books;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.money.Refused;
import ebbtide.plan.Handling;
import java.time.LocalDate;
import java.util.Currency;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** When a movement and what the ledger entered are one payment (rules 4.7). */
class OpenItemTest {
    private static final Currency POUND = Currency.getInstance("GBP");
    private static final LocalDate DAY = LocalDate.of(2026, 3, 4);

    private static OpenItem item(long open, @Nullable LocalDate paid) {
        return new OpenItem(
                "i1",
                OpenItem.Kind.INVOICE,
                "2041",
                "Lobster House",
                "restaurants",
                DAY.minusDays(40),
                null,
                DAY.minusDays(10),
                new OpenItem.Amount(100_00, 0, false, open, null),
                paid,
                Handling.NONE,
                null);
    }

    @Test
    void movement_ofAnOpenItem_closesByAsMuch_andNoMoreThanIsOpen() {
        OpenItem part = item(100_00, null).closed(60_00, 0, DAY, POUND);
        assertThat(part.amount().open()).isEqualTo(40_00);
        assertThat(part.paidOn()).isNull();
        OpenItem whole = part.closed(40_00, 60_00, DAY, POUND);
        assertThat(whole.amount().open()).isZero();
        assertThat(whole.paidOn()).isEqualTo(DAY);
        assertThatThrownBy(() -> part.closed(40_01, 60_00, DAY, POUND))
                .isInstanceOf(Refused.class)
                .hasMessageStartingWith("Only 40 is open of 2041 of Lobster House");
    }

    @Test
    void movement_ofWhatTheLedgerEnteredBefore_isThatPayment() {
        OpenItem entered = item(0, DAY.minusDays(1));
        assertThat(entered.closed(100_00, 0, DAY, POUND)).as("all of it").isSameAs(entered);
        assertThat(entered.closed(30_00, 0, DAY, POUND)).as("a part of it").isSameAs(entered);
        OpenItem half = item(40_00, null);
        assertThat(half.closed(60_00, 0, DAY, POUND))
                .as("the part that was entered")
                .isSameAs(half);
        assertThat(half.closed(40_00, 60_00, DAY, POUND).amount().open())
                .as("the other, once a movement has settled the first")
                .isZero();
    }

    @Test
    void vanishedItem_isOpenNoMore_andPaidOnNoDay() {
        OpenItem gone = item(40_00, null).vanished();
        assertThat(gone.amount().open()).isZero();
        assertThat(gone.paidOn()).isNull();
    }
}
