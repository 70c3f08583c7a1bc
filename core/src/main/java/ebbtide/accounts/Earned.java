package ebbtide.accounts;

import ebbtide.plan.SalesTax;
import ebbtide.time.MonthSeries;
import java.util.EnumMap;
import java.util.Map;

/**
 * What a line earns by month, whatever its cash does (rules 7, 9.1), signed: income above zero, costs below, net of
 * sales tax that is claimed back; the sales tax that goes with what it bills, owed above zero, claimed back below; what
 * it bills or is billed besides that tax, in the month of the bill; and what lowers, within what it earns, what was
 * billed. Bills that cover other months, purchases for stock, assets and fees earn otherwise than they bill.
 */
public record Earned(MonthSeries earned, MonthSeries tax, MonthSeries billed, Lowered lowered) {

    /**
     * What lowers that which a line has billed, within what it earns and with its sign (rules 9.6): below zero on
     * receipts, above on payments.
     */
    public record Lowered(MonthSeries discounts, MonthSeries credited, MonthSeries writtenOff) {
        static Lowered nil(MonthSeries nil) {
            return new Lowered(nil, nil, nil);
        }

        Lowered first(int months) {
            return new Lowered(discounts.first(months), credited.first(months), writtenOff.first(months));
        }
    }

    /** What a line earns, its tax and what it bills, where nothing lowers what was billed. */
    Earned(MonthSeries earned, MonthSeries tax, MonthSeries billed) {
        this(earned, tax, billed, Lowered.nil(MonthSeries.nil(earned.first(), earned.months())));
    }

    static Earned nil(Frame frame) {
        MonthSeries nil = MonthSeries.nil(frame.open(), frame.toEarned());
        return new Earned(nil, nil, nil);
    }

    /** Returns the first so many months. */
    Earned first(int months) {
        return earned.months() == months
                ? this
                : new Earned(earned.first(months), tax.first(months), billed.first(months), lowered.first(months));
    }

    /** Returns only the tax: of a line that stands outside the income statement. */
    Earned outside() {
        MonthSeries nil = MonthSeries.nil(earned.first(), earned.months());
        return new Earned(nil, tax, nil);
    }

    /** Returns the same with other amounts earned. */
    Earned earning(MonthSeries other) {
        return new Earned(other, tax, billed, lowered);
    }

    /** What a line earns on its way, in the line's direction: amounts come unsigned and are given its sign. */
    static final class Sum {
        private final int sign;
        private final Frame frame;
        private final MonthSeries.Sum earned;
        private final MonthSeries.Sum tax;
        private final MonthSeries.Sum billed;
        private final Map<Lower, MonthSeries.Sum> lowered = new EnumMap<>(Lower.class);

        /** Why less is earned than was billed. */
        enum Lower {
            DISCOUNT,
            CREDIT_NOTE,
            WRITE_OFF
        }

        Sum(Frame frame, int sign) {
            this.sign = sign;
            this.frame = frame;
            this.earned = frame.earning();
            this.tax = frame.earning();
            this.billed = frame.earning();
        }

        void earn(int month, long minor) {
            earned.add(month, minor * sign);
        }

        void bill(int month, long minor) {
            billed.add(month, minor * sign);
        }

        void tax(int month, long minor) {
            tax.add(month, minor * sign);
        }

        /** Adds what has its sign already to what is earned. */
        void add(int month, long signed) {
            earned.add(month, signed);
        }

        /**
         * An amount as the line types it, earned and billed in one month: its tax apart, the part that is not claimed
         * back a cost.
         */
        void net(SalesTax of, boolean receipt, int month, long amount) {
            long within = of.taxOf(amount);
            long taxed = of.back(receipt, within);
            both(month, (of.amountsAreGross() ? amount : amount + within) - taxed);
            tax(month, taxed);
        }

        /** Earns and bills in one month. */
        void both(int month, long minor) {
            earn(month, minor);
            bill(month, minor);
        }

        /** Earns and bills less in one month. */
        void lower(Lower by, int month, long minor) {
            both(month, -minor);
            lowered.computeIfAbsent(by, one -> frame.earning()).add(month, -minor * sign);
        }

        private MonthSeries lowered(Lower by) {
            MonthSeries.Sum sum = lowered.get(by);
            return sum == null ? MonthSeries.nil(frame.open(), frame.toEarned()) : sum.series();
        }

        /** Returns what has been billed in a month so far, with the line's sign. */
        long billedIn(int month) {
            return billed.in(month);
        }

        Earned done() {
            return new Earned(
                    earned.series(),
                    tax.series(),
                    billed.series(),
                    new Lowered(lowered(Lower.DISCOUNT), lowered(Lower.CREDIT_NOTE), lowered(Lower.WRITE_OFF)));
        }
    }
}
