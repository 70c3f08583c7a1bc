package ebbtide.accounts;

import ebbtide.plan.SalesTax;
import ebbtide.time.MonthSeries;

/**
 * What a line earns by month, whatever its cash does (rules 7, 9.1), signed: income above zero, costs below, net of
 * sales tax that is claimed back; the sales tax that goes with what it bills, owed above zero, claimed back below; and
 * what it bills or is billed besides that tax, in the month of the bill. Bills that cover other months, purchases for
 * stock, assets and fees earn otherwise than they bill.
 */
public record Earned(MonthSeries earned, MonthSeries tax, MonthSeries billed) {

    static Earned nil(Frame frame) {
        MonthSeries nil = MonthSeries.nil(frame.open(), frame.toEarned());
        return new Earned(nil, nil, nil);
    }

    /** Returns the first so many months. */
    Earned first(int months) {
        return earned.months() == months
                ? this
                : new Earned(earned.first(months), tax.first(months), billed.first(months));
    }

    /** Returns only the tax: of a line that stands outside the income statement. */
    Earned outside() {
        MonthSeries nil = MonthSeries.nil(earned.first(), earned.months());
        return new Earned(nil, tax, nil);
    }

    /** What a line earns on its way, in the line's direction: amounts come unsigned and are given its sign. */
    static final class Sum {
        private final int sign;
        private final MonthSeries.Sum earned;
        private final MonthSeries.Sum tax;
        private final MonthSeries.Sum billed;

        Sum(Frame frame, int sign) {
            this.sign = sign;
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

        /** Returns what has been billed in a month so far, with the line's sign. */
        long billedIn(int month) {
            return billed.in(month);
        }

        Earned done() {
            return new Earned(earned.series(), tax.series(), billed.series());
        }
    }
}
