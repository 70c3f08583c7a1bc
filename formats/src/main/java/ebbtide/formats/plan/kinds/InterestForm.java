package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.TEXT;

import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.plan.Charging;
import ebbtide.plan.Interest;
import ebbtide.plan.Interest.Of;

/** Interest of a facility's or a loan's line, of the overdraft, on cash or on a deposit, as a plan file has it. */
final class InterestForm {
    static final RecordForm<Interest> FORM = RecordForm.of(
            Interest.class,
            usually("of", Values.oneOf(Of.class), Of.LINE),
            ifAny("line", TEXT).of("lineId"),
            usually("charging", CommonForms.CHARGING, Charging.MONTHLY));

    private InterestForm() {}
}
