package ebbtide.flows;

/** The three parts of a cell (rules 5.3): bank fact, known item, what the plan still expects. */
public enum Part {
    SETTLED,
    COMMITTED,
    ESTIMATED
}
