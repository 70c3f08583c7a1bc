package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.flat;
import static ebbtide.formats.document.Field.never;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.FILLED;
import static ebbtide.formats.document.Values.NUMBER;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.WHOLE;

import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.money.Percent;
import ebbtide.plan.StockPolicy;
import ebbtide.plan.StockPolicy.Bought;
import ebbtide.plan.StockPolicy.BoughtBy;
import ebbtide.plan.StockPolicy.Cost;
import ebbtide.plan.StockPolicy.CostBy;
import ebbtide.plan.StockPolicy.Given;
import ebbtide.plan.StockPolicy.Opening;
import ebbtide.plan.StockPolicy.Target;
import ebbtide.plan.StockPolicy.TargetBy;
import ebbtide.plan.StockPolicy.TargetOf;
import ebbtide.plan.StockPolicy.Valuation;
import java.math.BigDecimal;

/** What a product group buys for its stock, as a plan file has it. */
final class StockForm {
    private static final RecordForm<Cost> COST = RecordForm.of(
            Cost.class,
            usually("by", Values.oneOf(CostBy.class), CostBy.SHARE_OF_SALES),
            usually("share", PERCENT, Percent.ZERO),
            usually("valuation", Values.oneOf(Valuation.class), Valuation.MOVING_AVERAGE),
            always("units", CommonForms.DRIVER),
            always("unitCost", CommonForms.DRIVER));
    private static final RecordForm<Target> TARGET = RecordForm.of(
            Target.class,
            usually("by", Values.oneOf(TargetBy.class), TargetBy.BASE_AND_SHARE),
            CommonForms.amountOrNil("base"),
            usually("baseUnits", NUMBER, BigDecimal.ZERO),
            usually("share", PERCENT, Percent.ZERO),
            usually("of", Values.oneOf(TargetOf.class), TargetOf.COST),
            usually("days", WHOLE, 0));
    private static final RecordForm<Bought> BOUGHT = RecordForm.of(
            Bought.class,
            usually("by", Values.oneOf(BoughtBy.class), BoughtBy.SHARE_OF_SALES),
            usually("share", PERCENT, Percent.ZERO),
            always("amounts", AMOUNT.byMonth()));
    private static final RecordForm<Opening> OPENING = RecordForm.of(
                    Opening.class,
                    CommonForms.amountOrNil("opening").of("value"),
                    usually("openingUnits", NUMBER, BigDecimal.ZERO).of("units"),
                    never("said", true))
            .whenSilent(Opening.NOT_SAID);
    static final RecordForm<StockPolicy> FORM = RecordForm.of(
            StockPolicy.class,
            always("sales", FILLED).of("salesLine").says("The line that sells from it."),
            usually("given", Values.oneOf(Given.class), Given.CLOSING)
                    .says("What is given beside cost of sales; both: cost follows."),
            always("cost", COST),
            always("target", TARGET),
            always("bought", BOUGHT),
            flat("opening", OPENING),
            usually("orderedMonths", WHOLE, 0));

    private StockForm() {}
}
