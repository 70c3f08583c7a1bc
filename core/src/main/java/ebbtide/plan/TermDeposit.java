package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A term deposit (rules 8.10): surplus put away from a day on, until its last day or until some days after notice of
 * it, at interest that a line of its own bears. Of {@code last} and {@code notice} the other is null. Interest is paid
 * at the end of a term, or every so many months of it ({@code interestEveryMonths}; 0: at its end). {@code running} is
 * null for one that is still to be placed, {@code rollover} for one that comes back at the end of its term,
 * {@code broken} for one that stays until then.
 */
public record TermDeposit(
        LocalDate on,
        long amount,
        @Nullable Running running,
        LocalDate last,
        @Nullable Notice notice,
        Steps<Percent> rate,
        DayCount dayCount,
        int interestEveryMonths,
        @Nullable Rollover rollover,
        @Nullable Broken broken)
        implements Assumption {

    /** A deposit that is there already: the interest that has accrued on it by the end of a day, minor units. */
    public record Running(LocalDate at, long accrued) {
        public Running {
            Objects.requireNonNull(at, "day up to which interest has accrued");
            Check.notNegative(accrued, "interest accrued");
        }
    }

    /** It comes back so many days after notice; {@code given} is null until it is. */
    public record Notice(int days, LocalDate given) {
        public Notice {
            Check.inRange(days, 0, 366, "days of notice");
        }
    }

    /**
     * How often a term is followed by another of its length, and whether the interest of the one before is then put
     * away with it.
     */
    public record Rollover(int times, boolean withInterest) {
        public Rollover {
            Check.inRange(times, 1, 200, "how often it is rolled over");
        }
    }

    /** It comes back early on a day, less a forfeit: an amount in minor units, or the interest of so many days. */
    public record Broken(LocalDate on, long forfeit, int forfeitDays) {
        public Broken {
            Objects.requireNonNull(on, "day on which it is broken");
            Check.notNegative(forfeit, "forfeit");
            Check.inRange(forfeitDays, 0, 3_660, "days of interest forfeited");
            Check.that(forfeit == 0 || forfeitDays == 0, "a forfeit is an amount or so many days' interest, not both");
        }
    }

    public TermDeposit {
        Check.inRange(on.getYear(), 1990, 2120, "year of " + on);
        Check.notNegative(amount, "amount of the deposit");
        Check.that(
                (last == null) != (notice == null),
                "a deposit has a last day, or comes back some days after notice: give one of the two");
        Check.that(last == null || last.isAfter(on), "a deposit ends after its first day, " + on);
        Check.that(last == null || last.isBefore(on.plusYears(30).plusDays(1)), "a deposit lasts at most 30 years");
        Check.that(
                notice == null || notice.given() == null || !notice.given().isBefore(on),
                "notice is given on the first day, " + on + ", or after it");
        Check.that(
                notice == null || rollover == null,
                "a deposit at notice goes on until notice is given: it is not rolled over");
        Check.that(
                running == null || !running.at().isBefore(on),
                "interest has accrued up to a day from the first one, " + on);
        LocalDate known = last == null && notice != null && notice.given() != null
                ? notice.given().plusDays(notice.days())
                : last;
        Check.that(
                running == null || known == null || running.at().isBefore(known),
                "interest has accrued up to a day before the deposit comes back, " + known);
        Check.that(
                broken == null
                        || broken.on().isAfter(on)
                                && (running == null || broken.on().isAfter(running.at())),
                "a deposit is broken after " + (running == null ? on : running.at()));
        Check.that(
                broken == null
                        || rollover != null
                        || known == null
                        || broken.on().isBefore(known),
                "a deposit is broken before it comes back, " + known + ": put that day earlier, or take it out");
        rate.steps()
                .forEach(
                        step -> Check.inRange(step.value(), Percent.ZERO, Percent.HUNDRED, "rate from " + step.from()));
        Objects.requireNonNull(dayCount, "how days are counted");
        Check.inRange(interestEveryMonths, 0, 12, "months from one payment of interest to the next");
    }

    @Override
    public String kind() {
        return "deposit";
    }

    @Override
    public Nature usualNature(Direction direction) {
        return Nature.OUTSIDE;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        return Standing.of(CashRow.DEPOSITS, OpeningSheet.Kind.DEPOSITS);
    }

    @Override
    public List<String> reads() {
        return List.of();
    }

    @Override
    public Optional<Interest.Of> interest() {
        return Optional.of(Interest.Of.DEPOSIT);
    }

    @Override
    public boolean bearsInterest() {
        return !rate.isEmpty();
    }

    @Override
    public List<Input<TermDeposit>> inputs() {
        Inputs<TermDeposit> inputs = Inputs.of(this)
                .on(on, "amount", "amount of the deposit", Unit.MONEY)
                .add("rate", "rate", Unit.RATE)
                .when(false, "on", "put away on", Unit.DATE);
        return (last == null ? inputs : inputs.on(last, "last", "ends", Unit.DATE))
                .in("notice", notice, one -> Inputs.of(one)
                        .on(one.given(), "days", "notice", Unit.days(0, 366))
                        .when(false, "given", "notice given on", Unit.DATE))
                .in("running", running, one -> Inputs.of(one)
                        .on(one.at(), "accrued", "interest accrued", Unit.MONEY)
                        .facts("accrued"))
                .facts(running == null ? new String[0] : new String[] {"amount", "on"})
                .when(
                        interestEveryMonths > 0,
                        "interestEveryMonths",
                        "months from one payment of interest to the next",
                        Unit.months(0, 12))
                .in("rollover", rollover, one -> Inputs.of(one)
                        .add(
                                "times",
                                one.withInterest() ? "rolled over with its interest" : "rolled over",
                                Unit.count("times", 1, 200))
                        .when(false, "withInterest", "its interest is put away too", Unit.CHOICE))
                .in("broken", broken, one -> Inputs.of(one)
                        .on(
                                one.on(),
                                one.forfeitDays() > 0 ? "forfeitDays" : "forfeit",
                                "broken early, forfeit",
                                one.forfeitDays() > 0
                                        ? new Unit(Unit.Measure.DAYS, "days of interest", 0, 3_660)
                                        : Unit.MONEY)
                        .when(false, "on", "broken on", Unit.DATE))
                .when(false, "dayCount", "days counted", Unit.CHOICE)
                .list();
    }

    /** Returns the same deposit without its amount, and without what had accrued. */
    @Override
    public TermDeposit cleared() {
        return new TermDeposit(
                on,
                0,
                running == null ? null : new Running(running.at(), 0),
                last,
                notice,
                rate,
                dayCount,
                interestEveryMonths,
                rollover,
                broken);
    }
}
