package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * What a line assumes: a heading over other lines, a stream with terms, cash planned by date, or what is settled by
 * rules.
 */
public sealed interface Assumption
        permits Assumption.Group,
                Assumption.Stream,
                Recurring,
                DatedItems,
                SalesTaxSettlement,
                Pay,
                ProfitTax,
                CapitalSpending,
                Dividends,
                Revolving,
                TermLoan,
                TermDeposit,
                Lease,
                Interest {

    /** Why no cash is put by hand where the sweep finds it. */
    Optional<String> WORKED_OUT = Optional.of(
            "what a facility draws and what interest costs is worked out: change limit, rate or minimum cash instead of the cash");

    /** Returns the same assumption without its figures; history, dates of recurrence, terms and tax stay. */
    Assumption cleared();

    /** Returns what is assumed, input by input, each with the assumption as it is with another value. */
    List<? extends Input<? extends Assumption>> inputs();

    /** Returns the word a plan file has for the kind: "stream". */
    String kind();

    /** Returns where a line of a direction usually stands in the income statement. */
    Nature usualNature(Direction direction);

    /** Returns where a line of a direction and a nature stands in the statements. */
    Standing standing(Direction direction, Nature nature);

    /** Returns the ids of the lines whose months or schedule this assumption reads. */
    List<String> reads();

    /** A heading that gathers other lines and has no figures of its own. */
    record Group() implements Assumption {
        @Override
        public String kind() {
            return "group";
        }

        @Override
        public Nature usualNature(Direction direction) {
            return direction == Direction.RECEIPT ? Nature.OTHER_INCOME : Nature.OVERHEADS;
        }

        @Override
        public Standing standing(Direction direction, Nature nature) {
            return Standing.byNature(direction, nature);
        }

        @Override
        public List<String> reads() {
            return List.of();
        }

        @Override
        public boolean isHeading() {
            return true;
        }

        @Override
        public Optional<String> refusesOverrides() {
            return Optional.of("a group is the sum of its lines and cannot be overridden: override one of its lines");
        }

        @Override
        public List<Input<Group>> inputs() {
            return List.of();
        }

        @Override
        public Assumption cleared() {
            return this;
        }
    }

    /**
     * Monthly activity that becomes cash by terms (rules 2, 3): sales, or costs bought on terms. History holds the
     * actual months before the forecast, an override replaces one month's computed figure (rules 2.3, 2.4). Methods
     * that were put aside for another keep what was typed into them, and count for nothing. The ledger is null until it
     * is typed.
     */
    record Stream(
            ActivityMethod method,
            List<ActivityMethod> aside,
            SortedMap<YearMonth, Long> history,
            SortedMap<YearMonth, MonthOverride> overrides,
            SalesTax tax,
            Terms terms,
            @Nullable Ledger ledger,
            Spread spread,
            Basis basis)
            implements Assumption {
        public Stream {
            aside = List.copyOf(aside);
            Check.that(aside.size() <= 20, "at most 20 methods can be put aside, but there were " + aside.size());
            history = AmountsByMonth.checked(history, "history of ");
            overrides = Collections.unmodifiableSortedMap(new TreeMap<>(overrides));
        }

        /** Makes a stream for which no open items are kept. */
        public Stream(
                ActivityMethod method,
                List<ActivityMethod> aside,
                SortedMap<YearMonth, Long> history,
                SortedMap<YearMonth, MonthOverride> overrides,
                SalesTax tax,
                Terms terms,
                @Nullable Ledger ledger,
                Spread spread) {
            this(method, aside, history, overrides, tax, terms, ledger, spread, Basis.PATTERN);
        }

        @Override
        public String kind() {
            return "stream";
        }

        @Override
        public Nature usualNature(Direction direction) {
            return direction == Direction.RECEIPT
                    ? Nature.SALES
                    : method instanceof ActivityMethod.StockPurchases ? Nature.COST_OF_SALES : Nature.OVERHEADS;
        }

        @Override
        public Standing standing(Direction direction, Nature nature) {
            return method instanceof ActivityMethod.StockPurchases
                    ? Standing.byNature(direction, nature).holding(EnumSet.of(OpeningSheet.Kind.STOCK))
                    : Standing.byNature(direction, nature);
        }

        @Override
        public List<String> reads() {
            return method instanceof ActivityMethod.ShareOfLine share
                    ? List.of(share.lineId())
                    : method instanceof ActivityMethod.StockPurchases stock
                            ? List.of(stock.policy().salesLine())
                            : List.of();
        }

        @Override
        public List<Input<Stream>> inputs() {
            return Inputs.of(this)
                    .family("method", method, ActivityMethod::inputs)
                    .add("overrides", "override of a month", Unit.MONEY)
                    .in("tax", tax, SalesTax::inputs)
                    .in("terms", terms, Terms::inputs)
                    .in("ledger", ledger, Ledger::inputs)
                    .add("spread", "spread in the month", Unit.CHOICE)
                    .when(false, "basis", "what is kept of single items", Unit.CHOICE)
                    .list();
        }

        @Override
        public Optional<Stream> findStream() {
            return Optional.of(this);
        }

        @Override
        public boolean lacksAmount() {
            return method.isEmpty();
        }

        @Override
        public boolean isDoubtful() {
            return true;
        }

        @Override
        public boolean keepsItems() {
            return basis == Basis.BOOKS;
        }

        @Override
        public LocalDate dueDay(LocalDate from) {
            return terms.by() == Terms.By.DAYS ? terms.dayTerms().dueDay(from) : from;
        }

        @Override
        public Convention conventionOfItems(Direction direction) {
            return terms.by() == Terms.By.DAYS
                    ? terms.dayTerms().convention()
                    : Assumption.super.conventionOfItems(direction);
        }

        @Override
        public Assumption withSharedTerms(Settings settings) {
            return terms.shared() == null
                    ? this
                    : settings.findTerms(terms.shared())
                            .filter(named -> !named.terms().equals(terms))
                            .map(named -> with(named.terms()))
                            .orElse(this);
        }

        @Override
        public Assumption cleared() {
            return new Stream(method.cleared(), aside, history, new TreeMap<>(), tax, terms, ledger, spread, basis);
        }

        /** Returns the stream on a basis. */
        public Stream on(Basis other) {
            return new Stream(method, aside, history, overrides, tax, terms, ledger, spread, other);
        }

        /** Returns the stream without what its ledger says on the as-of date. */
        public Stream withoutLedger() {
            return withLedger(null);
        }

        /** Returns the stream with other overrides of its months. */
        public Stream withOverrides(SortedMap<YearMonth, MonthOverride> others) {
            return new Stream(method, aside, history, others, tax, terms, ledger, spread, basis);
        }

        /** Returns the stream with what its ledger says on the as-of date, null for nothing. */
        public Stream withLedger(@Nullable Ledger other) {
            return new Stream(method, aside, history, overrides, tax, terms, other, spread, basis);
        }

        /**
         * Returns what is still to be billed of a stream on books after a day: no history, no ledger, its open month
         * after that day.
         */
        public Stream after(LocalDate asOf) {
            return new Stream(
                    method, aside, new TreeMap<>(), overrides, tax, terms, null, new Spread.After(spread, asOf), basis);
        }

        /**
         * Returns the stream with amounts typed for months, as a hand would: those before the first that is forecast
         * are history, the method in force is put aside for typed months, and what was typed of other months stays.
         */
        public Stream withTyped(SortedMap<YearMonth, Long> amounts, YearMonth firstForecast) {
            SortedMap<YearMonth, Long> past = new TreeMap<>(history);
            past.putAll(amounts.headMap(firstForecast));
            List<ActivityMethod> kept = new java.util.ArrayList<>(aside);
            SortedMap<YearMonth, Long> months = new TreeMap<>();
            for (ActivityMethod one : method instanceof ActivityMethod.TypedMonths ? List.of(method) : aside) {
                if (one instanceof ActivityMethod.TypedMonths typed) {
                    months.putAll(typed.amounts());
                    kept.remove(one);
                }
            }
            if (!(method instanceof ActivityMethod.TypedMonths)) {
                kept.removeIf(one -> one.getClass() == method.getClass() && !(one instanceof ActivityMethod.Product));
                kept.add(method);
            }
            months.putAll(amounts.tailMap(firstForecast));
            boolean ahead = !amounts.tailMap(firstForecast).isEmpty();
            return new Stream(
                    ahead ? new ActivityMethod.TypedMonths(months) : method,
                    ahead ? kept : aside,
                    past,
                    overrides,
                    tax,
                    terms,
                    ledger,
                    spread,
                    basis);
        }

        /** Returns the stream with other terms. */
        public Stream with(Terms other) {
            return new Stream(method, aside, history, overrides, tax, other, ledger, spread, basis);
        }

        /** Returns a stream of a method paid by a pattern of months, with nothing put aside. */
        public static Stream of(
                ActivityMethod method,
                SortedMap<YearMonth, Long> history,
                SortedMap<YearMonth, MonthOverride> overrides,
                SalesTax tax,
                MonthPattern pattern,
                Spread spread) {
            return new Stream(method, List.of(), history, overrides, tax, Terms.byMonths(pattern), null, spread);
        }
    }

    /** A figure that replaces a computed month, with its reason. */
    record MonthOverride(long amount, String reason) {
        public MonthOverride {
            Check.notNegative(amount, "override");
            reason = Check.text(reason, "the reason of an override", 1_000);
        }
    }

    /** Returns what it assumes by month, where it is a stream. */
    default Optional<Stream> findStream() {
        return Optional.empty();
    }

    /** Returns whether it is a heading over other lines. */
    default boolean isHeading() {
        return false;
    }

    /** Returns why cash of such a line cannot be put by hand; nothing where it can. */
    default Optional<String> refusesOverrides() {
        return Optional.empty();
    }

    /** Returns whether its estimates may well come otherwise: a stream's, and what is not certain (rules 11.8). */
    default boolean isDoubtful() {
        return false;
    }

    /** Returns whether an amount is wanted that nobody has typed. */
    default boolean lacksAmount() {
        return false;
    }

    /** Returns whether open items count on such a line: one planned by date, or a stream on books. */
    default boolean keepsItems() {
        return false;
    }

    /** Returns when what is issued, or delivered, on a day falls due. */
    default LocalDate dueDay(LocalDate from) {
        return from;
    }

    /** Returns the convention by which an item of a line of a direction moves off a day without banking (rules 1.5). */
    default Convention conventionOfItems(Direction direction) {
        return direction == Direction.RECEIPT ? Convention.FOLLOWING : Convention.PRECEDING;
    }

    /** Returns it with the terms that it shares as settings have them. */
    default Assumption withSharedTerms(Settings settings) {
        return this;
    }

    /** Returns whether it is a charge that is never paid. */
    default boolean isNonCash() {
        return false;
    }

    /**
     * Returns whether it says itself what has been paid up to the opening day, so that no movement before it counts
     * again.
     */
    default boolean saysWhatIsPaid() {
        return false;
    }

    /**
     * Returns whether it reads what the plan earns to the end of the fiscal year in which the horizon ends (rules 7.4).
     */
    default boolean readsThisYear() {
        return false;
    }

    /** Returns the names of the assets, or the roles, that such a line is made of, in order (rules 11.2). */
    default List<String> partNames() {
        return List.of();
    }

    /** Returns whether what is written off lowers the sales tax that the plan owes (rules 7.3). */
    default boolean relievesBadDebts() {
        return false;
    }

    /** Returns the interest that such a line pays, where it is a line of interest. */
    default Optional<Interest> findInterest() {
        return Optional.empty();
    }

    /** Returns what of it the analyst may move to another day. */
    default List<? extends MovableAmount<? extends Assumption>> movable() {
        return List.of();
    }

    /**
     * Returns what interest of such a line is interest of; none of what bears no interest that stands on a line of its
     * own.
     */
    default Optional<Interest.Of> interest() {
        return Optional.empty();
    }

    /** Returns whether interest or a fee falls due for such a line, so that a line of its own has to bear it. */
    default boolean bearsInterest() {
        return false;
    }

    /** Returns whether sales tax arises on a line with this assumption. */
    default boolean bearsTax() {
        return !tax().isNone();
    }

    /** Returns the sales tax a line with this assumption bears, none where it has none of its own. */
    default SalesTax tax() {
        return SalesTax.NONE;
    }
}
