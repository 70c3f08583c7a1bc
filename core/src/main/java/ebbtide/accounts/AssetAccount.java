package ebbtide.accounts;

import ebbtide.money.Split;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.CapitalSpending.Asset;
import ebbtide.plan.Certainty;
import ebbtide.plan.Line;
import ebbtide.time.BusinessDays;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalLong;
import java.util.stream.IntStream;

/**
 * The assets of a line: what they cost and when that is paid, how they are used up, and what selling them brings (rules
 * 7.5).
 */
public final class AssetAccount implements LineAccount, AssetHolding {
    private final Line line;
    private final Frame frame;
    private final CapitalSpending spending;
    private final BusinessDays calendar;
    private final int open;
    private final List<Month> months;

    AssetAccount(OwnReads reads) {
        this.line = reads.line();
        this.frame = reads.frame();
        this.spending = (CapitalSpending) line.assumption();
        this.calendar = frame.calendar(line);
        this.open = frame.open();
        this.months = IntStream.range(open, open + frame.toEarned())
                .mapToObj(this::month)
                .toList();
    }

    @Override
    public Line line() {
        return line;
    }

    /** The month after which an asset is used up: that of its service, or of its last cost where that is later. */
    private static int begins(Asset asset) {
        return asset.milestones().stream()
                .mapToInt(one -> Frame.month(one.date()))
                .reduce(Frame.month(asset.service()), Math::max);
    }

    /**
     * Straight-line from the month after service over the life, by largest remainder; an owned one by its charge, never
     * past cost.
     */
    private long depreciation(Asset asset, int month) {
        if (asset.disposal() != null && month >= Frame.month(asset.disposal().date())) {
            return 0;
        }
        long worn = asset.cost() - asset.residual();
        if (asset.owned() != null) {
            if (month < open) {
                return 0;
            }
            long charge = asset.owned().monthlyCharge();
            long left = Math.max(0, worn - asset.owned().depreciated());
            long before = Math.min(left, charge * (month - open));
            return Math.min(charge, left - before);
        }
        int at = month - begins(asset) - 1;
        return at < 0 || at >= asset.lifeMonths() ? 0 : Split.equalPart(worn, asset.lifeMonths(), at);
    }

    private long depreciatedBefore(Asset asset, int month) {
        long sum = asset.owned() == null ? 0 : asset.owned().depreciated();
        for (int m = asset.owned() == null ? begins(asset) : open; m < month; m++) {
            sum += depreciation(asset, m);
        }
        return sum;
    }

    private static long costBefore(Asset asset, int month) {
        return (asset.owned() == null ? 0 : asset.owned().cost())
                + asset.milestones().stream()
                        .filter(one -> Frame.month(one.date()) < month)
                        .mapToLong(one -> asset.costOf(one.amount()))
                        .sum();
    }

    private static long costIn(Asset asset, int month) {
        long cost = 0;
        for (ActivityMethod.DatedAmount one : asset.milestones()) {
            cost += Frame.month(one.date()) == month ? asset.costOf(one.amount()) : 0;
        }
        return cost;
    }

    @Override
    public long opening() {
        return spending.assets().stream()
                .filter(asset ->
                        asset.disposal() == null || Frame.month(asset.disposal().date()) >= open)
                .mapToLong(asset -> costBefore(asset, open) - depreciatedBefore(asset, open))
                .sum();
    }

    @Override
    public long accumulated(int month) {
        return spending.assets().stream()
                .filter(asset ->
                        asset.disposal() == null || Frame.month(asset.disposal().date()) > month)
                .mapToLong(asset -> depreciatedBefore(asset, month + 1))
                .sum();
    }

    @Override
    public List<Month> months() {
        return months;
    }

    private Month month(int month) {
        long bought = 0;
        long depreciation = 0;
        long sold = 0;
        long gain = 0;
        for (Asset asset : spending.assets()) {
            bought += costIn(asset, month);
            depreciation += depreciation(asset, month);
            if (asset.disposal() != null && Frame.month(asset.disposal().date()) == month) {
                long book = costBefore(asset, month + 1) - depreciatedBefore(asset, month);
                sold += book;
                gain += asset.tax().grossOf(asset.disposal().proceeds())
                        - asset.tax().taxOf(asset.disposal().proceeds())
                        - book;
            }
        }
        return new Month(bought, depreciation, sold, gain);
    }

