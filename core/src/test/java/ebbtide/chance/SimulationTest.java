package ebbtide.chance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import ebbtide.Asked;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.books.Payment;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.funding.Liquidity;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.Certainty;
import ebbtide.plan.Chances;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import ebbtide.time.DaySeries;
import ebbtide.track.KeptFlows;
import ebbtide.track.Outturn;
import ebbtide.track.PastErrors;
import ebbtide.track.PastErrors.Origin;
import ebbtide.track.Snapshot;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Runs drawn by hand, whose answer is known, and over random plans (rules 11.8). */
class SimulationTest {
    /** A Sunday: the first whole week begins on the day after. */
    private static final LocalDate D = LocalDate.of(2026, 6, 28);

    private static final long WEEK = 10_000_000;
    /** Hundredths of a week's estimate, by origin: at the first lead and at the second. */
    private static final int[][] ERRORS = {{-20, 10}, {-10, 10}, {-5, 0}, {0, 0}, {0, -5}, {5, 0}, {10, -10}, {20, -20}
    };

    private static final Line KELP = new Line(
            "kelp",
            null,
            "Kelp",
            Direction.RECEIPT,
            true,
            null,
            "",
            DatedItems.untaxed(List.of(), Convention.NONE),
            List.of());

    private static Line weekly(String id, Direction direction, Certainty certainty) {
        return new Line(
                id,
                null,
                id,
                direction,
                true,
                null,
                "",
                Recurring.plain(
                        new Recurrence(Recurrence.Span.WEEK, 1, D.minusWeeks(9).plusDays(3), null),
                        new Steps<>(List.of(new Steps.Step<>(D.minusWeeks(9), WEEK))),
                        Convention.NONE,
                        certainty),
                List.of());
    }

    private static BankMovement booked(LocalDate day, long minor, String line, String item) {
        return new BankMovement("bank", day, day, minor, "", "", "", List.of(new AssignedPart(line, minor, item, 0)));
    }

    private static Books books(List<BankMovement> movements) {
        long sum = movements.stream().mapToLong(BankMovement::minor).sum();
        return Books.of(List.of(new Account("bank", "Bank", "--", false, D.minusWeeks(12), -sum)), movements);
    }

    private static Outturn outturn(Plan plan, Books books, List<BankMovement> movements) {
        return new Outturn(plan, books, Payment.of(books.accounts(), movements), List.of());
    }

    /** What a line was estimated at by week, on each week's Wednesday. */
    private static Snapshot kept(LocalDate asOf, long committed, long... estimates) {
        long[] days = new long[estimates.length * 7];
        for (int week = 0; week < estimates.length; week++) {
            days[week * 7 + 2] = estimates[week];
        }
        return new Snapshot(
                asOf,
                asOf.plusWeeks(13),
                0,
                List.of(new Snapshot.KeptLine("kelp", "Kelp", "", Direction.RECEIPT, "")),
                Map.of("kelp", new KeptFlows(DaySeries.of(0, 0, 0, committed), DaySeries.of(days))),
                committed == 0
                        ? List.of()
                        : List.of(new Snapshot.KeptItem(
                                "4711",
                                "kelp",
                                "4711",
                                "Harrow Fish",
                                false,
                                asOf,
                                asOf.plusDays(4),
                                committed,
                                committed)));
    }

    /** W21: eight origins that cash of 100,000 a week was held against, all lines always together. */
    private static Simulation known(int runs) {
        Plan plan = new Plan(
                Settings.of("P", Money.currency("GBP"), D)
                        .withHorizon(3)
                        .withChances(new Chances(
                                Percent.ZERO,
                                Percent.ZERO,
                                Percent.HUNDRED,
                                Percent.HUNDRED,
                                new TreeSet<>(),
                                new TreeSet<>())),
                List.of(weekly("kelp", Direction.RECEIPT, Certainty.LIKELY)),
                List.of());
        List<BankMovement> movements = IntStream.range(0, 9)
                .mapToObj(week -> booked(D.minusWeeks(9).plusDays(7L * week + 3), WEEK, "kelp", null))
                .toList();
        Books books = books(movements);
        PastErrors past = new PastErrors(outturn(plan, books, movements), Trial.ORIGINS);
        for (int i = 0; i < ERRORS.length; i++) {
            long[] estimates = new long[13];
            Arrays.fill(estimates, WEEK);
            estimates[0] -= WEEK / 100 * ERRORS[i][0];
            estimates[1] -= WEEK / 100 * ERRORS[i][1];
            estimates[2] += WEEK / 100 * (ERRORS[i][0] + ERRORS[i][1]);
            past.add(kept(D.minusWeeks(9 - i), 0, estimates));
        }
        Forecast forecast = Forecaster.forecast(plan, books);
        assertThat(forecast.closing(D)).isZero();
        Picture picture = Picture.of(forecast, past, 2);
        assertThat(picture.sources().get(0).how()).isEqualTo(Source.How.RECORD);
        return Simulation.of(forecast, picture, runs, 1);
    }

