package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/** How a stream's monthly amount is found (rules 2.1). Amounts are in minor units, zero or more. */
public sealed interface ActivityMethod {

    /** Returns whether the method has no figure at all yet. */
    boolean isEmpty();

    /** Returns what the method assumes, input by input. */
    List<Input<ActivityMethod>> inputs();

    /** Returns the same method without its figures; weights and choices stay. */
    ActivityMethod cleared();

    /** Returns the price among its figures, where there is one. */
    default Optional<Price> price() {
        return Optional.empty();
    }

    /** What a piece, an hour or a customer pays, and what that is called. */
    record Price(String name, Steps<?> steps) {}

    /** The same amount every month, with steps. */
    record FixedAmount(Steps<Long> amount) implements ActivityMethod {
        public FixedAmount {
            requireAmounts(amount);
        }

        @Override
        public List<Input<ActivityMethod>> inputs() {
            return one(Inputs.of(this).add("amount", "amount a month", Unit.MONEY));
        }

        @Override
        public boolean isEmpty() {
            return amount.isEmpty();
        }

        @Override
        public ActivityMethod cleared() {
            return new FixedAmount(Steps.none());
        }
    }

    /**
     * A base that grows by a percentage each month, compounding unrounded, counted since the base's last step. A month
     * of its own in {@code growthOf} takes that growth over the month before in place of the usual one.
     */
    record BaseWithGrowth(Steps<Long> base, Percent growth, SortedMap<YearMonth, Percent> growthOf)
            implements ActivityMethod {
        public BaseWithGrowth {
            requireAmounts(base);
            Driver.requireGrowth(growth, "growth a month");
            growthOf = Collections.unmodifiableSortedMap(new TreeMap<>(growthOf));
            growthOf.forEach((month, rate) -> Driver.requireGrowth(rate, "growth of " + month));
        }

        /** Returns the growth of a month over the one before. */
        public Percent growthIn(YearMonth month) {
            return growthOf.getOrDefault(month, growth);
        }

        @Override
        public List<Input<ActivityMethod>> inputs() {
            return one(Inputs.of(this)
                    .add("base", "base a month", Unit.MONEY)
                    .when(growth.millionths() != 0, "growth", "growth a month", Unit.GROWTH)
                    .add("growthOf", "growth a month", Unit.GROWTH));
        }

        @Override
        public boolean isEmpty() {
            return base.isEmpty();
        }

        @Override
        public ActivityMethod cleared() {
            return new BaseWithGrowth(Steps.none(), Percent.ZERO, new TreeMap<>());
        }
    }

    /** A figure for each month; a month without one is the same month of the year before, else the last (rules 2.6). */
    record TypedMonths(SortedMap<YearMonth, Long> amounts) implements ActivityMethod {
        public TypedMonths {
            amounts = AmountsByMonth.checked(amounts, "amount of ");
        }

        @Override
        public List<Input<ActivityMethod>> inputs() {
            return one(Inputs.of(this).add("amounts", "typed amount", Unit.MONEY));
        }

        @Override
        public boolean isEmpty() {
            return amounts.isEmpty();
        }

        @Override
        public ActivityMethod cleared() {
            return new TypedMonths(new TreeMap<>());
        }
    }

    /** What a product group buys for its stock (rules 6). */
    record StockPurchases(StockPolicy policy) implements ActivityMethod {
        @Override
        public List<Input<ActivityMethod>> inputs() {
            return one(Inputs.of(this).in("policy", policy, StockPolicy::inputs));
        }

        @Override
        public boolean isEmpty() {
            return false;
        }

        @Override
        public ActivityMethod cleared() {
            return new StockPurchases(new StockPolicy(
                    policy.salesLine(),
                    policy.given(),
                    policy.cost(),
                    policy.target(),
                    new StockPolicy.Bought(policy.bought().by(), policy.bought().share(), new TreeMap<>()),
                    StockPolicy.Opening.NOT_SAID,
                    policy.orderedMonths()));
        }
    }

