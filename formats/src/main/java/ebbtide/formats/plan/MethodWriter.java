package ebbtide.formats.plan;

import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Driver;
import ebbtide.plan.Steps;
import ebbtide.plan.StockPolicy;
import java.time.YearMonth;
import java.util.Currency;
import java.util.List;
import java.util.SortedMap;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writing of a stream's method as {@link MethodReader} reads it back. */
record MethodWriter(Currency currency) {
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  ObjectNode write(ActivityMethod method) {
    if (method instanceof ActivityMethod.FixedAmount fixed) {
      ObjectNode node = kind("fixed");
      node.set("amount", amounts(fixed.amount()));
      return node;
    }
    if (method instanceof ActivityMethod.BaseWithGrowth growing) {
      ObjectNode node = kind("growth");
      node.set("base", amounts(growing.base()));
      node.put("growth", growing.growth().number());
      node.set("growthOf", byMonth(growing.growthOf(), p -> NODES.stringNode(p.number())));
      return node;
    }
    if (method instanceof ActivityMethod.TypedMonths typed) {
      ObjectNode node = kind("typed");
      node.set("amounts", byMonth(typed.amounts(), minor -> NODES.stringNode(amount(minor))));
      return node;
    }
    if (method instanceof ActivityMethod.Product product) {
      ObjectNode node = kind("product").put("of", Words.of(product.of()));
      node.set("factors", list(product.factors(), MethodWriter::driver));
      return node;
    }
    if (method instanceof ActivityMethod.RecurringCustomers customers) {
      return customers(customers);
    }
    if (method instanceof ActivityMethod.YearTotal year) {
      ObjectNode totals = NODES.objectNode();
      year.totals().forEach((began, total) -> totals.put(began.toString(), amount(total)));
      ObjectNode node = kind("year").put("yearlyGrowth", year.yearlyGrowth().number());
      node.set("totals", totals);
      node.set("weights", list(year.weights(), NODES::numberNode));
      return node;
    }
    if (method instanceof ActivityMethod.DatedAmounts dated) {
      ObjectNode node = kind("dated");
      node.set("amounts", list(dated.amounts(), this::datedAmount));
      return node;
    }
    if (method instanceof ActivityMethod.StockPurchases stock) {
      return stock(stock.policy());
    }
    ActivityMethod.ShareOfLine share = (ActivityMethod.ShareOfLine) method;
    return kind("share").put("line", share.lineId()).put("share", share.share().number());
  }

  private static ObjectNode customers(ActivityMethod.RecurringCustomers customers) {
    ObjectNode node = kind("customers").put("from", customers.from().toString())
        .put("opening", customers.opening().toPlainString());
    node.set("gained", driver(customers.gained()));
    node.set("lost", driver(customers.lost()));
    node.put("lostAs", Words.of(customers.lostAs()));
    node.set("fee", driver(customers.fee()));
    return node.put("feeOn", Words.of(customers.feeOn()));
  }

  private ObjectNode stock(StockPolicy policy) {
    ObjectNode node = kind("stock").put("sales", policy.salesLine()).put("given", Words.of(policy.given()));
    StockPolicy.Cost cost = policy.cost();
    ObjectNode costNode = NODES.objectNode().put("by", Words.of(cost.by())).put("share", cost.share().number())
        .put("valuation", Words.of(cost.valuation()));
    costNode.set("units", driver(cost.units()));
    costNode.set("unitCost", driver(cost.unitCost()));
    node.set("cost", costNode);
    StockPolicy.Target target = policy.target();
    node.set("target", NODES.objectNode().put("by", Words.of(target.by())).put("base", amount(target.base()))
        .put("baseUnits", target.baseUnits().toPlainString()).put("share", target.share().number()).put("of", Words.of(target.of()))
        .put("days", target.days()));
    ObjectNode bought = NODES.objectNode().put("by", Words.of(policy.bought().by())).put("share", policy.bought().share().number());
    bought.set("amounts", byMonth(policy.bought().amounts(), minor -> NODES.stringNode(amount(minor))));
    node.set("bought", bought);
    if (policy.opening().said()) {
      node.put("opening", amount(policy.opening().value())).put("openingUnits", policy.opening().units().toPlainString());
    }
    return node.put("orderedMonths", policy.orderedMonths());
  }

  private static ObjectNode driver(Driver driver) {
    ObjectNode node = NODES.objectNode();
    node.set("value", steps(driver.value(), value -> NODES.stringNode(value.toPlainString())));
    node.put("growth", driver.growth().number());
    node.set("growthOf", byMonth(driver.growthOf(), p -> NODES.stringNode(p.number())));
    return node;
  }

  /** Returns amounts with the days from which they hold. */
  ArrayNode amounts(Steps<Long> steps) {
    return steps(steps, minor -> NODES.stringNode(amount(minor)));
  }

  /** Returns values with the days from which they hold. */
  static <T> ArrayNode steps(Steps<T> steps, Function<T, JsonNode> writer) {
    return list(steps.steps(), step -> {
      ObjectNode node = NODES.objectNode().put("from", step.from().toString());
      node.set("value", writer.apply(step.value()));
      return node;
    });
  }

  ObjectNode datedAmount(ActivityMethod.DatedAmount one) {
    return NODES.objectNode().put("date", one.date().toString()).put("amount", amount(one.amount())).put("note", one.note());
  }

  private String amount(long minor) {
    return Money.plain(minor, currency);
  }

  static ObjectNode kind(String kind) {
    return NODES.objectNode().put("kind", kind);
  }

  static <T> ObjectNode byMonth(SortedMap<YearMonth, T> values, Function<T, JsonNode> writer) {
    ObjectNode node = NODES.objectNode();
    values.forEach((month, value) -> node.set(month.toString(), writer.apply(value)));
    return node;
  }

  static <T> ArrayNode list(List<T> values, Function<? super T, ? extends JsonNode> writer) {
    ArrayNode node = NODES.arrayNode();
    values.forEach(value -> node.add(writer.apply(value)));
    return node;
  }
}
