package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.link;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A finance team: the first comes by the link of the start, invites a colleague, shows the plan to a guest. */
class PeopleTest {
    private static final Pattern FIRST = Pattern.compile("(http://[\\d.:]+/#/come/\\S+)");
    private static final String PASSWORD = "kelp anchors sing at dusk";

    @TempDir
    private Path folder;

    private static Locator field(Page page, String label) {
        return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true))
                .first();
    }

    private static void fill(Page page, String label, String text) {
        field(page, label).fill(text);
    }

    private static void put(Page page, String label, String text) {
        fill(page, label, text);
        field(page, label).press("Tab");
    }

    private static void come(Page page, String name) {
        fill(page, "Your name, as others see it", name);
        fill(page, "Login: your address, or any name", name.toLowerCase(Locale.ROOT) + "@example.org");
        fill(page, "A password", PASSWORD);
        button(page, "Come in").click();
    }

    private static String addressToSend(Page page, int which) {
        assertThat(page.getByLabel("The address to send")).hasCount(which + 1);
        return page.getByLabel("The address to send").nth(which).inputValue();
    }

    @Test
    @Everywhere
    void team_comesByInvitations_editsSideBySide_showsThePlanToAGuest_andParts() throws Exception {
        Path output = folder.resolve("output");
        try (Running running = Running.start(output, "", "demo", "--people");
                Chromium first = new Chromium();
                Chromium second = new Chromium();
                Chromium third = new Chromium()) {
            Page stranger = third.open(running.url());
            assertThat(stranger.getByRole(AriaRole.HEADING)).hasText("Sign in");

            Matcher link = FIRST.matcher(Files.readString(output));
            assertThat(link.find()).isTrue();
            Page ada = first.open(link.group(1));
            assertThat(button(ada, "Come in by the demo's provider")).isVisible();
            assertThat(Screens.seriousViolations(stranger)).isEmpty();
            assertThat(Screens.seriousViolations(ada)).isEmpty();
            come(ada, "Ada");
            link(ada, "Skerrywick Shellfish Ltd").click();
            link(ada, "Setup").click();
            button(ada, "Invite somebody").click();
            Page ben = second.open(addressToSend(ada, 0));
            assertThat(ben.getByText("Ada invites you to be editor of it")).isVisible();
            come(ben, "Ben");
            link(ben, "Setup").click();
            assertThat(field(ben, "Months ahead")).hasValue("24");

            together(ada, ben);
            talk(ada, ben);
            apart(ada, ben);
            guest(ada, stranger);

            ada.navigate(running.url() + "/#/own");
            assertThat(ada.getByText("Where you are signed in")).isVisible();
            assertThat(Screens.seriousViolations(ada)).isEmpty();
            ada.navigate(running.url() + "/#/people");
            assertThat(ada.getByLabel("What happened")).containsText("Took a link back");
            assertThat(Screens.seriousViolations(ada)).isEmpty();
            try (Chromium named = new Chromium()) {
                byPasskey(named.open(running.url().replace("127.0.0.1", "localhost") + "/#/own"), "ada@example.org");
            }
            ada.getByLabel("Ben is shut out").check();
            put(ben, "Months ahead", "25");
            assertThat(ben.getByRole(AriaRole.DIALOG)).containsText("Sign in");
            assertThat(field(ben, "Months ahead")).hasValue("25");
            assertThat(first.outside()).isEmpty();
            assertThat(running.ends(Duration.ofSeconds(15)))
                    .as("pages that listen keep no program from ending")
                    .isTrue();
        }
    }

    @Test
    @Everywhere
    void programForOthers_listensForThem_onceSomebodyCanSignIn() throws Exception {
        Path output = folder.resolve("output");
        String data = folder.resolve("data").toString();
        try (Running running = Running.start(output, "", "start", "--data", data, "--host", "127.0.0.2");
                Chromium first = new Chromium()) {
            assertThat(running.url()).startsWith("http://127.0.0.1:");
            assertThat(Files.readString(output)).contains("so it does not listen on 127.0.0.2");
            Matcher link = FIRST.matcher(Files.readString(output));
            assertThat(link.find()).isTrue();
            come(first.open(link.group(1)), "Ada");
            Pattern there = Pattern.compile("is ready on (http://127\\.0\\.0\\.2:\\d+) with");
            Matcher ready = there.matcher("");
            for (int i = 0; i < 600 && !ready.find(); i++) {
                Thread.sleep(100);
                ready = there.matcher(Files.readString(output));
            }
            HttpClient client = HttpClient.newHttpClient();
            URI plans = URI.create(ready.group(1) + "/api/plans");
            assertThat(client.send(HttpRequest.newBuilder(plans).build(), BodyHandlers.ofString())
                            .statusCode())
                    .isEqualTo(401);
        }
    }

    /** A device that asks nobody, as a phone or a laptop would its person. */
    private static void giveDevice(Page page) {
        CDPSession session = page.context().newCDPSession(page);
        session.send("WebAuthn.enable");
        JsonObject device = new JsonObject();
        device.addProperty("protocol", "ctap2");
        device.addProperty("transport", "internal");
        for (String can :
                List.of("hasResidentKey", "hasUserVerification", "isUserVerified", "automaticPresenceSimulation")) {
            device.addProperty(can, true);
        }
        JsonObject options = new JsonObject();
        options.add("options", device);
        session.send("WebAuthn.addVirtualAuthenticator", options);
    }

    private static void signIn(Page page, String login) {
        fill(page, "Login", login);
        fill(page, "Password", PASSWORD);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Sign in").setExact(true))
                .click();
    }

    /** Under a name, as passkeys are for one: added with the password, signed in by, taken away. */
    private static void byPasskey(Page page, String login) {
        giveDevice(page);
        signIn(page, login);
        assertThat(page.getByRole(AriaRole.HEADING).first()).hasText("Ada");
        assertThat(Screens.seriousViolations(page)).isEmpty();
        fill(page, "What you call the device", "laptop");
        fill(page, "Your password", "another password than hers");
        button(page, "Add a passkey").click();
        assertThat(page.getByText("The password is not right").first()).isVisible();
        assertThat(field(page, "What you call the device")).hasValue("laptop");
        fill(page, "Your password", PASSWORD);
        button(page, "Add a passkey").click();
        Locator keys = page.getByLabel("Passkeys", new Page.GetByLabelOptions().setExact(true));
        assertThat(keys.getByRole(AriaRole.LISTITEM)).containsText("laptop");
        button(page, "Sign out").click();
        button(page, "Sign in with a passkey").click();
        assertThat(page.getByRole(AriaRole.HEADING).first()).hasText("Ada");
        assertThat(keys.getByRole(AriaRole.LISTITEM)).containsText("last used");
        button(page, "Take the passkey laptop away").click();
        assertThat(keys.getByRole(AriaRole.LISTITEM)).hasCount(0);
        button(page, "Sign out").click();
        button(page, "Sign in with a passkey").click();
        assertThat(page.getByText("This passkey is not known here").first()).isVisible();
    }

    /** Others' edits appear by themselves; what is being typed stays as it is, and holds. */
    private static void together(Page ada, Page ben) {
        fill(ben, "Months ahead", "26");
        put(ada, "Name", "Skerrywick & Daughters");
        assertThat(ben.getByRole(AriaRole.STATUS).last()).containsText("Ada");
        assertThat(field(ben, "Name")).hasValue("Skerrywick & Daughters");
        assertThat(field(ben, "Months ahead")).hasValue("26");
        field(ben, "Months ahead").press("Tab");
        assertThat(ben.getByRole(AriaRole.STATUS).first()).containsText("26 months ahead");
        assertThat(field(ada, "Months ahead")).hasValue("26");
        assertThat(ada.getByLabel("Who else is here")).containsText("Ben: Setup");
    }

    /** A question on a figure, seen where it lies, and answered. */
    private static void talk(Page ada, Page ben) {
        link(ada, "Forecast").click();
        link(ben, "Forecast").click();
        figure(ben).click();
        ben.keyboard().press("b");
        fill(ben, "Come back to this because", "Is this the autumn price?");
        button(ben, "Leave a buoy").click();
        assertThat(figure(ada))
                .hasAttribute("title", Pattern.compile("buoy: Is this the autumn price\\? \u00b7 Ben is here$"));
        figure(ada).click();
        fill(ada, "Answer", "Yes, by the letter of February");
        button(ada, "Answer").click();
        Locator said = ben.getByLabel("What was said here");
        assertThat(said).containsText("Yes, by the letter of February");
        assertThat(said).containsText("Ada, ");
        assertThat(button(ben, "Take back: Yes, by the letter of February")).hasCount(0);
        assertThat(button(ada, "Take back: Yes, by the letter of February")).isVisible();
        assertThat(Screens.seriousViolations(ada)).isEmpty();
        // The address opens what is seen.
        String address = ben.url();
        ben.navigate("about:blank");
        ben.navigate(address);
        assertThat(ben.getByLabel("What was said here")).containsText("Yes, by the letter of February");
    }

    private static Locator figure(Page page) {
        return page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName("Export distributors"))
                .getByRole(AriaRole.GRIDCELL)
                .nth(3);
    }

    /** What one has not seen of the other's edits holds beside them, unless it is of the same figure. */
    private static void apart(Page ada, Page ben) {
        for (Page page : List.of(ada, ben)) {
            link(page, "Setup").click();
            Screens.deafen(page);
            assertThat(field(page, "Months ahead")).hasValue("26");
        }
        put(ada, "Name", "Skerrywick & Sons");
        assertThat(ada.getByRole(AriaRole.STATUS).first()).containsText("Skerrywick & Sons");
        put(ben, "Months ahead", "30");
        assertThat(ben.getByText("Changed meanwhile:")).containsText("Ada, just now");
        assertThat(ben.getByText("Changed meanwhile:")).containsText("Skerrywick & Sons");
        assertThat(field(ben, "Name")).hasValue("Skerrywick & Sons");
        put(ada, "Months ahead", "36");
        Locator refused =
                ada.getByText("The plan has changed since you loaded it").first();
        assertThat(refused).containsText("Ben, just now");
        assertThat(refused).containsText("30 months ahead");
    }

    private static void guest(Page ada, Page guest) {
        fill(ada, "For", "the bank");
        button(ada, "Make a link").click();
        String address = addressToSend(ada, 0);
        guest.navigate(address);
        guest.reload();
        assertThat(guest.getByText("A link shows you this plan")).isVisible();
        assertThat(guest.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Forecast")))
                .isVisible();
        link(guest, "Payments").click();
        guest.getByRole(AriaRole.TREEITEM)
                .filter(new Locator.FilterOptions().setHasText("Pay"))
                .first()
                .click();
        assertThat(guest.getByText("whoever looks on sees pay in sums alone").first())
                .isVisible();
        button(ada, "Take the link the bank back").click();
        assertThat(ada.getByText("None. Whoever has one looks")).isVisible();
        guest.reload();
        assertThat(guest.getByRole(AriaRole.HEADING)).hasText("Sign in");
        guest.navigate(address);
        guest.reload();
        assertThat(guest.getByText("This link was taken back, or its time is over"))
                .isVisible();
    }
}
