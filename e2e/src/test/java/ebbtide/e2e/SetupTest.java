package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.link;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The first minutes of a new user, with every mistake they may make. */
class SetupTest {
    @TempDir
    private Path folder;

    private static void change(Page page, String label, String text) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).fill(text);
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).press("Tab");
    }

    @Test
    @Everywhere
    void newPlan_withMistakes_saysEachBesideItsFieldAndKeepsTheRest() throws IOException {
        try (Running running =
                        Running.start("start", "--data", folder.resolve("data").toString());
                Chromium chromium = new Chromium()) {
            Page page = chromium.open(running.url());
            brokenFile(page);
            page.getByLabel("As-of date: balances are known up to").fill("yesterday");
            page.getByLabel("Balance of account 1").fill("about 5k");
            page.getByLabel("% a month later").fill("60");
            page.getByLabel("Amount of cost 1").fill("1k");
            page.getByLabel("Next date of cost 1").fill("30/2/2026");
            button(page, "Make the plan").click();
            assertThat(page.getByText("Give the plan a name: the company, or the group of companies."))
                    .isVisible();
            assertThat(page.getByText("'yesterday' can't be read: type a date such as 2026-03-01 or 1/3/2026."))
                    .isVisible();
            assertThat(
                            page.getByText(
                                    "'about 5k' can't be read: type a number such as 1,250.50 or 12k; below zero when overdrawn."))
                    .isVisible();
            assertThat(page.getByText("Shares must add up to 100%, but they make 90%."))
                    .isVisible();
            assertThat(page.getByText("'30/2/2026' can't be read: type the next date, such as 2026-03-28."))
                    .isVisible();
            assertThat(page.getByLabel("Amount of cost 1")).hasValue("1k");
            page.getByLabel("Name of the plan").fill("Kelp & Daughters");
            page.getByLabel("As-of date: balances are known up to").fill("1 Mar 2026");
            page.getByLabel("Balance of account 1").fill("-250.25");
            page.getByLabel("% a month later").fill("70");
            page.getByLabel("Next date of cost 1").fill("28/3/2026");
            page.getByLabel("Sales a month from now on").fill("4k");
            button(page, "Make the plan").click();
            assertThat(page.getByText("The forecast is there: the tide line above shows it."))
                    .isVisible();
            assertThat(page.getByLabel("What is missing"))
                    .containsText("No minimum cash is set: headroom is measured from nil");
            assertThat(page.getByLabel("What is missing"))
                    .containsText("Sales is paid up to 2 months later, but 2 months before March have no figure");
            mend(page);
            list(page);
            putAwayAndDelete(page);
            assertThat(chromium.outside()).isEmpty();
            assertThat(chromium.faults()).isEmpty();
        }
    }

    private void brokenFile(Page page) throws IOException {
        Path broken = Files.writeString(
                folder.resolve("broken.json"),
                Files.readString(Path.of("../docs/examples/pattern.json"))
                        .replace("\"35\"", "\"36\"")
                        .replace("\"asOf\"", "\"asof\""));
        page.getByText("A new plan").waitFor();
        page.getByLabel("Plan file").setInputFiles(broken);
        assertThat(page.getByText("/settings/asof: 'asof' is not known here; known are name, currency, asOf"))
                .isVisible();
        assertThat(
                        page.getByText(
                                "/lines/0/assumption/pattern: Shares must add up to 100%, but 36% + 45% + 17% + 3% is 101%: 1% too much"))
                .isVisible();
    }

    private static void mend(Page page) {
        change(page, "minimum cash", "2k");
        assertThat(page.getByText("No minimum cash is set")).hasCount(0);
        assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("Settings: minimum cash: 2,000 GBP");
        change(page, "Balance", "lots");
        assertThat(page.getByText("'lots' is no amount: type a number such as 1,250.50, below zero when overdrawn."))
                .isVisible();
        change(page, "Balance", "1,000");
        assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("Account Current account set");
        page.getByLabel("Name of a new account").fill("Savings");
        page.getByLabel("Balance of a new account").fill("500");
        page.getByLabel("Bank accounts").getByText("Add").click();
        assertThat(page.getByLabel("Take Savings out")).isVisible();
        page.getByLabel("Take Savings out").click();
        assertThat(page.getByLabel("Take Savings out")).hasCount(0);
        assertThat(page.getByLabel("Changes")).containsText("Account Savings taken out");
        change(page, "As-of date", "the ides");
        assertThat(page.getByText("'the ides' is no date: type one such as 2026-07-01 or 1/7/2026."))
                .isVisible();
        change(page, "As-of date", "20/3/2026");
        assertThat(page.getByText("as of Fri 20 Mar 2026")).isVisible();
        assertThat(page.getByLabel("What is missing"))
                .containsText("Current account is known up to 1 Mar 2026, earlier than the as-of date");
        button(page, "Undo").first().click();
        assertThat(page.getByText("as of Sun 1 Mar 2026")).isVisible();
        page.getByText("Go there").first().click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Sales")))
                .isVisible();
    }

    /** A second plan stands beside the first; the mark leads back to the list. */
    private static void list(Page page) {
        page.getByTitle("All plans").click();
        assertThat(link(page, "Kelp & Daughters")).isVisible();
        page.getByLabel("Plan file").setInputFiles(Path.of("../docs/examples/pattern.json"));
        assertThat(page.getByText("as of Wed 31 Dec 2025")).isVisible();
        page.getByTitle("All plans").click();
        assertThat(link(page, "A pattern by months")).isVisible();
        assertThat(link(page, "Kelp & Daughters")).isVisible();
    }

    /** A plan that is put away is read and stays as it is; one goes for good only by its name, and after a backup. */
    private void putAwayAndDelete(Page page) {
        page.getByLabel("Archive A pattern by months").click();
        assertThat(page.getByText("Archived: read, and not changed")).isVisible();
        link(page, "A pattern by months").click();
        assertThat(page.getByText("This plan is archived")).isVisible();
        page.navigate(page.url().replace("/forecast", "/setup"));
        change(page, "minimum cash", "2k");
        assertThat(page.getByText("This plan is archived and stays as it is: take it out of the archive to change it")
                        .first())
                .isVisible();
        assertThat(page.getByLabel("minimum cash", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("2k");
        page.getByTitle("All plans").click();
        page.getByLabel("Take out of the archive A pattern by months").click();
        assertThat(page.getByText("Archived: read, and not changed")).hasCount(0);
        page.getByLabel("Delete Kelp & Daughters").click();
        page.getByLabel("Its name, to be sure").fill("Kelp");
        button(page, "Delete the plan").click();
        assertThat(page.getByText("The plan is named 'Kelp & Daughters', and not 'Kelp'"))
                .isVisible();
        page.getByLabel("Its name, to be sure").fill("Kelp & Daughters");
        button(page, "Delete the plan").click();
        assertThat(page.getByText("The plan is deleted. All data as they were before are in"))
                .containsText("before-deleting-");
        assertThat(link(page, "Kelp & Daughters")).hasCount(0);
        assertThat(link(page, "A pattern by months")).isVisible();
    }
}
