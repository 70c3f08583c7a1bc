package ebbtide.formats.plan;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.ActivityMethod.FeeOn;
import ebbtide.plan.ActivityMethod.LostAs;
import ebbtide.plan.Driver;
import ebbtide.plan.ProductOf;
import ebbtide.plan.Steps;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.Currency;
import java.util.List;
import java.util.SortedMap;

/** Reading of a stream's method from JSON; a null result has left its problems behind. */
record MethodReader(Currency currency) {

  ActivityMethod read(JsonPlace place) {
    String kind = place.at("kind").text();
    if (kind == null) {
      return null;
    }
    ActivityMethod method = switch (kind) {
      case "fixed" -> place.make(() -> new ActivityMethod.FixedAmount(amounts(place.at("amount"))));
      case "growth" -> growth(place);
      case "typed" -> place.make(() ->
          new ActivityMethod.TypedMonths(place.at("amounts").byMonth(p -> p.amount(currency))));
      case "share" -> share(place);
      case "product" -> product(place);
      case "customers" -> customers(place);
      case "year" -> year(place);
      case "stock" -> new StockReader(currency).read(place);
      case "dated" -> place.make(() -> new ActivityMethod.DatedAmounts(place.at("amounts").list(this::datedAmount)));
      default -> {
        place.at("kind").problem("A method is fixed, growth, typed, share, product, customers, year, dated or stock, but was '" + kind + "'");
        yield null;
      }
    };
    if (method != null) {
      place.noOthers();
    }
    return method;
  }

  private ActivityMethod growth(JsonPlace place) {
    Steps<Long> base = amounts(place.at("base"));
    Percent growth = place.at("growth").percentOr(Percent.ZERO);
    SortedMap<YearMonth, Percent> growthOf = place.at("growthOf").byMonth(JsonPlace::percent);
    return growth == null ? null : place.make(() -> new ActivityMethod.BaseWithGrowth(base, growth, growthOf));
  }

  private static ActivityMethod share(JsonPlace place) {
    String line = place.at("line").text();
    Percent share = place.at("share").percent();
    return line == null || share == null ? null : place.make(() -> new ActivityMethod.ShareOfLine(line, share));
  }

  private static ActivityMethod product(JsonPlace place) {
    ProductOf of = place.at("of").oneOf(ProductOf.class);
    int count = place.at("factors").list(p -> p).size();
    List<Driver> factors = place.at("factors").list(MethodReader::driver);
    return of == null || factors.size() < count ? null : place.make(() -> new ActivityMethod.Product(of, factors));
  }

  private static ActivityMethod customers(JsonPlace place) {
    YearMonth from = place.at("from").month();
    BigDecimal opening = place.at("opening").decimal();
    Driver gained = driver(place.at("gained"));
    Driver lost = driver(place.at("lost"));
    LostAs lostAs = place.at("lostAs").oneOfOr(LostAs.class, LostAs.NUMBER);
    Driver fee = driver(place.at("fee"));
    FeeOn feeOn = place.at("feeOn").oneOfOr(FeeOn.class, FeeOn.CLOSING);
    if (from == null || opening == null || gained == null || lost == null || lostAs == null || fee == null || feeOn == null) {
      return null;
    }
    return place.make(() -> new ActivityMethod.RecurringCustomers(from, opening, gained, lost, lostAs, fee, feeOn));
  }

  private ActivityMethod year(JsonPlace place) {
    SortedMap<Integer, Long> totals = place.at("totals").byYear(p -> p.amount(currency));
    Percent growth = place.at("yearlyGrowth").percentOr(Percent.ZERO);
    List<Long> weights = place.at("weights").list(p -> {
      Integer weight = p.whole();
      return weight == null ? null : weight.longValue();
    });
    return growth == null ? null : place.make(() -> new ActivityMethod.YearTotal(totals, growth, weights));
  }

  ActivityMethod.DatedAmount datedAmount(JsonPlace place) {
    var date = place.at("date").date();
    Long amount = place.at("amount").amount(currency);
    String note = place.at("note").textOr("");
    place.noOthers();
    return date == null || amount == null ? null : place.make(() -> new ActivityMethod.DatedAmount(date, amount, note));
  }

  /** An absent driver has no value at any time. */
  static Driver driver(JsonPlace place) {
    Steps<BigDecimal> value = steps(place.at("value"), JsonPlace::decimal);
    Percent growth = place.at("growth").percentOr(Percent.ZERO);
    SortedMap<YearMonth, Percent> growthOf = place.at("growthOf").byMonth(JsonPlace::percent);
    place.noOthers();
    return growth == null ? null : place.make(() -> new Driver(value, growth, growthOf));
  }

  /** Returns amounts with the days from which they hold. */
  Steps<Long> amounts(JsonPlace place) {
    return steps(place, value -> value.amount(currency));
  }

  static <T> Steps<T> steps(JsonPlace place, java.util.function.Function<JsonPlace, T> reader) {
    List<Steps.Step<T>> steps = place.list(p -> {
      var from = p.at("from").date();
      T value = reader.apply(p.at("value"));
      p.noOthers();
      return from == null || value == null ? null : new Steps.Step<>(from, value);
    });
    Steps<T> made = place.make(() -> new Steps<>(steps));
    return made == null ? Steps.none() : made;
  }
}
