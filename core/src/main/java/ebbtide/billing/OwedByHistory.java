package ebbtide.billing;

import ebbtide.activity.MonthlyActivity;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.money.Split;
import ebbtide.plan.Assumption;
import ebbtide.plan.DayTerms;
import ebbtide.plan.LineSettings;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Terms;
import ebbtide.time.DaySink;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * What is owed on the as-of date by a stream's history and terms: every payment, discount and write-off after it of
 * what was billed up to it. Against the ledger it can be trued up: each is scaled by ledger / implied, by largest
 * remainder (rules 3.5).
 */
public final class OwedByHistory {
    private final Assumption.Stream stream;
    private final Timeline timeline;
    private final int open;
    private final int asOf;
    private final List<Piece> pieces;
    private final Optional<OwedByHistory> before;

    /**
     * A piece of what is owed: the month that clears it, the day where terms of days name one (else -1, its index on
     * the timeline), its gross, the discount taken off it, and whether it is written off.
     */
    record Piece(int month, int day, long gross, Percent discount, boolean writtenOff) {
        long cash(long of) {
            return writtenOff ? 0 : of - discount.of(of);
        }
    }

    /** What truing up adds to a month's cash, discounts and write-offs; on one day where terms name it, else -1. */
    public record Correction(int month, int day, long cash, long discount, long writtenOff) {}

    /** Makes what a stream paid by months or by days implies; the timeline holds the month of the as-of date. */
    public OwedByHistory(
            MonthlyActivity activity,
            Assumption.Stream stream,
            LineSettings settings,
            Timeline timeline,
            PaidDays days) {
        this(activity, stream, settings, timeline, days, Optional.empty());
    }

    /**
     * Makes the same for a stream of which a scenario has more never paid: history is owed by the pattern before that,
     * and a part of each payment of it is written off instead (rules 11.3).
     */
    public OwedByHistory(
            MonthlyActivity activity,
            Assumption.Stream stream,
            LineSettings settings,
            Timeline timeline,
            PaidDays days,
            Optional<MonthPattern> pattern) {
        this.stream = stream;
        this.before = pattern.map(
                one -> new OwedByHistory(activity, stream.with(Terms.byMonths(one)), settings, timeline, days));
        this.timeline = timeline;
        this.open = Timeline.monthNumber(settings.firstForecastMonth());
        this.asOf = timeline.index(settings.asOf());
        List<Piece> found = new ArrayList<>();
        if (stream.terms().by() == Terms.By.DAYS) {
            byDays(found, activity, days);
        } else {
            byMonths(found, activity);
        }
        found.removeIf(piece -> piece.gross() == 0);
        this.pieces = List.copyOf(found);
    }

    private boolean isWithinMonth() {
        return timeline.startOfMonth(open) <= asOf;
    }

    private void byMonths(List<Piece> found, MonthlyActivity activity) {
        MonthPattern pattern = stream.terms().pattern();
        int first = open - stream.terms().monthsBack();
        int last = isWithinMonth() ? open : open - 1;
        PatternBilling all = new PatternBilling(stream.tax(), pattern, MonthSeries.of(first, last, activity::in));
        for (int month = first; month <= last; month++) {
            MonthBilling billing = new MonthBilling(all, month);
            for (int step = 0; step < pattern.steps().size(); step++) {
                int paid = billing.cashMonth(step);
                long gross = owed(month, paid, billing.grossOf(step));
                found.add(new Piece(paid, -1, gross, pattern.steps().get(step).discount(), false));
            }
            // A month is written off at its end, so after the as-of date as long as that lies within it.
            long never = billing.writeOffMonth() < open
                    ? 0
                    : month < open ? billing.writtenOff() : parts(billing.writtenOff())[0];
            found.add(new Piece(billing.writeOffMonth(), -1, never, Percent.ZERO, true));
        }
    }

    /** The part of a month's step that is billed up to the as-of date and paid after it. */
    private long owed(int month, int paid, long gross) {
        if (paid < open || month == open && paid <= open) {
            return 0;
        }
        if (month == open) {
            return parts(gross)[0];
        }
        return paid == open && isWithinMonth() ? parts(gross)[1] : gross;
    }

    /** What of an amount lies up to the as-of date, and after it, in the month that holds it. */
    private long[] parts(long minor) {
        long[] parts = {0, 0};
        stream.spread().lay(minor, open, timeline, (day, part) -> parts[day > asOf ? 1 : 0] += part);
        return parts;
    }

