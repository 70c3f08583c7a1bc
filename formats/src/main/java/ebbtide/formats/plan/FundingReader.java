package ebbtide.formats.plan;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.Charging;
import ebbtide.plan.DayCount;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Interest;
import ebbtide.plan.Revolving;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.time.Convention;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Currency;
import java.util.List;

/** Reading of facilities, loans and interest from JSON; a null result has left its problems behind. */
final class FundingReader {
  private final Currency currency;
  private final MethodReader methods;

  FundingReader(Currency currency, MethodReader methods) {
    this.currency = currency;
    this.methods = methods;
  }

  Assumption revolving(JsonPlace place) {
    Steps<Long> limit = methods.amounts(place.at("limit"));
    Boolean committed = place.at("committed").flagOr(true);
    LocalDate start = place.at("start").dateOr(null);
    LocalDate end = place.at("end").dateOr(null);
    Steps<Percent> base = MethodReader.steps(place.at("base"), JsonPlace::percent);
    Steps<Percent> margin = MethodReader.steps(place.at("margin"), JsonPlace::percent);
    Steps<Percent> fee = MethodReader.steps(place.at("undrawnFee"), JsonPlace::percent);
    Long multiple = amountOr(place.at("multiple"), 1);
    Integer notice = place.at("noticeDays").wholeIn(0, 60, 0);
    Steps<Long> guarantees = methods.amounts(place.at("guarantees"));
    Charging charging = charging(place.at("charging"));
    Revolving.Drawn drawn = drawn(place.at("drawn"));
    BorrowingBase availability = availability(place.at("availability"));
    return committed == null || multiple == null || notice == null || charging == null || drawn == null ? null : place.make(() ->
        new Revolving(limit, committed, start, end, base, margin, fee, multiple, notice, guarantees, charging, drawn, availability));
  }

  private BorrowingBase availability(JsonPlace place) {
    if (place.isAbsent()) {
      return null;
    }
    Percent receivables = place.at("receivables").percentOr(Percent.ZERO);
    Percent stock = place.at("stock").percentOr(Percent.ZERO);
    Integer daysLate = place.at("daysLate").wholeIn(0, 365, 90);
    Long now = amountOr(place.at("now"), 0);
    place.noOthers();
    return receivables == null || stock == null || daysLate == null || now == null ? null : place.make(() -> new BorrowingBase(receivables, stock, daysLate, now));
  }

  private Revolving.Drawn drawn(JsonPlace place) {
    LocalDate on = place.at("on").date();
    Long amount = amountOr(place.at("amount"), 0);
    Long accrued = amountOr(place.at("accrued"), 0);
    place.noOthers();
    return on == null || amount == null || accrued == null ? null : place.make(() -> new Revolving.Drawn(on, amount, accrued));
  }

  private Long amountOr(JsonPlace place, long otherwise) {
    return place.isAbsent() ? Long.valueOf(otherwise) : place.amount(currency);
  }

  private static Charging charging(JsonPlace place) {
    if (place.isAbsent()) {
      return Charging.MONTHLY;
    }
    DayCount count = place.at("dayCount").oneOfOr(DayCount.class, DayCount.ACT_365F);
    Charging.Often often = place.at("often").oneOfOr(Charging.Often.class, Charging.Often.MONTH);
    Boolean next = place.at("nextBusinessDay").flagOr(false);
    place.noOthers();
    return count == null || often == null || next == null ? null : place.make(() -> new Charging(count, often, next));
  }

  Assumption loan(JsonPlace place) {
    TermLoan.By by = place.at("by").oneOfOr(TermLoan.By.class, TermLoan.By.EQUAL_INSTALMENTS);
    TermLoan.Balance from = balance(place.at("from"));
    Boolean running = place.at("running").flagOr(false);
    Steps<Percent> rate = MethodReader.steps(place.at("rate"), JsonPlace::percent);
    LocalDate first = place.at("firstPayDay").date();
    Integer payments = place.at("payments").wholeIn(1, 600, null);
    Integer every = place.at("everyMonths").wholeIn(1, 12, 1);
    Integer interestOnly = place.at("interestOnly").wholeIn(0, 599, 0);
    JsonPlace counted = place.at("dayCount");
    DayCount count = counted.isAbsent() ? null : counted.oneOf(DayCount.class);
    Convention convention = place.at("convention").oneOfOr(Convention.class, Convention.FOLLOWING);
    List<DatedAmount> typed = place.at("typed").list(methods::datedAmount);
    List<DatedAmount> early = place.at("early").list(methods::datedAmount);
    Boolean keepsEnd = place.at("keepsEnd").flagOr(true);
    Long fee = amountOr(place.at("fee"), 0);
    return by == null || from == null || running == null || first == null || payments == null || every == null || interestOnly == null
        || count == null && !counted.isAbsent() || convention == null || keepsEnd == null || fee == null ? null : place.make(() ->
            new TermLoan(by, from, running, rate, first, payments, every, interestOnly, count, convention, typed, early, keepsEnd, fee));
  }

  private TermLoan.Balance balance(JsonPlace place) {
    LocalDate on = place.at("on").date();
    Long amount = place.at("amount").amount(currency);
    Long accrued = amountOr(place.at("accrued"), 0);
    place.noOthers();
    return on == null || amount == null || accrued == null ? null : place.make(() -> new TermLoan.Balance(on, amount, accrued));
  }

  Assumption interest(JsonPlace place) {
    Interest.Of of = place.at("of").oneOfOr(Interest.Of.class, Interest.Of.LINE);
    String line = place.at("line").textOr(null);
    Charging charging = charging(place.at("charging"));
    return of == null || charging == null ? null : place.make(() -> new Interest(of, line, charging));
  }

  /** Returns how a plan is funded. */
  static FundingRules rules(JsonPlace place, Currency currency) {
    if (place.isAbsent()) {
      return FundingRules.USUAL;
    }
    FundingRules.Sweeps sweeps = place.at("sweeps").oneOfOr(FundingRules.Sweeps.class, FundingRules.Sweeps.DAY);
    Long buffer = place.at("buffer").isAbsent() ? Long.valueOf(0) : place.at("buffer").amount(currency);
    FundingRules.InterestBy by = place.at("interestBy").oneOfOr(FundingRules.InterestBy.class, FundingRules.InterestBy.NIGHTS);
    JsonPlace days = place.at("minimumDays");
    BigDecimal minimumDays = days.isAbsent() ? null : days.decimal();
    JsonPlace within = place.at("callableWithin");
    Integer callableWithin = within.wholeIn(0, 366, null);
    place.noOthers();
    return sweeps == null || buffer == null || by == null || minimumDays == null && !days.isAbsent()
        || callableWithin == null && !within.isAbsent() ? null
        : place.make(() -> new FundingRules(sweeps, buffer, by, minimumDays, callableWithin));
  }
}
