package ebbtide.activity;

import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.Currency;

/** The monthly amounts that are a share of another line's, its history included. */
record ShareAmounts(ShareOfLine share, OtherLine of, Currency currency) implements MonthlyAmounts {

    @Override
    public MonthSeries months(int first, int last) {
        return MonthSeries.of(first, last, m -> share.share().of(of.net().in(m)));
    }

    @Override
    public String words(YearMonth month) {
        return share.share() + " of " + of.name() + " "
                + Money.words(of.net().in(Timeline.monthNumber(month)), currency);
    }
}
