package ebbtide.track;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.track.Variance.Row;
import ebbtide.track.Variance.RowKind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongFunction;

/**
 * A draft in sentences of what a comparison says (rules 10.7): totals, the largest movers with their reasons and notes,
 * what was decided, what is open.
 */
public final class Commentary {
    private static final int MOVERS = 5;
    private final Variance variance;
    private final LongFunction<String> money;
    private final Map<String, String> notes;

    private Commentary(Variance variance, LongFunction<String> money, Map<String, String> notes) {
        this.variance = variance;
        this.money = money;
        this.notes = notes;
    }

    /**
     * Returns the draft for a comparison with the forecast of a day. Money is worded from minor units; notes are those
     * of rows by id; decisions those made since that day.
     */
    public static String draft(
            Variance variance,
            LocalDate forecastOf,
            List<Decision> decisions,
            Map<String, String> notes,
            LongFunction<String> money) {
        Commentary draft = new Commentary(variance, money, notes);
        List<String> paragraphs = new ArrayList<>();
        paragraphs.add(draft.totals(forecastOf));
        paragraphs.add(draft.movers());
        paragraphs.add(draft.decided(decisions));
        paragraphs.add(draft.open());
        paragraphs.removeIf(String::isEmpty);
        return String.join("\n\n", paragraphs);
    }

    private Row row(String id) {
        return variance.rows().stream()
                .filter(row -> row.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private String size(long minor) {
        return money.apply(Math.abs(minor));
    }

    private String totals(LocalDate forecastOf) {
        Row receipts = row("receipts");
        Row payments = row("payments");
        Row closing = row("closing");
        return DAY.format(variance.window().startInclusive()) + " to "
                + DAY.format(variance.window().lastDay()) + ", against the forecast of " + DAY.format(forecastOf)
                + ": receipts came to " + money.apply(receipts.actual()) + ", "
                + than(receipts.variance(), "more", "less") + " forecast; payments to "
                + money.apply(-payments.actual()) + ", " + than(-payments.variance(), "more", "less")
                + " forecast. Closing cash was " + money.apply(closing.actual()) + ", "
                + than(closing.variance(), "above", "below") + " the " + money.apply(closing.forecast())
                + " that was forecast.";
    }

    private String than(long difference, String above, String below) {
        String word = difference > 0 ? above : below;
        return difference == 0
                ? "as"
                : size(difference) + " " + word + (word.equals("more") || word.equals("less") ? " than" : "");
    }

    private List<Row> lines() {
        return variance.rows().stream()
                .filter(row -> row.kind() == RowKind.LINE
                        || row.kind() == RowKind.GONE_LINE
                        || row.kind() == RowKind.UNASSIGNED)
                .toList();
    }

    private String movers() {
        List<String> sentences = lines().stream()
                .filter(row -> row.variance() != 0)
                .sorted(Comparator.comparingLong(row -> -Math.abs(row.variance())))
                .limit(MOVERS)
                .map(this::mover)
                .toList();
        return sentences.isEmpty() ? "" : "The largest differences:\n" + String.join("\n", sentences);
    }

    private String mover(Row row) {
        Map<String, Long> parts = new LinkedHashMap<>();
        parts.put("came at another time", row.why().timing());
        parts.put("another amount", row.why().amount());
        parts.put("not forecast", row.why().unforeseen());
        parts.put("cancelled", row.why().gone());
        parts.put("not explained yet", row.why().open());
        List<String> words = parts.entrySet().stream()
                .filter(part -> part.getValue() != 0)
                .sorted(Comparator.comparingLong(part -> -Math.abs(part.getValue())))
                .map(part -> signed(part.getValue()) + " " + part.getKey())
                .toList();
        String note = notes.getOrDefault(row.id(), "");
        return "- " + row.name() + ": " + signed(row.variance())
                + (row.variance() < 0 ? " (unfavourable)" : " (favourable)") + ", " + String.join(", ", words) + "."
                + (note.isEmpty() ? "" : " " + note);
    }

    private String signed(long minor) {
        return (minor < 0 ? "\u2212" : "+") + size(minor);
    }

    private String decided(List<Decision> decisions) {
        List<String> words = new ArrayList<>();
        for (Decision one : decisions) {
            String name = variance.rows().stream()
                    .filter(row -> row.id().equals(one.lineId()))
                    .map(Row::name)
                    .findFirst()
                    .orElse(one.lineId());
            if (one.carried() != 0) {
                words.add(size(one.carried()) + " of " + name + " is carried to a later day"
                        + (one.dropped() == 0 ? "" : ", the rest dropped"));
            } else {
                words.add("the difference of " + size(one.open()) + " on " + name + " is dropped");
            }
        }
        return words.isEmpty() ? "" : "Decided: " + String.join("; ", words) + ".";
    }

    private String open() {
        long open = lines().stream().mapToLong(row -> row.why().open()).sum();
        List<String> names = lines().stream()
                .filter(row -> row.why().open() != 0)
                .sorted(Comparator.comparingLong(row -> -Math.abs(row.why().open())))
                .limit(MOVERS)
                .map(row -> row.name() + " " + signed(row.why().open()))
                .toList();
        return names.isEmpty()
                ? ""
                : "Not explained yet, " + signed(open) + " in all: " + String.join(", ", names) + ".";
    }
}
