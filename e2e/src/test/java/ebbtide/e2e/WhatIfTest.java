package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/** Other futures: one made and shown, edited while it is shown, one of its changes made the base and that undone. */
@Order(3)
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

        // A customer who pays later, by name; a supplier or customer can fail, a line cannot.
        add("Fennick Stores (a customer)", "paid-later", "21", "", "");
        assertThat(changes).hasCount(2);
        assertThat(changes.nth(1)).containsText("Fennick Stores");
        assertThat(changes.nth(1)).containsText("paid 21 days later");
        changes.nth(1).getByText("take out").click();
        assertThat(changes).hasCount(1);

        // It holds at another time, and goes over two months; what cannot be read is said.
        changes.first().getByText("April 2026 to June 2026").click();
        Locator dating = page.getByLabel("When the change holds");
        dating.getByLabel("To", new Locator.GetByLabelOptions().setExact(true)).fill("some day");
        button(page, "Save").click();
        assertThat(dating).containsText("'some day' is neither a month nor a day");
        dating.getByLabel("To", new Locator.GetByLabelOptions().setExact(true)).fill("Aug 2026");
        dating.getByLabel("going over").fill("2");
        accessible();
        button(page, "Save").click();
        assertThat(changes).hasCount(1);
        assertThat(changes.first()).containsText("April 2026 to August 2026");
        assertThat(changes.first()).containsText("going over 2 months");

        // An asset by its own name comes a month later; its line's others stay.
        add("Workboat engine (an asset of Boats & sheds)", "shift-months", "1", "", "");
        assertThat(changes).hasCount(2);
        changes.nth(1).getByText("take out").click();
        assertThat(changes).hasCount(1);

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
        page.keyboard().press("Alt+t");
        assertThat(status()).containsText("In 'Slow spring': 'Diesel' as the base has it");
        assertThat(field("growing % a month")).hasValue("0.4");
        page.keyboard().press("Alt+t");
        assertThat(page.getByText("changes nothing of this line by itself").first())
                .isVisible();
        click("Undo");
        assertThat(field("growing % a month")).hasValue("1.5");
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

        // Approved, it is kept beside its base, to be tracked; a change of it is asked how far it goes.
        button(page, "Approve").click();
        assertThat(status()).containsText("Scenario 'Slow spring' approved, to be tracked");
        assertThat(pennant()).hasValue("");
        changes.first().getByText("how far?").click();
        Locator answer = page.getByLabel("How far can something go");
        assertThat(answer).containsText("at 85%, of 'Slow spring'");
        button(page, "How far?").click();
        assertThat(answer.getByRole(AriaRole.STATUS)).containsText("Now, at 100%, least headroom is");
        go("track/snapshots");
        assertThat(page.getByLabel("Snapshots")).containsText("of the scenario 'Slow spring'");
    }

    @Test
    void howFarSomethingCanGo_isAnsweredInASentence_andMadeAScenario() {
        open("receipts/grocery");
        page.getByText("How far?", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByLabel("How far can this go")).hasValue("Grocery chains (the whole line)");
        page.getByLabel("until").selectOption("CLOSING");
        field("day").fill("31 Jun 2026");
        button(page, "How far?").click();
        assertThat(page.getByText("'31 Jun 2026' is no date")).isVisible();
        page.getByLabel("until").selectOption("LEAST_HEADROOM");
        button(page, "How far?").click();
        Locator answer = page.getByLabel("How far can something go");
        assertThat(answer.getByRole(AriaRole.STATUS))
                .containsText("Now, at 100%, least headroom is 574,065.69. It can go down to 79.7%, with 8.69;"
                        + " at 79.69% it falls to \u2212301.01 on 24 May 2027.");
        accessible();
        page.getByText(Pattern.compile("Make a scenario of .*%")).first().click();
        assertThat(page.getByLabel(Pattern.compile("The scenario Grocery chains .*")))
                .containsText("Grocery chains at 79.7%");
    }

    @Test
    @Everywhere
    void whatMatters_isRankedForTheMeasureChosen() {
        open("whatif/what-matters");
        Locator ranked = page.getByLabel("Which assumptions matter");
        ranked.locator("tbody tr").first().waitFor();
        assertThat(ranked).containsText("now \u00a3574,065.69 on Fri 22 May 2026");
        assertThat(ranked.locator("tbody tr")).hasCount(25);
        assertThat(ranked.getByRole(AriaRole.STATUS)).hasText(Pattern.compile("(\\d+) of \\1 moved"));
        accessible();
        type("percentages by", "far");
        assertThat(page.getByText("A step is a number from 0 to 100, but was 'far'."))
                .isVisible();
        // Left without an answer, so that it goes on until it is stopped.
        page.route("**/sensitivity?*", unanswered -> {});
        type("percentages by", "2");
        button(page, "Stop").click();
        assertThat(button(page, "Begin again")).isVisible();
        page.unroute("**/sensitivity?*");
        button(page, "Begin again").click();
        page.getByLabel("What moves").selectOption("CLOSING");
        type("The day", "31 Jun 2026");
        assertThat(page.getByText("June 2026 has 30 days")).isVisible();
        type("The day", "30 Jun 2026");
        assertThat(ranked).containsText("on Tue 30 Jun 2026");

        assertThat(page.getByLabel("If a customer fails").locator("tbody tr")).hasCount(8);
        assertThat(page.getByLabel("What can be done about it")
                        .locator("tbody tr")
                        .first())
                .containsText("make a scenario of it");
        Locator two = page.getByLabel("Two at once");
        two.getByLabel("Down").fill("Grocery chains (the whole line)");
        two.getByLabel("Across").fill("Export");
        button(page, "Turn both").click();
        assertThat(two.getByRole(AriaRole.ALERT)).containsText("Nothing is called 'Export'");
        two.getByLabel("Across").fill("Export distributors (the whole line)");
        button(page, "Turn both").click();
        assertThat(two.locator("tbody tr")).hasCount(5);
        assertThat(two.locator("tbody tr").nth(2)).containsText("100%");
    }

    private Locator cell(String row, String column) {
        return page.locator("table[role=grid] tbody tr")
                .filter(new Locator.FilterOptions().setHasText(row))
                .locator("td[role=gridcell]")
                .nth(page.locator("table[role=grid] thead th").allInnerTexts().stream()
                                .map(String::strip)
                                .toList()
                                .indexOf(column)
                        - 2);
    }

    private void typeCell(String row, String column, String text) {
        cell(row, column).click();
        page.keyboard().type(text);
        page.keyboard().press("Enter");
    }

    /** The three-case sheet typed and pasted, read side by side, and one of them kept as the breakwater. */
    @Test
    void threeCases_typedInTheSheet_standSideBySide() {
        open("whatif/values");
        page.locator("table[role=grid]").waitFor();
        page.getByLabel("A row for").fill("Diesel: growth a month");
        button(page, "Add the row").click();
        typeCell("Diesel: growth a month", "B Late grocers", "much");
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("Diesel: growth a month in 'Late grocers'");
        page.keyboard().press("Escape");
        typeCell("Diesel: growth a month", "B Late grocers", "1.5");
        assertThat(status()).containsText("Scenario 'Late grocers': Diesel: growth a month 1.5");
        assertThat(cell("Diesel: growth a month", "B Late grocers")).containsText("1.5");
        assertThat(cell("Diesel: growth a month", "E Both bad ones")).containsText("1.5");

        // A block from a spreadsheet goes in at once, and is undone as one.
        cell("Grocery chains: paid later by", "B Late grocers").click();
        page.evaluate(
                "text => { const data = new DataTransfer(); data.setData('text/plain', text);"
                        + " document.activeElement.dispatchEvent(new ClipboardEvent('paste', {clipboardData: data, bubbles: true})) }",
                "20\t5\t0");
        assertThat(cell("Grocery chains: paid later by", "C Lost exporter")).containsText("5");
        assertThat(status()).containsText("2 scenarios: 3 cells of the sheet");
        click("Undo");
        assertThat(cell("Grocery chains: paid later by", "C Lost exporter")).containsText("0");
        accessible();

        page.getByText("Side by side", new Page.GetByTextOptions().setExact(true))
                .click();
        Locator table = page.getByLabel("Row by row");
        assertThat(table).containsText("Closing cash");
        page.getByLabel("Compared by").selectOption("BALANCE");
        assertThat(table).containsText("Current assets");
        page.getByLabel("Compared by").selectOption("CASH");
        page.getByLabel("Period").selectOption("8");
        page.getByLabel("only what differs").check();
        table.locator("button.underline").first().click();
        assertThat(page.getByText("what makes the difference")).isVisible();
        assertThat(page.locator("aside")).containsText("Grocery chains paid 12 days later");
        page.keyboard().press("Escape");
        accessible();
        org.assertj.core.api.Assertions.assertThat(
                        page.waitForDownload(() -> page.getByText("Export CSV").click())
                                .suggestedFilename())
                .isEqualTo("side-by-side.csv");

        page.getByText("Futures", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator("[data-breakwater]")).containsText("breakwater \u2212");
        page.locator("table.figures thead").getByText("Both bad ones").click();
        assertThat(page.getByText(Pattern.compile("Funding survives \\d\\d(\\.\\d+)?% of 'Both bad ones'")))
                .isVisible();
        page.getByLabel("Views").getByText("Setup").click();
        assertThat(page.getByLabel("What is missing")).containsText("The breakwater 'Both bad ones' does not hold");
    }

    @Test
    void howLikely_isDrawn_andFirmLinesAreNot() {
        open("whatif/how-likely");
        Locator answer = page.getByLabel("How likely it runs short");
        assertThat(answer).containsText("of 1,000 runs");
        assertThat(page.getByLabel("Tried on the past")).containsText("no forecast of the past is over yet");
        type("Runs", "many");
        assertThat(page.getByText("Runs are a whole number from 1 to 10,000, but was 'many'."))
                .isVisible();
        type("Runs", "200");
        assertThat(answer).containsText("of 200 runs");
        accessible();
        page.getByText("What is drawn, and by what").click();
        assertThat(answer).containsText("Grocery chains");
        page.getByLabel("Grocery chains is firm").check();
        assertThat(page.getByText("Settings: Grocery chains is firm")).isVisible();
        assertThat(answer).not().containsText("Grocery chains");
        click("Undo");
        assertThat(answer).containsText("Grocery chains");
    }
}
