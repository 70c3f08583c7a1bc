package ebbtide.formats.plan;

import ebbtide.plan.Netting;
import java.time.LocalDate;
import java.util.List;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Netting of a line in JSON: a null result of reading has left its problems behind. */
final class NettingJson {
  private NettingJson() {}

  static Netting read(JsonPlace place) {
    if (place.isAbsent()) {
      return Netting.USUAL;
    }
    Netting.Left left = place.at("left").oneOfOr(Netting.Left.class, Netting.Left.CATCH_UP);
    JsonPlace within = place.at("window");
    Netting.Window window = within.isAbsent() ? null : window(within);
    List<Netting.Chosen> chosen = place.at("chosen").list(NettingJson::chosen);
    place.noOthers();
    return left == null || window == null && !within.isAbsent() ? null : place.make(() -> new Netting(left, window, chosen));
  }

  private static Netting.Window window(JsonPlace place) {
    Integer before = place.at("before").wholeIn(0, Netting.Window.FURTHEST, null);
    Integer after = place.at("after").wholeIn(0, Netting.Window.FURTHEST, null);
    place.noOthers();
    return before == null || after == null ? null : place.make(() -> new Netting.Window(before, after));
  }

  private static Netting.Chosen chosen(JsonPlace place) {
    LocalDate day = place.at("day").date();
    LocalDate planned = place.at("planned").date();
    place.noOthers();
    return day == null || planned == null ? null : place.make(() -> new Netting.Chosen(day, planned));
  }

  static ObjectNode write(Netting netting) {
    ObjectNode node = JsonNodeFactory.instance.objectNode().put("left", Words.of(netting.left()));
    if (netting.window() != null) {
      node.set("window", JsonNodeFactory.instance.objectNode().put("before", netting.window().before()).put("after", netting.window().after()));
    }
    node.set("chosen", MethodWriter.list(netting.chosen(), one -> JsonNodeFactory.instance.objectNode().put("day", one.day().toString())
        .put("planned", one.planned().toString())));
    return node;
  }
}
