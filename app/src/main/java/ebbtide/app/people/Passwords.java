package ebbtide.app.people;

import ebbtide.money.Refused;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;
import me.gosimple.nbvcxz.Nbvcxz;
import me.gosimple.nbvcxz.resources.Configuration;
import me.gosimple.nbvcxz.resources.ConfigurationBuilder;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** The rules of passwords, and what is kept of them. */
@Component
public class Passwords {
    private static final int LEAST = 12;
    /** How much of it is no part of the person's name. */
    private static final int LEAST_OF_OTHERS = 8;

    private static final int MOST = 128;
    /** Each hashing takes 16 MB while it lasts. */
    private static final int AT_ONCE = 4;

    private final PasswordEncoder encoder = Argon2PasswordEncoder.defaultsForSpringSecurity_v5_8();
    private final Semaphore places = new Semaphore(AT_ONCE);
    /** What an attempt at a login that nobody has is held against, so that it takes as long as any other. */
    private final String ofNobody = encoder.encode(Token.next().word());

    private <T> T inTurn(Supplier<T> work) {
        places.acquireUninterruptibly();
        try {
            return work.get();
        } finally {
            places.release();
        }
    }

    /** Returns what a password hashes to, to be kept. */
    String hashed(String password) {
        return inTurn(() -> encoder.encode(password));
    }

    /** Whether a password is the one that is kept; of who has none, which takes as long, none is. */
    boolean matches(String password, String hash) {
        String held = hash.isEmpty() ? ofNobody : hash;
        return password.length() <= MOST && inTurn(() -> encoder.matches(password, held));
    }

    /** Takes as long as holding a password against one that is kept. */
    void matchesNobody(String password) {
        matches(password, ofNobody);
    }

    /**
     * Requires that a password is fit for a person.
     *
     * @throws Refused where it is too short, or easily guessed: a common one, or made of common words, of the
     *     keyboard's rows, of the person's own name
     */
    static void require(String password, String login, String name) {
        if (password.codePointCount(0, password.length()) < LEAST) {
            throw new Refused("A password has at least " + LEAST
                    + " letters: a few words that do not belong together are easy to keep in mind");
        }
        if (password.length() > MOST) {
            throw new Refused("A password has at most " + MOST + " letters");
        }
        String lower = password.toLowerCase(Locale.ROOT);
        for (String own : (login + " " + name).toLowerCase(Locale.ROOT).split("[\\s@.]+")) {
            lower = own.length() > 2 ? lower.replace(own, "") : lower;
        }
        // The lists of common words are held only while they are looked through.
        Configuration lists = new ConfigurationBuilder().createConfiguration();
        if (lower.replace(" ", "").length() < LEAST_OF_OTHERS
                || !new Nbvcxz(lists).estimate(password).isMinimumEntropyMet()) {
            throw new Refused(
                    "This password is among the first that are guessed: choose a few words that do not belong together, and none of your name");
        }
    }
}
