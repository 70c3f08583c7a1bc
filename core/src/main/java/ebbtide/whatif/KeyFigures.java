package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import java.time.LocalDate;

/**
 * The figures by which futures are compared, in minor units (rules 8.7, 11.5): the day of low water with the headroom
 * and the cash on it, peak need, and closing cash at the horizon.
 */
public record KeyFigures(LocalDate lowWater, long headroom, long cash, long peakNeed, long closing) {
    /** Returns those of a forecast. */
    public static KeyFigures of(Forecast forecast) {
        return new KeyFigures(
                forecast.lowWater().day(),
                forecast.lowWater().headroom(),
                forecast.lowWater().cash(),
                forecast.peakNeed(),
                forecast.closing(forecast.lastDay()));
    }

    /** Returns by how much they are more than others; the day stays their own. */
    public KeyFigures less(KeyFigures other) {
        return new KeyFigures(
                lowWater,
                headroom - other.headroom,
                cash - other.cash,
                peakNeed - other.peakNeed,
                closing - other.closing);
    }
}
