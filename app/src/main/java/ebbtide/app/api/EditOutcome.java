package ebbtide.app.api;

import com.fasterxml.jackson.annotation.JsonIgnore;
import ebbtide.app.desk.EditMade;
import ebbtide.app.desk.Marks;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.storage.Stores;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What an edit did: the edit in words, the marks of the forecast before and after, the plan as it stands now, what
 * others had done in words since the page last saw it, and what changed of the forecast that the page shows, where it
 * asked for that.
 */
public record EditOutcome(
        String words,
        Marks was,
        Marks became,
        PlanView view,
        List<String> meanwhile,
        @Schema(nullable = true) TableWithEdit.@Nullable TableChanged table,
        @JsonIgnore EditMade made) {

    static EditOutcome of(String planId, EditMade done, Stores stores) {
        return new EditOutcome(
                done.words(),
                Marks.of(done.was().forecast()),
                Marks.of(done.became().forecast()),
                PlanView.of(planId, done.became(), stores),
                done.meanwhile(),
                null,
                done);
    }

    /** Returns what an edit did that was made some time ago, with the plan as it stands now. */
    static EditOutcome of(String planId, String words, Marks was, Marks became, PlanAtVersion now, Stores stores) {
        return new EditOutcome(
                words,
                was,
                became,
                PlanView.of(planId, now, stores),
                List.of(),
                null,
                new EditMade(words, now, now, List.of()));
    }

    EditOutcome with(TableWithEdit.TableChanged changed) {
        return new EditOutcome(words, was, became, view, meanwhile, changed, made);
    }
}
