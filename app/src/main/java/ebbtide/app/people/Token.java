package ebbtide.app.people;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;

/**
 * A word that nobody can guess, by which a sign-in, an invitation or a link is known; only what it hashes to is kept.
 */
public record Token(String word) {
    private static final SecureRandom RANDOM = new SecureRandom();
    private static final int BYTES = 32;

    /** Returns a new one. */
    public static Token next() {
        byte[] bytes = new byte[BYTES];
        RANDOM.nextBytes(bytes);
        return new Token(Base64.getUrlEncoder().withoutPadding().encodeToString(bytes));
    }

    /** Returns what it hashes to: 64 hexadecimal digits, from which nobody finds the word. */
    public String hash() {
        return digest(word);
    }

    /** Returns another word that is made of this one, for a purpose, from which nobody finds this. */
    public String derived(String purpose) {
        return digest(purpose + ":" + word);
    }

    private static String digest(String text) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
