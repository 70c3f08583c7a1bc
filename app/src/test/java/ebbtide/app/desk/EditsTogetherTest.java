package ebbtide.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.app.InMemory;
import ebbtide.app.people.Hand;
import ebbtide.app.storage.Stores;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.Line;
import ebbtide.plan.Settings;
import ebbtide.sim.DemoCompany;
import ebbtide.whatif.Scenario;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Edits made on one version by several hands: those that touch nothing of each other all hold, others are refused. */
@InMemory
class EditsTogetherTest {
    @Autowired
    private Edits edits;

    @Autowired
    private Plans plans;

    @Autowired
    private WholePlans whole;

    @Autowired
    private Stores stores;

    private String plan;

    @BeforeEach
    void makePlan() {
        plan = whole.add(DemoCompany.document());
    }

    private ObjectNode json(String line) {
        return PlanWriter.json(line(line), plans.current(plan).currency());
    }

    private Line line(String id) {
        return plans.current(plan).plan().findLine(id).orElseThrow();
    }

    private static ObjectNode with(ObjectNode line, UnaryOperator<String> change) {
        return (ObjectNode) PlanReader.parse(change.apply(line.toString()));
    }

    @Test
    void lineAndItsOtherField_changedByTwoHandsOnOneVersion_bothHoldAndTheSecondIsToldOfTheFirst() {
        ObjectNode seen = json("diesel");
        edits.edit(plan, 1, LineEdits.put("diesel", seen.deepCopy().put("note", "two boats"), "Noted"));
        EditMade second = edits.edit(
                plan,
                1,
                LineEdits.put("diesel", with(seen, one -> one.replace("17800.00", "19000.00")), "Diesel dearer"));
        assertThat(second.meanwhile()).containsExactly("Noted");
        assertThat(second.words()).isEqualTo("Diesel: base a month 17,800 → 19,000 GBP");
        assertThat(line("diesel").note()).isEqualTo("two boats");
        assertThat(json("diesel").toString()).contains("19000.00");
        edits.undo(plan);
        assertThat(json("diesel")).isEqualTo(seen.put("note", "two boats"));
    }

    @Test
    void sameField_changedByTwoHands_isRefusedInWords_andNothingOfTheSecondIsKept() {
        ObjectNode seen = json("diesel");
        edits.edit(plan, 1, LineEdits.put("diesel", with(seen, one -> one.replace("17800.00", "19000.00")), ""));
        assertThatThrownBy(() -> edits.edit(
                        plan,
                        1,
                        LineEdits.put("diesel", with(seen, one -> one.replace("17800.00", "18000.00")), "late")))
                .isInstanceOf(StaleVersion.class)
                .hasMessageContaining("Diesel: base a month 17,800 → 19,000 GBP");
        assertThatThrownBy(() -> edits.edit(plan, 1, LineEdits.delete("diesel")))
                .as("nobody deletes what he has not seen")
                .isInstanceOf(StaleVersion.class);
        assertThat(plans.current(plan).version()).isEqualTo(2);
        assertThat(json("diesel").toString()).contains("19000.00");
    }

    /** A view that has read the line anew sends it with what others made of it, and still names the version before. */
    @Test
    void line_sentAsOthersLeftIt_onTheVersionBefore_isNoConflict() {
        edits.edit(plan, 1, LineEdits.put("diesel", json("diesel").put("note", "two boats"), "Noted"));
        ObjectNode readAnew = with(json("diesel"), one -> one.replace("17800.00", "19000.00"));
        edits.edit(plan, 1, LineEdits.put("diesel", readAnew, ""));
        assertThat(json("diesel")).isEqualTo(readAnew);
    }

    /** What was undone since was changed since: an edit of it is refused; one beside it holds. */
    @Test
    void undoAndRedo_areChangesOfWhatTheyTouch() {
        ObjectNode first = json("diesel");
        edits.edit(plan, 1, LineEdits.put("diesel", with(first, one -> one.replace("17800.00", "19000.00")), ""));
        ObjectNode second = json("diesel");
        edits.undo(plan, 2);
        assertThatThrownBy(() -> edits.edit(
                        plan, 2, LineEdits.put("diesel", with(second, one -> one.replace("19000.00", "20000.00")), "")))
                .isInstanceOf(StaleVersion.class)
                .hasMessageContaining("Undone: Diesel");
        edits.redo(plan, 3);
        ObjectNode noted = second.deepCopy().put("note", "as it was");
        EditMade beside = edits.edit(plan, 2, LineEdits.put("diesel", noted, "Noted"));
        assertThat(beside.meanwhile()).hasSize(2);
        assertThat(json("diesel")).isEqualTo(noted);
        assertThatThrownBy(() -> edits.undo(plan, 4))
                .as("nobody takes back what he has not seen")
                .isInstanceOf(StaleVersion.class);
    }

    @Test
    void edit_thatReadsWhatWasChanged_isRefused_andOneThatDoesNotHolds() {
        ObjectNode seen = json("diesel");
        edits.edit(plan, 1, LineEdits.put("diesel", with(seen, one -> one.replace("17800.00", "19000.00")), ""));
        SnapshotEdits snapshots = new SnapshotEdits(stores, plans);
        assertThatThrownBy(() -> edits.edit(plan, 1, snapshots.keep("As I saw it", "")))
                .isInstanceOf(StaleVersion.class);
        assertThatThrownBy(() -> edits.edit(plan, 1, LineEdits.copy("diesel", "diesel-2")))
                .isInstanceOf(StaleVersion.class);
        edits.edit(plan, 1, AssignEdits.forget("rule-card"));
        edits.edit(plan, 2, snapshots.keep("The same, as no forecast reads a rule", ""));
        assertThat(stores.snapshots().all(plan)).hasSize(1);
    }

