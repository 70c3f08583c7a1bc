package ebbtide.app.desk;

import java.util.List;

/**
 * What an edit did: its words, the plan before and after, and what others had done in words, the earliest first, since
 * the version it was made on.
 */
public record EditMade(String words, PlanAtVersion was, PlanAtVersion became, List<String> meanwhile) {
    public EditMade {
        meanwhile = List.copyOf(meanwhile);
    }
}
