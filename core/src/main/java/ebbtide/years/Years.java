package ebbtide.years;

import ebbtide.forecast.Forecast;
import ebbtide.money.HowFar;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.LastYear;
import ebbtide.plan.LastYear.Entry;
import ebbtide.plan.YearRow;
import ebbtide.plan.YearsPlan;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The years of a plan (rules 9.4): the last year, and those that go on from it, each worked out of the one before. */
public final class Years {
    private static final long POINT = 100;
    private static final long HUNDRED_POINTS = 100 * POINT;
    /** Sales that grow a thousandfold come from next to none: a share of that says nothing. */
    private static final BigDecimal MOST_GROWTH = BigDecimal.valueOf(1_000 * HUNDRED_POINTS);

    private final YearsPlan plan;
    private final YearsStart start;
    private final List<Year> years = new ArrayList<>();

    private Years(YearsPlan plan, YearsStart start) {
        this.plan = plan;
        this.start = start;
        years.add(last(plan, start));
        for (int i = 0; i < plan.count(); i++) {
            years.add(new YearWorking(plan, start, years.get(i), Optional.empty()).year());
        }
    }

    /** Returns years from a beginning. */
    public static Years of(YearsPlan plan, YearsStart start) {
        return new Years(plan, start);
    }

    /**
     * Returns the years that a forecast's plan has, nothing where it has none.
     *
     * @throws Refused where they go on from months, and fewer than twelve are planned
     */
    public static Optional<Years> of(Forecast forecast) {
        return Optional.ofNullable(forecast.plan().settings().years()).map(plan -> of(forecast, plan));
    }

    /**
     * Returns years after a forecast's months, or from a last year of their own.
     *
     * @throws Refused where they go on from months, and fewer than twelve are planned
     */
    public static Years of(Forecast forecast, YearsPlan plan) {
        LastYear last = plan.lastYear();
        return of(plan, last == null ? MonthsBefore.start(forecast, plan) : YearsStart.typed(plan, last));
    }

    /** The last year as its rows have it: an overdraft is short-term borrowing. */
    private static Year last(YearsPlan plan, YearsStart start) {
        LastYear last = start.last();
        Map<String, Year.Row> rows = new LinkedHashMap<>();
        Map<String, Long> flows = new LinkedHashMap<>();
        Map<String, Long> items = new LinkedHashMap<>();
        Map<String, Long> debts = new LinkedHashMap<>();
        for (YearRow row : YearRow.values()) {
            if (!row.isMany() && row.isItem()) {
                rows.put(row.id(), new Year.Row(row, row.words()));
                items.put(row.id(), 0L);
            }
        }
        long facility = 0;
        long otherEquity = last.unplaced();
        for (Entry one : last.entries()) {
            rows.put(one.id(), new Year.Row(one.row(), one.name()));
            if (one.row().isFlow()) {
                flows.put(one.id(), one.amount());
            } else if (one.row().isItem()) {
                items.put(one.id(), one.amount());
            } else if (one.row() == YearRow.DEBT && one.id().equals(plan.rules().facility())) {
                facility = one.amount();
            } else if (one.row() == YearRow.DEBT) {
                debts.put(one.id(), one.amount());
            } else if (one.row() == YearRow.OTHER_EQUITY) {
                otherEquity += one.amount();
            }
        }
        debts.put(DebtWorking.NEW, 0L);
        rows.put(DebtWorking.NEW, new Year.Row(YearRow.DEBT, "New debt"));
        long cash = amount(last, YearRow.CASH);
        long gross = amount(last, YearRow.GROSS_ASSETS);
        long accumulated = amount(last, YearRow.ACCUMULATED);
        return new Year(
                last.end(),
                last.days(),
                Collections.unmodifiableMap(rows),
                flows,
                amount(last, YearRow.DEPRECIATION),
                amount(last, YearRow.GAIN),
                amount(last, YearRow.INTEREST),
                amount(last, YearRow.INTEREST_ON_CASH),
                amount(last, YearRow.PROFIT_TAX),
                amount(last, YearRow.DIVIDENDS),
                new Year.Assets(
                        amount(last, YearRow.SPENDING),
                        0,
                        0,
                        0,
                        gross,
                        accumulated,
                        DepreciationWorking.atFirst(plan, gross - accumulated)),
                items,
                debts,
                Year.Outside.NOTHING,
                facility,
                amount(last, YearRow.SHORT_TERM) + Math.max(0, -cash),
                Math.max(0, cash),
                Math.max(0, cash),
                amount(last, YearRow.TAX_OWED),
                amount(last, YearRow.CAPITAL),
                otherEquity,
                amount(last, YearRow.RETAINED),
                last.losses(),
                0,
                start.remarks());
    }

