package ebbtide.app.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.app.Ebbtide;
import ebbtide.app.people.Passkeys.Site;
import ebbtide.app.people.SignIns.From;
import ebbtide.app.storage.PasskeyStore.Passkey;
import ebbtide.app.storage.PersonStore.Person;
import ebbtide.money.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.simple.JdbcClient;

/** People sign in by a passkey of a device; what is not quite right is refused. */
@SpringBootTest(
        classes = Ebbtide.class,
        properties = {
            "spring.datasource.url=jdbc:h2:mem:passkeys;DB_CLOSE_DELAY=-1",
            "spring.datasource.hikari.maximum-pool-size=2",
            "ebbtide.people=true"
        })
class PasskeysTest {
    private static final String GOOD = "seven green otters swim";
    private static final Site SITE = new Site("cash.example.org", "https://cash.example.org");

    @Autowired
    private Passkeys passkeys;

    @Autowired
    private People people;

    @Autowired
    private SignIns signIns;

    @Autowired
    private JdbcClient client;

    private Person ada;
    private From from;

    @BeforeEach
    void makeTheFirst() {
        for (String table : List.of("passkey", "sign_in", "plan_member", "invitation", "viewer_link", "person")) {
            client.sql("delete from " + table).update();
        }
        ada = people.accept(people.inviteFirst(), "Ada Moor", "ada@example.org", GOOD);
        from = new From("10.0.0." + System.nanoTime() % 1_000_000, "a browser");
    }

    private <T> T asAda(Supplier<T> work) {
        List<T> made = new ArrayList<>();
        new Hand("Ada", new Standing.Member(ada.id(), true, "none"), null)
                .doing(() -> made.add(work.get()))
                .run();
        return made.get(0);
    }

    private List<Passkey> add(Device device) {
        return asAda(() -> {
            String challenge = passkeys.begin("laptop", GOOD, SITE).challenge();
            passkeys.make(challenge, device.make(challenge), SITE);
            return passkeys.own();
        });
    }

    private static Device device() {
        return new Device(SITE.host(), SITE.origin(), true);
    }

    private String signIn(Device device) {
        String challenge = passkeys.ask(SITE).challenge();
        return passkeys.signIn(challenge, device.sign(challenge, ada.id()), SITE, from);
    }

    private void assertRefused(Device device) {
        assertThatThrownBy(() -> signIn(device)).isInstanceOf(Refused.class).hasMessageContaining("is not known here");
    }

    @Test
    void passkeyOfADevice_signsItsPersonIn_untilItIsTakenAway() {
        Device device = device();
        List<Passkey> keys = add(device);
        assertThat(keys).extracting(Passkey::label).containsExactly("laptop");
        for (int i = 0; i < 3; i++) {
            assertThat(signIns.find(signIn(device)).orElseThrow().person().id()).isEqualTo(ada.id());
        }
        assertThat(asAda(passkeys::own).get(0).usedAt()).isNotNull();
        asAda(() -> {
            passkeys.remove(keys.get(0).id());
            return keys;
        });
        assertRefused(device);
    }

    @Test
    void answerThatIsNotQuiteRight_isRefused_andAFewOfThemWait() {
        Device device = device();
        add(device);
        String challenge = passkeys.ask(SITE).challenge();
        String answer = device.sign(challenge, ada.id());
        passkeys.signIn(challenge, answer, SITE, from);
        assertThatThrownBy(() -> passkeys.signIn(challenge, answer, SITE, from))
                .as("answered before")
                .hasMessageContaining("begin anew");
        String another = passkeys.ask(SITE).challenge();
        assertThatThrownBy(() -> passkeys.signIn(another, answer, SITE, from))
                .as("the answer to another challenge")
                .hasMessageContaining("is not known here");
        assertThatThrownBy(() -> passkeys.signIn(passkeys.ask(SITE).challenge(), "{", SITE, from))
                .as("no answer")
                .hasMessageContaining("is not known here");
        assertRefused(device());
        client.sql("update passkey set signatures = signatures + 5").update();
        assertRefused(device);
        client.sql("update passkey set signatures = signatures - 5").update();
        client.sql("update person set shut_out = true").update();
        assertRefused(device);
        client.sql("update person set shut_out = false").update();
        for (int i = 0; i < 15; i++) {
            assertRefused(device());
        }
        assertThatThrownBy(() -> signIn(device)).hasMessageContaining("Too many attempts");
    }

    @Test
    void keyOfAnotherSite_orOfADeviceThatAsksNobody_isNotTaken() {
        for (Device wrong : List.of(
                new Device(SITE.host(), "https://cash.example.net", true),
                new Device("cash.example.net", SITE.origin(), true),
                new Device(SITE.host(), SITE.origin(), false))) {
            assertThatThrownBy(() -> add(wrong))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining("did not make a passkey that holds");
        }
        assertThatThrownBy(() -> asAda(() -> passkeys.begin("laptop", "another", SITE)))
                .hasMessageContaining("password is not right");
        assertThatThrownBy(() -> asAda(() -> passkeys.begin(" ", GOOD, SITE))).hasMessageContaining("Name the passkey");
        assertThatThrownBy(() -> passkeys.ask(new Site("127.0.0.1", "http://127.0.0.1:8080")))
                .hasMessageContaining("open Ebbtide by one");
        assertThat(asAda(passkeys::own)).isEmpty();
    }
}
