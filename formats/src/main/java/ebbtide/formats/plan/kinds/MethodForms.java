package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.flat;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.MONTH;
import static ebbtide.formats.document.Values.NUMBER;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.TEXT;
import static ebbtide.formats.document.Values.WHOLE;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.Kinds;
import ebbtide.formats.document.Kinds.Kind;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.ActivityMethod.BaseWithGrowth;
import ebbtide.plan.ActivityMethod.DatedAmounts;
import ebbtide.plan.ActivityMethod.FeeOn;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.ActivityMethod.LostAs;
import ebbtide.plan.ActivityMethod.Product;
import ebbtide.plan.ActivityMethod.RecurringCustomers;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.ActivityMethod.StockPurchases;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.ActivityMethod.YearTotal;
import ebbtide.plan.ProductOf;
import java.util.List;

/** The methods of a stream as a plan file has them. */
final class MethodForms {
    private static final RecordForm<BaseWithGrowth> GROWTH = RecordForm.of(
            BaseWithGrowth.class,
            always("base", CommonForms.AMOUNTS),
            usually("growth", PERCENT, Percent.ZERO),
            always("growthOf", PERCENT.byMonth()));
    private static final RecordForm<RecurringCustomers> CUSTOMERS = RecordForm.of(
            RecurringCustomers.class,
            always("from", MONTH),
            always("opening", NUMBER),
            always("gained", CommonForms.DRIVER),
            always("lost", CommonForms.DRIVER),
            usually("lostAs", Values.oneOf(LostAs.class), LostAs.NUMBER),
            always("fee", CommonForms.DRIVER),
            usually("feeOn", Values.oneOf(FeeOn.class), FeeOn.CLOSING));
    private static final RecordForm<YearTotal> YEAR = RecordForm.of(
            YearTotal.class,
            usually("yearlyGrowth", PERCENT, Percent.ZERO),
            always("totals", AMOUNT.byYear()),
            always("weights", WHOLE.as(Integer::longValue, Math::toIntExact).list())
                    .says("One a month, of the twelve of a fiscal year."));
    static final Form<ActivityMethod> FORM = new Kinds<ActivityMethod>(
                    "A method is",
                    "Method",
                    List.of(
                            new Kind("fixed", RecordForm.of(FixedAmount.class, always("amount", CommonForms.AMOUNTS))),
                            new Kind("growth", GROWTH),
                            new Kind("typed", RecordForm.of(TypedMonths.class, always("amounts", AMOUNT.byMonth()))),
                            new Kind(
                                    "share",
                                    RecordForm.of(
                                            ShareOfLine.class,
                                            always("line", TEXT).of("lineId"),
                                            always("share", PERCENT))),
                            new Kind(
                                    "product",
                                    RecordForm.of(
                                            Product.class,
                                            always("of", Values.oneOf(ProductOf.class)),
                                            always("factors", CommonForms.DRIVER.list()))),
                            new Kind("customers", CUSTOMERS),
                            new Kind("year", YEAR),
                            new Kind(
                                    "dated",
                                    RecordForm.of(
                                            DatedAmounts.class, always("amounts", CommonForms.DATED_AMOUNT.list()))),
                            new Kind("stock", RecordForm.of(StockPurchases.class, flat("policy", StockForm.FORM)))))
            .named("method");

    private MethodForms() {}
}
