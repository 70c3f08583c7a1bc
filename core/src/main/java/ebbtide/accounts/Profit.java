package ebbtide.accounts;

import ebbtide.derive.Lazy;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.MonthSeries;
import java.util.function.Predicate;

/**
 * What a plan earns by month (rules 7, 9.1): the sum of its lines, from the first month that is forecast, before tax on
 * profit. It bears the interest of the sweep as far as that is known.
 */
public final class Profit {
    private final AccountsApart apart;
    private final InterestAccounts interest;
    private final Frame frame;
    private final Lazy<MonthSeries> toLast = Lazy.of(() -> earnedApart().plus(sumOfInterest(line -> true)));

    Profit(AccountsApart apart, InterestAccounts interest) {
        this.apart = apart;
        this.interest = interest;
        this.frame = apart.below().frame();
    }

    private MonthSeries earnedApart() {
        return apart.earned();
    }

    private MonthSeries sumOfInterest(Predicate<Line> which) {
        Plan plan = apart.below().plan();
        MonthSeries.Sum sum = frame.earning();
        plan.lines().stream()
                .filter(line -> line.assumption().findInterest().isPresent() && plan.isActive(line) && which.test(line))
                .forEach(line -> sum.add(interest.of(line).earned().earned(), 1));
        return sum.series();
    }

    /**
     * Returns the profit before profit tax to the last month that is earned (rules 7.4), which may lie beyond the
     * horizon; nothing is swept there.
     */
    MonthSeries toLast() {
        return toLast.get();
    }

    /** Returns the profit before profit tax to the horizon. */
    public MonthSeries beforeTax() {
        return toLast().first(frame.toHorizon());
    }

    /**
     * Returns what the sweep's interest takes from profit to the horizon (rules 8.9): facilities and overdraft below
     * zero, cash above.
     */
    MonthSeries swept() {
        return sumOfInterest(line -> interest.swept().containsKey(line.id())).first(frame.toHorizon());
    }

    /** Returns the profit before interest and profit tax, to the horizon. */
    MonthSeries operating() {
        return earnedApart().first(frame.toHorizon());
    }
}
