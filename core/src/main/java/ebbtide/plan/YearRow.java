package ebbtide.plan;

import java.util.Arrays;
import java.util.Optional;
import java.util.Set;

/**
 * What a row of a year's income statement or balance sheet is (rules 9.4): its place, whether there is one or many of
 * it, and on which side it stands. Amounts are above zero on that side: a cost of 100 and accumulated depreciation of
 * 100 are both 100.
 */
public enum YearRow {
    SALES(Part.INCOME, 1, "Sales", true),
    COST_OF_SALES(Part.INCOME, -1, "Cost of sales", true),
    OTHER_INCOME(Part.INCOME, 1, "Other income", true),
    OVERHEAD(Part.INCOME, -1, "Overheads", true),
    DEPRECIATION(Part.INCOME, -1, "Depreciation", false),
    GAIN(Part.INCOME, 1, "Gain on assets sold", false),
    INTEREST(Part.INCOME, -1, "Interest on debt", false),
    INTEREST_ON_CASH(Part.INCOME, 1, "Interest on cash", false),
    PROFIT_TAX(Part.INCOME, -1, "Profit tax", false),
    DIVIDENDS(Part.PAID_OUT, -1, "Dividends", false),
    SPENDING(Part.SPENT, -1, "Capital spending", false),
    CASH(Part.ASSETS, 1, "Cash", false),
    RECEIVABLES(Part.ASSETS, 1, "Receivables", false),
    STOCK(Part.ASSETS, 1, "Stock", false),
    CURRENT_ASSET(Part.ASSETS, 1, "Other current assets", true),
    GROSS_ASSETS(Part.ASSETS, 1, "Fixed assets, gross", false),
    ACCUMULATED(Part.ASSETS, -1, "Accumulated depreciation", false),
    LONG_ASSET(Part.ASSETS, 1, "Other long-term assets", true),
    PAYABLES(Part.OWED, -1, "Payables", false),
    TAX_OWED(Part.OWED, -1, "Profit tax owed", false),
    CURRENT_LIABILITY(Part.OWED, -1, "Other amounts owed", true),
    DEBT(Part.OWED, -1, "Facilities and loans", true),
    SHORT_TERM(Part.OWED, -1, "Short-term borrowing", false),
    LONG_LIABILITY(Part.OWED, -1, "Other long-term liabilities", true),
    CAPITAL(Part.EQUITY, -1, "Capital paid in", false),
    RETAINED(Part.EQUITY, -1, "Retained profit", false),
    OTHER_EQUITY(Part.EQUITY, -1, "Other equity", true);

    /** Ids that years use for what they add up, or take up, themselves. */
    public static final Set<String> TAKEN = Set.of(
            "gross",
            "ebitda",
            "operating",
            "before-tax",
            "profit",
            "kept-profit",
            "net-assets",
            "assets",
            "drawn-first",
            "liabilities",
            "other-equity",
            "equity",
            "liabilities-and-equity",
            "difference",
            "new-debt",
            "year-before");

    /** Where a row stands. */
    public enum Part {
        INCOME,
        PAID_OUT,
        SPENT,
        ASSETS,
        OWED,
        EQUITY;

        /** Returns whether it is of the balance sheet. */
        public boolean isLevel() {
            return this == ASSETS || this == OWED || this == EQUITY;
        }
    }

    private final Part part;
    private final int sign;
    private final String words;
    private final boolean many;

    YearRow(Part part, int sign, String words, boolean many) {
        this.part = part;
        this.sign = sign;
        this.words = words;
        this.many = many;
    }

    public Part part() {
        return part;
    }

    /**
     * Returns 1 for income and assets, -1 for costs, what is owed and equity; accumulated depreciation lowers assets.
     */
    public int sign() {
        return sign;
    }

    public String words() {
        return words;
    }

    /** Returns whether a year may have several of it, each with an id and a name of its own. */
    public boolean isMany() {
        return many;
    }

    /** Returns the id of the one row of it, or of those of it that need no other. */
    public String id() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    /**
     * Returns whether its level at a year's end follows from a driver, or stays: working capital, and what else is
     * owned or owed.
     */
    public boolean isItem() {
        return this == RECEIVABLES
                || this == STOCK
                || this == CURRENT_ASSET
                || this == LONG_ASSET
                || this == PAYABLES
                || this == CURRENT_LIABILITY
                || this == LONG_LIABILITY;
    }

    /** Returns whether its flow in a year follows from a driver, or stays. */
    public boolean isFlow() {
        return this == SALES || this == COST_OF_SALES || this == OTHER_INCOME || this == OVERHEAD;
    }

    /** Returns what of which there is one has an id. */
    public static Optional<YearRow> single(String id) {
        return Arrays.stream(values())
                .filter(one -> !one.many && one.id().equals(id))
                .findFirst();
    }
}
