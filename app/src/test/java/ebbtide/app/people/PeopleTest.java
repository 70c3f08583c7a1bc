package ebbtide.app.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.app.Ebbtide;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.LineEdits;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.SettingsEdits;
import ebbtide.app.desk.WholePlans;
import ebbtide.app.people.SignIns.CodeWanted;
import ebbtide.app.people.SignIns.From;
import ebbtide.app.people.SignIns.SignedIn;
import ebbtide.app.storage.HappeningStore;
import ebbtide.app.storage.LoggedSearch;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.PersonStore.Person;
import ebbtide.app.storage.Stores;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.money.Refused;
import ebbtide.sim.DemoCompany;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.node.ObjectNode;

/** People come by invitations, sign in, and do what their role in a plan says, until they are shut out. */
@SpringBootTest(
        classes = {Ebbtide.class, PeopleTest.Watch.class},
        properties = {
            "spring.datasource.url=jdbc:h2:mem:people;DB_CLOSE_DELAY=-1",
            "spring.datasource.hikari.maximum-pool-size=4",
            "ebbtide.people=true"
        })
class PeopleTest {
    private static final String GOOD = "kelp anchors sing at dusk";
    private static final From HERE = new From("10.0.0.1", "a test");

    /** A clock that the test sets on. */
    static final class SetClock extends Clock {
        private final AtomicReference<Instant> now = new AtomicReference<>(Instant.parse("2026-12-01T09:00:00Z"));

        void goOn(Duration by) {
            now.updateAndGet(one -> one.plus(by));
        }

