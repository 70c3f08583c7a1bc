package ebbtide.formats.plan;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.LongRange;
import java.util.Currency;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** How the years after the months go on, as settings hold it in JSON. */
public final class LongRangeJson {
  private static final int DAYS = 365;

  private LongRangeJson() {}

  static LongRange read(JsonPlace place, Currency currency) {
    if (place.isAbsent()) {
      return null;
    }
    List<Percent> growth = place.at("growth").list(JsonPlace::percent);
    List<Long> spending = place.at("capitalSpending").list(one -> one.amount(currency));
    Percent variable = place.at("variable").percentOr(Percent.ZERO);
    Long fixed = place.at("fixed").isAbsent() ? Long.valueOf(0) : place.at("fixed").amount(currency);
    Percent fixedGrowth = place.at("fixedGrowth").percentOr(Percent.ZERO);
    Integer sales = place.at("daysOfSales").wholeIn(0, DAYS, 0);
    Integer stock = place.at("daysOfStock").wholeIn(0, DAYS, 0);
    Integer payables = place.at("daysOfPayables").wholeIn(0, DAYS, 0);
    Percent depreciation = place.at("depreciation").percentOr(Percent.ZERO);
    Percent interest = place.at("interest").percentOr(Percent.ZERO);
    Percent tax = place.at("tax").percentOr(Percent.ZERO);
    Percent payout = place.at("payout").percentOr(Percent.ZERO);
    place.noOthers();
    return variable == null || fixed == null || fixedGrowth == null || sales == null || stock == null || payables == null || depreciation == null || interest == null
        || tax == null || payout == null ? null
        : place.make(() -> new LongRange(growth, variable, fixed, fixedGrowth, sales, stock, payables, spending, depreciation, interest, tax, payout));
  }

  /** Returns what is assumed of the years as JSON. */
  public static ObjectNode write(LongRange range, Currency currency) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    ArrayNode growth = node.putArray("growth");
    range.growth().forEach(one -> growth.add(plain(one)));
    node.put("variable", plain(range.variable())).put("fixed", Money.plain(range.fixed(), currency)).put("fixedGrowth", plain(range.fixedGrowth()))
        .put("daysOfSales", range.daysOfSales()).put("daysOfStock", range.daysOfStock()).put("daysOfPayables", range.daysOfPayables());
    ArrayNode spending = node.putArray("capitalSpending");
    range.capitalSpending().forEach(one -> spending.add(Money.plain(one, currency)));
    return node.put("depreciation", plain(range.depreciation())).put("interest", plain(range.interest())).put("tax", plain(range.tax())).put("payout", plain(range.payout()));
  }

  private static String plain(Percent percent) {
    return percent.number();
  }
}
