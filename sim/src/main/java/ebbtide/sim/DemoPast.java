package ebbtide.sim;

import static java.util.Objects.requireNonNull;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * The forecasts of the demo company's past weeks, made on each of 26 Sundays from what it knew by then: its banks'
 * movements, its ledger's list, and a budget that took the year before and a little more. Funding, taxes on profit and
 * assets came into its plan later.
 */
public final class DemoPast {
    /** How many weeks back the first was made. */
    public static final int WEEKS = 26;

    private static final Set<String> LATER = Set.of("assets", "profit-tax", "owners");
    private static final Percent BUDGETED = Percent.parse("103");

    private DemoPast() {}

    /** Returns the forecasts, the first first. */
    public static List<Forecast> forecasts() {
        List<Forecast> forecasts = new ArrayList<>();
        for (int weeks = WEEKS; weeks > 0; weeks--) {
            forecasts.add(forecast(DemoPlan.AS_OF.minusWeeks(weeks)));
        }
        return forecasts;
    }

    private static Forecast forecast(LocalDate sunday) {
        Plan plan = plan(sunday);
        List<OpenItem> items = DemoCompany.items(plan, sunday);
        return Forecaster.forecast(plan, DemoCompany.books(items, sunday));
    }

    /** Returns the plan as it was on a day. */
    static Plan plan(LocalDate day) {
        Plan now = DemoPlan.planned();
        ActivityCalculator activity = new ActivityCalculator(now);
        YearMonth first = YearMonth.from(day.plusDays(1));
        List<Line> lines = now.lines().stream()
                .filter(line -> !LATER.contains(line.id()))
                .map(line -> line.assumption() instanceof Assumption.Stream stream
                        ? line.with(asOf(line, stream, first, activity))
                        : line)
                .toList();
        return DemoPlan.withWhatWasOwed(new Plan(now.settings().withAsOf(day), lines, List.of()));
    }

    private static Assumption asOf(Line line, Assumption.Stream stream, YearMonth first, ActivityCalculator activity) {
        SortedMap<YearMonth, Long> known = stream.history().headMap(first);
        ActivityMethod method = stream.method() instanceof ActivityMethod.StockPurchases
                        || stream.method() instanceof ActivityMethod.FixedAmount
                ? stream.method()
                : new ActivityMethod.TypedMonths(budget(stream, first, activity.planned(line)));
        Assumption.Stream then = Assumption.Stream.of(
                method, known, new TreeMap<>(), stream.tax(), stream.terms().pattern(), stream.spread());
        return DemoLedger.LINES.contains(line.id()) ? then.on(Basis.BOOKS) : then;
    }

    /** Months that are over by now were planned from the year before; those to come as they are planned still. */
    private static SortedMap<YearMonth, Long> budget(
            Assumption.Stream stream, YearMonth first, MonthlyActivity planned) {
        SortedMap<YearMonth, Long> months = new TreeMap<>();
        YearMonth now = YearMonth.from(DemoPlan.AS_OF.plusDays(1));
        for (YearMonth month = first; month.isBefore(now.plusMonths(12)); month = month.plusMonths(1)) {
            months.put(
                    month,
                    month.isBefore(now)
                            ? BUDGETED.of(requireNonNull(stream.history().get(month.minusYears(1))))
                            : planned.in(Timeline.monthNumber(month)));
        }
        return months;
    }
}
