package ebbtide.forecast;

import ebbtide.accounts.Accounts;
import ebbtide.books.Books;
import ebbtide.flows.Flows;
import ebbtide.funding.Funding;
import ebbtide.plan.Plan;
import java.util.Optional;

/**
 * The pipeline from plan and books to the forecast, a pure function of the two, to the cent: accounts, the flows they
 * lay, the sweep that funds them, and the interest of the sweep in the accounts again, until what is paid out of profit
 * stands.
 */
public final class Forecaster {
    /**
     * More than the years of the longest horizon: what is paid out of a year's profit follows from its interest, so
     * each takes a round (rules 8.9).
     */
    private static final int MOST_ROUNDS = 10;

    private Forecaster() {}

    /** Returns the forecast of a plan without problems ({@link ebbtide.plan.PlanCheck}) and its books. */
    public static Forecast forecast(Plan plan, Books books) {
        return forecast(Accounts.of(plan, books), Optional.empty());
    }

    /**
     * Returns the same forecast, quicker: what an earlier one has worked out from the very same is taken over from it.
     */
    public static Forecast forecast(Plan plan, Books books, Forecast earlier) {
        return forecast(earlier.accounts().next(plan.sharing(earlier.plan()), books), Optional.of(earlier));
    }

    private static Forecast forecast(Accounts accounts, Optional<Forecast> earlier) {
        Flows laid = Flows.of(accounts, earlier.map(Forecast::laid));
        Flows flows = laid;
        Funding funding = Funding.of(flows, earlier.map(Forecast::funding));
        for (int round = 0; round < MOST_ROUNDS; round++) {
            Accounts borne = flows.accounts().withInterest(funding.interestByMonth());
            Flows then = borne == flows.accounts() ? flows : flows.with(borne);
            boolean stands = then.estimateAs(flows);
            flows = then;
            if (stands) {
                break;
            }
            funding = funding.with(flows);
        }
        return new Forecast(
                flows.accounts().withInterest(funding.interestByMonth()), laid, flows.swept(funding.moved()), funding);
    }
}
