package ebbtide.plan;

import ebbtide.money.Check;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Interest, with the fees that go with it (rules 8.4): of a revolving facility's or a loan's line, of the overdraft, or
 * earned on cash held or on a deposit. {@code lineId} is null for overdraft and cash, whose rates are settings of the
 * plan.
 */
public record Interest(Of of, @Nullable String lineId, Charging charging) implements Assumption {
    /** What it is interest of. */
    public enum Of {
        LINE,
        OVERDRAFT,
        CASH,
        DEPOSIT;

        /** Returns whether it is interest of a line that it names. */
        public boolean isOfLine() {
            return this == LINE || this == DEPOSIT;
        }
    }

    public Interest {
        Objects.requireNonNull(of, "what it is interest of");
        Objects.requireNonNull(charging, "when it is charged");
        Check.that(
                of.isOfLine() == (lineId != null),
                "interest of a facility, a loan or a deposit names its line; that of the overdraft or of cash names none");
    }

    /** Returns whether it is a cost of debt; what is earned is not. */
    public boolean isOnDebt() {
        return of == Of.LINE || of == Of.OVERDRAFT;
    }

    @Override
    public String kind() {
        return "interest";
    }

    @Override
    public Nature usualNature(Direction direction) {
        return Nature.OUTSIDE;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        return lineId == null
                ? Standing.of(CashRow.INTEREST, OpeningSheet.Kind.INTEREST_OWED)
                : Standing.of(CashRow.INTEREST, OpeningSheet.Kind.INTEREST_OWED)
                        .holding(EnumSet.of(OpeningSheet.Kind.PREPAID));
    }

    @Override
    public List<String> reads() {
        return lineId == null ? List.of() : List.of(lineId);
    }

    @Override
    public List<Input<Interest>> inputs() {
        return Inputs.of(this)
                .add("charging", "interest charged each", Unit.CHOICE)
                .list();
    }

    @Override
    public Optional<Interest> findInterest() {
        return Optional.of(this);
    }

    @Override
    public Optional<String> refusesOverrides() {
        return WORKED_OUT;
    }

    /** Returns whether it is interest of a line, or of the overdraft or cash, which have none. */
    public boolean isOf(Of what, @Nullable String line) {
        return of == what && Objects.equals(lineId, line);
    }

    @Override
    public Interest cleared() {
        return this;
    }
}
