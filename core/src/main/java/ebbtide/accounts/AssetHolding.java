package ebbtide.accounts;

import java.util.List;

/**
 * What a line holds of fixed assets by month, or one of them (rules 7.5, 8.11): bought or leased, used up, and sold;
 * minor units.
 */
public interface AssetHolding {
    /**
     * A month of all assets held, in minor units: what they cost that are new, depreciation, book value of what is
     * sold, and gain on it.
     */
    record Month(long bought, long depreciation, long sold, long gain) {
        /** A month in which nothing is so. */
        public static final Month NONE = new Month(0, 0, 0, 0);

        /** Returns both together. */
        public Month plus(Month other) {
            return new Month(
                    bought + other.bought, depreciation + other.depreciation, sold + other.sold, gain + other.gain);
        }

        /** Returns by how much the book value rises. */
        public long rise() {
            return bought - depreciation - sold;
        }
    }

    /** Returns the name of the asset, or of the line whose assets they are. */
    String name();

    /** Returns each asset by itself. */
    List<AssetHolding> each();

    /** Returns the book value at the end of the month before the first that is forecast. */
    long opening();

    /** Returns what is depreciated at the end of a month, by its number, of all that is still there. */
    long accumulated(int month);

    /** Returns the months from the first that is forecast to the last that is earned (rules 7.4), in order. */
    List<Month> months();
}
