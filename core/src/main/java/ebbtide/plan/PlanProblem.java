package ebbtide.plan;

/** Something wrong in a plan: the place (a path such as "lines/3/pattern"), and a sentence that says how to mend it. */
public record PlanProblem(String place, String sentence) {}
