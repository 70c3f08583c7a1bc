package ebbtide.formats.plan;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.FILLED;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.filled;
import static ebbtide.formats.document.Values.oneOf;

import ebbtide.formats.document.Choice;
import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.plan.AgreedCovenants;
import ebbtide.plan.Covenant;
import ebbtide.plan.Covenant.PastMonth;
import ebbtide.plan.Covenant.Ratio;
import ebbtide.plan.OpeningSheet;
import java.math.BigDecimal;
import java.util.Collections;
import java.util.List;

/** What settings hold for statements, covenants and years, as a plan file has it. */
final class StatementForms {
    private static final Form<OpeningSheet.Entry> ENTRY = RecordForm.of(
                    OpeningSheet.Entry.class,
                    always("name", FILLED),
                    always("kind", oneOf(OpeningSheet.Kind.class)),
                    always("amount", AMOUNT).says("Above zero on the side on which its kind stands."),
                    ifAny("line", FILLED).of("lineId").says("The line whose flows clear it."),
                    unless(false, "stays", FLAG).says("It is known to stay as it is."))
            .named("openingEntry");
    static final Form<OpeningSheet> OPENING_SHEET = RecordForm.of(
                    OpeningSheet.class, always("on", Values.DATE), always("entries", ENTRY.list()))
            .named("openingSheet");

    /** A bound on liquidity is an amount, that of any other ratio a number. */
    private static final Form<Covenant> COVENANT = new Choice<>(
                    place -> oneOf(Ratio.class).read(place.at("ratio").quietly()) == Ratio.LEAST_LIQUIDITY,
                    covenant -> covenant.ratio() == Ratio.LEAST_LIQUIDITY,
                    covenant(AMOUNT.as(BigDecimal::valueOf, BigDecimal::longValueExact)),
                    covenant(Values.SHORT_NUMBER))
            .named("covenant");

    private static final Form<PastMonth> PAST_MONTH = RecordForm.of(
            PastMonth.class,
            usually("ebitda", AMOUNT, 0L),
            usually("interest", AMOUNT, 0L),
            usually("tax", AMOUNT, 0L),
            usually("spending", AMOUNT, 0L),
            usually("principal", AMOUNT, 0L));
    static final RecordForm<AgreedCovenants> COVENANTS = RecordForm.of(
            AgreedCovenants.class,
            unless(List.<Covenant>of(), "covenants", COVENANT.list()),
            unless(Collections.emptySortedMap(), "pastMonths", PAST_MONTH.byMonth())
                    .says("What months before the forecast came to that covenants read."));

    private StatementForms() {}

    private static RecordForm<Covenant> covenant(Form<BigDecimal> bound) {
        return RecordForm.of(
                Covenant.class,
                always("id", FILLED),
                always("name", filled(120)),
                always("ratio", oneOf(Ratio.class)),
                always("bound", bound).says("An amount of liquidity, or a ratio."),
                usually("every", oneOf(Covenant.Every.class), Covenant.Every.QUARTER),
                unless(Covenant.Breach.NOTHING, "breach", oneOf(Covenant.Breach.class))
                        .says("What follows in a scenario once it breaks."));
    }
}
