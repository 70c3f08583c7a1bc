package ebbtide.plan;

import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Function;

/** A line as its kind is checked among the lines of its plan, and where what is wrong is said. */
final class LineCheck {
    private final Line line;
    private final Settings settings;
    private final List<Line> before;
    private final Function<String, Line> lines;
    private final BiConsumer<String, String> problems;

    LineCheck(
            Line line,
            Settings settings,
            List<Line> before,
            Function<String, Line> lines,
            BiConsumer<String, String> problems) {
        this.line = line;
        this.settings = settings;
        this.before = before;
        this.lines = lines;
        this.problems = problems;
    }

    Line line() {
        return line;
    }

    Settings settings() {
        return settings;
    }

    /** Returns the line of an id, if it is in the plan. */
    Optional<Line> find(String id) {
        return Optional.ofNullable(lines.apply(id));
    }

    /** Returns the lines that stand before this one. */
    List<Line> before() {
        return before;
    }

    /** Says what is wrong at a place within the line. */
    void problem(String where, String sentence) {
        problems.accept(where, sentence);
    }

    /** Says that a line stands under receipts whose kind stands under payments, and why. */
    void onlyPayment(String words) {
        if (line.direction() != Direction.PAYMENT) {
            problem("/direction", "'" + line.name() + "' " + words);
        }
    }

    /** Says where a line settles a tax under receipts, or a line before it settles the same. */
    void settles(String tax) {
        onlyPayment("settles " + tax + " and stands under payments: a refund is shown there too");
        before.stream()
                .filter(other ->
                        other.assumption().kind().equals(line.assumption().kind()))
                .findFirst()
                .ifPresent(other -> problem(
                        "/assumption/kind",
                        "'" + other.name() + "' already settles the plan's " + tax
                                + ": keep one of the two, or the tax would be " + "paid twice"));
    }
}
