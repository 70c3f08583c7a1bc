package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * The list of assumptions of the demo: found by words, narrowed to what was changed since a snapshot, one act from its
 * line.
 */
class AssumptionsTest extends Journeys {
    @BeforeEach
    void open() {
        open("setup");
        button(page, "Assumptions").click();
        rows().first().waitFor();
    }

    private Locator rows() {
        return page.getByLabel("Assumptions one by one").locator("tbody tr");
    }

    @Test
    void list_searchedAndNarrowed_leadsToTheLineAndNamesItsLatestEdit() {
        page.getByLabel("Search assumptions").fill("diesel growth");
        assertThat(rows()).hasCount(1);
        assertThat(rows().first()).containsText("growth a month");
        assertThat(rows().first()).containsText("as first made");
        page.getByLabel("Search assumptions").fill("boat refit slipway");
        assertThat(rows()).hasCount(2);
        assertThat(rows().first()).containsText("86,000");
        page.getByLabel("Search assumptions").fill("no such thing");
        assertThat(page.getByText("No assumption fits. Change the words.")).isVisible();
        go("forecast");
        button(page, "Save snapshot").click();
        button(page, "Save").click();
        assertThat(status()).containsText("saved");
        go("payments/diesel");
        type("growing % a month", "0.9");
        assertThat(status()).containsText("Diesel: growth a month 0.4 \u2192 0.9%");
        go("setup");
        button(page, "Assumptions").click();
        page.getByLabel("changed since").check();
        assertThat(rows().first()).containsText("Diesel");
        int count = rows().count();
        for (int i = 0; i < count; i++) {
            assertThat(rows().nth(i)).containsText("Diesel");
        }
        page.getByLabel("Search assumptions").fill("growth");
        assertThat(rows().first()).containsText("0.9");
        rows().first().getByRole(AriaRole.LINK).click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Diesel")))
                .isVisible();
    }
}
