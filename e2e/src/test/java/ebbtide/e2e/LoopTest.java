package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static ebbtide.e2e.Screens.link;
import static ebbtide.e2e.Screens.row;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The whole loop as a person would go through it: assumptions, forecast, snapshot, bank, variance. */
class LoopTest {
    @TempDir
    private Path folder;

    @Test
    void loop_newPlanToVariance_everyFigureAsWorkedOutByHand() throws IOException {
        try (Chromium chromium = new Chromium()) {
            Page page = chromium.open(Programs.demo().url() + "/#/new");
            setUp(page);
            readForecast(page);
            button(page, "Save snapshot").click();
            button(page, "Save").click();
            assertThat(page.getByRole(AriaRole.STATUS)).containsText("Snapshot 'Forecast of 31 May 2026' saved");
            bringInTheBank(page);
            readVariance(page);
            assertThat(chromium.outside()).isEmpty();
            assertThat(chromium.faults()).isEmpty();
        }
    }

    /** 60% of sales a month later, 40% two months later; sales of 1,000 in April, 2,000 in May, 3,000 from June on. */
    private static void setUp(Page page) {
        page.getByLabel("Name of the plan").fill("Loop Ltd");
        page.getByLabel("As-of date: balances are known up to").fill("31/5/2026");
        page.getByLabel("Balance of account 1").fill("5,000.00");
        page.getByLabel("Sales of May 2026").fill("2k");
        page.getByLabel("Sales of Apr 2026").fill("1,000");
        page.getByLabel("Sales a month from now on").fill("3000");
        page.getByLabel("% a month later").fill("60");
        page.getByLabel("% two months later").fill("40");
        page.getByLabel("Amount of cost 1").fill("700");
        page.getByLabel("Next date of cost 1").fill("2026-06-05");
        button(page, "Make the plan").click();
        page.getByText("What is missing").waitFor();
        // The pattern is changed: half a month later, a tenth never.
        link(page, "Receipts").click();
        Locator share = page.getByLabel("Share of step 1 in percent");
        share.fill("50");
        share.press("Tab");
        assertThat(page.getByText("90%: 10% is missing. The last good pattern stays in force."))
                .isVisible();
        page.getByLabel("% never").fill("10");
        page.getByLabel("% never").press("Tab");
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("Sales: pattern 50 · 40");
        // A cost is added: 90.10 on 10 June.
        link(page, "Payments").click();
        button(page, "Add").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Ice");
        page.getByLabel("Single dates").check();
        page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add"))
                .click();
        page.getByLabel("Date of a new item").fill("10/6/2026");
        page.getByLabel("Amount of a new item").fill("90.10");
        button(page, "Add item").click();
        assertThat(page.getByText("Wed 10 Jun 2026")).isVisible();
    }

    /** June: 50% of May 2,000 and 40% of April 1,000 come in; 700 and 90.10 go out. */
    private static void readForecast(Page page) {
        link(page, "Forecast").click();
        button(page, "Month").click();
        button(page, "£").click();
        assertThat(cell(page, "Sales", 1)).hasText("1,400");
        assertThat(cell(page, "Pay", 1)).hasText("\u2212700");
        assertThat(cell(page, "Ice", 1)).hasText("\u221290.10");
        assertThat(cell(page, "Closing cash", 1)).hasText("5,609.90");
        // July: 50% of June 3,000 and 40% of May 2,000 come in, 700 goes out.
        assertThat(cell(page, "Closing cash", 2)).hasText("7,209.90");
        cell(page, "Sales", 1).click();
        assertThat(page.getByText("50% of May 2026 2,000, 1 month later, even over business days"))
                .isVisible();
        assertThat(page.getByText("40% of April 2026 1,000, 2 months later, even over business days"))
                .isVisible();
        page.keyboard().press("Escape");
    }

    private void bringInTheBank(Page page) throws IOException {
        Path file = folder.resolve("june.csv");
        Files.writeString(
                file,
                "Buchungstag;Verwendungszweck;Betrag\n05.06.2026;PAYROLL;-712,50\n08.06.2026;INVOICE 7;1.000,00\n"
                        + "10.06.2026;ICE AND BOXES;-130,10\n12.06.2026;FERRY, NEVER PLANNED;-55,00\n30.06.2026;INVOICE 8;350,00\n");
        link(page, "Position").click();
        page.getByLabel("Statements to bring in").setInputFiles(file);
        assertThat(page.getByLabel("Preview of the movements")).containsText("\u2212712.50");
        button(page, "Bring it in").click();
        button(page, "Move the as-of date to Tue 30 Jun 2026").click();
        assertThat(page.getByText("as of Tue 30 Jun 2026")).isVisible();
        page.getByLabel("Bring in statements", new Page.GetByLabelOptions().setExact(true))
                .getByText("Close")
                .click();
        assign(page, "INVOICE 8", "Sales");
        assign(page, "INVOICE 7", "Sales");
        assign(page, "PAYROLL", "Pay");
        // The ferry has no line: one is made of the movement itself, with an empty forecast.
        assign(page, "NEVER PLANNED", "Ferry");
        // The ice is divided: 90.10 was ice, 40 were boxes, which stay unassigned.
        focus(page, "ICE AND BOXES");
        page.keyboard().press("d");
        page.getByLabel("Line of part 1").selectOption("Ice");
        page.getByLabel("Amount of part 1").fill("90.10");
        button(page, "Divide").click();
        assertThat(page.getByText("1 movement waits to be assigned")).isVisible();
    }

    private static void focus(Page page, String text) {
        page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHasText(text))
                .click();
        page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHasText(text))
                .focus();
    }

    private static void assign(Page page, String text, String line) {
        focus(page, text);
        page.keyboard().press("l");
        page.getByLabel("Line", new Page.GetByLabelOptions().setExact(true)).fill(line);
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(text)))
                .hasCount(0);
    }

    /** Sales -50, pay -12.50, ice as forecast, ferry -55, boxes -40: closing cash misses by -157.50. */
    private void readVariance(Page page) throws IOException {
        link(page, "Track").click();
        button(page, "Month").click();
        assertThat(row(page, "Sales").getByRole(AriaRole.GRIDCELL).nth(2)).hasText("\u221250");
        assertThat(row(page, "Sales").getByRole(AriaRole.GRIDCELL).nth(3)).hasText("\u22124%");
        assertThat(row(page, "Pay").getByRole(AriaRole.GRIDCELL).nth(2)).hasText("\u221212.50");
        assertThat(row(page, "Ice").getByRole(AriaRole.GRIDCELL).nth(2)).hasText("\u00b7");
        assertThat(row(page, "Ferry").getByRole(AriaRole.GRIDCELL).nth(3)).hasText("new");
        assertThat(row(page, "Not assigned").getByRole(AriaRole.GRIDCELL).nth(2))
                .hasText("\u221240");
        assertThat(row(page, "Closing cash").getByRole(AriaRole.GRIDCELL).nth(0))
                .hasText("5,609.90");
        assertThat(row(page, "Closing cash").getByRole(AriaRole.GRIDCELL).nth(1))
                .hasText("5,452.40");
        assertThat(row(page, "Closing cash").getByRole(AriaRole.GRIDCELL).nth(2))
                .hasText("\u2212157.50");
        link(page, "Setup").click();
        Download plan =
                page.waitForDownload(() -> page.getByText("Plan as JSON").click());
        assertThat(Files.readString(plan.path())).contains("\"ebbtide-plan\"").contains("FERRY, NEVER PLANNED");
    }
}
