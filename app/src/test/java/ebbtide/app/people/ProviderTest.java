package ebbtide.app.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import ebbtide.app.Ebbtide;
import ebbtide.app.access.HandOfRequest;
import ebbtide.app.desk.WholePlans;
import ebbtide.app.people.SignIns.From;
import ebbtide.app.storage.MemberStore;
import ebbtide.app.storage.PersonStore;
import ebbtide.app.storage.PersonStore.Person;
import ebbtide.sim.DemoCompany;
import ebbtide.sim.ProviderStandIn;
import jakarta.servlet.http.Cookie;
import java.net.URI;
import java.net.URLDecoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.json.JsonMapper;

/** People sign in by a provider: a stand-in, asked over HTTP as a browser and the program would. */
@SpringBootTest(
        classes = Ebbtide.class,
        properties = {
            "spring.datasource.url=jdbc:h2:mem:provider;DB_CLOSE_DELAY=-1",
            "spring.datasource.hikari.maximum-pool-size=2",
            "ebbtide.people=true"
        })
@AutoConfigureMockMvc
class ProviderTest {
    private static final ProviderStandIn PROVIDER = ProviderStandIn.start();
    private static final String GOOD = "seven green otters swim";
    private static final From HERE = new From("10.0.0.7", "a browser");
    private static final HttpClient BROWSER = HttpClient.newHttpClient();

    @DynamicPropertySource
    static void provider(DynamicPropertyRegistry registry) {
        PROVIDER.settings().forEach((key, value) -> registry.add("ebbtide.provider." + key, () -> value));
    }

    @AfterAll
    static void close() {
        PROVIDER.close();
    }

    @Autowired
    private MockMvc mvc;

    @Autowired
    private People people;

    @Autowired
    private PersonStore store;

    @Autowired
    private MemberStore members;

    @Autowired
    private SignIns signIns;

    @Autowired
    private WholePlans whole;

    @Autowired
    private JdbcClient client;

    private String plan;
    private Person ada;

    @BeforeEach
    void makeTheFirst() {
        for (String table : List.of("provider_name", "sign_in", "plan_member", "invitation", "viewer_link", "person")) {
            client.sql("delete from " + table).update();
        }
        plan = whole.add(DemoCompany.document());
        ada = people.accept(people.inviteFirst(), "Ada Moor", "ada@example.org", GOOD);
    }

    private String invitation() throws Exception {
        List<String> words = new ArrayList<>();
        Hand hand = new Hand("Ada", new Standing.Member(ada.id(), true, "none"), null);
        hand.<RuntimeException>does(() -> words.add(people.invite(plan, Role.EDITOR)));
        return words.get(0);
    }

    /** Somebody on the way: the address of the provider, and the cookie to come back with. */
    private record OnTheWay(URI address, Cookie cookie) {}

    private OnTheWay begin(@Nullable String invitation, Cookie... cookies) throws Exception {
        var request = MockMvcRequestBuilders.post("/api/provider/begin")
                .with(csrf())
                .contentType("application/json")
                .content(JsonMapper.shared()
                        .writeValueAsString(java.util.Collections.singletonMap("invitation", invitation)));
        if (cookies.length > 0) {
            request.cookie(cookies);
        }
        MockHttpServletResponse response = mvc.perform(request).andReturn().getResponse();
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(200);
        String address = JsonMapper.shared()
                .readTree(response.getContentAsString())
                .get("address")
                .asString();
        return new OnTheWay(URI.create(address), response.getCookie("ebbtide-on-the-way"));
    }

    /** Chooses who one is on the provider's page; returns the address to which that leads back. */
    private static URI choose(OnTheWay onTheWay, String name) throws Exception {
        String page = BROWSER.send(
                        HttpRequest.newBuilder(onTheWay.address()).build(), HttpResponse.BodyHandlers.ofString())
                .body();
        String link = Arrays.stream(page.split("<li>"))
                .filter(one -> one.contains(name))
                .map(one -> one.substring(one.indexOf('"') + 1, one.lastIndexOf('"')))
                .map(one -> one.replace("&amp;", "&"))
                .findFirst()
                .orElseThrow();
        HttpResponse<Void> chosen = BROWSER.send(
                HttpRequest.newBuilder(onTheWay.address().resolve(link)).build(),
                HttpResponse.BodyHandlers.discarding());
        return URI.create(chosen.headers().firstValue("Location").orElseThrow());
    }

