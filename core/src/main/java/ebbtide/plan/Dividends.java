package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.time.Convention;
import java.time.Month;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What owners are paid out of profit (rules 7.6): an amount a year, or a share of the profit after tax of the last
 * whole fiscal year, declared in a month; or a share of the month before, every month. Paid on a day some months after.
 * {@code lastYearProfit} and {@code yearSoFar} are profits after tax, up to the month before the first that is
 * forecast.
 */
public record Dividends(
        By by,
        Steps<Long> amount,
        Percent payout,
        Month declared,
        int monthsAfter,
        int day,
        Convention convention,
        long lastYearProfit,
        long yearSoFar,
        @Nullable Long distributable)
        implements Assumption {
    /** What is paid out. */
    public enum By {
        AMOUNT,
        YEAR_PROFIT,
        MONTH_PROFIT
    }

    public Dividends {
        Objects.requireNonNull(by, "what is paid out");
        amount.steps().forEach(step -> Check.notNegative(step.value(), "dividend from " + step.from()));
        Check.inRange(payout, Percent.ZERO, Percent.HUNDRED, "payout");
        Objects.requireNonNull(declared, "month in which it is declared");
        Check.inRange(monthsAfter, 0, 12, "months until it is paid");
        Check.inRange(day, 1, 31, "day on which it is paid");
        Objects.requireNonNull(convention, "convention");
    }

    /**
     * Returns the dividends with what the ledger has of months that are over in place of what is typed: profit after
     * tax of the last fiscal year and of the one so far, in minor units.
     */
    public Dividends reading(long lastYear, long soFar) {
        return new Dividends(
                by, amount, payout, declared, monthsAfter, day, convention, lastYear, soFar, distributable);
    }

    @Override
    public String kind() {
        return "dividends";
    }

    @Override
    public Nature usualNature(Direction direction) {
        return Nature.OUTSIDE;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        return Standing.of(CashRow.DIVIDENDS, OpeningSheet.Kind.DIVIDENDS);
    }

    @Override
    public List<String> reads() {
        return List.of();
    }

    @Override
    public List<Input<Dividends>> inputs() {
        return Inputs.of(this)
                .add("amount", "dividend", Unit.MONEY)
                .when(payout.millionths() != 0, "payout", "payout of profit", Unit.SHARE)
                .add("declared", "declared in", Unit.CHOICE)
                .when(by != By.MONTH_PROFIT, "monthsAfter", "paid after", Unit.months(0, 12))
                .when(false, "day", "paid on the day of the month", Unit.DAY_OF_MONTH)
                .when(lastYearProfit != 0, "lastYearProfit", "last year's profit after tax", Unit.SIGNED)
                .when(yearSoFar != 0, "yearSoFar", "profit after tax of the year so far", Unit.SIGNED)
                .when(distributable != null, "distributable", "can be distributed", Unit.SIGNED)
                .when(false, "convention", "on a holiday", Unit.CHOICE)
                .facts("lastYearProfit", "yearSoFar", "distributable")
                .list();
    }

    @Override
    public Dividends cleared() {
        return new Dividends(by, Steps.none(), payout, declared, monthsAfter, day, convention, 0, 0, null);
    }
}
