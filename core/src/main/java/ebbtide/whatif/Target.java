package ebbtide.whatif;

import ebbtide.money.Check;
import ebbtide.plan.Certainty;
import ebbtide.plan.Direction;
import java.util.Objects;

/** What a change is of, by a name that lasts (rules 11.2). */
public sealed interface Target {

    /** An assumption of the list: the id of its line and where it stands, a setting beginning with "/". */
    record OfAssumption(String path) implements Target {
        public OfAssumption {
            path = Check.text(path, "name of the assumption", 400);
        }
    }

    /** A line, or a group and all lines in it. */
    record OfLine(String lineId) implements Target {
        public OfLine {
            lineId = Check.text(lineId, "line", 80);
        }
    }

    /** What is said by hand of one open item, by its id. */
    record OfItem(String item, Part part) implements Target {
        /** What of it. */
        public enum Part {
            EXPECTED,
            PROMISED,
            STANDING
        }

        public OfItem {
            item = Check.text(item, "open item", 80);
            Objects.requireNonNull(part, "what is said of the item");
        }
    }

    /** All items of a counterparty, of receipts or of payments. */
    record OfCounterparty(Direction direction, String name) implements Target {
        public OfCounterparty {
            Objects.requireNonNull(direction, "receipts or payments");
            name = Check.text(name, "counterparty", 200);
        }
    }

    /** Terms that lines share: how all of them are paid. */
    record OfTerms(String id) implements Target {
        public OfTerms {
            id = Check.text(id, "shared terms", 80);
        }
    }

    /** Bills and single items that are so certain, of receipts or of payments. */
    record OfCertainty(Direction direction, Certainty certainty) implements Target {
        public OfCertainty {
            Objects.requireNonNull(direction, "receipts or payments");
            Objects.requireNonNull(certainty, "certainty");
        }
    }

    /** The base rate of all facilities at once; the margin of each stays. */
    record OfBaseRate() implements Target {}

    /** An asset, or a role, of a line. */
    record OfPart(String lineId, String part) implements Target {
        public OfPart {
            lineId = Check.text(lineId, "line", 80);
            part = Check.text(part, "name of the asset or the role", 120);
        }
    }
}
