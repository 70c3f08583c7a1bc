package ebbtide.plan;

/** The row of the cash flow statement in which lines of a kind stand, where the kind has one of its own. */
public enum CashRow {
    /** No row of the kind's own: lines stand where their nature says. */
    BY_NATURE(Part.BY_NATURE),
    PAY(Part.BY_NATURE),
    SALES_TAX(Part.OPERATING),
    PROFIT_TAX(Part.OPERATING),
    INTEREST(Part.OPERATING),
    CAPITAL(Part.INVESTING),
    DEPOSITS(Part.INVESTING),
    FACILITIES(Part.FINANCING),
    LOANS(Part.FINANCING),
    LEASES(Part.FINANCING),
    DIVIDENDS(Part.FINANCING);

    /** The part of the statement. */
    public enum Part {
        OPERATING,
        INVESTING,
        FINANCING,
        BY_NATURE
    }

    private final Part part;

    CashRow(Part part) {
        this.part = part;
    }

    /** Returns whether lines of it repay a debt by a schedule. */
    public boolean isRepaid() {
        return this == LOANS || this == LEASES;
    }

    public Part part() {
        return part;
    }
}