    @Override
    public List<Due> dues() {
        List<Due> dues = new ArrayList<>();
        for (Asset asset : spending.assets()) {
            for (var milestone : asset.milestones()) {
                LocalDate typed = milestone.date().plusDays(asset.termsDays());
                dues.add(Due.whole(
                        typed,
                        spending.convention().adjust(typed, calendar),
                        asset.tax().grossOf(milestone.amount()),
                        Certainty.CERTAIN,
                        Due.Lasting.ONE_OFF,
                        asset.name() + (milestone.note().isEmpty() ? "" : ", " + milestone.note())));
            }
            if (asset.disposal() != null) {
                LocalDate typed = asset.disposal().date();
                dues.add(Due.whole(
                        typed,
                        spending.convention().adjust(typed, calendar),
                        -asset.tax().grossOf(asset.disposal().proceeds()),
                        Certainty.CERTAIN,
                        Due.Lasting.ONE_OFF,
                        "sale of " + asset.name()));
            }
        }
        dues.sort(Comparator.comparing(Due::day));
        return dues;
    }

    @Override
    public Earned earned() {
        Earned.Sum sum = new Earned.Sum(frame, 1);
        for (int i = 0; i < months.size(); i++) {
            sum.earn(open + i, months.get(i).gain() - months.get(i).depreciation());
        }
        for (Asset asset : spending.assets()) {
            for (var one : asset.milestones()) {
                sum.bill(Frame.month(one.date()), -asset.costOf(one.amount()));
                sum.tax(
                        Frame.month(one.date()),
                        -asset.tax().recoverable().of(asset.tax().taxOf(one.amount())));
            }
            if (asset.disposal() != null) {
                long taxed = asset.tax().taxOf(asset.disposal().proceeds());
                sum.bill(
                        Frame.month(asset.disposal().date()),
                        asset.tax().grossOf(asset.disposal().proceeds()) - taxed);
                sum.tax(Frame.month(asset.disposal().date()), taxed);
            }
        }
        return sum.done();
    }

    @Override
    public OptionalLong owedOn(LocalDate day) {
        long sum = 0;
        for (Asset asset : spending.assets()) {
            sum += asset.milestones().stream()
                    .filter(one -> !one.date().isAfter(day)
                            && spending.convention()
                                    .adjust(one.date().plusDays(asset.termsDays()), calendar)
                                    .isAfter(day))
                    .mapToLong(one -> asset.tax().grossOf(one.amount()))
                    .sum();
            CapitalSpending.Disposal disposal = asset.disposal();
            if (disposal != null
                    && !disposal.date().isAfter(day)
                    && spending.convention().adjust(disposal.date(), calendar).isAfter(day)) {
                sum -= asset.tax().grossOf(disposal.proceeds());
            }
        }
        return OptionalLong.of(sum);
    }

    /**
     * Tax on what an asset costs is claimed back, that on its sale is owed: input less output, on the dates of both, or
     * when they are paid.
     */
    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        TaxPoints.Sum sum = new TaxPoints.Sum(frame, basis);
        for (Asset asset : spending.assets()) {
            asset.milestones()
                    .forEach(one -> sum.addOn(
                            point(basis, one.date(), asset.termsDays()),
                            asset.tax().recoverable().of(asset.tax().taxOf(one.amount()))));
            if (asset.disposal() != null) {
                sum.addOn(
                        point(basis, asset.disposal().date(), 0),
                        -asset.tax().taxOf(asset.disposal().proceeds()));
            }
        }
        return sum.done();
    }

    private LocalDate point(TaxPoints.Basis basis, LocalDate billed, int termsDays) {
        return basis.isCash() ? spending.convention().adjust(billed.plusDays(termsDays), calendar) : billed;
    }
}
