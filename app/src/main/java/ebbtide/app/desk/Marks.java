package ebbtide.app.desk;

import ebbtide.forecast.Forecast;
import java.time.LocalDate;

/** The figures of a forecast that say whether cash is enough, in minor units (rules 8.7). */
public record Marks(LocalDate lowWaterDay, long lowWaterHeadroom, long lowWaterCash, long peakNeed, long closing) {
    public static Marks of(Forecast forecast) {
        return new Marks(
                forecast.lowWater().day(),
                forecast.lowWater().headroom(),
                forecast.lowWater().cash(),
                forecast.peakNeed(),
                forecast.closing(forecast.lastDay()));
    }
}
