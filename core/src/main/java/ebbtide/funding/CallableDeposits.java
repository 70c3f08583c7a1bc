package ebbtide.funding;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.DepositSchedule;
import ebbtide.plan.CashRow;
import ebbtide.plan.Plan;
import ebbtide.time.DaySeries;
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
    static DaySeries byDay(Accounts accounts, Timeline timeline) {
        Plan plan = accounts.plan();
        Integer within = plan.settings().funding().callableWithin();
        List<DepositSchedule> deposits = plan.lines().stream()
                .filter(line -> plan.isActive(line) && line.standing().cash() == CashRow.DEPOSITS)
                .map(accounts::deposit)
                .toList();
        if (within == null || deposits.isEmpty()) {
            return DaySeries.NIL;
        }
        DaySeries.Sum sums = new DaySeries.Sum(timeline.days());
        for (int day = 0; day < timeline.days(); day++) {
            LocalDate date = timeline.date(day);
            LocalDate by = date;
            for (int n = 0; n < within; n++) {
                by = timeline.calendar().next(by);
            }
            for (DepositSchedule deposit : deposits) {
                sums.add(day, deposit.callable(date, by));
            }
        }
        return sums.series();
    }
}
