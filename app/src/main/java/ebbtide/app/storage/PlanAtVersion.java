package ebbtide.app.storage;

import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.plan.Plan;
import java.util.Currency;
import java.util.List;

/**
 * A plan as it stands at a version, with its forecast, the lines with their places in the order, and how many movements
 * are not wholly assigned.
 */
public record PlanAtVersion(long version, Forecast forecast, List<PlacedLine> placed, int unassigned) {
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
