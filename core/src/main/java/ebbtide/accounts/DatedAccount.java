package ebbtide.accounts;

import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.SalesTax;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalLong;
import java.util.stream.Stream;

/** The account of single dated items (rules 7.7). */
public final class DatedAccount implements LineAccount {
    private final Line line;
    private final DatedItems dated;
    private final Frame frame;

    DatedAccount(OwnReads reads) {
        this.line = reads.line();
        this.dated = (DatedItems) line.assumption();
        this.frame = reads.frame();
    }

    static String taxWords(SalesTax tax) {
        return tax.isNone() || tax.amountsAreGross() ? "" : ", with " + tax.rate() + " sales tax";
    }

    @Override
    public Line line() {
        return line;
    }

    @Override
    public List<Due> dues() {
        return dated.items().stream()
                .map(item -> Due.whole(
                                item.date(),
                                dated.convention().adjust(item.date(), frame.calendar(line)),
                                dated.tax().grossOf(item.amount()),
                                item.certainty(),
                                Due.Lasting.ONE_OFF,
                                (item.note().isEmpty() ? "single item" : item.note()) + taxWords(dated.tax()))
                        .movedTo(moved(item)))
                .toList();
    }

    /** The day to which a scenario moves an item. */
    private LocalDate moved(DatedItem item) {
        return line.moved(item.date(), item.certainty(), frame.asOf());
    }

    private Stream<DatedItem> counted() {
        return dated.items().stream().filter(item -> frame.settings().counts(line.direction(), item.certainty()));
    }

    @Override
    public Earned earned() {
        Earned.Sum sum = new Earned.Sum(frame, line.direction().sign());
        counted()
                .forEach(item -> sum.net(
                        dated.tax(), line.direction() == Direction.RECEIPT, Frame.month(moved(item)), item.amount()));
        return line.nature() == Nature.OUTSIDE ? sum.done().outside() : sum.done();
    }

    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.of(counted()
                .filter(item -> !moved(item).isAfter(day)
                        && dated.convention()
                                .adjust(moved(item), frame.calendar(line))
                                .isAfter(day))
                .mapToLong(item -> dated.tax().grossOf(item.amount()))
                .sum());
    }

    /** The point is the day of the item, on the cash basis that on which it is paid. */
    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        TaxPoints.Sum sum = new TaxPoints.Sum(frame, basis);
        if (dated.bearsTax()) {
            counted()
                    .forEach(item -> sum.addOn(
                            basis.isCash() ? dated.convention().adjust(moved(item), frame.calendar(line)) : moved(item),
                            dated.tax()
                                    .back(
                                            line.direction() == Direction.RECEIPT,
                                            dated.tax().taxOf(item.amount()))));
        }
        return sum.done();
    }
}
