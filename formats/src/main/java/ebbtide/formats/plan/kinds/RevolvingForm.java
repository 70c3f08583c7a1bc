package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.following;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.PERCENT;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.money.Percent;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.Charging;
import ebbtide.plan.Revolving;
import ebbtide.plan.Revolving.Drawn;

/** A revolving facility, drawn and repaid by the sweep, as a plan file has it. */
final class RevolvingForm {
    private static final Form<Drawn> DRAWN = RecordForm.of(
            Drawn.class, always("on", DATE), CommonForms.amountOrNil("amount"), CommonForms.amountOrNil("accrued"));
    private static final Form<BorrowingBase> AVAILABILITY = RecordForm.of(
            BorrowingBase.class,
            usually("receivables", PERCENT, Percent.ZERO),
            usually("stock", PERCENT, Percent.ZERO),
            usually("daysLate", Values.whole(0, 365), 90),
            CommonForms.amountOrNil("now"));
    static final RecordForm<Revolving> FORM = RecordForm.of(
            Revolving.class,
            always("limit", CommonForms.AMOUNTS),
            usually("committed", FLAG, true),
            ifAny("start", DATE),
            ifAny("end", DATE),
            always("base", CommonForms.RATES),
            always("margin", CommonForms.RATES),
            always("undrawnFee", CommonForms.RATES),
            following("multiple", AMOUNT, (place, parts) -> 1L)
                    .says("Drawn and repaid in multiples of it; left out: one minor unit."),
            usually("noticeDays", Values.whole(0, 60), 0),
            always("guarantees", CommonForms.AMOUNTS),
            usually("charging", CommonForms.CHARGING, Charging.MONTHLY),
            always("drawn", DRAWN).says("What is drawn at the end of a day, and the interest accrued by then."),
            ifAny("availability", AVAILABILITY)
                    .says("What of the limit is available against receivables and stock, set at each month's end; "
                            + "now is what is available on the as-of date."));

    private RevolvingForm() {}
}
