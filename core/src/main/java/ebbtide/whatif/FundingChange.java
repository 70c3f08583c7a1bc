package ebbtide.whatif;

import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.plan.DayRange;
import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import ebbtide.plan.Revolving;
import ebbtide.plan.TermDeposit;
import ebbtide.plan.TermLoan;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a change does to a facility, a loan, a lease or a deposit (rules 11.2): its limit, or what is still to be drawn
 * or put away, is another, comes on another day, or does not come. What is drawn on the as-of date is a fact.
 */
record FundingChange(Plan plan, String by, Change change, Line line) {

    /**
     * Returns a line that funds a plan as a change of a scenario of a name leaves it; nothing where all of it is drawn.
     *
     * @throws Refused where the change makes no sense of such a line, in a sentence
     */
    static Optional<Line> of(Plan plan, String by, Change change, Line line) {
        FundingChange made = new FundingChange(plan, by, change, line);
        if (line.assumption() instanceof Revolving facility) {
            return made.facility(facility);
        }
        if (line.assumption() instanceof TermLoan loan) {
            return loan.running() || !made.isToCome(loan.from().on())
                    ? Optional.empty()
                    : made.sum("from/amount", loan.from().on());
        }
        if (line.assumption() instanceof Lease lease) {
            return made.isToCome(lease.on()) && change.range().contains(lease.on())
                    ? Optional.of(made.lease(lease))
                    : Optional.empty();
        }
        TermDeposit deposit = (TermDeposit) line.assumption();
        return deposit.running() != null || !made.isToCome(deposit.on())
                ? Optional.empty()
                : made.sum("amount", deposit.on());
    }

    /** A lease to come begins on another day, is not made, or is one of another amount. */
    private Line lease(Lease lease) {
        if (change.act() instanceof Act.Shift shift) {
            return line.with(lease.from(shift.of(lease.on())));
        }
        if (change.act() instanceof Act.LeaveOut) {
            return line.off();
        }
        Check.that(
                lease.financed() == 0 || lease.payment() == 0,
                "the rate of '" + line.name()
                        + "' follows from what is financed and what is paid: change one of them as an assumption");
        return changed(lease.financed() > 0 ? "financed" : "payment", change.act(), DayRange.ALWAYS);
    }

    private boolean isToCome(@Nullable LocalDate day) {
        return day != null && day.isAfter(plan.settings().asOf());
    }

    /** A sum that is drawn, or put away, on a day to come. */
    private Optional<Line> sum(String path, LocalDate on) {
        if (!change.range().contains(on)) {
            return Optional.empty();
        }
        if (change.act() instanceof Act.Shift shift) {
            Check.that(
                    line.assumption() instanceof TermLoan,
                    "'" + line.name() + "' has a first and a last day: shift each of them as an assumption");
            return Optional.of(line.with(((TermLoan) line.assumption()).drawnOn(shift.of(on))));
        }
        Act act = change.act() instanceof Act.LeaveOut ? new Act.Set(new Typed.Figure(BigDecimal.ZERO)) : change.act();
        return Optional.of(changed(path, act, DayRange.ALWAYS));
    }

    /** No more than is drawn can be drawn of a facility that is left out: whoever repays may draw that again. */
    private Optional<Line> facility(Revolving facility) {
        if (change.act() instanceof Act.Shift shift) {
            LocalDate start = facility.start();
            LocalDate end = facility.end();
            Line other = line;
            // The later of the two first, so that it never ends before it starts.
            for (String day : shift.by() > 0 ? new String[] {"end", "start"} : new String[] {"start", "end"}) {
                LocalDate at = day.equals("end") ? end : start;
                if (at != null && isToCome(at) && change.range().contains(at)) {
                    other = changed(other, day, new Act.Set(new Typed.Day(shift.of(at))), DayRange.ALWAYS);
                }
            }
            return other == line ? Optional.empty() : Optional.of(other);
        }
        DayRange range = change.range()
                .since(plan.settings().asOf().plusDays(1))
                .orElseThrow(() -> new Refused("Its range is over: what was drawn up to the as-of date is a fact"));
        return Optional.of(
                change.act() instanceof Act.LeaveOut
                        ? line.with(facility.limited(range, facility.drawn().amount()))
                        : changed("limit", change.act(), range));
    }

    private Line changed(String path, Act act, DayRange range) {
        return changed(line, path, act, range);
    }

    private Line changed(Line of, String path, Act act, DayRange range) {
        Plan with = plan.with(of);
        return PlanInputs.find(with, line.id() + "/" + path)
                .map(input -> input.with(new ChangedInput(
                                input,
                                new ChangedValue(
                                        act, input.unit(), plan.settings().currency(), by),
                                range,
                                with)
                        .changed()))
                .flatMap(changed -> changed.findLine(line.id()))
                .orElseThrow(() -> new Refused("'" + line.name() + "' has no such figure"));
    }
}