        @Override
        public Instant instant() {
            return now.get();
        }

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }
    }

    @TestConfiguration
    static class Watch {
        @Bean
        @Primary
        SetClock setClock() {
            return new SetClock();
        }
    }

    @Autowired
    private SetClock clock;

    @Autowired
    private People people;

    @Autowired
    private SignIns signIns;

    @Autowired
    private ViewerLinks links;

    @Autowired
    private Rights rights;

    @Autowired
    private WholePlans whole;

    @Autowired
    private Plans plans;

    @Autowired
    private Edits edits;

    @Autowired
    private Stores stores;

    @Autowired
    private LoggedSearch log;

    @Autowired
    private JdbcClient client;

    private String plan;
    private Person ada;

    @BeforeEach
    void makeTheFirst() {
        for (String table : List.of("recovery_code", "sign_in", "plan_member", "invitation", "viewer_link", "person")) {
            client.sql("delete from " + table).update();
        }
        plan = whole.add(DemoCompany.document());
        ada = people.accept(people.inviteFirst(), "Ada Moor", "Ada@Example.org", GOOD);
    }

    private Hand hand(Person person) {
        String word = signIns.begin(person, HERE);
        SignedIn in = signIns.find(word).orElseThrow();
        return new Hand(
                person.name(),
                new Standing.Member(
                        person.id(), in.person().steward(), in.signIn().id()),
                null);
    }

    private void as(Person person, Hand.Work<RuntimeException> work) {
        as(hand(person), work);
    }

    private static void as(Hand hand, Hand.Work<RuntimeException> work) {
        try {
            hand.does(work);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private Person come(Role role) {
        AtomicReference<Person> came = new AtomicReference<>();
        String name = role.name().charAt(0) + role.name().substring(1).toLowerCase(java.util.Locale.ROOT);
        as(ada, () -> came.set(people.accept(people.invite(plan, role), name, name, GOOD)));
        return came.get();
    }

    @Test
    void theFirst_looksAfterPeople_ownsThePlansThatAreThere_andIsTheOnlyFirst() {
        assertThat(ada.steward()).isTrue();
        as(ada, () -> assertThat(rights.find(plan)).contains(Role.OWNER));
        assertThatThrownBy(() -> people.inviteFirst()).isInstanceOf(Refused.class);
        assertThat(client.sql("select password from person").query(String.class).single())
                .startsWith("$argon2id$")
                .doesNotContain(GOOD);
    }

    @Test
    void invitation_isGoodOnce_forAWeek_andOnlyOwnersMakeIt() {
        AtomicReference<String> word = new AtomicReference<>();
        as(ada, () -> word.set(people.invite(plan, Role.EDITOR)));
        assertThatThrownBy(() -> people.accept(word.get(), "Ben", "ada@example.org", GOOD))
                .hasMessageContaining("taken by somebody else");
        Person ben = people.accept(word.get(), "Ben", "ben", GOOD);
        assertThatThrownBy(() -> people.accept(word.get(), "Cid", "cid", GOOD)).isInstanceOf(Refused.class);
        as(ben, () -> {
            assertThat(rights.find(plan)).contains(Role.EDITOR);
            assertThat(rights.isSteward()).isFalse();
            assertThatThrownBy(() -> people.invite(plan, Role.VIEWER))
                    .isInstanceOf(NotAllowed.class)
                    .hasMessageContaining("You are an editor of this plan");
        });
        as(ada, () -> word.set(people.invite(plan, Role.VIEWER)));
        clock.goOn(Duration.ofDays(8));
        assertThatThrownBy(() -> people.invitation(word.get())).hasMessageContaining("its time is over");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "short one",
                "passwordpassword",
                "123456789012",
                "qwertyuiop123",
                "Ada Moor 2026!",
                "letmeinletmein"
            })
    void password_thatIsShortOrSoonGuessed_isRefusedWithAWayToABetterOne(String password) {
        assertThatThrownBy(() -> Passwords.require(password, "ada@example.org", "Ada Moor"))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("a few words that do not belong together");
    }

    @Test
    void attempts_thatAreWrong_areSlowedAndLogged_andSayNotWhatWasWrong() {
        for (int i = 0; i < 5; i++) {
            assertThatThrownBy(() -> signIns.signIn("ada@example.org", "wrong but quite long", "", HERE))
                    .hasMessage("Login, password or code is not right");
        }
        for (String login : List.of("nobody", "x".repeat(9_000), "\u0000")) {
            assertThatThrownBy(() -> signIns.signIn(login, GOOD, "", HERE))
                    .hasMessage("Login, password or code is not right");
        }
        assertThatThrownBy(() -> signIns.signIn("ada@example.org", GOOD, "", HERE))
                .as("even the right one waits")
                .hasMessageStartingWith("Too many attempts: try again in ");
        List<LoggedSearch.Logged> logged = new ArrayList<>();
        log.beside(new LoggedSearch.Sought("", "sign-in REFUSED", null, null), 3, logged::add);
        assertThat(logged)
                .hasSize(3)
                .extracting(LoggedSearch.Logged::kind)
                .containsOnly(HappeningStore.Kind.REFUSED.name());
        clock.goOn(Duration.ofSeconds(2));
        assertThat(signIns.find(signIns.signIn(" ADA@example.org ", GOOD, "", HERE)))
                .isPresent();
    }

    @Test
    void secondFactor_isAskedFor_eachOfItsCodesIsGoodOnce_andARecoveryCodeToo() {
        AtomicReference<List<String>> codes = new AtomicReference<>();
        AtomicReference<String> secret = new AtomicReference<>();
        as(ada, () -> {
            secret.set(signIns.offerSecondFactor().secret());
            assertThatThrownBy(() -> signIns.setSecondFactor(secret.get(), "000000"))
                    .isInstanceOf(Refused.class);
            codes.set(signIns.setSecondFactor(secret.get(), SecondFactor.digits(secret.get(), clock.instant())));
        });
        assertThatThrownBy(() -> signIns.signIn("ada@example.org", GOOD, "", HERE))
                .isInstanceOf(CodeWanted.class);
        String digits = SecondFactor.digits(secret.get(), clock.instant());
        signIns.signIn("ada@example.org", GOOD, digits, HERE);
        assertThatThrownBy(() -> signIns.signIn("ada@example.org", GOOD, digits, HERE))
                .isInstanceOf(Refused.class);
        signIns.signIn("ada@example.org", GOOD, codes.get().get(0), HERE);
        assertThatThrownBy(() ->
                        signIns.signIn("ada@example.org", GOOD, codes.get().get(0), HERE))
                .isInstanceOf(Refused.class);
        assertThat(client.sql("select hash from recovery_code")
                        .query(String.class)
                        .list())
                .hasSize(9)
                .doesNotContainAnyElementsOf(codes.get());
    }

    /** The example of the standard (RFC 6238, appendix B), to six digits. */
    @Test
    void digits_areThoseOfTheStandard() {
        String secret = new org.apache.commons.codec.binary.Base32()
                .encodeToString("12345678901234567890".getBytes(java.nio.charset.StandardCharsets.US_ASCII));
        assertThat(SecondFactor.digits(secret, Instant.ofEpochSecond(59))).isEqualTo("287082");
        assertThat(SecondFactor.digits(secret, Instant.ofEpochSecond(1111111109)))
                .isEqualTo("081804");
    }

    @Test
    void signIns_areSeen_ended_andEndByThemselves() {
        String here = signIns.begin(ada, HERE);
        String there = signIns.begin(ada, new From("10.0.0.2", "a telephone"));
        assertThat(client.sql("select hash from sign_in").query(String.class).list())
                .doesNotContain(here, there);
        SignedIn in = signIns.find(here).orElseThrow();
        as(new Hand("Ada", new Standing.Member(ada.id(), true, in.signIn().id()), null), () -> {
            assertThat(signIns.all()).hasSize(2);
            signIns.changePassword(GOOD, "seven herons count the oysters");
            assertThat(signIns.all()).as("the others ended").hasSize(1);
        });
        assertThat(signIns.find(there)).isEmpty();
        clock.goOn(Duration.ofMinutes(119));
        assertThat(signIns.find(here)).isPresent();
        clock.goOn(Duration.ofMinutes(119));
        assertThat(signIns.find(here)).as("used within two hours").isPresent();
        clock.goOn(Duration.ofMinutes(121));
        assertThat(signIns.find(here)).as("not used for two hours").isEmpty();
        String long1 = signIns.begin(ada, HERE);
        for (int i = 0; i < 12; i++) {
            clock.goOn(Duration.ofHours(1));
            signIns.find(long1);
        }
        assertThat(signIns.find(long1)).as("after twelve hours").isEmpty();
    }

    @Test
    void personShutOut_isOut_andTheLastWhoLooksAfterPeopleStays() {
        Person ben = come(Role.OWNER);
        String word = signIns.begin(ben, HERE);
        as(ada, () -> {
            assertThatThrownBy(() -> people.putStanding(ada.id(), true, true))
                    .hasMessageContaining("the last who looks after");
            people.putStanding(ben.id(), false, true);
        });
        assertThat(signIns.find(word)).isEmpty();
        assertThatThrownBy(() -> signIns.signIn("owner", GOOD, "", HERE)).isInstanceOf(Refused.class);
        as(ada, () -> people.putRole(plan, ben.id(), null));
        as(ada, () -> assertThatThrownBy(() -> people.putRole(plan, ada.id(), Role.EDITOR))
                .hasMessageContaining("the plan's only owner"));
    }

    @Test
    void passwordSetAnew_endsWhatWasOpen_andTheSecondFactor() {
        Person ben = come(Role.VIEWER);
        String open = signIns.begin(ben, HERE);
        as(ada, () -> people.anew(people.inviteAnew(ben.id()), "seven herons count the oysters"));
        assertThat(signIns.find(open)).isEmpty();
        assertThatThrownBy(() -> signIns.signIn("viewer", GOOD, "", HERE)).isInstanceOf(Refused.class);
        signIns.signIn("viewer", "seven herons count the oysters", "", HERE);
    }

    /** Held at the desk, whatever way an edit comes by: notes are a commenter's, figures are not. */
    @Test
    void roles_areHeldWhereEditsAreMade() {
        ObjectNode diesel = PlanWriter.json(
                plans.current(plan).plan().findLine("diesel").orElseThrow(),
                plans.current(plan).currency());
        as(come(Role.COMMENTER), () -> {
            edits.edit(plan, 1, LineEdits.put("diesel", diesel.deepCopy().put("note", "two boats"), "Noted"));
            ObjectNode dearer = (ObjectNode) PlanReader.parse(diesel.toString().replace("17800.00", "19000.00"));
            assertThatThrownBy(() -> edits.edit(plan, 2, LineEdits.put("diesel", dearer, "")))
                    .isInstanceOf(NotAllowed.class);
            assertThatThrownBy(() -> edits.edit(plan, 2, SettingsEdits.moveAhead(1)))
                    .isInstanceOf(NotAllowed.class);
            edits.undo(plan, 2);
        });
        assertThat(stores.log().latest(plan, 1).get(0).author()).isEqualTo("Commenter");
        as(come(Role.EDITOR), () -> {
            edits.edit(plan, 3, LineEdits.clear("diesel"));
            assertThatThrownBy(() -> whole.remove(plan, 4)).isInstanceOf(NotAllowed.class);
        });
        as(come(Role.VIEWER), () -> {
            assertThat(plans.current(plan).version()).isEqualTo(4);
            assertThatThrownBy(() -> edits.undo(plan, 4)).isInstanceOf(NotAllowed.class);
        });
        assertThat(plans.current(plan).version()).isEqualTo(4);
    }

    @Test
    void planOfOthers_isNotThere_andOnesOwnIsOnesOwn() {
        String other = whole.add(DemoCompany.document());
        Person ben = come(Role.OWNER);
        as(ben, () -> {
            assertThatThrownBy(() -> plans.current(other)).isInstanceOf(NotFound.class);
            assertThat(rights.hasPart().test(other)).isFalse();
            String own = whole.add(DemoCompany.document());
            assertThat(rights.find(own)).contains(Role.OWNER);
        });
    }

    @Test
    void link_showsOnePlan_andNothingOnceItIsTakenBack() {
        AtomicReference<String> word = new AtomicReference<>();
        as(ada, () -> word.set(links.make(plan, "for the bank", 30)));
        String shown = links.find(word.get()).orElseThrow().planId();
        as(new Hand("a link", new Standing.Guest(shown), null), () -> {
            assertThat(plans.current(plan).version()).isEqualTo(1);
            assertThatThrownBy(() -> edits.edit(plan, 1, LineEdits.clear("diesel")))
                    .isInstanceOf(NotAllowed.class)
                    .hasMessageContaining("This link shows the plan, and changes nothing");
            assertThatThrownBy(() -> whole.add(DemoCompany.document())).isInstanceOf(NotAllowed.class);
        });
        as(ada, () -> links.takeBack(plan, links.all(plan).get(0).id()));
        assertThat(links.find(word.get())).isEmpty();
        as(ada, () -> word.set(links.make(plan, "", 1)));
        clock.goOn(Duration.ofHours(25));
        assertThat(links.find(word.get())).isEmpty();
    }
}
