package ebbtide.chance;

import ebbtide.forecast.Forecast;
import ebbtide.funding.Liquidity;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.time.DaySeries;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Many runs of a forecast, each with what its {@link Picture} draws, swept and bearing interest anew (rules 11.8):
 * where closing cash is likely to lie, how often headroom runs out, and what goes with the runs that are worst. The
 * same on any number of threads. Minor units.
 */
public final class Simulation {
    /** The percentiles that are shown. */
    public static final List<Integer> PERCENTILES = List.of(5, 10, 25, 50, 75, 90, 95);

    public static final int MOST_RUNS = 10_000;
    public static final int USUAL_RUNS = 1_000;
    public static final int USUAL_WEEKS = 26;
    public static final long USUAL_SEED = 1;
    private static final int WORST = 20;
    private static final int SUFFICIENT = 95;
    private static final int HUNDRED = 100;

    private final Forecast forecast;
    private final Picture picture;
    private final int runs;
    private final long seed;
    private final long[][] closing;
    private final long[] headroom;
    private final int[] lowWater;
    private final int[] shortWeek;
    private final long[] need;
    private final @Nullable SumsByDay[] sums;
    /** The last day of each week, by its index on the timeline. */
    private final int[] ends;

    private Simulation(Forecast forecast, Picture picture, int runs, long seed) {
        this.forecast = forecast;
        this.picture = picture;
        this.runs = runs;
        this.seed = seed;
        this.closing = new long[picture.weeks()][runs];
        this.headroom = new long[runs];
        this.lowWater = new int[runs];
        this.shortWeek = new int[runs];
        this.need = new long[runs];
        this.sums = new SumsByDay[picture.sources().size()];
        this.ends = IntStream.rangeClosed(1, picture.weeks())
                .map(lead -> forecast.timeline().index(picture.span().end(lead)))
                .toArray();
    }

    /**
     * Returns so many runs of a forecast.
     *
     * @throws Refused where it is not 1 to 10,000 runs
     */
    public static Simulation of(Forecast forecast, Picture picture, int runs, long seed) {
        Check.inRange(runs, 1, MOST_RUNS, "runs");
        Simulation made = new Simulation(forecast, picture, runs, seed);
        int parts = Math.min(runs, Runtime.getRuntime().availableProcessors() * 2);
        IntStream.range(0, parts).parallel().forEach(part -> made.runPart(part, parts));
        return made;
    }

    /** Each part of the runs adds up by itself, and its sums to those of all: whole numbers, in any order. */
    private void runPart(int part, int parts) {
        @Nullable SumsByDay[] own = new SumsByDay[sums.length];
        int first = (int) ((long) part * runs / parts);
        int end = (int) ((part + 1L) * runs / parts);
        picture.draw(
                seed,
                first + 1,
                end + 1,
                (line, party) -> party == Taker.NOBODY ? of(own, line) : new Both(of(own, line), of(own, party)),
                (number, more) -> take(number - 1, more));
        synchronized (sums) {
            for (int source = 0; source < sums.length; source++) {
                SumsByDay more = own[source];
                if (more != null) {
                    of(sums, source).addAll(more);
                }
            }
        }
    }

    /** The sums of a line and of a counterparty, which move alike. */
    private record Both(SumsByDay line, SumsByDay party) implements Taker.Moves {
        @Override
        public void take(int run, int day, long minor) {
            line.add(day, minor);
            party.add(day, minor);
        }

        @Override
        public void takeOfAll(int runs, int day, long minor) {
            line.add(day, minor * runs);
            party.add(day, minor * runs);
        }
    }

    private static SumsByDay of(@Nullable SumsByDay[] sums, int source) {
        SumsByDay known = sums[source];
        if (known == null) {
            known = new SumsByDay();
            sums[source] = known;
        }
        return known;
    }

    private void take(int run, long[] more) {
        Timeline timeline = forecast.timeline();
        int after = forecast.asOfIndex() + 1;
        Liquidity then = forecast.funding()
                .flowing(DaySeries.of(
                        timeline.days(), day -> day < after || day - after >= more.length ? 0 : more[day - after]));
        for (int week = 0; week < closing.length; week++) {
            closing[week][run] = then.cash(ends[week]);
        }
        int last = timeline.index(forecast.lastDay());
        int worst = then.worstDay(after, last);
        headroom[run] = then.headroom(worst);
        lowWater[run] = worst - after;
        need[run] = then.peakNeed(after - 1, last);
        shortWeek[run] = firstShortWeek(then, after, last);
    }

    /** The first week by whose end headroom was below zero, the part week's days with those of the first. */
    private int firstShortWeek(Liquidity then, int after, int last) {
        for (int day = after; day <= last; day++) {
            if (then.headroom(day) < 0) {
                for (int week = 0; week < closing.length; week++) {
                    if (day <= ends[week]) {
                        return week;
                    }
                }
                return closing.length;
            }
        }
        return Integer.MAX_VALUE;
    }

