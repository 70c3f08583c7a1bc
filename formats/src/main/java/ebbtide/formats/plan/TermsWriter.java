package ebbtide.formats.plan;

import ebbtide.plan.DayTerms;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Terms;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writing of terms into the fields of a line or of shared terms, as {@link TermsReader} reads them back. */
final class TermsWriter {
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private TermsWriter() {}

  static void write(Terms terms, ObjectNode node) {
    node.set("pattern", pattern(terms.pattern()));
    if (terms.days() != null) {
      node.set("days", days(terms.days()));
    }
    if (terms.target() != null) {
      node.set("target", MethodWriter.steps(terms.target().days(), NODES::numberNode));
    }
    node.put("termsBy", Words.of(terms.by()));
    if (terms.shared() != null) {
      node.put("sharedTerms", terms.shared());
    }
  }

  private static ObjectNode days(DayTerms days) {
    ObjectNode node = NODES.objectNode().put("due", Words.of(days.due())).put("days", days.days()).put("late", days.lateDays())
        .put("convention", Words.of(days.convention()));
    if (days.early() != null) {
      node.set("early", NODES.objectNode().put("discount", days.early().discount().number()).put("days", days.early().days())
          .put("taken", days.early().taken()));
    }
    return node;
  }

  private static ObjectNode pattern(MonthPattern pattern) {
    ObjectNode node = NODES.objectNode();
    node.set("steps", MethodWriter.list(pattern.steps(), step -> NODES.objectNode().put("share", step.share().number())
        .put("lag", step.lagMonths()).put("discount", step.discount().number())));
    node.put("never", pattern.never().number());
    if (pattern.writeOffLag() != null) {
      node.put("writeOffLag", pattern.writeOffLag());
    }
    return node;
  }
}
