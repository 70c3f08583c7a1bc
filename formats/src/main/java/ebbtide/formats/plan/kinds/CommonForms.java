package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.following;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.NUMBER;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.TEXT;

import ebbtide.formats.document.Field;
import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.Certainty;
import ebbtide.plan.Charging;
import ebbtide.plan.DayCount;
import ebbtide.plan.Driver;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;

/** What several kinds of line hold. */
public final class CommonForms {
    public static final Form<Certainty> CERTAINTY =
            Values.oneOf(Certainty.class).named("certainty");
    static final Form<Convention> CONVENTION = Values.oneOf(Convention.class).named("convention");
    static final Form<DayCount> DAY_COUNT = Values.oneOf(DayCount.class).named("dayCount");
    /** Amounts in force from days. */
    public static final Form<Steps<Long>> AMOUNTS = AMOUNT.steps().named("steps");
    /** Yearly rates in force from days. */
    public static final Form<Steps<Percent>> RATES = PERCENT.steps().named("rates");

    static final Form<DatedAmount> DATED_AMOUNT = RecordForm.of(
                    DatedAmount.class, always("date", DATE), always("amount", AMOUNT), usually("note", TEXT, ""))
            .named("datedAmount");
    /** A driver that is left out has no value at any time. */
    static final Form<Driver> DRIVER = RecordForm.of(
                    Driver.class,
                    always("value", NUMBER.steps().named("numberSteps")),
                    usually("growth", PERCENT, Percent.ZERO),
                    always("growthOf", PERCENT.byMonth()))
            .named("driver");

    static final Form<Charging> CHARGING = RecordForm.of(
                    Charging.class,
                    usually("dayCount", DAY_COUNT, DayCount.ACT_365F),
                    usually("often", Values.oneOf(Charging.Often.class), Charging.Often.MONTH),
                    usually("nextBusinessDay", FLAG, false))
            .named("charging");
    private static final Form<SalesTax> SALES_TAX = RecordForm.of(
                    SalesTax.class,
                    always("rate", PERCENT),
                    usually("gross", FLAG, false)
                            .of("amountsAreGross")
                            .says("Whether amounts are typed with the tax in them."),
                    usually("recoverable", PERCENT, Percent.HUNDRED)
                            .says("The share of tax paid that is claimed back."))
            .named("tax");

    private CommonForms() {}

    /** Returns the field of the sales tax in a line's amounts; left out, there is none. */
    static Field<SalesTax> tax() {
        return usually("tax", SALES_TAX, SalesTax.NONE);
    }

    /** Returns the field of a convention; left out, a usual one holds. */
    static Field<Convention> convention(Convention usual) {
        return usually("convention", CONVENTION, usual);
    }

    /** Returns the field of a convention; left out, the one of the line's direction holds (rules 1.5). */
    static Field<Convention> conventionOfDirection() {
        return following("convention", CONVENTION, (place, parts) -> place.usual())
                .says("Left out: following for receipts, preceding for payments.");
    }

    /** Returns the field of an amount; left out, it is nil. */
    static Field<Long> amountOrNil(String name) {
        return usually(name, AMOUNT, 0L);
    }
}
