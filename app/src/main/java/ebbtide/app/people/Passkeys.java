package ebbtide.app.people;

import com.webauthn4j.util.exception.WebAuthnException;
import ebbtide.app.people.SignIns.From;
import ebbtide.app.storage.HappeningStore;
import ebbtide.app.storage.HappeningStore.Kind;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.PasskeyStore;
import ebbtide.app.storage.PasskeyStore.Passkey;
import ebbtide.app.storage.PersonStore;
import ebbtide.app.storage.PersonStore.Person;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.web.webauthn.api.AuthenticatorAssertionResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorAttestationResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorSelectionCriteria;
import org.springframework.security.web.webauthn.api.PublicKeyCredential;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialCreationOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRequestOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRpEntity;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.api.ResidentKeyRequirement;
import org.springframework.security.web.webauthn.api.UserVerificationRequirement;
import org.springframework.security.web.webauthn.jackson.WebauthnJacksonModule;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialCreationOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialRequestOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutableRelyingPartyRegistrationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyAuthenticationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyPublicKey;
import org.springframework.security.web.webauthn.management.Webauthn4JRelyingPartyOperations;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Signing in by a passkey: a device keeps a key, asks its person for finger, face or number before it uses it, and
 * signs a challenge with it, for the name of this site alone. It takes the place of password and second factor.
 */
@Service
public class Passkeys {
    private static final JsonMapper JSON =
            JsonMapper.builder().addModule(new WebauthnJacksonModule()).build();
    private static final Duration PATIENCE = Duration.ofMinutes(5);
    private static final int MOST_OF_ONE = 20;
    private static final int LONGEST_LABEL = 80;
    /** A key is for a name; browsers make none for an address in figures. */
    private static final Pattern IN_FIGURES = Pattern.compile("[0-9.]+|\\[.*");

    private final PersonStore people;
    private final PasskeyStore store;
    private final SignIns signIns;
    private final Passwords passwords;
    private final Attempts attempts;
    private final HappeningStore happenings;
    private final Challenges<Making> making;
    private final Challenges<PublicKeyCredentialRequestOptions> asking;

    Passkeys(
            PersonStore people,
            PasskeyStore store,
            SignIns signIns,
            Passwords passwords,
            Attempts attempts,
            HappeningStore happenings,
            Clock clock) {
        this.people = people;
        this.store = store;
        this.signIns = signIns;
        this.passwords = passwords;
        this.attempts = attempts;
        this.happenings = happenings;
        this.making = new Challenges<>(PATIENCE, clock);
        this.asking = new Challenges<>(PATIENCE, clock);
    }

    /** The site as a browser shows it: its host, and all of its origin. */
    public record Site(String host, String origin) {}

    /** What a device is asked: the challenge, by which its answer names it, and all that it is told, as JSON. */
    public record Asked(String challenge, String options) {}

    private record Making(String personId, String label, PublicKeyCredentialCreationOptions options) {}

    private Webauthn4JRelyingPartyOperations operations(Site site) {
        Check.that(
                !IN_FIGURES.matcher(site.host()).matches(),
                "A passkey is for a site with a name: open Ebbtide by one, such as localhost, and not by an address in figures");
        Webauthn4JRelyingPartyOperations operations = new Webauthn4JRelyingPartyOperations(
                new PeopleAsUsers(people),
                new StoredPasskeys(store),
                PublicKeyCredentialRpEntity.builder()
                        .id(site.host())
                        .name("Ebbtide")
                        .build(),
                Set.of(site.origin()));
        operations.setCustomizeCreationOptions(options -> options.timeout(PATIENCE)
                .authenticatorSelection(AuthenticatorSelectionCriteria.builder()
                        .residentKey(ResidentKeyRequirement.REQUIRED)
                        .userVerification(UserVerificationRequirement.REQUIRED)
                        .build()));
        operations.setCustomizeRequestOptions(
                options -> options.timeout(PATIENCE).userVerification(UserVerificationRequirement.REQUIRED));
        return operations;
    }

    /** Returns the passkeys of who is signed in. */
    public List<Passkey> own() {
        return store.of(signIns.own().id());
    }

