package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.track.Snapshot;

/** What may stand beside others (rules 11.5): the base, a scenario, another plan, or a forecast as it was kept. */
public sealed interface Future {
    /** Returns what it is called. */
    String name();

    /** The base, a scenario, or another plan: whether its lines are known by the ids of the first that is shown. */
    record OfForecast(String name, Forecast forecast, boolean samePlan) implements Future {
        public OfForecast {
            name = Check.text(name, "name of a future", 200);
        }
    }

    /** A snapshot: flows and cash after its as-of date. */
    record OfSnapshot(String name, Snapshot snapshot) implements Future {
        public OfSnapshot {
            name = Check.text(name, "name of a future", 200);
        }
    }
}
