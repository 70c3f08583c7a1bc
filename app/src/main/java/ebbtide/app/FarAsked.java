package ebbtide.app;

import ebbtide.forecast.Forecast;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.DayRange;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.whatif.BreakEven;
import ebbtide.whatif.Dial;
import ebbtide.whatif.Measure;
import ebbtide.whatif.MeasureAsked;
import ebbtide.whatif.Target;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How far the command is asked that something can go (rules 11.6): a line by its id or name or an assumption by its
 * lasting name, over which days, measured by what, and the least that suffices.
 */
record FarAsked(
        @Nullable String of,
        DayRange range,
        MeasureAsked measure,
        @Nullable LocalDate on,
        String least) {
    private static final String OF = "--of";
    private static final String FROM = "--from";
    private static final String TO = "--to";
    private static final String MEASURE = "--measure";
    private static final String ON = "--on";
    private static final String LEAST = "--least";

    /** The options that are about this question alone. */
    static final Set<String> OPTIONS = Set.of(OF, FROM, TO, MEASURE, ON, LEAST);

    /**
     * Returns what options ask for: unless they say otherwise always, by least headroom, of which nil suffices.
     *
     * @throws Refused where an option cannot be read
     */
    static FarAsked of(Map<String, String> options) {
        return new FarAsked(
                options.get(OF),
                new DayRange(day(options, FROM), day(options, TO)),
                measure(options.getOrDefault(MEASURE, "least-headroom")),
                day(options, ON),
                options.getOrDefault(LEAST, "0"));
    }

    private static @Nullable LocalDate day(Map<String, String> options, String option) {
        String typed = options.get(option);
        try {
            return typed == null ? null : LocalDate.parse(typed);
        } catch (DateTimeException e) {
            throw new Refused("Say " + option + " as a day such as 2026-06-30, but was '" + typed + "'.", e);
        }
    }

    private static String word(MeasureAsked measure) {
        return measure.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static MeasureAsked measure(String word) {
        List<MeasureAsked> all = List.of(MeasureAsked.values());
        return all.stream()
                .filter(one -> word(one).equals(word))
                .findFirst()
                .orElseThrow(() -> new Refused("Say " + MEASURE + " "
                        + String.join(", ", all.stream().map(FarAsked::word).toList()) + ", but was '" + word + "'."));
    }

    /**
     * Returns how far it can go over a forecast.
     *
     * @throws Refused where nothing is asked of, or what has no figure to turn
     */
    BreakEven.Answer answer(Forecast forecast) {
        Plan plan = forecast.plan();
        Measure by = measure.on(on, forecast);
        long bound = Money.minor(least, plan.settings().currency());
        return BreakEven.of(forecast, Dial.of(plan, target(plan), range), by, bound, () -> {});
    }

    private Target target(Plan plan) {
        if (of == null) {
            throw new Refused(
                    "say what is to go further, a line or an assumption by its lasting name: " + OF + " NAME");
        }
        return plan.lines().stream()
                .filter(line -> List.of(line.id(), line.name()).contains(of))
                .map(Line::id)
                .findFirst()
                .<Target>map(Target.OfLine::new)
                .orElseGet(() -> new Target.OfAssumption(of));
    }
}
