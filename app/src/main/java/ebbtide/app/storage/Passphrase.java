package ebbtide.app.storage;

import ebbtide.money.Check;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;

/** The words by which a database is encrypted on the disk; none for one that is not. */
public record Passphrase(String words) {
    /** Nothing is encrypted. */
    public static final Passphrase NONE = new Passphrase("");

    private static final int FEWEST = 12;

    public Passphrase {
        Check.that(
                words.isEmpty() || words.length() >= FEWEST,
                "A passphrase has at least " + FEWEST + " letters: some words that nobody else puts together");
    }

    boolean isThere() {
        return !words.isEmpty();
    }

    /** Returns what the database takes for a password: the file's, which has no spaces in it, and none of a user. */
    public String password() {
        return isThere() ? HexFormat.of().formatHex(words.getBytes(StandardCharsets.UTF_8)) + " " : "";
    }

    /** It is never written anywhere. */
    @Override
    public String toString() {
        return isThere() ? "a passphrase" : "no passphrase";
    }
}
