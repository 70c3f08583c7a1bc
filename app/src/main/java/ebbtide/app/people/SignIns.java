package ebbtide.app.people;

import ebbtide.app.storage.HappeningStore;
import ebbtide.app.storage.HappeningStore.Kind;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.PersonStore;
import ebbtide.app.storage.PersonStore.Person;
import ebbtide.app.storage.SignInStore;
import ebbtide.app.storage.SignInStore.SignIn;
import ebbtide.money.Refused;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The sign-ins of people: made by a password and, where one is set up, a second factor; seen, and ended. */
@Service
public class SignIns {
    private static final Duration IDLE = Duration.ofHours(2);
    private static final Duration LONGEST = Duration.ofHours(12);
    private static final Duration SEEN_EVERY = Duration.ofMinutes(1);

    private final PersonStore people;
    private final SignInStore signIns;
    private final HappeningStore happenings;
    private final Passwords passwords;
    private final Attempts attempts;
    private final Clock clock;

    SignIns(
            PersonStore people,
            SignInStore signIns,
            HappeningStore happenings,
            Passwords passwords,
            Attempts attempts,
            Clock clock) {
        this.people = people;
        this.signIns = signIns;
        this.happenings = happenings;
        this.passwords = passwords;
        this.attempts = attempts;
        this.clock = clock;
    }

    /** From where somebody signs in: the address and what the program there says it is. */
    public record From(String address, String program) {
        public From {
            address = shortened(address, 100);
            program = shortened(program, 300);
        }

        /** From where a request comes, null for a program that does not say what it is. */
        public static From of(String address, @Nullable String program) {
            return new From(address, program == null ? "" : program);
        }

        private static String shortened(String text, int most) {
            return text.length() <= most ? text : text.substring(0, most);
        }
    }

    /** An attempt to sign in that lacks the second factor, which the person has. */
    public static final class CodeWanted extends RuntimeException {
        private static final long serialVersionUID = 1L;

        CodeWanted() {
            super("Type the six digits that your device shows, or a recovery code");
        }
    }

    /**
     * Signs a person in; returns the word by which they are known from then on.
     *
     * @throws Refused in one sentence for whatever is wrong, and while further attempts must wait
     * @throws CodeWanted where the password is right and the code is blank
     */
    @Transactional(noRollbackFor = {Refused.class, CodeWanted.class})
    public String signIn(String typed, String password, String code, From from) {
        String login = typed.strip().toLowerCase(Locale.ROOT);
        attempts.requireNoWait(login, from.address());
        Optional<Person> person = people.findByLogin(login).filter(one -> !one.shutOut());
        if (person.isEmpty()) {
            passwords.matchesNobody(password);
            throw refused(login, from);
        }
        if (!passwords.matches(password, person.get().password())) {
            throw refused(login, from);
        }
        if (person.get().secondFactor() != null) {
            if (code.isBlank()) {
                throw new CodeWanted();
            }
            if (!isRight(person.get(), person.get().secondFactor(), code)) {
                throw refused(login, from);
            }
        }
        attempts.succeeded(login);
        return begin(person.get(), from);
    }

    private boolean isRight(Person person, String secret, String code) {
        OptionalLong step = SecondFactor.step(secret, code, clock.instant());
        return step.isPresent()
                ? people.useStep(person.id(), step.getAsLong())
                : people.useRecoveryCode(person.id(), recoveryHash(code));
    }

    private static String recoveryHash(String code) {
        return new Token(code.strip().toLowerCase(Locale.ROOT)).hash();
    }

    private Refused refused(String login, From from) {
        attempts.refused(login, from.address());
        happenings.add(login, null, Kind.REFUSED, "Sign-in refused, from " + from.address());
        return new Refused("Login, password or code is not right");
    }

