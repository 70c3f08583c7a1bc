package ebbtide.accounts;

import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.money.Split;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.CapitalSpending.Asset;
import ebbtide.plan.CapitalSpending.Owned;
import ebbtide.plan.Wear;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;

/** How an asset is used up month by month until it is sold (rules 7.5); minor units. */
final class AssetWear {
    private static final int MONTHS = 12;

    private final Asset asset;
    private final Wear wear;
    private final int open;
    private final int firstFiscal;
    private final int first;
    private final long[] charges;
    /** What is used up before each of the months, and before the one after them. */
    private final long[] before;

    /** Works out the charges of an asset up to the last month that is earned, or to the one before its sale. */
    AssetWear(Asset asset, Frame frame) {
        this.asset = asset;
        this.wear = asset.wear() == null ? Wear.EVENLY : asset.wear();
        this.open = frame.open();
        this.firstFiscal = frame.settings().firstFiscalMonth().getValue() - 1;
        this.first = Math.min(open, Frame.month(asset.service()) + 1);
        int end = open + frame.toEarned();
        int sold = asset.disposal() == null ? end : Frame.month(asset.disposal().date());
        this.charges = new long[Math.max(0, Math.min(end, sold) - first)];
        wear();
        this.before = new long[charges.length + 1];
        before[0] = asset.owned() == null ? 0 : asset.owned().depreciated();
        for (int at = 0; at < charges.length; at++) {
            before[at + 1] = before[at] + charges[at];
        }
    }

    /** Returns the charge of a month, by its number. */
    long in(int month) {
        int at = month - first;
        return at < 0 || at >= charges.length ? 0 : charges[at];
    }

    /** Returns what is used up before a month, with what was when the plan began. */
    long before(int month) {
        return before[Math.max(0, Math.min(month - first, charges.length))];
    }

    /**
     * What is used up by itself: what it cost, what is used up of it, its months, the last one that of its life, and
     * for how many months of the first fiscal year it was charged before them.
     */
    private record Part(long cost, long depreciated, int first, int last, int charged) {}

    private void wear() {
        Owned owned = asset.owned();
        if (owned != null && asset.wear() == null && !asset.stepwise()) {
            charge(open, asset.cost() - asset.residual() - owned.depreciated(), owned.monthlyCharge());
            return;
        }
        List<Part> parts = parts();
        long[] costs = parts.stream().mapToLong(Part::cost).toArray();
        if (asset.cost() == 0) {
            return;
        }
        long[] residuals = Split.byWeights(asset.residual(), costs);
        for (int i = 0; i < costs.length; i++) {
            Part part = parts.get(i);
            long left = Math.max(0, part.cost() - residuals[i] - part.depreciated());
            if (owned != null && asset.wear() == null && i == 0) {
                charge(open, left, owned.monthlyCharge());
                continue;
            }
            switch (wear.by()) {
                case LIFE -> evenly(part.first(), part.last(), left);
                case COST -> charge(part.first(), left, Wear.twelfth(wear.yearly(), part.cost()));
                case BOOK -> ofBook(part, left);
            }
        }
    }

    private List<Part> parts() {
        List<Part> parts = new ArrayList<>();
        int service = Frame.month(asset.service());
        if (asset.owned() != null) {
            int from = Math.max(open, service + 1);
            parts.add(new Part(
                    asset.owned().cost(),
                    asset.owned().depreciated(),
                    from,
                    service + asset.lifeMonths(),
                    from - Math.max(yearStart(from), service + 1)));
        }
        int ready = service;
        long together = 0;
        for (DatedAmount one : asset.milestones()) {
            int spent = Math.max(service, Frame.month(one.date()));
            if (asset.stepwise()) {
                parts.add(bought(asset.costOf(one.amount()), spent));
            } else {
                together += asset.costOf(one.amount());
                ready = Math.max(ready, spent);
            }
        }
        if (!asset.stepwise()) {
            parts.add(bought(together, ready));
        }
        return parts;
    }

    private Part bought(long cost, int ready) {
        return new Part(cost, 0, ready + 1, ready + asset.lifeMonths(), 0);
    }

    private void add(int month, long minor) {
        int at = month - first;
        if (at >= 0 && at < charges.length) {
            charges[at] += minor;
        }
    }

    /** What is left, in equal parts by largest remainder; of one past its life all of it at once. */
    private void evenly(int from, int last, long left) {
        int months = Math.max(1, last - from + 1);
        for (int i = 0; i < months; i++) {
            add(from + i, Split.equalPart(left, months, i));
        }
    }

    /** The same each month, never past what is left. */
    private void charge(int from, long left, long monthly) {
        long rest = Math.max(0, left);
        for (int month = from; rest > 0 && monthly > 0 && month < first + charges.length; month++) {
            long minor = Math.min(rest, monthly);
            add(month, minor);
            rest -= minor;
        }
    }

    /**
     * A twelfth of the year's share of the book value at the beginning of each fiscal year; evenly over what is left of
     * the life from the first year on in which that is as much.
     */
    private void ofBook(Part part, long left) {
        long rest = left;
        long residual = part.cost() - part.depreciated() - left;
        long monthly = Wear.twelfth(wear.yearly(), atYearStart(part));
        for (int month = part.first(); rest > 0 && month < first + charges.length; month++) {
            if (month == part.first() || month == yearStart(month)) {
                monthly = month == part.first() ? monthly : Wear.twelfth(wear.yearly(), rest + residual);
                if (Split.equalPart(rest, Math.max(1, part.last() - month + 1), 0) >= monthly) {
                    evenly(month, part.last(), rest);
                    return;
                }
            }
            long minor = Math.min(rest, monthly);
            add(month, minor);
            rest -= minor;
        }
    }

    /** The first month of the fiscal year of a month. */
    private int yearStart(int month) {
        return month - Math.floorMod(month - firstFiscal, MONTHS);
    }

    /**
     * The book value on which the charges of a part's first months are: of one owned in the midst of a fiscal year that
     * from which the charges of the year so far led to what is left.
     */
    private long atYearStart(Part part) {
        long book = part.cost() - part.depreciated();
        long whole = MONTHS * Percent.WHOLE;
        return part.charged() == 0
                ? book
                : Rounding.divide(
                        BigDecimal.valueOf(book).multiply(BigDecimal.valueOf(whole)),
                        whole - part.charged() * wear.yearly().millionths());
    }
}
