package ebbtide.formats.plan;

import ebbtide.money.Money;
import ebbtide.plan.Covenant.PastMonth;
import ebbtide.plan.Covenant;
import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.Currency;
import java.util.List;
import java.util.SortedMap;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Covenants, and the months before the forecast that they read, as settings hold them in JSON. A bound on liquidity is an amount. */
record CovenantsJson(List<Covenant> covenants, SortedMap<YearMonth, PastMonth> pastMonths) {

  static CovenantsJson read(JsonPlace settings, Currency currency) {
    return new CovenantsJson(settings.at("covenants").list(place -> covenant(place, currency)),
        settings.at("pastMonths").byMonth(place -> past(place, currency)));
  }

  private static Covenant covenant(JsonPlace place, Currency currency) {
    String id = place.at("id").filled();
    String name = place.at("name").filled();
    Covenant.Ratio ratio = place.at("ratio").oneOf(Covenant.Ratio.class);
    BigDecimal bound = ratio == Covenant.Ratio.LEAST_LIQUIDITY ? amount(place.at("bound"), currency) : place.at("bound").decimal();
    Covenant.Every every = place.at("every").oneOfOr(Covenant.Every.class, Covenant.Every.QUARTER);
    place.noOthers();
    return id == null || name == null || ratio == null || bound == null || every == null ? null
        : place.make(() -> new Covenant(id, name, ratio, bound, every));
  }

  private static BigDecimal amount(JsonPlace place, Currency currency) {
    Long minor = place.amount(currency);
    return minor == null ? null : BigDecimal.valueOf(minor);
  }

  private static PastMonth past(JsonPlace place, Currency currency) {
    Long ebitda = amountOr(place.at("ebitda"), currency);
    Long interest = amountOr(place.at("interest"), currency);
    Long tax = amountOr(place.at("tax"), currency);
    Long spending = amountOr(place.at("spending"), currency);
    Long principal = amountOr(place.at("principal"), currency);
    place.noOthers();
    return ebitda == null || interest == null || tax == null || spending == null || principal == null ? null
        : place.make(() -> new PastMonth(ebitda, interest, tax, spending, principal));
  }

  private static Long amountOr(JsonPlace place, Currency currency) {
    return place.isAbsent() ? Long.valueOf(0) : place.amount(currency);
  }

  void write(ObjectNode settings, Currency currency) {
    if (!covenants.isEmpty()) {
      settings.set("covenants", MethodWriter.list(covenants, one -> JsonNodeFactory.instance.objectNode().put("id", one.id()).put("name", one.name())
          .put("ratio", Words.of(one.ratio())).put("bound", one.ratio() == Covenant.Ratio.LEAST_LIQUIDITY
              ? Money.plain(one.bound().longValueExact(), currency) : one.bound().stripTrailingZeros().toPlainString()).put("every", Words.of(one.every()))));
    }
    if (!pastMonths.isEmpty()) {
      settings.set("pastMonths", MethodWriter.byMonth(pastMonths, one -> JsonNodeFactory.instance.objectNode().put("ebitda", Money.plain(one.ebitda(), currency))
          .put("interest", Money.plain(one.interest(), currency)).put("tax", Money.plain(one.tax(), currency))
          .put("spending", Money.plain(one.spending(), currency)).put("principal", Money.plain(one.principal(), currency))));
    }
  }
}
