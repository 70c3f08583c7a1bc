package ebbtide.formats.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion.VersionFlag;
import ebbtide.Asked;
import ebbtide.books.ActualLedger;
import ebbtide.books.ActualLedger.Said;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.LedgerRow;
import ebbtide.books.TrialBalance;
import ebbtide.books.TrialBalance.Balance;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.formats.plan.PlanPast.KeptSnapshot;
import ebbtide.formats.plan.PlanPast.LoggedEdit;
import ebbtide.formats.plan.PlanPast.VarianceNote;
import ebbtide.money.Percent;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.PlanProblem;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearsPlan;
import ebbtide.statements.KeptStatements;
import ebbtide.statements.Statements;
import ebbtide.track.Snapshot;
import ebbtide.whatif.RandomScenarios;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
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
                RandomScenarios.of(seed, some.plan()),
                seed % 3 == 0 ? ledger(some.plan()) : ActualLedger.NONE,
                seed % 4 == 0 ? past(some) : PlanPast.NONE);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PlanWriter.write(document, out);
        assertThat(PlanReader.read(new ByteArrayInputStream(out.toByteArray()))).isEqualTo(document);
        assertThat(schema().validate(out.toString(StandardCharsets.UTF_8), InputFormat.JSON))
                .isEmpty();
    }

    /** What was of a plan: its forecast kept twice, once as a scenario's, a note on it, and two edits. */
    private static ActualLedger ledger(Plan plan) {
        return new ActualLedger(
                List.of(new TrialBalance(
                        YearMonth.of(2026, 1),
                        List.of(new Balance("4000", "Sales", -3_800_000), new Balance("1000", "", 3_800_000)))),
                List.of(
                        new Said("4000", null, plan.lines().get(0).id()),
                        new Said("1000", LedgerRow.ACCUMULATED_DEPRECIATION, null)),
                true);
    }

    private static PlanPast past(RandomPlans.Case some) {
        Forecast of = Forecaster.forecast(some.plan(), some.books());
        Snapshot forecast = Snapshot.of(of, Line::name);
        KeptStatements kept = KeptStatements.of(Statements.of(of));
        OffsetDateTime moment = OffsetDateTime.parse("2026-03-01T09:30:00Z");
        LocalDate day = forecast.asOf();
        return new PlanPast(
                List.of(
                        new KeptSnapshot("s1", "First", "", false, "", null, moment, day, -5, forecast, null),
                        new KeptSnapshot("s2", "Late", "n", true, "all", "Late shops", moment, day, 7, forecast, kept)),
                List.of(new VarianceNote("s1", day, day.plusDays(6), "sales", "late \"shops\"")),
                List.of(
                        new LoggedEdit(moment, "ada", "Sales: 5", true),
                        new LoggedEdit(moment, "", "Sales: 6", false)));
    }

    @Test
    void brokenPast_isRefusedWithItsPlace() {
        String plan = """
        {"format": "ebbtide-plan", "version": 1, "settings": {"name": "P", "currency": "GBP", "asOf": "2026-03-01"},
         "past": {"snapshots": [%s], "log": [{"madeAt": "yesterday", "author": "", "words": ""}]}}""";
        String snapshot = """
        {"id": "s", "name": "S", "takenAt": "2026-03-01T09:30:00Z", "lowWaterDay": "2026-03-01", "lowWaterCash": "0",
         "forecast": {"asOf": "2026-03-01", "horizonEnd": "2026-03-31", "cash": "0", "lines": [
          {"id": "x", "name": "X", "direction": "receipt", "committed": {"2026-03-01": "5"}}]}}""";
        assertThat(problems(plan.formatted(snapshot)))
                .extracting(one -> one.place() + ": " + one.sentence())
                .containsExactlyInAnyOrder(
                        "/past/snapshots/0/forecast: Its days lie after 2026-03-01 and up to 2026-03-31",
                        "/past/log/0/madeAt: A moment is written 2026-03-01T09:30:00Z, but was 'yesterday'");
        String whole = snapshot.replace("2026-03-01\": \"5", "2026-03-02\": \"5");
        assertThat(problems(plan.formatted(whole + "," + whole).replace("yesterday", "2026-03-01T09:30:00Z")))
                .extracting(PlanProblem::sentence)
                .containsExactly("Two snapshots have the same id: give one of them another");
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
                                + "horizonMonths, amountSteps, closedAfter, minimumCash, facility, paymentRuns, funding, cashRate, covenants, pastMonths, explained, "
                                + "openingSheet, years, countedReceipts, countedPayments, habits, documents, terms, chances");
    }

    @Test
    void yearsOfEarlierFiles_areReadAsDrivers_orNamedWithWhatIsWrong() {
        String file = """
                {"format": "ebbtide-plan", "version": 1, "accounts": [], "lines": [], "settings": {"name": "P",
                 "currency": "GBP", "asOf": "2025-12-31", "horizonMonths": 18, "longRange": {"growth": ["5", "%s"],
                 "fixed": "100", "fixedGrowth": "2", "capitalSpending": ["10", "0"]}}}""";
        YearsPlan years = PlanReader.read(
                        new ByteArrayInputStream(file.formatted("4").getBytes(StandardCharsets.UTF_8)))
                .plan()
                .settings()
                .years();
        assertThat(years.count()).isEqualTo(2);
        assertThat(years.rules().meanBalance()).isFalse();
        assertThat(years.driver("overheads"))
                .isEqualTo(new YearDriver.Amount(
                        new TreeMap<>(Map.of(2027, 10_000L)), new TreeMap<>(Map.of(2028, Percent.parse("2")))));
        assertThat(problems(file.formatted("-400")))
                .extracting(PlanProblem::place)
                .contains("/settings/longRange");
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
