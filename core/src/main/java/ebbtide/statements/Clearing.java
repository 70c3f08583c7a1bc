package ebbtide.statements;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.InterestSchedule;
import ebbtide.forecast.RollForward;
import ebbtide.forecast.RollForwards;
import ebbtide.funding.Funding;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.plan.Recurring;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;

/**
 * What the flows of a plan clear of its accounts (rules 9.1): an account that ends on what is still to be cleared after
 * the horizon is cleared; what it has beside that no flow clears, and it stays. What is still to be cleared is found
 * apart from the ledger, from roll-forwards and dues.
 */
final class Clearing {
    private static final Set<RollForward.Kind> OWNED = EnumSet.of(
            RollForward.Kind.RECEIVABLES,
            RollForward.Kind.STOCK,
            RollForward.Kind.PREPAID,
            RollForward.Kind.FIXED_ASSETS);
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
        this.rolls = RollForwards.of(ledger.forecast(), ledger.months()).stream()
                .filter(roll -> roll.lineId() != null)
                .toList();
    }

    /**
     * Returns what no flow clears of an account, owned above zero; nothing where flows do not clear it at all (equity,
     * charges without cash).
     */
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
        Optional<Interest> interest = line.assumption().findInterest();
        if (interest.isPresent()) {
            return plan.findLine(interest.get().lineId())
                    .map(of -> OptionalLong.of(
                            accounts.of(of).interest().map(this::feeLater).orElse(0L)))
                    .orElse(OptionalLong.empty());
        }
        return rolled(
                line, EnumSet.of(RollForward.Kind.STOCK, RollForward.Kind.PREPAID, RollForward.Kind.FIXED_ASSETS));
    }

    private long feeLater(InterestSchedule schedule) {
        long sum = 0;
        YearMonth last = YearMonth.from(end);
        for (YearMonth month = last.plusMonths(1);
                ChronoUnit.MONTHS.between(last, month) <= 600;
                month = month.plusMonths(1)) {
            sum += schedule.feeOf(month);
        }
        return sum;
    }

    private OptionalLong rolled(Line line, Set<RollForward.Kind> kinds) {
        return rolls.stream()
                .filter(roll -> line.id().equals(roll.lineId()) && kinds.contains(roll.kind()))
                .mapToLong(
                        roll -> roll.closing().get(roll.closing().size() - 1) * (OWNED.contains(roll.kind()) ? 1 : -1))
                .findFirst();
    }

    private OptionalLong own(Line line) {
        Funding funding = ledger.forecast().funding();
        int facility = funding.facilities().indexOf(line);
        if (facility >= 0) {
            return OptionalLong.of(
                    -funding.drawn(facility, ledger.forecast().timeline().index(end)));
        }
        OptionalLong swept = funding.interestOwed(line);
        if (swept.isPresent()) {
            return OptionalLong.of(-swept.getAsLong());
        }
        OptionalLong owed = accounts.of(line).owedOn(end);
        if (owed.isPresent()) {
            return OptionalLong.of(owed.getAsLong() * line.direction().sign());
        }
        return isWithoutFlows(line)
                ? owed
                : rolled(
                        line,
                        EnumSet.complementOf(EnumSet.of(
                                RollForward.Kind.STOCK, RollForward.Kind.PREPAID, RollForward.Kind.FIXED_ASSETS)));
    }

    /** A charge without cash, or one that is not counted: nothing clears it. */
    private static boolean isWithoutFlows(Line line) {
        return line.assumption() instanceof Recurring;
    }
}
