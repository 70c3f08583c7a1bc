package ebbtide.app.storage;

import java.security.SecureRandom;

/** Ids of plans and statements: 12 letters and digits, short because every movement bears both. */
public final class ShortId {
    private static final String LETTERS = "0123456789abcdefghjkmnpqrstvwxyz";
    private static final SecureRandom RANDOM = new SecureRandom();

    private ShortId() {}

    /** Returns a new id; two alike come once in 2^60. */
    public static String next() {
        StringBuilder id = new StringBuilder();
        for (int i = 0; i < 12; i++) {
            id.append(LETTERS.charAt(RANDOM.nextInt(LETTERS.length())));
        }
        return id.toString();
    }
}
