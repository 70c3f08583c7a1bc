package ebbtide.activity;

import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.ActivityMethod.DatedAmounts;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.Currency;
import java.util.List;
import java.util.stream.Collectors;

/** The monthly sums of dated amounts. */
record DatedSums(DatedAmounts dated, Currency currency) implements MonthlyAmounts {

    @Override
    public long[] months(int first, int last) {
        long[] amounts = new long[last - first + 1];
        for (DatedAmount amount : dated.amounts()) {
            int month = Timeline.monthNumber(YearMonth.from(amount.date()));
            if (month >= first && month <= last) {
                amounts[month - first] += amount.amount();
            }
        }
        return amounts;
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
