package ebbtide.accounts;

import ebbtide.plan.TermDeposit;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalLong;

/** The account of a term deposit: its schedule (rules 8.10). What it earns stands on the line of its interest. */
public final class DepositAccount extends ScheduledAccount<DepositSchedule> {
    private static final int BEYOND = 12;

    DepositAccount(OwnReads reads) {
        super(
                reads,
                new DepositSchedule(
                        (TermDeposit) reads.line().assumption(),
                        reads.frame().calendar(reads.line()),
                        reads.frame().lastEarned().plusMonths(BEYOND).atEndOfMonth()));
    }

    @Override
    public List<Due> dues() {
        return schedule().dues();
    }

    /** In the direction of its line, which is that of payments: what is put away stands below zero. */
    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.of(-schedule().placedOn(day));
    }

    @Override
    public OptionalLong owedBeyond(LocalDate day, LocalDate by) {
        return OptionalLong.of(schedule().callable(day, by) - schedule().placedOn(day));
    }
}
