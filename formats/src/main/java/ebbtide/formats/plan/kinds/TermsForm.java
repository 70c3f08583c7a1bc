package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.never;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.TEXT;
import static ebbtide.formats.document.Values.WHOLE;

import ebbtide.formats.document.Field;
import ebbtide.formats.document.Form;
import ebbtide.formats.document.JsonPlace;
import ebbtide.formats.document.Parts;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.money.Percent;
import ebbtide.plan.DayTerms;
import ebbtide.plan.DaysTarget;
import ebbtide.plan.EarlyPayment;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Terms;

/** The terms of a line, or of several, as a plan file has them. */
public final class TermsForm {
    private static final Form<MonthPattern.Step> STEP = RecordForm.of(
            MonthPattern.Step.class,
            always("share", PERCENT),
            usually("lag", WHOLE, 0).of("lagMonths"),
            usually("discount", PERCENT, Percent.ZERO));
    private static final Form<MonthPattern> PATTERN = RecordForm.of(
                    MonthPattern.class,
                    always("steps", STEP.list()),
                    usually("never", PERCENT, Percent.ZERO),
                    ifAny("writeOffLag", WHOLE))
            .named("pattern");
    private static final Form<EarlyPayment> EARLY = RecordForm.of(
            EarlyPayment.class, always("discount", PERCENT), always("days", WHOLE), usually("taken", FLAG, false));
    private static final Form<DayTerms> DAYS = RecordForm.of(
                    DayTerms.class,
                    always("due", Values.oneOf(DayTerms.Due.class)),
                    always("days", WHOLE),
                    usually("late", WHOLE, 0).of("lateDays"),
                    CommonForms.conventionOfDirection(),
                    ifAny("early", EARLY).says("A discount for paying some days after issue, and whether it is taken."))
            .named("dayTerms");
    private static final Form<DaysTarget> TARGET =
            WHOLE.steps().as(DaysTarget::new, DaysTarget::days).named("daysTarget");

    /** Terms of a line's own, or by the id of the plan's. */
    static final RecordForm<Terms> OF_LINE =
            form(ifAny("sharedTerms", TEXT).of("shared").says("The id of the plan's terms that are in force here."));
    /** Terms of the plan, which lines share. */
    public static final RecordForm<Terms> OF_PLAN = form(never("shared", null));

    private TermsForm() {}

    private static RecordForm<Terms> form(Field<String> shared) {
        return RecordForm.of(
                        Terms.class,
                        usually("pattern", PATTERN, MonthPattern.atOnce()),
                        ifAny("days", DAYS),
                        ifAny("target", TARGET).says("So many days of what was billed stand at each month's end."),
                        usually("termsBy", Values.oneOf(Terms.By.class), Terms.By.MONTHS)
                                .of("by"),
                        shared)
                .demanding(TermsForm::demandWhatIsInForce);
    }

    private static void demandWhatIsInForce(JsonPlace place, Parts parts) {
        Terms.By by = parts.get("by", Terms.By.class);
        if (by == Terms.By.DAYS && parts.find("days", DayTerms.class) == null) {
            place.at("days").problem("Missing: the days until it is paid");
        }
        if (by == Terms.By.TARGET && parts.find("target", DaysTarget.class) == null) {
            place.at("target").problem("Missing: the days that it stands at");
        }
    }
}
