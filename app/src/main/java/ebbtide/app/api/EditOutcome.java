package ebbtide.app.api;

import com.fasterxml.jackson.annotation.JsonIgnore;
import ebbtide.app.storage.EditMade;
import ebbtide.app.storage.Marks;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.app.storage.Stores;
import io.swagger.v3.oas.annotations.media.Schema;
import org.jspecify.annotations.Nullable;

/**
 * What an edit did: the edit in words, the marks of the forecast before and after, the plan as it stands now, and what
 * changed of the forecast that the page shows, where it asked for that.
 */
public record EditOutcome(
        String words,
        Marks was,
        Marks became,
        PlanView view,
        @Schema(nullable = true) TableWithEdit.@Nullable TableChanged table,
        @JsonIgnore EditMade made) {

    static EditOutcome of(String planId, EditMade done, Stores stores) {
        return new EditOutcome(
                done.words(),
                Marks.of(done.was().forecast()),
                Marks.of(done.became().forecast()),
                PlanView.of(planId, done.became(), stores),
                null,
                done);
    }

    /** Returns what an edit did that was made some time ago, with the plan as it stands now. */
    static EditOutcome of(String planId, String words, Marks was, Marks became, PlanAtVersion now, Stores stores) {
        return new EditOutcome(
                words, was, became, PlanView.of(planId, now, stores), null, new EditMade(words, now, now));
    }

    EditOutcome with(TableWithEdit.TableChanged changed) {
        return new EditOutcome(words, was, became, view, changed, made);
    }
}
