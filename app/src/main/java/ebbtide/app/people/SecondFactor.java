package ebbtide.app.people;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.security.SecureRandom;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;

/**
 * A second factor: a secret that a person's device shares, of which both make six digits every half minute (RFC 6238).
 */
final class SecondFactor {
    private static final SecureRandom RANDOM = new SecureRandom();
    private static final int BYTES = 20;
    private static final int CODES = 10;
    private static final int CODE_BYTES = 15;
    /** A device's clock may be half a minute off. */
    private static final List<Integer> STEPS_OFF = List.of(0, -1, 1);

    private static final TimeBasedOneTimePasswordGenerator DIGITS = new TimeBasedOneTimePasswordGenerator();

    private SecondFactor() {}

    /** Returns a new secret, as people type it into their device. */
    static String secret() {
        return random(BYTES);
    }

    private static String random(int length) {
        byte[] bytes = new byte[length];
        RANDOM.nextBytes(bytes);
        return new Base32().encodeToString(bytes);
    }

    /** Returns the address by which a device takes the secret over. */
    static String address(String secret, String login) {
        return "otpauth://totp/Ebbtide:" + URLEncoder.encode(login, StandardCharsets.UTF_8) + "?secret=" + secret
                + "&issuer=Ebbtide";
    }

    /** Returns the step of time in which a code was made, if it is one of now, or of a step before or after. */
    static OptionalLong step(String secret, String code, Instant now) {
        String digits = code.replace(" ", "");
        long length = DIGITS.getTimeStep().toSeconds();
        for (int off : STEPS_OFF) {
            Instant then = now.plusSeconds(off * length);
            if (digits(secret, then).equals(digits)) {
                return OptionalLong.of(then.getEpochSecond() / length);
            }
        }
        return OptionalLong.empty();
    }

    static String digits(String secret, Instant at) {
        try {
            return DIGITS.generateOneTimePasswordString(
                    new SecretKeySpec(new Base32().decode(secret), DIGITS.getAlgorithm()), at);
        } catch (InvalidKeyException e) {
            throw new IllegalStateException("A secret is a key", e);
        }
    }

    /** Returns new codes for the day on which the device is lost; each is good once. */
    static List<String> recoveryCodes() {
        List<String> codes = new ArrayList<>();
        for (int i = 0; i < CODES; i++) {
            String word = random(CODE_BYTES).toLowerCase(Locale.ROOT);
            codes.add(word.substring(0, 8) + "-" + word.substring(8, 16) + "-" + word.substring(16));
        }
        return codes;
    }
}
