package ebbtide.formats.plan;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Driver;
import ebbtide.plan.StockPolicy;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.Currency;
import java.util.SortedMap;

/** Reading of a stock policy from JSON; a null result has left its problems behind. */
record StockReader(Currency currency) {
  ActivityMethod read(JsonPlace place) {
    String sales = place.at("sales").filled();
    StockPolicy.Given given = place.at("given").oneOfOr(StockPolicy.Given.class, StockPolicy.Given.CLOSING);
    StockPolicy.Cost cost = cost(place.at("cost"));
    StockPolicy.Target target = target(place.at("target"));
    StockPolicy.Bought bought = bought(place.at("bought"));
    Long opening = place.at("opening").isAbsent() ? Long.valueOf(0) : place.at("opening").amount(currency);
    BigDecimal units = number(place.at("openingUnits"));
    Integer ordered = place.at("orderedMonths").wholeOr(0);
    if (sales == null || given == null || cost == null || target == null || bought == null || opening == null || units == null
        || ordered == null) {
      return null;
    }
    return place.make(() -> new ActivityMethod.StockPurchases(new StockPolicy(sales, given, cost, target, bought,
        place.at("opening").isAbsent() && place.at("openingUnits").isAbsent() ? StockPolicy.Opening.NOT_SAID : new StockPolicy.Opening(opening, units), ordered)));
  }

  private static BigDecimal number(JsonPlace place) {
    return place.isAbsent() ? BigDecimal.ZERO : place.decimal();
  }

  private StockPolicy.Cost cost(JsonPlace place) {
    StockPolicy.CostBy by = place.at("by").oneOfOr(StockPolicy.CostBy.class, StockPolicy.CostBy.SHARE_OF_SALES);
    Percent share = place.at("share").percentOr(Percent.ZERO);
    Driver units = MethodReader.driver(place.at("units"));
    Driver unitCost = MethodReader.driver(place.at("unitCost"));
    StockPolicy.Valuation valuation = place.at("valuation").oneOfOr(StockPolicy.Valuation.class, StockPolicy.Valuation.MOVING_AVERAGE);
    place.noOthers();
    return by == null || share == null || units == null || unitCost == null || valuation == null ? null
        : place.make(() -> new StockPolicy.Cost(by, share, units, unitCost, valuation));
  }

  private StockPolicy.Target target(JsonPlace place) {
    StockPolicy.TargetBy by = place.at("by").oneOfOr(StockPolicy.TargetBy.class, StockPolicy.TargetBy.BASE_AND_SHARE);
    Long base = place.at("base").isAbsent() ? Long.valueOf(0) : place.at("base").amount(currency);
    BigDecimal units = number(place.at("baseUnits"));
    Percent share = place.at("share").percentOr(Percent.ZERO);
    StockPolicy.TargetOf of = place.at("of").oneOfOr(StockPolicy.TargetOf.class, StockPolicy.TargetOf.COST);
    Integer days = place.at("days").wholeOr(0);
    place.noOthers();
    return by == null || base == null || units == null || share == null || of == null || days == null ? null
        : place.make(() -> new StockPolicy.Target(by, base, units, share, of, days));
  }

  private StockPolicy.Bought bought(JsonPlace place) {
    StockPolicy.BoughtBy by = place.at("by").oneOfOr(StockPolicy.BoughtBy.class, StockPolicy.BoughtBy.SHARE_OF_SALES);
    Percent share = place.at("share").percentOr(Percent.ZERO);
    SortedMap<YearMonth, Long> amounts = place.at("amounts").byMonth(p -> p.amount(currency));
    place.noOthers();
    return by == null || share == null ? null : place.make(() -> new StockPolicy.Bought(by, share, amounts));
  }
}
