package ebbtide.app.desk;

import ebbtide.app.storage.NoteStore;
import ebbtide.app.storage.Stores;
import ebbtide.formats.plan.PlanPast;
import ebbtide.formats.plan.PlanPast.KeptSnapshot;
import java.time.LocalDate;

/** What was of a plan before now, read out for its file, or taken from one into a plan that is just made. */
record CarriedPast(Stores stores) {
    /** Returns the snapshots that are there, the notes on them, and every edit. */
    PlanPast read(String planId) {
        return new PlanPast(
                stores.snapshots().inOrder(planId).stream()
                        .map(one -> new KeptSnapshot(
                                one.id(),
                                one.name(),
                                one.note(),
                                one.locked(),
                                one.commentary(),
                                one.scenario(),
                                one.takenAt(),
                                one.lowWaterDay(),
                                one.lowWaterCash(),
                                stores.snapshots().get(planId, one.id(), LocalDate.MAX),
                                stores.snapshots().statements(planId, one.id()).orElse(null)))
                        .toList(),
                stores.notes().all(planId),
                stores.log().all(planId));
    }

    /** Puts a past into a plan without any; its edits are read in the log from then on, and not undone. */
    void write(String planId, PlanPast past) {
        past.snapshots().forEach(one -> stores.snapshots().add(planId, one));
        past.notes().forEach(note -> stores.notes()
                .restore(planId, NoteStore.id(note.snapshot(), note.from(), note.to(), note.row()), note.note()));
        stores.log().carry(planId, past.log());
    }
}
