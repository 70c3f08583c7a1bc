package ebbtide.track;

import ebbtide.books.BankMovement;
import ebbtide.forecast.Forecast;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.time.Period;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a line came to in some days, to be typed where there is no bank's file (rules 10.8): what the forecast proposes,
 * what was booked by others, and what was typed (null: nothing), in minor units in the line's direction.
 */
public record TypedActual(
        Line line, long proposed, long booked, @Nullable Long typed) {

    /**
     * Returns every line that is no group, receipts first; of some movements that were typed for the days each is one
     * line's.
     */
    public static List<TypedActual> of(Forecast forecast, Period days, List<BankMovement> typed) {
        List<TypedActual> actuals = new ArrayList<>();
        for (Direction direction : Direction.values()) {
            forecast.plan().lines().stream()
                    .filter(line -> line.direction() == direction && !line.isGroup())
                    .forEach(line -> actuals.add(of(forecast, line, days, typed)));
        }
        return actuals;
    }

    private static TypedActual of(Forecast forecast, Line line, Period days, List<BankMovement> typed) {
        int sign = line.direction().sign();
        Long own = typed.stream()
                .filter(one -> isOf(one, line))
                .map(one -> one.minor() * sign)
                .findFirst()
                .orElse(null);
        long booked = Outturn.sum(
                        forecast.books().byLine().getOrDefault(line.id(), List.of()),
                        days.startInclusive(),
                        days.lastDay())
                * sign;
        return new TypedActual(line, forecast.cell(line, days).amount() * sign, booked - (own == null ? 0 : own), own);
    }

    /** Returns whether a movement that was typed is a line's. */
    public static boolean isOf(BankMovement movement, Line line) {
        return movement.parts().stream().anyMatch(part -> line.id().equals(part.lineId()));
    }
}
