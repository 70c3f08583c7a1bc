package ebbtide.formats.opening;

import ebbtide.books.LedgerRow;
import ebbtide.books.TrialBalance.Balance;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What an account of the ledger is likely to be by its name and the side of its balance (rules 9.5): proposed, and
 * taken only when somebody says so.
 */
public final class AccountNames {
    /** Words that tell an account of the income statement, the first that fits on its side. */
    private static final List<Telling> TELLING = List.of(
            new Telling(Side.EITHER, LedgerRow.SALES_TAX, "sales tax", "vat", "gst"),
            new Telling(Side.CREDIT, LedgerRow.ACCUMULATED_DEPRECIATION, "depreciation", "amortisation"),
            new Telling(Side.DEBIT, LedgerRow.DEPRECIATION, "depreciation", "amortisation"),
            new Telling(Side.DEBIT, LedgerRow.DISCOUNTS_ALLOWED, "discounts allowed", "discount allowed"),
            new Telling(Side.CREDIT, LedgerRow.DISCOUNTS_TAKEN, "discounts taken", "discounts received"),
            new Telling(Side.CREDIT, LedgerRow.SUPPLIERS_CREDIT_NOTES, "suppliers' credit notes"),
            new Telling(Side.DEBIT, LedgerRow.CREDIT_NOTES, "credit notes", "sales returns"),
            new Telling(Side.DEBIT, LedgerRow.COST, "cost of sales", "cost of goods", "purchases", "materials"),
            new Telling(Side.DEBIT, LedgerRow.BAD_DEBTS, "bad debt", "written off"),
            new Telling(Side.CREDIT, LedgerRow.SALES, "sales", "revenue", "turnover"),
            new Telling(Side.CREDIT, LedgerRow.GAIN, "gain on", "profit on disposal"),
            new Telling(
                    Side.CREDIT, LedgerRow.INTEREST_ON_CASH, "interest received", "interest earned", "interest income"),
            new Telling(Side.CREDIT, LedgerRow.OTHER, "other income", "rent received", "grant"),
            new Telling(Side.DEBIT, LedgerRow.INTEREST, "interest"),
            new Telling(Side.DEBIT, LedgerRow.PROFIT_TAX_OF_THE_YEAR, "corporation tax", "profit tax", "income tax"),
            new Telling(Side.DEBIT, LedgerRow.PREPAID, "prepa"),
            new Telling(
                    Side.DEBIT,
                    LedgerRow.OVERHEADS,
                    "bank charge",
                    "wage",
                    "salar",
                    "payroll",
                    "on-cost",
                    "rent",
                    "insurance",
                    "marketing",
                    "advertis",
                    "office",
                    "travel",
                    "repair",
                    "energy",
                    "electric",
                    "water",
                    "telephone",
                    "legal",
                    "fees",
                    "administrat",
                    "training",
                    "cleaning",
                    "fuel",
                    "postage",
                    "software"));

    private enum Side {
        DEBIT,
        CREDIT,
        EITHER
    }

    private record Telling(Side side, LedgerRow row, String... words) {
        boolean fits(String name, long minor) {
            return (side == Side.EITHER || (minor > 0) == (side == Side.DEBIT))
                    && Arrays.stream(words).anyMatch(name::contains);
        }
    }

    private AccountNames() {}

    /** Returns what an account is likely to be, nothing where its name does not say. */
    public static Optional<LedgerRow> proposed(Balance account) {
        String low = account.name().toLowerCase(Locale.ROOT);
        if (account.minor() == 0) {
            return Optional.empty();
        }
        return TELLING.stream()
                .filter(one -> one.fits(low, account.minor()))
                .map(Telling::row)
                .findFirst()
                .or(() -> OpeningList.kindByName(low).map(kind -> LedgerRow.valueOf(kind.name())));
    }
}
