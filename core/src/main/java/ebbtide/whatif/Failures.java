package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.plan.DayRange;
import ebbtide.plan.Direction;
import java.util.Comparator;
import java.util.List;

/** What it does if one of the largest debtors fails: each by itself, ranked by what least headroom loses. */
public final class Failures {
    private Failures() {}

    /** A debtor, what is open of it, and the key figures without it, with how much more they are than with it. */
    public record Failure(String counterparty, long open, KeyFigures figures, KeyFigures difference) {}

    /** Returns the largest debtors, so many at most, that first without which least headroom is least. */
    public static List<Failure> of(Forecast base, int most) {
        KeyFigures now = KeyFigures.of(base);
        return FailingParty.largest(base, most).parallelStream()
                .map(one -> {
                    Change fails = new Change(
                            "fails",
                            new Target.OfCounterparty(Direction.RECEIPT, one.name()),
                            new Act.Fails(),
                            DayRange.ALWAYS,
                            "",
                            true);
                    Scenario alone = new Scenario("fails", one.name() + " fails", "", List.of(), List.of(fails), false);
                    KeyFigures without = KeyFigures.of(Forecaster.forecast(
                            ScenarioPlan.of(base, new Scenarios(List.of(alone)), alone)
                                    .plan(),
                            base.books(),
                            base));
                    return new Failure(one.name(), one.minor(), without, without.less(now));
                })
                .sorted(Comparator.comparingLong(one -> one.figures().headroom()))
                .toList();
    }
}
