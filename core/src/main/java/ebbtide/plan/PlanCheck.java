package ebbtide.plan;

import static java.util.Map.entry;
import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;

/**
 * The check of what only shows between lines: ids, groups that exist, and what each kind of line asks of the others.
 */
public final class PlanCheck {
    private static final String COMES_IN_THERE_TOO = "stands under payments: what comes in is shown there too";
    private static final String DRAWN_THERE_TOO = "stands under payments: what is drawn or earned is shown there too";
    private static final String PAYS_ALONE = "stands under payments: a lease is paid for, so turn its line to payments";

    /** What each kind of line asks of the lines around it. */
    static final Map<Class<? extends Assumption>, Consumer<LineCheck>> KINDS = Map.ofEntries(
            entry(Assumption.Group.class, check -> {}),
            entry(Assumption.Stream.class, check -> new StreamCheck(
                            check, (Assumption.Stream) check.line().assumption())
                    .run()),
            entry(Recurring.class, check -> {}),
            entry(DatedItems.class, check -> {}),
            entry(Pay.class, check -> new PayCheck(check, (Pay) check.line().assumption()).run()),
            entry(SalesTaxSettlement.class, check -> check.settles("sales tax")),
            entry(ProfitTax.class, check -> check.settles("profit tax")),
            entry(CapitalSpending.class, check -> check.onlyPayment(COMES_IN_THERE_TOO)),
            entry(Dividends.class, check -> check.onlyPayment(COMES_IN_THERE_TOO)),
            entry(Revolving.class, check -> check.onlyPayment(DRAWN_THERE_TOO)),
            entry(TermLoan.class, check -> check.onlyPayment(DRAWN_THERE_TOO)),
            entry(TermDeposit.class, check -> check.onlyPayment(DRAWN_THERE_TOO)),
            entry(Lease.class, check -> check.onlyPayment(PAYS_ALONE)),
            entry(Interest.class, check -> {
                check.onlyPayment(DRAWN_THERE_TOO);
                new InterestCheck(check, (Interest) check.line().assumption()).run();
            }));

    private final Plan plan;
    private final Map<String, Line> byId = new HashMap<>();
    private final List<PlanProblem> problems = new ArrayList<>();

    private PlanCheck(Plan plan) {
        this.plan = plan;
    }

    /** Returns everything wrong between the lines of a plan, in the order of its lines; empty when all is well. */
    public static List<PlanProblem> problems(Plan plan) {
        PlanCheck check = new PlanCheck(plan);
        check.run();
        return check.problems;
    }

    private void run() {
        for (int i = 0; i < plan.lines().size(); i++) {
            Line line = plan.lines().get(i);
            if (byId.putIfAbsent(line.id(), line) != null) {
                problem(i, "/id", "The id '" + line.id() + "' is used by two lines: give one of them another");
            }
        }
        for (int i = 0; i < plan.lines().size(); i++) {
            Line line = plan.lines().get(i);
            int index = i;
            checkGroup(i, line);
            requireNonNull(KINDS.get(line.assumption().getClass()))
                    .accept(new LineCheck(
                            line,
                            plan.settings(),
                            plan.lines().subList(0, i),
                            byId::get,
                            (where, sentence) -> problem(index, where, sentence)));
        }
    }

    private void checkGroup(int index, Line line) {
        if (line.group() == null) {
            return;
        }
        Line group = byId.get(line.group());
        if (group == null) {
            problem(
                    index,
                    "/group",
                    "'" + line.name() + "' stands in a group that is not in the plan ('" + line.group()
                            + "'): add the group, or leave it out");
            return;
        }
        if (!group.isGroup()) {
            problem(index, "/group", "'" + line.name() + "' stands in '" + group.name() + "', which is not a group");
        } else if (group.direction() != line.direction()) {
            problem(
                    index,
                    "/group",
                    "'" + line.name() + "' and its group '" + group.name()
                            + "' are not both receipts or both payments");
        }
        Set<String> seen = new HashSet<>(Set.of(line.id()));
        for (Line at = group; at != null; at = at.group() == null ? null : byId.get(at.group())) {
            if (!seen.add(at.id())) {
                problem(index, "/group", "'" + line.name() + "' stands inside itself: put it in another group");
                return;
            }
        }
    }

    private void problem(int index, String where, String sentence) {
        problems.add(new PlanProblem("/lines/" + index + where, sentence));
    }
}
