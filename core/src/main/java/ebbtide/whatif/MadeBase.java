package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Check;
import ebbtide.plan.Alteration;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * Changes of a scenario made the base: the plan as they leave it, in what a plan itself can say. Months whose activity
 * they change are overridden with what they come to.
 */
public final class MadeBase {
    private MadeBase() {}

    /**
     * Returns the base with one scenario's own changes that are asked for.
     *
     * @throws IllegalArgumentException where a change finds nothing, or does what no base can say
     */
    public static Plan of(Forecast base, Scenario scenario, List<String> changeIds) {
        Scenario alone = new Scenario(
                scenario.id(),
                scenario.name(),
                scenario.note(),
                List.of(),
                scenario.changes().stream()
                        .filter(change -> changeIds.contains(change.id()))
                        .toList(),
                false);
        ScenarioPlan made = ScenarioPlan.of(base, new Scenarios(List.of(alone)), alone);
        made.changes().stream()
                .flatMap(done -> done.findsNothing().stream())
                .findFirst()
                .ifPresent(sentence -> {
                    throw new IllegalArgumentException(sentence);
                });
        Forecast forecast = Forecaster.forecast(made.asChanged(), base.books(), base);
        return new Plan(
                made.asChanged().settings(),
                made.asChanged().lines().stream()
                        .map(line -> said(forecast, line, scenario))
                        .toList(),
                made.asChanged().buoys());
    }

    private static Line said(Forecast forecast, Line line, Scenario scenario) {
        if (line.altered().isEmpty()) {
            return line;
        }
        Check.that(
                line.findStream().isPresent(),
                "Other bills or pay of '" + line.name()
                        + "' stay a change: set its amount instead, and make that the base");
        Assumption.Stream stream = line.findStream().orElseThrow();
        SortedMap<YearMonth, Assumption.MonthOverride> overrides = new TreeMap<>(stream.overrides());
        YearMonth last = forecast.plan().lastEarnedMonth();
        for (YearMonth month = forecast.plan().settings().firstForecastMonth();
                !month.isAfter(last);
                month = month.plusMonths(1)) {
            if (touches(line, month)) {
                overrides.put(
                        month,
                        new Assumption.MonthOverride(
                                forecast.accounts().activity().planned(line).in(Timeline.monthNumber(month)),
                                scenario.name()));
            }
        }
        return line.with(stream.withOverrides(overrides)).unaltered();
    }

    private static boolean touches(Line line, YearMonth month) {
        return line.alteredAmounts().stream().map(Alteration.Amounts::range).anyMatch(range -> range.touches(month));
    }
}
