package ebbtide.plan;

import ebbtide.money.Check;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;

/**
 * Interest, with the fees that go with it (rules 8.4): of a revolving facility's or a loan's line, of the overdraft, or earned on cash held.
 * {@code lineId} is null for the last two, whose rates are settings of the plan.
 */
public record Interest(Of of, String lineId, Charging charging) implements Assumption {
  /** What it is interest of. */
  public enum Of {
    LINE,
    OVERDRAFT,
    CASH
  }

  public Interest {
    Objects.requireNonNull(of, "what it is interest of");
    Objects.requireNonNull(charging, "when it is charged");
    Check.that((of == Of.LINE) == (lineId != null), "interest of a facility or a loan names its line; that of the overdraft or of cash names none");
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
    return lineId == null ? Standing.of(CashRow.INTEREST, OpeningSheet.Kind.INTEREST_OWED)
        : Standing.of(CashRow.INTEREST, OpeningSheet.Kind.INTEREST_OWED).holding(EnumSet.of(OpeningSheet.Kind.PREPAID));
  }

  @Override
  public List<String> reads() {
    return lineId == null ? List.of() : List.of(lineId);
  }

  @Override
  public Interest cleared() {
    return this;
  }
}
