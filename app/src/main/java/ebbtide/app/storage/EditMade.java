package ebbtide.app.storage;

/** What an edit did: its words, the plan before and after. */
public record EditMade(String words, PlanAtVersion was, PlanAtVersion became) {}
