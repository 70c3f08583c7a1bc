package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.time.Convention;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A lease or hire purchase (rules 8.11): from a day on something is used, and paid for in so many even payments. Of
 * what is financed, what a payment comes to (0: not said) and the rate (null: not said) two are given, and the third
 * follows; of plain rent the payment alone is enough. {@code deposit} is paid on the first day, {@code finalPayment}
 * with the last payment, or a period after it where payments are in advance. {@code lifeMonths} is 0 where what is
 * leased is used up over the term; {@code paidUpTo} is the day up to which all was paid, null where bookings alone say
 * what was.
 */
public record Lease(
        Treatment treatment,
        LocalDate on,
        long financed,
        long payment,
        @Nullable Percent rate,
        int payments,
        int everyMonths,
        boolean inAdvance,
        long deposit,
        long finalPayment,
        int lifeMonths,
        Taxed taxed,
        boolean inCovenants,
        Convention convention,
        @Nullable LocalDate paidUpTo)
        implements Assumption {
    private static final MathContext EXACT = new MathContext(40);

    /** How it stands in the statements. */
    public enum Treatment {
        /** What is leased is an asset that is used up, and what is financed is debt. */
        RIGHT_OF_USE,
        /** Each payment is a cost of the span it covers. */
        RENT
    }

    /**
     * The sales tax that is put on top, the share of it that is claimed back, and whether it is paid whole on the first
     * day in place of with each payment.
     */
    public record Taxed(Percent rate, Percent recoverable, boolean atStart) {
        public static final Taxed NONE = new Taxed(Percent.ZERO, Percent.HUNDRED, false);

        public Taxed {
            Check.inRange(rate, Percent.ZERO, Percent.HUNDRED, "sales tax rate");
            Check.inRange(recoverable, Percent.ZERO, Percent.HUNDRED, "recoverable share of the tax");
        }

        Inputs<Taxed> inputs() {
            return Inputs.of(this)
                    .when(rate.millionths() != 0, "rate", "sales tax", Unit.SHARE)
                    .when(!recoverable.equals(Percent.HUNDRED), "recoverable", "sales tax claimed back", Unit.SHARE)
                    .when(false, "atStart", "sales tax whole on the first day", Unit.CHOICE);
        }
    }

    public Lease {
        Objects.requireNonNull(treatment, "how it stands in the statements");
        Check.inRange(on.getYear(), 1990, 2120, "year of the first day");
        Check.notNegative(financed, "amount financed");
        Check.notNegative(payment, "payment");
        Check.inRange(payments, 1, 600, "number of payments");
        Check.inRange(everyMonths, 1, 12, "months from payment to payment");
        Check.notNegative(deposit, "deposit");
        Check.notNegative(finalPayment, "final payment");
        Check.inRange(lifeMonths, 0, 1_200, "life in months");
        Objects.requireNonNull(taxed, "sales tax");
        Objects.requireNonNull(convention, "convention");
        if (rate != null) {
            Check.inRange(rate, Percent.ZERO, Percent.HUNDRED, "rate");
        }
        Check.that(
                financed == 0 || payment == 0 || rate == null,
                "the amount financed, the payment and the rate say too much together: give two of them, the third follows");
        Check.that(
                financed == 0 || payment == 0 || payment * payments + finalPayment >= financed,
                "all payments come to less than what is financed: no rate does that");
    }

    /** Returns whether the third of amount, payment and rate follows from what is given, and so all payments. */
    public boolean isKnown() {
        return financed > 0 && (payment > 0 || rate != null) || payment > 0 && (rate != null || isRent());
    }

    /** Returns whether each payment is a cost of the span it covers. */
    public boolean isRent() {
        return treatment == Treatment.RENT;
    }

    /** Returns the share of a year from one payment to the next that a yearly rate bears interest for. */
    public BigDecimal ofPeriod(BigDecimal yearly) {
        return yearly.multiply(BigDecimal.valueOf(everyMonths)).divide(BigDecimal.valueOf(12), EXACT);
    }

    /** Returns what so many payments of one minor unit are worth on the first day, at the rate of a period. */
    public BigDecimal worthOfOne(BigDecimal ofPeriod) {
        if (ofPeriod.signum() == 0) {
            return BigDecimal.valueOf(payments);
        }
        BigDecimal grown = BigDecimal.ONE.add(ofPeriod);
        BigDecimal arrears = BigDecimal.ONE.subtract(worthOfFinal(ofPeriod)).divide(ofPeriod, EXACT);
        return inAdvance ? arrears.multiply(grown, EXACT) : arrears;
    }

    /** Returns what one minor unit at the end of the term is worth on the first day, at the rate of a period. */
    public BigDecimal worthOfFinal(BigDecimal ofPeriod) {
        return BigDecimal.ONE.divide(BigDecimal.ONE.add(ofPeriod).pow(payments, EXACT), EXACT);
    }

    /** Returns the nth day on which it is paid, counted from 1; one that a month lacks is its last. */
    public LocalDate payDay(int nth) {
        return on.plusMonths((long) (inAdvance ? nth - 1 : nth) * everyMonths);
    }

    /** Returns whether what is paid on a day is to come, or to be looked for among what was booked. */
    public boolean isOpen(LocalDate payDay) {
        return paidUpTo == null || payDay.isAfter(paidUpTo);
    }

    /** Returns the last day of the term. */
    public LocalDate end() {
        return on.plusMonths((long) payments * everyMonths);
    }

    /** Returns the months over which what is leased is used up. */
    public int usedUpMonths() {
        return lifeMonths > 0 ? lifeMonths : payments * everyMonths;
    }

    /** Returns the lease with another first day; all others move with it. */
    public Lease from(LocalDate other) {
        return new Lease(
                treatment,
                other,
                financed,
                payment,
                rate,
                payments,
                everyMonths,
                inAdvance,
                deposit,
                finalPayment,
                lifeMonths,
                taxed,
                inCovenants,
                convention,
                paidUpTo);
    }

    @Override
    public String kind() {
        return "lease";
    }

    @Override
    public Nature usualNature(Direction direction) {
        return Nature.OVERHEADS;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        if (!isRent()) {
            return Standing.of(CashRow.LEASES, OpeningSheet.Kind.DEBT)
                    .holding(EnumSet.of(OpeningSheet.Kind.FIXED_ASSETS));
        }
        Standing standing = Standing.byNature(direction, nature);
        return nature == Nature.OUTSIDE
                ? standing
                : standing.holding(EnumSet.of(OpeningSheet.Kind.PREPAID, OpeningSheet.Kind.ACCRUED));
    }

    @Override
    public List<String> reads() {
        return List.of();
    }

    /** On top of its amounts. */
    @Override
    public SalesTax tax() {
        return new SalesTax(taxed.rate(), false, taxed.recoverable());
    }

    /** Of a lease that is told as rent none is paid, but a line of it may stay where it is. */
    @Override
    public Optional<Interest.Of> interest() {
        return Optional.of(Interest.Of.LINE);
    }

    @Override
    public boolean bearsInterest() {
        return isKnown() && !isRent() && !Percent.ZERO.equals(rate);
    }

    @Override
    public boolean lacksAmount() {
        return financed == 0 && payment == 0;
    }

    @Override
    public List<Input<Lease>> inputs() {
        Inputs<Lease> inputs = Inputs.of(this);
        inputs = financed > 0 ? inputs.add("financed", "amount financed", Unit.MONEY) : inputs;
        inputs = payment > 0 ? inputs.add("payment", "payment", Unit.MONEY) : inputs;
        return (rate != null ? inputs.add("rate", "rate", Unit.RATE) : inputs)
                .on(on, inAdvance ? "in advance" : "in arrears", "payments", "payments", Unit.count("", 1, 600))
                .add("everyMonths", "months from payment to payment", Unit.months(1, 12))
                .when(deposit > 0, "deposit", "deposit", Unit.MONEY)
                .when(finalPayment > 0, "finalPayment", "final payment", Unit.MONEY)
                .when(lifeMonths > 0, "lifeMonths", "life", Unit.months(0, 1_200))
                .in("taxed", taxed, Taxed::inputs)
                .when(false, "on", "first day", Unit.DATE)
                .when(false, "treatment", "in the statements", Unit.CHOICE)
                .when(false, "inAdvance", "paid in advance", Unit.CHOICE)
                .when(false, "inCovenants", "counts as debt in covenants", Unit.CHOICE)
                .when(false, "paidUpTo", "paid up to", Unit.DATE)
                .when(false, "convention", "on a holiday", Unit.CHOICE)
                .list();
    }

    @Override
    public Lease cleared() {
        return new Lease(
                treatment,
                on,
                0,
                0,
                rate,
                payments,
                everyMonths,
                inAdvance,
                0,
                0,
                lifeMonths,
                taxed,
                inCovenants,
                convention,
                paidUpTo);
    }
}
