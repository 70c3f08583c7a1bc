package ebbtide.formats.plan;

import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.Charging;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Interest;
import ebbtide.plan.Revolving;
import ebbtide.plan.TermLoan;
import java.util.Currency;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writing of facilities, loans and interest as JSON. */
final class FundingWriter {
  private final Currency currency;
  private final MethodWriter methods;

  FundingWriter(Currency currency, MethodWriter methods) {
    this.currency = currency;
    this.methods = methods;
  }

  ObjectNode write(Revolving revolving) {
    ObjectNode node = MethodWriter.kind("revolving");
    node.set("limit", methods.amounts(revolving.limit()));
    node.put("committed", revolving.committed());
    if (revolving.start() != null) {
      node.put("start", revolving.start().toString());
    }
    if (revolving.end() != null) {
      node.put("end", revolving.end().toString());
    }
    node.set("base", PlanWriter.rates(revolving.base()));
    node.set("margin", PlanWriter.rates(revolving.margin()));
    node.set("undrawnFee", PlanWriter.rates(revolving.undrawnFee()));
    node.put("multiple", amount(revolving.multiple())).put("noticeDays", revolving.noticeDays());
    node.set("guarantees", methods.amounts(revolving.guarantees()));
    node.set("charging", charging(revolving.charging()));
    node.set("drawn", JsonNodeFactory.instance.objectNode().put("on", revolving.drawn().on().toString()).put("amount", amount(revolving.drawn().amount()))
        .put("accrued", amount(revolving.drawn().accrued())));
    if (revolving.availability() != null) {
      BorrowingBase base = revolving.availability();
      node.set("availability", JsonNodeFactory.instance.objectNode().put("receivables", base.receivables().number()).put("stock", base.stock().number())
          .put("daysLate", base.daysLate()).put("now", amount(base.now())));
    }
    return node;
  }

  private static ObjectNode charging(Charging charging) {
    return JsonNodeFactory.instance.objectNode().put("dayCount", Words.of(charging.dayCount())).put("often", Words.of(charging.often()))
        .put("nextBusinessDay", charging.nextBusinessDay());
  }

  ObjectNode write(TermLoan loan) {
    ObjectNode node = MethodWriter.kind("loan").put("by", Words.of(loan.by()));
    node.set("from", JsonNodeFactory.instance.objectNode().put("on", loan.from().on().toString()).put("amount", amount(loan.from().amount()))
        .put("accrued", amount(loan.from().accrued())));
    node.put("running", loan.running());
    node.set("rate", PlanWriter.rates(loan.rate()));
    node.put("firstPayDay", loan.firstPayDay().toString()).put("payments", loan.payments()).put("everyMonths", loan.everyMonths())
        .put("interestOnly", loan.interestOnly());
    if (loan.dayCount() != null) {
      node.put("dayCount", Words.of(loan.dayCount()));
    }
    node.put("convention", Words.of(loan.convention()));
    node.set("typed", amounts(loan.typed()));
    node.set("early", amounts(loan.early()));
    return node.put("keepsEnd", loan.keepsEnd()).put("fee", amount(loan.fee()));
  }

  private ArrayNode amounts(List<DatedAmount> amounts) {
    return MethodWriter.list(amounts, methods::datedAmount);
  }

  ObjectNode write(Interest interest) {
    ObjectNode node = MethodWriter.kind("interest").put("of", Words.of(interest.of()));
    if (interest.lineId() != null) {
      node.put("line", interest.lineId());
    }
    node.set("charging", charging(interest.charging()));
    return node;
  }

  ObjectNode write(FundingRules rules) {
    ObjectNode node = JsonNodeFactory.instance.objectNode().put("sweeps", Words.of(rules.sweeps())).put("buffer", amount(rules.buffer()))
        .put("interestBy", Words.of(rules.interestBy()));
    if (rules.minimumDays() != null) {
      node.put("minimumDays", rules.minimumDays().stripTrailingZeros().toPlainString());
    }
    if (rules.callableWithin() != null) {
      node.put("callableWithin", rules.callableWithin());
    }
    return node;
  }

  private String amount(long minor) {
    return Money.plain(minor, currency);
  }
}
