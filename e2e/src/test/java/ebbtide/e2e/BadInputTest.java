package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Bad text in every field of every editor, over a plan of every kind: a sentence that names it, the text kept, the plan unchanged. */
class BadInputTest extends Journeys {
  private static final Path EVERY_KIND = Path.of("../docs/examples/every-kind.json");
  private static final String BAD = "zz?!";
  private static final String FIELDS = "main input:not([type=checkbox]):not([type=file]):visible";
  /** Fields in which any words are right. */
  private static final Pattern WORDS = Pattern.compile("(Note|Role|Asset|Name|Search|Title)\\b.*");
  /** Fields of a form that is judged as a whole. */
  private static final Pattern ADDED = Pattern.compile(".* of a new .*|From|New amount|Move all .*");

  @Override
  protected String makePlan() throws IOException {
    return Programs.plan(running, Files.readString(EVERY_KIND));
  }

  private String lines() {
    return new JsonMapper().readTree(running.get("/api/plans/" + plan + "/file")).get("lines").toString();
  }

  private static String nameOf(Locator field) {
    return (String) field.evaluate("one => (one.getAttribute('aria-label') || one.labels?.[0]?.innerText || one.placeholder).trim()");
  }

  private Locator sentence(String words) {
    return page.getByRole(AriaRole.ALERT).filter(new Locator.FilterOptions().setHasText(words)).first();
  }

  /** Puts bad text into each field of the page that is open, and gives those that took it without a word, or lost it. */
  private List<String> faults(String place) {
    List<String> faults = new ArrayList<>();
    Locator changes = page.getByText("change from a date\u2026");
    while (changes.count() > 0) {
      changes.first().click();
    }
    Locator fields = page.locator(FIELDS);
    for (int i = 0; i < fields.count(); i++) {
      Locator field = fields.nth(i);
      String name = nameOf(field);
      if (WORDS.matcher(name).matches()) {
        continue;
      }
      String before = field.inputValue();
      field.fill(BAD);
      field.press(ADDED.matcher(name).matches() ? "Enter" : "Tab");
      try {
        sentence(BAD).waitFor(new Locator.WaitForOptions().setTimeout(3_000));
      } catch (com.microsoft.playwright.TimeoutError silent) {
        faults.add(place + ": '" + name + "' says nothing of '" + BAD + "' but " + page.getByRole(AriaRole.ALERT).allInnerTexts());
      }
      if (!field.inputValue().equals(BAD)) {
        faults.add(place + ": '" + name + "' lost what was typed and shows '" + field.inputValue() + "'");
      }
      field.fill(before);
      field.press("Escape");
      fields = page.locator(FIELDS);
    }
    return faults;
  }

  @Test
  void everyFieldOfEveryLine_badText_isNamedAndKept() throws IOException {
    String before = lines();
    open("receipts");
    List<String> faults = new ArrayList<>();
    int swept = 0;
    for (JsonNode line : new JsonMapper().readTree(Files.readString(EVERY_KIND)).get("lines")) {
      String name = line.get("name").asString();
      go((line.get("direction").asString().equals("receipt") ? "receipts/" : "payments/") + line.get("id").asString());
      page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name).setExact(true)).waitFor();
      page.locator(FIELDS).first().waitFor();
      swept += page.locator(FIELDS).count();
      faults.addAll(faults(name));
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
    assertThat(faults("Setup")).isEmpty();
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

  /** A new name is saved while the next field is being typed in: neither is lost, and the undo of the name leaves nothing behind. */
  @ParameterizedTest
  @CsvSource({"payments/pay, Role of Drivers, posts of Crew from 1 Jan 2026", "payments/boats, Asset of Skiff, used from of Crew"})
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
