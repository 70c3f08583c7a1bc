package ebbtide.plan;

import ebbtide.money.Check;
import java.util.Objects;

/** Terms with a name that many lines share, changed once for all of them. */
public record NamedTerms(String id, String name, Terms terms) {
    public NamedTerms {
        id = Check.text(id, "id of terms", 80);
        name = Check.text(name, "name of terms", 120);
        Objects.requireNonNull(terms, "terms");
        terms = terms.sharedAs(id);
    }

    Inputs<NamedTerms> inputs() {
        return Inputs.of(this).in("terms", terms.sharedAs(null), Terms::inputs).renamed(input -> name + ": " + input);
    }
}
