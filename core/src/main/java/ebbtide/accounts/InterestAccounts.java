package ebbtide.accounts;

import ebbtide.derive.Derived;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.MonthSeries;
import java.util.Map;
import java.util.Optional;

/**
 * The accounts of the lines of interest: a loan's or a deposit's by its schedule, the sweep's by what it is found to
 * earn (below zero: to cost), by line and month.
 */
final class InterestAccounts {
    private final AccountsApart apart;
    private final Map<String, MonthSeries> swept;
    private final Derived<InterestAccount.Reads, InterestAccount> accounts;

    InterestAccounts(AccountsApart apart, Map<String, MonthSeries> swept, Optional<InterestAccounts> before) {
        this.apart = apart;
        this.swept = swept;
        this.accounts = before.map(one -> one.accounts.next()).orElseGet(Derived::none);
    }

    Map<String, MonthSeries> swept() {
        return swept;
    }

    InterestAccount of(Line line) {
        return accounts.of(line.id(), () -> reads(line), InterestAccount::new);
    }

    private InterestAccount.Reads reads(Line line) {
        Plan plan = apart.below().plan();
        Optional<InterestSchedule> schedule = Optional.ofNullable(((Interest) line.assumption()).lineId())
                .flatMap(plan::findLine)
                .filter(of -> plan.isActive(of) && AccountsApart.has(of))
                .flatMap(of -> apart.of(of).interest());
        return new InterestAccount.Reads(
                line, apart.below().frame(), schedule, Optional.ofNullable(swept.get(line.id())));
    }
}
