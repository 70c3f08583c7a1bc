package ebbtide.accounts;

import ebbtide.activity.MonthlyActivity;
import ebbtide.activity.StockRoll;
import ebbtide.billing.LeftOfPlan;
import ebbtide.billing.MonthBilling;
import ebbtide.billing.OwedByHistory;
import ebbtide.billing.PaidDays;
import ebbtide.billing.PatternBilling;
import ebbtide.billing.TargetBilling;
import ebbtide.derive.Lazy;
import ebbtide.items.LineItems;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Line;
import ebbtide.plan.Terms;
import ebbtide.time.Timeline;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a stream bills month by month: what is planned, on books what invoices and orders leave of that, and how it is
 * parted and paid by its terms.
 */
public final class StreamBilling {
    private final Reads reads;
    private final Line line;
    private final Assumption.Stream stream;
    private final Lazy<LeftOfPlan> left;
    private final Lazy<MonthlyActivity> amounts;
    private final Lazy<PatternBilling> billings;
    private final Lazy<OwedByHistory> owed;

    /**
     * What the billing of a stream is made from: the line as planned, its monthly amounts, those of months that are
     * over but not closed as the plan had them (as planned where there are none), its stock if it buys for it, and its
     * items.
     */
    record Reads(
            Line line,
            Frame frame,
            MonthlyActivity planned,
            MonthlyActivity late,
            Optional<StockRoll> stock,
            LineItems items) {
        Assumption.Stream stream() {
            return (Assumption.Stream) line.assumption();
        }

        boolean isOnBooks() {
            return stream().basis() == Basis.BOOKS;
        }
    }

    StreamBilling(Reads reads) {
        this.reads = reads;
        this.line = reads.isOnBooks()
                ? reads.line().with(reads.stream().after(reads.frame().asOf()))
                : reads.line();
        this.stream = (Assumption.Stream) line.assumption();
        this.left = Lazy.of(() -> new LeftOfPlan(
                reads.line(),
                reads.items().known(),
                reads.planned(),
                reads.late(),
                reads.frame().settings(),
                timeline()));
        this.amounts = Lazy.of(() -> reads.isOnBooks() ? left.get().billed() : reads.planned());
        this.billings = Lazy.of(() -> new PatternBilling(
                stream.tax(), stream.terms().pattern(), amounts().effective()));
        this.owed = Lazy.of(() -> new OwedByHistory(
                amounts(),
                stream,
                reads.frame().settings(),
                timeline(),
                paidDays(),
                reads.line().patternBeforeNeverPaid()));
    }

    Frame frame() {
        return reads.frame();
    }

    /** Returns the days on which the line is paid. */
    public Timeline timeline() {
        return frame().timeline(line);
    }

    /** Returns the days of its bills from the earliest one that may still be paid after the as-of date. */
    public PaidDays paidDays() {
        return frame().calendars().paidDays(line);
    }

    /** Returns the line, on books as what is left of it after the as-of date. */
    public Line line() {
        return line;
    }

    /** Returns the stream as it is billed. */
    public Assumption.Stream stream() {
        return stream;
    }

    /**
     * Returns the monthly amounts that are billed: what is planned, on books what is left of it; minor units as the
     * line types them.
     */
    public MonthlyActivity amounts() {
        return amounts.get();
    }

    /** Returns the monthly amounts as they are planned. */
    public MonthlyActivity planned() {
        return reads.planned();
    }

    /** Returns what invoices and orders leave of the months planned (rules 5.1). */
    public LeftOfPlan left() {
        return left.get();
    }

    /** Returns the billing of a month paid by a pattern, null when it bills nothing then; each is parted once. */
    public @Nullable MonthBilling billing(int month) {
        PatternBilling all = billings.get();
        return all.bills(month) ? new MonthBilling(all, month) : null;
    }

    /** Returns the billing of a stream that stands at a target of days (rules 3.4). */
    public TargetBilling target() {
        return new TargetBilling(amounts(), stream, frame().settings(), timeline());
    }

    /** Returns what a stream paid by months or by days is owed on the as-of date by its history (rules 3.5). */
    public OwedByHistory owedByHistory() {
        return owed.get();
    }

    /**
     * Returns what is owed on the as-of date by its history and terms, gross, in minor units, as it is before it is
     * trued up.
     */
    public long owed() {
        return stream.terms().by() == Terms.By.TARGET
                ? target().opening()
                : owedByHistory().total();
    }

    /**
     * Returns whether what is owed on the as-of date is corrected month by month: trued up to the ledger, or of a
     * scenario that has more of it never paid.
     */
    public boolean isTruedUp() {
        return line.patternBeforeNeverPaid().isPresent()
                || stream.ledger() != null
                        && stream.ledger().trueUp()
                        && stream.terms().by() != Terms.By.TARGET;
    }

    /** Returns the stock of a line that buys for it. */
    public Optional<StockRoll> stock() {
        return reads.stock();
    }

    /** Returns the line's items, where they count. */
    public LineItems items() {
        return reads.items();
    }
}
