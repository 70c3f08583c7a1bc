package ebbtide.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.RegisterExtension;

/**
 * The journeys of a class: through a plan of its own in a program that all share; after each, nothing may have left the
 * host or broken.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class Journeys {
    protected Running running;
    protected Chromium chromium;
    protected Page page;
    protected String plan;

    /** What stands on the page says more of a journey that failed than what it waited for. */
    @RegisterExtension
    final AfterTestExecutionCallback shown = context -> {
        if (context.getExecutionException().isPresent() && page != null && !page.isClosed()) {
            System.out.println(context.getDisplayName() + " ended at " + page.url() + ", where stands:\n"
                    + page.locator("body").innerText());
        }
    };

    @BeforeAll
    void start() throws IOException {
        running = program();
        plan = makePlan();
        chromium = new Chromium(script());
    }

    /**
     * Returns what every page runs before its own scripts: nothing, unless a class needs the page to behave otherwise.
     */
    protected String script() {
        return "";
    }

    /** Returns the program that the journeys go through: the shared one, unless a class needs one of its own. */
    protected Running program() {
        return Programs.demo();
    }

    /**
     * Makes the plan that the journeys go through and returns its id: a copy of the demo's, unless a class has another.
     */
    protected String makePlan() throws IOException {
        return Programs.plan(running, Programs.shippedFile());
    }

    @AfterAll
    void stop() {
        if (chromium != null) {
            chromium.close();
        }
    }

    @AfterEach
    void nothingLeftTheHostAndNothingBroke() {
        assertThat(chromium.outside()).isEmpty();
        assertThat(chromium.faults()).isEmpty();
        chromium.forget();
    }

    /** Opens a place of the plan in a fresh profile. */
    protected void open(String place) {
        page = chromium.open(address(place));
    }

    /** Goes to a place of the plan on the page that is open. */
    protected void go(String place) {
        page.navigate(address(place));
    }

    private String address(String place) {
        return running.url() + "/#/plan/" + plan + "/" + place;
    }

    /** Clicks the first button of a name. */
    protected void click(String name) {
        Screens.button(page, name).first().click();
    }

    /**
     * What a view shows has no serious fault for people who use other means than eyes and mouse; what stands around
     * every view is looked at once (DemoTest).
     */
    protected void accessible() {
        assertThat(Screens.seriousViolations(page, "main", "aside", "[role=dialog]"))
                .isEmpty();
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

    /** Pastes a text where the keys are, as a spreadsheet gives it. */
    protected void paste(String text) {
        page.evaluate(
                "text => { const data = new DataTransfer(); data.setData('text/plain', text); document.activeElement.dispatchEvent("
                        + "new ClipboardEvent('paste', {clipboardData: data, bubbles: true, cancelable: true})); }",
                text);
    }
}
