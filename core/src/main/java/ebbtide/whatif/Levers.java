package ebbtide.whatif;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.items.ExpectedItem;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.DayRange;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.TermDeposit;
import ebbtide.plan.TermLoan;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeSet;

/**
 * What can be done about low water: bills held, debtors chased, spending delayed, loans drawn sooner; each by itself,
 * with the day from which it works, ranked by what it gives back at low water.
 */
public final class Levers {
    private static final int MOST_DEBTORS = 10;
    private static final int MOST_DELAYED = 20;
    private static final int FURTHEST_MONTHS = 12;
    private static final int WEEK = 7;

    private final Forecast base;
    private final Plan plan;
    private final LocalDate asOf;
    private final LocalDate lowWater;

    private Levers(Forecast base) {
        this.base = base;
        this.plan = base.plan();
        this.asOf = plan.settings().asOf();
        this.lowWater = base.lowWater().day();
    }

    /** What is done. */
    public enum Kind {
        /** Bills wait for the run after theirs, or a week where there are no runs. */
        HOLD,
        /** A debtor pays what is due when it is due. */
        CHASE,
        /** A payment comes after low water. */
        DELAY,
        /** A loan is drawn before low water, or a deposit is not placed. */
        DRAW
    }

    /**
     * A lever: in words, from which day it works, the changes that it is, by how much it lifts headroom on the day of
     * low water, and the key figures with it, in minor units.
     */
    public record Lever(
            Kind kind, String words, LocalDate from, List<Change> changes, long givesBack, KeyFigures figures) {}

    private record Tried(Kind kind, String words, LocalDate from, List<Change> changes) {}

    /** Returns the levers of a forecast that lift headroom on the day of low water, that first which lifts it most. */
    public static List<Lever> of(Forecast base) {
        Levers levers = new Levers(base);
        List<Tried> all = new ArrayList<>();
        levers.hold(all);
        levers.chase(all);
        levers.plan.lines().stream().filter(levers.plan::isActive).forEach(line -> levers.move(line, all));
        return all.parallelStream()
                .map(levers::lever)
                .filter(one -> one.givesBack() > 0)
                .sorted(Comparator.comparingLong(Lever::givesBack)
                        .reversed()
                        .thenComparing(Lever::from)
                        .thenComparing(Lever::words))
                .toList();
    }

    private Lever lever(Tried one) {
        Scenario alone = new Scenario("lever", one.words(), "", List.of(), one.changes(), false);
        Forecast then = Forecaster.forecast(
                ScenarioPlan.of(base, new Scenarios(List.of(alone)), alone).plan(), base.books(), base);
        return new Lever(
                one.kind(),
                one.words(),
                one.from(),
                one.changes(),
                onLowWater(then) - onLowWater(base),
                KeyFigures.of(then));
    }

    private long onLowWater(Forecast forecast) {
        return forecast.liquidity().headroom(forecast.timeline().index(lowWater));
    }

    private static Change change(int number, Target target, Act act, DayRange range) {
        return new Change("lever" + number, target, act, range, "", true);
    }

    /** Bills that the next run takes, and without runs those of the next week, on all lines at once. */
    private void hold(List<Tried> all) {
        List<Line> lines = plan.lines().stream()
                .filter(line -> line.direction() == Direction.PAYMENT
                        && line.assumption().keepsItems()
                        && plan.isActive(line))
                .toList();
        TreeSet<LocalDate> runs = new TreeSet<>();
        TreeSet<LocalDate> days = new TreeSet<>();
        for (Line line : lines) {
            for (ExpectedItem item : base.items().of(line)) {
                if (!item.isLeftOut() && item.source() != ExpectedItem.Source.UNDER_WAY) {
                    (item.source() == ExpectedItem.Source.RUN ? runs : days).add(item.paidOn());
                }
            }
        }
        if (runs.size() > 1) {
            LocalDate run = runs.first();
            int later = (int) (runs.higher(run).toEpochDay() - run.toEpochDay());
            hold(all, lines, "Hold the run of " + DAY.format(run) + " until the next", run, run, later);
        }
        if (runs.isEmpty() && !days.isEmpty()) {
            hold(
                    all,
                    lines,
                    "Hold the bills of a week for a week",
                    days.first(),
                    days.first().plusDays(WEEK - 1L),
                    WEEK);
        }
    }