    @Test
    void runsOfAKnownRecord_comeToTheSharesThatAreKnown() {
        Simulation thousand = known(1_000);
        assertThat(thousand.shareBelow(1, WEEK * 95 / 100)).isEqualTo(0.271);
        assertThat(thousand.shareBelow(2, 2 * WEEK)).isEqualTo(0.387);
        Simulation many = known(10_000);
        assertThat(many.shareBelow(1, WEEK * 95 / 100)).isEqualTo(0.2580).isCloseTo(0.25, within(0.015));
        assertThat(many.shareBelow(2, 2 * WEEK)).isEqualTo(0.3788).isCloseTo(0.375, within(0.015));
        assertThat(many.weeks().get(0).percentiles())
                .containsExactly(
                        8_000_000L, 8_000_000L, 9_000_000L, 10_000_000L, 10_500_000L, 12_000_000L, 12_000_000L);
        assertThat(many.weeks().get(1).fallsShort()).isZero();
        assertThatThrownBy(() -> known(10_001)).hasMessageContaining("runs");
    }

    /** W29: what was paid on what was committed is none of the estimate's error. */
    @Test
    void errorOfAnEstimate_leavesOutWhatWasPaidOnItems_andIsLaidAsTheWeekIs() {
        LocalDate then = D.minusWeeks(1);
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), D).withHorizon(3), List.of(KELP), List.of());
        List<BankMovement> movements = List.of(
                booked(then.plusDays(2), 4_500_000, "kelp", "4711"), booked(then.plusDays(3), 3_800_000, "kelp", null));
        Books books = books(movements);
        PastErrors past = new PastErrors(outturn(plan, books, movements), Trial.ORIGINS);
        long[] estimates = new long[13];
        Arrays.fill(estimates, 10_000_000);
        estimates[0] = 4_000_000;
        past.add(kept(then, 6_000_000, estimates));
        Origin origin = past.of("kelp", null, D).get(0);
        assertThat(origin).isEqualTo(new Origin(then, List.of(-200_000L), 124_000_000, 13));
        Errors errors = Errors.Recorded.of(List.of(origin), 135_000_000, 13, List.of());
        Span span = Span.of(D, D.plusWeeks(13), DayOfWeek.MONDAY, 1, BusinessDays.ofCountry("--"));
        ErringLine line =
                new ErringLine(0, "kelp", Direction.RECEIPT, DaySeries.of(0, 1_000_000, 0, 2_000_000), errors, span);
        Map<Integer, Long> laid = new TreeMap<>();
        line.draw(
                new Run[] {new Run(1, 1, 0, Percent.ZERO, new int[0], 1)},
                (at, party) -> (run, day, minor) -> laid.put(day, minor));
        assertThat(1_000_000 + laid.get(1)).isEqualTo(927_419);
        assertThat(2_000_000 + laid.get(3)).isEqualTo(1_854_839);
        assertThat(laid).hasSize(2);
    }

    /** W29: the numbers of a counterparty, of an item, of a line and of a run. */
    @Test
    void itemOfACounterparty_isPaidOnTheDayThatItsNumberHas() {
        Drawer harrow = Drawer.of(Drawer.known("party Harrow Fish"), Drawer.run(1, 1));
        Drawer item = Drawer.of(Drawer.known("item 4711"), Drawer.run(1, 1));
        assertThat(harrow.number(0)).isCloseTo(0.516768875967, within(1e-12));
        assertThat(harrow.number(1)).isCloseTo(0.392056769711, within(1e-12));
        assertThat(item.number(0)).isCloseTo(0.724509102146, within(1e-12));
        assertThat(Drawer.of(Drawer.known("line kelp"), Drawer.run(1, 1)).oneOf(0, 8))
                .isEqualTo(5);
        assertThat(Drawer.of(Drawer.known("run"), Drawer.run(1, 1)).number(0)).isCloseTo(0.517160296600, within(1e-12));
        assertThat(new Run(1, 1, 0, Percent.parse("50"), new int[] {1}, 1).together())
                .isFalse();

        List<OpenItem> items = new ArrayList<>();
        for (int late : List.of(4, 8, 12, 20, 30)) {
            items.add(item("paid " + late, D.minusDays(40L + late), D.minusDays(40)));
        }
        items.add(item("4711", D.minusDays(10), null));
        Plan plan = new Plan(
                Settings.of("P", Money.currency("GBP"), D)
                        .withHorizon(3)
                        .withChances(Chances.USUAL.with(List.of(), List.of("kelp"))),
                List.of(KELP),
                List.of());
        Books books = books(List.of()).with(OpenItems.of(items));
        Forecast forecast = Forecaster.forecast(plan, books);
        assertThat(forecast.closing(D.plusDays(9)))
                .as("forecast 20 days after due")
                .isZero();
        assertThat(forecast.closing(D.plusDays(10))).isEqualTo(100_000);
        Picture picture = Picture.of(forecast, new PastErrors(outturn(plan, books, List.of()), 0), 4);
        assertThat(drawn(picture, 1)).as("run 1 has it as forecast").isEmpty();
        // The first run in which Harrow Fish does not pay as one has the item on the day of its own number.
        int alone = IntStream.rangeClosed(1, 50)
                .filter(run -> Drawer.of(Drawer.known("party Harrow Fish"), Drawer.run(1, run))
                                .number(1)
                        >= 0.5)
                .filter(run ->
                        Drawer.of(Drawer.known("item 4711"), Drawer.run(1, run)).number(0) > 0.7)
                .findFirst()
                .orElseThrow();
        assertThat(drawn(picture, alone)).isEqualTo(Map.of(9, -100_000L, 19, 100_000L));
        // Its cash is there once, not once for the line and once for whose it is.
        Simulation runs = Simulation.of(forecast, picture, 400, 1);
        for (Simulation.Week week : runs.weeks()) {
            assertThat(week.percentiles()).as("by " + week.end()).isSubsetOf(0L, 100_000L);
        }
        assertThat(runs.weeks().stream().map(Simulation.Week::percentiles))
                .as("paid in some runs and not yet in others")
                .anyMatch(percentiles -> percentiles.containsAll(List.of(0L, 100_000L)));
    }

    private static OpenItem item(String id, LocalDate due, LocalDate paid) {
        return new OpenItem(
                id,
                OpenItem.Kind.INVOICE,
                id,
                "Harrow Fish",
                "kelp",
                due.minusDays(30),
                due.minusDays(30),
                due,
                new OpenItem.Amount(100_000, 0, false, paid == null ? 100_000 : 0),
                paid,
                Handling.NONE,
                null);
    }

    /** What a run of seed 1 moves of lines, by day. */
    private static Map<Integer, Long> drawn(Picture picture, int run) {
        Map<Integer, Long> moved = new TreeMap<>();
        picture.draw(1, new int[] {run}, (line, party) -> (at, day, minor) -> moved.merge(day, minor, Long::sum));
        moved.values().removeIf(sum -> sum == 0);
        return moved;
    }

    @Test
    void runsOverRandomPlans_areTheForecastWithWhatTheyDraw_onAnyNumberOfThreads() {
        AtomicInteger moved = new AtomicInteger();
        RandomPlans.each(Asked.of(60), (some, seed) -> {
            Forecast forecast = Forecaster.forecast(some.plan(), some.books());
            PastErrors past = new PastErrors(new Outturn(some.plan(), some.books(), List.of(), List.of()), 0);
            Picture picture = Picture.of(forecast, past, 26);
            int last = forecast.timeline().index(forecast.lastDay());
            Liquidity undrawn = forecast.funding().flowing(DaySeries.NIL);
            for (int day = forecast.asOfIndex(); day <= last; day++) {
                assertThat(undrawn.headroom(day)).isEqualTo(forecast.liquidity().headroom(day));
            }
            Simulation one = on(1, forecast, picture);
            Simulation four = on(4, forecast, picture);
            assertThat(four.weeks()).isEqualTo(one.weeks());
            assertThat(four.leastHeadroom()).isEqualTo(one.leastHeadroom());
            assertThat(four.inBadRuns()).isEqualTo(one.inBadRuns());
            assertThat(one.worstHeadroom())
                    .isLessThanOrEqualTo(one.leastHeadroom().get(3));
            for (Simulation.Week week : one.weeks()) {
                assertThat(week.percentiles()).isSorted();
            }
            moved.addAndGet(one.inBadRuns().isEmpty() ? 0 : 1);
            Chances firm = Chances.USUAL.with(
                    some.plan().lines().stream().map(Line::id).toList(), List.of());
            Forecast sure = Forecaster.forecast(
                    new Plan(
                            some.plan().settings().withChances(firm),
                            some.plan().lines(),
                            List.of()),
                    some.books());
            Simulation.of(sure, Picture.of(sure, past, 26), 3, seed)
                    .weeks()
                    .forEach(week -> assertThat(week.percentiles()).containsOnly(week.forecast()));
        });
        assertThat(moved).hasValueGreaterThan(Asked.of(30));
    }

    private static Simulation on(int threads, Forecast forecast, Picture picture) {
        ForkJoinPool pool = new ForkJoinPool(threads);
        try {
            return pool.submit(() -> Simulation.of(forecast, picture, 23, 7)).join();
        } finally {
            pool.shutdown();
        }
    }
}
