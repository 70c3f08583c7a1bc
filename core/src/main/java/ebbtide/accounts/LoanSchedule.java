package ebbtide.accounts;

import ebbtide.money.Rounding;
import ebbtide.money.Split;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.Certainty;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.time.BusinessDays;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The schedule of a loan (rules 8.6): what each payment repays and what interest it pays, until nothing is left; minor
 * units.
 */
public final class LoanSchedule implements InterestSchedule {
    private static final MathContext EXACT = new MathContext(40);
    private final TermLoan loan;
    private final BusinessDays calendar;
    private final List<Payment> payments = new ArrayList<>();
    private final List<Nights> nights = new ArrayList<>();
    private final Deque<DatedAmount> apart = new ArrayDeque<>();
    private long balance;
    private long instalment;
    private @Nullable BigDecimal lastRate;

    /**
     * A payment: its pay day and the day it is paid on, principal and interest, what is left after it, and whether it
     * is a repayment beside the pay days.
     */
    public record Payment(LocalDate payDay, LocalDate day, long principal, long interest, long left, boolean apart) {}

    /**
     * What some days of a period bear, evenly; {@code from} and {@code to} are one day for what had accrued when the
     * loan was taken up.
     */
    private record Nights(LocalDate from, LocalDate to, BigDecimal interest) {
        BigDecimal upTo(LocalDate day) {
            if (!day.isBefore(to)) {
                return interest;
            }
            return !day.isAfter(from)
                    ? BigDecimal.ZERO
                    : interest.multiply(BigDecimal.valueOf(ChronoUnit.DAYS.between(from, day)))
                            .divide(BigDecimal.valueOf(ChronoUnit.DAYS.between(from, to)), EXACT);
        }
    }

    /** Works the schedule out; the calendar moves payments, never the interest. */
    public LoanSchedule(TermLoan loan, BusinessDays calendar) {
        this.loan = loan;
        this.calendar = calendar;
        this.balance = loan.from().amount();
        this.apart.addAll(loan.by() == TermLoan.By.TYPED ? loan.typed() : loan.early());
        LocalDate before = loan.from().on();
        for (int n = 1; n <= loan.payments() && balance > 0; n++) {
            LocalDate day = loan.payDay(n);
            BigDecimal interest = n == 1
                    ? BigDecimal.valueOf(
                            loan.dayCount() == null ? 0 : loan.from().accrued())
                    : BigDecimal.ZERO;
            nights.add(new Nights(before, before, interest));
            interest = interest.add(interest(
                    n == 1 && loan.dayCount() == null ? day.minusMonths(loan.everyMonths()) : before, before, day));
            long paid = Rounding.toMinor(interest);
            long principal = principal(n, paid, before);
            balance -= principal;
            payments.add(new Payment(day, loan.convention().adjust(day, calendar), principal, paid, balance, false));
            before = day;
        }
    }

    /**
     * Interest of the days from one pay day to the next, each part of them on the balance it had; repayments apart are
     * made on the way.
     */
    private BigDecimal interest(LocalDate start, LocalDate from, LocalDate to) {
        BigDecimal sum = BigDecimal.ZERO;
        LocalDate at = start;
        while (!apart.isEmpty() && apart.peek().date().isBefore(to)) {
            DatedAmount one = apart.poll();
            if (!one.date().isBefore(from)) {
                sum = sum.add(part(start, at, one.date(), to));
                at = one.date();
                long repaid = Math.min(one.amount(), balance);
                balance -= repaid;
                payments.add(new Payment(
                        one.date(), loan.convention().adjust(one.date(), calendar), repaid, 0, balance, true));
                instalment = loan.keepsEnd() ? 0 : instalment;
            }
        }
        return sum.add(part(start, at, to, to));
    }

    private BigDecimal part(LocalDate start, LocalDate from, LocalDate to, LocalDate end) {
        if (loan.dayCount() == null) {
            BigDecimal whole =
                    BigDecimal.valueOf(balance).multiply(rate(start)).multiply(BigDecimal.valueOf(loan.everyMonths()));
            BigDecimal of = whole.multiply(BigDecimal.valueOf(ChronoUnit.DAYS.between(from, to)))
                    .divide(BigDecimal.valueOf(12L * ChronoUnit.DAYS.between(start, end)), EXACT);
            nights.add(new Nights(from, to, of));
            return of;
        }
        BigDecimal sum = BigDecimal.ZERO;
        LocalDate at = from;
        for (LocalDate next = nextStep(at, to); at.isBefore(to); next = nextStep(at, to)) {
            BigDecimal of = BigDecimal.valueOf(balance)
                    .multiply(rate(at))
                    .multiply(BigDecimal.valueOf(loan.dayCount().days(at, next)))
                    .divide(BigDecimal.valueOf(loan.dayCount().year()), EXACT);
            nights.add(new Nights(at, next, of));
            sum = sum.add(of);
            at = next;
        }
        return sum;
    }

    private LocalDate nextStep(LocalDate after, LocalDate to) {
        return loan.rate().steps().stream()
                .map(Steps.Step::from)
                .filter(day -> day.isAfter(after) && day.isBefore(to))
                .findFirst()
                .orElse(to);
    }

    private BigDecimal rate(LocalDate day) {
        return loan.rate().findOn(day).map(step -> step.value().asFraction()).orElse(BigDecimal.ZERO);
    }

