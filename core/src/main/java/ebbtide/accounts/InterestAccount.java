package ebbtide.accounts;

import ebbtide.derive.Lazy;
import ebbtide.plan.Line;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * The account of interest: a loan's falls due with its schedule and costs night by night, its fee over its term; what the sweep bears is paid
 * by the sweep, and costs by what it was found to (rules 8.5, 8.9).
 */
public final class InterestAccount implements LineAccount {
  private final Reads reads;
  private final Lazy<Earned> earned;

  /** What the account is made from: of which loan it is interest, if of one, and what the sweep's interest earns by month, as far as it is known. */
  record Reads(Line line, Frame frame, Optional<LoanAccount> loan, Optional<MonthSeries> swept) {}

  InterestAccount(Reads reads) {
    this.reads = reads;
    this.earned = Lazy.of(this::earn);
  }

  @Override
  public Line line() {
    return reads.line();
  }

  @Override
  public List<Due> dues() {
    return reads.loan().map(loan -> loan.schedule().interestDues()).orElse(List.of());
  }

  @Override
  public Earned earned() {
    return earned.get();
  }

  private Earned earn() {
    return reads.swept().map(this::ofSweep).or(() -> reads.loan().map(loan -> ofLoan(loan.schedule()))).orElseGet(() -> Earned.nil(reads.frame()));
  }

  private Earned ofSweep(MonthSeries swept) {
    MonthSeries earned = swept.first(reads.frame().toEarned());
    return new Earned(earned, MonthSeries.nil(earned.first(), earned.months()), earned);
  }

  private Earned ofLoan(LoanSchedule loan) {
    Frame frame = reads.frame();
    Earned.Sum sum = new Earned.Sum(frame, 1);
    long before = loan.interestUpTo(Timeline.month(frame.open() - 1).atEndOfMonth());
    for (int i = frame.open(); i < frame.open() + frame.toEarned(); i++) {
      YearMonth month = Timeline.month(i);
      long upTo = loan.interestUpTo(month.atEndOfMonth());
      sum.both(i, before - upTo);
      sum.earn(i, -loan.feeOf(month));
      sum.bill(i, -loan.feeBilled(month));
      before = upTo;
    }
    return sum.done();
  }

  @Override
  public OptionalLong owedOn(LocalDate day) {
    return OptionalLong.of(reads.loan().map(loan -> loan.schedule().interestOwedOn(day)).orElse(0L));
  }

  @Override
  public TaxPoints taxPoints(TaxPoints.Basis basis) {
    return TaxPoints.none(reads.frame());
  }
}
