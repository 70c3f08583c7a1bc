package ebbtide.bench;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.chance.Picture;
import ebbtide.chance.Simulation;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.money.Percent;
import ebbtide.plan.DayRange;
import ebbtide.plan.Line;
import ebbtide.sim.DemoCompany;
import ebbtide.track.Outturn;
import ebbtide.track.PastErrors;
import ebbtide.whatif.Act;
import ebbtide.whatif.Change;
import ebbtide.whatif.Measure;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.ScenarioPlan;
import ebbtide.whatif.Scenarios;
import ebbtide.whatif.Sensitivity;
import ebbtide.whatif.Target;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Other futures of the demo plan, and of 500 lines of every kind over 72 months: a scenario, sensitivity, runs. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 3, time = 3)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx512m"})
public class WhatIfBench {
    private static final int CHANGES = 10;
    private static final int ASSUMPTIONS = 200;
    private static final Percent LESS = Percent.parse("90");

    @Param({"demo", "large"})
    private String plan = "demo";

    private Forecast base;
    private Scenario scenario;
    private Picture picture;

    @Setup
    public void make() {
        PlanDocument demo = DemoCompany.document();
        base = plan.equals("demo")
                ? Forecaster.forecast(demo.plan(), demo.books())
                : Forecaster.forecast(ForecastBench.large(true), largeBooks());
        scenario = new Scenario(
                "ten",
                "Ten changes",
                "",
                List.of(),
                base.plan().lines().stream()
                        .filter(line -> line.findStream().isPresent())
                        .limit(CHANGES)
                        .map(WhatIfBench::less)
                        .toList(),
                false);
        picture = Picture.of(
                base,
                new PastErrors(new Outturn(base.plan(), base.books(), List.of(), List.of()), 0),
                Simulation.USUAL_WEEKS);
    }

    private static Books largeBooks() {
        return Books.of(List.of(new Account(
                "a", "A", "GB", false, ForecastBench.large(true).settings().asOf(), 100_000_000L)));
    }

    private static Change less(Line line) {
        return new Change(
                "of " + line.id(), new Target.OfLine(line.id()), new Act.Scale(LESS), DayRange.ALWAYS, "", true);
    }

    /** A scenario of ten changes shown, from the base's forecast. */
    @Benchmark
    public Forecast scenarioOfTenChanges() {
        return Forecaster.forecast(
                ScenarioPlan.of(base, new Scenarios(List.of(scenario)), scenario)
                        .plan(),
                base.books(),
                base);
    }

    /** 200 assumptions moved down and up. */
    @Benchmark
    public Sensitivity.Part sensitivity() {
        return Sensitivity.of(base, new Measure.LeastHeadroom(), Sensitivity.Steps.USUAL, 0, ASSUMPTIONS);
    }

    /** 1,000 runs over 26 weeks, by doubt. */
    @Benchmark
    public List<Simulation.Week> simulation() {
        return Simulation.of(base, picture, Simulation.USUAL_RUNS, Simulation.USUAL_SEED)
                .weeks();
    }
}
