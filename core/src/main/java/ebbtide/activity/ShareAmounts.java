package ebbtide.activity;

import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.Currency;

/** The monthly amounts that are a share of another line's, its history included. */
record ShareAmounts(ShareOfLine share, OtherLine of, Currency currency) implements MonthlyAmounts {

    @Override
    public long[] months(int first, int last) {
        MonthlyActivity other = of.net();
        long[] amounts = new long[last - first + 1];
        for (int m = first; m <= last; m++) {
            amounts[m - first] = share.share().of(other.in(m));
        }
        return amounts;
    }

    @Override
    public String words(YearMonth month) {
        return share.share() + " of " + of.name() + " "
                + Money.words(of.net().in(Timeline.monthNumber(month)), currency);
    }
}
