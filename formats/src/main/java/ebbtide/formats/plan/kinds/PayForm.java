package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FILLED;
import static ebbtide.formats.document.Values.NUMBER;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.WHOLE;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.money.Percent;
import ebbtide.plan.Pay;
import ebbtide.plan.PayDays;
import ebbtide.time.Convention;
import java.math.BigDecimal;

/** Pay by role, on pay days, with what is paid over later, as a plan file has it. */
final class PayForm {
    private static final Form<Pay.Commission> COMMISSION = RecordForm.of(
            Pay.Commission.class,
            always("line", FILLED).of("lineId"),
            always("share", PERCENT),
            usually("monthsAfter", WHOLE, 1));
    private static final Form<Pay.Role> ROLE = RecordForm.of(
                    Pay.Role.class,
                    always("name", FILLED),
                    always("start", DATE),
                    ifAny("end", DATE),
                    always("posts", NUMBER.steps().named("numberSteps")).says("Full-time posts."),
                    usually("paidBy", Values.oneOf(Pay.PaidBy.class), Pay.PaidBy.YEAR),
                    always("pay", CommonForms.AMOUNTS).says("What a post earns a year, or an hour."),
                    usually("hoursAYear", NUMBER, BigDecimal.valueOf(1_950)),
                    usually("onCost", PERCENT, Percent.ZERO).says("The employer's cost on top of pay."),
                    usually("withheld", PERCENT, Percent.ZERO),
                    ifAny("commission", COMMISSION),
                    always("extras", CommonForms.DATED_AMOUNT.list()))
            .named("role");
    private static final Form<PayDays> DAYS = RecordForm.of(
            PayDays.class,
            always("often", Values.oneOf(PayDays.Often.class)),
            always("first", DATE).of("anchor").says("A pay day that the others are counted from."),
            usually("secondDay", WHOLE, 31),
            CommonForms.convention(Convention.PRECEDING));
    private static final Form<Pay.PaidOver> PAID_OVER = RecordForm.of(
            Pay.PaidOver.class,
            usually("monthsAfter", WHOLE, 1),
            usually("day", WHOLE, 31),
            CommonForms.convention(Convention.FOLLOWING),
            always("owed", AMOUNT.byMonth()).says("Owed on the as-of date, by the month of the pay days."));
    static final RecordForm<Pay> FORM =
            RecordForm.of(Pay.class, always("roles", ROLE.list()), always("days", DAYS), always("paidOver", PAID_OVER));

    private PayForm() {}
}
