package ebbtide.app.api;

import ebbtide.app.desk.PastRecord;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.chance.Picture;
import ebbtide.chance.Simulation;
import ebbtide.chance.Source;
import ebbtide.chance.Trial;
import ebbtide.forecast.Forecast;
import ebbtide.formats.csv.SimulationCsv;
import ebbtide.money.Check;
import ebbtide.track.PastErrors;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.StringWriter;
import java.lang.ref.SoftReference;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** How likely the plan, or the scenario shown, runs short (rules 11.8). */
@RestController
@RequestMapping("/api/plans/{plan}/simulation")
class SimulationController {
    private static final int SHOWN = 12;

    private final Plans plans;
    private final PastRecord record;
    /**
     * The picture that was asked for last, as long as there is room: the first runs and all of them are drawn from one.
     */
    private volatile SoftReference<Drawn> latest = new SoftReference<>(null);

    SimulationController(Plans plans, PastRecord record) {
        this.plans = plans;
        this.record = record;
    }

    /**
     * The runs: the weeks that err; the percentiles of least headroom, and its mean in the worst twentieth; the limit
     * that would have sufficed in 95 of 100, and what may be drawn now; the chance that headroom is below zero up to
     * the horizon, with its error; what goes with the bad runs; how each line is drawn.
     */
    record SimulationView(
            int runs,
            long seed,
            List<Integer> percentiles,
            List<WeekOfRuns> weeks,
            List<Long> leastHeadroom,
            long worstHeadroom,
            long sufficientLimit,
            long limit,
            ShareOfRuns fallsShort,
            List<OffView> inBadRuns,
            List<SourceView> lines,
            int fewest) {}

    /** A chance and its standard error, in hundredths of a percent. */
    record ShareOfRuns(long share, long error) {}

    /** A week by its last day: what is forecast, the percentiles, the chance that headroom was below zero by then. */
    record WeekOfRuns(LocalDate end, long forecast, List<Long> percentiles, ShareOfRuns fallsShort) {}

    /** How far a line's, or a counterparty's, cash up to low water is off in the bad runs. */
    record OffView(@Schema(nullable = true) @Nullable String lineId, String name, long minor) {}

    /** How a line is drawn, and how many origins its record has. */
    record SourceView(String lineId, String name, Source.How how, int origins) {}

    /** How often cash lay where the runs of then would have had it, by lead. */
    record TrialView(List<Trial.Lead> leads) {}

    @GetMapping
    @Allowed(Role.ONLOOKER)
    SimulationView simulate(
            @PathVariable String plan,
            @RequestParam(defaultValue = "1000") int runs,
            @RequestParam(defaultValue = "26") int weeks,
            @RequestParam(defaultValue = "1") long seed) {
        PlanAtVersion shown = plans.shown(plan);
        Picture picture = picture(plan, shown, weeks);
        Simulation found = Simulation.of(shown.forecast(), picture, runs, seed);
        int asOf = shown.forecast().asOfIndex();
        return new SimulationView(
                runs,
                seed,
                Simulation.PERCENTILES,
                found.weeks().stream()
                        .map(one -> new WeekOfRuns(
                                one.end(), one.forecast(), one.percentiles(), chance(found, one.fallsShort())))
                        .toList(),
                found.leastHeadroom(),
                found.worstHeadroom(),
                found.sufficientLimit(),
                shown.forecast().liquidity().limit(asOf),
                chance(found, found.fallsShort()),
                found.inBadRuns().stream()
                        .limit(SHOWN)
                        .map(one ->
                                new OffView(one.source().lineId(), one.source().name(), one.minor()))
                        .toList(),
                picture.sources().stream()
                        .filter(one -> one.lineId() != null)
                        .map(one -> new SourceView(one.lineId(), one.name(), one.how(), one.origins()))
                        .toList(),
                Picture.FEWEST);
    }

    /** The weeks of the runs as CSV. */
    @GetMapping(path = "/csv", produces = "text/csv")
    @Allowed(Role.ONLOOKER)
    @Exports("runs of what may come as CSV")
    ResponseEntity<byte[]> csv(
            @PathVariable String plan,
            @RequestParam(defaultValue = "1000") int runs,
            @RequestParam(defaultValue = "26") int weeks,
            @RequestParam(defaultValue = "1") long seed) {
        PlanAtVersion shown = plans.shown(plan);
        StringWriter out = new StringWriter();
        SimulationCsv.write(
                Simulation.of(shown.forecast(), picture(plan, shown, weeks), runs, seed), shown.currency(), out);
        return CsvFile.of("how-likely", out.toString());
    }

    /** A picture and what it is drawn of. */
    private record Drawn(Forecast forecast, PastErrors past, int weeks, Picture picture) {
        boolean isOf(Forecast other, PastErrors itsPast, int itsWeeks) {
            return forecast == other && past == itsPast && weeks == itsWeeks;
        }
    }

    private Picture picture(String plan, PlanAtVersion shown, int weeks) {
        requireWeeks(weeks);
        Forecast forecast = shown.forecast();
        PastErrors past = record.of(plan, plans.current(plan));
        Drawn known = latest.get();
        if (known != null && known.isOf(forecast, past, weeks)) {
            return known.picture();
        }
        // The largest is a fifth of all memory: the one before makes room for it.
        known = null;
        latest = new SoftReference<>(null);
        Picture picture = Picture.of(forecast, past, weeks);
        latest = new SoftReference<>(new Drawn(forecast, past, weeks, picture));
        return picture;
    }

    @GetMapping("/trial")
    @Allowed(Role.ONLOOKER)
    TrialView tried(
            @PathVariable String plan,
            @RequestParam(defaultValue = "1000") int runs,
            @RequestParam(defaultValue = "26") int weeks,
            @RequestParam(defaultValue = "1") long seed) {
        requireWeeks(weeks);
        Check.inRange(runs, 1, Simulation.MOST_RUNS, "runs");
        PlanAtVersion base = plans.current(plan);
        return new TrialView(Trial.of(base.forecast(), record.of(plan, base), weeks, runs, seed));
    }

    private static void requireWeeks(int weeks) {
        Check.inRange(weeks, 1, PastErrors.MOST_LEADS, "weeks");
    }

    private static ShareOfRuns chance(Simulation found, int runs) {
        return new ShareOfRuns(Math.round(10_000.0 * runs / found.runs()), found.errorHundredths(runs));
    }
}
