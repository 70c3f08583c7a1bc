package ebbtide.money;

import java.util.Objects;

/** The checks that records make of their parts: each returns the checked value or says argument, rule and value. */
public final class Check {
    private Check() {}

    /**
     * Returns the value; surrounding spaces are taken off.
     *
     * @throws Refused for null and blank text
     */
    public static String text(String value, String name) {
        if (value == null || value.isBlank()) {
            throw new Refused(name + " must not be empty: type at least a letter");
        }
        return value.strip();
    }

    /** Returns the value, refusing null, blank text, and text of more letters than the most. */
    public static String text(String value, String name, int most) {
        return atMost(text(value, name), name, most);
    }

    /**
     * Returns the value, which may be empty.
     *
     * @throws Refused for text of more letters than the most
     */
    public static String atMost(String value, String name, int most) {
        if (value.length() > most) {
            throw new Refused(name + " has at most " + most + " letters, but was " + value.length() + " long");
        }
        return value;
    }

    /**
     * Returns the value if it lies from least to most, both included.
     *
     * @throws Refused for a value outside them
     */
    public static int inRange(int value, int least, int most, String name) {
        if (value < least || value > most) {
            throw new Refused(name + " must be from " + least + " to " + most + ", but was " + value);
        }
        return value;
    }

    /**
     * Returns the percentage if it lies from least to most, both included.
     *
     * @throws Refused for a percentage outside them
     */
    public static Percent inRange(Percent value, Percent least, Percent most, String name) {
        Objects.requireNonNull(value, name);
        if (value.compareTo(least) < 0 || value.compareTo(most) > 0) {
            throw new Refused(name + " must be from " + least + " to " + most + ", but was " + value);
        }
        return value;
    }

    /**
     * Returns the amount in minor units if it is zero or more: every input is a positive amount (rules 1.4).
     *
     * @throws Refused for an amount below zero
     */
    public static long notNegative(long minor, String name) {
        if (minor < 0) {
            throw new Refused(
                    name + " must not be negative: direction belongs to the line, so type it without a minus");
        }
        return minor;
    }

    /**
     * Refuses with the given sentence unless the condition holds.
     *
     * @throws Refused with the sentence
     */
    public static void that(boolean holds, String sentence) {
        if (!holds) {
            throw new Refused(sentence);
        }
    }
}
