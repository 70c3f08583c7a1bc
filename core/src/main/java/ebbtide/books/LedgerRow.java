package ebbtide.books;

import ebbtide.plan.OpeningSheet.Kind;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A row of the income statement or of the balance sheet that an account of the ledger can be said to be (rules 9.5).
 */
public enum LedgerRow {
    SALES("Sales"),
    DISCOUNTS_ALLOWED("Discounts allowed"),
    CREDIT_NOTES("Credit notes"),
    COST("Cost of sales"),
    DISCOUNTS_TAKEN("Discounts taken"),
    SUPPLIERS_CREDIT_NOTES("Suppliers' credit notes"),
    OTHER("Other income"),
    OVERHEADS("Overheads and pay"),
    BAD_DEBTS("Bad debts"),
    DEPRECIATION("Depreciation"),
    GAIN("Gain on assets sold"),
    INTEREST("Interest on debt"),
    INTEREST_ON_CASH("Interest on cash and deposits"),
    PROFIT_TAX_OF_THE_YEAR("Profit tax of the year"),
    CASH(Kind.CASH),
    RESTRICTED_CASH(Kind.RESTRICTED_CASH),
    RECEIVABLES(Kind.RECEIVABLES),
    STOCK(Kind.STOCK),
    PREPAID(Kind.PREPAID),
    OTHER_RECEIVABLES(Kind.OTHER_RECEIVABLES),
    DEPOSITS(Kind.DEPOSITS),
    FIXED_ASSETS(Kind.FIXED_ASSETS),
    ACCUMULATED_DEPRECIATION(Kind.FIXED_ASSETS, "Accumulated depreciation"),
    OTHER_ASSETS(Kind.OTHER_ASSETS),
    PAYABLES(Kind.PAYABLES),
    SALES_TAX(Kind.SALES_TAX),
    PROFIT_TAX(Kind.PROFIT_TAX, "Profit tax owed"),
    PAY_OWED(Kind.PAY_OWED),
    ACCRUED(Kind.ACCRUED),
    INTEREST_OWED(Kind.INTEREST_OWED),
    DIVIDENDS(Kind.DIVIDENDS),
    OTHER_PAYABLES(Kind.OTHER_PAYABLES),
    DEBT(Kind.DEBT),
    PROVISIONS(Kind.PROVISIONS),
    PAID_IN(Kind.PAID_IN),
    RETAINED(Kind.RETAINED);

    private final @Nullable Kind kind;
    private final String words;

    LedgerRow(String words) {
        this.kind = null;
        this.words = words;
    }

    LedgerRow(Kind kind) {
        this(kind, kind.words());
    }

    LedgerRow(Kind kind, String words) {
        this.kind = kind;
        this.words = words;
    }

    /** Returns what it is of the balance sheet, nothing where it is of the income statement. */
    public Optional<Kind> kind() {
        return Optional.ofNullable(kind);
    }

    public String words() {
        return words;
    }

    /** Returns the row's id in the income statement. */
    public String id() {
        return this == PROFIT_TAX_OF_THE_YEAR
                ? "profit-tax"
                : name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