    /** A percentage of another stream's month. */
    record ShareOfLine(String lineId, Percent share) implements ActivityMethod {
        public ShareOfLine {
            Check.text(lineId, "the line a share is taken of");
            Check.inRange(share, Percent.ZERO, new Percent(100 * Percent.WHOLE), "share of the other line");
        }

        @Override
        public List<Input<ActivityMethod>> inputs() {
            return one(Inputs.of(this)
                    .ofLine(
                            lineId,
                            "share",
                            "share of",
                            Unit.percent("%", Percent.ZERO, new Percent(100 * Percent.WHOLE))));
        }

        @Override
        public boolean isEmpty() {
            return false;
        }

        @Override
        public ActivityMethod cleared() {
            return new ShareOfLine(lineId, Percent.ZERO);
        }
    }

    /** Drivers multiplied: a quantity by a price, hours by a rate, a market by its share, orders and price. */
    record Product(ProductOf of, List<Driver> factors) implements ActivityMethod {
        public Product {
            factors = List.copyOf(factors);
            Check.that(
                    factors.size() == of.factors().size(),
                    "a product of " + String.join(", ", of.factors()) + " has "
                            + of.factors().size() + " factors, but had " + factors.size());
        }

        @Override
        public Optional<Price> price() {
            int last = factors.size() - 1;
            return Optional.of(
                    new Price(of.factors().get(last), factors.get(last).value()));
        }

        @Override
        public List<Input<ActivityMethod>> inputs() {
            return one(Inputs.of(this)
                    .each(
                            "factors",
                            factors,
                            factor -> of.factors().get(factors.indexOf(factor)),
                            (factor, at) -> factor.inputs(of.factors().get(at), Unit.NUMBER)));
        }

        @Override
        public boolean isEmpty() {
            return factors.stream().anyMatch(factor -> factor.value().isEmpty());
        }

        @Override
        public ActivityMethod cleared() {
            return new Product(of, factors.stream().map(factor -> Driver.none()).toList());
        }
    }

    /**
     * Customers who each pay a fee a month: those at the opening of a month, more that are gained, less those that are
     * lost (a number, or a percentage of the opening ones), counted unrounded from {@code from} on. The fee is paid by
     * those at the end of the month, or by the mean of opening and end.
     */
    record RecurringCustomers(
            YearMonth from, BigDecimal opening, Driver gained, Driver lost, LostAs lostAs, Driver fee, FeeOn feeOn)
            implements ActivityMethod {
        private static final Unit LOST = new Unit(Unit.Measure.PERCENT, "%", BigDecimal.ZERO, BigDecimal.valueOf(100));

        public RecurringCustomers {
            requireDate(from.atDay(1));
            opening = Driver.plain(Driver.requireValue(opening, "customers at the start"));
            if (lostAs == LostAs.PERCENT) {
                lost.value()
                        .steps()
                        .forEach(step -> Check.that(
                                step.value().compareTo(BigDecimal.valueOf(100)) <= 0,
                                "customers lost must be at most 100% of those there were, but was "
                                        + step.value().toPlainString() + "%"));
            }
        }

        @Override
        public Optional<Price> price() {
            return Optional.of(new Price("fee", fee.value()));
        }

        @Override
        public List<Input<ActivityMethod>> inputs() {
            return one(Inputs.of(this)
                    .on(from.atDay(1), "opening", "customers at the start", Unit.NUMBER)
                    .in("gained", gained, driver -> driver.inputs("customers gained", Unit.NUMBER))
                    .in(
                            "lost",
                            lost,
                            driver -> driver.inputs("customers lost", lostAs == LostAs.PERCENT ? LOST : Unit.NUMBER))
                    .in("fee", fee, driver -> driver.inputs("fee", Unit.MONEY_EACH))
                    .when(false, "feeOn", "customers that pay the fee", Unit.CHOICE));
        }

        @Override
        public boolean isEmpty() {
            return fee.value().isEmpty()
                    || opening.signum() == 0 && gained.value().isEmpty();
        }

        @Override
        public ActivityMethod cleared() {
            return new RecurringCustomers(
                    from, BigDecimal.ZERO, Driver.none(), Driver.none(), lostAs, Driver.none(), feeOn);
        }
    }

