package ebbtide.app.storage;

import ebbtide.books.BankMovement;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** What tells movements of one account apart: a digest of day, amount and the bank's words. */
final class Fingerprint {
  private Fingerprint() {}

  /** Returns the fingerprint of a movement, 32 hexadecimal digits. */
  static String of(BankMovement m) {
    try {
      String whole = String.join("\u0000", m.bookingDate().toString(), Long.toString(m.minor()), m.text(), m.counterparty(),
          m.reference());
      byte[] hash = MessageDigest.getInstance("SHA-256").digest(whole.getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(hash, 0, 16);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("Every Java has SHA-256", e);
    }
  }
}
