package ebbtide.activity;

import static java.util.Objects.requireNonNull;

import ebbtide.money.Money;
import ebbtide.money.Rounding;
import ebbtide.money.Split;
import ebbtide.plan.ActivityMethod.YearTotal;
import ebbtide.plan.LineSettings;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.Map;
import java.util.SortedMap;

/** The monthly amounts of fiscal years' totals, split by their weights (rules 1.3, 2.1). */
record YearAmounts(YearTotal year, LineSettings settings) implements MonthlyAmounts {

    @Override
    public MonthSeries months(int first, int last) {
        Map<Integer, MonthSeries> years = new HashMap<>();
        return MonthSeries.of(first, last, m -> years.computeIfAbsent(fiscalYear(m), this::split)
                .in(m));
    }

    /** Returns the calendar year in which the fiscal year of a month began. */
    private int fiscalYear(int month) {
        return Math.floorDiv(month - (settings.firstFiscalMonth().getValue() - 1), 12);
    }

    private int firstMonthOf(int fiscalYear) {
        return Timeline.monthNumber(YearMonth.of(fiscalYear, settings.firstFiscalMonth()));
    }

    private MonthSeries split(int fiscalYear) {
        long[] weights = year.weights().stream().mapToLong(Long::longValue).toArray();
        return MonthSeries.of(firstMonthOf(fiscalYear), Split.byWeights(total(fiscalYear), weights));
    }

    /**
     * Returns the total of a year: its own, or the last one's before it, grown and rounded once; nil before the first.
     */
    private long total(int fiscalYear) {
        SortedMap<Integer, Long> known = year.totals().headMap(fiscalYear + 1);
        if (known.isEmpty()) {
            return 0;
        }
        int years = fiscalYear - known.lastKey();
        return Rounding.toAmount(BigDecimal.valueOf(requireNonNull(known.get(known.lastKey())))
                .multiply(BigDecimal.ONE.add(year.yearlyGrowth().asFraction()).pow(years)));
    }

    @Override
    public String words(YearMonth month) {
        int began = fiscalYear(Timeline.monthNumber(month));
        long weight = year.weights().get(Timeline.monthNumber(month) - firstMonthOf(began));
        long sum = year.weights().stream().mapToLong(Long::longValue).sum();
        return weight + " of " + sum + " parts of " + Money.words(total(began), settings.currency())
                + ", the year from "
                + Words.month(YearMonth.of(began, settings.firstFiscalMonth()))
                + (year.totals().containsKey(began)
                                || year.totals().headMap(began).isEmpty()
                        ? ""
                        : ", grown from the last total");
    }
}
