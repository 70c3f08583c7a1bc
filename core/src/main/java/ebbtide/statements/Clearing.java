package ebbtide.statements;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.LoanSchedule;
import ebbtide.forecast.RollForward;
import ebbtide.forecast.RollForwards;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Dividends;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.TermLoan;
import ebbtide.time.BusinessDays;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalLong;
import java.util.Set;

/**
 * What the flows of a plan clear of its accounts (rules 9.1): an account that ends on what is still to be cleared after the horizon is cleared;
 * what it has beside that no flow clears, and it stays. What is still to be cleared is found apart from the ledger, from roll-forwards and dues.
 */
final class Clearing {
  private static final Set<RollForward.Kind> OWNED = EnumSet.of(RollForward.Kind.RECEIVABLES, RollForward.Kind.STOCK, RollForward.Kind.PREPAID, RollForward.Kind.FIXED_ASSETS);
  private static final int DAYS_AROUND = 60;
  private final Ledger ledger;
  private final Plan plan;
  private final LocalDate end;
  private final List<RollForward> rolls;
  private final Accounts accounts;

  Clearing(Ledger ledger) {
    this.ledger = ledger;
    this.plan = ledger.plan();
    this.end = ledger.forecast().lastDay();
    this.accounts = ledger.forecast().accounts();
    this.rolls = RollForwards.of(ledger.forecast(), ledger.months()).stream().filter(roll -> roll.lineId() != null).toList();
  }

  /** Returns what no flow clears of an account, owned above zero; nothing where flows do not clear it at all (equity, charges without cash). */
  OptionalLong left(Account account) {
    Line line = ledger.line(account).orElse(null);
    if (line == null || !plan.isActive(line) || account.kind() == Kind.PAID_IN) {
      return OptionalLong.empty();
    }
    boolean apart = account.causes().stream().anyMatch(cause -> cause.name().equals("cost of the month"));
    OptionalLong still = apart ? apart(line) : own(line);
    return still.isEmpty() ? still : OptionalLong.of(account.at(ledger.months() - 1) - still.getAsLong());
  }

  private OptionalLong apart(Line line) {
    if (line.assumption() instanceof Interest interest) {
      return plan.findLine(interest.lineId()).map(of -> of.assumption() instanceof TermLoan ? OptionalLong.of(feeLater(loan(of))) : OptionalLong.of(0)).orElse(OptionalLong.empty());
    }
    return rolled(line, EnumSet.of(RollForward.Kind.STOCK, RollForward.Kind.PREPAID, RollForward.Kind.FIXED_ASSETS));
  }

  private long feeLater(LoanSchedule loan) {
    long sum = 0;
    YearMonth last = YearMonth.from(end);
    for (YearMonth month = last.plusMonths(1); ChronoUnit.MONTHS.between(last, month) <= 600; month = month.plusMonths(1)) {
      sum += loan.feeOf(month);
    }
    return sum;
  }

  private OptionalLong rolled(Line line, Set<RollForward.Kind> kinds) {
    return rolls.stream().filter(roll -> line.id().equals(roll.lineId()) && kinds.contains(roll.kind()))
        .mapToLong(roll -> roll.closing().get(roll.closing().size() - 1) * (OWNED.contains(roll.kind()) ? 1 : -1)).findFirst();
  }

  private OptionalLong own(Line line) {
    if (line.assumption() instanceof Revolving) {
      int at = ledger.forecast().funding().facilities().indexOf(line);
      return OptionalLong.of(-ledger.forecast().funding().drawn(at, ledger.forecast().timeline().index(end)));
    }
    if (line.assumption() instanceof TermLoan) {
      return OptionalLong.of(-loan(line).owedOn(end));
    }
    if (line.assumption() instanceof Interest interest) {
      OptionalLong swept = ledger.forecast().funding().interestOwed(line);
      return swept.isPresent() ? OptionalLong.of(-swept.getAsLong()) : OptionalLong.of(-plan.findLine(String.valueOf(interest.lineId()))
          .filter(of -> of.assumption() instanceof TermLoan && plan.isActive(of)).map(of -> loan(of).interestOwedOn(end)).orElse(0L));
    }
    if (line.assumption() instanceof Dividends) {
      return OptionalLong.of(-accounts.dividends(line).owedOn(end));
    }
    List<Falling> falling = new ArrayList<>();
    BusinessDays calendar = accounts.calendar(line);
    if (line.assumption() instanceof Assumption.Recurring recurring) {
      if (recurring.expensing().nonCash() || !plan.settings().counts(line.direction(), recurring.certainty())) {
        return OptionalLong.empty();
      }
      recurring.when().between(end.minusDays(DAYS_AROUND + (long) recurring.termsDays()), end).forEach(bill -> falling.add(new Falling(bill,
          recurring.convention().adjust(bill.plusDays(recurring.termsDays()), calendar), recurring.tax().grossOf(recurring.amountOn(bill)))));
    } else if (line.assumption() instanceof Assumption.DatedItems items) {
      items.items().stream().filter(item -> plan.settings().counts(line.direction(), item.certainty()))
          .forEach(item -> falling.add(new Falling(item.date(), items.convention().adjust(item.date(), calendar), items.tax().grossOf(item.amount()))));
    } else if (line.assumption() instanceof CapitalSpending spending) {
      for (CapitalSpending.Asset asset : spending.assets()) {
        asset.milestones().forEach(one -> falling.add(new Falling(one.date(), spending.convention().adjust(one.date().plusDays(asset.termsDays()), calendar),
            asset.tax().grossOf(one.amount()))));
        if (asset.disposal() != null) {
          falling.add(new Falling(asset.disposal().date(), spending.convention().adjust(asset.disposal().date(), calendar), -asset.tax().grossOf(asset.disposal().proceeds())));
        }
      }
    } else {
      return rolled(line, EnumSet.complementOf(EnumSet.of(RollForward.Kind.STOCK, RollForward.Kind.PREPAID, RollForward.Kind.FIXED_ASSETS)));
    }
    return OptionalLong.of(falling.stream().filter(one -> !one.from().isAfter(end) && one.paid().isAfter(end)).mapToLong(Falling::minor).sum() * line.direction().sign());
  }

  /** A sum owed from a day until it is paid. */
  private record Falling(LocalDate from, LocalDate paid, long minor) {}

  private LoanSchedule loan(Line line) {
    return ledger.loan(line);
  }
}
