package ebbtide.accounts;

import static java.util.Objects.requireNonNull;

import ebbtide.money.Rounding;
import ebbtide.plan.Certainty;
import ebbtide.plan.Steps;
import ebbtide.plan.TermDeposit;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The schedule of a term deposit (rules 8.10): its terms one after another, the interest of each by payment, and when
 * its amount comes back; minor units. Days are those on which cash moves, holidays passed over.
 */
public final class DepositSchedule implements InterestSchedule {
    private static final MathContext EXACT = new MathContext(40);
    private final TermDeposit deposit;
    private final BusinessDays calendar;
    private final LocalDate start;
    private final List<Payment> payments = new ArrayList<>();
    private final List<Term> terms = new ArrayList<>();

    /** A term: its days, the last {@code LocalDate.MAX} while nothing ends it, and the amount put away in it. */
    public record Term(LocalDate startInclusive, LocalDate endExclusive, long amount) {}

    /**
     * Interest paid on a day, of the days since another on an amount, less what is forfeited of it; and what of it is
     * put away with the next term.
     */
    public record Payment(LocalDate since, LocalDate day, long amount, long interest, long putAway) {}

    /** Works the schedule out; payments of a deposit that nothing ends go on to a day. */
    DepositSchedule(TermDeposit deposit, BusinessDays calendar, LocalDate until) {
        this.deposit = deposit;
        this.calendar = calendar;
        this.start = deposit.running() == null ? following(deposit.on()) : deposit.on();
        long length = deposit.last() == null ? 0 : ChronoUnit.DAYS.between(deposit.on(), deposit.last());
        int rolled = deposit.rollover() == null ? 0 : deposit.rollover().times();
        LocalDate from = start;
        long amount = deposit.amount();
        for (int nth = 0; nth <= rolled; nth++) {
            LocalDate last = deposit.last();
            LocalDate end = last == null ? atNotice() : following(nth == 0 ? last : from.plusDays(length));
            TermDeposit.Broken broken = brokenBefore(end);
            Term term = new Term(from, broken == null ? end : following(broken.on()), amount);
            terms.add(term);
            TermDeposit.Rollover next = broken != null || nth == rolled ? null : deposit.rollover();
            amount += pay(term, broken, next != null && next.withInterest(), until);
            if (next == null) {
                return;
            }
            from = end;
        }
    }

    private LocalDate following(LocalDate day) {
        return Convention.FOLLOWING.adjust(day, calendar);
    }

    private TermDeposit.@Nullable Broken brokenBefore(LocalDate end) {
        TermDeposit.Broken broken = deposit.broken();
        return broken != null && following(broken.on()).isBefore(end) ? broken : null;
    }

    private LocalDate atNotice() {
        TermDeposit.Notice notice = requireNonNull(deposit.notice(), "a deposit without an end is at notice");
        LocalDate given = notice.given();
        return given == null ? LocalDate.MAX : following(given.plusDays(notice.days()));
    }

    /** Returns with what a term is taken up, null for one that begins later. */
    private TermDeposit.@Nullable Running takenUp(Term term) {
        return term.startInclusive().equals(start) ? deposit.running() : null;
    }

    /** Lays the interest of a term; returns what of it the next one takes in. */
    private long pay(Term term, TermDeposit.@Nullable Broken broken, boolean putAway, LocalDate until) {
        TermDeposit.Running taken = takenUp(term);
        LocalDate since = taken == null ? term.startInclusive() : taken.at();
        BigDecimal before = taken == null ? BigDecimal.ZERO : BigDecimal.valueOf(taken.accrued());
        if (deposit.interestEveryMonths() > 0) {
            for (int n = 1; ; n++) {
                LocalDate day = following(term.startInclusive().plusMonths((long) n * deposit.interestEveryMonths()));
                if (!day.isBefore(term.endExclusive()) || day.isAfter(until)) {
                    break;
                }
                if (day.isAfter(since)) {
                    payments.add(new Payment(
                            since, day, term.amount(), Rounding.toMinor(before.add(interest(term, since, day))), 0));
                    since = day;
                    before = BigDecimal.ZERO;
                }
            }
        }
        if (term.endExclusive().equals(LocalDate.MAX)) {
            return 0;
        }
        BigDecimal last = before.add(interest(term, since, term.endExclusive()))
                .subtract(broken == null ? BigDecimal.ZERO : forfeit(term, broken));
        long paid = Rounding.toMinor(last);
        payments.add(new Payment(since, term.endExclusive(), term.amount(), paid, putAway ? paid : 0));
        return putAway ? paid : 0;
    }

    private BigDecimal forfeit(Term term, TermDeposit.Broken broken) {
        return broken.forfeitDays() == 0
                ? BigDecimal.valueOf(broken.forfeit())
                : at(term.amount(), rate(term.startInclusive()), broken.forfeitDays());
    }

    /** A term bears the rate in force on its first day, a deposit at notice that of each day. */
    private BigDecimal interest(Term term, LocalDate from, LocalDate to) {
        if (deposit.notice() == null) {
            return at(
                    term.amount(),
                    rate(term.startInclusive()),
                    deposit.dayCount().days(from, to));
        }
        BigDecimal sum = BigDecimal.ZERO;
        LocalDate at = from;
        while (at.isBefore(to)) {
            LocalDate begun = at;
            LocalDate next = deposit.rate().steps().stream()
                    .map(Steps.Step::from)
                    .filter(day -> day.isAfter(begun) && day.isBefore(to))
                    .findFirst()
                    .orElse(to);
            sum = sum.add(at(term.amount(), rate(at), deposit.dayCount().days(at, next)));
            at = next;
        }
        return sum;
    }

