package ebbtide.formats.plan;

import ebbtide.books.Account;
import ebbtide.books.ActualLedger;
import ebbtide.books.AssignRule;
import ebbtide.books.OpenItem;
import ebbtide.formats.document.Form;
import ebbtide.formats.document.JsonPlace;
import ebbtide.formats.document.JsonWeight;
import ebbtide.plan.Buoy;
import ebbtide.plan.Line;
import ebbtide.plan.PlanProblem;
import ebbtide.plan.Remark;
import ebbtide.plan.Settings;
import ebbtide.statements.KeptStatements;
import ebbtide.whatif.Scenario;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.exc.UnexpectedEndOfInputException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reading of a plan file, or of a part of a plan: the whole result, or every problem with its place. */
public final class PlanReader {
    static final JsonMapper MAPPER = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .build();

    /** What two hundred thousand movements come to; more would take the memory that others work with. */
    private static final long MOST_WEIGHT = 288L << 20;

    private static final int MOST_PROBLEMS = 1_000;

    private PlanReader() {}

    /** Returns the document of a plan file; refuses a broken one with {@link BrokenPlan}. */
    public static PlanDocument read(InputStream in) {
        try {
            return read(in.readAllBytes());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Returns the document of a plan file; refuses a broken one, and one that would take more memory than there is,
     * with {@link BrokenPlan}.
     */
    public static PlanDocument read(byte[] file) {
        return whole(
                tree(() -> {
                    if (!fits(file)) {
                        throw new BrokenPlan(List.of(new PlanProblem(
                                "/",
                                "It holds more than can be brought in as one file, some 200,000 movements or as much "
                                        + "of anything else: leave movements out, and bring them in from the bank's "
                                        + "files")));
                    }
                    return MAPPER.readTree(file);
                }),
                SettingsForm.MOST_DECIMALS,
                DocumentCheck::document);
    }

    /** Returns whether a plan file takes no more memory to read than there is. */
    public static boolean fits(byte[] file) {
        return JsonWeight.of(file, MOST_WEIGHT) <= MOST_WEIGHT;
    }

    /** Returns the settings of a JSON object; refuses broken ones with {@link BrokenPlan}. */
    public static Settings settings(JsonNode json) {
        return part(SettingsForm.FORM, json, SettingsForm.MOST_DECIMALS);
    }

    /** Returns the line of a JSON object in a currency; refuses a broken one with {@link BrokenPlan}. */
    public static Line line(JsonNode json, Currency currency) {
        return part(LineForm.FORM, json, currency);
    }

    /** Returns the buoy of a JSON object; refuses a broken one with {@link BrokenPlan}. */
    public static Buoy buoy(JsonNode json) {
        return part(LineForm.BUOY, json, SettingsForm.MOST_DECIMALS);
    }

    /**
     * Returns the answers of a JSON array to what was said on a figure; refuses broken ones with {@link BrokenPlan}.
     */
    public static List<Remark> remarks(JsonNode json) {
        return part(LineForm.REMARKS, json, SettingsForm.MOST_DECIMALS);
    }

    /** Returns the account of a JSON object in a currency; refuses a broken one with {@link BrokenPlan}. */
    public static Account account(JsonNode json, Currency currency) {
        return part(BooksForms.ACCOUNT, json, currency);
    }

    /** Returns the rule of a JSON object in a currency; refuses a broken one with {@link BrokenPlan}. */
    public static AssignRule rule(JsonNode json, Currency currency) {
        return part(BooksForms.RULE, json, currency);
    }

    /** Returns the open item of a JSON object in a currency; refuses a broken one with {@link BrokenPlan}. */
    public static OpenItem item(JsonNode json, Currency currency) {
        return part(BooksForms.ITEM, json, currency);
    }

    /** Returns the scenario of a JSON object in a currency; refuses a broken one with {@link BrokenPlan}. */
    public static Scenario scenario(JsonNode json, Currency currency) {
        return part(ScenarioForm.FORM, json, currency);
    }

    /**
     * Returns what the ledger says of months that are over, of a JSON object in a currency; refuses a broken one with
     * {@link BrokenPlan}.
     */
    public static ActualLedger ledger(JsonNode json, Currency currency) {
        return part(LedgerForm.FORM, json, currency);
    }

    /** Returns statements that a snapshot keeps; refuses broken ones with {@link BrokenPlan}. */
    public static KeptStatements keptStatements(JsonNode json, Currency currency) {
        return part(KeptStatementsForm.FORM, json, currency);
    }

    /** Returns JSON text as a tree; refuses text that is no JSON with {@link BrokenPlan}. */
    public static JsonNode parse(String json) {
        return tree(() -> MAPPER.readTree(json));
    }

    private static JsonNode tree(Supplier<JsonNode> reader) {
        try {
            JsonNode read = reader.get();
            if (read == null || read.isMissingNode()) {
                throw new BrokenPlan(List.of(new PlanProblem("/", "There is nothing in it")));
            }
            return read;
        } catch (UnexpectedEndOfInputException e) {
            throw new BrokenPlan(List.of(new PlanProblem(
                    "line " + e.getLocation().getLineNr(),
                    "This is no JSON: it ends in the middle, as a file does that was cut off")));
        } catch (JacksonException e) {
            String place = e.getLocation() == null
                    ? "/"
                    : "line " + e.getLocation().getLineNr() + ", column "
                            + e.getLocation().getColumnNr();
            throw new BrokenPlan(List.of(new PlanProblem(place, "This is no JSON: " + e.getOriginalMessage())));
        }
    }

    private static <T> T part(Form<T> form, JsonNode json, Currency currency) {
        return whole(json, currency, form::read);
    }

    private static <T> T whole(JsonNode json, Currency currency, Function<JsonPlace, T> reader) {
        List<PlanProblem> problems = new ArrayList<>() {
            @Override
            public boolean add(PlanProblem problem) {
                if (size() == MOST_PROBLEMS) {
                    throw new BrokenPlan(this);
                }
                return super.add(problem);
            }
        };
        T found = reader.apply(JsonPlace.of(json, currency, problems));
        if (!problems.isEmpty()) {
            throw new BrokenPlan(problems);
        }
        return found;
    }
}
