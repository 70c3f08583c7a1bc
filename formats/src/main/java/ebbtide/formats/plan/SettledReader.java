package ebbtide.formats.plan;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Dividends;
import ebbtide.plan.Pay;
import ebbtide.plan.PayDays;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.SalesTax;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.Currency;
import java.util.List;
import java.util.SortedMap;

/** Reading of the assumptions whose cash is worked out from others, from JSON; a null result has left its problems behind. */
final class SettledReader {
  private final Currency currency;
  private final MethodReader methods;

  SettledReader(Currency currency, MethodReader methods) {
    this.currency = currency;
    this.methods = methods;
  }

  Assumption salesTax(JsonPlace place) {
    Integer months = place.at("months").wholeOr(3);
    Month first = place.at("firstMonth").oneOfOr(Month.class, Month.JANUARY);
    Integer after = place.at("monthsAfter").wholeOr(1);
    Integer day = place.at("day").wholeOr(31);
    Integer refund = place.at("refundDays").wholeOr(0);
    Convention convention = place.at("convention").oneOfOr(Convention.class, Convention.FOLLOWING);
    SalesTaxSettlement.TaxPoint point = place.at("point").oneOfOr(SalesTaxSettlement.TaxPoint.class, SalesTaxSettlement.TaxPoint.INVOICE);
    Boolean relief = place.at("relief").flagOr(false);
    SortedMap<YearMonth, Long> owed = place.at("owed").byMonth(p -> p.amount(currency));
    return months == null || first == null || after == null || day == null || refund == null || convention == null
        || point == null || relief == null ? null : place.make(() ->
            new SalesTaxSettlement(months, first, after, day, refund, convention, point, relief, owed));
  }

  Assumption pay(JsonPlace place) {
    List<Pay.Role> roles = place.at("roles").list(this::role);
    int count = place.at("roles").list(p -> p).size();
    PayDays days = payDays(place.at("days"));
    Pay.PaidOver over = paidOver(place.at("paidOver"));
    return roles.size() < count || days == null || over == null ? null : place.make(() -> new Pay(roles, days, over));
  }

  private Pay.Role role(JsonPlace place) {
    String name = place.at("name").filled();
    LocalDate start = place.at("start").date();
    LocalDate end = place.at("end").dateOr(null);
    Steps<BigDecimal> posts = MethodReader.steps(place.at("posts"), JsonPlace::decimal);
    Pay.PaidBy by = place.at("paidBy").oneOfOr(Pay.PaidBy.class, Pay.PaidBy.YEAR);
    Steps<Long> pay = methods.amounts(place.at("pay"));
    BigDecimal hours = place.at("hoursAYear").isAbsent() ? BigDecimal.valueOf(1_950) : place.at("hoursAYear").decimal();
    Percent onCost = place.at("onCost").percentOr(Percent.ZERO);
    Percent withheld = place.at("withheld").percentOr(Percent.ZERO);
    JsonPlace share = place.at("commission");
    Pay.Commission commission = share.isAbsent() ? null : commission(share);
    List<ActivityMethod.DatedAmount> extras = place.at("extras").list(methods::datedAmount);
    place.noOthers();
    return name == null || start == null || by == null || hours == null || onCost == null || withheld == null
        || commission == null && !share.isAbsent() ? null : place.make(() ->
            new Pay.Role(name, start, end, posts, by, pay, hours, onCost, withheld, commission, extras));
  }

  private static Pay.Commission commission(JsonPlace place) {
    String line = place.at("line").filled();
    Percent share = place.at("share").percent();
    Integer after = place.at("monthsAfter").wholeOr(1);
    place.noOthers();
    return line == null || share == null || after == null ? null : place.make(() -> new Pay.Commission(line, share, after));
  }

  private static PayDays payDays(JsonPlace place) {
    PayDays.Often often = place.at("often").oneOf(PayDays.Often.class);
    LocalDate anchor = place.at("first").date();
    Integer second = place.at("secondDay").wholeOr(31);
    Convention convention = place.at("convention").oneOfOr(Convention.class, Convention.PRECEDING);
    place.noOthers();
    return often == null || anchor == null || second == null || convention == null ? null
        : place.make(() -> new PayDays(often, anchor, second, convention));
  }

  private Pay.PaidOver paidOver(JsonPlace place) {
    Integer after = place.at("monthsAfter").wholeOr(1);
    Integer day = place.at("day").wholeOr(31);
    Convention convention = place.at("convention").oneOfOr(Convention.class, Convention.FOLLOWING);
    SortedMap<YearMonth, Long> owed = place.at("owed").byMonth(p -> p.amount(currency));
    place.noOthers();
    return after == null || day == null || convention == null ? null
        : place.make(() -> new Pay.PaidOver(after, day, convention, owed));
  }

  private Long amountOr(JsonPlace place, long otherwise) {
    return place.isAbsent() ? Long.valueOf(otherwise) : place.amount(currency);
  }

