package ebbtide.bench;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.plan.YearsPlan;
import ebbtide.sim.DemoCompany;
import ebbtide.years.DriverEdit;
import ebbtide.years.Years;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Twenty years after the demo's months, each row driven, and all that is asked of them. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 3, time = 3)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx512m"})
public class YearsBench {
    private Years years;

    @Setup
    public void make() {
        PlanDocument demo = DemoCompany.document();
        Forecast forecast = Forecaster.forecast(demo.plan(), demo.books());
        years = Years.of(forecast, DriverEdit.proposed(Years.of(forecast, YearsPlan.asBefore(YearsPlan.MOST_YEARS))));
    }

    /** The years alone, interest solved on the mean. */
    @Benchmark
    public Years recomputed() {
        return Years.of(years.plan(), years.start());
    }

    /** The growth that needs nothing from outside, of each of them. */
    @Benchmark
    public int freeGrowth() {
        int found = 0;
        for (int i = 1; i < years.all().size(); i++) {
            found += years.growthWithoutFunding(i).isPresent() ? 1 : 0;
        }
        return found;
    }
}
