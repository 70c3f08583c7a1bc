package ebbtide.app.api;

import ebbtide.formats.plan.PlanForm;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.media.Schema;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The parts of the plan document as the description of the api names them: as they are answered, where all stands but
 * what there is none of, and as they may be sent, where what is usual can be left out.
 */
final class DocumentPart {
    private static final String AT = "#/components/schemas/";
    private static final String SENT = "sent.";
    static final String SETTINGS = AT + "settings";
    static final String LINE = AT + "line";
    static final String ASSUMPTION = AT + "assumption";
    static final String ITEM = AT + "item";
    static final String RULE = AT + "rule";
    static final String SCENARIO = AT + "scenario";
    static final String SENT_SCENARIO = AT + SENT + "scenario";
    static final String OPENING_SHEET = AT + "openingSheet";
    static final String LAST_YEAR = AT + "lastYear";
    static final String SENT_PLAN = AT + SENT + "planFile";
    static final String SENT_SETTINGS = AT + SENT + "settings";
    static final String SENT_LINE = AT + SENT + "line";
    static final String SENT_ITEM = AT + SENT + "item";
    static final String SENT_RULE = AT + SENT + "rule";
    static final String SENT_ACCOUNT = AT + SENT + "account";
    static final String SENT_BUOY = AT + SENT + "buoy";

    private DocumentPart() {}

    /** Adds the parts to a description. */
    static void describe(OpenAPI api) {
        add(api, "", PlanForm.written(AT));
        add(api, SENT, PlanForm.read(AT + SENT));
    }

    private static void add(OpenAPI api, String before, ObjectNode named) {
        named.properties()
                .forEach(
                        (Map.Entry<String, JsonNode> one) -> api.schema(before + one.getKey(), schema(one.getValue())));
    }

    private static Schema<?> schema(JsonNode node) {
        try {
            return Json31.mapper().readValue(node.toString(), Schema.class);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
