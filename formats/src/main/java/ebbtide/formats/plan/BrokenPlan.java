package ebbtide.formats.plan;

import ebbtide.plan.PlanProblem;
import java.util.List;
import java.util.stream.Collectors;

/** A plan or a part of one that cannot be read, with everything wrong in it and where. */
public final class BrokenPlan extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final transient List<PlanProblem> problems;

    /** Makes the exception of at least one problem. */
    public BrokenPlan(List<PlanProblem> problems) {
        super(problems.stream().map(p -> p.place() + ": " + p.sentence()).collect(Collectors.joining("\n")));
        this.problems = List.copyOf(problems);
    }

    /** Returns the problems in the order in which they stand. */
    public List<PlanProblem> problems() {
        return problems;
    }
}
