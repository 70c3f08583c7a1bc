package ebbtide.books;

import static java.util.Objects.requireNonNull;

import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import java.time.LocalDate;
import java.util.Currency;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * An invoice, bill, credit note, order or other commitment of a counterparty on a line of the plan (rules 4); the
 * line's direction says whether it is to be received or paid. It belongs to the month in which it is supplied. A credit
 * note's amounts are positive and count against the others.
 */
public record OpenItem(
        String id,
        Kind kind,
        String number,
        String counterparty,
        String lineId,
        LocalDate issued,
        LocalDate supplied,
        LocalDate due,
        Amount amount,
        @Nullable LocalDate paidOn,
        Handling handling,
        @Nullable EarlyDiscount discount) {

    /** What an item is. */
    public enum Kind {
        /** An invoice that was issued, or a bill that was received. */
        INVOICE,
        CREDIT_NOTE,
        /** A sales or purchase order not invoiced yet: supplied and due are what is expected of it. */
        ORDER,
        /** A sum agreed without an invoice to come, such as a deposit or a settlement. */
        COMMITMENT
    }

    /**
     * What an item comes to in minor units, not negative: gross with its sales tax in it, and what of the gross is
     * still open (of an order: not yet invoiced), and what the ledger's latest list said is (null: it is in no list).
     * Tax that was not given but parted by the line's rate is marked so (rules 4.0).
     */
    public record Amount(
            long gross,
            long tax,
            boolean taxParted,
            long open,
            @Nullable Long listed) {
        /** Makes the amount of an item that is in no list. */
        public Amount(long gross, long tax, boolean taxParted, long open) {
            this(gross, tax, taxParted, open, null);
        }

        public Amount {
            Check.notNegative(gross, "amount of an item");
            Check.that(tax >= 0 && tax <= gross, "the sales tax of an item lies between nil and its amount");
            Check.that(
                    open >= 0 && open <= gross && (listed == null || listed >= 0 && listed <= gross),
                    "what is open of an item lies between nil and its amount");
        }

        public long net() {
            return gross - tax;
        }
    }

    /** The share taken off for paying up to a day (rules 4.5). */
    public record EarlyDiscount(LocalDate until, Percent share) {
        public EarlyDiscount {
            Objects.requireNonNull(until, "last day of the discount");
            Check.inRange(share, Percent.ZERO, new Percent(Percent.WHOLE / 2), "discount for paying early");
        }
    }

    public OpenItem {
        id = Check.text(id, "id of an item", 80);
        Objects.requireNonNull(kind, "kind of the item");
        number = Check.text(number, "number of an item", 80);
        counterparty = Check.text(counterparty, "counterparty of an item", 200);
        lineId = Check.text(lineId, "line of an item", 80);
        Check.inRange(issued.getYear(), 1990, 2100, "year of issue");
        supplied = supplied == null ? issued : supplied;
        Check.inRange(due.getYear(), 1990, 2100, "year in which the item is due");
        Check.that(paidOn == null || amount.open() == 0, "an item that is paid has nothing open");
    }

    /**
     * Returns when an item that has no due day of its own is due by its line's terms (rules 4.1): an order's count from
     * its delivery, a credit note is due at once.
     */
    public static LocalDate dueByTerms(Kind kind, Line line, LocalDate issued, LocalDate supplied) {
        return kind == Kind.CREDIT_NOTE ? issued : line.dueDay(kind == Kind.ORDER ? supplied : issued);
    }

    /** Returns the item with what a person says of it. */
    public OpenItem with(Handling other) {
        return new OpenItem(
                id, kind, number, counterparty, lineId, issued, supplied, due, amount, paidOn, other, discount);
    }

    /** Returns the item as if it offered no discount for paying early. */
    public OpenItem withoutDiscount() {
        return discount == null
                ? this
                : new OpenItem(
                        id, kind, number, counterparty, lineId, issued, supplied, due, amount, paidOn, handling, null);
    }

    /**
     * Returns the item when a movement settles so much less of it: open again, but no more than the ledger has as open.
     */
    public OpenItem opened(long by) {
        long most = amount.listed() == null ? amount.gross() : amount.listed();
        long open = Math.min(most, amount.open() + by);
        return open <= amount.open() ? this : open(open, null);
    }

    /**
     * Returns the item when a movement of a day settles so much of it, in minor units, beside what others have settled.
     * What the ledger entered as paid before the movement came in, and comes to just its sum, is the same payment:
     * nothing more is closed (rules 4.7).
     *
     * @throws Refused where that is more than is open
     */
    public OpenItem closed(long by, long settled, LocalDate day, Currency currency) {
        long entered = entered(settled);
        if (by == entered || amount.open() == 0 && paidOn != null && by < entered) {
            return this;
        }
        long left = amount.open() - by;
        if (left < 0) {
            throw new Refused("Only " + Money.words(amount.open(), currency) + " is open of " + number + " of "
                    + counterparty + ": settle no more than that");
        }
        return open(left, left == 0 ? day : null);
    }

    /**
     * Returns the item as the ledger's list no longer has it: nothing is open of it, and nothing says that it was paid.
     */
    public OpenItem vanished() {
        return with(new Amount(amount.gross(), amount.tax(), amount.taxParted(), 0, 0L), null);
    }

    /** Returns the item with another sum open, and the day it was paid in full (null: it was not). */
    public OpenItem open(long open, @Nullable LocalDate paid) {
        return with(
                new Amount(
                        amount.gross(),
                        amount.tax(),
                        amount.taxParted(),
                        Math.min(open, amount.gross()),
                        amount.listed()),
                paid);
    }

    private OpenItem with(Amount other, @Nullable LocalDate paid) {
        return new OpenItem(
                id, kind, number, counterparty, lineId, issued, supplied, due, other, paid, handling, discount);
    }

    /**
     * Returns what the ledger has entered as paid beyond what movements have settled, in minor units: a movement of
     * that may be the same payment.
     */
    public long entered(long settled) {
        return Math.max(0, amount.gross() - amount.open() - settled);
    }

    /** Returns what is open, signed: a credit note's counts against the others. */
    public long signedOpen() {
        return kind == Kind.CREDIT_NOTE ? -amount.open() : amount.open();
    }

    /** Returns whether it is neither held nor disputed. */
    public boolean isExpected() {
        return handling.standing() == Handling.Standing.NORMAL || handling.standing() == Handling.Standing.CANNOT_WAIT;
    }

    /**
     * Returns how many calendar days after its due date it was paid in full, negative when early; only of a paid
     * invoice.
     */
    public long daysLate() {
        return requireNonNull(paidOn, "the day it was paid").toEpochDay() - due.toEpochDay();
    }

    /** Returns whether it tells how its counterparty pays: an invoice or bill that was paid in full. */
    public boolean showsHabit() {
        return kind == Kind.INVOICE && paidOn != null;
    }
}
