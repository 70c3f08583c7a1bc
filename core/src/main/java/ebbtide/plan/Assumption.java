package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/** What a line assumes: a heading over other lines, a stream with terms, cash planned by date, or what is settled by rules. */
public sealed interface Assumption permits Assumption.Group, Assumption.Stream, Assumption.Recurring,
    Assumption.DatedItems, SalesTaxSettlement, Pay, ProfitTax, CapitalSpending, Dividends, Revolving,
    TermLoan, TermDeposit, Interest {

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
   * actual months before the forecast, an override replaces one month's computed figure (rules 2.3, 2.4). Methods that
   * were put aside for another keep what was typed into them, and count for nothing. The ledger is null until it is typed.
   */
  record Stream(ActivityMethod method, List<ActivityMethod> aside, SortedMap<YearMonth, Long> history, SortedMap<YearMonth, MonthOverride> overrides,
      SalesTax tax, Terms terms, Ledger ledger, Spread spread, Basis basis) implements Assumption {
    public Stream {
      aside = List.copyOf(aside);
      Check.that(aside.size() <= 20, "at most 20 methods can be put aside, but there were " + aside.size());
      history = AmountsByMonth.checked(history, "history of ");
      overrides = Collections.unmodifiableSortedMap(new TreeMap<>(overrides));
    }

    /** Makes a stream for which no open items are kept. */
    public Stream(ActivityMethod method, List<ActivityMethod> aside, SortedMap<YearMonth, Long> history,
        SortedMap<YearMonth, MonthOverride> overrides, SalesTax tax, Terms terms, Ledger ledger, Spread spread) {
      this(method, aside, history, overrides, tax, terms, ledger, spread, Basis.PATTERN);
    }

    @Override
    public String kind() {
      return "stream";
    }

    @Override
    public Nature usualNature(Direction direction) {
      return direction == Direction.RECEIPT ? Nature.SALES : method instanceof ActivityMethod.StockPurchases ? Nature.COST_OF_SALES : Nature.OVERHEADS;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
      return method instanceof ActivityMethod.StockPurchases ? Standing.byNature(direction, nature).holding(EnumSet.of(OpeningSheet.Kind.STOCK))
          : Standing.byNature(direction, nature);
    }

    @Override
    public List<String> reads() {
      return method instanceof ActivityMethod.ShareOfLine share ? List.of(share.lineId())
          : method instanceof ActivityMethod.StockPurchases stock ? List.of(stock.policy().salesLine()) : List.of();
    }

    @Override
    public List<Input<Stream>> inputs() {
      return Inputs.of(this).family("method", method, ActivityMethod::inputs).add("overrides", "override of a month", Unit.MONEY).in("tax", tax, SalesTax::inputs)
          .in("terms", terms, Terms::inputs).in("ledger", ledger, Ledger::inputs).add("spread", "spread in the month", Unit.CHOICE)
          .when(false, "basis", "what is kept of single items", Unit.CHOICE).list();
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
      return new Stream(method, aside, history, overrides, tax, terms, null, spread, basis);
    }

    /** Returns what is still to be billed of a stream on books after a day: no history, no ledger, its open month after that day. */
    public Stream after(LocalDate asOf) {
      return new Stream(method, aside, new TreeMap<>(), overrides, tax, terms, null, new Spread.After(spread, asOf), basis);
    }

    /**
     * Returns the stream with amounts typed for months, as a hand would: those before the first that is forecast are history, the
     * method in force is put aside for typed months, and what was typed of other months stays.
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
      return new Stream(ahead ? new ActivityMethod.TypedMonths(months) : method, ahead ? kept : aside, past, overrides, tax, terms, ledger,
          spread, basis);
    }

    /** Returns the stream with other terms. */
    public Stream with(Terms other) {
      return new Stream(method, aside, history, overrides, tax, other, ledger, spread, basis);
    }

    /** Returns a stream of a method paid by a pattern of months, with nothing put aside. */
    public static Stream of(ActivityMethod method, SortedMap<YearMonth, Long> history,
        SortedMap<YearMonth, MonthOverride> overrides, SalesTax tax, MonthPattern pattern, Spread spread) {
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

  /**
   * The same bill again and again (rules 7.2, 7.7): its dates, its amount with steps, what is added to it a year, how many
   * days after its date it is paid, and which months it covers.
   */
  record Recurring(Recurrence when, Steps<Long> amount, Percent yearlyUplift, SalesTax tax, int termsDays, Convention convention,
      Certainty certainty, Expensing expensing) implements Assumption {
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
      return direction == Direction.RECEIPT ? Nature.OTHER_INCOME : Nature.OVERHEADS;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
      return nature == Nature.OUTSIDE ? Standing.byNature(direction, nature) : Standing.byNature(direction, nature).holding(expensing.nonCash()
          ? EnumSet.of(OpeningSheet.Kind.PROVISIONS) : expensing.isSpread() ? EnumSet.of(OpeningSheet.Kind.PREPAID, OpeningSheet.Kind.ACCRUED)
          : EnumSet.noneOf(OpeningSheet.Kind.class));
    }

    @Override
    public List<String> reads() {
      return List.of();
    }

    @Override
    public List<Input<Recurring>> inputs() {
      return Inputs.of(this).on(when.first(), "when", "dates", Unit.CHOICE).add("amount", "amount each time", Unit.MONEY)
          .when(yearlyUplift.millionths() != 0, "yearlyUplift", "more each year", Unit.percent("%", LEAST_UPLIFT, MOST_UPLIFT)).in("tax", tax, SalesTax::inputs)
          .in("expensing", expensing, Expensing::inputs).add("termsDays", "paid after", Unit.days(0, 365)).add("certainty", "certainty", Unit.CHOICE)
          .when(false, "convention", "on a holiday", Unit.CHOICE).list();
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
     * Returns the amount of the bill of a day in minor units, as the line types it: the step in force, raised once for each whole year since
     * it began, compounding unrounded and rounded once; 0 before the first step.
     */
    public long amountOn(LocalDate bill) {
      return amount.findOn(bill).map(step -> {
        int years = (int) ChronoUnit.YEARS.between(step.from(), bill);
        return Rounding.toMinor(BigDecimal.valueOf(step.value())
            .multiply(BigDecimal.ONE.add(yearlyUplift.asFraction()).pow(years)));
      }).orElse(0L);
    }
  }

  /** Single dated items (rules 7.7). */
  record DatedItems(List<DatedItem> items, SalesTax tax, Convention convention) implements Assumption {
    public DatedItems {
      items = items.stream().sorted(java.util.Comparator.comparing(DatedItem::date)).toList();
      Check.that(items.size() <= 5_000, "a line has at most 5,000 single items, but had " + items.size());
      Map<LocalDate, Long> days = new TreeMap<>();
      java.util.Objects.requireNonNull(tax, "sales tax");
      items.forEach(item -> Check.that(days.put(item.date(), item.amount()) == null,
          "two items on " + item.date() + " in one line: add them up, or give one a day of its own"));
    }

    @Override
    public String kind() {
      return "items";
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
    public List<Input<DatedItems>> inputs() {
      return Inputs.of(this).in("tax", tax, SalesTax::inputs).each("items", items, item -> item.date().toString(), (item, at) -> item.inputs())
          .when(false, "convention", "on a holiday", Unit.CHOICE).list();
    }

    @Override
    public Assumption cleared() {
      return new DatedItems(List.of(), tax, convention);
    }

    /** Returns items without sales tax. */
    public static DatedItems untaxed(List<DatedItem> items, Convention convention) {
      return new DatedItems(items, SalesTax.NONE, convention);
    }
  }

  /** An amount expected on a date. */
  record DatedItem(LocalDate date, long amount, Certainty certainty, String note) {
    public DatedItem {
      Check.inRange(date.getYear(), 1990, 2120, "year of " + date);
      Check.notNegative(amount, "amount on " + date);
      note = note == null ? "" : Check.atMost(note.strip(), "note of an item", 1_000);
    }

    Inputs<DatedItem> inputs() {
      return Inputs.of(this).on(date, note, "amount", "item, " + certainty.name().toLowerCase(java.util.Locale.ROOT), Unit.MONEY)
          .when(false, "certainty", "certainty of an item", Unit.CHOICE).when(false, "date", "day of an item", Unit.DATE);
    }
  }

  /** Returns what interest of such a line is interest of; none of what bears no interest that stands on a line of its own. */
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
