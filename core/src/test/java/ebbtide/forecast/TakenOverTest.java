package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.Figures;
import ebbtide.accounts.Accounts;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.Input;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.PlanInputs;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.whatif.RandomScenarios;
import java.lang.ref.WeakReference;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/**
 * A forecast that takes over what an earlier one has worked out is the forecast made from the beginning, to the cent
 * and to the word.
 */
class TakenOverTest {
    private static final int PLANS = Asked.of(100);
    private static final int EDITS = 5;

    /** A plan and its books on their way through edits, with the forecast that took over from the one before. */
    private static final class Edited {
        private final Random random;
        private Plan plan;
        private Books books;
        private Forecast forecast;

        Edited(long seed) {
            RandomPlans.Case some = RandomPlans.of(seed);
            this.random = new Random(seed);
            this.plan = some.plan();
            this.books = some.books();
            this.forecast = Forecaster.forecast(plan, books);
        }

        /** Makes an edit, any of those an analyst makes, and forecasts again from the forecast before. */
        void edit() {
            Plan then = plan;
            switch (random.nextInt(10)) {
                case 0, 1 -> then = monthTyped();
                case 2 ->
                    then = with(
                            new Line(
                                    any().id(),
                                    any().group(),
                                    "Renamed",
                                    any().direction(),
                                    true,
                                    null,
                                    "",
                                    any().assumption(),
                                    List.of()),
                            false);
                case 3 -> then = with(any().off(), true);
                case 4 -> then = overridden();
                case 5 ->
                    then = new Plan(
                            plan.settings().withHorizon(plan.settings().horizonMonths() + 1),
                            plan.lines(),
                            plan.buoys());
                case 6 -> then = inputSet(PlanInputs.ofSettings(plan));
                case 7 -> then = inputSet(PlanInputs.of(plan));
                case 8 -> then = plan.asOf(plan.settings().asOf().plusDays(1 + random.nextInt(40)));
                default -> books = booked();
            }
            plan = PlanCheck.problems(then).isEmpty() ? then : plan;
            forecast = Forecaster.forecast(plan, books, forecast);
        }

        /** Any figure of some inputs, set to another. */
        private Plan inputSet(List<Input<Plan>> inputs) {
            List<Input<Plan>> figures = RandomScenarios.figures(inputs);
            if (figures.isEmpty()) {
                return plan;
            }
            Input<Plan> input = figures.get(random.nextInt(figures.size()));
            try {
                return input.with(RandomScenarios.other(input.value()));
            } catch (IllegalArgumentException refused) {
                return plan;
            }
        }

        private Line any() {
            List<Line> lines =
                    plan.lines().stream().filter(line -> !line.isGroup()).toList();
            return lines.get(random.nextInt(lines.size()));
        }

        private Plan with(Line line, boolean own) {
            Line kept = own
                    ? line
                    : plan.findLine(line.id())
                            .orElseThrow()
                            .carrying(List.of(new CarriedAmount(
                                    "c" + random.nextInt(9),
                                    plan.settings().asOf().plusDays(9),
                                    777,
                                    "rest")));
            return new Plan(
                    plan.settings(),
                    plan.lines().stream()
                            .map(one -> one.id().equals(line.id()) ? kept : one)
                            .toList(),
                    plan.buoys());
        }

        private Plan monthTyped() {
            Line line = any();
            if (!(line.assumption() instanceof Assumption.Stream stream)) {
                return plan;
            }
            TreeMap<YearMonth, Assumption.MonthOverride> overrides = new TreeMap<>(stream.overrides());
            overrides.put(
                    plan.settings().firstForecastMonth().plusMonths(random.nextInt(3)),
                    new Assumption.MonthOverride(random.nextInt(900_000), "typed"));
            return with(
                    line.with(new Assumption.Stream(
                            stream.method(),
                            stream.aside(),
                            stream.history(),
                            overrides,
                            stream.tax(),
                            stream.terms(),
                            stream.ledger(),
                            stream.spread(),
                            stream.basis())),
                    true);
        }

