package ebbtide.accounts;

import ebbtide.plan.Line;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * The account of a line: what falls due on it, what it earns, and the sales tax it brings, as its kind has it. It never
 * changes.
 */
public interface LineAccount {
    /** Returns the line, a stream on books as what is left of it after the as-of date. */
    Line line();

    /**
     * Returns the sums that fall due on a line planned in cash, in order of day (rules 5.2); none of one that is paid
     * by terms or swept.
     */
    List<Due> dues();

    /** Returns what a sum that falls due on it is made of, adding up to its amount; nothing where it is one piece. */
    default List<Due.Piece> pieces(Due due) {
        return due.pieces();
    }

    /** Returns what the line earns by month, to the last that is earned, be the line switched on or off. */
    Earned earned();

    /**
     * Returns what has fallen due on the line by the end of a day and is paid after it, or is lent on it, in minor
     * units in the line's direction; nothing where that is the roll-forward's to say, or the sweep's.
     */
    OptionalLong owedOn(LocalDate day);

    /** Returns what of what is owed at the end of a day is not due, and cannot be called, by a later one. */
    default OptionalLong owedBeyond(LocalDate day, LocalDate by) {
        return owedOn(by);
    }

    /**
     * Returns what of a balance at the end of a day, the line's own or another that it clears, falls due later than
     * another day: at most what its schedule says.
     */
    default long dueLater(long balance, boolean own, LocalDate day, LocalDate by) {
        return own ? Math.min(Math.max(0, balance), Math.abs(owedBeyond(day, by).orElse(0))) : balance;
    }

    /** Returns its interest, where that stands on a line of its own and is not the sweep's to find. */
    default Optional<InterestSchedule> interest() {
        return Optional.empty();
    }

    /** Returns what the line lacks for its figures to be trusted, a sentence each. */
    default List<String> missing() {
        return List.of();
    }

    /**
     * Returns what to do where a sum that stands until it is paid is overdue and no movement has paid it, as the end of
     * a sentence.
     */
    default Optional<String> mendOfOverdue() {
        return Optional.empty();
    }

    /** Returns the tax points of the line for a settlement of sales tax (rules 7.3). */
    TaxPoints taxPoints(TaxPoints.Basis basis);
}
