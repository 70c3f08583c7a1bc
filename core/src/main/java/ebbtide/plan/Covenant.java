package ebbtide.plan;

import ebbtide.money.Check;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.Objects;

/**
 * What a lender asks to hold at test dates (rules 8.8): a least liquidity in minor units, or a ratio over the twelve
 * months up to the date or on its balance sheet, named as in the contract. Tested at the end of each month, or of each
 * quarter of the fiscal year. {@code breach} is what lenders may do once it breaks.
 */
public record Covenant(String id, String name, Ratio ratio, BigDecimal bound, Every every, Breach breach) {
    /** What follows, in a scenario, from the day after a test that breaks (rules 11.2). */
    public enum Breach {
        NOTHING,
        /** No more is drawn than is, and no loan that is still to come. */
        STOPS_DRAWING,
        /** All facilities and loans fall due. */
        DEBT_DUE
    }

    /** Makes a covenant from whose breach nothing follows. */
    public Covenant(String id, String name, Ratio ratio, BigDecimal bound, Every every) {
        this(id, name, ratio, bound, every, Breach.NOTHING);
    }

    /** What is tested. */
    public enum Ratio {
        /**
         * Cash, overdraft and what is undrawn of committed facilities, on the worst day since the test before; at
         * least.
         */
        LEAST_LIQUIDITY,
        /** What is owed less cash, over EBITDA; at most. */
        NET_DEBT_TO_EBITDA,
        /** EBITDA over interest; at least. */
        INTEREST_COVER,
        /**
         * EBITDA less tax paid and capital spending that no loan financed, over interest and scheduled principal; at
         * least.
         */
        DEBT_SERVICE_COVER,
        /** Current assets over what is owed within twelve months, on the balance sheet of the date; at least. */
        CURRENT_RATIO;

        /** Returns whether the bound is the most that is allowed. */
        public boolean isMost() {
            return this == NET_DEBT_TO_EBITDA;
        }
    }

    /** How often it is tested. */
    public enum Every {
        MONTH,
        QUARTER
    }

    /**
     * What a month before the forecast came to: EBITDA, interest, tax paid, capital spending not financed and
     * principal; minor units.
     */
    public record PastMonth(long ebitda, long interest, long tax, long spending, long principal) {}

    public Covenant {
        id = Check.text(id, "id of a covenant", 80);
        name = Check.text(name, "name of a covenant", 120);
        Objects.requireNonNull(ratio, "what is tested");
        Objects.requireNonNull(bound, "bound of the covenant");
        Objects.requireNonNull(every, "how often it is tested");
        Objects.requireNonNull(breach, "what follows from its breach");
        // 2.50 and 2.5 are the same bound.
        bound = bound.stripTrailingZeros();
        bound = bound.scale() < 0 ? bound.setScale(0) : bound;
        Check.that(bound.signum() >= 0 && bound.scale() <= 4, "a bound is not negative and has at most four decimals");
    }

    /** Returns whether it is tested at the end of a month, by the first month of the fiscal year. */
    public boolean isTested(YearMonth month, java.time.Month firstFiscalMonth) {
        return every == Every.MONTH || Math.floorMod(month.getMonthValue() - firstFiscalMonth.getValue() + 1, 3) == 0;
    }
}
