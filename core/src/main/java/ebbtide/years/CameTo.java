package ebbtide.years;

import ebbtide.plan.YearDriver;
import ebbtide.plan.YearDriver.Days;
import ebbtide.plan.YearDriver.DaysOf;
import ebbtide.plan.YearDriver.OfGross;
import ebbtide.plan.YearDriver.Share;
import ebbtide.plan.YearRow;
import java.math.BigDecimal;
import java.math.RoundingMode;
import org.jspecify.annotations.Nullable;

/**
 * What a year came to by a driver, worked backwards: the last year's days of sales are what is proposed for the next
 * (rules 9.4). Percentages to a hundredth, days to a tenth; null where there is nothing to divide by.
 */
record CameTo(String id, YearRow row, YearDriver by, DriverPart part) {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    @Nullable
    BigDecimal in(Year year, @Nullable Year before) {
        return switch (part) {
            case AMOUNT -> BigDecimal.valueOf(amount(year));
            case GROWTH -> before == null ? null : percent(amount(year) - amount(before), amount(before));
            case SHARE -> percent(amount(year), whole(year, before));
            case MARGIN -> percent(year.grossProfit(), year.sales());
            case DAYS -> days(amount(year), counted(((Days) by).of(), year, before), year.days());
            case LIFE, LEFT -> null;
        };
    }

    private long amount(Year year) {
        return switch (row) {
            case DEPRECIATION -> year.depreciation();
            case SPENDING -> year.assets().spending();
            case CASH -> year.kept();
            case INTEREST -> year.interest();
            case INTEREST_ON_CASH -> year.interestOnCash();
            case PROFIT_TAX -> year.tax();
            case TAX_OWED -> year.taxOwed();
            case DIVIDENDS -> year.dividends();
            default -> year.flows().getOrDefault(id, year.items().getOrDefault(id, 0L));
        };
    }

    private long whole(Year year, @Nullable Year before) {
        String of = by instanceof Share share ? share.of() : null;
        if (by instanceof OfGross share) {
            return share.atEnd() || before == null
                    ? year.assets().gross()
                    : before.assets().gross() - year.assets().disposedGross();
        }
        return switch (row) {
            case INTEREST -> before == null ? year.debt() : (before.debt() + year.debt()) / 2;
            case INTEREST_ON_CASH -> before == null ? year.cash() : (before.cash() + year.cash()) / 2;
            case PROFIT_TAX -> year.beforeTax();
            case TAX_OWED -> year.tax();
            case DIVIDENDS -> of == null ? year.profit() : before == null ? 0 : before.profit();
            default ->
                of == null
                        ? year.sales()
                        : year.flows().getOrDefault(of, year.items().getOrDefault(of, 0L));
        };
    }

    /** Of the last year it is not known what stock was before: what was bought is what was sold. */
    private static long counted(DaysOf of, Year year, @Nullable Year before) {
        return year.counted(of == DaysOf.PURCHASES && before == null ? DaysOf.COST_OF_SALES : of);
    }

    private static @Nullable BigDecimal percent(long part, long whole) {
        return whole <= 0
                ? null
                : BigDecimal.valueOf(part)
                        .multiply(HUNDRED)
                        .divide(BigDecimal.valueOf(whole), 2, RoundingMode.HALF_UP)
                        .stripTrailingZeros();
    }

    private static @Nullable BigDecimal days(long part, long whole, int days) {
        return whole <= 0
                ? null
                : BigDecimal.valueOf(part)
                        .multiply(BigDecimal.valueOf(days))
                        .divide(BigDecimal.valueOf(whole), 1, RoundingMode.HALF_UP)
                        .stripTrailingZeros();
    }
}
