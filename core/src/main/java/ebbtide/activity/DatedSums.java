package ebbtide.activity;

import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.ActivityMethod.DatedAmounts;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.Currency;
import java.util.List;
import java.util.stream.Collectors;

/** The monthly sums of dated amounts. */
record DatedSums(DatedAmounts dated, Currency currency) implements MonthlyAmounts {

    @Override
    public MonthSeries months(int first, int last) {
        MonthSeries.Sum sum = new MonthSeries.Sum(first, last - first + 1);
        dated.amounts().forEach(one -> sum.add(Timeline.monthNumber(YearMonth.from(one.date())), one.amount()));
        return sum.series();
    }

    @Override
    public String words(YearMonth month) {
        List<DatedAmount> inside = dated.amounts().stream()
                .filter(a -> YearMonth.from(a.date()).equals(month))
                .toList();
        return inside.isEmpty()
                ? "no date in " + Words.month(month)
                : inside.stream()
                        .map(a -> Money.words(a.amount(), currency) + " on "
                                + a.date().getDayOfMonth() + " " + Words.month(month)
                                + (a.note().isEmpty() ? "" : ", " + a.note()))
                        .collect(Collectors.joining("; "));
    }
}
