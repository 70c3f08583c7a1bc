package ebbtide.plan;

import static java.util.Objects.requireNonNull;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * A revolving facility, drawn and repaid by the sweep (rules 8.2, 8.3): its limit, what guarantees use up of it, when
 * it may be drawn, its rate as base + margin with a fee on what is undrawn, and what was drawn at the end of a day.
 * Facilities are drawn in the order of their lines and repaid in the reverse. The line bears what is drawn and repaid,
 * its interest stands on a line of its own. {@code start} and {@code end} are null where there is none; from its end on
 * nothing may be drawn. {@code availability} is null where the limit alone counts.
 */
public record Revolving(
        Steps<Long> limit,
        boolean committed,
        @Nullable LocalDate start,
        @Nullable LocalDate end,
        Steps<Percent> base,
        Steps<Percent> margin,
        Steps<Percent> undrawnFee,
        long multiple,
        int noticeDays,
        Steps<Long> guarantees,
        Charging charging,
        Drawn drawn,
        @Nullable BorrowingBase availability)
        implements Assumption {

    private static final Percent LEAST_BASE = new Percent(-Percent.WHOLE / 10);

    /**
     * What was drawn at the end of a day, and the interest and fees accrued by then that are not charged yet; minor
     * units, not negative.
     */
    public record Drawn(LocalDate on, long amount, long accrued) {
        public Drawn {
            Objects.requireNonNull(on, "day on which it was drawn");
            Check.notNegative(amount, "what is drawn");
            Check.notNegative(accrued, "interest accrued");
        }
    }

    /** Makes a facility whose limit alone counts. */
    public Revolving(
            Steps<Long> limit,
            boolean committed,
            @Nullable LocalDate start,
            @Nullable LocalDate end,
            Steps<Percent> base,
            Steps<Percent> margin,
            Steps<Percent> undrawnFee,
            long multiple,
            int noticeDays,
            Steps<Long> guarantees,
            Charging charging,
            Drawn drawn) {
        this(
                limit,
                committed,
                start,
                end,
                base,
                margin,
                undrawnFee,
                multiple,
                noticeDays,
                guarantees,
                charging,
                drawn,
                null);
    }

    public Revolving {
        limit.steps().forEach(step -> Check.notNegative(step.value(), "limit from " + step.from()));
        guarantees.steps().forEach(step -> Check.notNegative(step.value(), "guarantees from " + step.from()));
        Check.that(
                start == null || end == null || start.isBefore(end),
                "a facility ends after it starts: put its end later");
        base.steps()
                .forEach(step ->
                        Check.inRange(step.value(), LEAST_BASE, Percent.HUNDRED, "base rate from " + step.from()));
        margin.steps()
                .forEach(step ->
                        Check.inRange(step.value(), Percent.ZERO, Percent.HUNDRED, "margin from " + step.from()));
        undrawnFee
                .steps()
                .forEach(step -> Check.inRange(step.value(), Percent.ZERO, Percent.HUNDRED, "fee from " + step.from()));
        Check.that(multiple >= 1, "it is drawn in multiples of at least the smallest coin");
        Check.inRange(noticeDays, 0, 60, "business days of notice");
        Objects.requireNonNull(charging, "when interest is charged");
        Objects.requireNonNull(drawn, "what is drawn");
    }

    @Override
    public Optional<String> refusesOverrides() {
        return WORKED_OUT;
    }

    @Override
    public String kind() {
        return "revolving";
    }

    @Override
    public Nature usualNature(Direction direction) {
        return Nature.OUTSIDE;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        return Standing.of(CashRow.FACILITIES, OpeningSheet.Kind.DEBT);
    }

    @Override
    public List<String> reads() {
        return List.of();
    }

    @Override
    public Optional<Interest.Of> interest() {
        return Optional.of(Interest.Of.LINE);
    }

    @Override
    public boolean bearsInterest() {
        return !base.isEmpty() || !margin.isEmpty() || !undrawnFee.isEmpty();
    }

    @Override
    public List<Input<Revolving>> inputs() {
        return Inputs.of(this)
                .add("limit", "limit", Unit.MONEY)
                .add("guarantees", "used up by guarantees", Unit.MONEY)
                .add("base", "base rate", Unit.percent("% a year", LEAST_BASE, Percent.HUNDRED))
                .add("margin", "margin", Unit.RATE)
                .add("undrawnFee", "fee on what is undrawn", Unit.RATE)
                .in("drawn", drawn, one -> Inputs.of(one)
                        .on(one.on(), "amount", "drawn", Unit.MONEY)
                        .when(one.accrued() != 0, "accrued", "interest accrued", Unit.MONEY)
                        .facts("amount", "accrued"))
                .when(start != null, "start", "begins", Unit.DATE)
                .when(end != null, "end", "ends", Unit.DATE)
                .add("multiple", "drawn in multiples of", new Unit(Unit.Measure.MONEY, "", 1L, null))
                .add("noticeDays", "notice", new Unit(Unit.Measure.DAYS, "business days", 0, 60))
                .add("committed", "committed", Unit.CHOICE)
                .when(false, "charging", "interest charged each", Unit.CHOICE)
                .in("availability", availability, BorrowingBase::inputs)
                .list();
    }

    @Override
    public Revolving cleared() {
        return new Revolving(
                Steps.none(),
                committed,
                start,
                end,
                base,
                margin,
                undrawnFee,
                multiple,
                noticeDays,
                Steps.none(),
                charging,
                new Drawn(drawn.on(), 0, 0));
    }

    /** Returns the facility with another limit. */
    public Revolving limited(Steps<Long> other) {
        return new Revolving(
                other,
                committed,
                start,
                end,
                base,
                margin,
                undrawnFee,
                multiple,
                noticeDays,
                guarantees,
                charging,
                drawn,
                availability);
    }

    /**
     * Returns the facility of which no more than an amount can be drawn in some days that have a first one, in minor
     * units, guarantees beside it; after them its limit is what it was.
     */
    public Revolving limited(DayRange days, long most) {
        LocalDate from = requireNonNull(days.from(), "first day of a limit");
        LocalDate to = days.to();
        TreeSet<LocalDate> begins = new TreeSet<>(List.of(from));
        limit.steps().forEach(step -> begins.add(step.from()));
        guarantees.steps().forEach(step -> begins.add(step.from()));
        if (to != null) {
            begins.add(to.plusDays(1));
        }
        List<Steps.Step<Long>> steps = new ArrayList<>();
        for (LocalDate day : begins) {
            limit.findOn(day).map(Steps.Step::value).ifPresent(value -> {
                long beside = guarantees.findOn(day).map(Steps.Step::value).orElse(0L);
                steps.add(new Steps.Step<>(day, days.contains(day) ? Math.min(value, most + beside) : value));
            });
        }
        return limited(new Steps<>(steps));
    }

    /** Returns the rate on what is drawn on a day, never below zero. */
    public Percent rate(LocalDate day) {
        Percent rate = base.findOn(day)
                .map(Steps.Step::value)
                .orElse(Percent.ZERO)
                .plus(margin.findOn(day).map(Steps.Step::value).orElse(Percent.ZERO));
        return rate.millionths() < 0 ? Percent.ZERO : rate;
    }

    /**
     * Returns how much may be drawn in all on a day, guarantees taken off; nothing before its start and from its end
     * on.
     */
    public long most(LocalDate day) {
        boolean there = (start == null || !day.isBefore(start)) && (end == null || day.isBefore(end));
        return !there
                ? 0
                : Math.max(
                        0,
                        limit.findOn(day).map(Steps.Step::value).orElse(0L)
                                - guarantees.findOn(day).map(Steps.Step::value).orElse(0L));
    }
}
