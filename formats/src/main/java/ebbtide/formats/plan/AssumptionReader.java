package ebbtide.formats.plan;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Certainty;
import ebbtide.plan.DayTerms;
import ebbtide.plan.MonthPattern;
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

  /** Makes a reader for a currency and the convention a line of this direction has when it names none (rules 1.5). */
  AssumptionReader(Currency currency, Convention usual) {
    this.currency = currency;
    this.usual = usual;
    this.methods = new MethodReader(currency);
  }

  Assumption read(JsonPlace place) {
    String kind = place.at("kind").text();
    if (kind == null) {
      return null;
    }
    Assumption found = switch (kind) {
      case "group" -> new Assumption.Group();
      case "stream" -> stream(place);
      case "recurring" -> recurring(place);
      case "items" -> items(place);
      default -> {
        place.at("kind").problem("A line is of the kind group, stream, recurring or items, but was '" + kind + "'");
        yield null;
      }
    };
    if (found != null) {
      place.noOthers();
    }
    return found;
  }

  private Assumption stream(JsonPlace place) {
    ActivityMethod method = methods.read(place.at("method"));
    List<ActivityMethod> aside = place.at("aside").list(methods::read);
    SortedMap<YearMonth, Long> history = place.at("history").byMonth(p -> p.amount(currency));
    SortedMap<YearMonth, Assumption.MonthOverride> overrides = place.at("overrides").byMonth(this::override);
    SalesTax tax = tax(place.at("tax"));
    Terms terms = terms(place);
    Spread spread = spread(place.at("spread"));
    if (method == null || tax == null || terms == null || spread == null) {
      return null;
    }
    return place.make(() -> new Assumption.Stream(method, aside, history, overrides, tax, terms, spread));
  }

  private Assumption.MonthOverride override(JsonPlace place) {
    Long amount = place.at("amount").amount(currency);
    String reason = place.at("reason").text();
    place.noOthers();
    return amount == null || reason == null ? null : place.make(() -> new Assumption.MonthOverride(amount, reason));
  }

  private SalesTax tax(JsonPlace place) {
    if (place.isAbsent()) {
      return SalesTax.NONE;
    }
    Percent rate = place.at("rate").percent();
    Boolean gross = place.at("gross").flagOr(false);
    place.noOthers();
    return rate == null || gross == null ? null : place.make(() -> new SalesTax(rate, gross));
  }

  private Terms terms(JsonPlace place) {
    MonthPattern pattern = pattern(place.at("pattern"));
    JsonPlace days = place.at("days");
    DayTerms byDays = days.isAbsent() ? null : dayTerms(days);
    Terms.By by = place.at("termsBy").oneOfOr(Terms.By.class, Terms.By.MONTHS);
    if (pattern == null || by == null || byDays == null && !days.isAbsent()) {
      return null;
    }
    if (by == Terms.By.DAYS && byDays == null) {
      days.problem("Missing: the days until it is paid");
      return null;
    }
    return new Terms(by, pattern, byDays);
  }

  private DayTerms dayTerms(JsonPlace place) {
    DayTerms.Due due = place.at("due").oneOf(DayTerms.Due.class);
    Integer days = place.at("days").whole();
    Integer late = place.at("late").wholeOr(0);
    Convention convention = place.at("convention").oneOfOr(Convention.class, usual);
    place.noOthers();
    return due == null || days == null || late == null || convention == null ? null
        : place.make(() -> new DayTerms(due, days, late, convention));
  }

  private MonthPattern pattern(JsonPlace place) {
    if (place.isAbsent()) {
      return MonthPattern.atOnce();
    }
    int count = place.at("steps").list(p -> p).size();
    List<MonthPattern.Step> steps = place.at("steps").list(this::patternStep);
    Percent never = place.at("never").percentOr(Percent.ZERO);
    Integer writeOffLag = place.at("writeOffLag").wholeOr(null);
    place.noOthers();
    // With a step unread the shares cannot add up: its own problem says enough.
    return never == null || steps.size() < count ? null
        : place.make(() -> new MonthPattern(steps, never, writeOffLag));
  }

  private MonthPattern.Step patternStep(JsonPlace place) {
    Percent share = place.at("share").percent();
    Integer lag = place.at("lag").wholeOr(0);
    Percent discount = place.at("discount").percentOr(Percent.ZERO);
    place.noOthers();
    return share == null || lag == null || discount == null ? null
        : place.make(() -> new MonthPattern.Step(share, lag, discount));
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

  private Assumption recurring(JsonPlace place) {
    Recurrence when = recurrence(place.at("when"));
    Steps<Long> amount = amounts(place.at("amount"));
    Percent uplift = place.at("yearlyUplift").percentOr(Percent.ZERO);
    Integer terms = place.at("termsDays").wholeOr(0);
    Convention convention = place.at("convention").oneOfOr(Convention.class, usual);
    Certainty certainty = place.at("certainty").oneOfOr(Certainty.class, Certainty.CERTAIN);
    if (when == null || uplift == null || terms == null || convention == null || certainty == null) {
      return null;
    }
    return place.make(() -> new Assumption.Recurring(when, amount, uplift, terms, convention, certainty));
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

  private Assumption items(JsonPlace place) {
    List<Assumption.DatedItem> items = place.at("items").list(this::item);
    Convention convention = place.at("convention").oneOfOr(Convention.class, usual);
    return convention == null ? null : place.make(() -> new Assumption.DatedItems(items, convention));
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