    private static void hold(List<Tried> all, List<Line> lines, String words, LocalDate from, LocalDate to, int later) {
        List<Change> changes = new ArrayList<>();
        lines.forEach(line -> changes.add(change(
                changes.size(), new Target.OfLine(line.id()), new Act.PaidLater(later), new DayRange(from, to))));
        all.add(new Tried(Kind.HOLD, words, from, changes));
    }

    private void chase(List<Tried> all) {
        for (FailingParty.Open one : FailingParty.largest(base, MOST_DEBTORS)) {
            all.add(new Tried(
                    Kind.CHASE,
                    "Chase " + one.name() + " to pay when due",
                    asOf.plusDays(1),
                    List.of(change(
                            0,
                            new Target.OfCounterparty(Direction.RECEIPT, one.name()),
                            new Act.OnDueDates(),
                            DayRange.ALWAYS))));
        }
    }

    /** So many months that a day up to low water comes after it. */
    private int monthsBeyond(LocalDate day) {
        int months = 1;
        while (!day.plusMonths(months).isAfter(lowWater)) {
            months++;
        }
        return months;
    }

    private boolean isToMove(LocalDate day) {
        return day.isAfter(asOf)
                && !day.isAfter(lowWater)
                && !day.plusMonths(FURTHEST_MONTHS).isBefore(lowWater);
    }

    private void move(Line line, List<Tried> all) {
        if (line.assumption() instanceof DatedItems dated && line.direction() == Direction.PAYMENT) {
            dated.items().stream()
                    .filter(item -> isToMove(item.date()))
                    .sorted(Comparator.comparingLong(DatedItem::amount).reversed())
                    .limit(MOST_DELAYED)
                    .forEach(item -> all.add(delay(
                            item.note().isEmpty() ? line.name() : line.name() + ", " + item.note(),
                            new Target.OfAssumption(line.id() + "/items[" + item.date() + "]/date"),
                            item.date())));
        }
        if (line.assumption() instanceof CapitalSpending spending && line.direction() == Direction.PAYMENT) {
            for (CapitalSpending.Asset asset : spending.assets()) {
                asset.milestones().stream()
                        .map(one -> one.date())
                        .filter(this::isToMove)
                        .min(Comparator.naturalOrder())
                        .ifPresent(first ->
                                all.add(delay(asset.name(), new Target.OfPart(line.id(), asset.name()), first)));
            }
        }
        if (line.assumption() instanceof TermLoan loan
                && !loan.running()
                && loan.from().on().isAfter(lowWater)) {
            draw(line, loan.from().on(), all);
        }
        if (line.assumption() instanceof TermDeposit deposit
                && deposit.running() == null
                && deposit.on().isAfter(asOf)
                && !deposit.on().isAfter(lowWater)) {
            all.add(new Tried(
                    Kind.DRAW,
                    "Do not place " + line.name(),
                    deposit.on(),
                    List.of(change(0, new Target.OfLine(line.id()), new Act.LeaveOut(), DayRange.ALWAYS))));
        }
    }

    private Tried delay(String name, Target target, LocalDate from) {
        int months = monthsBeyond(from);
        return new Tried(
                Kind.DELAY,
                "Delay " + name + " by " + months + (months == 1 ? " month" : " months"),
                from,
                List.of(change(0, target, new Act.Shift(months, Act.Shift.Unit.MONTHS), DayRange.ALWAYS)));
    }

    private void draw(Line line, LocalDate on, List<Tried> all) {
        int months = 1;
        while (on.minusMonths(months).isAfter(lowWater)) {
            months++;
        }
        LocalDate sooner = on.minusMonths(months);
        if (sooner.isAfter(asOf) && months <= FURTHEST_MONTHS) {
            all.add(new Tried(
                    Kind.DRAW,
                    "Draw " + line.name() + " " + months + (months == 1 ? " month" : " months") + " sooner",
                    sooner,
                    List.of(change(
                            0,
                            new Target.OfLine(line.id()),
                            new Act.Shift(-months, Act.Shift.Unit.MONTHS),
                            DayRange.ALWAYS))));
        }
    }
}
