package ebbtide.plan;

/** How sure a dated item is (rules 7.7). */
public enum Certainty {
    CERTAIN,
    LIKELY,
    POSSIBLE
}
