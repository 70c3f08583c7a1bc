package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;

/**
 * The steps of a Monday that journeys through roll forwards share: statements and lists come in, what was booked is
 * settled and assigned.
 */
abstract class Mondays extends Journeys {
    void press(Pattern name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name))
                .first()
                .click();
    }

    Locator movements() {
        return page.getByRole(AriaRole.GRID).locator("tbody tr");
    }

    /**
     * Next week's statements come in by themselves, the lists once they were looked at; the first time it is left in
     * between.
     */
    void arrive(int week) {
        button(page, "Next week").click();
        press(Pattern.compile("^Move the as-of date to \\w+ \\d+ Mar 2026"));
        for (String line : new String[] {"Restaurants & hotels", "Grocery chains", "Seed & gear"}) {
            assertThat(page.getByLabel("Bring in a list")).containsText("for " + line);
            if (week == 1) {
                accessible();
            }
            button(page, "Take it over").click();
        }
        assertThat(page.getByLabel("Bring in a list")).hasCount(0);
        if (week == 1) {
            go("forecast");
            page.getByRole(AriaRole.GRID).waitFor();
            go("position/roll");
            assertThat(page.getByText("it can be left at any time")).isVisible();
        }
    }

    /**
     * What is named at once; then S where something is proposed, else the likeliest line; what no line fits gets one.
     */
    void settleAndAssign() {
        movements().first().waitFor();
        Locator named =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Settle the")));
        int before = movements().count();
        if (named.count() > 0) {
            named.click();
            assertThat(named).hasCount(0);
        }
        for (int left = movements().count(); left > 0; left--) {
            assertThat(movements()).hasCount(left);
            Locator first = movements().first();
            first.getByRole(AriaRole.GRIDCELL).first().click();
            String text = first.textContent();
            if (text.contains("S settles") || first.getByText("settles").count() > 0) {
                page.keyboard().press("s");
            } else if (text.contains("STORM CLAIM") || text.contains("PONTOON")) {
                page.keyboard().press("l");
                page.getByLabel("Line", new Page.GetByLabelOptions().setExact(true))
                        .fill(text.contains("STORM") ? "Storm claims" : "Repairs");
                page.keyboard().press("Enter");
            } else {
                page.keyboard().press("1");
            }
            assertThat(movements()).hasCount(left - 1);
        }
        assertThat(before).isPositive();
        // Without a movement left, the next step that has something to do is there.
        assertThat(page.getByText("Settle and assign", new Page.GetByTextOptions()))
                .isVisible();
    }
}
