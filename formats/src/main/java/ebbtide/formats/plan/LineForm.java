package ebbtide.formats.plan;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.flat;
import static ebbtide.formats.document.Field.following;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.never;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FILLED;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.MOMENT;
import static ebbtide.formats.document.Values.TEXT;
import static ebbtide.formats.document.Values.filled;
import static ebbtide.formats.document.Values.oneOf;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.JsonPlace;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.formats.plan.kinds.LineKinds;
import ebbtide.plan.Alteration;
import ebbtide.plan.Assumption;
import ebbtide.plan.Buoy;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Line.Adjustments;
import ebbtide.plan.Line.CashOverride;
import ebbtide.plan.Line.Heading;
import ebbtide.plan.Nature;
import ebbtide.plan.Netting;
import ebbtide.plan.Netting.Chosen;
import ebbtide.plan.Netting.Window;
import ebbtide.plan.Remark;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import java.util.List;

/** A line, and a buoy, as a plan file has them. */
final class LineForm {
    /** A period is written with its first and last day, both included. */
    private static final RecordForm<Period> PERIOD = RecordForm.of(
            Period.class,
            always("from", DATE).of("startInclusive"),
            always("to", DATE.as(day -> day.plusDays(1), day -> day.minusDays(1)))
                    .of("endExclusive"));

    private static final Form<CashOverride> OVERRIDE = RecordForm.of(
            CashOverride.class, flat("period", PERIOD), always("amount", AMOUNT), always("reason", FILLED));
    private static final Form<CarriedAmount> CARRIED = RecordForm.of(
            CarriedAmount.class,
            always("id", FILLED),
            always("day", DATE),
            always("amount", AMOUNT),
            always("origin", FILLED));
    private static final Form<Integer> DAYS = Values.whole(0, Window.FURTHEST);
    private static final Form<Netting> NETTING = RecordForm.of(
                    Netting.class,
                    usually("left", oneOf(Netting.Left.class), Netting.Left.CATCH_UP),
                    ifAny("window", RecordForm.of(Window.class, always("before", DAYS), always("after", DAYS))),
                    always(
                            "chosen",
                            RecordForm.of(Chosen.class, always("day", DATE), always("planned", DATE))
                                    .list()))
            .named("netting");

    private static final RecordForm<Heading> HEADING = RecordForm.of(
            Heading.class,
            ifAny("group", TEXT).says("The id of the group it stands in."),
            always("name", filled(120)),
            always("direction", oneOf(Direction.class)),
            usually("active", FLAG, true),
            ifAny("account", TEXT),
            usually("note", TEXT, ""));
    private static final RecordForm<Adjustments> ADJUSTMENTS = RecordForm.of(
            Adjustments.class,
            always("overrides", OVERRIDE.list()),
            unless(List.<CarriedAmount>of(), "carried", CARRIED.list()),
            unless(Netting.USUAL, "netting", NETTING)
                    .says("How facts take the place of what the line planned, where that is not as usual."),
            never("altered", List.<Alteration>of()));
    private static final Form<Nature> NATURE = oneOf(Nature.class);
    private static final RecordForm<Line> ALL = RecordForm.of(
            Line.class,
            always("id", FILLED),
            flat("heading", HEADING),
            following("nature", NATURE, (place, parts) -> parts.get("assumption", Assumption.class)
                    .usualNature(parts.get("heading", Heading.class).direction())),
            always("assumption", LineKinds.FORM),
            flat("adjustments", ADJUSTMENTS));
    static final Form<Line> FORM = ALL.readingFirst(LineForm::withItsConvention).named("line");
    static final Form<List<Remark>> REMARKS = RecordForm.of(
                    Remark.class,
                    always("id", FILLED),
                    always("author", FILLED),
                    always("at", MOMENT),
                    always("words", FILLED))
            .named("remark")
            .list();
    static final Form<Buoy> BUOY = RecordForm.of(
                    Buoy.class,
                    flat("period", PERIOD),
                    always("id", FILLED),
                    always("row", FILLED).says("A line's id, or a row such as closing or headroom."),
                    always("note", FILLED),
                    unless("", "author", TEXT).says("Who left it; empty where that is not known."),
                    ifAny("at", MOMENT).says("When it was left."),
                    usually("answers", REMARKS, List.of()))
            .named("buoy");

    private LineForm() {}

    /** Receipts that name no convention move to the next business day, payments to the one before (rules 1.5). */
    private static JsonPlace withItsConvention(JsonPlace line) {
        Direction direction = oneOf(Direction.class).read(line.at("direction").quietly());
        return line.with(direction == Direction.PAYMENT ? Convention.PRECEDING : Convention.FOLLOWING);
    }
}
