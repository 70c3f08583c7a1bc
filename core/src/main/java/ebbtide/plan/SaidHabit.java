package ebbtide.plan;

import ebbtide.money.Check;
import java.util.Objects;

/**
 * How a counterparty pays, as an analyst says against what its paid items show (rules 4.2): calendar days from due to
 * payment, negative when early.
 */
public record SaidHabit(Direction direction, String counterparty, int days) {
    public SaidHabit {
        Objects.requireNonNull(direction, "direction of a habit");
        counterparty = Check.text(counterparty, "counterparty of a habit", 200);
        Check.inRange(days, -366, 732, "days late of a habit");
    }
}