    /** Begins a sign-in of somebody who has shown who they are. */
    @Transactional
    public String begin(Person person, From from) {
        Token token = Token.next();
        OffsetDateTime now = OffsetDateTime.now(clock);
        signIns.endOld(now.minus(LONGEST), now.minus(IDLE));
        signIns.add(token.hash(), person.id(), from.address(), from.program());
        happenings.add(person.name(), null, Kind.SIGN_IN, "Signed in, from " + from.address());
        return token.word();
    }

    /** A person, by which sign-in. */
    public record SignedIn(Person person, SignIn signIn) {}

    /** Returns who is signed in by a word, and notes that they were seen. */
    public Optional<SignedIn> find(String word) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        Optional<SignedIn> found = peek(word);
        found.map(SignedIn::signIn)
                .filter(one -> one.seenAt().plus(SEEN_EVERY).isBefore(now))
                .ifPresent(one -> signIns.markSeen(one.id()));
        return found;
    }

    /**
     * Returns who is signed in by a word; nobody once it is too old, was not used for long, or the person is shut out.
     */
    public Optional<SignedIn> peek(String word) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        return signIns.find(new Token(word).hash())
                .filter(one -> one.begunAt().plus(LONGEST).isAfter(now)
                        && one.seenAt().plus(IDLE).isAfter(now))
                .flatMap(one -> people.find(one.personId())
                        .filter(person -> !person.shutOut())
                        .map(person -> new SignedIn(person, one)));
    }

    private static Standing.Member member() {
        if (Hand.atWork().standing() instanceof Standing.Member member) {
            return member;
        }
        throw new NotAllowed("Nobody is signed in: this is for people who are");
    }

    /** Returns who is signed in. */
    public Person own() {
        String id = member().personId();
        return people.find(id).orElseThrow(() -> new NotFound("person", id));
    }

    /** Returns the open sign-ins of who is signed in, the one last seen first. */
    public List<SignIn> all() {
        return signIns.of(member().personId());
    }

    /** Ends one of one's own sign-ins. */
    public void end(String id) {
        if (!signIns.end(member().personId(), id)) {
            throw new NotFound("sign-in", id);
        }
    }

    /** Ends the sign-in that is used. */
    public void signOut() {
        signIns.end(member().personId(), member().signIn());
    }

    /** Changes one's own password; all other sign-ins end. */
    @Transactional
    public void changePassword(String old, String password) {
        Person person = own();
        if (!passwords.matches(old, person.password())) {
            throw new Refused("The old password is not right");
        }
        Passwords.require(password, person.login(), person.name());
        people.putPassword(person.id(), passwords.hashed(password));
        signIns.endOthers(person.id(), member().signIn());
        happenings.add(person.name(), null, Kind.PERSON, "Changed the password");
    }

    /** A second factor that is offered: its secret, and the address by which a device takes it over. */
    public record Offered(String secret, String address) {}

    /** Offers a second factor, which holds once a code of it is typed. */
    public Offered offerSecondFactor() {
        String secret = SecondFactor.secret();
        return new Offered(secret, SecondFactor.address(secret, own().login()));
    }

    /** Sets a second factor up that a device has taken over; returns the recovery codes, which are shown this once. */
    @Transactional
    public List<String> setSecondFactor(String secret, String code) {
        Person person = own();
        if (SecondFactor.step(secret, code, clock.instant()).isEmpty()) {
            throw new Refused("These are not the digits that the device shows now: look at its clock, and try again");
        }
        List<String> codes = SecondFactor.recoveryCodes();
        people.putSecondFactor(
                person.id(), secret, codes.stream().map(SignIns::recoveryHash).toList());
        happenings.add(person.name(), null, Kind.PERSON, "Set up a second factor");
        return codes;
    }

    /** Takes one's own second factor away, with the password. */
    @Transactional
    public void removeSecondFactor(String password) {
        Person person = own();
        if (!passwords.matches(password, person.password())) {
            throw new Refused("The password is not right");
        }
        people.putSecondFactor(person.id(), null, List.of());
        happenings.add(person.name(), null, Kind.PERSON, "Took the second factor away");
    }
}
