package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.time.Period;
import java.util.Objects;

/** A marker left on a figure to come back to: a row of the forecast, a period, and a note. */
public record Buoy(String id, String row, Period period, String note) {
    public Buoy {
        id = Check.text(id, "id of a buoy", 80);
        row = Check.text(row, "the row a buoy lies on", 80);
        Objects.requireNonNull(period, "period");
        note = Check.text(note, "the note of a buoy", 10_000);
    }
}
