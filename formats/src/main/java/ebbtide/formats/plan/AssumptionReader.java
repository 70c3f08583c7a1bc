package ebbtide.formats.plan;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Certainty;
import ebbtide.plan.Expensing;
import ebbtide.plan.Ledger;
import ebbtide.plan.Recurrence;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Steps;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import java.time.YearMonth;
import java.util.Currency;
import java.util.List;
import java.util.SortedMap;

/** Reading of a line's assumption from JSON; a null result has left its problems behind. */
final class AssumptionReader {
  private final Currency currency;
  private final Convention usual;
  private final MethodReader methods;
  private final SettledReader settled;
  private final FundingReader funding;

  /** Makes a reader for a currency and the convention a line of this direction has when it names none (rules 1.5). */
  AssumptionReader(Currency currency, Convention usual) {
    this.currency = currency;
    this.usual = usual;
    this.methods = new MethodReader(currency);
    this.settled = new SettledReader(currency, methods);
    this.funding = new FundingReader(currency, methods);
  }

  Currency currency() {
    return currency;
  }

  SettledReader settled() {
    return settled;
  }

  FundingReader funding() {
    return funding;
  }

  Assumption read(JsonPlace place) {
    String kind = place.at("kind").text();
    if (kind == null) {
      return null;
    }
    Assumption found = KindJson.find(kind).map(one -> one.read(this, place)).orElse(null);
    if (KindJson.find(kind).isEmpty()) {
      place.at("kind").problem("A line is of the kind " + KindJson.words() + ", but was '" + kind + "'");
    }
    if (found != null) {
      place.noOthers();
    }
    return found;
  }

  Assumption stream(JsonPlace place) {
    ActivityMethod method = methods.read(place.at("method"));
    List<ActivityMethod> aside = place.at("aside").list(methods::read);
    SortedMap<YearMonth, Long> history = place.at("history").byMonth(p -> p.amount(currency));
    SortedMap<YearMonth, Assumption.MonthOverride> overrides = place.at("overrides").byMonth(this::override);
    SalesTax tax = tax(place.at("tax"));
    Terms terms = new TermsReader(usual).read(place);
    JsonPlace total = place.at("ledger");
    Ledger ledger = total.isAbsent() ? null : ledger(total);
    Spread spread = spread(place.at("spread"));
    Basis basis = place.at("basis").oneOfOr(Basis.class, Basis.PATTERN);
    if (basis == null || method == null || tax == null || terms == null || spread == null || ledger == null && !total.isAbsent()) {
      return null;
    }
    return place.make(() -> new Assumption.Stream(method, aside, history, overrides, tax, terms, ledger, spread, basis));
  }

  private Assumption.MonthOverride override(JsonPlace place) {
    Long amount = place.at("amount").amount(currency);
    String reason = place.at("reason").text();
    place.noOthers();
    return amount == null || reason == null ? null : place.make(() -> new Assumption.MonthOverride(amount, reason));
  }

  static SalesTax tax(JsonPlace place) {
    if (place.isAbsent()) {
      return SalesTax.NONE;
    }
    Percent rate = place.at("rate").percent();
    Boolean gross = place.at("gross").flagOr(false);
    Percent recoverable = place.at("recoverable").percentOr(Percent.HUNDRED);
    place.noOthers();
    return rate == null || gross == null || recoverable == null ? null
        : place.make(() -> new SalesTax(rate, gross, recoverable));
  }

  private Ledger ledger(JsonPlace place) {
    Long amount = place.at("amount").amount(currency);
    Boolean trueUp = place.at("trueUp").flagOr(false);
    place.noOthers();
    return amount == null || trueUp == null ? null : place.make(() -> new Ledger(amount, trueUp));
  }

  private Spread spread(JsonPlace place) {
    if (place.isAbsent()) {
      return new Spread.Even();
    }
    String kind = place.at("kind").text();
    if (kind == null) {
      return null;
    }
    Spread spread = switch (kind) {
      case "even" -> new Spread.Even();
      case "days" -> place.make(() -> new Spread.OnDays(place.at("days").list(AssumptionReader::dayWeight)));
      case "weeks" -> place.make(() -> new Spread.ByWeek(place.at("weights").list(JsonPlace::whole)));
      default -> {
        place.at("kind").problem("A spread is even, days or weeks, but was '" + kind + "'");
        yield null;
      }
    };
    if (spread != null) {
      place.noOthers();
    }
    return spread;
  }

  private static Spread.DayWeight dayWeight(JsonPlace place) {
    Integer day = place.at("day").whole();
    Integer weight = place.at("weight").wholeOr(1);
    place.noOthers();
    return day == null || weight == null ? null : place.make(() -> new Spread.DayWeight(day, weight));
  }

  Assumption recurring(JsonPlace place) {
    Recurrence when = recurrence(place.at("when"));
    Steps<Long> amount = amounts(place.at("amount"));
    Percent uplift = place.at("yearlyUplift").percentOr(Percent.ZERO);
    SalesTax tax = tax(place.at("tax"));
    Integer terms = place.at("termsDays").wholeOr(0);
    Convention convention = place.at("convention").oneOfOr(Convention.class, usual);
    Certainty certainty = place.at("certainty").oneOfOr(Certainty.class, Certainty.CERTAIN);
    Integer covers = place.at("coversMonths").wholeOr(1);
    Integer offset = place.at("coversOffset").wholeOr(0);
    Boolean nonCash = place.at("nonCash").flagOr(false);
    if (covers == null || offset == null || nonCash == null) {
      return null;
    }
    if (when == null || uplift == null || tax == null || terms == null || convention == null || certainty == null) {
      return null;
    }
    return place.make(() -> new Assumption.Recurring(when, amount, uplift, tax, terms, convention, certainty,
        new Expensing(covers, offset, nonCash)));
  }

  private static Recurrence recurrence(JsonPlace place) {
    Recurrence.Unit unit = place.at("unit").oneOf(Recurrence.Unit.class);
    Integer every = place.at("every").wholeOr(1);
    var first = place.at("first").date();
    var until = place.at("until").dateOr(null);
    place.noOthers();
    return unit == null || every == null || first == null ? null
        : place.make(() -> new Recurrence(unit, every, first, until));
  }

  Assumption items(JsonPlace place) {
    List<Assumption.DatedItem> items = place.at("items").list(this::item);
    SalesTax tax = tax(place.at("tax"));
    Convention convention = place.at("convention").oneOfOr(Convention.class, usual);
    return tax == null || convention == null ? null : place.make(() -> new Assumption.DatedItems(items, tax, convention));
  }

  private Assumption.DatedItem item(JsonPlace place) {
    var date = place.at("date").date();
    Long amount = place.at("amount").amount(currency);
    Certainty certainty = place.at("certainty").oneOfOr(Certainty.class, Certainty.CERTAIN);
    String note = place.at("note").textOr("");
    place.noOthers();
    return date == null || amount == null || certainty == null ? null
        : place.make(() -> new Assumption.DatedItem(date, amount, certainty, note));
  }

  /** Returns amounts with the days from which they hold. */
  Steps<Long> amounts(JsonPlace place) {
    return methods.amounts(place);
  }
}
