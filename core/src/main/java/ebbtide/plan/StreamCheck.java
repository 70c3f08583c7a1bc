package ebbtide.plan;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * The check of a stream among the lines of its plan: terms that are shared, and the line whose months its method reads.
 */
record StreamCheck(LineCheck check, Assumption.Stream stream) {
    void run() {
        stream.reads().stream().findFirst().ifPresent(this::reads);
        Terms terms = stream.terms();
        if (terms.shared() != null && check.settings().findTerms(terms.shared()).isEmpty()) {
            check.problem(
                    "/assumption/sharedTerms",
                    name() + " shares terms that are not in the plan ('" + terms.shared()
                            + "'): choose others, or give it terms of its own");
        }
        if (stream.keepsItems() && terms.by() == Terms.By.TARGET) {
            check.problem(
                    "/assumption/basis",
                    name() + " stands at a target of days, which is a level and no list: choose terms by "
                            + "months or by days, or keep no open items for it");
        }
    }

    private String name() {
        return "'" + check.line().name() + "'";
    }

    private void reads(String of) {
        boolean stock = stream.method() instanceof ActivityMethod.StockPurchases;
        String reads = stock ? "buys stock for" : "is a share of";
        String place = "/assumption/method/" + (stock ? "sales" : "line");
        Optional<Line> other = check.find(of);
        if (other.isEmpty()) {
            check.problem(
                    place,
                    name() + " " + reads + " a line that is not in the plan ('" + of + "'): choose another line in "
                            + name() + " first");
        } else if (other.get().findStream().isEmpty()) {
            check.problem(
                    place,
                    name() + " " + reads + " '" + other.get().name()
                            + "', which has no monthly amounts: choose a line with sales or costs by month");
        } else {
            circle(place);
        }
    }

    private void circle(String place) {
        Map<String, Line> way = new LinkedHashMap<>();
        for (Optional<Line> at = Optional.of(check.line());
                at.isPresent();
                at = at.get()
                        .findStream()
                        .flatMap(one -> one.reads().stream().findFirst())
                        .flatMap(check::find)) {
            if (way.putIfAbsent(at.get().id(), at.get()) != null) {
                check.problem(
                        place,
                        "Shares run in a circle: "
                                + way.values().stream()
                                        .map(line -> "'" + line.name() + "'")
                                        .collect(Collectors.joining(" of "))
                                + " of '"
                                + at.get().name() + "'. Give one of them an amount of its own");
                return;
            }
        }
    }
}
