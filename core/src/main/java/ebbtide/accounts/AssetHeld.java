package ebbtide.accounts;

import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.CapitalSpending.Asset;
import ebbtide.plan.CapitalSpending.Disposal;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/** One asset that is bought, used up and sold (rules 7.5). */
final class AssetHeld implements AssetHolding {
    private final Asset asset;
    private final AssetWear wear;
    private final int open;
    private final List<Month> months;

    AssetHeld(Asset asset, Frame frame) {
        this.asset = asset;
        this.wear = new AssetWear(asset, frame);
        this.open = frame.open();
        this.months = IntStream.range(open, open + frame.toEarned())
                .mapToObj(this::month)
                .toList();
    }

    @Override
    public String name() {
        return asset.name();
    }

    @Override
    public List<AssetHolding> each() {
        return List.of(this);
    }

    @Override
    public long opening() {
        return isThere(open) ? costBefore(open) - wear.before(open) : 0;
    }

    @Override
    public long accumulated(int month) {
        return isThere(month + 1) ? wear.before(month + 1) : 0;
    }

    @Override
    public List<Month> months() {
        return months;
    }

    /** Whether it is not sold before a month. */
    private boolean isThere(int month) {
        return asset.disposal() == null || Frame.month(asset.disposal().date()) >= month;
    }

    private Month month(int month) {
        long bought = cost(day -> Frame.month(day) == month);
        Disposal disposal = asset.disposal();
        if (disposal == null || Frame.month(disposal.date()) != month) {
            return new Month(bought, wear.in(month), 0, 0);
        }
        long book = costBefore(month + 1) - wear.before(month);
        long net = asset.tax().grossOf(disposal.proceeds()) - asset.tax().taxOf(disposal.proceeds());
        return new Month(bought, wear.in(month), book, net - book);
    }

    private long costBefore(int month) {
        return (asset.owned() == null ? 0 : asset.owned().cost()) + cost(day -> Frame.month(day) < month);
    }

    private long cost(Predicate<LocalDate> on) {
        long sum = 0;
        for (DatedAmount one : asset.milestones()) {
            sum += on.test(one.date()) ? asset.costOf(one.amount()) : 0;
        }
        return sum;
    }
}