    /**
     * Begins to make a passkey for who is signed in, under a name of their own and with their password where they have
     * one: what is wrong with these is said before the device has made a key.
     *
     * @throws Refused for a wrong password, a site without a name, a bad name, and one key too many
     */
    public Asked begin(String label, String password, Site site) {
        Person person = signIns.own();
        Check.that(!label.isBlank(), "Name the passkey after the device that keeps it");
        Check.atMost(label, "name", LONGEST_LABEL);
        Check.that(
                person.password().isEmpty() || passwords.matches(password, person.password()),
                "The password is not right");
        Check.that(
                store.of(person.id()).size() < MOST_OF_ONE,
                "You have " + MOST_OF_ONE + " passkeys: take one away first");
        PublicKeyCredentialCreationOptions options = operations(site)
                .createPublicKeyCredentialCreationOptions(
                        new ImmutablePublicKeyCredentialCreationOptionsRequest(signedIn(person)));
        String challenge = options.getChallenge().toBase64UrlString();
        making.add(challenge, new Making(person.id(), label.strip(), options));
        return new Asked(challenge, JSON.writeValueAsString(options));
    }

    private static UsernamePasswordAuthenticationToken signedIn(Person person) {
        return UsernamePasswordAuthenticationToken.authenticated(person.login(), "", List.of());
    }

    /**
     * Keeps the passkey that a device has made.
     *
     * @throws Refused where its answer is not right, or came too late
     */
    @Transactional
    public void make(String challenge, String credential, Site site) {
        Person person = signIns.own();
        Making asked = making.take(challenge);
        Check.that(asked.personId().equals(person.id()), "Somebody else has begun this passkey: begin it anew");
        try {
            PublicKeyCredential<AuthenticatorAttestationResponse> made =
                    JSON.readValue(credential, new TypeReference<>() {});
            operations(site)
                    .registerCredential(new ImmutableRelyingPartyRegistrationRequest(
                            asked.options(), new RelyingPartyPublicKey(made, asked.label())));
        } catch (JacksonException | WebAuthnException | IllegalArgumentException e) {
            throw new Refused("The device did not make a passkey that holds: try again, or take another device", e);
        }
        happenings.add(person.name(), null, Kind.PERSON, "Added the passkey '" + asked.label() + "'");
    }

    /** Takes one's own passkey away. */
    @Transactional
    public void remove(String id) {
        Person person = signIns.own();
        Passkey key = store.find(id)
                .filter(one -> one.personId().equals(person.id()))
                .orElseThrow(() -> new NotFound("passkey", id));
        Check.that(
                !person.password().isEmpty()
                        || store.of(person.id()).size() > 1
                        || people.isNamedByProvider(person.id()),
                "You would not be able to sign in any more: have a steward let you set a password first");
        store.remove(person.id(), id);
        happenings.add(person.name(), null, Kind.PERSON, "Took the passkey '" + key.label() + "' away");
    }

    /** Returns what a device is asked for a sign-in, whosever key it has. */
    public Asked ask(Site site) {
        PublicKeyCredentialRequestOptions options = operations(site)
                .createCredentialRequestOptions(new ImmutablePublicKeyCredentialRequestOptionsRequest(null));
        String challenge = options.getChallenge().toBase64UrlString();
        asking.add(challenge, options);
        return new Asked(challenge, JSON.writeValueAsString(options));
    }

    /**
     * Signs in whose passkey it is; returns the word by which they are known from then on.
     *
     * @throws Refused where the answer is not right or came too late, nobody has the key, and while attempts must wait
     */
    @Transactional(noRollbackFor = Refused.class)
    public String signIn(String challenge, String credential, Site site, From from) {
        attempts.requireNoWait(from.address());
        PublicKeyCredentialRequestOptions asked = asking.take(challenge);
        Person person;
        try {
            PublicKeyCredential<AuthenticatorAssertionResponse> answered =
                    JSON.readValue(credential, new TypeReference<>() {});
            PublicKeyCredentialUserEntity user =
                    operations(site).authenticate(new RelyingPartyAuthenticationRequest(asked, answered));
            person = people.find(PeopleAsUsers.personId(user.getId()))
                    .filter(one -> !one.shutOut())
                    .orElseThrow(() -> new IllegalArgumentException("shut out"));
        } catch (JacksonException | WebAuthnException | IllegalArgumentException e) {
            attempts.refused(from.address());
            happenings.add("a passkey", null, Kind.REFUSED, "Sign-in refused, from " + from.address());
            throw new Refused("This passkey is not known here, or was not used rightly: sign in by your password", e);
        }
        return signIns.begin(person, from);
    }
}
