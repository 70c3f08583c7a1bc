package ebbtide.accounts;

import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.Plan;
import ebbtide.time.MonthSeries;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * What lines of typed depreciation charge by month (rules 9.6): as typed, but no more than the fixed assets that are
 * left at the month's end, line after line in the plan's order. Without an opening balance sheet nobody knows what
 * there is, and all of it is charged.
 */
final class TypedDepreciation {
    private final Plan plan;
    private final Frame frame;
    private final Function<Line, LineAccount> accounts;

    private TypedDepreciation(Foundations below, Function<Line, LineAccount> accounts) {
        this.plan = below.plan();
        this.frame = below.frame();
        this.accounts = accounts;
    }

    /** Returns what each such line charges, by its id: costs below zero. */
    static Map<String, MonthSeries> of(Foundations below, Function<Line, LineAccount> accounts) {
        return new TypedDepreciation(below, accounts).charged();
    }

    private Map<String, MonthSeries> charged() {
        List<Line> lines = plan.lines().stream()
                .filter(line -> line.nature() == Nature.DEPRECIATION && plan.isActive(line))
                .toList();
        if (lines.isEmpty() || plan.settings().openingOfItsDay().isEmpty()) {
            return Map.of();
        }
        MonthSeries there = fixedAssets();
        Map<String, MonthSeries.Sum> charged = new HashMap<>();
        long before = 0;
        for (int month = frame.open(); month < frame.open() + frame.toEarned(); month++) {
            for (Line line : lines) {
                long typed = -accounts.apply(line).earned().earned().in(month);
                long charge = Math.min(typed, Math.max(0, there.in(month) - before));
                before += charge;
                charged.computeIfAbsent(line.id(), id -> frame.earning()).add(month, -charge);
            }
        }
        Map<String, MonthSeries> series = new HashMap<>();
        charged.forEach((id, sum) -> series.put(id, sum.series()));
        return series;
    }

    /**
     * What fixed assets come to at the end of each month before any typed depreciation: those that the plan opens with,
     * and what its assets add, use up and sell.
     */
    private MonthSeries fixedAssets() {
        long level = plan.settings().openingOfItsDay().stream()
                .flatMap(sheet -> sheet.entries().stream())
                .filter(entry -> entry.kind() == OpeningSheet.Kind.FIXED_ASSETS)
                .mapToLong(OpeningSheet.Entry::amount)
                .sum();
        List<AssetHolding> assets = plan.lines().stream()
                .filter(line -> line.standing().holdsAssets() && plan.isActive(line))
                .map(line -> (AssetHolding) accounts.apply(line))
                .toList();
        MonthSeries.Sum there = frame.earning();
        for (int i = 0; i < frame.toEarned(); i++) {
            for (AssetHolding one : assets) {
                AssetHolding.Month month = one.months().get(i);
                level += month.bought() - month.depreciation() - month.sold();
            }
            there.add(frame.open() + i, level);
        }
        return there.series();
    }
}