    private BigDecimal at(long amount, BigDecimal rate, long days) {
        return BigDecimal.valueOf(amount)
                .multiply(rate)
                .multiply(BigDecimal.valueOf(days))
                .divide(BigDecimal.valueOf(deposit.dayCount().year()), EXACT);
    }

    private BigDecimal rate(LocalDate day) {
        return deposit.rate().findOn(day).map(step -> step.value().asFraction()).orElse(BigDecimal.ZERO);
    }

    /** Returns every payment of interest, in order. */
    public List<Payment> payments() {
        return List.copyOf(payments);
    }

    /** Returns the terms, in order. */
    public List<Term> terms() {
        return List.copyOf(terms);
    }

    /**
     * Returns what is put away at the end of a day: nothing before it is placed, and from the day on which it comes
     * back.
     */
    public long placedOn(LocalDate day) {
        return terms.stream()
                .filter(term -> (deposit.running() != null || !day.isBefore(term.startInclusive()))
                        && day.isBefore(term.endExclusive()))
                .findFirst()
                .map(Term::amount)
                .orElse(0L);
    }

    /**
     * Returns what of it could be had by a day if it were called at the end of another: its term ends by then, or its
     * notice does.
     */
    public long callable(LocalDate day, LocalDate by) {
        LocalDate end = terms.stream()
                .filter(term -> day.isBefore(term.endExclusive()))
                .findFirst()
                .map(Term::endExclusive)
                .orElse(LocalDate.MAX);
        LocalDate called = deposit.notice() == null
                ? end
                : earlier(end, following(day.plusDays(deposit.notice().days())));
        return called.isAfter(by) ? 0 : placedOn(day);
    }

    private static LocalDate earlier(LocalDate one, LocalDate other) {
        return one.isBefore(other) ? one : other;
    }

    @Override
    public long interestUpTo(LocalDate day) {
        long paid = payments.stream()
                .filter(one -> !one.day().isAfter(day))
                .mapToLong(Payment::interest)
                .sum();
        LocalDate since = payments.stream()
                .map(Payment::day)
                .filter(one -> !one.isAfter(day))
                .reduce((one, other) -> other)
                .orElse(null);
        BigDecimal accrued = BigDecimal.ZERO;
        for (Term term : terms) {
            TermDeposit.Running taken = takenUp(term);
            LocalDate begun = taken == null ? term.startInclusive() : taken.at();
            if (!day.isBefore(begun) && day.isBefore(term.endExclusive())) {
                boolean first = since == null || !since.isAfter(begun);
                accrued = accrued.add(interest(term, since == null || first ? begun : since, day))
                        .add(taken != null && first ? BigDecimal.valueOf(taken.accrued()) : BigDecimal.ZERO);
            }
        }
        return -paid - Rounding.toMinor(accrued);
    }

    @Override
    public long interestOwedOn(LocalDate day) {
        return interestUpTo(day)
                + payments.stream()
                        .filter(one -> !one.day().isAfter(day))
                        .mapToLong(Payment::interest)
                        .sum();
    }

    /**
     * Returns what falls due on the deposit's line: what is put away goes out, what comes back comes in, below zero.
     */
    List<Due> dues() {
        List<Due> dues = new ArrayList<>();
        if (deposit.running() == null) {
            dues.add(Due.whole(
                    deposit.on(), start, deposit.amount(), Certainty.CERTAIN, Due.Lasting.ONE_OFF, "put away"));
        }
        payments.stream()
                .filter(one -> one.putAway() != 0)
                .forEach(one -> dues.add(Due.whole(
                        one.day(),
                        one.day(),
                        one.putAway(),
                        Certainty.CERTAIN,
                        Due.Lasting.ONE_OFF,
                        "its interest put away with the next term")));
        Term last = terms.get(terms.size() - 1);
        if (!last.endExclusive().equals(LocalDate.MAX)) {
            dues.add(Due.whole(
                    last.endExclusive(),
                    last.endExclusive(),
                    -last.amount(),
                    Certainty.CERTAIN,
                    Due.Lasting.UNTIL_PAID,
                    deposit.broken() == null ? "back at the end of its term" : "back"));
        }
        return dues;
    }

    /** What is put away at once is gone with what puts it away: no bank books the two. */
    @Override
    public List<Due> interestDues() {
        return payments.stream()
                .filter(one -> one.interest() != 0)
                .map(one -> Due.whole(
                        one.day(),
                        one.day(),
                        -one.interest(),
                        Certainty.CERTAIN,
                        one.putAway() != 0 ? Due.Lasting.ONE_OFF : Due.Lasting.UNTIL_PAID,
                        ChronoUnit.DAYS.between(one.since(), one.day()) + " days' interest at "
                                + deposit.rate()
                                        .findOn(one.since())
                                        .map(step -> step.value().toString())
                                        .orElse("0%") + " a year"))
                .toList();
    }
}
