package ebbtide.statements;

import ebbtide.plan.OpeningSheet.Kind;
import java.util.Locale;
import java.util.Optional;

/** A row of the balance sheet, from top to bottom. */
enum BalanceRow {
    CASH(Part.CURRENT_ASSETS, "Cash"),
    RESTRICTED_CASH(Part.CURRENT_ASSETS, "Restricted cash"),
    RECEIVABLES(Part.CURRENT_ASSETS, "Receivables"),
    STOCK(Part.CURRENT_ASSETS, "Stock"),
    PREPAID(Part.CURRENT_ASSETS, "Prepaid, and paid ahead to suppliers"),
    OTHER_RECEIVABLES(Part.CURRENT_ASSETS, "Other amounts due to us"),
    DEPOSITS(Part.CURRENT_ASSETS, "Term deposits"),
    /** Of months with a trial balance: accounts that were not said to be anything yet. */
    SUSPENSE(Part.CURRENT_ASSETS, "Accounts of the ledger not placed yet"),
    FIXED_ASSETS(Part.LONG_ASSETS, "Fixed assets"),
    DEPOSITS_LATER(Part.LONG_ASSETS, "Term deposits due later"),
    OTHER_ASSETS(Part.LONG_ASSETS, "Other long-term assets"),
    OVERDRAFT(Part.CURRENT_LIABILITIES, "Overdraft"),
    DEBT_WITHIN_A_YEAR(Part.CURRENT_LIABILITIES, "Debt due within twelve months"),
    PAYABLES(Part.CURRENT_LIABILITIES, "Payables"),
    PAID_AHEAD(Part.CURRENT_LIABILITIES, "Paid ahead by customers"),
    SALES_TAX(Part.CURRENT_LIABILITIES, "Sales tax"),
    PROFIT_TAX(Part.CURRENT_LIABILITIES, "Profit tax"),
    PAY_OWED(Part.CURRENT_LIABILITIES, "Pay owed"),
    ACCRUED(Part.CURRENT_LIABILITIES, "Accrued"),
    INTEREST_OWED(Part.CURRENT_LIABILITIES, "Interest owed"),
    DIVIDENDS(Part.CURRENT_LIABILITIES, "Dividends declared"),
    OTHER_PAYABLES(Part.CURRENT_LIABILITIES, "Other amounts owed"),
    DEBT_LATER(Part.LONG_LIABILITIES, "Debt due later"),
    PROVISIONS(Part.LONG_LIABILITIES, "Provisions"),
    PAID_IN(Part.EQUITY, "Capital paid in, less drawn"),
    RETAINED(Part.EQUITY, "Retained profit"),
    NOT_PLACED(Part.EQUITY, "Not placed yet");

    /** A part of the balance sheet, with the sign on which its rows stand. */
    enum Part {
        CURRENT_ASSETS(1),
        LONG_ASSETS(1),
        CURRENT_LIABILITIES(-1),
        LONG_LIABILITIES(-1),
        EQUITY(-1);

        private final int sign;

        Part(int sign) {
            this.sign = sign;
        }

        int sign() {
            return sign;
        }
    }

    private final Part part;
    private final String words;

    BalanceRow(Part part, String words) {
        this.part = part;
        this.words = words;
    }

    Part part() {
        return part;
    }

    String words() {
        return words;
    }

    /** Returns the id of its figure. */
    String figure() {
        return "row " + name().toLowerCase(Locale.ROOT);
    }

    /** Returns the row of a figure. */
    static BalanceRow ofFigure(String id) {
        return valueOf(id.substring("row ".length()).toUpperCase(Locale.ROOT));
    }

    /** Returns the row of what of a kind falls due later than in twelve months, where that stands apart. */
    static Optional<BalanceRow> later(Kind kind) {
        return kind == Kind.DEBT
                ? Optional.of(DEBT_LATER)
                : kind == Kind.DEPOSITS ? Optional.of(DEPOSITS_LATER) : Optional.empty();
    }

    /**
     * Returns the row of an account of a kind whose level is above zero (owned) or below (owed); debt is parted by when
     * it is due.
     */
    static BalanceRow of(Kind kind, boolean owned) {
        return switch (kind) {
            case RECEIVABLES -> owned ? RECEIVABLES : PAID_AHEAD;
            case STOCK -> STOCK;
            case PREPAID, ACCRUED -> owned ? PREPAID : ACCRUED;
            case PAYABLES -> owned ? PREPAID : PAYABLES;
            case DEPOSITS -> DEPOSITS;
            case FIXED_ASSETS -> FIXED_ASSETS;
            case OTHER_ASSETS -> OTHER_ASSETS;
            case OTHER_RECEIVABLES, OTHER_PAYABLES -> owned ? OTHER_RECEIVABLES : OTHER_PAYABLES;
            case SALES_TAX -> owned ? OTHER_RECEIVABLES : SALES_TAX;
            case PROFIT_TAX -> owned ? OTHER_RECEIVABLES : PROFIT_TAX;
            case PAY_OWED -> owned ? OTHER_RECEIVABLES : PAY_OWED;
            case INTEREST_OWED -> owned ? OTHER_RECEIVABLES : INTEREST_OWED;
            case DIVIDENDS -> owned ? OTHER_RECEIVABLES : DIVIDENDS;
            case DEBT -> DEBT_WITHIN_A_YEAR;
            case PROVISIONS -> PROVISIONS;
            case PAID_IN -> PAID_IN;
            case CASH -> CASH;
            case RESTRICTED_CASH -> RESTRICTED_CASH;
            case RETAINED -> RETAINED;
        };
    }
}