    private long principal(int n, long interest, LocalDate before) {
        boolean last = n == loan.payments();
        if (n <= loan.interestOnly() || !last && (loan.by() == TermLoan.By.BULLET || loan.by() == TermLoan.By.TYPED)) {
            return last ? balance : 0;
        }
        if (last) {
            return balance;
        }
        int left = loan.payments() - n + 1;
        if (loan.by() == TermLoan.By.EQUAL_PRINCIPAL) {
            instalment = instalment == 0 ? Rounding.divide(balance, left) : instalment;
            return Math.min(balance, instalment);
        }
        BigDecimal rate =
                rate(loan.dayCount() == null && n == 1 ? loan.payDay(1).minusMonths(loan.everyMonths()) : before);
        if (instalment == 0 || lastRate != null && rate.compareTo(lastRate) != 0) {
            instalment = equal(
                    rate.multiply(BigDecimal.valueOf(loan.everyMonths())).divide(BigDecimal.valueOf(12), EXACT), left);
        }
        lastRate = rate;
        return Math.max(0, Math.min(balance, instalment - interest));
    }

    /** balance x i / (1 - (1 + i)^-n), rounded once. */
    private long equal(BigDecimal periodRate, int left) {
        if (periodRate.signum() == 0) {
            return Rounding.divide(balance, left);
        }
        BigDecimal grown = BigDecimal.ONE.add(periodRate).pow(left, EXACT);
        return Rounding.toMinor(BigDecimal.valueOf(balance)
                .multiply(periodRate)
                .multiply(grown)
                .divide(grown.subtract(BigDecimal.ONE), EXACT));
    }

    /** Returns every payment, in order. */
    public List<Payment> payments() {
        return List.copyOf(payments);
    }

    @Override
    public long interestUpTo(LocalDate day) {
        long asked = 0;
        LocalDate last = LocalDate.MIN;
        for (Payment one : payments) {
            if (!one.apart() && !one.payDay().isAfter(day)) {
                asked += one.interest();
                last = one.payDay();
            }
        }
        LocalDate since = last;
        return asked
                + Rounding.toMinor(nights.stream()
                        .filter(one -> !one.from().isBefore(since))
                        .map(one -> one.upTo(day))
                        .reduce(BigDecimal.ZERO, BigDecimal::add));
    }

    /** Accrued since the last pay day, and asked for on days that a holiday has moved past it. */
    @Override
    public long interestOwedOn(LocalDate day) {
        return interestUpTo(day)
                - payments.stream()
                        .filter(one -> !one.day().isAfter(day))
                        .mapToLong(Payment::interest)
                        .sum();
    }

    /** An even part of the months of its term, by largest remainder. */
    @Override
    public long feeOf(YearMonth month) {
        int at = (int) YearMonth.from(loan.from().on()).until(month, ChronoUnit.MONTHS);
        int months = loan.payments() * loan.everyMonths();
        return loan.running() || at < 0 || at >= months ? 0 : Split.equalPart(loan.fee(), months, at);
    }

    /** The fee in the month in which the loan is drawn, nothing in any other. */
    @Override
    public long feeBilled(YearMonth month) {
        return !loan.running() && YearMonth.from(loan.from().on()).equals(month) ? loan.fee() : 0;
    }

    /** Returns what is owed at the end of a day by the schedule: nothing before it is drawn. */
    public long owedOn(LocalDate day) {
        if (!loan.running() && day.isBefore(loan.from().on())) {
            return 0;
        }
        long owed = loan.from().amount();
        for (Payment one : payments) {
            owed = one.day().isAfter(day) ? owed : Math.min(owed, one.left());
        }
        return owed;
    }

    /** Returns what falls due on the loan's line: what is lent comes in, below zero; what is repaid goes out. */
    List<Due> dues() {
        List<Due> dues = new ArrayList<>();
        if (!loan.running()) {
            LocalDate on = loan.from().on();
            dues.add(Due.whole(
                    on,
                    loan.convention().adjust(on, calendar),
                    -loan.from().amount(),
                    Certainty.CERTAIN,
                    Due.Lasting.ONE_OFF,
                    "loan drawn"));
        }
        payments.stream()
                .filter(one -> one.principal() != 0)
                .forEach(one -> dues.add(Due.whole(
                        one.payDay(),
                        one.day(),
                        one.principal(),
                        Certainty.CERTAIN,
                        Due.Lasting.UNTIL_PAID,
                        (one.apart() ? "repaid as agreed" : "repaid on its pay day"))));
        return dues;
    }

    /** Its fee when it is drawn, then interest on each pay day. */
    @Override
    public List<Due> interestDues() {
        List<Due> dues = new ArrayList<>();
        if (!loan.running() && loan.fee() > 0) {
            dues.add(Due.whole(
                    loan.from().on(),
                    loan.convention().adjust(loan.from().on(), calendar),
                    loan.fee(),
                    Certainty.CERTAIN,
                    Due.Lasting.UNTIL_PAID,
                    "fee of the loan"));
        }
        for (Payment one : payments) {
            if (one.interest() != 0) {
                dues.add(Due.whole(
                        one.payDay(),
                        one.day(),
                        one.interest(),
                        Certainty.CERTAIN,
                        Due.Lasting.UNTIL_PAID,
                        "interest at "
                                + loan.rate()
                                        .findOn(one.payDay().minusDays(1))
                                        .map(step -> step.value().toString())
                                        .orElse("0%")
                                + " a year"));
            }
        }
        return dues;
    }
}
