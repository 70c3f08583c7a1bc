package ebbtide.app.api;

import ebbtide.app.storage.Edits;
import io.swagger.v3.oas.annotations.media.Schema;

/** What an edit did: the plan's new version, the edit in words, and the marks of the forecast before and after. */
public record EditOutcome(long version, String words, PlanView.Marks was, PlanView.Marks became,
    @Schema(nullable = true) String id, int count) {

  static EditOutcome of(Edits.Done done) {
    return of(done, null, 0);
  }

  /** An outcome that names what was made, or counts what was touched. */
  static EditOutcome of(Edits.Done done, String id, int count) {
    return new EditOutcome(done.became().version(), done.words(), PlanView.Marks.of(done.was().forecast()),
        PlanView.Marks.of(done.became().forecast()), id, count);
  }
}
