package ebbtide.formats.plan;

import ebbtide.money.Money;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.SalesTax;
import ebbtide.time.Spread;
import java.util.Currency;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writing of a line's assumption, as {@link AssumptionReader} reads it back; of which kind it is, is looked up in the one list of them. */
final class AssumptionWriter {
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
  private final Currency currency;
  private final MethodWriter methods;
  private final SettledWriter settled;
  private final FundingWriter funding;

  AssumptionWriter(Currency currency) {
    this.currency = currency;
    this.methods = new MethodWriter(currency);
    this.settled = new SettledWriter(currency, methods);
    this.funding = new FundingWriter(currency, methods);
  }

  ObjectNode write(Assumption assumption) {
    return KindJson.of(assumption).write(this, assumption);
  }

  Currency currency() {
    return currency;
  }

  SettledWriter settled() {
    return settled;
  }

  FundingWriter funding() {
    return funding;
  }

  ObjectNode recurring(Assumption.Recurring recurring) {
    ObjectNode when = NODES.objectNode().put("unit", Words.of(recurring.when().unit()))
        .put("every", recurring.when().every()).put("first", recurring.when().first().toString());
    if (recurring.when().until() != null) {
      when.put("until", recurring.when().until().toString());
    }
    ObjectNode node = MethodWriter.kind("recurring");
    node.set("when", when);
    node.set("amount", methods.amounts(recurring.amount()));
    node.set("tax", tax(recurring.tax()));
    node.put("yearlyUplift", recurring.yearlyUplift().number()).put("termsDays", recurring.termsDays());
    node.put("coversMonths", recurring.expensing().months()).put("coversOffset", recurring.expensing().offset())
        .put("nonCash", recurring.expensing().nonCash());
    return node.put("convention", Words.of(recurring.convention())).put("certainty", Words.of(recurring.certainty()));
  }

  ObjectNode items(Assumption.DatedItems items) {
    ObjectNode node = MethodWriter.kind("items");
    node.set("items", MethodWriter.list(items.items(), item -> NODES.objectNode().put("date", item.date().toString())
        .put("amount", amount(item.amount())).put("certainty", Words.of(item.certainty())).put("note", item.note())));
    node.set("tax", tax(items.tax()));
    return node.put("convention", Words.of(items.convention()));
  }

  ObjectNode stream(Assumption.Stream stream) {
    ObjectNode node = MethodWriter.kind("stream");
    node.set("method", methods.write(stream.method()));
    node.set("aside", MethodWriter.list(stream.aside(), methods::write));
    node.set("history", MethodWriter.byMonth(stream.history(), minor -> NODES.stringNode(amount(minor))));
    node.set("overrides", MethodWriter.byMonth(stream.overrides(), o -> NODES.objectNode().put("amount", amount(o.amount()))
        .put("reason", o.reason())));
    node.set("tax", tax(stream.tax()));
    TermsWriter.write(stream.terms(), node);
    if (stream.basis() == Basis.BOOKS) {
      node.put("basis", Words.of(stream.basis()));
    }
    if (stream.ledger() != null) {
      node.set("ledger", NODES.objectNode().put("amount", amount(stream.ledger().amount())).put("trueUp", stream.ledger().trueUp()));
    }
    node.set("spread", spread(stream.spread()));
    return node;
  }

  static ObjectNode tax(SalesTax tax) {
    return NODES.objectNode().put("rate", tax.rate().number()).put("gross", tax.amountsAreGross())
        .put("recoverable", tax.recoverable().number());
  }

  private static ObjectNode spread(Spread spread) {
    if (spread instanceof Spread.OnDays onDays) {
      ObjectNode node = MethodWriter.kind("days");
      node.set("days", MethodWriter.list(onDays.days(), d -> NODES.objectNode().put("day", d.day()).put("weight", d.weight())));
      return node;
    }
    if (spread instanceof Spread.ByWeek byWeek) {
      ObjectNode node = MethodWriter.kind("weeks");
      node.set("weights", MethodWriter.list(byWeek.weights(), NODES::numberNode));
      return node;
    }
    return MethodWriter.kind("even");
  }

  private String amount(long minor) {
    return Money.plain(minor, currency);
  }
}
