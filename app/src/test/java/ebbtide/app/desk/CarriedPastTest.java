package ebbtide.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.app.InMemory;
import ebbtide.app.storage.ChangeLog;
import ebbtide.app.storage.ShortId;
import ebbtide.app.storage.SnapshotStore;
import ebbtide.app.storage.Stores;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanPast.LoggedEdit;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.sim.DemoCompany;
import ebbtide.sim.DemoPast;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A plan file with its past: snapshots, the notes on them and the log are the same in the plan that is made of it. */
@InMemory
class CarriedPastTest {
    @Autowired
    private Edits edits;

    @Autowired
    private WholePlans whole;

    @Autowired
    private Plans plans;

    @Autowired
    private Stores stores;

    @Test
    void past_writtenAndReadIntoAnotherPlan_isTheSameThere() {
        String plan = whole.add(DemoCompany.document(), DemoPast.forecasts().subList(0, 4));
        String first = stores.snapshots().all(plan).get(0).id();
        LocalDate day = LocalDate.of(2026, 2, 1);
        edits.edit(plan, 1, "Note", draft -> draft.putNote(first, day, day.plusDays(6), "shop", "the storm | and ice"));
        edits.edit(
                plan,
                2,
                "Locked",
                draft -> draft.putSaid(
                        first, new SnapshotStore.SnapshotLabel("Approved", "by the board", true, "as agreed")));
        edits.edit(
                plan,
                3,
                "Kept",
                draft -> draft.addSnapshot(
                        ShortId.next(), "Now", "", plans.current(plan).forecast()));
        edits.edit(plan, 4, "A rule out", draft -> draft.removeRule("rule-card"));
        edits.undo(plan);
        PlanDocument document = whole.documentWithPast(plan);
        assertThat(document.past().snapshots()).hasSize(5);
        assertThat(document.past().log()).extracting(LoggedEdit::held).containsExactly(true, true, true, false);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PlanWriter.write(document, out);

        String copy = whole.add(PlanReader.read(new ByteArrayInputStream(out.toByteArray())));
        assertThat(InOrder.of(whole.documentWithPast(copy))).isEqualTo(InOrder.of(document));
        assertThat(stores.snapshots().all(copy))
                .usingRecursiveComparison()
                .ignoringFields("size")
                .isEqualTo(stores.snapshots().all(plan));
        assertThat(stores.notes().of(copy, first, day, day.plusDays(6))).containsEntry("shop", "the storm | and ice");
        assertThat(stores.log().latest(copy, 9))
                .extracting(ChangeLog.ChangeListed::state)
                .containsExactly("REPLACED", "CARRIED", "CARRIED", "CARRIED");
        assertThatThrownBy(() -> edits.undo(copy)).hasMessageStartingWith("There is nothing to undo");
        assertThat(whole.document(plan).past().snapshots())
                .as("unless it is asked for")
                .isEmpty();
    }
}
