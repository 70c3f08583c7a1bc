package ebbtide.whatif;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.answers.ChecklistItem;
import ebbtide.forecast.Forecast;
import ebbtide.money.Money;
import ebbtide.plan.Settings;
import java.time.LocalDate;
import java.util.Currency;
import java.util.Optional;

/**
 * The scenario that funding must survive (rules 11.9): its figures, and the first day on which headroom is below nil,
 * where it does not hold.
 */
public record Breakwater(Scenario scenario, KeyFigures figures, Optional<LocalDate> falls) {

    /** Returns the breakwater as its forecast has it. */
    public static Breakwater of(Scenario scenario, Forecast forecast) {
        Settings settings = forecast.plan().settings();
        return new Breakwater(
                scenario,
                KeyFigures.of(forecast),
                settings.asOf()
                        .plusDays(1)
                        .datesUntil(settings.horizonEnd().plusDays(1))
                        .filter(day -> forecast.liquidity()
                                        .headroom(forecast.timeline().index(day))
                                < 0)
                        .findFirst());
    }

    /** Returns what the checklist says where it does not hold. */
    public Optional<ChecklistItem> missing(Currency currency) {
        return falls.map(day -> new ChecklistItem(
                null,
                "The breakwater '" + scenario.name() + "' does not hold: headroom is below nil from "
                        + DAY.format(day) + ", and at worst " + Money.words(figures.headroom(), currency) + " on "
                        + DAY.format(figures.lowWater())));
    }

    /**
     * Returns how much of it funding survives: the share of all its changes at once at which headroom is below nil;
     * {@code wanted} as in {@link BreakEven#of}.
     */
    public static BreakEven.Answer survived(Forecast base, Scenarios all, Scenario scenario, Runnable wanted) {
        return BreakEven.of(base, Dial.share(all, scenario), new Measure.LeastHeadroom(), 0, wanted);
    }
}
