package ebbtide.plan;

import ebbtide.money.Check;
import java.util.List;

/**
 * What is kept once for many: terms that lines share, source documents that an analyst ticks off, and how
 * counterparties pay, as an analyst says.
 */
public record References(List<NamedTerms> terms, List<SourceDocument> documents, List<SaidHabit> habits) {
    public References {
        terms = List.copyOf(terms);
        documents = List.copyOf(documents);
        habits = List.copyOf(habits);
        Check.that(
                habits.stream()
                                .map(habit -> habit.direction() + habit.counterparty())
                                .distinct()
                                .count()
                        == habits.size(),
                "a habit is said twice of one counterparty: keep one");
        Check.that(documents.size() <= 200, "a plan has at most 200 source documents, but had " + documents.size());
        Check.that(
                terms.stream().map(NamedTerms::name).distinct().count() == terms.size()
                        && terms.stream().map(NamedTerms::id).distinct().count() == terms.size(),
                "two shared terms have the same name: give each its own");
    }

    Inputs<References> inputs() {
        return Inputs.of(this).each("terms", terms, NamedTerms::id, (one, at) -> one.inputs());
    }
}
