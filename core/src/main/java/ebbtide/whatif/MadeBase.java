package ebbtide.whatif;

import ebbtide.activity.MonthlyActivity;
import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.plan.Alteration;
import ebbtide.plan.Assumption;
import ebbtide.plan.Assumption.MonthOverride;
import ebbtide.plan.Input;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import ebbtide.plan.Recurring;
import ebbtide.plan.Steps;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * Changes of a scenario made the base: the plan as they leave it, in what a plan itself can say, and the open items of
 * which they say something. Months whose activity they change are overridden with what they come to.
 */
public record MadeBase(Plan plan, List<OpenItem> items) {
    public MadeBase {
        items = List.copyOf(items);
    }

    /**
     * Returns the base with one scenario's own changes that are asked for.
     *
     * @throws Refused where a change finds nothing, or does what no base can say
     */
    public static MadeBase of(Forecast base, Scenario scenario, List<String> changeIds) {
        Scenario alone = new Scenario(
                scenario.id(),
                scenario.name(),
                scenario.note(),
                List.of(),
                scenario.changes().stream()
                        .filter(change -> scenario.tiedTo(change.id()).stream().anyMatch(changeIds::contains))
                        .toList(),
                false);
        ScenarioPlan made = ScenarioPlan.of(base, new Scenarios(List.of(alone)), alone);
        made.changes().stream()
                .flatMap(done -> done.findsNothing().stream())
                .findFirst()
                .ifPresent(sentence -> {
                    throw new Refused(sentence);
                });
        Plan changed = new Plan(
                made.asChanged().settings(),
                made.asChanged().lines().stream().map(Line::withoutSaidOfItems).toList(),
                made.asChanged().buoys());
        Plan plain = plain(changed);
        Forecast wanted = Forecaster.forecast(changed, base.books(), base);
        Forecast said = Forecaster.forecast(plain, base.books(), base);
        return new MadeBase(
                new Plan(
                        plain.settings(),
                        changed.lines().stream()
                                .map(line -> said(wanted, said, line, scenario))
                                .toList(),
                        plain.buoys()),
                items(base, made.asChanged()));
    }

    /** The items of which the plan says something else than the books. */
    private static List<OpenItem> items(Forecast base, Plan changed) {
        Map<String, OpenItem> items = new LinkedHashMap<>();
        for (Line line : changed.lines()) {
            for (Alteration.ItemSaid one : line.saidOfItems()) {
                base.books().items().find(one.item()).ifPresent(item -> items.put(item.id(), item.with(one.said())));
            }
        }
        return List.copyOf(items.values());
    }

    /** What a plan itself can say of a plan that scenarios made: growth that begins with its step, nothing altered. */
    private static Plan plain(Plan made) {
        Plan plain = made;
        for (Input<Plan> input : PlanInputs.of(made)) {
            if (input.value() instanceof Input.Value.Stepped stepped
                    && stepped.of().steps().stream()
                            .anyMatch(step -> !step.since().equals(step.from()))) {
                plain = PlanInputs.find(plain, input.path())
                        .orElseThrow()
                        .with(new Input.Value.Stepped(new Steps<>(stepped.of().steps().stream()
                                .map(step -> new Steps.Step<Object>(step.from(), step.value()))
                                .toList())));
            }
        }
        return new Plan(
                plain.settings(), plain.lines().stream().map(Line::unaltered).toList(), plain.buoys());
    }

    /**
     * Months of a stream that come to something else than a plan says of itself are overridden with what they come to.
     */
    private static Line said(Forecast wanted, Forecast plain, Line line, Scenario scenario) {
        Line own = plain.plan().findLine(line.id()).orElseThrow();
        if (own.equals(line)) {
            return own;
        }
        Check.that(
                !line.isPaidLater(),
                "Cash of '" + line.name()
                        + "' that is paid later stays a change: set its terms or its days instead, and make that the base");
        Check.that(
                line.altered().stream().noneMatch(Alteration.DaysShifted.class::isInstance),
                "Bills and items of '" + line.name()
                        + "' that come on other days stay a change: set their days instead, and make that the base");
        Check.that(
                line.altered().stream().noneMatch(Alteration.OfItems.class::isInstance),
                "Items of '" + line.name()
                        + "' that are paid otherwise stay a change: what becomes of each is said at the item");
        Optional<Assumption.Stream> stream = own.findStream();
        if (stream.isEmpty()) {
            boolean grows = own.assumption() instanceof Recurring bills
                    && bills.yearlyUplift().millionths() != 0;
            Check.that(
                    line.altered().isEmpty() && !grows,
                    "Other bills or pay of '" + line.name()
                            + "' stay a change: set its amount instead, and make that the base");
            return own;
        }
        MonthlyActivity should = wanted.accounts().activity().planned(line);
        MonthlyActivity is = plain.accounts().activity().planned(own);
        SortedMap<YearMonth, MonthOverride> overrides =
                new TreeMap<>(stream.get().overrides());
        for (int month = Timeline.monthNumber(wanted.plan().settings().firstForecastMonth());
                month <= should.lastMonth();
                month++) {
            if (should.in(month) != is.in(month)) {
                overrides.put(Timeline.month(month), new MonthOverride(should.in(month), scenario.name()));
            }
        }
        return own.with(stream.get().withOverrides(overrides));
    }
}
