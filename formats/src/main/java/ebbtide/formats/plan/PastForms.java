package ebbtide.formats.plan;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FILLED;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.MOMENT;
import static ebbtide.formats.document.Values.TEXT;
import static ebbtide.formats.document.Values.oneOf;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.plan.PlanPast.KeptSnapshot;
import ebbtide.formats.plan.PlanPast.LoggedEdit;
import ebbtide.formats.plan.PlanPast.VarianceNote;
import ebbtide.money.Refused;
import ebbtide.plan.Basis;
import ebbtide.plan.Direction;
import ebbtide.time.DaySeries;
import ebbtide.track.KeptFlows;
import ebbtide.track.Snapshot;
import ebbtide.track.Snapshot.KeptItem;
import ebbtide.track.Snapshot.KeptLine;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** Snapshots, the notes on them and the log of edits as a plan file has them. */
final class PastForms {
    private static final Form<SortedMap<LocalDate, Long>> DAYS = AMOUNT.byDay();

    /**
     * A snapshot's line as it stands in a file, with its days beside it: public, as its parts are asked for by name.
     */
    public record WrittenLine(
            String id,
            String name,
            String group,
            Direction direction,
            String mark,
            @Nullable Basis basis,
            SortedMap<LocalDate, Long> committed,
            SortedMap<LocalDate, Long> estimated) {}

    /** A snapshot's forecast as it stands in a file. */
    public record WrittenForecast(
            LocalDate asOf, LocalDate horizonEnd, long cash, List<WrittenLine> lines, List<KeptItem> items) {}

    private static final Form<WrittenLine> LINE = RecordForm.of(
            WrittenLine.class,
            always("id", FILLED),
            always("name", TEXT),
            unless("", "group", TEXT).says("The names of the groups it stood in."),
            always("direction", oneOf(Direction.class)),
            unless("", "mark", TEXT).says("Tells whether what is assumed of it is still the same."),
            ifAny("basis", oneOf(Basis.class)),
            always("committed", DAYS).says("By day, signed: what was known."),
            always("estimated", DAYS).says("By day, signed: what was estimated."));
    private static final Form<KeptItem> ITEM = RecordForm.of(
            KeptItem.class,
            always("id", FILLED),
            always("line", FILLED).of("lineId"),
            always("number", TEXT),
            always("counterparty", TEXT),
            unless(false, "order", FLAG),
            always("due", DATE),
            ifAny("day", DATE).says("The day it was expected; none where it was left out."),
            always("amount", AMOUNT).of("minor").says("Signed."),
            always("open", AMOUNT));
    private static final Form<Snapshot> FORECAST = RecordForm.of(
                    WrittenForecast.class,
                    always("asOf", DATE),
                    always("horizonEnd", DATE),
                    always("cash", AMOUNT).says("On the as-of date."),
                    always("lines", LINE.list()),
                    always("items", ITEM.list()))
            .as(PastForms::read, PastForms::written);

    static final Form<PlanPast> PAST = RecordForm.of(
                    PlanPast.class,
                    always(
                            "snapshots",
                            RecordForm.of(
                                            KeptSnapshot.class,
                                            always("id", FILLED),
                                            always("name", TEXT),
                                            unless("", "note", TEXT),
                                            unless(false, "locked", FLAG),
                                            unless("", "commentary", TEXT),
                                            ifAny("scenario", TEXT).says("Of the base where it says none."),
                                            always("takenAt", MOMENT),
                                            always("lowWaterDay", DATE),
                                            always("lowWaterCash", AMOUNT),
                                            always("forecast", FORECAST),
                                            ifAny("statements", KeptStatementsForm.FORM))
                                    .list()),
                    always(
                            "notes",
                            RecordForm.of(
                                            VarianceNote.class,
                                            always("snapshot", FILLED),
                                            always("from", DATE),
                                            always("to", DATE),
                                            always("row", TEXT),
                                            always("note", FILLED))
                                    .list()),
                    always(
                            "log",
                            RecordForm.of(
                                            LoggedEdit.class,
                                            always("madeAt", MOMENT),
                                            always("author", TEXT),
                                            always("words", TEXT),
                                            unless(true, "held", FLAG)
                                                    .says("Whether it held in the end, or was undone."))
                                    .list()))
            .named("past");

    private PastForms() {}

    private static Snapshot read(WrittenForecast written) {
        Map<String, KeptFlows> flows = new LinkedHashMap<>();
        written.lines()
                .forEach(line -> flows.put(
                        line.id(),
                        new KeptFlows(series(written, line.committed()), series(written, line.estimated()))));
        return new Snapshot(
                written.asOf(),
                written.horizonEnd(),
                written.cash(),
                written.lines().stream()
                        .map(line -> new KeptLine(
                                line.id(), line.name(), line.group(), line.direction(), line.mark(), line.basis()))
                        .toList(),
                flows,
                written.items());
    }

    private static DaySeries series(WrittenForecast of, SortedMap<LocalDate, Long> days) {
        if (days.isEmpty()) {
            return DaySeries.NIL;
        }
        if (!days.firstKey().isAfter(of.asOf()) || days.lastKey().isAfter(of.horizonEnd())) {
            throw new Refused("Its days lie after " + of.asOf() + " and up to " + of.horizonEnd());
        }
        return DaySeries.of(
                (int) ChronoUnit.DAYS.between(of.asOf(), days.lastKey()),
                day -> days.getOrDefault(of.asOf().plusDays(day + 1L), 0L));
    }

    private static WrittenForecast written(Snapshot of) {
        return new WrittenForecast(
                of.asOf(),
                of.horizonEnd(),
                of.cashAtAsOf(),
                of.lines().stream()
                        .map(line -> {
                            KeptFlows flows = of.flows().getOrDefault(line.id(), KeptFlows.NONE);
                            return new WrittenLine(
                                    line.id(),
                                    line.name(),
                                    line.group(),
                                    line.direction(),
                                    line.mark(),
                                    line.basis(),
                                    days(of.asOf(), flows.committed()),
                                    days(of.asOf(), flows.estimated()));
                        })
                        .toList(),
                of.items());
    }

    private static SortedMap<LocalDate, Long> days(LocalDate asOf, DaySeries series) {
        SortedMap<LocalDate, Long> days = new TreeMap<>();
        for (int day = 0; day < series.days(); day++) {
            if (series.on(day) != 0) {
                days.put(asOf.plusDays(day + 1L), series.on(day));
            }
        }
        return days;
    }
}
