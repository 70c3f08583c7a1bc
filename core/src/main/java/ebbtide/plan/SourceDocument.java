package ebbtide.plan;

import ebbtide.money.Check;

/**
 * Something an analyst needs to have seen for the plan to be trusted, such as the pay roll of the month, and whether
 * they have.
 */
public record SourceDocument(String name, boolean seen) {
    public SourceDocument {
        name = Check.text(name, "name of a source document", 200);
    }
}
