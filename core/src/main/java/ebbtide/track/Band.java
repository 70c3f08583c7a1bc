package ebbtide.track;

import ebbtide.forecast.Forecast;
import ebbtide.plan.Settings;
import ebbtide.time.WholeWeeks;
import ebbtide.track.Accuracy.Closing;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * How far closing cash may lie from its forecast, from how far it lay before (rules 10.4): by lead, what was lowest and
 * highest of the middle eight tenths of past errors; signed minor units to be added to a forecast. Leads with fewer
 * than eight errors have none.
 */
public record Band(List<Reach> reaches, int covered, int tried) {
    /** Fewer errors than these say nothing. */
    public static final int FEWEST = 8;

    private static final int TENTHS = 10;

    /** The errors that a lead is likely to have. */
    public record Reach(int lead, long low, long high) {}

    /**
     * Returns the band that a record gives, and its coverage: of the closing balances for which a band could be drawn
     * when they were forecast, from what was known by then, how many fell within it.
     */
    public static Band of(List<Closing> record) {
        TreeMap<Integer, List<Closing>> byLead = new TreeMap<>();
        record.forEach(one ->
                byLead.computeIfAbsent(one.lead(), lead -> new ArrayList<>()).add(one));
        List<Reach> reaches = new ArrayList<>();
        int covered = 0;
        int tried = 0;
        for (List<Closing> all : byLead.values()) {
            Reach reach = reach(all);
            if (reach != null) {
                reaches.add(reach);
            }
            for (Closing one : all) {
                Reach then = reach(knownOn(all, one.asOf()));
                if (then != null) {
                    tried++;
                    covered +=
                            one.actual() >= one.forecast() + then.low() && one.actual() <= one.forecast() + then.high()
                                    ? 1
                                    : 0;
                }
            }
        }
        return new Band(List.copyOf(reaches), covered, tried);
    }

    /** Where closing cash is likely to lie at the end of a day, in minor units. */
    public record Level(LocalDate day, long low, long high) {}

    /**
     * Returns the band around a forecast: from its as-of date, when cash is known, to the end of the last whole week
     * that has a reach; none without reaches.
     */
    public List<Level> around(Forecast forecast) {
        if (reaches.isEmpty()) {
            return List.of();
        }
        Settings settings = forecast.plan().settings();
        List<Level> levels = new ArrayList<>();
        levels.add(new Level(settings.asOf(), forecast.closing(settings.asOf()), forecast.closing(settings.asOf())));
        WholeWeeks weeks = WholeWeeks.after(settings.asOf(), settings.firstDayOfWeek());
        for (Reach reach : reaches) {
            LocalDate day = weeks.week(reach.lead()).lastDay();
            if (!day.isAfter(forecast.lastDay())) {
                levels.add(new Level(day, forecast.closing(day) + reach.low(), forecast.closing(day) + reach.high()));
            }
        }
        return levels;
    }

    private static List<Closing> knownOn(List<Closing> all, LocalDate day) {
        return all.stream().filter(one -> !one.day().isAfter(day)).toList();
    }

    private static @Nullable Reach reach(List<Closing> all) {
        if (all.size() < FEWEST) {
            return null;
        }
        long[] errors = all.stream()
                .mapToLong(one -> one.actual() - one.forecast())
                .sorted()
                .toArray();
        int out = errors.length / TENTHS;
        return new Reach(all.get(0).lead(), errors[out], errors[errors.length - 1 - out]);
    }
}
