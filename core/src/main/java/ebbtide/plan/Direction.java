package ebbtide.plan;

/** Whether a line brings cash in or takes it out; inputs are positive, the direction gives the sign (rules 1.4). */
public enum Direction {
    RECEIPT(1),
    PAYMENT(-1);

    private final int sign;

    Direction(int sign) {
        this.sign = sign;
    }

    /** Returns +1 for cash in, -1 for cash out. */
    public int sign() {
        return sign;
    }
}