    private static long amount(LastYear last, YearRow row) {
        return last.find(row.id()).map(Entry::amount).orElse(0L);
    }

    /** Returns the last year, then those that go on from it. */
    public List<Year> all() {
        return Collections.unmodifiableList(years);
    }

    public YearsPlan plan() {
        return plan;
    }

    public YearsStart start() {
        return start;
    }

    /** Returns what is needed from outside in a year, counted from 1: what borrowing to keep cash rises by. */
    public long needed(int year) {
        return need(year).minor();
    }

    /** Returns what is needed from outside in a year, counted from 1, as its uses and sources. */
    public YearNeed need(int year) {
        return YearNeed.of(years.get(year - 1), years.get(year));
    }

    /**
     * Growth up to which borrowing does not rise: the greatest within the range, in hundredths of a point; where none
     * of it is a bound, {@code percent} is null and {@code always} says whether it holds throughout.
     */
    public record FreeGrowth(@Nullable Percent percent, boolean always) {}

    /**
     * Returns the growth of a year's sales that needs nothing from outside, all else as typed (rules 9.4 i, 11.6): up
     * to a hundred points above what it is; where borrowing rises as it is, below. Nothing where there were no sales,
     * or next to none.
     */
    public Optional<FreeGrowth> growthWithoutFunding(int year) {
        Year before = years.get(year - 1);
        if (before.sales() <= 0) {
            return Optional.empty();
        }
        BigDecimal growth = BigDecimal.valueOf(years.get(year).sales() - before.sales())
                .multiply(BigDecimal.valueOf(HUNDRED_POINTS))
                .divide(BigDecimal.valueOf(before.sales()), 0, RoundingMode.HALF_UP);
        if (growth.compareTo(MOST_GROWTH) > 0) {
            return Optional.empty();
        }
        long present = growth.longValueExact();
        HowFar<Long> far = new HowFar<>(multiple -> rise(before, multiple), rise -> rise <= 0);
        HowFar.Point<Long> now = new HowFar.Point<>(present, needed(year));
        boolean holds = now.level() <= 0;
        long end = holds ? present + HUNDRED_POINTS : Math.max(-HUNDRED_POINTS, present - HUNDRED_POINTS);
        return Optional.of(far.edge(now, far.way(present, end))
                .map(edge ->
                        new FreeGrowth(new Percent(edge.holds().multiple() * Percent.WHOLE / HUNDRED_POINTS), false))
                .orElse(new FreeGrowth(null, holds)));
    }

    /** What borrowing rises by where all sales grow by so many hundredths of a point; nothing where they cannot. */
    private Optional<Long> rise(Year before, long growth) {
        if (growth < -HUNDRED_POINTS) {
            return Optional.empty();
        }
        Percent grown = new Percent(growth * Percent.WHOLE / HUNDRED_POINTS);
        try {
            Year tried = new YearWorking(plan, start, before, Optional.of(grown)).year();
            return Optional.of(tried.borrowed() - before.borrowed());
        } catch (Refused refused) {
            return Optional.empty();
        }
    }
}
