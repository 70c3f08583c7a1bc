package ebbtide.answers;

import ebbtide.accounts.LeaseSchedule;
import ebbtide.accounts.LoanSchedule;
import ebbtide.forecast.Forecast;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.plan.DayCount;
import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import ebbtide.plan.Revolving;
import ebbtide.plan.TermLoan;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a facility or a loan costs in all (rules 8.2, 8.6), so that offers can be held side by side: a loan over its
 * life, a facility if it carried all that the plan draws from the as-of date to the horizon, as far as its limit
 * reaches. Minor units; {@code owed} is the mean of what is owed; {@code allIn} is the yearly rate of it all, fees too
 * (null: nothing is owed). A line that is switched off is an offer.
 */
public record FundingCost(
        String lineId,
        String name,
        boolean offer,
        boolean loan,
        long owed,
        long interest,
        long fees,
        @Nullable Percent allIn,
        String because) {
    private static final MathContext EXACT = new MathContext(34);
    private static final int HALVINGS = 60;
    private static final double DEAREST = 10;

    /** Returns what is repaid for it beside what is lent: interest and fees. */
    public long total() {
        return interest + fees;
    }

    /**
     * Returns the costs of all facilities, loans and leases of a forecast's plan, offers too, in the order of their
     * lines.
     */
    public static List<FundingCost> of(Forecast forecast) {
        List<FundingCost> costs = new ArrayList<>();
        for (Line line : forecast.plan().lines()) {
            switch (line.standing().cash()) {
                case FACILITIES -> costs.add(facility(forecast, line, (Revolving) line.assumption()));
                case LOANS -> costs.add(loan(forecast, line, (TermLoan) line.assumption()));
                case LEASES -> costs.add(lease(forecast, line, (Lease) line.assumption()));
                default -> {}
            }
        }
        return costs;
    }

    private static FundingCost facility(Forecast forecast, Line line, Revolving facility) {
        BigDecimal interest = BigDecimal.ZERO;
        BigDecimal fees = BigDecimal.ZERO;
        BigDecimal owed = BigDecimal.ZERO;
        int first = forecast.asOfIndex() + 1;
        int last = forecast.timeline().index(forecast.lastDay());
        DayCount count = facility.charging().dayCount();
        for (int day = first; day <= last; day++) {
            LocalDate date = forecast.timeline().date(day);
            long most = facility.most(date);
            long drawn = Math.min(most, Math.max(0, forecast.funding().drawn(day)));
            BigDecimal night = BigDecimal.valueOf(count.days(date, date.plusDays(1)))
                    .divide(BigDecimal.valueOf(count.year()), EXACT);
            owed = owed.add(BigDecimal.valueOf(drawn));
            interest = interest.add(BigDecimal.valueOf(drawn)
                    .multiply(facility.rate(date).asFraction())
                    .multiply(night, EXACT));
            BigDecimal fee = facility.undrawnFee()
                    .findOn(date)
                    .map(step -> step.value().asFraction())
                    .orElse(BigDecimal.ZERO);
            fees = fees.add(BigDecimal.valueOf(most - drawn).multiply(fee).multiply(night, EXACT));
        }
        int days = last - first + 1;
        long mean = Rounding.divide(owed, days);
        BigDecimal years = BigDecimal.valueOf(days).divide(BigDecimal.valueOf(365), EXACT);
        Percent allIn = mean == 0
                ? null
                : percent(interest.add(fees)
                        .divide(BigDecimal.valueOf(mean).multiply(years), EXACT)
                        .doubleValue());
        return new FundingCost(
                line.id(),
                line.name(),
                !forecast.plan().isActive(line),
                false,
                mean,
                Rounding.toMinor(interest),
                Rounding.toMinor(fees),
                allIn,
                mean == 0
                        ? "nothing is drawn: only what is undrawn costs"
                        : "interest and fees over what is drawn on average in " + days + " days");
    }

    /** A debt that is repaid by a schedule: from which day, how much of it, and what it costs at once. */
    private record Lent(LocalDate on, long amount, long fee, List<Repaid> repaid) {}

    private record Repaid(LocalDate payDay, long principal, long interest, long left) {}

    private static FundingCost loan(Forecast forecast, Line line, TermLoan loan) {
        Lent lent = new Lent(
                loan.from().on(),
                loan.from().amount(),
                loan.running() ? 0 : loan.fee(),
                new LoanSchedule(loan, forecast.timeline().calendar())
                        .payments().stream()
                                .map(one -> new Repaid(one.payDay(), one.principal(), one.interest(), one.left()))
                                .toList());
        return bySchedule(
                forecast,
                line,
                lent,
                "the yearly rate at which all that is paid is worth what is lent, less the fee"
                        + (loan.running() ? ", from what is left now" : ""));
    }

    private static FundingCost lease(Forecast forecast, Line line, Lease lease) {
        LeaseSchedule schedule = new LeaseSchedule(lease, forecast.timeline().calendar());
        Lent lent = new Lent(
                lease.on(),
                schedule.financed(),
                0,
                schedule.payments().stream()
                        .map(one -> new Repaid(one.payDay(), one.principal(), one.interest(), one.left()))
                        .toList());
        return bySchedule(
                forecast,
                line,
                lent,
                "the yearly rate at which all payments are worth what is financed; it is agreed at " + schedule.rate()
                        + " by shares of a year");
    }

    private static FundingCost bySchedule(Forecast forecast, Line line, Lent lent, String because) {
        BigDecimal owed = BigDecimal.ZERO;
        LocalDate at = lent.on();
        long balance = lent.amount();
        for (Repaid one : lent.repaid()) {
            owed = owed.add(BigDecimal.valueOf(balance)
                    .multiply(BigDecimal.valueOf(ChronoUnit.DAYS.between(at, one.payDay()))));
            at = one.payDay();
            balance = one.left();
        }
        long days = ChronoUnit.DAYS.between(lent.on(), at);
        return new FundingCost(
                line.id(),
                line.name(),
                !forecast.plan().isActive(line),
                true,
                days == 0 ? 0 : Rounding.divide(owed, days),
                lent.repaid().stream().mapToLong(Repaid::interest).sum(),
                lent.fee(),
                lent.amount() == 0 || lent.repaid().isEmpty() ? null : percent(yearly(lent)),
                because);
    }

    private static Percent percent(double fraction) {
        return new Percent(Math.round(fraction * Percent.WHOLE));
    }

    /**
     * The rate at which payments, discounted by days of a year of 365, come to what was lent less the fee: found by
     * halving.
     */
    private static double yearly(Lent lent) {
        double low = -0.9;
        double high = DEAREST;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            double worth = lent.fee() - lent.amount();
            for (Repaid one : lent.repaid()) {
                worth += (one.principal() + one.interest())
                        / Math.pow(1 + middle, ChronoUnit.DAYS.between(lent.on(), one.payDay()) / 365.0);
            }
            if (worth > 0) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
