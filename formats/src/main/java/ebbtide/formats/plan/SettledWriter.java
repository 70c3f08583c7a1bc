package ebbtide.formats.plan;

import ebbtide.money.Money;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Dividends;
import ebbtide.plan.Pay;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.SalesTaxSettlement;
import java.util.Currency;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writing of the assumptions whose cash is worked out from others, as {@link SettledReader} reads them back. */
final class SettledWriter {
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
  private final Currency currency;
  private final MethodWriter methods;

  SettledWriter(Currency currency, MethodWriter methods) {
    this.currency = currency;
    this.methods = methods;
  }

  ObjectNode write(SalesTaxSettlement tax) {
    ObjectNode node = MethodWriter.kind("sales-tax").put("months", tax.periodMonths()).put("firstMonth", Words.of(tax.firstMonth()))
        .put("monthsAfter", tax.monthsAfter()).put("day", tax.day()).put("refundDays", tax.refundDays())
        .put("convention", Words.of(tax.convention())).put("point", Words.of(tax.point())).put("relief", tax.relief());
    node.set("owed", MethodWriter.byMonth(tax.owed(), minor -> NODES.stringNode(amount(minor))));
    return node;
  }

  ObjectNode write(Pay pay) {
    ObjectNode node = MethodWriter.kind("pay");
    node.set("roles", MethodWriter.list(pay.roles(), this::role));
    node.set("days", NODES.objectNode().put("often", Words.of(pay.days().often())).put("first", pay.days().anchor().toString())
        .put("secondDay", pay.days().secondDay()).put("convention", Words.of(pay.days().convention())));
    ObjectNode over = NODES.objectNode().put("monthsAfter", pay.paidOver().monthsAfter()).put("day", pay.paidOver().day())
        .put("convention", Words.of(pay.paidOver().convention()));
    over.set("owed", MethodWriter.byMonth(pay.paidOver().owed(), minor -> NODES.stringNode(amount(minor))));
    node.set("paidOver", over);
    return node;
  }

  private ObjectNode role(Pay.Role role) {
    ObjectNode node = NODES.objectNode().put("name", role.name()).put("start", role.start().toString());
    if (role.end() != null) {
      node.put("end", role.end().toString());
    }
    node.set("posts", MethodWriter.steps(role.posts(), posts -> NODES.stringNode(posts.toPlainString())));
    node.put("paidBy", Words.of(role.paidBy()));
    node.set("pay", methods.amounts(role.pay()));
    node.put("hoursAYear", role.hoursAYear().toPlainString()).put("onCost", role.onCost().number())
        .put("withheld", role.withheld().number());
    if (role.commission() != null) {
      node.set("commission", NODES.objectNode().put("line", role.commission().lineId())
          .put("share", role.commission().share().number()).put("monthsAfter", role.commission().monthsAfter()));
    }
    node.set("extras", MethodWriter.list(role.extras(), methods::datedAmount));
    return node;
  }

  ObjectNode write(ProfitTax tax) {
    ObjectNode node = MethodWriter.kind("profit-tax").put("mode", Words.of(tax.mode())).put("rate", tax.rate().number());
    node.set("soFar", NODES.objectNode().put("profit", amount(tax.soFar().profit())).put("tax", amount(tax.soFar().tax()))
        .put("paid", amount(tax.soFar().paid())).put("losses", amount(tax.soFar().losses())));
    node.put("lastYearTax", amount(tax.lastYearTax())).put("owed", amount(tax.owed()));
    node.set("instalments", MethodWriter.list(tax.instalments(), one -> NODES.objectNode().put("month", one.month()).put("day", one.day())
        .put("share", one.share().number())));
    return node.put("instalmentsOf", Words.of(tax.instalmentsOf())).put("monthsAfter", tax.monthsAfter()).put("day", tax.day())
        .put("convention", Words.of(tax.convention()));
  }

  ObjectNode write(CapitalSpending spending) {
    ObjectNode node = MethodWriter.kind("capital");
    node.set("assets", MethodWriter.list(spending.assets(), this::asset));
    return node.put("convention", Words.of(spending.convention()));
  }

  private ObjectNode asset(CapitalSpending.Asset asset) {
    ObjectNode node = NODES.objectNode().put("name", asset.name());
    node.set("tax", AssumptionWriter.tax(asset.tax()));
    node.set("milestones", MethodWriter.list(asset.milestones(), methods::datedAmount));
    node.put("termsDays", asset.termsDays()).put("service", asset.service().toString()).put("lifeMonths", asset.lifeMonths())
        .put("residual", amount(asset.residual()));
    if (asset.owned() != null) {
      node.set("owned", NODES.objectNode().put("cost", amount(asset.owned().cost())).put("depreciated", amount(asset.owned().depreciated()))
          .put("monthly", amount(asset.owned().monthly())).put("yearly", asset.owned().yearly().number()));
    }
    if (asset.disposal() != null) {
      node.set("disposal", NODES.objectNode().put("date", asset.disposal().date().toString())
          .put("proceeds", amount(asset.disposal().proceeds())));
    }
    return node;
  }

  ObjectNode write(Dividends dividends) {
    ObjectNode node = MethodWriter.kind("dividends").put("by", Words.of(dividends.by()));
    node.set("amount", methods.amounts(dividends.amount()));
    node.put("payout", dividends.payout().number()).put("declared", Words.of(dividends.declared())).put("monthsAfter", dividends.monthsAfter())
        .put("day", dividends.day()).put("convention", Words.of(dividends.convention()))
        .put("lastYearProfit", amount(dividends.lastYearProfit())).put("yearSoFar", amount(dividends.yearSoFar()));
    if (dividends.distributable() != null) {
      node.put("distributable", amount(dividends.distributable()));
    }
    return node;
  }

  private String amount(long minor) {
    return Money.plain(minor, currency);
  }
}
