package ebbtide.formats.plan;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.flat;
import static ebbtide.formats.document.Field.following;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FILLED;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.TEXT;
import static ebbtide.formats.document.Values.filled;
import static ebbtide.formats.document.Values.oneOf;

import ebbtide.books.Account;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.EarlyDiscount;
import ebbtide.formats.document.Form;
import ebbtide.formats.document.JsonPlace;
import ebbtide.formats.document.Parts;
import ebbtide.formats.document.RecordForm;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Handling.Standing;
import java.time.LocalDate;

/** Accounts, remembered rules, movements and open items as a plan file has them. */
final class BooksForms {
    static final Form<Account> ACCOUNT = RecordForm.of(
                    Account.class,
                    always("id", FILLED),
                    always("name", filled(120)),
                    usually("country", TEXT, "--").says("Two letters, or -- for weekends only."),
                    usually("restricted", FLAG, false),
                    always("balanceDate", DATE),
                    always("balance", AMOUNT).says("Closing booked balance of that day; below zero when overdrawn."))
            .named("account");

    private static final Form<Integer> SIGN =
            oneOf(Direction.class).as(Direction::sign, sign -> sign > 0 ? Direction.RECEIPT : Direction.PAYMENT);
    static final Form<AssignRule> RULE = RecordForm.of(
                    AssignRule.class,
                    always("id", FILLED),
                    usually("text", TEXT, ""),
                    usually("counterparty", TEXT, ""),
                    always("direction", SIGN),
                    ifAny("account", TEXT),
                    ifAny("least", AMOUNT).of("leastMinor"),
                    ifAny("most", AMOUNT).of("mostMinor"),
                    ifAny("line", TEXT).of("lineId"))
            .named("rule");

    private static final Form<AssignedPart> PART = RecordForm.of(
                    AssignedPart.class,
                    ifAny("line", TEXT).of("lineId"),
                    ifAny("item", TEXT).of("itemId").says("The open item that the part settles."),
                    unless(0L, "less", AMOUNT).says("What closes the item beyond the cash: a discount, a charge."),
                    always("amount", AMOUNT).of("minor"))
            .named("part");
    static final Form<BankMovement> MOVEMENT = RecordForm.of(
                    BankMovement.class,
                    always("account", FILLED),
                    always("bookingDate", DATE),
                    following("valueDate", DATE, (place, parts) -> parts.get("bookingDate", LocalDate.class))
                            .says("Left out: the booking date."),
                    always("amount", AMOUNT).of("minor").says("Signed: above zero in, below zero out."),
                    usually("text", TEXT, ""),
                    usually("counterparty", TEXT, ""),
                    usually("reference", TEXT, ""),
                    always("parts", PART.list())
                            .says("What it was assigned to; a part without a line is a transfer between own accounts."))
            .named("movement");

    private static final RecordForm<OpenItem.Amount> AMOUNTS = RecordForm.of(
            OpenItem.Amount.class,
            always("amount", AMOUNT).of("gross").says("With sales tax in it."),
            usually("tax", AMOUNT, 0L),
            following("open", AMOUNT, BooksForms::open).says("What is not paid yet; of an order, not invoiced yet."),
            unless(false, "taxParted", FLAG).says("The tax was parted by the line's rate."),
            ifAny("listed", AMOUNT));
    private static final RecordForm<Handling> HANDLING = RecordForm.of(
            Handling.class,
            ifAny("expected", DATE).says("The day a person expects it."),
            ifAny("promised", DATE),
            unless(Standing.NORMAL, "standing", oneOf(Standing.class)),
            unless("", "note", TEXT));
    private static final Form<EarlyDiscount> DISCOUNT =
            RecordForm.of(EarlyDiscount.class, always("until", DATE), always("share", PERCENT));
    static final Form<OpenItem> ITEM = RecordForm.of(
                    OpenItem.class,
                    always("id", FILLED),
                    always("kind", oneOf(OpenItem.Kind.class)),
                    always("number", FILLED),
                    always("counterparty", FILLED),
                    always("line", FILLED).of("lineId"),
                    always("issued", DATE),
                    following("supplied", DATE, (place, parts) -> parts.get("issued", LocalDate.class))
                            .says("Left out: the day it was issued."),
                    always("due", DATE),
                    flat("amount", AMOUNTS),
                    ifAny("paid", DATE).of("paidOn"),
                    flat("handling", HANDLING),
                    ifAny("discount", DISCOUNT))
            .named("item");

    private BooksForms() {}

    /** An item that does not say what is open of it is open whole, or not at all where it is paid. */
    private static Long open(JsonPlace item, Parts parts) {
        return item.at("paid").isAbsent() ? parts.get("gross", Long.class) : Long.valueOf(0);
    }
}