    /** A line into a group that another hand deletes: each holds alone, together they are no plan. */
    @Test
    void edits_thatTogetherBreakThePlan_areRefusedAsChangedMeanwhile() {
        edits.edit(plan, 1, LineEdits.delete("group-people"));
        assertThatThrownBy(() -> edits.edit(plan, 1, LineEdits.move("rent", "group-people", null)))
                .isInstanceOf(StaleVersion.class)
                .hasMessageContaining("'People' deleted");
    }

    @Test
    void scenario_editedByTwoHandsAtDifferentLines_holdsBoth_andAtOneIsRefused() throws Exception {
        ObjectNode diesel = json("diesel");
        ObjectNode licences = json("licences");
        Hand hand = new Hand("one", Hand.OWN.standing(), "lost-export");
        hand.does(() -> {
            edits.edit(plan, 1, LineEdits.put("diesel", with(diesel, one -> one.replace("17800.00", "9000.00")), ""));
            edits.edit(
                    plan, 1, LineEdits.put("licences", with(licences, one -> one.replace("7200.00", "7900.00")), ""));
            assertThatThrownBy(() -> edits.edit(
                            plan,
                            1,
                            LineEdits.put("diesel", with(diesel, one -> one.replace("17800.00", "9900.00")), "")))
                    .isInstanceOf(StaleVersion.class);
        });
        Scenario scenario = plans.current(plan).scenarios().find("lost-export").orElseThrow();
        assertThat(scenario.changes()).hasSize(4);
        assertThat(stores.log().latest(plan, 1).get(0).author()).isEqualTo("one");
        assertThat(line("diesel"))
                .as("the base")
                .isEqualTo(DemoCompany.document().plan().findLine("diesel").orElseThrow());
    }

    @Test
    void versionThatIsToCome_orStepsNobodyKnows_areRefused() {
        assertThatThrownBy(() -> edits.edit(plan, 7, LineEdits.clear("diesel"))).isInstanceOf(StaleVersion.class);
        stores.plans().setVersion(plan, 5);
        assertThatThrownBy(() -> edits.edit(plan, 1, LineEdits.clear("diesel"))).isInstanceOf(StaleVersion.class);
    }

    /**
     * Several hands edit at once, each on the version it last saw, and repeat what is refused on the version that is:
     * in the end everything that was answered is there, and all of it undone leaves the plan as it was.
     */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void hands_thatEditAtOnce_loseNothing_andAreRefusedOnlyWhereTheyMeet(long seed) {
        PlanDocument before = whole.document(plan);
        List<String> lines = before.plan().lines().stream()
                .filter(one -> !one.isGroup())
                .map(Line::id)
                .toList();
        AtomicInteger refused = new AtomicInteger();
        AtomicInteger made = new AtomicInteger();
        List<CompletableFuture<Void>> hands = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            int own = i;
            hands.add(CompletableFuture.runAsync(() -> {
                Random random = new Random(seed * 10 + own);
                long version = 1;
                for (int k = 0; k < 12; k++) {
                    // Each hand has lines of its own; all share the settings, each a field of its own.
                    String id = lines.get(4 * random.nextInt(lines.size() / 4) + own);
                    try {
                        EditMade one = random.nextInt(5) > 0
                                ? note(id, version, "hand " + own + " edit " + k)
                                : settings(own, k);
                        version = one.became().version();
                        made.addAndGet(version > one.was().version() ? 1 : 0);
                    } catch (StaleVersion e) {
                        refused.incrementAndGet();
                    }
                }
            }));
        }
        hands.forEach(CompletableFuture::join);
        assertThat(refused).hasValue(0);
        assertThat(plans.current(plan).version()).isEqualTo(1 + made.get());
        stores.log().latest(plan, 100).stream()
                .filter(one -> one.words().startsWith("hand"))
                .collect(Collectors.groupingBy(one -> one.words().split(": ")[1]))
                .forEach((id, noted) -> assertThat(line(id).note())
                        .isEqualTo(noted.get(0).words().split(": ")[0]));
        for (int i = 0; i < made.get(); i++) {
            edits.undo(plan);
        }
        assertThat(whole.document(plan)).usingRecursiveComparison().isEqualTo(before);
    }

    private EditMade note(String id, long version, String note) {
        ObjectNode sent = json(id).put("note", note);
        return edits.edit(plan, version, LineEdits.put(id, sent, note + ": " + id));
    }

    private EditMade settings(int own, int k) {
        PlanAtVersion seen = plans.current(plan);
        Settings now = seen.plan().settings();
        ObjectNode sent = PlanWriter.json(now);
        List<String> fields = List.of("horizonMonths", "name", "firstDayOfWeek", "firstFiscalMonth");
        List<JsonNode> values = List.of(
                PlanReader.parse("" + (20 + k)),
                PlanReader.parse("\"Named " + k + "\""),
                PlanReader.parse(k % 2 == 0 ? "\"sunday\"" : "\"monday\""),
                PlanReader.parse(k % 2 == 0 ? "\"april\"" : "\"january\""));
        sent.set(fields.get(own), values.get(own));
        return edits.edit(plan, seen.version(), SettingsEdits.put(sent));
    }
}
