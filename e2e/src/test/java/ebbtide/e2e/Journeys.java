package ebbtide.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;

/** One program and one browser for the journeys of a class; after each, nothing may have left the host or broken. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class Journeys {
  private final String command;
  protected Running running;
  protected Chromium chromium;
  protected Page page;

  /** Makes journeys through the demo, or through a program started with an empty folder. */
  protected Journeys(String command) {
    this.command = command;
  }

  @BeforeAll
  void start(@TempDir Path folder) {
    List<String> data = command.equals("start") ? List.of("--data", folder.resolve("data").toString()) : List.of();
    running = Running.start(Stream.concat(Stream.of(command), data.stream()).toArray(String[]::new));
    chromium = new Chromium();
  }

  @AfterAll
  void stop() {
    chromium.close();
    running.close();
  }

  @AfterEach
  void nothingLeftTheHostAndNothingBroke() {
    assertThat(chromium.outside()).isEmpty();
    assertThat(chromium.faults()).isEmpty();
    page.context().close();
  }

  /** Opens a place of the only plan in a fresh profile. */
  protected void open(String place) {
    page = chromium.open(running.url() + "/#/plan/" + Screens.onlyPlan(running) + "/" + place);
  }

  /** Goes to a place of the only plan on the page that is open. */
  protected void go(String place) {
    page.navigate(running.url() + "/#/plan/" + Screens.onlyPlan(running) + "/" + place);
  }

  /** Clicks the first button of a name. */
  protected void click(String name) {
    Screens.button(page, name).first().click();
  }

  /** The page as it is has no serious fault for people who use other means than eyes and mouse. */
  protected void accessible() {
    assertThat(Screens.seriousViolations(page)).isEmpty();
  }

  /** What the latest edit did, in words. */
  protected Locator status() {
    return page.getByRole(AriaRole.STATUS).first();
  }

  /** A field by its whole name. */
  protected Locator field(String name) {
    return page.getByLabel(name, new Page.GetByLabelOptions().setExact(true));
  }

  /** Types into a field and leaves it. */
  protected void type(String name, String text) {
    field(name).fill(text);
    field(name).press("Tab");
  }
}
