package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import java.time.LocalDate;

/** What a future is measured by (rules 11.6): a level in minor units that is to stay at or above a bound. */
public sealed interface Measure {
    /** A level, and the day on which it is that. */
    record Level(LocalDate day, long minor) {}

    /** The least headroom from the as-of date to the horizon. */
    record LeastHeadroom() implements Measure {
        @Override
        public Level of(Forecast forecast) {
            return new Level(forecast.lowWater().day(), forecast.lowWater().headroom());
        }
    }

    /** The least cash of all accounts after the as-of date. */
    record LeastCash() implements Measure {
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

    /** Closing cash on a day. */
    record ClosingOn(LocalDate day) implements Measure {
        @Override
        public Level of(Forecast forecast) {
            return new Level(day, forecast.closing(day));
        }
    }

    /** Returns the level in a forecast. */
    Level of(Forecast forecast);
}
