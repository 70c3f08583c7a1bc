package ebbtide.app.api;

import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import ebbtide.forecast.Forecast;
import ebbtide.formats.csv.SideBySideCsv;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.Snapshot;
import ebbtide.whatif.ChangeEffects;
import ebbtide.whatif.ChangeWords;
import ebbtide.whatif.Future;
import ebbtide.whatif.KeyFigures;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.SideBySide;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.StringWriter;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Futures side by side (rules 11.5): the base, scenarios, snapshots and other plans. */
@RestController
@RequestMapping("/api/plans/{plan}/side-by-side")
class SideBySideController {
    private final Plans plans;
    private final Stores stores;

    SideBySideController(Plans plans, Stores stores) {
        this.plans = plans;
        this.stores = stores;
    }

    /** The futures in their order, the periods, and each row with what it comes to and differs by. */
    record BesideView(List<FutureView> futures, List<PeriodView> periods, List<BesideRowView> rows) {}

    /** A row as each future has it, in their order. */
    record BesideRowView(String id, String name, int depth, boolean sum, List<BesideAmounts> futures) {}

    /**
     * What a row comes to by period in one future, and by how much that is more than the reference; null: not known.
     */
    record BesideAmounts(
            @ArraySchema(schema = @Schema(nullable = true)) List<@Nullable Long> amounts,
            @ArraySchema(schema = @Schema(nullable = true)) List<@Nullable Long> differences) {}

    /**
     * A future by the name it is asked for; its key figures and how much more they are than the reference's (null: a
     * snapshot has none), and its closing cash by day of the window, null where it says nothing.
     */
    record FutureView(
            String asked,
            String name,
            @Schema(nullable = true) @Nullable KeyFigures figures,
            @Schema(nullable = true) @Nullable KeyFigures difference,
            @ArraySchema(schema = @Schema(nullable = true)) List<@Nullable Long> closing) {}

    /** A change in words, and by how much it moves a figure. */
    record MovedByView(String target, String act, String range, long moves) {}

    @GetMapping
    @Allowed(Role.ONLOOKER)
    BesideView beside(
            @PathVariable String plan,
            @RequestParam(defaultValue = "base") List<String> future,
            @RequestParam(defaultValue = "0") int reference,
            @RequestParam(defaultValue = "CASH") SideBySide.Table table,
            @RequestParam(defaultValue = "MONTH") Periods by,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to) {
        Asked asked = asked(plan, future);
        SideBySide found = beside(asked, reference, table, by, from, to);
        KeyFigures of = figures(asked.futures().get(reference));
        List<FutureView> views = new ArrayList<>();
        for (int i = 0; i < future.size(); i++) {
            Future one = asked.futures().get(i);
            KeyFigures own = figures(one);
            views.add(new FutureView(
                    future.get(i),
                    one.name(),
                    own,
                    own == null || of == null ? null : own.less(of),
                    from.datesUntil(to.plusDays(1))
                            .map(day -> closing(one, day))
                            .toList()));
        }
        LocalDate asOf = asked.main().plan().settings().asOf();
        return new BesideView(
                views,
                found.periods().stream().map(one -> PeriodView.of(one, asOf)).toList(),
                found.rows().stream().map(SideBySideController::row).toList());
    }

    /** The same as CSV, a row for each figure. */
    @GetMapping(path = "/csv", produces = "text/csv")
    @Allowed(Role.ONLOOKER)
    @Exports("futures side by side as CSV")
    ResponseEntity<byte[]> csv(
            @PathVariable String plan,
            @RequestParam(defaultValue = "base") List<String> future,
            @RequestParam(defaultValue = "0") int reference,
            @RequestParam(defaultValue = "CASH") SideBySide.Table table,
            @RequestParam(defaultValue = "MONTH") Periods by,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to) {
        Asked asked = asked(plan, future);
        StringWriter out = new StringWriter();
        SideBySideCsv.write(
                beside(asked, reference, table, by, from, to),
                asked.futures().stream().map(Future::name).toList(),
                asked.main().currency(),
                out);
        return CsvFile.of("side-by-side", out.toString());
    }

