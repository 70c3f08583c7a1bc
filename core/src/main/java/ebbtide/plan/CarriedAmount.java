package ebbtide.plan;

import ebbtide.money.Check;
import java.time.LocalDate;
import java.util.Objects;

/**
 * Cash of a closed month or window that did not come as planned and is now expected on a day (rules 10.5). In minor
 * units in the line's direction, negative when less is to come; the origin says what it was carried from.
 */
public record CarriedAmount(String id, LocalDate day, long amount, String origin) {
    public CarriedAmount {
        id = Check.text(id, "id of a carried amount", 80);
        Objects.requireNonNull(day, "day of a carried amount");
        Check.inRange(day.getYear(), 1990, 2100, "year of a carried amount");
        Check.that(amount != 0, "an amount that is carried is not nil");
        origin = Check.text(origin, "origin of a carried amount", 1_000);
    }
}
