package ebbtide.accounts;

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
    private final List<AssetHolding> assets;

    AssetAccount(OwnReads reads) {
        this.line = reads.line();
        this.frame = reads.frame();
        this.spending = (CapitalSpending) line.assumption();
        this.calendar = frame.calendar(line);
        this.open = frame.open();
        this.assets = spending.assets().stream()
                .map(asset -> (AssetHolding) new AssetHeld(asset, frame))
                .toList();
        this.months = IntStream.range(0, frame.toEarned())
                .mapToObj(at ->
                        assets.stream().map(asset -> asset.months().get(at)).reduce(Month.NONE, Month::plus))
                .toList();
    }

    @Override
    public Line line() {
        return line;
    }

    @Override
    public String name() {
        return line.name();
    }

    @Override
    public List<AssetHolding> each() {
        return assets;
    }

    @Override
    public long opening() {
        return assets.stream().mapToLong(AssetHolding::opening).sum();
    }

    @Override
    public long accumulated(int month) {
        return assets.stream().mapToLong(asset -> asset.accumulated(month)).sum();
    }

    @Override
    public List<Month> months() {
        return months;
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
