package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.WHOLE;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.ProfitTax.Instalment;
import ebbtide.plan.ProfitTax.InstalmentsOf;
import ebbtide.plan.ProfitTax.Mode;
import ebbtide.plan.ProfitTax.MonthlyProfit;
import ebbtide.plan.ProfitTax.YearSoFar;
import ebbtide.time.Convention;

/** Tax on profit, by the fiscal year or by the month, as a plan file has it. */
final class ProfitTaxForm {
    private static final Form<YearSoFar> SO_FAR = RecordForm.of(
            YearSoFar.class,
            CommonForms.amountOrNil("profit"),
            CommonForms.amountOrNil("tax"),
            CommonForms.amountOrNil("paid"),
            CommonForms.amountOrNil("losses"));
    private static final Form<Instalment> INSTALMENT = RecordForm.of(
            Instalment.class,
            always("month", WHOLE).says("Month of the fiscal year."),
            always("day", WHOLE),
            always("share", PERCENT));
    static final RecordForm<ProfitTax> FORM = RecordForm.of(
            ProfitTax.class,
            usually("mode", Values.oneOf(Mode.class), Mode.YEAR),
            always("rate", PERCENT),
            usually("soFar", SO_FAR, YearSoFar.NOTHING),
            CommonForms.amountOrNil("lastYearTax"),
            CommonForms.amountOrNil("owed"),
            always("instalments", INSTALMENT.list()),
            usually("instalmentsOf", Values.oneOf(InstalmentsOf.class), InstalmentsOf.LAST_YEAR),
            usually("monthsAfter", WHOLE, 9),
            usually("day", WHOLE, 31),
            CommonForms.convention(Convention.FOLLOWING),
            usually("profit", Values.oneOf(MonthlyProfit.class), MonthlyProfit.BEFORE_TAX)
                    .says("Which profit tax by the month is on."));

    private ProfitTaxForm() {}
}
