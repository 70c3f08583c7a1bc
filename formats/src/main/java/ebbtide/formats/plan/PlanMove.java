package ebbtide.formats.plan;

import ebbtide.money.Refused;
import ebbtide.plan.Line;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeParseException;
import java.util.Currency;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The moving of what a line assumes by whole months, because a start was put off or brought forward: every date and
 * month after the as-of date moves, what lies up to it stays. The plan file names every date a line has, so its JSON is
 * what is walked.
 */
public final class PlanMove {
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    /** What was, and what is said in words, is no assumption about a day to come. */
    private static final Set<String> STAYS = Set.of("history", "owed", "name", "note", "reason", "id");

    private final LocalDate asOf;
    private final int months;

    private PlanMove(LocalDate asOf, int months) {
        this.asOf = asOf;
        this.months = months;
    }

    /**
     * Returns a line with its assumption moved by some months, back when negative.
     *
     * @throws Refused for a date that would move back to the as-of date or before it, where it would no longer count
     */
    public static Line moved(Line line, LocalDate asOf, int months, Currency currency) {
        ObjectNode json = PlanWriter.json(line, currency);
        try {
            json.set("assumption", new PlanMove(asOf, months).walked(json.get("assumption")));
            json.set("overrides", new PlanMove(asOf, months).walked(json.get("overrides")));
        } catch (Refused e) {
            throw new Refused("'" + line.name() + "' " + e.getMessage(), e);
        }
        return PlanReader.line(json, currency);
    }

    private JsonNode walked(JsonNode node) {
        if (node instanceof ObjectNode object) {
            ObjectNode moved = NODES.objectNode();
            object.properties()
                    .forEach(field -> moved.set(
                            month(field.getKey()),
                            STAYS.contains(field.getKey()) ? field.getValue() : walked(field.getValue())));
            return moved;
        }
        if (node instanceof ArrayNode array) {
            ArrayNode moved = NODES.arrayNode();
            array.forEach(one -> moved.add(walked(one)));
            return moved;
        }
        return node.isString() ? NODES.stringNode(day(node.asString())) : node;
    }

    private String day(String text) {
        if (!text.matches("\\d{4}-\\d{2}-\\d{2}")) {
            return text.matches("\\d{4}-\\d{2}") ? month(text) : text;
        }
        try {
            LocalDate day = LocalDate.parse(text);
            return day.isAfter(asOf) ? after(day.plusMonths(months), text).toString() : text;
        } catch (DateTimeParseException e) {
            return text;
        }
    }

    private String month(String text) {
        if (!text.matches("\\d{4}-\\d{2}")) {
            return text;
        }
        YearMonth month = YearMonth.parse(text);
        if (!month.isAfter(YearMonth.from(asOf))) {
            return text;
        }
        after(month.plusMonths(months).atDay(1), text);
        return month.plusMonths(months).toString();
    }

    private LocalDate after(LocalDate moved, String was) {
        if (!moved.isAfter(asOf)) {
            throw new Refused("has something on " + was + ", which would come to lie on " + moved
                    + ", not after the as-of date " + asOf + ": move by fewer months, or take it out first");
        }
        return moved;
    }
}
