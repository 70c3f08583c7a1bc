package ebbtide.plan;

import java.util.Optional;

/** The check of pay among the lines of its plan: commissions are shares of lines with monthly amounts. */
record PayCheck(LineCheck check, Pay pay) {
    void run() {
        check.onlyPayment("is pay and stands under payments");
        for (Pay.Role role : pay.roles()) {
            Optional<Line> sales = Optional.ofNullable(role.commission()).flatMap(one -> check.find(one.lineId()));
            if (role.commission() != null && sales.flatMap(Line::findStream).isEmpty()) {
                check.problem(
                        "/assumption/roles",
                        "The commission of " + role.name() + " is a share of "
                                + sales.map(line -> "'" + line.name() + "', which has no monthly amounts")
                                        .orElse("a line that is not in the plan ('"
                                                + role.commission().lineId() + "')")
                                + ": choose a line with sales by month");
            }
        }
    }
}