  Assumption profitTax(JsonPlace place) {
    ProfitTax.Mode mode = place.at("mode").oneOfOr(ProfitTax.Mode.class, ProfitTax.Mode.YEAR);
    Percent rate = place.at("rate").percent();
    ProfitTax.YearSoFar soFar = yearSoFar(place.at("soFar"));
    Long lastYear = amountOr(place.at("lastYearTax"), 0);
    Long owed = amountOr(place.at("owed"), 0);
    int count = place.at("instalments").list(p -> p).size();
    List<ProfitTax.Instalment> instalments = place.at("instalments").list(SettledReader::instalment);
    ProfitTax.InstalmentsOf of = place.at("instalmentsOf").oneOfOr(ProfitTax.InstalmentsOf.class, ProfitTax.InstalmentsOf.LAST_YEAR);
    Integer after = place.at("monthsAfter").wholeOr(9);
    Integer day = place.at("day").wholeOr(31);
    Convention convention = place.at("convention").oneOfOr(Convention.class, Convention.FOLLOWING);
    return mode == null || rate == null || soFar == null || lastYear == null || owed == null || instalments.size() < count || of == null
        || after == null || day == null || convention == null ? null : place.make(() ->
            new ProfitTax(mode, rate, soFar, lastYear, owed, instalments, of, after, day, convention));
  }

  private ProfitTax.YearSoFar yearSoFar(JsonPlace place) {
    if (place.isAbsent()) {
      return ProfitTax.YearSoFar.NOTHING;
    }
    Long profit = amountOr(place.at("profit"), 0);
    Long tax = amountOr(place.at("tax"), 0);
    Long paid = amountOr(place.at("paid"), 0);
    Long losses = amountOr(place.at("losses"), 0);
    place.noOthers();
    return profit == null || tax == null || paid == null || losses == null ? null
        : place.make(() -> new ProfitTax.YearSoFar(profit, tax, paid, losses));
  }

  private static ProfitTax.Instalment instalment(JsonPlace place) {
    Integer month = place.at("month").whole();
    Integer day = place.at("day").whole();
    Percent share = place.at("share").percent();
    place.noOthers();
    return month == null || day == null || share == null ? null : place.make(() -> new ProfitTax.Instalment(month, day, share));
  }

  Assumption capital(JsonPlace place) {
    int count = place.at("assets").list(p -> p).size();
    List<CapitalSpending.Asset> assets = place.at("assets").list(this::asset);
    Convention convention = place.at("convention").oneOfOr(Convention.class, Convention.PRECEDING);
    return assets.size() < count || convention == null ? null : place.make(() -> new CapitalSpending(assets, convention));
  }

  private CapitalSpending.Asset asset(JsonPlace place) {
    String name = place.at("name").filled();
    SalesTax tax = AssumptionReader.tax(place.at("tax"));
    List<ActivityMethod.DatedAmount> milestones = place.at("milestones").list(methods::datedAmount);
    Integer terms = place.at("termsDays").wholeOr(0);
    LocalDate service = place.at("service").date();
    Integer life = place.at("lifeMonths").wholeOr(60);
    Long residual = amountOr(place.at("residual"), 0);
    JsonPlace had = place.at("owned");
    CapitalSpending.Owned owned = had.isAbsent() ? null : owned(had);
    JsonPlace sale = place.at("disposal");
    CapitalSpending.Disposal disposal = sale.isAbsent() ? null : disposal(sale);
    place.noOthers();
    return name == null || tax == null || terms == null || service == null || life == null || residual == null
        || owned == null && !had.isAbsent() || disposal == null && !sale.isAbsent() ? null : place.make(() ->
            new CapitalSpending.Asset(name, tax, milestones, terms, service, life, residual, owned, disposal));
  }

  private CapitalSpending.Owned owned(JsonPlace place) {
    Long cost = place.at("cost").amount(currency);
    Long depreciated = amountOr(place.at("depreciated"), 0);
    Long monthly = amountOr(place.at("monthly"), 0);
    Percent yearly = place.at("yearly").percentOr(Percent.ZERO);
    place.noOthers();
    return cost == null || depreciated == null || monthly == null || yearly == null ? null
        : place.make(() -> new CapitalSpending.Owned(cost, depreciated, monthly, yearly));
  }

  private CapitalSpending.Disposal disposal(JsonPlace place) {
    LocalDate date = place.at("date").date();
    Long proceeds = place.at("proceeds").amount(currency);
    place.noOthers();
    return date == null || proceeds == null ? null : place.make(() -> new CapitalSpending.Disposal(date, proceeds));
  }

  Assumption dividends(JsonPlace place) {
    Dividends.By by = place.at("by").oneOfOr(Dividends.By.class, Dividends.By.AMOUNT);
    Steps<Long> amount = methods.amounts(place.at("amount"));
    Percent payout = place.at("payout").percentOr(Percent.ZERO);
    Month declared = place.at("declared").oneOfOr(Month.class, Month.JUNE);
    Integer after = place.at("monthsAfter").wholeOr(0);
    Integer day = place.at("day").wholeOr(31);
    Convention convention = place.at("convention").oneOfOr(Convention.class, Convention.PRECEDING);
    Long last = amountOr(place.at("lastYearProfit"), 0);
    Long soFar = amountOr(place.at("yearSoFar"), 0);
    JsonPlace most = place.at("distributable");
    Long distributable = most.isAbsent() ? null : most.amount(currency);
    return by == null || payout == null || declared == null || after == null || day == null || convention == null || last == null
        || soFar == null || distributable == null && !most.isAbsent() ? null : place.make(() ->
            new Dividends(by, amount, payout, declared, after, day, convention, last, soFar, distributable));
  }
}