    /** What the number of customers lost is. */
    enum LostAs {
        NUMBER,
        PERCENT
    }

    /** Which customers of a month pay its fee. */
    enum FeeOn {
        CLOSING,
        MEAN
    }

    /**
     * Totals of fiscal years over their months by weights, the first weight being the first fiscal month's. A year is
     * named by the calendar year in which it begins; one without a total is the last before it, grown.
     */
    record YearTotal(SortedMap<Integer, Long> totals, Percent yearlyGrowth, List<Long> weights)
            implements ActivityMethod {
        public YearTotal {
            totals = Collections.unmodifiableSortedMap(new TreeMap<>(totals));
            totals.forEach((year, total) -> {
                Check.inRange(year, 1990, 2120, "fiscal year");
                Check.notNegative(total, "total of " + year);
            });
            Driver.requireGrowth(yearlyGrowth, "growth a year");
            weights = List.copyOf(weights);
            Check.that(weights.size() == 12, "a year has twelve weights, but had " + weights.size());
            weights.forEach(weight -> Check.that(
                    weight >= 0 && weight <= 1_000_000, "a weight must be from 0 to 1,000,000, but was " + weight));
            Check.that(
                    weights.stream().anyMatch(weight -> weight > 0),
                    "one weight of the year at least must be above zero");
        }

        @Override
        public List<Input<ActivityMethod>> inputs() {
            return one(Inputs.of(this)
                    .add("totals", "total of the year", Unit.MONEY)
                    .when(yearlyGrowth.millionths() != 0, "yearlyGrowth", "more each later year", Unit.GROWTH));
        }

        @Override
        public boolean isEmpty() {
            return totals.isEmpty();
        }

        @Override
        public ActivityMethod cleared() {
            return new YearTotal(new TreeMap<>(), Percent.ZERO, weights);
        }
    }

    /** Amounts by date; a month is the sum of those that lie in it. */
    record DatedAmounts(List<DatedAmount> amounts) implements ActivityMethod {
        public DatedAmounts {
            amounts = amounts.stream()
                    .sorted(Comparator.comparing(DatedAmount::date))
                    .toList();
            Check.that(amounts.size() <= 5_000, "a line has at most 5,000 single amounts, but had " + amounts.size());
        }

        @Override
        public List<Input<ActivityMethod>> inputs() {
            return one(Inputs.of(this)
                    .each("amounts", amounts, one -> one.date().toString(), (one, at) -> one.inputs("amount")));
        }

        @Override
        public boolean isEmpty() {
            return amounts.isEmpty();
        }

        @Override
        public ActivityMethod cleared() {
            return new DatedAmounts(List.of());
        }
    }

    private static <M extends Record & ActivityMethod> List<Input<ActivityMethod>> one(Inputs<M> inputs) {
        return inputs.list().stream()
                .map(input -> input.<ActivityMethod>within("", made -> made))
                .toList();
    }

    /** What is earned or incurred on a date, with a note. */
    record DatedAmount(LocalDate date, long amount, String note) {
        public DatedAmount {
            requireDate(date);
            Check.notNegative(amount, "amount on " + date);
            note = note == null ? "" : Check.atMost(note.strip(), "note of an amount", 1_000);
        }

        Inputs<DatedAmount> inputs(String name) {
            return Inputs.of(this)
                    .on(date, note, "amount", name, Unit.MONEY)
                    .when(false, "date", "day of: " + name, Unit.DATE);
        }
    }

    private static void requireAmounts(Steps<Long> steps) {
        steps.steps().forEach(step -> {
            requireDate(step.from());
            Check.notNegative(step.value(), "amount from " + step.from());
        });
    }

    private static void requireDate(LocalDate day) {
        Check.inRange(day.getYear(), 1990, 2120, "year of " + day);
    }
}