    private void byDays(List<Piece> found, MonthlyActivity activity, PaidDays days) {
        int offset = timeline.index(days.issues().first());
        DayTerms terms = stream.terms().dayTerms();
        Percent discount = terms.isEarly() ? terms.earlyPayment().discount() : Percent.ZERO;
        for (int month = open - terms.monthsBack(); month <= open; month++) {
            DayBilling billing = DayBilling.of(month, activity.in(month), stream.tax(), terms);
            billing.layIssued(stream.spread(), days, (issued, paid, minor) -> {
                if (issued + offset <= asOf && paid + offset > asOf) {
                    found.add(new Piece(
                            Timeline.monthNumber(java.time.YearMonth.from(timeline.date(paid + offset))),
                            paid + offset,
                            minor,
                            discount,
                            false));
                }
            });
        }
    }

    /** Returns what is owed on the as-of date by history and terms, gross, in minor units. */
    public long total() {
        return pieces.stream().mapToLong(Piece::gross).sum();
    }

    /**
     * Returns what truing up to the ledger changes; nothing where the line is not trued up, or nothing is implied to
     * scale.
     */
    public List<Correction> corrections() {
        if (before.isPresent()) {
            return neverPaid(before.get());
        }
        if (stream.ledger() == null || !stream.ledger().trueUp() || total() == 0) {
            return List.of();
        }
        long[] scaled = Split.byWeights(
                stream.ledger().amount(),
                pieces.stream().mapToLong(Piece::gross).toArray());
        List<Correction> corrections = new ArrayList<>();
        for (int i = 0; i < scaled.length; i++) {
            Piece piece = pieces.get(i);
            long more = scaled[i] - piece.gross();
            if (more != 0) {
                long cash = piece.cash(scaled[i]) - piece.cash(piece.gross());
                corrections.add(new Correction(
                        piece.month(),
                        piece.day(),
                        cash,
                        piece.writtenOff() ? 0 : more - cash,
                        piece.writtenOff() ? more : 0));
            }
        }
        return corrections;
    }

    /**
     * What history is owed by the pattern before, trued up where the line is, each payment of it in proportion to what
     * its step still pays and the rest written off with it, in the place of what the pattern with more never paid
     * implies.
     */
    private List<Correction> neverPaid(OwedByHistory owed) {
        long paidBefore = paidShare(owed.stream);
        long paidNow = paidShare(stream);
        List<Correction> corrections = new ArrayList<>();
        for (Piece piece : pieces) {
            corrections.add(of(piece, -1, piece.gross()));
        }
        boolean trueUp = stream.ledger() != null && stream.ledger().trueUp() && owed.total() != 0;
        long[] gross = owed.pieces.stream().mapToLong(Piece::gross).toArray();
        long[] scaled =
                trueUp ? Split.byWeights(Objects.requireNonNull(stream.ledger()).amount(), gross) : gross;
        for (int i = 0; i < scaled.length; i++) {
            Piece piece = owed.pieces.get(i);
            long paid = piece.writtenOff() || paidBefore == 0
                    ? 0
                    : Rounding.divide(BigDecimal.valueOf(scaled[i]).multiply(BigDecimal.valueOf(paidNow)), paidBefore);
            corrections.add(of(piece, 1, paid));
            corrections.add(new Correction(piece.month(), piece.day(), 0, 0, scaled[i] - paid));
        }
        return corrections;
    }

    private static long paidShare(Assumption.Stream of) {
        return Percent.WHOLE - of.terms().pattern().never().millionths();
    }

    private static Correction of(Piece piece, int sign, long gross) {
        long cash = piece.cash(gross);
        return new Correction(
                piece.month(),
                piece.day(),
                sign * cash,
                piece.writtenOff() ? 0 : sign * (gross - cash),
                piece.writtenOff() ? sign * gross : 0);
    }

    /** Lays a correction's cash: on its day, or over its month as the line's spread has it, after the as-of date. */
    public void lay(Correction correction, DaySink sink) {
        if (correction.day() >= 0) {
            if (correction.day() < timeline.days()) {
                sink.add(correction.day(), correction.cash());
            }
        } else if (correction.month() == open && isWithinMonth()) {
            new RestOfMonth(timeline, open, asOf).lay(correction.cash(), sink);
        } else if (correction.month() <= timeline.lastMonth()) {
            stream.spread().lay(correction.cash(), correction.month(), timeline, sink);
        }
    }
}
