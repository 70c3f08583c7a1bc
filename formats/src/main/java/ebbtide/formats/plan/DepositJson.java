package ebbtide.formats.plan;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.DayCount;
import ebbtide.plan.Steps;
import ebbtide.plan.TermDeposit;
import ebbtide.plan.TermDeposit.Broken;
import ebbtide.plan.TermDeposit.Notice;
import ebbtide.plan.TermDeposit.Rollover;
import ebbtide.plan.TermDeposit.Running;
import java.time.LocalDate;
import java.util.Currency;
import java.util.function.Function;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A term deposit in a plan file, read and written. */
final class DepositJson {
  private DepositJson() {}

  /** Reads a deposit; null where that has left problems behind. */
  static TermDeposit read(JsonPlace place, Currency currency) {
    int before = place.problemCount();
    LocalDate on = place.at("on").date();
    Long amount = place.at("amount").amount(currency);
    Running running = part(place.at("running"), one -> new Running(one.at("at").date(), orNil(one.at("accrued"), currency)));
    LocalDate last = place.at("last").dateOr(null);
    Notice notice = part(place.at("notice"), one -> new Notice(one.at("days").wholeIn(0, 366, null), one.at("given").dateOr(null)));
    Steps<Percent> rate = MethodReader.steps(place.at("rate"), JsonPlace::percent);
    DayCount count = place.at("dayCount").oneOfOr(DayCount.class, DayCount.ACT_365F);
    Integer every = place.at("interestEveryMonths").wholeIn(0, 12, 0);
    Rollover rollover = part(place.at("rollover"), one -> new Rollover(one.at("times").wholeIn(1, 200, 1), one.at("withInterest").flagOr(false)));
    Broken broken = part(place.at("broken"), one -> new Broken(one.at("on").date(), orNil(one.at("forfeit"), currency), one.at("forfeitDays").wholeIn(0, 3_660, 0)));
    return place.problemCount() > before ? null : place.make(() -> new TermDeposit(on, amount, running, last, notice, rate, count, every, rollover, broken));
  }

  /** Reads a part that may be left out. */
  private static <T> T part(JsonPlace place, Function<JsonPlace, T> made) {
    if (place.isAbsent()) {
      return null;
    }
    T part = place.make(() -> made.apply(place));
    place.noOthers();
    return part;
  }

  private static Long orNil(JsonPlace place, Currency currency) {
    return place.isAbsent() ? Long.valueOf(0) : place.amount(currency);
  }

  static ObjectNode write(TermDeposit deposit, Currency currency) {
    ObjectNode node = MethodWriter.kind("deposit").put("on", deposit.on().toString()).put("amount", Money.plain(deposit.amount(), currency));
    if (deposit.running() != null) {
      node.set("running", part().put("at", deposit.running().at().toString()).put("accrued", Money.plain(deposit.running().accrued(), currency)));
    }
    if (deposit.last() != null) {
      node.put("last", deposit.last().toString());
    } else {
      ObjectNode notice = part().put("days", deposit.notice().days());
      node.set("notice", deposit.notice().given() == null ? notice : notice.put("given", deposit.notice().given().toString()));
    }
    node.set("rate", PlanWriter.rates(deposit.rate()));
    node.put("dayCount", Words.of(deposit.dayCount())).put("interestEveryMonths", deposit.interestEveryMonths());
    if (deposit.rollover() != null) {
      node.set("rollover", part().put("times", deposit.rollover().times()).put("withInterest", deposit.rollover().withInterest()));
    }
    if (deposit.broken() != null) {
      ObjectNode broken = part().put("on", deposit.broken().on().toString());
      node.set("broken", deposit.broken().forfeitDays() > 0 ? broken.put("forfeitDays", deposit.broken().forfeitDays())
          : broken.put("forfeit", Money.plain(deposit.broken().forfeit(), currency)));
    }
    return node;
  }

  private static ObjectNode part() {
    return JsonNodeFactory.instance.objectNode();
  }
}
