package ebbtide.formats.plan;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.flat;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FILLED;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.NUMBER;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.TEXT;
import static ebbtide.formats.document.Values.WHOLE;
import static ebbtide.formats.document.Values.filled;
import static ebbtide.formats.document.Values.oneOf;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.Kinds;
import ebbtide.formats.document.Kinds.Kind;
import ebbtide.formats.document.RecordForm;
import ebbtide.plan.Certainty;
import ebbtide.plan.DayRange;
import ebbtide.plan.Direction;
import ebbtide.whatif.Act;
import ebbtide.whatif.Change;
import ebbtide.whatif.Ramp;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.Target;
import ebbtide.whatif.Typed;
import java.util.List;

/** A scenario and its changes as a plan file has them. */
final class ScenarioForm {
    private static final Form<Target> TARGET = new Kinds<Target>(
                    "A change is of the kind",
                    "Target",
                    List.of(
                            new Kind("assumption", RecordForm.of(Target.OfAssumption.class, always("path", FILLED))),
                            new Kind(
                                    "line",
                                    RecordForm.of(
                                            Target.OfLine.class,
                                            always("line", FILLED).of("lineId"))),
                            new Kind(
                                    "counterparty",
                                    RecordForm.of(
                                            Target.OfCounterparty.class,
                                            always("direction", oneOf(Direction.class)),
                                            always("name", FILLED))),
                            new Kind(
                                    "item",
                                    RecordForm.of(
                                            Target.OfItem.class,
                                            always("item", FILLED).says("The id of an open item."),
                                            always("part", oneOf(Target.OfItem.Part.class))
                                                    .says("What is said of it by hand."))),
                            new Kind("terms", RecordForm.of(Target.OfTerms.class, always("id", FILLED))),
                            new Kind(
                                    "certainty",
                                    RecordForm.of(
                                            Target.OfCertainty.class,
                                            always("direction", oneOf(Direction.class)),
                                            always("certainty", oneOf(Certainty.class)))),
                            new Kind("base-rate", RecordForm.of(Target.OfBaseRate.class)),
                            new Kind(
                                    "part",
                                    RecordForm.of(
                                            Target.OfPart.class,
                                            always("line", FILLED).of("lineId"),
                                            always("part", FILLED).says("The name of an asset, or of a role.")))))
            .named("target");

    private static final Form<Typed> VALUE = FILLED.as(Typed::of, Typed::text);
    private static final Form<Act> ACT = new Kinds<Act>(
                    "A change does",
                    "Act",
                    List.of(
                            new Kind(
                                    "set",
                                    RecordForm.of(
                                            Act.Set.class,
                                            always("value", VALUE)
                                                    .says("A number, a day, or a word, as it is typed."))),
                            new Kind("scale", RecordForm.of(Act.Scale.class, always("to", PERCENT))),
                            new Kind("add", RecordForm.of(Act.Add.class, always("more", NUMBER))),
                            new Kind(
                                    "shift",
                                    RecordForm.of(
                                            Act.Shift.class,
                                            always("by", WHOLE),
                                            always("unit", oneOf(Act.Shift.Unit.class)))),
                            new Kind("paid-later", RecordForm.of(Act.PaidLater.class, always("days", WHOLE))),
                            new Kind("never-paid", RecordForm.of(Act.NeverPaid.class, always("points", PERCENT))),
                            new Kind("without-discounts", RecordForm.of(Act.WithoutDiscounts.class)),
                            new Kind("on-due-dates", RecordForm.of(Act.OnDueDates.class)),
                            new Kind("fails", RecordForm.of(Act.Fails.class)),
                            new Kind("leave-out", RecordForm.of(Act.LeaveOut.class)),
                            new Kind("new", RecordForm.of(Act.New.class, always("line", LineForm.FORM)))))
            .named("act");

    private static final RecordForm<DayRange> RANGE =
            RecordForm.of(DayRange.class, ifAny("from", DATE), ifAny("to", DATE));
    private static final RecordForm<Ramp> RAMP = RecordForm.of(
            Ramp.class,
            unless(0, "comesOver", WHOLE).says("Whole in the last of so many months."),
            unless(0, "goesOver", WHOLE));
    private static final Form<Change> CHANGE = RecordForm.of(
                    Change.class,
                    always("id", FILLED),
                    always("target", TARGET),
                    always("act", ACT),
                    flat("range", RANGE),
                    flat("ramp", RAMP),
                    unless("", "tie", TEXT).says("Changes with the same tie are done all or none."),
                    usually("note", TEXT, ""),
                    usually("on", FLAG, true))
            .named("change");
    static final Form<Scenario> FORM = RecordForm.of(
                    Scenario.class,
                    always("id", FILLED),
                    always("name", filled(120)),
                    usually("note", TEXT, ""),
                    always("standsOn", FILLED.list()),
                    always("changes", CHANGE.list()),
                    usually("putBy", FLAG, false),
                    unless(false, "breakwater", FLAG).says("Whether it is the bad case that funding must survive."),
                    ifAny("chance", PERCENT).says("How likely an analyst takes it to be."))
            .named("scenario");

    private ScenarioForm() {}
}
