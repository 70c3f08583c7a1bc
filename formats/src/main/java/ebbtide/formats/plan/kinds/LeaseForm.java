package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.PERCENT;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.money.Percent;
import ebbtide.plan.Lease;
import ebbtide.plan.Lease.Taxed;
import ebbtide.time.Convention;

/** A lease as a plan file has it: two of what is financed, the payment and the rate. */
final class LeaseForm {
    private static final Form<Taxed> TAX = RecordForm.of(
            Taxed.class,
            always("rate", PERCENT),
            usually("recoverable", PERCENT, Percent.HUNDRED),
            usually("atStart", FLAG, false).says("Paid whole on the first day."));
    static final RecordForm<Lease> FORM = RecordForm.of(
            Lease.class,
            usually("treatment", Values.oneOf(Lease.Treatment.class), Lease.Treatment.RIGHT_OF_USE)
                    .says("An asset that is used up and a debt, or plain rent."),
            always("on", DATE).says("The first day."),
            unless(0L, "financed", AMOUNT),
            unless(0L, "payment", AMOUNT),
            ifAny("rate", PERCENT)
                    .says("A year. Of what is financed, the payment and the rate two are given: the third follows."),
            always("payments", Values.whole(1, 600)),
            usually("everyMonths", Values.whole(1, 12), 1),
            usually("inAdvance", FLAG, false),
            CommonForms.amountOrNil("deposit"),
            CommonForms.amountOrNil("finalPayment"),
            usually("lifeMonths", Values.whole(0, 1_200), 0).says("0: used up over the term."),
            unless(Taxed.NONE, "tax", TAX).of("taxed").says("Sales tax on top."),
            usually("inCovenants", FLAG, true),
            CommonForms.convention(Convention.FOLLOWING),
            ifAny("paidUpTo", DATE).says("All up to this day was paid, whatever is booked."));

    private LeaseForm() {}
}
