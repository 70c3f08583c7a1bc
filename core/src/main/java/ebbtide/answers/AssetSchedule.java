package ebbtide.answers;

import ebbtide.accounts.AssetHolding;
import ebbtide.accounts.AssetHolding.Month;
import ebbtide.forecast.Forecast;
import ebbtide.plan.Line;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * What each asset of a plan cost, what is used up of it and what is left in the books, by fiscal year (rules 7.5,
 * 8.11); minor units. The first and the last year may be a part of one: the months that are planned of it.
 */
public record AssetSchedule(List<Year> years, List<Row> rows) {
    private static final int MONTHS = 12;

    /** The months of a fiscal year that are planned. */
    public record Year(YearMonth first, YearMonth last) {
        int months() {
            return Timeline.monthNumber(last) - Timeline.monthNumber(first) + 1;
        }
    }

    /** An asset of a line, by the years; what it cost, what is used up and what is left before the first of them. */
    public record Row(String lineId, String line, String asset, Standing opening, List<Held> years) {}

    /** What stands in the books at the end of a month: the cost, what is used up of it, and what is left. */
    public record Standing(long cost, long accumulated) {
        public long net() {
            return cost - accumulated;
        }

        Standing plus(Standing other) {
            return new Standing(cost + other.cost, accumulated + other.accumulated);
        }
    }

    /** What happens to an asset in a year, and what stands at its end. */
    public record Held(Month of, Standing end) {
        Held plus(Held other) {
            return new Held(of.plus(other.of), end.plus(other.end));
        }
    }

    /** Returns the schedule of all active lines that hold assets, in the plan's order. */
    public static AssetSchedule of(Forecast forecast) {
        List<Year> years = years(forecast);
        return new AssetSchedule(
                years,
                forecast.plan().lines().stream()
                        .flatMap(line -> rows(forecast, line, years).stream())
                        .toList());
    }

    /** Returns the schedule of a line and the sum of its assets, the last, where there are two or more. */
    public static AssetSchedule of(Forecast forecast, Line line) {
        List<Year> years = years(forecast);
        List<Row> rows = new ArrayList<>(rows(forecast, line, years));
        if (rows.size() > 1) {
            sum(rows).ifPresent(rows::add);
        }
        return new AssetSchedule(years, rows);
    }

    private static List<Row> rows(Forecast forecast, Line line, List<Year> years) {
        return forecast.plan().isActive(line) && forecast.accounts().of(line) instanceof AssetHolding held
                ? held.each().stream().map(asset -> row(line, asset, years)).toList()
                : List.of();
    }

    /** Returns the sum of some rows, its names empty; nothing of none. */
    private static Optional<Row> sum(List<Row> rows) {
        return rows.stream()
                .reduce((one, other) -> new Row(
                        one.lineId(),
                        one.line(),
                        "",
                        one.opening().plus(other.opening()),
                        IntStream.range(0, one.years().size())
                                .mapToObj(i ->
                                        one.years().get(i).plus(other.years().get(i)))
                                .toList()));
    }

    private static List<Year> years(Forecast forecast) {
        YearMonth end = YearMonth.from(forecast.plan().settings().horizonEnd());
        int firstFiscal = forecast.plan().settings().firstFiscalMonth().getValue() - 1;
        List<Year> years = new ArrayList<>();
        for (YearMonth at = forecast.plan().settings().firstForecastMonth(); !at.isAfter(end); ) {
            int left = MONTHS - Math.floorMod(Timeline.monthNumber(at) - firstFiscal, MONTHS);
            YearMonth last = at.plusMonths(left - 1L).isAfter(end) ? end : at.plusMonths(left - 1L);
            years.add(new Year(at, last));
            at = last.plusMonths(1);
        }
        return years;
    }

    private static Row row(Line line, AssetHolding asset, List<Year> years) {
        int open = Timeline.monthNumber(years.get(0).first());
        long net = asset.opening();
        Standing opening = standing(asset, open - 1, net);
        List<Held> held = new ArrayList<>();
        int at = 0;
        for (Year year : years) {
            Month of = asset.months().subList(at, at + year.months()).stream().reduce(Month.NONE, Month::plus);
            at += year.months();
            net += of.rise();
            held.add(new Held(of, standing(asset, open + at - 1, net)));
        }
        return new Row(line.id(), line.name(), asset.name(), opening, held);
    }

    private static Standing standing(AssetHolding asset, int month, long net) {
        long accumulated = asset.accumulated(month);
        return new Standing(net + accumulated, accumulated);
    }
}
