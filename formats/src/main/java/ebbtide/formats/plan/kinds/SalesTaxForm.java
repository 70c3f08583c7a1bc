package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.WHOLE;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.SalesTaxSettlement.OtherDay;
import ebbtide.plan.SalesTaxSettlement.TaxPoint;
import ebbtide.time.Convention;
import java.time.Month;
import java.util.List;

/** The settling of sales tax with the state, as a plan file has it. */
final class SalesTaxForm {
    private static final Form<OtherDay> OTHER_DAY = RecordForm.of(
            OtherDay.class,
            always("ends", Values.oneOf(Month.class)),
            always("monthsAfter", WHOLE),
            always("day", WHOLE));
    static final RecordForm<SalesTaxSettlement> FORM = RecordForm.of(
            SalesTaxSettlement.class,
            usually("months", WHOLE, 3).of("periodMonths").says("Months of a tax period: 1, 2, 3, 4, 6 or 12."),
            usually("firstMonth", Values.oneOf(Month.class), Month.JANUARY)
                    .says("A month in which a tax period begins."),
            usually("monthsAfter", WHOLE, 1),
            usually("day", WHOLE, 31),
            usually("refundDays", WHOLE, 0),
            CommonForms.convention(Convention.FOLLOWING),
            usually("point", Values.oneOf(TaxPoint.class), TaxPoint.INVOICE),
            usually("relief", FLAG, false).says("Whether what is written off lowers the tax."),
            always("owed", AMOUNT.byMonth()).says("Owed on the as-of date, by the last month of the period."),
            unless(List.<OtherDay>of(), "otherDays", OTHER_DAY.list())
                    .says("Of periods that end in a month and are settled on a day of their own."));

    private SalesTaxForm() {}
}
