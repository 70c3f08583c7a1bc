package ebbtide;

import ebbtide.answers.ChecklistItem;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.FundingTable;
import ebbtide.forecast.RollForward;
import ebbtide.forecast.RollForwards;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.YearsPlan;
import ebbtide.statements.Covenants;
import ebbtide.statements.LastTwelveMonths;
import ebbtide.statements.OpeningCheck;
import ebbtide.statements.Ratios;
import ebbtide.statements.Statements;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.Snapshot;
import ebbtide.workings.RollForwardWorkings;
import ebbtide.workings.RowWorkings;
import ebbtide.years.Years;
import java.util.List;

/**
 * Every figure and sentence that a forecast comes to, as text: two that are equal here are equal to the cent, workings
 * and checklist included.
 */
public final class Figures {
    private final StringBuilder text = new StringBuilder();
    private final Plan plan;
    private final Forecast forecast;

    private Figures(Forecast forecast) {
        this.plan = forecast.plan();
        this.forecast = forecast;
    }

    /** Returns the text of a forecast; names of types are left out, so that renaming changes nothing. */
    public static String of(Forecast forecast) {
        return new Figures(forecast).all();
    }

    private String all() {
        flows();
        funding();
        owed();
        workings();
        statements();
        ChecklistItem.of(forecast).forEach(this::say);
        return text.toString().replaceAll("\\b[A-Z]\\w*\\[", "[");
    }

    private void say(Object what) {
        text.append(what).append('\n');
    }

    private void flows() {
        for (Line line : plan.lines()) {
            if (!line.isGroup()) {
                say(line.name() + ": " + forecast.flows(line));
                say(forecast.itemFlows(line));
                forecast.periods(Periods.MONTH, forecast.firstDay(), forecast.lastDay())
                        .forEach(month -> say(forecast.cell(line, month)));
                forecast.accounts().expectations(line).forEach(this::say);
            }
        }
        for (Period day : forecast.periods(Periods.DAY, forecast.firstDay(), forecast.lastDay())) {
            say(day.startInclusive() + " " + forecast.closing(day.startInclusive()) + " "
                    + forecast.unassigned(Direction.RECEIPT, day).amount() + " "
                    + forecast.unassigned(Direction.PAYMENT, day).amount() + " "
                    + forecast.transfers(day).amount());
        }
        say(forecast.lowWater() + " " + forecast.peakNeed());
        Snapshot.of(forecast, line -> "").lines().forEach(one -> say(one.name()));
    }

    private void funding() {
        FundingTable.of(forecast, forecast.periods(Periods.WEEK, forecast.firstDay(), forecast.lastDay()))
                .rows()
                .forEach(this::say);
        say(forecast.funding().unsettled());
    }

    private void owed() {
        for (RollForward roll : RollForwards.of(forecast, 24)) {
            say(roll);
            say(RollForwardWorkings.of(
                    forecast,
                    roll.kind(),
                    roll.lineId(),
                    RollForwardWorkings.CLOSING,
                    Period.of(roll.months().get(roll.months().size() - 1))));
        }
    }

    /** The workings of every line in three of its months: the first, one on the way and the last. */
    private void workings() {
        List<Period> months = forecast.periods(Periods.MONTH, plan.settings().asOf(), forecast.lastDay());
        for (int at : List.of(0, months.size() / 2, months.size() - 1)) {
            for (Line line : plan.lines()) {
                if (!line.isGroup()) {
                    say(RowWorkings.of(forecast, line.id(), months.get(at)));
                }
            }
        }
    }

    private void statements() {
        Statements statements = Statements.of(forecast);
        for (Periods by : List.of(Periods.MONTH, Periods.YEAR)) {
            List<Period> periods = statements.months().all(by);
            for (Statements.Kind kind : Statements.Kind.values()) {
                statements.table(kind, periods, true).rows().forEach(this::say);
            }
            Ratios.of(statements, periods).forEach(this::say);
        }
        Covenants.of(forecast).forEach(this::say);
        say(OpeningCheck.of(forecast));
        say(OpeningCheck.proposed(forecast));
        if (LastTwelveMonths.isPossible(forecast)) {
            say(Years.of(forecast, YearsPlan.asBefore(5)).all());
        }
    }
}
