package ebbtide.funding;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.DepositSchedule;
import ebbtide.plan.CashRow;
import ebbtide.plan.Plan;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.util.List;

/**
 * What of deposits counts as liquidity by day (rules 8.10): their amounts, without interest, while they can be called
 * soon enough.
 */
final class CallableDeposits {
    private CallableDeposits() {}

    /**
     * Returns what counts at the end of each day of the timeline, in minor units: nothing where the plan does not say
     * how soon is soon enough.
     */
    static long[] byDay(Accounts accounts, Timeline timeline) {
        Plan plan = accounts.plan();
        long[] sums = new long[timeline.days()];
        Integer within = plan.settings().funding().callableWithin();
        List<DepositSchedule> deposits = plan.lines().stream()
                .filter(line -> plan.isActive(line) && line.standing().cash() == CashRow.DEPOSITS)
                .map(accounts::deposit)
                .toList();
        if (within == null || deposits.isEmpty()) {
            return sums;
        }
        for (int day = 0; day < sums.length; day++) {
            LocalDate date = timeline.date(day);
            LocalDate by = date;
            for (int n = 0; n < within; n++) {
                by = timeline.calendar().next(by);
            }
            for (DepositSchedule deposit : deposits) {
                sums[day] += deposit.callable(date, by);
            }
        }
        return sums;
    }
}
