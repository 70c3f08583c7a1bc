package ebbtide.chance;

import ebbtide.money.Percent;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;

/**
 * The numbers of one who draws in one run (rules 11.8), each above 0 and below 1: they hang on the seed, the run and
 * the name alone, so that neither threads nor what else is drawn can change them.
 */
record Drawer(long start) {
    private static final long GAMMA = 0x9e3779b97f4a7c15L;
    private static final int BITS = 52;

    /** Returns what a name is known by: the first eight bytes of its SHA-256. */
    static long known(String name) {
        try {
            return ByteBuffer.wrap(MessageDigest.getInstance("SHA-256").digest(name.getBytes(StandardCharsets.UTF_8)))
                    .getLong();
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }

    /** Returns what a run, counted from 1, of a seed begins with. */
    static long run(long seed, int run) {
        return mix(seed + run * GAMMA);
    }

    /** Returns the drawer of a name ({@link #known}) in a run ({@link #run}). */
    static Drawer of(long known, long run) {
        return new Drawer(known + run);
    }

    /** The mixing of SplitMix64. */
    private static long mix(long of) {
        long z = of;
        z = (z ^ (z >>> 30)) * 0xbf58476d1ce4e5b9L;
        z = (z ^ (z >>> 27)) * 0x94d049bb133111ebL;
        return z ^ (z >>> 31);
    }

    /** Returns the number of a place, counted from 0, in whole 2^52nds, its half left off. */
    long bits(int place) {
        return mix(start + place * GAMMA) >>> (Long.SIZE - BITS);
    }

    /** Returns the number of a place, counted from 0. */
    double number(int place) {
        return (bits(place) + 0.5) / (1L << BITS);
    }

    /** Returns whether something of a chance happens. */
    boolean happens(int place, Percent chance) {
        return number(place) < (double) chance.millionths() / Percent.WHOLE;
    }

    /** Returns one of so many, counted from 0. */
    int oneOf(int place, int many) {
        return (int) (number(place) * many);
    }

    /**
     * Returns t = 2 (u + u' - 1) of the numbers at 0 and 1, from -2 to 2 and likely near 0, in whole 2^51sts: exact.
     */
    long doubt() {
        return bits(0) + bits(1) + 1 - (1L << BITS);
    }

    static final int DOUBT_BITS = BITS - 1;
}