        private Plan overridden() {
            Line line = any();
            LocalDate from = plan.settings().asOf().plusDays(1 + random.nextInt(30));
            Line.CashOverride override =
                    new Line.CashOverride(new Period(from, from.plusDays(7)), random.nextInt(90_000), "told");
            try {
                return with(line.overridden(List.of(override)), true);
            } catch (IllegalArgumentException refused) {
                return plan;
            }
        }

        private Books booked() {
            Line line = any();
            LocalDate day = plan.settings().asOf().minusDays(random.nextInt(9) - 4L);
            return books.plus(new Books(
                    books.accounts(),
                    Map.of(
                            line.id(),
                            List.of(new DayAmount(day, line.direction().sign() * (1L + random.nextInt(50_000))))),
                    List.of(),
                    List.of(),
                    List.of(),
                    Map.of()));
        }
    }

    @Test
    void edits_ofRandomPlans_comeToWhatAForecastFromTheBeginningComesTo() {
        List<String> failed = LongStream.range(0, PLANS)
                .parallel()
                .boxed()
                .flatMap(seed -> {
                    Edited edited = new Edited(seed);
                    List<String> wrong = new ArrayList<>();
                    for (int edit = 1; edit <= EDITS; edit++) {
                        edited.edit();
                        Forecast anew = Forecaster.forecast(edited.plan, edited.books);
                        boolean same = edit < EDITS
                                ? isSameCash(edited.forecast, anew)
                                : Figures.of(edited.forecast).equals(Figures.of(anew));
                        if (!same) {
                            wrong.add("plan " + seed + " after edit " + edit);
                        }
                    }
                    return wrong.stream();
                })
                .toList();
        assertThat(failed).isEmpty();
    }

    /** Every line's flows by day and part, cash at the end of each day, and how it is funded. */
    private static boolean isSameCash(Forecast one, Forecast other) {
        List<Period> months = one.periods(Periods.MONTH, one.firstDay(), one.lastDay());
        return one.plan().lines().stream()
                        .allMatch(line -> line.isGroup()
                                || one.flows(line).equals(other.flows(line))
                                        && one.itemFlows(line).equals(other.itemFlows(line)))
                && one.firstDay()
                        .datesUntil(one.lastDay().plusDays(1))
                        .allMatch(day -> one.closing(day) == other.closing(day))
                && FundingTable.of(one, months).equals(FundingTable.of(other, months));
    }

    /** What does not read a line is the very same object as before, not only an equal one. */
    @Test
    void planWithTheSameLines_takesOverTheirFlows() {
        RandomPlans.Case some = RandomPlans.of(5);
        Forecast before = Forecaster.forecast(some.plan(), some.books());
        Forecast after = Forecaster.forecast(
                new Plan(some.plan().settings(), some.plan().lines(), List.of()), some.books(), before);
        List<Line> apart = some.plan().lines().stream()
                .filter(line -> !line.isGroup() && !Accounts.followsFromProfit(line))
                .toList();
        assertThat(apart).isNotEmpty().allSatisfy(line -> assertThat(
                        after.laid().line(line.id()))
                .isSameAs(before.laid().line(line.id())));
    }

    /**
     * Each forecast knows what the one before it came to, and nothing older: a plan that is edited all day holds no
     * more of them.
     */
    @Test
    void forecastsBeforeTheLast_areLetGo() throws InterruptedException {
        Edited edited = new Edited(7);
        WeakReference<Forecast> first = new WeakReference<>(edited.forecast);
        WeakReference<Object> accounts = new WeakReference<>(edited.forecast.accounts());
        for (int edit = 0; edit < 3; edit++) {
            edited.edit();
        }
        for (int tries = 0; tries < 50 && (first.get() != null || accounts.get() != null); tries++) {
            System.gc();
            Thread.sleep(20);
        }
        assertThat(first.get()).isNull();
        assertThat(accounts.get()).isNull();
        assertThat(edited.forecast.accounts()).isNotNull();
    }
}
