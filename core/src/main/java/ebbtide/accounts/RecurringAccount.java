package ebbtide.accounts;

import ebbtide.derive.Lazy;
import ebbtide.money.Split;
import ebbtide.plan.Certainty;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.Netting;
import ebbtide.plan.Recurring;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;

/** The account of bills that come back (rules 7.2, 7.7): when each is paid, and what it costs the months it covers. */
public final class RecurringAccount implements LineAccount {
    /**
     * No sum is looked for further than 60 days from its date; a sum whose window reaches into those days may be
     * nearer.
     */
    private static final int AROUND = 2 * Netting.Window.FURTHEST;

    private final Line line;
    private final Recurring recurring;
    private final Frame frame;
    private final Lazy<List<Due>> dues = Lazy.of(this::makeDues);
    private final Lazy<Earned> earned = Lazy.of(this::earn);
    private final LatestTaxPoints taxPoints = new LatestTaxPoints(this::makeTaxPoints);

    RecurringAccount(OwnReads reads) {
        this.line = reads.line();
        this.recurring = (Recurring) line.assumption();
        this.frame = reads.frame();
    }

    /**
     * Returns an amount over some months by their days, by largest remainder: what a bill costs each month it covers.
     */
    public static long[] overDays(long minor, int firstMonth, int count) {
        long[] days = new long[count];
        for (int i = 0; i < count; i++) {
            days[i] = Timeline.month(firstMonth + i).lengthOfMonth();
        }
        return Split.byWeights(minor, days);
    }

    @Override
    public Line line() {
        return line;
    }

    @Override
    public List<Due> dues() {
        return dues.get();
    }

    private List<Due> makeDues() {
        if (recurring.expensing().nonCash()) {
            return List.of();
        }
        List<Due> found = new ArrayList<>();
        String words = recurring.when().words()
                + (recurring.termsDays() == 0 ? "" : ", paid " + recurring.termsDays() + " days after")
                + (recurring.yearlyUplift().millionths() == 0
                        ? ""
                        : ", " + recurring.yearlyUplift() + " more each year")
                + DatedAccount.taxWords(recurring.tax());
        for (LocalDate bill : recurring
                .when()
                .between(
                        frame.asOf().minusDays(AROUND + (long) recurring.termsDays()),
                        frame.settings().horizonEnd().plusDays((long) Netting.Window.FURTHEST + line.mostSooner()))) {
            LocalDate due = bill.plusDays(recurring.termsDays());
            found.add(Due.whole(
                            due,
                            recurring.convention().adjust(due, frame.calendar(line)),
                            recurring.tax().grossOf(amountOn(bill)),
                            recurring.certainty(),
                            Due.Lasting.BETWEEN_NEIGHBOURS,
                            words)
                    .movedTo(moved(bill).plusDays(recurring.termsDays())));
        }
        return List.copyOf(found);
    }

    /** The day to which a scenario moves the bill of a day. */
    private LocalDate moved(LocalDate bill) {
        return line.moved(bill, recurring.certainty(), frame.asOf());
    }

    /** Returns the amount of the bill of a day in minor units, as the line types it, and as a scenario leaves it. */
    public long amountOn(LocalDate bill) {
        return line.altered(recurring.amountOn(bill), bill, "");
    }

    private boolean counts(Certainty certainty) {
        return frame.settings().counts(line.direction(), certainty);
    }

    @Override
    public Earned earned() {
        return earned.get();
    }

    private Earned earn() {
        Earned.Sum sum = new Earned.Sum(frame, line.direction().sign());
        if (counts(recurring.certainty())) {
            int reach = recurring.expensing().months()
                    + Math.abs(recurring.expensing().offset())
                    + 1;
            LocalDate from = Timeline.month(frame.open() - reach).atDay(1);
            LocalDate to =
                    Timeline.month(frame.open() + frame.toEarned() + reach).atEndOfMonth();
            recurring.when().between(from, to.plusDays(line.mostSooner())).forEach(bill -> earn(sum, bill));
        }
        return line.nature() == Nature.OUTSIDE ? sum.done().outside() : sum.done();
    }

    private void earn(Earned.Sum sum, LocalDate bill) {
        long amount = amountOn(bill);
        long taxed = recurring
                .tax()
                .back(line.direction() == Direction.RECEIPT, recurring.tax().taxOf(amount));
        long net = recurring.tax().grossOf(amount) - taxed;
        LocalDate on = moved(bill);
        int first = Timeline.monthNumber(recurring.expensing().firstOf(YearMonth.from(on)));
        long[] parts = overDays(net, first, recurring.expensing().months());
        for (int i = 0; i < parts.length; i++) {
            sum.earn(first + i, parts[i]);
        }
        if (!recurring.expensing().nonCash()) {
            sum.bill(Frame.month(on), net);
            sum.tax(Frame.month(on), taxed);
        }
    }

    @Override
    public OptionalLong owedOn(LocalDate day) {
        if (recurring.expensing().nonCash() || !counts(recurring.certainty())) {
            return OptionalLong.empty();
        }
        return OptionalLong.of(
                recurring
                        .when()
                        .between(day.minusDays(AROUND + (long) recurring.termsDays()), day.plusDays(line.mostSooner()))
                        .stream()
                        .filter(bill -> !moved(bill).isAfter(day)
                                && recurring
                                        .convention()
                                        .adjust(moved(bill).plusDays(recurring.termsDays()), frame.calendar(line))
                                        .isAfter(day))
                        .mapToLong(bill -> recurring.tax().grossOf(amountOn(bill)))
                        .sum());
    }

    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        return taxPoints.of(basis);
    }

    /** The point is the day of the bill, on the cash basis that of its payment. */
    private TaxPoints makeTaxPoints(TaxPoints.Basis basis) {
        TaxPoints.Sum sum = new TaxPoints.Sum(frame, basis);
        if (recurring.bearsTax() && counts(recurring.certainty())) {
            int days = basis.isCash() ? recurring.termsDays() : 0;
            LocalDate first = Timeline.month(basis.firstMonth()).atDay(1);
            recurring
                    .when()
                    .between(first.minusDays(days), frame.timeline(line).last().plusDays(line.mostSooner()))
                    .forEach(bill -> sum.addOn(
                            basis.isCash()
                                    ? recurring.convention().adjust(moved(bill).plusDays(days), frame.calendar(line))
                                    : moved(bill),
                            recurring
                                    .tax()
                                    .back(
                                            line.direction() == Direction.RECEIPT,
                                            recurring.tax().taxOf(amountOn(bill)))));
        }
        return sum.done();
    }
}
