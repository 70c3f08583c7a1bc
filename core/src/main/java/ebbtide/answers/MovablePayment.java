package ebbtide.answers;

import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Refused;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.MovableAmount;
import ebbtide.plan.Plan;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;

/**
 * Something of the funding that the analyst may move to another day: what a loan lends, a repayment beside its pay
 * days, or a payment for an asset. Signed minor units; the id tells it apart from all others of its plan.
 */
public record MovablePayment(String id, String lineId, String name, LocalDate day, long minor) {

    /** Returns what of a plan's active lines may be moved and lies after the as-of date, in order of day. */
    public static List<MovablePayment> of(Plan plan) {
        return plan.lines().stream()
                .filter(plan::isActive)
                .flatMap(line -> line.assumption().movable().stream().map(one -> of(line, one)))
                .filter(one -> one.day().isAfter(plan.settings().asOf())
                        && !one.day().isAfter(plan.settings().horizonEnd()))
                .sorted(Comparator.comparing(MovablePayment::day).thenComparing(MovablePayment::id))
                .toList();
    }

    private static MovablePayment of(Line line, MovableAmount<? extends Assumption> one) {
        return new MovablePayment(
                line.id() + " " + one.key(),
                line.id(),
                one.afterLine() ? line.name() + " " + one.name() : one.name(),
                one.day(),
                one.minor());
    }

    /**
     * Returns the line of something movable with its day changed, which lies after the as-of date and within the
     * horizon.
     *
     * @throws Refused for a day outside the horizon
     */
    public static Line moved(Plan plan, String id, LocalDate to) {
        MovablePayment one = of(plan).stream()
                .filter(some -> some.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused("What was to be moved is no longer there: look at the funding again"));
        if (!to.isAfter(plan.settings().asOf()) || to.isAfter(plan.settings().horizonEnd())) {
            throw new Refused(one.name() + " moves to a day after "
                    + plan.settings().asOf() + " and up to " + plan.settings().horizonEnd() + ", but was put to " + to);
        }
        Line line = plan.findLine(one.lineId()).orElseThrow();
        MovableAmount<? extends Assumption> amount = line.assumption().movable().stream()
                .filter(some -> of(line, some).id().equals(id))
                .findFirst()
                .orElseThrow();
        return line.with(amount.moved().apply(to));
    }

    /** Returns the forecast as it would be with something moved: the plan itself is left as it is. */
    public static Forecast trial(Forecast forecast, String id, LocalDate to) {
        Plan plan = forecast.plan();
        Line moved = moved(plan, id, to);
        Books books = forecast.books();
        return Forecaster.forecast(
                new Plan(
                        plan.settings(),
                        plan.lines().stream()
                                .map(line -> line.id().equals(moved.id()) ? moved : line)
                                .toList(),
                        plan.buoys()),
                books);
    }
}
