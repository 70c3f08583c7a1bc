package ebbtide.app.desk;

import ebbtide.money.Refused;
import ebbtide.plan.AssumptionChange;
import ebbtide.plan.Input;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import java.util.List;

/** What an edit of a line changed, in words for the change log. */
final class LineWords {
    private LineWords() {}

    /**
     * Returns "Diesel: growth a month 0.4 → 0.9%" where one assumption went from one value to another and nothing else
     * changed, and what whoever made the edit says of it otherwise: so of an override, which has a reason.
     */
    static String of(Plan before, Line after, String said) {
        Line was = before.findLine(after.id()).orElse(null);
        if (was == null
                || !was.with(after.assumption()).overridden(after.overrides()).equals(after)) {
            return said;
        }
        List<Line> lines =
                before.lines().stream().map(one -> one == was ? after : one).toList();
        Plan edited = new Plan(before.settings(), lines, before.buoys());
        List<AssumptionChange> changes = AssumptionChange.ofLine(before, edited, after.id());
        return changes.size() == 1
                        && isOfValue(changes.get(0))
                        && isAll(before, edited, changes.get(0).path())
                ? after.name() + ": " + changes.get(0).words()
                : said;
    }

    private static boolean isOfValue(AssumptionChange change) {
        return change.was() != null && change.now() != null && !change.path().contains("/overrides");
    }

    /** Says whether the one input makes the whole edit: inputs that go without saying are listed nowhere. */
    private static boolean isAll(Plan before, Plan edited, String path) {
        Input.Value now = PlanInputs.find(edited, path).orElseThrow().value();
        try {
            return PlanInputs.find(before, path).orElseThrow().with(now).equals(edited);
        } catch (Refused onlyWithAnother) {
            return false;
        }
    }
}
