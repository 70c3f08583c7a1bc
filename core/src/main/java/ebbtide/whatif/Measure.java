package ebbtide.whatif;

import static ebbtide.time.DayFormats.LONG_DAY;

import ebbtide.forecast.Forecast;
import ebbtide.funding.Liquidity;
import ebbtide.money.Refused;
import ebbtide.statements.Covenants;
import ebbtide.statements.Statements;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** What a future is measured by (rules 11.6): a level in minor units that is to stay at or above a bound. */
public sealed interface Measure {

    /** A level, and the day on which it is that. */
    record Level(LocalDate day, long minor) {}

    /** The least headroom from the as-of date to the horizon. */
    record LeastHeadroom() implements Measure {
        @Override
        public String words() {
            return "least headroom";
        }

        @Override
        public Level of(Forecast forecast) {
            return new Level(forecast.lowWater().day(), forecast.lowWater().headroom());
        }
    }

    /** The least cash of all accounts after the as-of date. */
    record LeastCash() implements Measure {
        @Override
        public String words() {
            return "least cash";
        }

        @Override
        public Level of(Forecast forecast) {
            LocalDate day = forecast.plan().settings().asOf().plusDays(1);
            Level least = new Level(day, forecast.closing(day));
            for (; !day.isAfter(forecast.lastDay()); day = day.plusDays(1)) {
                if (forecast.closing(day) < least.minor()) {
                    least = new Level(day, forecast.closing(day));
                }
            }
            return least;
        }
    }

    /** What limits in force exceed the need by on the worst day (rules 8.7). */
    record LimitsLessNeed() implements Measure {
        @Override
        public String words() {
            return "limits less need";
        }

        @Override
        public Level of(Forecast forecast) {
            Liquidity liquidity = forecast.liquidity();
            int worst = forecast.asOfIndex() + 1;
            for (int day = worst; day <= forecast.timeline().index(forecast.lastDay()); day++) {
                if (liquidity.limit(day) - liquidity.need(day) < liquidity.limit(worst) - liquidity.need(worst)) {
                    worst = day;
                }
            }
            return new Level(forecast.timeline().date(worst), liquidity.limit(worst) - liquidity.need(worst));
        }
    }

    /** The least room of any covenant's test. */
    record CovenantRoom() implements Measure {
        @Override
        public String words() {
            return "the room of the tightest covenant";
        }

        @Override
        public Level of(Forecast forecast) {
            return Covenants.of(forecast).stream()
                    .flatMap(test -> Stream.ofNullable(test.room()).map(room -> new Level(test.date(), room)))
                    .min(Comparator.comparingLong(Level::minor))
                    .orElseThrow(
                            () -> new Refused(
                                    "No covenant has a test whose room is known: agree one under Funding, or choose another measure"));
        }
    }

    /** Profit after tax of the fiscal year that holds a day, of its months that are forecast. */
    record ProfitOf(LocalDate day) implements Measure {
        @Override
        public String words() {
            return "profit after tax of the year of " + LONG_DAY.format(day);
        }

        @Override
        public Level of(Forecast forecast) {
            Statements statements = Statements.of(forecast);
            Period year = statements.months().all(Periods.YEAR).stream()
                    .filter(period -> period.contains(day))
                    .findFirst()
                    .orElseThrow(() ->
                            new Refused("No month of the fiscal year of " + day + " is forecast: choose a later day"));
            return statements.table(Statements.Kind.INCOME, List.of(year), false).rows().stream()
                    .filter(row -> row.id().equals("profit"))
                    .findFirst()
                    .map(row -> new Level(year.lastDay(), row.amounts().get(0)))
                    .orElseThrow();
        }
    }

    /** Closing cash on a day. */
    record ClosingOn(LocalDate day) implements Measure {
        @Override
        public String words() {
            return "closing cash on " + LONG_DAY.format(day);
        }

        @Override
        public Level of(Forecast forecast) {
            return new Level(day, forecast.closing(day));
        }
    }

    /** Returns what it is called: "least headroom". */
    String words();

    /** Returns the level in a forecast. */
    Level of(Forecast forecast);
}
