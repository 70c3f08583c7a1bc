package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A loan with a schedule (rules 8.6): drawn on a day, or running with what is left of it at the end of one; paid every
 * so many months from a first pay day for a number of payments, the first of them interest only. Its line bears what is
 * drawn and repaid, its interest stands on a line of its own. {@code typed} are the repayments of a loan repaid as
 * agreed; {@code dayCount} is null where interest is by twelfths of a year.
 */
public record TermLoan(
        By by,
        Balance from,
        boolean running,
        Steps<Percent> rate,
        LocalDate firstPayDay,
        int payments,
        int everyMonths,
        int interestOnly,
        @Nullable DayCount dayCount,
        Convention convention,
        List<ActivityMethod.DatedAmount> typed,
        List<ActivityMethod.DatedAmount> early,
        boolean keepsEnd,
        long fee)
        implements Assumption {

    /** How it is repaid. */
    public enum By {
        EQUAL_INSTALMENTS,
        EQUAL_PRINCIPAL,
        /** All of it with the last payment. */
        BULLET,
        /** As agreed, day by day. */
        TYPED
    }

    /** What is lent on a day, or left at its end; of a running loan with the interest accrued by then. */
    public record Balance(LocalDate on, long amount, long accrued) {
        public Balance {
            Objects.requireNonNull(on, "day of the loan");
            Check.notNegative(amount, "amount of the loan");
            Check.notNegative(accrued, "interest accrued");
        }
    }

    public TermLoan {
        Objects.requireNonNull(by, "how it is repaid");
        Objects.requireNonNull(from, "amount of the loan");
        Objects.requireNonNull(convention, "convention");
        rate.steps()
                .forEach(
                        step -> Check.inRange(step.value(), Percent.ZERO, Percent.HUNDRED, "rate from " + step.from()));
        Check.that(
                firstPayDay.isAfter(from.on()),
                "the first pay day lies after the day the loan stands at, " + from.on());
        Check.inRange(payments, 1, 600, "number of payments");
        Check.inRange(everyMonths, 1, 12, "months from payment to payment");
        Check.inRange(interestOnly, 0, payments - 1, "payments of interest only");
        Check.notNegative(fee, "fee of the loan");
        typed = inOrder(typed);
        early = inOrder(early);
    }

    private static List<ActivityMethod.DatedAmount> inOrder(List<ActivityMethod.DatedAmount> amounts) {
        amounts.forEach(one -> Check.that(one.amount() > 0, "a repayment is above zero"));
        return amounts.stream()
                .sorted(java.util.Comparator.comparing(ActivityMethod.DatedAmount::date))
                .toList();
    }

    @Override
    public List<MovableAmount<TermLoan>> movable() {
        List<MovableAmount<TermLoan>> found = new ArrayList<>();
        if (!running) {
            found.add(new MovableAmount<>("drawn", "drawn", true, from.on(), from.amount(), this::drawnOn));
        }
        for (int i = 0; i < apart().size(); i++) {
            int at = i;
            found.add(new MovableAmount<>(
                    "repaid " + i,
                    "repaid",
                    true,
                    apart().get(i).date(),
                    -apart().get(i).amount(),
                    day -> repaidOn(at, day)));
        }
        return found;
    }

    /** Repayments beside its pay days. */
    private List<ActivityMethod.DatedAmount> apart() {
        return by == By.TYPED ? typed : early;
    }

    /**
     * Returns the loan drawn on another day. Its pay days stay, unless it is drawn on the first of them or later: then
     * they begin so many whole months later.
     */
    public TermLoan drawnOn(LocalDate day) {
        LocalDate first = firstPayDay;
        for (int months = 1; !first.isAfter(day); months++) {
            first = firstPayDay.plusMonths(months);
        }
        return new TermLoan(
                by,
                new Balance(day, from.amount(), from.accrued()),
                false,
                rate,
                first,
                payments,
                everyMonths,
                interestOnly,
                dayCount,
                convention,
                typed,
                early,
                keepsEnd,
                fee);
    }

    private TermLoan repaidOn(int at, LocalDate day) {
        return withApart(MovableAmount.on(apart(), at, day));
    }

    /** Returns the loan with the whole of an amount repaid on a day, and nothing agreed later. */
    public TermLoan dueOn(LocalDate day, long owed) {
        List<ActivityMethod.DatedAmount> kept = new ArrayList<>(
                apart().stream().filter(one -> one.date().isBefore(day)).toList());
        kept.add(new ActivityMethod.DatedAmount(day, owed, "due at once"));
        return withApart(kept);
    }

    private TermLoan withApart(List<ActivityMethod.DatedAmount> others) {
        return new TermLoan(
                by,
                from,
                running,
                rate,
                firstPayDay,
                payments,
                everyMonths,
                interestOnly,
                dayCount,
                convention,
                by == By.TYPED ? others : typed,
                by == By.TYPED ? early : others,
                keepsEnd,
                fee);
    }

    @Override
    public String kind() {
        return "loan";
    }

    @Override
    public Nature usualNature(Direction direction) {
        return Nature.OUTSIDE;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        return Standing.of(CashRow.LOANS, OpeningSheet.Kind.DEBT);
    }

    @Override
    public List<String> reads() {
        return List.of();
    }

    @Override
    public Optional<Interest.Of> interest() {
        return Optional.of(Interest.Of.LINE);
    }

    @Override
    public boolean bearsInterest() {
        return !rate.isEmpty() || fee > 0;
    }

    @Override
    public List<Input<TermLoan>> inputs() {
        return Inputs.of(this)
                .in("from", from, one -> Inputs.of(one)
                        .on(one.on(), "amount", running ? "left of the loan" : "amount of the loan", Unit.MONEY)
                        .when(one.accrued() != 0, "accrued", "interest accrued", Unit.MONEY)
                        .when(false, "on", running ? "left on" : "drawn on", Unit.DATE)
                        .facts(running ? new String[] {"amount", "accrued", "on"} : new String[0]))
                .add("rate", "rate", Unit.RATE)
                .on(
                        firstPayDay,
                        by.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' '),
                        "payments",
                        "payments",
                        Unit.count("", 1, 600))
                .add("everyMonths", "months from payment to payment", Unit.months(1, 12))
                .when(interestOnly > 0, "interestOnly", "payments of interest alone", Unit.count("", 0, 599))
                .each("typed", typed, one -> one.date().toString(), (one, at) -> one.inputs("repayment"))
                .each("early", early, one -> one.date().toString(), (one, at) -> one.inputs("early repayment"))
                .when(fee > 0, "fee", "fee", Unit.MONEY)
                .when(false, "by", "repaid", Unit.CHOICE)
                .when(false, "firstPayDay", "first pay day", Unit.DATE)
                .when(false, "keepsEnd", "an early repayment lowers instalments and keeps the end", Unit.CHOICE)
                .when(false, "dayCount", "days counted", Unit.CHOICE)
                .when(false, "convention", "on a holiday", Unit.CHOICE)
                .list();
    }

    @Override
    public TermLoan cleared() {
        return new TermLoan(
                by,
                new Balance(from.on(), 0, 0),
                running,
                rate,
                firstPayDay,
                payments,
                everyMonths,
                interestOnly,
                dayCount,
                convention,
                List.of(),
                List.of(),
                keepsEnd,
                0);
    }

    /** Returns the nth pay day, counted from 1; one that a month lacks is its last. */
    public LocalDate payDay(int nth) {
        return firstPayDay.plusMonths((long) (nth - 1) * everyMonths);
    }
}