    public int runs() {
        return runs;
    }

    public long seed() {
        return seed;
    }

    /**
     * A week: its last day, what closing cash is forecast to be then, its percentiles by {@link #PERCENTILES}, and in
     * how many runs headroom was below zero on a day up to then.
     */
    public record Week(LocalDate end, long forecast, List<Long> percentiles, int fallsShort) {}

    /** Returns the weeks that err. */
    public List<Week> weeks() {
        List<Week> weeks = new ArrayList<>();
        for (int week = 0; week < closing.length; week++) {
            int at = week;
            LocalDate end = picture.span().end(week + 1);
            weeks.add(new Week(end, forecast.closing(end), percentiles(closing[week]), (int)
                    Arrays.stream(shortWeek).filter(one -> one <= at).count()));
        }
        return weeks;
    }

    /** Returns in how many runs headroom was below zero on any day up to the horizon. */
    public int fallsShort() {
        return (int) Arrays.stream(headroom).filter(one -> one < 0).count();
    }

    /** Returns by how much a share of runs may be off, one standard error, in hundredths of a percent (rules 11.8). */
    public long errorHundredths(int found) {
        double share = (double) found / runs;
        return Math.round(HUNDRED * HUNDRED * Math.sqrt(share * (1 - share) / runs));
    }

    /** Returns the share of runs whose closing cash at the end of a week, by lead from 1, is below a bound. */
    public double shareBelow(int lead, long bound) {
        return (double) Arrays.stream(closing[lead - 1])
                        .filter(one -> one < bound)
                        .count()
                / runs;
    }

    /** Returns the percentiles of least headroom. */
    public List<Long> leastHeadroom() {
        return percentiles(headroom);
    }

    /** Returns the mean of least headroom in the worst twentieth of the runs. */
    public long worstHeadroom() {
        return mean(Arrays.stream(headroom).sorted().limit(worstRuns()).sum(), worstRuns());
    }

    /** Returns the limit that would have sufficed in 95 of 100 runs: that percentile of peak need. */
    public long sufficientLimit() {
        return percentile(Arrays.stream(need).sorted().toArray(), SUFFICIENT);
    }

    private static List<Long> percentiles(long[] found) {
        long[] sorted = Arrays.stream(found).sorted().toArray();
        return PERCENTILES.stream().map(one -> percentile(sorted, one)).toList();
    }

    /** The ceil(N x p / 100)-th smallest. */
    private static long percentile(long[] sorted, int percent) {
        return sorted[(sorted.length * percent + HUNDRED - 1) / HUNDRED - 1];
    }

    private int worstRuns() {
        return (runs + WORST - 1) / WORST;
    }

    /** How far a source's cash up to low water is on average from its mean over all runs, in those that are worst. */
    public record Off(Source source, long minor) {}

    /**
     * Returns what goes with the bad runs: of each source how far its cash up to low water, each run's own, is from its
     * mean up to that day, in the worst twentieth; the largest first, those that make no difference left out.
     */
    public List<Off> inBadRuns() {
        List<Integer> worst = IntStream.range(0, runs)
                .boxed()
                .sorted(Comparator.<Integer>comparingLong(run -> headroom[run])
                        .thenComparing(Comparator.naturalOrder()))
                .limit(worstRuns())
                .toList();
        List<Source> sources = picture.sources();
        long[] upTo = new long[sources.size()];
        long[] usual = new long[sources.size()];
        picture.draw(seed, worst.stream().mapToInt(run -> run + 1).toArray(), (line, party) -> (run, day, minor) -> {
            if (day <= lowWater[worst.get(run)]) {
                upTo[line] += minor;
                if (party != Taker.NOBODY) {
                    upTo[party] += minor;
                }
            }
        });
        for (int run : worst) {
            int low = lowWater[run];
            for (int source = 0; source < usual.length; source++) {
                SumsByDay all = sums[source];
                usual[source] += all == null ? 0 : all.upTo(low);
            }
        }
        return IntStream.range(0, upTo.length)
                .mapToObj(at -> new Off(sources.get(at), off(upTo[at], usual[at], worst.size())))
                .filter(one -> one.minor() != 0)
                .sorted(Comparator.comparingLong((Off one) -> -Math.abs(one.minor())))
                .toList();
    }

    private long off(long upTo, long usual, int worst) {
        return BigDecimal.valueOf(upTo)
                .multiply(BigDecimal.valueOf(runs))
                .subtract(BigDecimal.valueOf(usual))
                .divide(BigDecimal.valueOf((long) runs * worst), 0, RoundingMode.HALF_UP)
                .longValueExact();
    }

    private static long mean(long sum, int of) {
        return BigDecimal.valueOf(sum)
                .divide(BigDecimal.valueOf(of), 0, RoundingMode.HALF_UP)
                .longValueExact();
    }
}
