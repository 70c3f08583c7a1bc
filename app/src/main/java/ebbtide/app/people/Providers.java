package ebbtide.app.people;

import ebbtide.app.people.SignIns.From;
import ebbtide.app.storage.HappeningStore;
import ebbtide.app.storage.HappeningStore.Kind;
import ebbtide.app.storage.PersonStore;
import ebbtide.app.storage.PersonStore.Person;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Signing in by a provider that says who somebody is. It lets nobody in by itself: people are known by what it calls
 * them once they came by an invitation, or added it to how they sign in.
 */
@Service
public class Providers {
    private final PersonStore store;
    private final People people;
    private final SignIns signIns;
    private final HappeningStore happenings;

    Providers(PersonStore store, People people, SignIns signIns, HappeningStore happenings) {
        this.store = store;
        this.people = people;
        this.signIns = signIns;
        this.happenings = happenings;
    }

    /** Whom a provider names: by its address and an id that stays, with the name and the login that it says. */
    public record Named(String issuer, String subject, String name, String login) {}

    private Optional<Person> find(Named named) {
        return store.findByProvider(named.issuer(), named.subject());
    }

    /**
     * Signs in whom a provider names; returns the word by which they are known from then on.
     *
     * @throws Refused where nobody here is known by that name, or they are shut out
     */
    @Transactional(noRollbackFor = Refused.class)
    public String signIn(Named named, From from) {
        Person person = find(named).filter(one -> !one.shutOut()).orElse(null);
        if (person == null) {
            happenings.add(
                    named.login(), null, Kind.REFUSED, "Sign-in by the provider refused, from " + from.address());
            throw new Refused("Nobody here is known as " + named.login()
                    + " yet: open an invitation, or sign in with your password and add the provider to your sign-ins");
        }
        return signIns.begin(person, from);
    }

    /**
     * Takes in whom a provider names and who was invited, or signs in who is here already and takes them into the plan;
     * returns the word by which they are known from then on.
     *
     * @throws Refused where the invitation was used, somebody else has the login, or they are shut out
     */
    @Transactional
    public String come(Named named, String invitation, From from) {
        Optional<Person> known = find(named);
        if (known.isPresent()) {
            // Whoever was shut out does not come back as somebody else.
            Check.that(
                    !known.get().shutOut(),
                    known.get().name() + " is shut out here: ask a steward, who looks after people");
            people.join(invitation, known.get().id());
            return signIns.begin(known.get(), from);
        }
        Person person = people.acceptNamed(invitation, named.name(), named.login());
        store.addProviderName(named.issuer(), named.subject(), person.id());
        return signIns.begin(person, from);
    }

    /**
     * Adds what a provider calls somebody to how they sign in.
     *
     * @throws Refused where somebody else is known by it
     */
    @Transactional
    public void add(Named named, String personId) {
        Optional<Person> known = find(named);
        Check.that(
                known.isEmpty() || known.get().id().equals(personId),
                "Somebody else here signs in as " + named.login() + " already");
        if (known.isEmpty()) {
            store.addProviderName(named.issuer(), named.subject(), personId);
            happenings.add(people.name(personId), null, Kind.PERSON, "Added " + named.login() + " of the provider");
        }
    }

    /** Takes the names away by which a provider knows who is signed in. */
    @Transactional
    public void remove() {
        Person person = signIns.own();
        Check.that(
                !person.password().isEmpty(),
                "You would not be able to sign in any more: have a steward let you set a password first");
        store.removeProviderNames(person.id());
        happenings.add(person.name(), null, Kind.PERSON, "Took the provider away");
    }

    /** Returns whether who is signed in is known by a name of a provider. */
    public boolean isAdded() {
        return store.isNamedByProvider(signIns.own().id());
    }
}
