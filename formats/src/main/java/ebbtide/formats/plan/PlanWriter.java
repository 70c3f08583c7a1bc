package ebbtide.formats.plan;

import ebbtide.books.Account;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.OpenItem;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.Buoy;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Line;
import ebbtide.plan.Netting;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Period;
import java.io.OutputStream;
import java.util.Collection;
import java.util.Currency;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writing of a plan file, or of a part of a plan, as {@link PlanReader} reads it back. Amounts are decimal text. */
public final class PlanWriter {
  /** The version of the format that is written. */
  public static final int VERSION = 1;

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
  private final Currency currency;
  private final MethodWriter methods;
  private final AssumptionWriter assumptions;
  private final FundingWriter funding;

  private PlanWriter(Currency currency) {
    this.currency = currency;
    this.methods = new MethodWriter(currency);
    this.assumptions = new AssumptionWriter(currency);
    this.funding = new FundingWriter(currency, methods);
  }

  /** Writes a document, indented for reading. */
  public static void write(PlanDocument document, OutputStream out) {
    PlanWriter writer = new PlanWriter(document.plan().settings().currency());
    ObjectNode root = NODES.objectNode().put("format", "ebbtide-plan").put("version", VERSION);
    root.set("settings", writer.settings(document.plan().settings()));
    root.set("accounts", MethodWriter.list(document.accounts(), writer::account));
    root.set("lines", MethodWriter.list(document.plan().lines(), writer::line));
    root.set("buoys", MethodWriter.list(document.plan().buoys(), PlanWriter::buoy));
    root.set("rules", MethodWriter.list(document.rules(), writer::rule));
    root.set("movements", MethodWriter.list(document.movements(), writer::movement));
    root.set("items", MethodWriter.list(document.items(), item -> ItemJson.write(item, writer.currency)));
    PlanReader.MAPPER.writerWithDefaultPrettyPrinter().writeValue(out, root);
  }

  /** Returns the JSON object of settings. */
  public static ObjectNode json(Settings settings) {
    return new PlanWriter(settings.currency()).settings(settings);
  }

  /** Returns the JSON object of a line in a currency. */
  public static ObjectNode json(Line line, Currency currency) {
    return new PlanWriter(currency).line(line);
  }

  /** Returns the JSON object of an account in a currency. */
  public static ObjectNode json(Account account, Currency currency) {
    return new PlanWriter(currency).account(account);
  }

  /** Returns the JSON object of an open item in a currency. */
  public static ObjectNode json(OpenItem item, Currency currency) {
    return ItemJson.write(item, currency);
  }

  /** Returns the JSON object of a buoy. */
  public static ObjectNode json(Buoy buoy) {
    return buoy(buoy);
  }

  private ObjectNode settings(Settings s) {
    ObjectNode node = NODES.objectNode().put("name", s.name()).put("currency", s.currency().getCurrencyCode())
        .put("asOf", s.asOf().toString()).put("firstDayOfWeek", Words.of(s.firstDayOfWeek()))
        .put("firstFiscalMonth", Words.of(s.firstFiscalMonth())).put("horizonMonths", s.horizonMonths())
        .put("amountSteps", Words.of(s.amountSteps()));
    node.set("minimumCash", methods.amounts(s.minimumCash()));
    if (s.facility() != null) {
      ObjectNode facility = NODES.objectNode().put("name", s.facility().name());
      facility.set("limit", methods.amounts(s.facility().limit()));
      facility.set("rate", rates(s.facility().rate()));
      node.set("facility", facility);
    }
    if (s.paymentRuns() != null) {
      ObjectNode runs = NODES.objectNode().put("when", Words.of(s.paymentRuns().when())).put("weekday", Words.of(s.paymentRuns().weekday()));
      s.paymentRuns().days().forEach(runs.putArray("days")::add);
      node.set("paymentRuns", runs.put("stretch", s.paymentRuns().stretchDays()).put("takes", Words.of(s.paymentRuns().takes())));
    }
    if (!s.habits().isEmpty()) {
      node.set("habits", MethodWriter.list(s.habits(), one -> NODES.objectNode().put("direction", Words.of(one.direction()))
          .put("counterparty", one.counterparty()).put("days", one.days())));
    }
    if (!s.funding().equals(FundingRules.USUAL)) {
      node.set("funding", funding.write(s.funding()));
    }
    new CovenantsJson(s.covenants(), s.pastMonths()).write(node, currency);
    if (s.explained() != null) {
      node.putObject("explained").put("amount", Money.plain(s.explained().amount(), currency)).put("share", s.explained().share().number());
    }
    if (s.longRange() != null) {
      node.set("longRange", LongRangeJson.write(s.longRange(), currency));
    }
    if (s.openingSheet() != null) {
      node.set("openingSheet", OpeningJson.write(s.openingSheet(), currency));
    }
    if (s.closedAfter() > 0) {
      node.put("closedAfter", s.closedAfter());
    }
    node.set("countedReceipts", words(s.countedReceipts()));
    node.set("countedPayments", words(s.countedPayments()));
    node.set("cashRate", rates(s.cashRate()));
    node.set("documents", MethodWriter.list(s.documents(), one -> NODES.objectNode().put("name", one.name()).put("seen", one.seen())));
    node.set("terms", MethodWriter.list(s.terms(), named -> {
      ObjectNode one = NODES.objectNode().put("id", named.id()).put("name", named.name());
      TermsWriter.write(named.terms().sharedAs(null), one);
      return one;
    }));
    return node;
  }

