package ebbtide.app.api;

import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.plan.Line;

/** The line that an open item belongs to. */
final class LineOfItem {
    private LineOfItem() {}

    /** Returns the line of an id; refuses one that is not there, and a group. */
    static Line require(PlanAtVersion current, String id) {
        return current.plan()
                .findLine(id)
                .filter(line -> !line.isGroup())
                .orElseThrow(() -> new NotFound("line for items", id));
    }
}
