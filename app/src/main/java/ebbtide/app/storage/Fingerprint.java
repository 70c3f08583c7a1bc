package ebbtide.app.storage;

import ebbtide.books.BankMovement;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.Line;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Currency;
import java.util.HexFormat;
import java.util.List;
import tools.jackson.databind.node.ObjectNode;

/**
 * What tells movements of one account, and assumptions of one line, apart: a digest of day, amount and the bank's
 * words, or of what is assumed.
 */
public final class Fingerprint {
    private Fingerprint() {}

    /** Returns the fingerprint of what a line assumes: its name, its note and where it stands do not count. */
    public static String of(Line line, Currency currency) {
        ObjectNode json = PlanWriter.json(line, currency);
        json.remove(List.of("name", "group", "note"));
        return of(json.toString()).substring(0, 16);
    }

    /** Returns the fingerprint of a movement, 32 hexadecimal digits. */
    static String of(BankMovement m) {
        return of(String.join(
                "\u0000",
                m.bookingDate().toString(),
                Long.toString(m.minor()),
                m.text(),
                m.counterparty(),
                m.reference()));
    }

    private static String of(String whole) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(whole.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(hash, 0, 16);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
