package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Other futures: one made and shown, edited while it is shown, one of its changes made the base and that undone. */
class WhatIfTest extends Journeys {
    private void add(String what, String how, String howMuch, String from, String to) {
        Locator form = page.getByLabel("A new change");
        form.getByLabel("What changes").fill(what);
        form.locator("select").selectOption(how);
        form.getByLabel("How much").fill(howMuch);
        form.getByLabel("From").fill(from);
        form.getByLabel("To").fill(to);
        button(page, "Add the change").click();
    }

    private Locator pennant() {
        return page.getByLabel("Scenario shown in every view");
    }

    @Test
    void scenario_madeShownEditedAndMadeTheBase() {
        open("whatif");
        assertThat(page.getByText("futures beside the base")).isVisible();
        assertThat(page.locator("table.figures").first()).containsText("Both bad ones");
        button(page, "New scenario").click();
        assertThat(field("Name")).hasValue("New scenario");
        type("Name", "Slow spring");
        assertThat(status()).containsText("changed");

        // What is not there, and what cannot be, is said; what was typed stays.
        add("Restaurants", "scale", "85", "Apr 2026", "Jun 2026");
        assertThat(page.getByText("Nothing is called 'Restaurants'")).isVisible();
        add("Restaurants & hotels (the whole line)", "scale", "8500", "Apr 2026", "Jun 2026");
        assertThat(page.getByLabel("A new change").getByRole(AriaRole.ALERT))
                .containsText("from 0% to 1000%, but was 8500%");
        add("Restaurants & hotels (the whole line)", "scale", "85", "Apr 2026", "in June");
        assertThat(page.getByText("'in June' is neither a month nor a day")).isVisible();
        add("Restaurants & hotels (the whole line)", "scale", "85", "Apr 2026", "Jun 2026");
        Locator changes = page.getByLabel("The scenario Slow spring").locator("tbody tr");
        assertThat(changes).hasCount(1);
        assertThat(changes.first()).containsText("at 85%");
        assertThat(changes.first()).containsText("April 2026 to June 2026");
        accessible();

        // Shown in every view, with what the base has; what is typed meanwhile becomes its change.
        button(page, "Show everywhere").click();
        assertThat(pennant()).hasValue(Pattern.compile(".+"));
        page.getByLabel("Views").getByText("Forecast").click();
        Locator differs = page.locator("td[title*='the base has']");
        differs.first().waitFor();
        page.getByLabel("Views").getByText("Payments").click();
        page.getByText("Diesel", new Page.GetByTextOptions().setExact(true))
                .first()
                .click();
        type("growing % a month", "1.5");
        assertThat(status()).containsText("In 'Slow spring': Diesel: growth a month 0.4 \u2192 1.5%");
        page.keyboard().press("Alt+b");
        assertThat(field("growing % a month")).hasValue("0.4");
        assertThat(pennant()).hasValue("");
        page.keyboard().press("Alt+p");
        assertThat(pennant()).hasValue("late-grocers");
        page.keyboard().press("Alt+b");
        assertThat(pennant()).hasValue("");

        // A change made the base is one edit, undone as one.
        page.getByLabel("Views").getByText("What-if").click();
        page.locator("table.figures thead").getByText("Slow spring").click();
        assertThat(changes).hasCount(2);
        changes.first().getByText("make it the base").click();
        assertThat(status()).containsText("A change of 'Slow spring' made the base");
        assertThat(changes).hasCount(1);
        click("Undo");
        assertThat(changes).hasCount(2);
    }

    @Test
    void howFarSomethingCanGo_isAnsweredInASentence_andMadeAScenario() {
        open("whatif/how-far");
        page.getByLabel("How far can this go").fill("Grocery chains (the whole line)");
        page.getByLabel("until").selectOption("CLOSING");
        field("day").fill("31 Jun 2026");
        button(page, "How far?").click();
        assertThat(page.getByText("'31 Jun 2026' is no date")).isVisible();
        page.getByLabel("until").selectOption("LEAST_HEADROOM");
        button(page, "How far?").click();
        Locator answer = page.getByLabel("How far can something go");
        assertThat(answer.getByRole(AriaRole.STATUS))
                .containsText("Now, at 100%, least headroom is 574,065.69. It can go down to 79.18%, with 184.20;"
                        + " at 79.17% it falls to \u2212125.47 on 24 May 2027.");
        accessible();
        page.getByText(Pattern.compile("Make a scenario of .*%")).first().click();
        assertThat(page.getByLabel(Pattern.compile("The scenario Grocery chains .*")))
                .containsText("Grocery chains at 79.18%");
    }

    @Test
    void whatMatters_isRankedForTheMeasureChosen() {
        open("whatif/what-matters");
        Locator ranked = page.getByLabel("Which assumptions matter");
        ranked.locator("tbody tr").first().waitFor();
        assertThat(ranked).containsText("now \u00a3574,065.69 on Fri 22 May 2026");
        assertThat(ranked.locator("tbody tr")).hasCount(25);
        accessible();
        page.getByLabel("What moves").selectOption("CLOSING");
        type("The day", "31 Jun 2026");
        assertThat(page.getByText("June 2026 has 30 days")).isVisible();
        type("The day", "30 Jun 2026");
        assertThat(ranked).containsText("on Tue 30 Jun 2026");
    }
}
