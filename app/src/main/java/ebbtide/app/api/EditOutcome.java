package ebbtide.app.api;

import ebbtide.app.storage.EditMade;
import ebbtide.app.storage.Stores;

/** What an edit did: the edit in words, the marks of the forecast before and after, and the plan as it stands now. */
public record EditOutcome(String words, PlanView.Marks was, PlanView.Marks became, PlanView view) {

    static EditOutcome of(String planId, EditMade done, Stores stores) {
        return new EditOutcome(
                done.words(),
                PlanView.Marks.of(done.was().forecast()),
                PlanView.Marks.of(done.became().forecast()),
                PlanView.of(planId, done.became(), stores));
    }
}
