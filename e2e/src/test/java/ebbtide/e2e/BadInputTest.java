package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Bad text in every field of every editor, over a plan of every kind: a sentence that names it, the text kept, the plan
 * unchanged.
 */
@Everywhere
class BadInputTest extends Journeys {
    private static final Path EVERY_KIND = Path.of("../docs/examples/every-kind.json");
    private static final String BAD = "zz?!";
    /** Fields in which any words are right. */
    private static final Pattern WORDS = Pattern.compile("(Note|Role|Asset|Name|Search|Title)\\b.*");
    /** Fields of a form that is judged as a whole. */
    private static final Pattern ADDED = Pattern.compile(".* of a new .*|From|New amount|Move all .*");

    @Override
    protected String makePlan() throws IOException {
        return Programs.plan(running, Files.readString(EVERY_KIND));
    }

    private String lines() {
        return new JsonMapper()
                .readTree(running.get("/api/plans/" + plan + "/file"))
                .get("lines")
                .toString();
    }

    private Locator sentence(String words) {
        return page.getByRole(AriaRole.ALERT)
                .filter(new Locator.FilterOptions().setHasText(words))
                .first();
    }

    /** Types as hands do, field by field, within the page: two hundred fields are many round trips otherwise. */
    private static final String SWEEP = """
      async ({fields, bad, words, added}) => {
        document.querySelectorAll('details').forEach((one) => (one.open = true));
        const seen = (one) => one.checkVisibility() && one.type !== 'checkbox' && one.type !== 'file';
        const all = () => [...document.querySelectorAll(fields)].filter(seen);
        const put = (field, text) => {
          field.focus();
          field.select();
          document.execCommand(text ? 'insertText' : 'delete', false, text);
        };
        const press = (field, key) => field.dispatchEvent(new KeyboardEvent('keydown', {key, bubbles: true, cancelable: true}));
        const alerts = () => [...document.querySelectorAll('[role=alert]')].map((one) => one.textContent);
        const within = async (ms, holds) => {
          for (const end = performance.now() + ms; performance.now() < end; ) {
            if (holds()) return true;
            await new Promise((done) => setTimeout(done, 10));
          }
          return holds();
        };
        const faults = [];
        let swept = 0;
        for (let i = 0; i < all().length; i++, swept++) {
          const field = all()[i];
          const name = (field.getAttribute('aria-label') || field.labels?.[0]?.innerText || field.placeholder).trim();
          if (new RegExp('^(' + words + ')$').test(name)) continue;
          const before = field.value;
          put(field, bad);
          if (new RegExp('^(' + added + ')$').test(name)) {
            if (press(field, 'Enter')) field.form?.requestSubmit();
          } else {
            press(field, 'Tab');
            field.blur();
          }
          if (!(await within(3000, () => alerts().some((text) => text.includes(bad))))) faults.push(`'${name}' says nothing of '${bad}' but ${alerts()}`);
          const there = all()[i];
          if (there?.value !== bad) faults.push(`'${name}' lost what was typed and shows '${there?.value}'`);
          put(there, before);
          press(there, 'Escape');
          there.blur();
        }
        return {faults, swept};
      }""";

    /**
     * What a sweep over the fields of a page found: those that took bad text without a word, or lost it, and how many
     * there were.
     */
    private record Swept(List<String> faults, int fields) {}

    /** Puts bad text into each field of the page that is open. */
    private Swept sweep(String place) {
        Locator changes = page.getByText("change from a date\u2026");
        while (changes.count() > 0) {
            changes.first().click();
        }
        Map<?, ?> found = (Map<?, ?>) page.evaluate(
                SWEEP, Map.of("fields", "main input", "bad", BAD, "words", WORDS.pattern(), "added", ADDED.pattern()));
        return new Swept(
                ((List<?>) found.get("faults"))
                        .stream().map(fault -> place + ": " + fault).toList(),
                ((Number) found.get("swept")).intValue());
    }

    @Test
    void everyFieldOfEveryLine_badText_isNamedAndKept() throws IOException {
        String before = lines();
        open("receipts");
        List<String> faults = new ArrayList<>();
        int swept = 0;
        for (JsonNode line :
                new JsonMapper().readTree(Files.readString(EVERY_KIND)).get("lines")) {
            String name = line.get("name").asString();
            go((line.get("direction").asString().equals("receipt") ? "receipts/" : "payments/")
                    + line.get("id").asString());
            page.getByRole(
                            AriaRole.HEADING,
                            new Page.GetByRoleOptions().setName(name).setExact(true))
                    .waitFor();
            page.locator("main .card").first().waitFor();
            Swept found = sweep(name);
            swept += found.fields();
            faults.addAll(found.faults());
        }
        assertThat(faults).isEmpty();
        assertThat(swept).as("fields of all editors").isGreaterThan(200);
        assertThat(lines()).isEqualTo(before);
    }

    @Test
    void setup_badText_isNamedAndKept(@TempDir Path folder) throws IOException {
        open("setup");
        page.getByLabel("Name of a new document").waitFor();
        field("Bills are paid").selectOption("days-of-month");
        assertThat(field("Days of the payment runs")).hasValue("25");
        assertThat(sweep("Setup").faults()).isEmpty();
        Locator name = field("Name").first();
        name.fill(" ");
        name.press("Tab");
        assertThat(sentence("must not be empty")).isVisible();
        name.press("Escape");
        assertThat(name).hasValue("Every kind");
        page.getByText("Budget", new Page.GetByTextOptions().setExact(true)).click();
        Path file = folder.resolve("letter.csv");
        Files.writeString(file, "Dear all,\nthe budget follows.\n");
        page.getByLabel("Budget file").setInputFiles(file);
        assertThat(sentence("No row of the sheet")).isVisible();
    }

    /**
     * A new name is saved while the next field is being typed in: neither is lost, and the undo of the name leaves
     * nothing behind.
     */
    @ParameterizedTest
    @CsvSource({
        "payments/pay, Role of Drivers, posts of Crew from 1 Jan 2026",
        "payments/boats, Asset of Skiff, used from of Crew"
    })
    void newName_thenBadTextInTheNextField_bothStay(String place, String named, String next) {
        open(place);
        type(named, "Crew");
        type(next, BAD);
        assertThat(sentence(BAD)).isVisible();
        assertThat(field(next)).hasValue(BAD);
        field(next).press("Escape");
        button(page, "Undo").first().click();
        assertThat(field(named)).isVisible();
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
    }
}
