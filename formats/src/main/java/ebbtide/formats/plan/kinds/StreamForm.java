package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.flat;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.TEXT;
import static ebbtide.formats.document.Values.WHOLE;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.Kinds;
import ebbtide.formats.document.Kinds.Kind;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.plan.Assumption.MonthOverride;
import ebbtide.plan.Assumption.Stream;
import ebbtide.plan.Basis;
import ebbtide.plan.Ledger;
import ebbtide.time.Spread;
import java.util.List;

/** A stream as a plan file has it. */
final class StreamForm {
    private static final Form<Spread.DayWeight> DAY =
            RecordForm.of(Spread.DayWeight.class, always("day", WHOLE), usually("weight", WHOLE, 1));
    private static final Form<Spread> SPREAD = new Kinds<Spread>(
                    "A spread is",
                    "Spread",
                    List.of(
                            new Kind("even", RecordForm.of(Spread.Even.class)),
                            new Kind("days", RecordForm.of(Spread.OnDays.class, always("days", DAY.list()))),
                            new Kind("weeks", RecordForm.of(Spread.ByWeek.class, always("weights", WHOLE.list())))))
            .named("spread");
    private static final Form<MonthOverride> OVERRIDE =
            RecordForm.of(MonthOverride.class, always("amount", AMOUNT), always("reason", TEXT));
    private static final Form<Ledger> LEDGER =
            RecordForm.of(Ledger.class, always("amount", AMOUNT), usually("trueUp", FLAG, false));
    static final RecordForm<Stream> FORM = RecordForm.of(
            Stream.class,
            always("method", MethodForms.FORM),
            always("aside", MethodForms.FORM.list()),
            always("history", AMOUNT.byMonth()),
            always("overrides", OVERRIDE.byMonth()),
            CommonForms.tax(),
            flat("terms", TermsForm.OF_LINE),
            unless(Basis.PATTERN, "basis", Values.oneOf(Basis.class)).says("Whether open items are kept for the line."),
            ifAny("ledger", LEDGER).says("The ledger's total on the as-of date, with sales tax in it."),
            usually("spread", SPREAD, new Spread.Even()));

    private StreamForm() {}
}
