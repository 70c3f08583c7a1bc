package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FLAG;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.plan.DayCount;
import ebbtide.plan.TermDeposit;
import ebbtide.plan.TermDeposit.Broken;
import ebbtide.plan.TermDeposit.Notice;
import ebbtide.plan.TermDeposit.Rollover;
import ebbtide.plan.TermDeposit.Running;

/** A term deposit as a plan file has it: either its last day, or the days of notice after which it comes back. */
final class DepositForm {
    private static final Form<Running> RUNNING =
            RecordForm.of(Running.class, always("at", DATE), CommonForms.amountOrNil("accrued"));
    private static final Form<Notice> NOTICE =
            RecordForm.of(Notice.class, always("days", Values.whole(0, 366)), ifAny("given", DATE));
    private static final Form<Rollover> ROLLOVER = RecordForm.of(
            Rollover.class, usually("times", Values.whole(1, 200), 1), usually("withInterest", FLAG, false));
    private static final Form<Broken> BROKEN = RecordForm.of(
            Broken.class,
            always("on", DATE),
            unless(0L, "forfeit", AMOUNT),
            unless(0, "forfeitDays", Values.whole(0, 3_660)));
    static final RecordForm<TermDeposit> FORM = RecordForm.of(
            TermDeposit.class,
            always("on", DATE),
            always("amount", AMOUNT),
            ifAny("running", RUNNING).says("It is there already, with so much interest accrued by the end of a day."),
            ifAny("last", DATE),
            ifAny("notice", NOTICE),
            always("rate", CommonForms.RATES),
            usually("dayCount", CommonForms.DAY_COUNT, DayCount.ACT_365F),
            usually("interestEveryMonths", Values.whole(0, 12), 0).says("0: at the end of the term."),
            ifAny("rollover", ROLLOVER),
            ifAny("broken", BROKEN));

    private DepositForm() {}
}
