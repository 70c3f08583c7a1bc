package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FILLED;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.WHOLE;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.money.Percent;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.CapitalSpending.Asset;
import ebbtide.plan.CapitalSpending.Disposal;
import ebbtide.plan.CapitalSpending.Owned;
import ebbtide.plan.Wear;
import ebbtide.time.Convention;

/** Assets bought, used up and sold, as a plan file has them. */
final class CapitalForm {
    private static final Form<Owned> OWNED = RecordForm.of(
            Owned.class,
            always("cost", AMOUNT),
            CommonForms.amountOrNil("depreciated"),
            CommonForms.amountOrNil("monthly"),
            usually("yearly", PERCENT, Percent.ZERO));
    private static final Form<Wear> WEAR = RecordForm.of(
            Wear.class, always("by", Values.oneOf(Wear.By.class)), usually("yearly", PERCENT, Percent.ZERO));
    private static final Form<Disposal> DISPOSAL =
            RecordForm.of(Disposal.class, always("date", DATE), always("proceeds", AMOUNT));
    private static final Form<Asset> ASSET = RecordForm.of(
                    Asset.class,
                    always("name", FILLED),
                    CommonForms.tax(),
                    always("milestones", CommonForms.DATED_AMOUNT.list()),
                    usually("termsDays", WHOLE, 0),
                    always("service", DATE),
                    usually("lifeMonths", WHOLE, 60),
                    CommonForms.amountOrNil("residual"),
                    ifAny("wear", WEAR)
                            .says("Evenly over its life, or by a share a year of its cost or of its book value; without"
                                    + " it over its life, or as it is owned."),
                    usually("stepwise", FLAG, false).says("Each step is used from the month after it."),
                    ifAny("owned", OWNED),
                    ifAny("disposal", DISPOSAL))
            .named("asset");
    static final RecordForm<CapitalSpending> FORM = RecordForm.of(
            CapitalSpending.class, always("assets", ASSET.list()), CommonForms.convention(Convention.PRECEDING));

    private CapitalForm() {}
}
