package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.FundingTable;
import ebbtide.plan.Covenant;
import ebbtide.plan.DayRange;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.TermLoan;
import ebbtide.statements.Covenants;
import ebbtide.time.BusinessDays;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * What lenders do in a scenario once a covenant breaks (rules 11.2): from the day after the first test that does, no
 * more is drawn, or all that is owed falls due. What comes before that day is not touched, but for instalments of this
 * year's tax, which know what interest the rest of the year bears.
 */
record Breach(Plan plan, Forecast forecast, LocalDate tested, LocalDate from) {

    /** Returns a plan over a base with what follows from its first breaches. */
    static Plan followed(Forecast base, Plan plan) {
        if (plan.settings().covenants().stream().allMatch(one -> one.breach() == Covenant.Breach.NOTHING)) {
            return plan;
        }
        Plan made = plan;
        Forecast forecast = Forecaster.forecast(plan, base.books(), base);
        Optional<Covenants.Tested> due = first(forecast, Covenant.Breach.DEBT_DUE);
        Optional<Covenants.Tested> stops = first(forecast, Covenant.Breach.STOPS_DRAWING)
                .filter(one -> due.isEmpty() || one.date().isBefore(due.get().date()));
        if (stops.isPresent()) {
            made = of(made, forecast, stops.get()).stopped();
            forecast = Forecaster.forecast(made, base.books(), base);
        }
        Forecast then = forecast;
        Plan stopped = made;
        return first(then, Covenant.Breach.DEBT_DUE)
                .map(one -> of(stopped, then, one).fallenDue())
                .orElse(stopped);
    }

    private static Breach of(Plan plan, Forecast forecast, Covenants.Tested broken) {
        return new Breach(plan, forecast, broken.date(), broken.date().plusDays(1));
    }

    private static Optional<Covenants.Tested> first(Forecast forecast, Covenant.Breach breach) {
        return Covenants.of(forecast).stream()
                .filter(one -> one.covenant().breach() == breach && one.standing() == Covenants.Standing.BREAKS)
                .filter(one -> one.date().isBefore(forecast.lastDay()))
                .min(Comparator.comparing(Covenants.Tested::date));
    }

    private Map<String, Long> owed() {
        return FundingTable.of(forecast, List.of(new Period(tested, from))).debts().stream()
                .collect(Collectors.toMap(
                        FundingTable.Debt::id, one -> one.owed().get(0)));
    }

    private Plan stopped() {
        Map<String, Long> owed = owed();
        return each(line -> line.assumption() instanceof Revolving facility
                ? line.with(facility.limited(new DayRange(from, null), Math.max(0, owed.getOrDefault(line.id(), 0L))))
                : line);
    }

    private Plan fallenDue() {
        Map<String, Long> owed = owed();
        return each(line -> line.assumption() instanceof Revolving facility
                ? line.with(facility.limited(new DayRange(from, null), 0))
                : line.assumption() instanceof TermLoan loan && owed.getOrDefault(line.id(), 0L) > 0
                        ? line.with(loan.dueOn(due(line, loan), owed.getOrDefault(line.id(), 0L)))
                        : line);
    }

    /** A loan whose payments move ahead of holidays falls due on the first day that is not moved before the breach. */
    private LocalDate due(Line line, TermLoan loan) {
        BusinessDays calendar = forecast.accounts().calendars().calendar(line);
        LocalDate day = from;
        while (loan.convention().adjust(day, calendar).isBefore(from)) {
            day = day.plusDays(1);
        }
        return day;
    }

    /** A loan that is still to be drawn is not drawn any more, whatever else is done. */
    private Plan each(UnaryOperator<Line> doing) {
        Plan made = plan;
        for (Line line : plan.lines()) {
            if (plan.isActive(line)) {
                boolean toCome = line.assumption() instanceof TermLoan loan
                        && !loan.running()
                        && !loan.from().on().isBefore(from);
                made = made.with(toCome ? line.off() : doing.apply(line));
            }
        }
        return made;
    }
}
