package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FLAG;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.plan.TermLoan;
import ebbtide.plan.TermLoan.Balance;
import ebbtide.plan.TermLoan.By;
import ebbtide.time.Convention;

/** A loan with a schedule, as a plan file has it. */
final class LoanForm {
    private static final Form<Balance> FROM = RecordForm.of(
            Balance.class, always("on", DATE), always("amount", AMOUNT), CommonForms.amountOrNil("accrued"));
    static final RecordForm<TermLoan> FORM = RecordForm.of(
            TermLoan.class,
            usually("by", Values.oneOf(By.class), By.EQUAL_INSTALMENTS),
            always("from", FROM).says("What is lent at the end of a day, and the interest accrued by then."),
            usually("running", FLAG, false),
            always("rate", CommonForms.RATES),
            always("firstPayDay", DATE),
            always("payments", Values.whole(1, 600)),
            usually("everyMonths", Values.whole(1, 12), 1),
            usually("interestOnly", Values.whole(0, 599), 0),
            ifAny("dayCount", CommonForms.DAY_COUNT).says("Absent: twelfths of a year."),
            CommonForms.convention(Convention.FOLLOWING),
            always("typed", CommonForms.DATED_AMOUNT.list()),
            always("early", CommonForms.DATED_AMOUNT.list()),
            usually("keepsEnd", FLAG, true),
            CommonForms.amountOrNil("fee"));

    private LoanForm() {}
}
