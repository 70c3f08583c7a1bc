package ebbtide.app.storage;

import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.plan.Plan;
import ebbtide.whatif.Scenarios;
import java.util.Currency;
import java.util.List;

/**
 * A plan as it stands at a version, with its forecast, the lines with their places in the order, how many movements are
 * not wholly assigned, and its scenarios.
 */
public record PlanAtVersion(
        long version, Forecast forecast, List<PlacedLine> placed, int unassigned, Scenarios scenarios) {
    public Plan plan() {
        return forecast.plan();
    }

    public Books books() {
        return forecast.books();
    }

    public Currency currency() {
        return plan().settings().currency();
    }
}
