package ebbtide.accounts;

import ebbtide.plan.Certainty;
import java.time.LocalDate;
import java.util.List;

/**
 * A sum that falls due: its date, the day after its convention, its amount in minor units in the line's direction
 * (negative when it comes back, as a refund does), and how long it is expected. Its pieces, where it has any, add up to
 * the amount and say what it is made of; many are its account's to make once they are asked for
 * ({@link LineAccount#pieces}). {@code moved} is the date to which a scenario moves it before its convention.
 */
public record Due(
        LocalDate typed,
        LocalDate day,
        long amount,
        Certainty certainty,
        Lasting lasting,
        String words,
        List<Piece> pieces,
        LocalDate moved) {
    /** Makes a sum that falls due on its date. */
    Due(
            LocalDate typed,
            LocalDate day,
            long amount,
            Certainty certainty,
            Lasting lasting,
            String words,
            List<Piece> pieces) {
        this(typed, day, amount, certainty, lasting, words, pieces, typed);
    }

    /** Returns the same paid on another date, used up on its own (rules 11.3). */
    Due movedTo(LocalDate other) {
        return new Due(typed, day, amount, certainty, lasting, words, pieces, other);
    }

    /** Returns whether a scenario has it on another date. */
    public boolean isMoved() {
        return !moved.equals(typed);
    }

    /** A piece of the amount, and what it is. */
    public record Piece(String what, long minor) {}

    /** Returns a sum of one piece. */
    static Due whole(LocalDate typed, LocalDate day, long amount, Certainty certainty, Lasting lasting, String words) {
        return new Due(typed, day, amount, certainty, lasting, words, List.of());
    }

    /** How long a sum is looked for around its day (rules 5.2, 1.9). */
    public enum Lasting {
        /** Half-way to its neighbours, at most 15 days. */
        BETWEEN_NEIGHBOURS,
        /**
         * As between neighbours, but what nobody paid stands until it is paid: what staff are owed on one pay day after
         * another.
         */
        PAY_DAY,
        /** From 15 days before to 45 after. */
        ONE_OFF,
        /** Half-way to the one before, and until it is paid: what is owed to a bank or to the state. */
        UNTIL_PAID
    }
}
