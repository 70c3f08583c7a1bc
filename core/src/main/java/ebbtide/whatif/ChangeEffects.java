package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.time.Period;
import java.util.ArrayList;
import java.util.List;

/**
 * What each change of a scenario does (rules 11.5): the figures with the changes up to it less those with the changes
 * before it, so that all of them add up to scenario less base.
 */
public final class ChangeEffects {
    private ChangeEffects() {}

    /** A change, the forecast with it and all before it, and by how much it moves the key figures. */
    public record Effect(ScenarioPlan.Done done, Forecast forecast, KeyFigures moves) {}

    /** Returns the effects of the changes of a scenario that are switched on, in the order in which they are done. */
    public static List<Effect> of(Forecast base, Scenarios all, Scenario shown) {
        List<Effect> effects = new ArrayList<>();
        Forecast before = base;
        int changes = ScenarioPlan.of(base, all, shown).changes().size();
        for (int i = 1; i <= changes; i++) {
            ScenarioPlan made = ScenarioPlan.of(base, all, shown, i);
            Forecast after = Forecaster.forecast(made.plan(), base.books(), before);
            effects.add(new Effect(
                    made.changes().get(i - 1), after, KeyFigures.of(after).less(KeyFigures.of(before))));
            before = after;
        }
        return effects;
    }

    /** A change, and by how much it moves a row of a table in a period. */
    public record OnRow(ScenarioPlan.Done done, long moves) {}

    /** Returns what each change moves a row of a table in a period by: they add up to scenario less base. */
    public static List<OnRow> on(
            Forecast base, Scenarios all, Scenario shown, SideBySide.Table table, String rowId, Period period) {
        List<OnRow> effects = new ArrayList<>();
        long before = SideBySide.amount(base, table, rowId, period);
        for (Effect effect : of(base, all, shown)) {
            long after = SideBySide.amount(effect.forecast(), table, rowId, period);
            effects.add(new OnRow(effect.done(), after - before));
            before = after;
        }
        return effects;
    }
}
