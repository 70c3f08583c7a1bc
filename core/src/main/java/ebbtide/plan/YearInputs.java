package ebbtide.plan;

import ebbtide.money.Percent;
import ebbtide.plan.Input.Value;
import ebbtide.plan.YearDriver.Amount;
import ebbtide.plan.YearDriver.Days;
import ebbtide.plan.YearDriver.Life;
import ebbtide.plan.YearDriver.MarginHeld;
import ebbtide.plan.YearDriver.OfGross;
import ebbtide.plan.YearDriver.Share;
import ebbtide.plan.YearsPlan.Driven;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.function.Function;

/** The inputs of years: what is typed of each driver, by year. */
final class YearInputs {
    private static final Unit ANY_SHARE = Unit.percent("%", YearDriver.MOST_DOWN, YearDriver.MOST_UP);
    private static final Unit MARGIN = Unit.percent("%", YearDriver.MOST_DOWN, Percent.HUNDRED);
    private static final Unit DAYS = new Unit(Unit.Measure.NUMBER, "days", BigDecimal.ZERO, BigDecimal.valueOf(3_650));
    private static final Unit LIFE = Unit.count("years", 1, 100);

    private final String row;
    private final String note;

    private YearInputs(Driven driven) {
        this.row = driven.row();
        this.note = driven.note();
    }

    static Inputs<YearsPlan> of(YearsPlan plan) {
        return Inputs.of(plan).each("drivers", plan.drivers(), Driven::row, (driven, i) -> Inputs.of(driven)
                .family("by", driven.by(), by -> new YearInputs(driven).of(by)));
    }

    private List<Input<YearDriver>> of(YearDriver by) {
        List<Input<YearDriver>> all = new ArrayList<>();
        if (by instanceof Amount amount) {
            add(all, "amounts", "amount", Unit.SIGNED, amount.amounts(), to -> new Amount(to, amount.growth()));
            add(all, "growth", "growth", Unit.GROWTH, amount.growth(), to -> new Amount(amount.amounts(), to));
        } else if (by instanceof Share share) {
            add(all, "shares", "share", ANY_SHARE, share.shares(), to -> new Share(share.of(), to));
        } else if (by instanceof MarginHeld held) {
            add(all, "margins", "margin", MARGIN, held.margins(), MarginHeld::new);
        } else if (by instanceof Days days) {
            add(all, "days", "days", DAYS, days.days(), to -> new Days(days.of(), to));
        } else if (by instanceof OfGross share) {
            add(all, "shares", "share", Unit.SHARE, share.shares(), to -> new OfGross(share.atEnd(), to));
        } else if (by instanceof Life life) {
            one(all, "years", "life", life.years(), to -> new Life(to, life.left()));
            one(all, "left", "years left", life.left(), to -> new Life(life.years(), to));
        }
        return all;
    }

    @SuppressWarnings("unchecked")
    private <V> void add(
            List<Input<YearDriver>> all,
            String part,
            String name,
            Unit unit,
            SortedMap<Integer, V> values,
            Function<SortedMap<Integer, V>, YearDriver> with) {
        if (!values.isEmpty()) {
            all.add(input(
                    part,
                    name,
                    unit,
                    new Value.Yearly(values),
                    other -> with.apply((SortedMap<Integer, V>) other.held())));
        }
    }

    private void one(
            List<Input<YearDriver>> all, String part, String name, int value, Function<Integer, YearDriver> with) {
        all.add(input(part, name, LIFE, new Value.One(value), other -> with.apply((Integer) other.held())));
    }

    private Input<YearDriver> input(
            String part, String name, Unit unit, Value value, Function<Value, YearDriver> setter) {
        return new Input<>(part, row + " of the years, " + name, null, unit, value, null, note, true, setter);
    }
}
