package ebbtide.app.desk;

import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.books.ActualLedger;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.plan.Pay;
import ebbtide.plan.Plan;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.ScenarioPlan;
import ebbtide.whatif.Scenarios;
import java.util.Currency;
import java.util.List;
import java.util.Optional;

/**
 * A plan as it stands at a version, with its forecast, the lines with their places in the order, how many movements are
 * not wholly assigned, its scenarios, and which of them it is, if one.
 */
public record PlanAtVersion(
        long version,
        Forecast forecast,
        List<PlacedLine> placed,
        int unassigned,
        Scenarios scenarios,
        Optional<Shown> shown) {
    /** A scenario that is shown in the place of the base: what it makes of the base, and the base's forecast. */
    public record Shown(Scenario scenario, ScenarioPlan made, Forecast base) {}

    /** Makes the base as it stands at a version. */
    PlanAtVersion(long version, Forecast forecast, List<PlacedLine> placed, int unassigned, Scenarios scenarios) {
        this(version, forecast, placed, unassigned, scenarios, Optional.empty());
    }

    public Plan plan() {
        return forecast.plan();
    }

    /** Returns whether what a line assumes says what each is paid. */
    public boolean isPay(String lineId) {
        return plan().findLine(lineId)
                .filter(line -> line.assumption() instanceof Pay)
                .isPresent();
    }

    public Books books() {
        return forecast.books();
    }

    /** Returns what the ledger says of months that are over. */
    public ActualLedger ledger() {
        return books().actual();
    }

    public Currency currency() {
        return plan().settings().currency();
    }
}
