package ebbtide.years;

import ebbtide.plan.YearDriver;
import ebbtide.plan.YearDriver.Amount;
import ebbtide.plan.YearDriver.Days;
import ebbtide.plan.YearDriver.DaysOf;
import ebbtide.plan.YearDriver.Life;
import ebbtide.plan.YearDriver.MarginHeld;
import ebbtide.plan.YearDriver.OfGross;
import ebbtide.plan.YearDriver.Share;
import ebbtide.plan.YearDriver.WithSales;
import ebbtide.plan.YearRow;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * A way in which a row of years can be driven (rules 9.4), in words, with the driver that holds no values yet; null: it
 * stays as it was.
 */
public record DriverMethod(
        String key, String words, @Nullable YearDriver empty) {
    /** It stays as it was. */
    public static final DriverMethod STAYS = new DriverMethod("stays", "stays as it was", null);

    private static DriverMethod share(@Nullable String of, String words) {
        return new DriverMethod(of == null ? "share" : "share " + of, words, new Share(of, new TreeMap<>()));
    }

    private static DriverMethod days(DaysOf of) {
        return new DriverMethod(
                "days " + of.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'),
                "days of " + of.words(),
                new Days(of, new TreeMap<>()));
    }

    private static final DriverMethod AMOUNT =
            new DriverMethod("amount", "an amount, and growth", new Amount(new TreeMap<>(), new TreeMap<>()));
    private static final DriverMethod WITH_SALES = new DriverMethod("with-sales", "grows with sales", new WithSales());

    /**
     * Returns the ways of a row, the usual one first; shares of other rows by their ids and names; and the words for
     * cash that is kept though nothing says how much.
     */
    static List<DriverMethod> of(YearRow row, String id, Map<String, String> others, String untyped) {
        List<DriverMethod> all = new ArrayList<>();
        switch (row) {
            case SALES -> all.add(AMOUNT);
            case COST_OF_SALES -> {
                all.add(share(null, "% of sales"));
                all.add(new DriverMethod(
                        "margin-held", "what a margin on sales leaves", new MarginHeld(new TreeMap<>())));
                all.add(AMOUNT);
            }
            case OTHER_INCOME, OVERHEAD -> {
                all.add(AMOUNT);
                all.add(share(null, "% of sales"));
            }
            case DEPRECIATION -> {
                all.add(new DriverMethod(
                        "of-gross end", "% of gross assets at the end", new OfGross(true, new TreeMap<>())));
                all.add(new DriverMethod(
                        "of-gross start", "% of gross assets at the start", new OfGross(false, new TreeMap<>())));
                all.add(new DriverMethod("life", "straight-line over a life", new Life(5, 5)));
                all.add(AMOUNT);
            }
            case SPENDING -> all.add(AMOUNT);
            case INTEREST -> all.add(share(null, "% of debt"));
            case INTEREST_ON_CASH -> all.add(share(null, "% of cash"));
            case PROFIT_TAX -> all.add(share(null, "% of profit before tax"));
            case TAX_OWED -> all.add(share(null, "% of the year's tax, paid in the next"));
            case DIVIDENDS -> {
                all.add(share(null, "% of the year's profit"));
                all.add(share(Share.YEAR_BEFORE, "% of the profit of the year before"));
                all.add(AMOUNT);
            }
            case CASH -> {
                all.add(AMOUNT);
                all.add(share(null, "% of sales"));
                all.add(days(DaysOf.CASH_COSTS));
            }
            case RECEIVABLES -> {
                all.add(days(DaysOf.SALES));
                all.add(AMOUNT);
            }
            case STOCK -> {
                all.add(days(DaysOf.COST_OF_SALES));
                all.add(AMOUNT);
            }
            case PAYABLES -> {
                all.add(days(DaysOf.PURCHASES));
                all.add(days(DaysOf.COST_OF_SALES));
                all.add(AMOUNT);
            }
            case CURRENT_ASSET, LONG_ASSET, CURRENT_LIABILITY, LONG_LIABILITY -> {
                all.add(AMOUNT);
                all.add(days(DaysOf.SALES));
            }
            default -> {}
        }
        if (row.isItem()) {
            all.add(share(null, "% of sales"));
            all.add(WITH_SALES);
        }
        if (row.isItem() || row.isFlow() && row != YearRow.SALES) {
            others.forEach((other, name) -> {
                if (!other.equals(id)) {
                    all.add(share(other, "% of " + name));
                }
            });
        }
        all.add(row == YearRow.CASH ? new DriverMethod(STAYS.key(), untyped, null) : STAYS);
        return all;
    }

    /** Returns whether a driver is of this way. */
    boolean isOf(@Nullable YearDriver driver) {
        if (driver == null || empty == null) {
            return driver == null && empty == null;
        }
        if (driver instanceof Share share && empty instanceof Share other) {
            return java.util.Objects.equals(share.of(), other.of());
        }
        if (driver instanceof Days days && empty instanceof Days other) {
            return days.of() == other.of();
        }
        if (driver instanceof OfGross gross && empty instanceof OfGross other) {
            return gross.atEnd() == other.atEnd();
        }
        return driver.getClass() == empty.getClass();
    }
}
