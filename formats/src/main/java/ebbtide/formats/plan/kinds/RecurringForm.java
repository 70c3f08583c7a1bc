package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.flat;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.WHOLE;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.money.Percent;
import ebbtide.plan.Certainty;
import ebbtide.plan.Expensing;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;

/** A recurring amount as a plan file has it. */
final class RecurringForm {
    private static final Form<Recurrence> WHEN = RecordForm.of(
            Recurrence.class,
            always("unit", Values.oneOf(Recurrence.Span.class)),
            usually("every", WHOLE, 1),
            always("first", DATE),
            ifAny("until", DATE));
    private static final RecordForm<Expensing> EXPENSING = RecordForm.of(
            Expensing.class,
            usually("coversMonths", WHOLE, 1).of("months").says("Whole months that the bill covers."),
            usually("coversOffset", WHOLE, 0).of("offset").says("How many months after its own they begin."),
            usually("nonCash", FLAG, false).says("A cost that is never paid."));
    static final RecordForm<Recurring> FORM = RecordForm.of(
            Recurring.class,
            always("when", WHEN),
            always("amount", CommonForms.AMOUNTS),
            CommonForms.tax(),
            usually("yearlyUplift", PERCENT, Percent.ZERO).says("Added for each whole year since the step began."),
            usually("termsDays", WHOLE, 0).says("Days after its date that it is paid."),
            flat("expensing", EXPENSING),
            CommonForms.conventionOfDirection(),
            usually("certainty", CommonForms.CERTAINTY, Certainty.CERTAIN));

    private RecurringForm() {}
}