  static ArrayNode rates(Steps<Percent> rates) {
    return MethodWriter.steps(rates, rate -> NODES.stringNode(rate.number()));
  }

  private static ArrayNode words(Collection<? extends Enum<?>> constants) {
    return MethodWriter.list(constants.stream().sorted(java.util.Comparator.comparing(Enum::ordinal)).toList(),
        c -> NODES.stringNode(Words.of(c)));
  }

  private ObjectNode account(Account account) {
    return NODES.objectNode().put("id", account.id()).put("name", account.name()).put("country", account.country())
        .put("restricted", account.restricted()).put("balanceDate", account.balanceDate().toString())
        .put("balance", amount(account.balance()));
  }

  private ObjectNode line(Line line) {
    ObjectNode node = NODES.objectNode().put("id", line.id());
    if (line.group() != null) {
      node.put("group", line.group());
    }
    node.put("name", line.name()).put("direction", Words.of(line.direction())).put("active", line.active());
    if (line.account() != null) {
      node.put("account", line.account());
    }
    node.put("note", line.note()).put("nature", Words.of(line.nature()));
    node.set("assumption", assumptions.write(line.assumption()));
    node.set("overrides", MethodWriter.list(line.overrides(), o -> period(o.period()).put("amount", amount(o.amount()))
        .put("reason", o.reason())));
    if (!line.carried().isEmpty()) {
      node.set("carried", MethodWriter.list(line.carried(), one -> NODES.objectNode().put("id", one.id()).put("day", one.day().toString())
          .put("amount", amount(one.amount())).put("origin", one.origin())));
    }
    if (!line.netting().equals(Netting.USUAL)) {
      node.set("netting", NettingJson.write(line.netting()));
    }
    return node;
  }

  private static ObjectNode buoy(Buoy buoy) {
    return period(buoy.period()).put("id", buoy.id()).put("row", buoy.row()).put("note", buoy.note());
  }

  /** Returns the JSON object of a rule in a currency. */
  public static ObjectNode json(AssignRule rule, Currency currency) {
    return new PlanWriter(currency).rule(rule);
  }

  private ObjectNode rule(AssignRule rule) {
    ObjectNode node = NODES.objectNode().put("id", rule.id()).put("text", rule.text())
        .put("counterparty", rule.counterparty()).put("direction", rule.direction() > 0 ? "receipt" : "payment");
    if (rule.account() != null) {
      node.put("account", rule.account());
    }
    if (rule.leastMinor() != null) {
      node.put("least", amount(rule.leastMinor()));
    }
    if (rule.mostMinor() != null) {
      node.put("most", amount(rule.mostMinor()));
    }
    if (rule.lineId() != null) {
      node.put("line", rule.lineId());
    }
    return node;
  }

  private ObjectNode movement(BankMovement m) {
    ObjectNode node = NODES.objectNode().put("account", m.account()).put("bookingDate", m.bookingDate().toString())
        .put("valueDate", m.valueDate().toString()).put("amount", amount(m.minor())).put("text", m.text())
        .put("counterparty", m.counterparty()).put("reference", m.reference());
    node.set("parts", MethodWriter.list(m.parts(), part -> {
      ObjectNode one = NODES.objectNode();
      if (!part.isTransfer()) {
        one.put("line", part.lineId());
      }
      if (part.itemId() != null) {
        one.put("item", part.itemId()).put("less", amount(part.less()));
      }
      return one.put("amount", amount(part.minor()));
    }));
    return node;
  }

  private static ObjectNode period(Period period) {
    return NODES.objectNode().put("from", period.startInclusive().toString()).put("to", period.lastDay().toString());
  }

  private String amount(long minor) {
    return Money.plain(minor, currency);
  }
}
