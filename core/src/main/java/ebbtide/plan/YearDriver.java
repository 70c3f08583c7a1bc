package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import java.math.BigDecimal;
import java.util.Collections;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * What a row of the years follows from (rules 9.4). Values are of years, each named by the calendar year in which it
 * begins; one holds until the next. Minor units.
 */
public sealed interface YearDriver {
    /** Years that are named lie here. */
    int FIRST = 1900;
    /** Years that are named lie here. */
    int LAST = 2999;

    /**
     * Amounts of years, and the growth from one year to the next where none is typed: without either it stays as it
     * was.
     */
    record Amount(SortedMap<Integer, Long> amounts, SortedMap<Integer, Percent> growth) implements YearDriver {
        public Amount {
            amounts = years(amounts);
            amounts.values().forEach(Rounding::counted);
            growth = years(growth);
            growth.values().forEach(one -> Check.inRange(one, MOST_DOWN, MOST_UP, "growth of a year"));
        }

        /**
         * Returns the amount of a year: what is typed for it; without, that of the year before grown, or without growth
         * the latest that was typed, or that of the year before.
         */
        public long in(int year, long was) {
            Long typed = amounts.get(year);
            if (typed != null) {
                return typed;
            }
            Percent grows = YearDriver.in(growth, year);
            if (grows != null) {
                return was + grows.of(was);
            }
            Long kept = YearDriver.in(amounts, year);
            return kept == null ? was : kept;
        }
    }

    /**
     * A share of something: of another row by its id, or without one of what is natural to the row: of sales; of
     * interest the rate on debt, of interest on cash that on cash, of profit tax that on profit, of tax owed the part
     * of the year's tax that is paid in the next, of dividends the part of the year's own profit.
     */
    record Share(@Nullable String of, SortedMap<Integer, Percent> shares) implements YearDriver {
        /** Of dividends: the profit of the year before. */
        public static final String YEAR_BEFORE = "year-before";

        public Share {
            shares = years(shares);
            shares.values().forEach(one -> Check.inRange(one, MOST_DOWN, MOST_UP, "share of a year"));
        }
    }

    /** A margin on sales that is held: this cost of sales is what the others leave of it. */
    record MarginHeld(SortedMap<Integer, Percent> margins) implements YearDriver {
        public MarginHeld {
            margins = years(margins);
            margins.values().forEach(one -> Check.inRange(one, MOST_DOWN, Percent.HUNDRED, "margin of a year"));
        }
    }

    /** What days are counted of. */
    enum DaysOf {
        SALES("sales"),
        COST_OF_SALES("cost of sales"),
        /** Cost of sales and what stock has grown by. */
        PURCHASES("purchases"),
        /** Cost of sales and overheads: what cash is kept for. */
        CASH_COSTS("cash costs");

        private final String words;

        DaysOf(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** So many days of something, over the days of the year. */
    record Days(DaysOf of, SortedMap<Integer, BigDecimal> days) implements YearDriver {
        private static final BigDecimal MOST = BigDecimal.valueOf(3_650);

        public Days {
            SortedMap<Integer, BigDecimal> plain = new TreeMap<>();
            days.forEach((year, count) -> plain.put(year, plain(count)));
            days = years(plain);
            days.values()
                    .forEach(one -> Check.that(
                            one.signum() >= 0 && one.compareTo(MOST) <= 0,
                            "days of a year go from 0 to " + MOST + ", but were " + one));
        }
    }

    /** The same number is written in one way. */
    private static BigDecimal plain(BigDecimal number) {
        BigDecimal least = number.stripTrailingZeros();
        return least.scale() < 0 ? least.setScale(0) : least;
    }

    /** As it was, grown as sales are. */
    record WithSales() implements YearDriver {}

    /**
     * Of depreciation: a share of gross assets at the year's start, without what is disposed of then, or at its end
     * with the year's spending.
     */
    record OfGross(boolean atEnd, SortedMap<Integer, Percent> shares) implements YearDriver {
        public OfGross {
            shares = years(shares);
            shares.values().forEach(one -> Check.inRange(one, Percent.ZERO, Percent.HUNDRED, "depreciation of a year"));
        }
    }

    /** Of depreciation: straight-line over a life in years, and of what is there at first over what is left of it. */
    record Life(int years, int left) implements YearDriver {
        public Life {
            Check.inRange(years, 1, 100, "life in years");
            Check.inRange(left, 1, 100, "years left of what is there");
        }
    }

    /** A share that lowers. */
    Percent MOST_DOWN = new Percent(-Percent.WHOLE);

    /** A thousand percent. */
    Percent MOST_UP = new Percent(10 * Percent.WHOLE);

    /**
     * Returns a year that is named by the calendar year in which it begins.
     *
     * @throws ebbtide.money.Refused for one that nobody plans
     */
    static int named(int year) {
        return Check.inRange(year, FIRST, LAST, "a year");
    }

    private static <T> SortedMap<Integer, T> years(Map<Integer, T> of) {
        of.keySet().forEach(YearDriver::named);
        return Collections.unmodifiableSortedMap(new TreeMap<>(of));
    }

    /** Returns what holds in a year: the value of that year, or the latest before it; null before the first. */
    static <T> @Nullable T in(SortedMap<Integer, T> values, int year) {
        SortedMap<Integer, T> until = values.headMap(year + 1);
        return until.isEmpty() ? null : values.get(until.lastKey());
    }
}
