package ebbtide.app.people;

import ebbtide.app.storage.HappeningStore;
import ebbtide.app.storage.HappeningStore.Kind;
import ebbtide.app.storage.MemberStore;
import ebbtide.app.storage.MemberStore.Invitation;
import ebbtide.app.storage.MemberStore.Member;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.PersonStore;
import ebbtide.app.storage.PersonStore.Person;
import ebbtide.app.storage.ShortId;
import ebbtide.app.storage.SignInStore;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The people who work here: how they come, by invitations, what each of them is in a plan, who is shut out. */
@Service
public class People {
    private static final Duration FIRST_STANDS = Duration.ofHours(24);
    private static final Duration STANDS = Duration.ofDays(7);
    private static final int LONGEST_NAME = 120;

    private final PersonStore people;
    private final MemberStore members;
    private final SignInStore signIns;
    private final HappeningStore happenings;
    private final Passwords passwords;
    private final Rights rights;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    People(
            PersonStore people,
            MemberStore members,
            SignInStore signIns,
            HappeningStore happenings,
            Passwords passwords,
            Rights rights,
            Clock clock,
            ApplicationEventPublisher events) {
        this.people = people;
        this.members = members;
        this.signIns = signIns;
        this.happenings = happenings;
        this.passwords = passwords;
        this.rights = rights;
        this.clock = clock;
        this.events = events;
    }

    /** Tells that the first person is there. */
    public record FirstCame(String personId) {}

    public boolean isAnybodyThere() {
        return people.isAnybodyThere();
    }

    /** Returns the word of an invitation to be the first, who looks after people and owns the plans there are. */
    @Transactional
    public String inviteFirst() {
        Check.that(!people.isAnybodyThere(), "There are people already: one of them invites others");
        members.removeFirstInvitations();
        return invite(new Invitation(null, null, null, "the program", soon(FIRST_STANDS)));
    }

    private OffsetDateTime soon(Duration stands) {
        return OffsetDateTime.now(clock).plus(stands);
    }

    private String invite(Invitation to) {
        Token token = Token.next();
        members.addInvitation(token.hash(), to);
        return token.word();
    }

    /** Returns the word of an invitation to a plan in a role, good once and for a week. */
    @Transactional
    public String invite(String planId, Role role) {
        rights.require(planId, Role.OWNER);
        happenings.add(Hand.atWork().author(), planId, Kind.LINK, "Invited somebody as " + name(role));
        return invite(new Invitation(planId, role.name(), null, Hand.atWork().author(), soon(STANDS)));
    }

    /** Returns the word of an invitation by which a person sets a password anew; a second factor goes with it. */
    @Transactional
    public String inviteAnew(String personId) {
        rights.requireSteward();
        Person person = get(personId);
        happenings.add(Hand.atWork().author(), null, Kind.PERSON, "Let " + person.name() + " set a password anew");
        return invite(new Invitation(null, null, personId, Hand.atWork().author(), soon(FIRST_STANDS)));
    }

    /** Returns what an invitation is to. */
    public Invitation invitation(String word) {
        return members.findInvitation(new Token(word).hash())
                .orElseThrow(() ->
                        new Refused("This invitation was used, or its time is over: ask whoever sent it for another"));
    }

    private static String written(String login) {
        return Check.text(login.strip().toLowerCase(Locale.ROOT), "login", LONGEST_NAME);
    }

    /**
     * Takes a person in who was invited, and uses the invitation up.
     *
     * @throws Refused where the login is taken, or the password easily guessed; the invitation stands then
     */
    @Transactional
    public Person accept(String word, String name, String login, String password) {
        Person person = invited(word, name, login);
        Passwords.require(password, person.login(), person.name());
        return takeIn(word, person, password);
    }

    /** Takes a person in who was invited and whom a provider names, and uses the invitation up; without a password. */
    @Transactional
    public Person acceptNamed(String word, String name, String login) {
        return takeIn(word, invited(word, name, login), "");
    }

    private Person invited(String word, String name, String login) {
        Check.that(
                invitation(word).personId() == null,
                "This invitation is to set a password anew, of somebody who is there");
        return new Person(
                ShortId.next(),
                Check.text(name.strip(), "name", LONGEST_NAME),
                written(login),
                "",
                !people.isAnybodyThere(),
                false,
                null,
                0);
    }

    private Person takeIn(String word, Person person, String password) {
        Invitation to = invitation(word);
        Check.that(
                people.findByLogin(person.login()).isEmpty(),
                "The login '" + person.login() + "' is taken by somebody else: choose another");
        use(word);
        people.add(password.isEmpty() ? person : withPassword(person, password));
        if (person.steward()) {
            members.adoptPlans(person.id());
            events.publishEvent(new FirstCame(person.id()));
        }
        if (to.planId() != null) {
            members.put(new Member(to.planId(), person.id(), String.valueOf(to.role())));
        }
        happenings.add(person.name(), to.planId(), Kind.PERSON, "Came by an invitation of " + to.madeBy());
        return person;
    }

