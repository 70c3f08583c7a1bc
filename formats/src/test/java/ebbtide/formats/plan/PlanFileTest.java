package ebbtide.formats.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion.VersionFlag;
import ebbtide.Asked;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.forecast.RandomPlans;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.PlanProblem;
import ebbtide.whatif.RandomScenarios;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The plan file: in and out without loss, described truly by its schema, refused with every problem in its place. */
class PlanFileTest {
    private static final Path SCHEMA = Path.of("../docs/plan.schema.json");

    static LongStream seeds() {
        return LongStream.range(0, Asked.of(200));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void document_writtenAndRead_isTheSameAndFitsTheSchema(long seed) throws IOException {
        RandomPlans.Case some = RandomPlans.of(seed);
        assertThat(PlanCheck.problems(some.plan())).isEmpty();
        List<BankMovement> movements = some.books().byLine().entrySet().stream()
                .flatMap(entry -> entry.getValue().stream()
                        .filter(m -> m.minor() != 0)
                        .map(m -> new BankMovement(
                                "a0",
                                m.day(),
                                m.day().plusDays(1),
                                m.minor(),
                                "Übertrag; \"Ref\" 12",
                                "Gull & Sons",
                                "R-1",
                                List.of(new BankMovement.AssignedPart(entry.getKey(), m.minor())))))
                .toList();
        PlanDocument document = new PlanDocument(
                some.plan(),
                some.books().accounts(),
                List.of(
                        new AssignRule("r1", "harbour", "", "a0", -1, 100L, 900L, null),
                        new AssignRule(
                                "r2",
                                "",
                                "Gull",
                                null,
                                1,
                                null,
                                null,
                                some.plan().lines().get(0).id())),
                movements,
                some.books().items().all(),
                RandomScenarios.of(seed, some.plan()));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PlanWriter.write(document, out);
        assertThat(PlanReader.read(new ByteArrayInputStream(out.toByteArray()))).isEqualTo(document);
        assertThat(schema().validate(out.toString(StandardCharsets.UTF_8), InputFormat.JSON))
                .isEmpty();
    }

    /** With -Dschema.write=true the file is written, not compared. */
    @Test
    void schemaFile_isWhatTheFormsSay() throws IOException {
        String said = PlanReader.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(PlanForm.schema()) + "\n";
        if (Boolean.getBoolean("schema.write")) {
            Files.writeString(SCHEMA, said);
        }
        assertThat(Files.readString(SCHEMA))
                .as("docs/plan.schema.json; -Dschema.write=true writes it anew")
                .isEqualTo(said);
    }

    private static JsonSchema schema() throws IOException {
        return JsonSchemaFactory.getInstance(VersionFlag.V202012).getSchema(Files.readString(SCHEMA));
    }

    private static List<PlanProblem> problems(String json) {
        return catchThrowableOfType(
                        BrokenPlan.class,
                        () -> PlanReader.read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8))))
                .problems();
    }

    @Test
    void brokenFile_manyFaults_allAreNamedWithTheirPlaces() {
        String json = """
        {"format": "ebbtide-plan", "version": 1,
         "settings": {"name": "  ", "currency": "POUND", "asOf": "1 March", "horizonMonths": 99, "colour": "blue"},
         "accounts": [{"id": "a", "name": "Bank", "country": "XX", "balanceDate": "2026-03-01", "balance": "10"}],
         "lines": [
          {"id": "x", "name": "Sales", "direction": "in", "assumption": {"kind": "stream", "method": {"kind": "fixed"}}},
          {"id": "y", "name": "Ice", "direction": "payment", "assumption": {"kind": "stream",
            "method": {"kind": "share", "line": "x", "share": "12.34567"},
            "pattern": {"steps": [{"share": "50"}, {"share": "40", "lag": 1}]}}}]}""";
        assertThat(problems(json))
                .extracting(PlanProblem::place)
                .contains(
                        "/settings/currency",
                        "/settings/asOf",
                        "/settings/name",
                        "/settings/horizonMonths",
                        "/settings/colour",
                        "/accounts/0",
                        "/lines/0/direction",
                        "/lines/1/assumption/method/share",
                        "/lines/1/assumption/pattern");
        assertThat(problems(json))
                .extracting(PlanProblem::sentence)
                .contains("Shares must add up to 100%, but 50% + 40% is 90%: 10% is missing")
                .contains(
                        "'colour' is not known here; known are name, currency, asOf, firstDayOfWeek, firstFiscalMonth, "
                                + "horizonMonths, amountSteps, closedAfter, minimumCash, facility, paymentRuns, funding, cashRate, covenants, pastMonths, explained, longRange, "
                                + "openingSheet, countedReceipts, countedPayments, habits, documents, terms, chances");
    }

    @Test
    void brokenFile_noJson_namesLineAndColumn() {
        assertThat(problems("{\"format\": \"ebbtide-plan\",\n  \"version\" 1}"))
                .singleElement()
                .satisfies(problem -> assertThat(problem.place()).startsWith("line 2, column"));
    }

    @Test
    void brokenFile_cutOffOrEmpty_saysSoAndNothingElse() {
        assertThat(problems("{\"format\": \"ebbtide-plan\",\n  \"version\": 1, \"settings\": {"))
                .containsExactly(new PlanProblem(
                        "line 2", "This is no JSON: it ends in the middle, as a file does that was cut off"));
        assertThat(problems(" \n")).containsExactly(new PlanProblem("/", "There is nothing in it"));
    }

    @Test
    void brokenFile_linesThatReferToNothing_areNamed() {
        String json = """
        {"format": "ebbtide-plan", "version": 1, "settings": {"name": "P", "currency": "GBP", "asOf": "2026-03-01"},
         "lines": [{"id": "x", "group": "none", "name": "Sales", "direction": "receipt", "account": "gone",
           "assumption": {"kind": "items"}}],
         "movements": [{"account": "b", "bookingDate": "2026-02-01", "amount": "5",
           "parts": [{"line": "q", "amount": "5"}]}, {"account": "b", "bookingDate": "2026-02-01", "amount": "5",
           "parts": [{"amount": "6"}]}]}""";
        assertThat(problems(json))
                .extracting(PlanProblem::place)
                .contains("/lines/0/group", "/lines", "/movements/0/account", "/movements/0/parts", "/movements/1");
    }
}
