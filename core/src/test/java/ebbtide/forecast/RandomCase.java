package ebbtide.forecast;

import ebbtide.books.Books;
import ebbtide.plan.Plan;
import ebbtide.statements.Statements;
import ebbtide.whatif.RandomScenarios;
import ebbtide.whatif.ScenarioPlan;
import ebbtide.whatif.Scenarios;

/**
 * A plan and its books made at random from a seed, with the forecast and the statements that come of them, each worked
 * out once.
 */
public final class RandomCase {
    private final long seed;
    private final Plan plan;
    private final Books books;
    private Forecast forecast;
    private Statements statements;

    /** Makes the case of a seed; the plan of every eighth is a scenario over another. */
    RandomCase(long seed) {
        RandomPlans.Case made = RandomPlans.of(seed);
        this.seed = seed;
        this.plan = seed % 8 == 3 ? scenario(made, seed) : made.plan();
        this.books = made.books();
    }

    private static Plan scenario(RandomPlans.Case made, long seed) {
        Scenarios all = RandomScenarios.of(seed, made.plan());
        return ScenarioPlan.of(
                        Forecaster.forecast(made.plan(), made.books()),
                        all,
                        all.find("second").orElseThrow())
                .plan();
    }

    public long seed() {
        return seed;
    }

    public Plan plan() {
        return plan;
    }

    public Books books() {
        return books;
    }

    /** Returns the forecast of the plan and its books. */
    public Forecast forecast() {
        forecast = forecast == null ? Forecaster.forecast(plan, books) : forecast;
        return forecast;
    }

    /** Returns the statements of that forecast. */
    public Statements statements() {
        statements = statements == null ? Statements.of(forecast()) : statements;
        return statements;
    }
}