    private MockHttpServletResponse comeBack(URI back, Cookie... cookies) throws Exception {
        var request = MockMvcRequestBuilders.get(back);
        if (cookies.length > 0) {
            request.cookie(cookies);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private MockHttpServletResponse by(String name, @Nullable String invitation, Cookie... cookies) throws Exception {
        OnTheWay onTheWay = begin(invitation, cookies);
        return comeBack(choose(onTheWay, name), onTheWay.cookie());
    }

    private static String said(MockHttpServletResponse response) {
        Cookie said = response.getCookie("ebbtide-said");
        return said == null ? "" : URLDecoder.decode(said.getValue(), StandardCharsets.UTF_8);
    }

    private @Nullable Person in(MockHttpServletResponse response) {
        Cookie cookie = response.getCookie(HandOfRequest.SIGN_IN);
        return cookie == null
                ? null
                : signIns.find(cookie.getValue()).orElseThrow().person();
    }

    @Test
    void stranger_isNotLetIn_butByAnInvitation_andFromThenOnByTheProviderAlone() throws Exception {
        MockHttpServletResponse refused = by("Marina", null);
        assertThat(in(refused)).isNull();
        assertThat(said(refused)).startsWith("Nobody here is known as marina@example.org yet: open an invitation");

        String word = invitation();
        MockHttpServletResponse came = by("Marina", word);
        Person marina = in(came);
        assertThat(marina.name()).isEqualTo("Marina Sand");
        assertThat(came.getHeader("Location")).isEqualTo("/#/plans");
        assertThat(came.getHeaders("Set-Cookie"))
                .filteredOn(one -> one.startsWith(HandOfRequest.SIGN_IN))
                .singleElement()
                .asString()
                .contains("HttpOnly", "SameSite=Strict");
        assertThat(members.find(plan, marina.id()).orElseThrow().role()).isEqualTo("EDITOR");

        assertThat(in(by("Marina", null)).id()).isEqualTo(marina.id());
        assertThat(said(by("Tomas", word))).contains("was used, or its time is over");
        store.putStanding(marina.id(), false, true);
        assertThat(in(by("Marina", null))).as("shut out").isNull();
        client.sql("update person set login = 'msand' where id = ?")
                .param(marina.id())
                .update();
        MockHttpServletResponse again = by("Marina", invitation());
        assertThat(in(again)).as("shut out, and invited").isNull();
        assertThat(said(again)).startsWith("Marina Sand is shut out here");
    }

    @Test
    void whoIsSignedIn_addsTheProvider_andNobodyElseTheSameOfIt() throws Exception {
        Cookie signIn = new Cookie(HandOfRequest.SIGN_IN, signIns.begin(ada, HERE));
        assertThat(by("Tomas", null, signIn).getHeader("Location")).isEqualTo("/#/own");
        assertThat(in(by("Tomas", null)).id()).isEqualTo(ada.id());
        Person ben = people.accept(invitation(), "Ben", "ben", GOOD);
        Cookie bens = new Cookie(HandOfRequest.SIGN_IN, signIns.begin(ben, HERE));
        assertThat(said(by("Tomas", null, bens))).contains("Somebody else here signs in as tomas@example.org");
        people.accept(invitation(), "Another", "marina@example.org", GOOD);
        assertThat(said(by("Marina", invitation()))).contains("'marina@example.org' is taken by somebody else");
    }

    @Test
    void whatDoesNotComeFromHere_isRefused() throws Exception {
        String word = invitation();
        OnTheWay first = begin(word);
        URI back = choose(first, "Marina");
        assertThat(in(comeBack(back))).as("without the cookie").isNull();
        assertThat(in(comeBack(back, begin(word).cookie())))
                .as("with another's cookie")
                .isNull();
        URI otherState = URI.create(back.toString().replaceAll("state=[^&]*", "state=other"));
        assertThat(in(comeBack(otherState, first.cookie())))
                .as("with another state")
                .isNull();
        URI otherCode = URI.create(back.toString().replaceAll("code=[^&]*", "code=other"));
        MockHttpServletResponse guessed = comeBack(otherCode, first.cookie());
        assertThat(in(guessed)).as("with a guessed code").isNull();
        assertThat(said(guessed)).contains("begin again from here");
        assertThat(in(comeBack(back, first.cookie()))).as("after an attempt").isNull();
        assertThat(in(by("Marina", word))).as("begun again").isNotNull();
    }
}