    /** What each change of a scenario moves a row of a table in a period by. */
    @GetMapping("/changes")
    List<MovedByView> changes(
            @PathVariable String plan,
            @RequestParam String scenario,
            @RequestParam SideBySide.Table table,
            @RequestParam String row,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to) {
        PlanAtVersion base = plans.current(plan);
        Scenario of = plans.scenario(plan, scenario).shown().orElseThrow().scenario();
        return ChangeEffects.on(base.forecast(), base.scenarios(), of, table, row, new Period(from, to.plusDays(1)))
                .stream()
                .map(one -> {
                    ChangeWords words =
                            ChangeWords.of(base.forecast(), one.done().change());
                    return new MovedByView(words.target(), words.act(), words.range(), one.moves());
                })
                .toList();
    }

    private static BesideRowView row(SideBySide.Row row) {
        return new BesideRowView(
                row.id(),
                row.name(),
                row.depth(),
                row.sum(),
                IntStream.range(0, row.amounts().size())
                        .mapToObj(i -> new BesideAmounts(
                                row.amounts().get(i), row.differences().get(i)))
                        .toList());
    }

    private record Asked(PlanAtVersion main, List<Future> futures) {}

    private Asked asked(String plan, List<String> future) {
        PlanAtVersion base = plans.current(plan);
        return new Asked(
                base, future.stream().map(one -> future(plan, base, one)).toList());
    }

    private Future future(String plan, PlanAtVersion base, String asked) {
        if (asked.equals("base")) {
            return new Future.OfForecast("Base", base.forecast(), true);
        }
        int colon = asked.indexOf(':');
        String id = asked.substring(colon + 1);
        return switch (colon < 0 ? "" : asked.substring(0, colon)) {
            case "scenario" -> {
                PlanAtVersion made = plans.scenario(plan, id);
                yield new Future.OfForecast(
                        made.shown().orElseThrow().scenario().name(), made.forecast(), true);
            }
            case "snapshot" -> {
                Snapshot kept = stores.snapshots().get(plan, id, LocalDate.MAX);
                yield new Future.OfSnapshot(
                        stores.snapshots().all(plan).stream()
                                .filter(one -> one.id().equals(id))
                                .findFirst()
                                .orElseThrow()
                                .name(),
                        kept);
            }
            case "plan" -> {
                PlanAtVersion other = plans.current(id);
                Check.that(
                        other.currency().equals(base.currency()),
                        "'" + other.plan().settings().name() + "' is in " + other.currency() + ", but this plan in "
                                + base.currency() + ": only plans in the same currency stand side by side");
                yield new Future.OfForecast(other.plan().settings().name(), other.forecast(), false);
            }
            default ->
                throw new Refused("A future is base, scenario:ID, snapshot:ID or plan:ID, but was '" + asked + "'");
        };
    }

    private static SideBySide beside(
            Asked asked, int reference, SideBySide.Table table, Periods by, LocalDate from, LocalDate to) {
        Check.that(!to.isBefore(from), "The window ends on " + to + ", before it begins on " + from);
        return SideBySide.of(
                asked.futures(), reference, table, ShownPeriods.of(asked.main().forecast(), by, from, to));
    }

    private static @Nullable KeyFigures figures(Future future) {
        return future instanceof Future.OfForecast one ? KeyFigures.of(one.forecast()) : null;
    }

    private static @Nullable Long closing(Future future, LocalDate day) {
        if (future instanceof Future.OfForecast one) {
            Forecast forecast = one.forecast();
            return day.isBefore(forecast.firstDay()) || day.isAfter(forecast.lastDay()) ? null : forecast.closing(day);
        }
        Snapshot kept = ((Future.OfSnapshot) future).snapshot();
        return day.isBefore(kept.asOf()) || day.isAfter(kept.horizonEnd()) ? null : kept.closing(day);
    }
}
