package ebbtide.plan;

import java.util.List;

/** Which drivers a product multiplies, in order; a factor in percent counts a hundredth (rules 2.1). */
public enum ProductOf {
    /** 120 crates x 38.50. */
    QUANTITY_PRICE("quantity", "price"),
    /** 160 hours x 75.00. */
    HOURS_RATE("hours", "rate an hour"),
    /** 4,000 restaurants x 2.5% x 1.2 orders a month x 310.00. */
    MARKET("customers in the market", "share in %", "orders per customer", "price");

    private static final String PERCENT = "share in %";
    private final List<String> factors;

    ProductOf(String... factors) {
        this.factors = List.of(factors);
    }

    /** Returns the names of the factors, in order. */
    public List<String> factors() {
        return factors;
    }

    /** Returns by how many places the point moves left in the product of all factors: two for a share in percent. */
    public int places() {
        return factors.contains(PERCENT) ? 2 : 0;
    }
}
