package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.time.Convention;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * The same bill again and again (rules 7.2, 7.7): its dates, its amount with steps, what is added to it a year, how
 * many days after its date it is paid, and which months it covers.
 */
public record Recurring(
        Recurrence when,
        Steps<Long> amount,
        Percent yearlyUplift,
        SalesTax tax,
        int termsDays,
        Convention convention,
        Certainty certainty,
        Expensing expensing)
        implements Assumption {
    private static final Percent LEAST_UPLIFT = new Percent(-Percent.WHOLE / 2);
    private static final Percent MOST_UPLIFT = new Percent(5 * Percent.WHOLE);

    public Recurring {
        Check.inRange(yearlyUplift, LEAST_UPLIFT, MOST_UPLIFT, "yearly uplift");
        Check.inRange(termsDays, 0, 365, "days until it is paid");
        amount.steps().forEach(step -> Check.notNegative(step.value(), "amount from " + step.from()));
    }

    @Override
    public String kind() {
        return "recurring";
    }

    @Override
    public Nature usualNature(Direction direction) {
        if (direction == Direction.RECEIPT) {
            return Nature.OTHER_INCOME;
        }
        return expensing.nonCash() ? Nature.DEPRECIATION : Nature.OVERHEADS;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        Standing standing = Standing.byNature(direction, nature);
        return nature == Nature.OUTSIDE ? standing : standing.holding(heldApart(nature));
    }

    private Set<OpeningSheet.Kind> heldApart(Nature nature) {
        if (expensing.nonCash()) {
            return EnumSet.of(
                    nature == Nature.DEPRECIATION ? OpeningSheet.Kind.FIXED_ASSETS : OpeningSheet.Kind.PROVISIONS);
        }
        return expensing.isSpread()
                ? EnumSet.of(OpeningSheet.Kind.PREPAID, OpeningSheet.Kind.ACCRUED)
                : EnumSet.noneOf(OpeningSheet.Kind.class);
    }

    @Override
    public boolean isDoubtful() {
        return certainty != Certainty.CERTAIN;
    }

    @Override
    public List<String> reads() {
        return List.of();
    }

    @Override
    public List<Input<Recurring>> inputs() {
        return Inputs.of(this)
                .on(when.first(), "when", "dates", Unit.CHOICE)
                .add("amount", "amount each time", Unit.MONEY)
                .when(
                        yearlyUplift.millionths() != 0,
                        "yearlyUplift",
                        "more each year",
                        Unit.percent("%", LEAST_UPLIFT, MOST_UPLIFT))
                .in("tax", tax, SalesTax::inputs)
                .in("expensing", expensing, Expensing::inputs)
                .add("termsDays", "paid after", Unit.days(0, 365))
                .add("certainty", "certainty", Unit.CHOICE)
                .when(false, "convention", "on a holiday", Unit.CHOICE)
                .list();
    }

    @Override
    public boolean lacksAmount() {
        return amount.isEmpty();
    }

    @Override
    public boolean keepsItems() {
        return true;
    }

    @Override
    public LocalDate dueDay(LocalDate from) {
        return from.plusDays(termsDays);
    }

    @Override
    public Convention conventionOfItems(Direction direction) {
        return convention;
    }

    @Override
    public boolean isNonCash() {
        return expensing.nonCash();
    }

    @Override
    public Assumption cleared() {
        return new Recurring(when, Steps.none(), yearlyUplift, tax, termsDays, convention, certainty, expensing);
    }

    @Override
    public boolean bearsTax() {
        return !tax.isNone() && !expensing.nonCash();
    }

    /** Returns a bill without uplift or tax, paid on its date. */
    public static Recurring plain(Recurrence when, Steps<Long> amount, Convention convention, Certainty certainty) {
        return new Recurring(when, amount, Percent.ZERO, SalesTax.NONE, 0, convention, certainty, Expensing.OWN_MONTH);
    }

    /**
     * Returns the amount of the bill of a day in minor units, as the line types it: the step in force, raised once for
     * each whole year since it began, compounding unrounded and rounded once; 0 before the first step.
     */
    public long amountOn(LocalDate bill) {
        return amount.findOn(bill)
                .map(step -> {
                    int years = (int) ChronoUnit.YEARS.between(step.since(), bill);
                    return Rounding.toMinor(BigDecimal.valueOf(step.value())
                            .multiply(BigDecimal.ONE
                                    .add(yearlyUplift.asFraction())
                                    .pow(years)));
                })
                .orElse(0L);
    }
}
