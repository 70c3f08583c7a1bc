package ebbtide.plan;

import java.util.Optional;

/**
 * The check of a line of interest among the lines of its plan: that what it is interest of is there, and has no other.
 */
record InterestCheck(LineCheck check, Interest interest) {
    void run() {
        String name = "'" + check.line().name() + "'";
        Optional<Line> paid = Optional.ofNullable(interest.lineId()).flatMap(check::find);
        if (interest.lineId() != null
                && !paid.flatMap(line -> line.assumption().interest()).equals(Optional.of(interest.of()))) {
            boolean deposit = interest.of() == Interest.Of.DEPOSIT;
            check.problem(
                    "/assumption/line",
                    name + " is interest of "
                            + paid.map(line -> "'" + line.name() + "', which is no "
                                            + (deposit ? "deposit" : "facility and no loan"))
                                    .orElse("a line that is not in the plan ('" + interest.lineId() + "')")
                            + (deposit
                                    ? ": choose a deposit, or take it out"
                                    : ": choose a facility or a loan, or take it out"));
        }
        check.before().stream()
                .filter(other -> other.assumption()
                        .findInterest()
                        .filter(one -> one.isOf(interest.of(), interest.lineId()))
                        .isPresent())
                .findFirst()
                .ifPresent(other -> check.problem(
                        "/assumption/kind",
                        "'" + other.name()
                                + "' is the same interest already: keep one of the two, or it would be paid twice"));
    }
}
