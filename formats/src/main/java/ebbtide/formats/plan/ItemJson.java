package ebbtide.formats.plan;

import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.Amount;
import ebbtide.books.OpenItem.EarlyDiscount;
import ebbtide.books.OpenItem.Handling;
import ebbtide.books.OpenItem.Kind;
import ebbtide.books.OpenItem.Standing;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import java.time.LocalDate;
import java.util.Currency;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** An open item as a plan file holds it. */
final class ItemJson {
  private ItemJson() {}

  static ObjectNode write(OpenItem item, Currency currency) {
    ObjectNode node = JsonNodeFactory.instance.objectNode().put("id", item.id()).put("kind", Words.of(item.kind())).put("number", item.number())
        .put("counterparty", item.counterparty()).put("line", item.lineId()).put("issued", item.issued().toString())
        .put("supplied", item.supplied().toString()).put("due", item.due().toString())
        .put("amount", Money.plain(item.amount().gross(), currency)).put("tax", Money.plain(item.amount().tax(), currency))
        .put("open", Money.plain(item.amount().open(), currency));
    if (item.amount().taxParted()) {
      node.put("taxParted", true);
    }
    if (item.amount().listed() != null) {
      node.put("listed", Money.plain(item.amount().listed(), currency));
    }
    put(node, "paid", item.paidOn());
    put(node, "expected", item.handling().expected());
    put(node, "promised", item.handling().promised());
    if (item.handling().standing() != Standing.NORMAL) {
      node.put("standing", Words.of(item.handling().standing()));
    }
    if (!item.handling().note().isEmpty()) {
      node.put("note", item.handling().note());
    }
    if (item.discount() != null) {
      node.set("discount", JsonNodeFactory.instance.objectNode().put("until", item.discount().until().toString())
          .put("share", item.discount().share().number()));
    }
    return node;
  }

  private static void put(ObjectNode node, String field, LocalDate day) {
    if (day != null) {
      node.put(field, day.toString());
    }
  }

  static OpenItem read(JsonPlace place, Currency currency) {
    String id = place.at("id").filled();
    Kind kind = place.at("kind").oneOf(Kind.class);
    String number = place.at("number").filled();
    String counterparty = place.at("counterparty").filled();
    String line = place.at("line").filled();
    LocalDate issued = place.at("issued").date();
    LocalDate supplied = place.at("supplied").dateOr(issued);
    LocalDate due = place.at("due").date();
    Long gross = place.at("amount").amount(currency);
    Long tax = place.at("tax").isAbsent() ? Long.valueOf(0) : place.at("tax").amount(currency);
    Boolean parted = place.at("taxParted").flagOr(false);
    LocalDate paid = place.at("paid").dateOr(null);
    Long open = place.at("open").isAbsent() ? (paid == null ? gross : Long.valueOf(0)) : place.at("open").amount(currency);
    JsonPlace listing = place.at("listed");
    Long listed = listing.isAbsent() ? null : listing.amount(currency);
    Handling handling = handling(place);
    EarlyDiscount discount = discount(place.at("discount"));
    place.noOthers();
    if (id == null || kind == null || number == null || counterparty == null || line == null || issued == null || due == null || gross == null
        || tax == null || parted == null || open == null || handling == null
        || listed == null && !listing.isAbsent()) {
      return null;
    }
    return place.make(() -> new OpenItem(id, kind, number, counterparty, line, issued, supplied, due, new Amount(gross, tax, parted, open, listed), paid,
        handling, discount));
  }

  private static Handling handling(JsonPlace place) {
    LocalDate expected = place.at("expected").dateOr(null);
    LocalDate promised = place.at("promised").dateOr(null);
    Standing standing = place.at("standing").oneOfOr(Standing.class, Standing.NORMAL);
    String note = place.at("note").textOr("");
    return standing == null ? null : place.make(() -> new Handling(expected, promised, standing, note));
  }

  private static EarlyDiscount discount(JsonPlace place) {
    if (place.isAbsent()) {
      return null;
    }
    LocalDate until = place.at("until").date();
    Percent share = place.at("share").percent();
    place.noOthers();
    return until == null || share == null ? null : place.make(() -> new EarlyDiscount(until, share));
  }
}
