package ebbtide.accounts;

import ebbtide.plan.TermLoan;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalLong;

/** The account of a loan: its schedule (rules 8.6). What it costs stands on the line of its interest. */
public final class LoanAccount extends ScheduledAccount<LoanSchedule> {
    LoanAccount(OwnReads reads) {
        super(
                reads,
                new LoanSchedule(
                        (TermLoan) reads.line().assumption(), reads.frame().calendar(reads.line())));
    }

    @Override
    public List<Due> dues() {
        return schedule().dues();
    }

    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.of(schedule().owedOn(day));
    }
}
