package ebbtide.plan;

import ebbtide.money.Check;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * The balance sheet that a plan's statements start from (rules 9.1): what is owned and owed at the end of a month's
 * last day. Amounts in minor units, above zero on the side on which their kind stands.
 */
public record OpeningSheet(LocalDate on, List<Entry> entries) {
    private static final int MOST_ENTRIES = 500;

    /** The side of a balance sheet. */
    public enum Side {
        ASSETS,
        LIABILITIES,
        EQUITY
    }

    /** What an entry is. */
    public enum Kind {
        CASH(Side.ASSETS, "Cash"),
        RESTRICTED_CASH(Side.ASSETS, "Restricted cash"),
        RECEIVABLES(Side.ASSETS, "Receivables"),
        STOCK(Side.ASSETS, "Stock"),
        PREPAID(Side.ASSETS, "Prepaid"),
        OTHER_RECEIVABLES(Side.ASSETS, "Other amounts due to us"),
        DEPOSITS(Side.ASSETS, "Term deposits"),
        FIXED_ASSETS(Side.ASSETS, "Fixed assets"),
        OTHER_ASSETS(Side.ASSETS, "Other long-term assets"),
        PAYABLES(Side.LIABILITIES, "Payables"),
        SALES_TAX(Side.LIABILITIES, "Sales tax"),
        PROFIT_TAX(Side.LIABILITIES, "Profit tax"),
        PAY_OWED(Side.LIABILITIES, "Pay owed"),
        ACCRUED(Side.LIABILITIES, "Accrued"),
        INTEREST_OWED(Side.LIABILITIES, "Interest owed"),
        DIVIDENDS(Side.LIABILITIES, "Dividends declared"),
        OTHER_PAYABLES(Side.LIABILITIES, "Other amounts owed"),
        DEBT(Side.LIABILITIES, "Facilities and loans"),
        PROVISIONS(Side.LIABILITIES, "Provisions"),
        PAID_IN(Side.EQUITY, "Capital paid in"),
        RETAINED(Side.EQUITY, "Retained profit");

        private final Side side;
        private final String words;

        Kind(Side side, String words) {
            this.side = side;
            this.words = words;
        }

        public Side side() {
            return side;
        }

        public String words() {
            return words;
        }

        /** Returns 1 for assets, -1 for what is owed, to others or to owners. */
        public int sign() {
            return side == Side.ASSETS ? 1 : -1;
        }
    }

    /**
     * An amount of the balance sheet: the line whose flows clear it or add to it (null: none), and whether it is known
     * to stay as it is.
     */
    public record Entry(
            String name, Kind kind, long amount, @Nullable String lineId, boolean stays) {
        public Entry {
            name = Check.text(name, "name of an entry of the opening balance sheet", 120);
            Objects.requireNonNull(kind, "kind of " + name);
            Check.that(lineId == null || !stays, name + " is either cleared by a line or stays as it is: choose one");
        }
    }

    public OpeningSheet {
        Check.that(
                YearMonth.from(on).atEndOfMonth().equals(on),
                "an opening balance sheet stands at the last day of a month, but was of " + on);
        entries = List.copyOf(entries);
        Check.that(
                entries.size() <= MOST_ENTRIES,
                "an opening balance sheet has at most " + MOST_ENTRIES + " entries, but had " + entries.size());
        Check.that(
                entries.stream().map(one -> one.kind() + one.name()).distinct().count() == entries.size(),
                "two entries of the opening balance sheet have the same kind and name: give each its own, or add them up");
    }

    /** Returns what the entries leave out of balance: assets less what is owed and equity, in minor units. */
    public long unplaced() {
        return entries.stream()
                .mapToLong(one -> one.amount() * one.kind().sign())
                .sum();
    }
}
