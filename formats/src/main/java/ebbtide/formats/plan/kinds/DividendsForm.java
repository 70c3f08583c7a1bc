package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.WHOLE;

import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.money.Percent;
import ebbtide.plan.Dividends;
import ebbtide.plan.Dividends.By;
import ebbtide.time.Convention;
import java.time.Month;

/** What owners are paid out of profit, as a plan file has it. */
final class DividendsForm {
    static final RecordForm<Dividends> FORM = RecordForm.of(
            Dividends.class,
            usually("by", Values.oneOf(By.class), By.AMOUNT),
            always("amount", CommonForms.AMOUNTS),
            usually("payout", PERCENT, Percent.ZERO),
            usually("declared", Values.oneOf(Month.class), Month.JUNE).says("The month it is declared in."),
            usually("monthsAfter", WHOLE, 0),
            usually("day", WHOLE, 31),
            CommonForms.convention(Convention.PRECEDING),
            CommonForms.amountOrNil("lastYearProfit"),
            CommonForms.amountOrNil("yearSoFar"),
            ifAny("distributable", AMOUNT));

    private DividendsForm() {}
}
