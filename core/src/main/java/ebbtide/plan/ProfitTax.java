package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.time.Convention;
import java.util.List;
import java.util.Objects;

/**
 * Tax on profit (rules 7.4): by the fiscal year, with instalments and the rest some months after its end, or simply by
 * the month. Amounts in minor units; of the year so far, up to the month before the first that is forecast: its profit
 * (negative for a loss), the tax expensed and the instalments paid; losses brought forward; last year's tax; and tax of
 * earlier years still owed.
 */
public record ProfitTax(
        Mode mode,
        Percent rate,
        YearSoFar soFar,
        long lastYearTax,
        long owed,
        List<Instalment> instalments,
        InstalmentsOf instalmentsOf,
        int monthsAfter,
        int day,
        Convention convention,
        MonthlyProfit profit)
        implements Assumption {
    /** Which profit the tax by the month is on. */
    public enum MonthlyProfit {
        BEFORE_TAX,
        /** Before interest paid and earned, and the fees of debt. */
        OPERATING
    }

    /** How the tax is reckoned. */
    public enum Mode {
        /** Rate x the profit of the fiscal year to date, losses brought forward taken off. */
        YEAR,
        /** Rate x the month's profit, not below zero, paid some months after it. */
        MONTH
    }

    /** What instalments are shares of. */
    public enum InstalmentsOf {
        LAST_YEAR,
        THIS_YEAR
    }

    /** The fiscal year before the first month that is forecast. */
    public record YearSoFar(long profit, long tax, long paid, long losses) {
        public static final YearSoFar NOTHING = new YearSoFar(0, 0, 0, 0);

        public YearSoFar {
            Check.notNegative(tax, "tax of the year so far");
            Check.notNegative(paid, "instalments paid so far");
            Check.notNegative(losses, "losses brought forward");
        }
    }

    /** A share paid on a day of a month of the fiscal year, its first month being 1. */
    public record Instalment(int month, int day, Percent share) {
        public Instalment {
            Check.inRange(month, 1, 12, "month of the fiscal year");
            Check.inRange(day, 1, 31, "day of an instalment");
            Check.inRange(share, Percent.ZERO, Percent.HUNDRED, "share of an instalment");
        }
    }

    public ProfitTax {
        Objects.requireNonNull(mode, "mode");
        Check.inRange(rate, Percent.ZERO, Percent.HUNDRED, "tax rate");
        Check.notNegative(lastYearTax, "last year's tax");
        Check.notNegative(owed, "tax of earlier years owed");
        instalments = instalments.stream()
                .sorted(java.util.Comparator.comparing(Instalment::month).thenComparing(Instalment::day))
                .toList();
        Percent sum = instalments.stream().map(Instalment::share).reduce(Percent.ZERO, Percent::plus);
        Check.that(sum.compareTo(Percent.HUNDRED) <= 0, "Instalments come to at most 100%, but these come to " + sum);
        Objects.requireNonNull(instalmentsOf, "what instalments are shares of");
        Check.inRange(monthsAfter, 0, 24, "months after the year");
        Check.inRange(day, 1, 31, "day on which the rest is paid");
        Objects.requireNonNull(convention, "convention");
        Objects.requireNonNull(profit, "profit that tax by the month is on");
    }

    /** Makes a tax that is on profit before tax where it is by the month. */
    public ProfitTax(
            Mode mode,
            Percent rate,
            YearSoFar soFar,
            long lastYearTax,
            long owed,
            List<Instalment> instalments,
            InstalmentsOf instalmentsOf,
            int monthsAfter,
            int day,
            Convention convention) {
        this(
                mode,
                rate,
                soFar,
                lastYearTax,
                owed,
                instalments,
                instalmentsOf,
                monthsAfter,
                day,
                convention,
                MonthlyProfit.BEFORE_TAX);
    }

    /**
     * Returns the tax with what the ledger has of the fiscal year so far in place of what is typed: profit before tax
     * and the tax expensed on it, in minor units.
     */
    public ProfitTax reading(long profitSoFar, long taxSoFar) {
        return new ProfitTax(
                mode,
                rate,
                new YearSoFar(profitSoFar, Math.max(0, taxSoFar), soFar.paid(), soFar.losses()),
                lastYearTax,
                owed,
                instalments,
                instalmentsOf,
                monthsAfter,
                day,
                convention,
                profit);
    }

    /** Returns whether instalments are shares of the tax of the year in which they are paid. */
    @Override
    public boolean readsThisYear() {
        return mode == Mode.YEAR && instalmentsOf == InstalmentsOf.THIS_YEAR && !instalments.isEmpty();
    }

    @Override
    public boolean saysWhatIsPaid() {
        return soFar.paid() != 0;
    }

    @Override
    public String kind() {
        return "profit-tax";
    }

    @Override
    public Nature usualNature(Direction direction) {
        return Nature.OUTSIDE;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        return Standing.of(CashRow.PROFIT_TAX, OpeningSheet.Kind.PROFIT_TAX);
    }

    @Override
    public List<String> reads() {
        return List.of();
    }

    @Override
    public List<Input<ProfitTax>> inputs() {
        return Inputs.of(this)
                .add("rate", "rate of profit tax", Unit.SHARE)
                .in("soFar", soFar, one -> Inputs.of(one)
                        .add("profit", "profit of the year so far", Unit.SIGNED)
                        .add("losses", "losses brought forward", Unit.MONEY)
                        .when(one.tax() != 0, "tax", "profit tax of the year so far", Unit.MONEY)
                        .when(one.paid() != 0, "paid", "instalments paid so far", Unit.MONEY)
                        .facts("profit", "losses", "tax", "paid"))
                .add("lastYearTax", "last year's profit tax", Unit.MONEY)
                .add("owed", "profit tax of earlier years owed", Unit.MONEY)
                .each("instalments", instalments, one -> one.month() + "-" + one.day(), (one, at) -> Inputs.of(one)
                        .add(
                                "share",
                                "instalment in month " + one.month() + " of the year, on day " + one.day(),
                                Unit.SHARE))
                .add("monthsAfter", "the rest on day " + day, new Unit(Unit.Measure.MONTHS, "months after", 0, 24))
                .when(false, "day", "the rest on the day of the month", Unit.DAY_OF_MONTH)
                .when(false, "mode", "reckoned by", Unit.CHOICE)
                .when(false, "instalmentsOf", "instalments are shares of", Unit.CHOICE)
                .when(false, "convention", "on a holiday", Unit.CHOICE)
                .when(false, "profit", "by the month on", Unit.CHOICE)
                .facts("lastYearTax", "owed")
                .list();
    }

    @Override
    public ProfitTax cleared() {
        return new ProfitTax(
                mode, rate, YearSoFar.NOTHING, 0, 0, instalments, instalmentsOf, monthsAfter, day, convention, profit);
    }
}
