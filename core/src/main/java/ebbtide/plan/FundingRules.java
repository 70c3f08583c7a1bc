package ebbtide.plan;

import ebbtide.money.Check;
import java.math.BigDecimal;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * How a plan is funded (rules 8.1, 8.3, 8.5): when the sweep draws and repays, what it leaves above minimum cash before
 * it repays, how facility interest is worked out, minimum cash by days of payments ({@code minimumDays}; null: by
 * amount), and within how many business days a deposit can be called that counts as liquidity ({@code callableWithin};
 * null: none does).
 */
public record FundingRules(
        Sweeps sweeps,
        long buffer,
        InterestBy interestBy,
        @Nullable BigDecimal minimumDays,
        @Nullable Integer callableWithin) {
    /** Swept each day, nothing left above the minimum, interest by nights, minimum cash by amount. */
    public static final FundingRules USUAL = new FundingRules(Sweeps.DAY, 0, InterestBy.NIGHTS, null, null);

    /** When facilities are drawn and repaid: each day, or on the last business day of the week or the month. */
    public enum Sweeps {
        DAY,
        WEEK,
        MONTH
    }

    /** How facility interest is worked out. */
    public enum InterestBy {
        NIGHTS,
        /** A twelfth of the rate on the mean of opening and closing balance, on the month's last business day. */
        AVERAGE_BALANCE
    }

    Inputs<FundingRules> inputs() {
        return Inputs.of(this)
                .when(
                        minimumDays != null,
                        "minimumDays",
                        "minimum cash",
                        new Unit(Unit.Measure.NUMBER, "days of payments", BigDecimal.ZERO, BigDecimal.valueOf(366)))
                .when(buffer > 0, "buffer", "left above minimum cash before a facility is repaid", Unit.MONEY)
                .when(
                        callableWithin != null,
                        "callableWithin",
                        "deposits are liquidity within",
                        new Unit(Unit.Measure.DAYS, "business days", 0, 366))
                .when(false, "sweeps", "drawn and repaid each", Unit.CHOICE)
                .when(false, "interestBy", "interest by", Unit.CHOICE);
    }

    /** Makes rules by which no deposit counts as liquidity. */
    public FundingRules(Sweeps sweeps, long buffer, InterestBy interestBy, BigDecimal minimumDays) {
        this(sweeps, buffer, interestBy, minimumDays, null);
    }

    public FundingRules {
        Objects.requireNonNull(sweeps, "when the sweep runs");
        Objects.requireNonNull(interestBy, "how interest is worked out");
        Check.notNegative(buffer, "buffer above minimum cash");
        Check.that(
                minimumDays == null || minimumDays.signum() >= 0 && minimumDays.compareTo(BigDecimal.valueOf(366)) <= 0,
                "minimum cash is the payments of 0 to 366 days");
        if (callableWithin != null) {
            Check.inRange(callableWithin, 0, 366, "business days within which a deposit can be called");
        }
    }
}
