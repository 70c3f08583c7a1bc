package ebbtide.formats.plan;

import ebbtide.money.Money;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.OpeningSheet.Entry;
import java.time.LocalDate;
import java.util.Currency;
import java.util.List;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The opening balance sheet as settings hold it in JSON. */
public final class OpeningJson {
  private OpeningJson() {}

  static OpeningSheet read(JsonPlace place, Currency currency) {
    if (place.isAbsent()) {
      return null;
    }
    LocalDate on = place.at("on").date();
    List<Entry> entries = place.at("entries").list(one -> entry(one, currency));
    place.noOthers();
    return on == null ? null : place.make(() -> new OpeningSheet(on, entries));
  }

  private static Entry entry(JsonPlace place, Currency currency) {
    String name = place.at("name").filled();
    OpeningSheet.Kind kind = place.at("kind").oneOf(OpeningSheet.Kind.class);
    Long amount = place.at("amount").amount(currency);
    String line = place.at("line").isAbsent() ? null : place.at("line").filled();
    Boolean stays = place.at("stays").flagOr(false);
    place.noOthers();
    return name == null || kind == null || amount == null || stays == null ? null : place.make(() -> new Entry(name, kind, amount, line, stays));
  }

  /** Returns an opening balance sheet as JSON. */
  public static ObjectNode write(OpeningSheet sheet, Currency currency) {
    ObjectNode node = JsonNodeFactory.instance.objectNode().put("on", sheet.on().toString());
    node.set("entries", MethodWriter.list(sheet.entries(), one -> {
      ObjectNode entry = JsonNodeFactory.instance.objectNode().put("name", one.name()).put("kind", Words.of(one.kind())).put("amount", Money.plain(one.amount(), currency));
      if (one.lineId() != null) {
        entry.put("line", one.lineId());
      }
      return one.stays() ? entry.put("stays", true) : entry;
    }));
    return node;
  }
}