    private Person withPassword(Person person, String password) {
        return new Person(
                person.id(),
                person.name(),
                person.login(),
                passwords.hashed(password),
                person.steward(),
                person.shutOut(),
                person.secondFactor(),
                person.factorUsed());
    }

    private void use(String word) {
        if (!members.useInvitation(new Token(word).hash())) {
            throw new Refused("This invitation was used just now");
        }
    }

    /** Takes a person who is signed in into the plan of an invitation, and uses it up. */
    @Transactional
    public void join(String word, String personId) {
        Invitation to = invitation(word);
        String plan = to.planId();
        if (plan == null) {
            throw new Refused("This invitation is not to a plan");
        }
        use(word);
        Role offered = Role.valueOf(String.valueOf(to.role()));
        boolean isMore = members.find(plan, personId)
                .filter(had -> Role.valueOf(had.role()).covers(offered))
                .isEmpty();
        if (isMore) {
            members.put(new Member(plan, personId, offered.name()));
        }
        happenings.add(get(personId).name(), plan, Kind.ROLE, "Joined by an invitation of " + to.madeBy());
    }

    /** Sets a password anew by an invitation to do so; all sign-ins and the second factor of the person end. */
    @Transactional
    public Person anew(String word, String password) {
        String id = invitation(word).personId();
        if (id == null) {
            throw new Refused("This invitation is not to set a password anew");
        }
        Person person = get(id);
        Passwords.require(password, person.login(), person.name());
        use(word);
        people.putPassword(id, passwords.hashed(password));
        people.putSecondFactor(id, null, List.of());
        signIns.endOthers(id, "");
        happenings.add(person.name(), null, Kind.PERSON, "Set a password anew");
        return person;
    }

    private Person get(String id) {
        return people.find(id).orElseThrow(() -> new NotFound("person", id));
    }

    /** Returns everybody, for those who look after people and those who choose members of a plan they own. */
    public List<Person> all() {
        rights.requirePerson();
        return people.all();
    }

    /**
     * Says whether a person looks after people and data, and whether they are shut out, which ends their sign-ins.
     * Refuses to leave nobody who looks after people.
     */
    @Transactional
    public void putStanding(String id, boolean steward, boolean shutOut) {
        rights.requireSteward();
        Person person = get(id);
        boolean another = people.all().stream()
                .anyMatch(one -> one.steward() && !one.shutOut() && !one.id().equals(id));
        Check.that(
                another || steward && !shutOut,
                person.name() + " is the last who looks after people and data: make somebody else a steward first");
        people.putStanding(id, steward, shutOut);
        if (shutOut) {
            signIns.endOthers(id, "");
        }
        happenings.add(
                Hand.atWork().author(),
                null,
                Kind.PERSON,
                person.name() + (shutOut ? " shut out" : steward ? " is a steward" : " is no steward"));
    }

    /** A person's part in a plan. */
    public record MemberOfPlan(String id, String name, Role role) {}

    /** Returns the members of a plan, by name. */
    public List<MemberOfPlan> members(String planId) {
        rights.requirePerson();
        rights.require(planId, Role.ONLOOKER);
        List<MemberOfPlan> all = new ArrayList<>();
        for (Member member : members.of(planId)) {
            all.add(new MemberOfPlan(member.personId(), get(member.personId()).name(), Role.valueOf(member.role())));
        }
        all.sort(Comparator.comparing(one -> one.name().toLowerCase(Locale.ROOT)));
        return all;
    }

    /** Returns the name of a person. */
    public String name(String personId) {
        return get(personId).name();
    }

    /** Returns the login of a person. */
    public String login(String personId) {
        return get(personId).login();
    }

    /** Gives a person a role in a plan, or, null, takes them out of it. Refuses to leave a plan without an owner. */
    @Transactional
    public void putRole(String planId, String personId, @Nullable Role role) {
        rights.require(planId, Role.OWNER);
        Person person = get(personId);
        boolean another = members.of(planId).stream()
                .anyMatch(one ->
                        one.role().equals(Role.OWNER.name()) && !one.personId().equals(personId));
        Check.that(
                another || role == Role.OWNER,
                person.name() + " is the plan's only owner: make somebody else one first");
        if (role == null) {
            members.remove(planId, personId);
        } else {
            members.put(new Member(planId, personId, role.name()));
        }
        happenings.add(
                Hand.atWork().author(),
                planId,
                Kind.ROLE,
                person.name() + (role == null ? " taken out" : " made " + name(role)));
    }

    private static String name(Role role) {
        return role.name().toLowerCase(Locale.ROOT);
    }
}
