package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * How cash is held: at least {@code minimumCash}, which steps on the day itself; the overdraft of the accounts
 * ({@code facility}, null when there is none); what cash earns a year; how the plan is funded; and when bills are paid
 * ({@code paymentRuns}, null where one by one).
 */
public record CashPolicy(
        Steps<Long> minimumCash,
        @Nullable Facility facility,
        Steps<Percent> cashRate,
        FundingRules funding,
        @Nullable PaymentRuns paymentRuns) {
    public CashPolicy {
        minimumCash.steps().forEach(step -> Check.notNegative(step.value(), "minimum cash from " + step.from()));
        cashRate.steps()
                .forEach(step ->
                        Check.inRange(step.value(), Percent.ZERO, Percent.HUNDRED, "rate on cash from " + step.from()));
        Objects.requireNonNull(funding, "how it is funded");
    }

    Inputs<CashPolicy> inputs() {
        return Inputs.of(this)
                .add("minimumCash", "minimum cash", Unit.MONEY)
                .in("funding", funding, FundingRules::inputs)
                .add("cashRate", "rate on cash", Unit.RATE)
                .in("facility", facility, Facility::inputs);
    }

    /** Returns the same policy funded in another way. */
    CashPolicy with(FundingRules rules) {
        return new CashPolicy(minimumCash, facility, cashRate, rules, paymentRuns);
    }

    /** Returns the same policy with payment runs, null without. */
    CashPolicy with(PaymentRuns runs) {
        return new CashPolicy(minimumCash, facility, cashRate, funding, runs);
    }
}
