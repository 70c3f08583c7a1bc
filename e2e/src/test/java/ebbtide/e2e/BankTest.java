package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.link;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A Monday at the bank's files: the demo's statements in, assigned by keys, rules and parts; damaged files refused. */
class BankTest extends Journeys {
    @TempDir
    private Path folder;

    @BeforeEach
    void open() {
        open("position");
        page.getByLabel("Balances by account and day").waitFor();
    }

    private Locator movements() {
        return page.getByLabel("Bank movements").locator("tbody tr");
    }

    private void press(String key) {
        page.getByLabel("Bank movements").locator("tr[tabindex='0']").focus();
        page.keyboard().press(key);
    }

    private Path file(String name, String text) throws IOException {
        return Files.writeString(folder.resolve(name), text);
    }

    @Test
    void weeklyStatements_broughtInAndAssignedByKeys_balancesAreTheBanks() {
        page.getByLabel("Statements to bring in").setInputFiles(new Path[] {
            Path.of("../demo/current-account-2026-03-08.csv"), Path.of("../demo/shop-takings-2026-03-08.csv")
        });
        // The account is told from the file's name, and each bank's hand from its first lines.
        assertThat(page.getByLabel("It is the statement of")).hasValue("current");
        button(page, "Bring it in").click();
        assertThat(page.getByLabel("It is the statement of")).hasValue("shop-takings");
        button(page, "Bring it in").click();
        assertThat(button(page, "Move the as-of date to Sun 8 Mar 2026")).isVisible();
        page.getByLabel("Bring in statements", new Page.GetByLabelOptions().setExact(true))
                .getByText("Close")
                .click();
        movements().first().waitFor();
        int waiting = movements().count();
        assertThat(waiting)
                .as("card takings, payroll, cover and transfers were assigned by rules")
                .isLessThan(12);
        press("1");
        assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("1 movement assigned to");
        assertThat(movements()).hasCount(waiting - 1);
        // Whoever assigns by keys goes on with them, though the row that had them is gone.
        page.keyboard().press("Shift+ArrowDown");
        page.keyboard().press("t");
        assertThat(page.getByRole(AriaRole.STATUS).first())
                .containsText("2 movements assigned to transfers between own accounts");
        assertThat(movements()).hasCount(waiting - 3);
        button(page, "Undo").first().click();
        assertThat(movements()).hasCount(waiting - 1);
        press("r");
        button(page, "Remember, and assign what it fits").click();
        assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("remembered, ");
        button(page, "Rules").click();
        assertThat(page.getByLabel("Remembered rules").locator("tbody tr")).hasCount(6);
        button(page, "Statements").click();
        assertThat(page.getByLabel("Statements brought in")).containsText("shop-takings-2026-03-08.csv");
        // The same file again adds nothing.
        page.getByLabel("Statements to bring in").setInputFiles(Path.of("../demo/current-account-2026-03-08.csv"));
        assertThat(page.getByText("Read as last time for this account:")).isVisible();
        button(page, "Bring it in").click();
        assertThat(page.getByText("Every movement of this file was there already: nothing was added."))
                .isVisible();
    }

    @Test
    void damagedFiles_areExplainedAndChangeNothing() throws IOException {
        String cash = page.getByLabel("Balances by account and day")
                .locator("tr")
                .last()
                .textContent();
        page.getByLabel("Statements to bring in")
                .setInputFiles(
                        file(
                                "reserve.csv",
                                "Date,Text,Amount,Balance\n02/03/2026,A,-5.00,95.00\n03/03/2026,B,ten,\n05/03/2026,C,-5.00,80.00\n06/03/2026,D,1.00,81.50\n"));
        button(page, "Bring it in").click();
        assertThat(page.getByText("2 rows could not be taken as they stand: nothing was brought in yet."))
                .isVisible();
        assertThat(page.getByText("'ten' is no amount")).isVisible();
        assertThat(page.getByText("the running balance is 81.50, but the row before makes it 81.00"))
                .isVisible();
        button(page, "Back to the preview").click();
        page.getByLabel("What column 3 holds").selectOption("running balance");
        assertThat(page.getByText("An amount stands in one signed column or in two")
                        .or(page.getByText("Say which column holds the amount")))
                .isVisible();
        page.getByLabel("What column 3 holds").selectOption("amount, signed");
        assertThat(page.getByLabel("Preview of the movements")).containsText("\u22125");
        button(page, "Skip this file").click();
        page.getByLabel("Bring in statements", new Page.GetByLabelOptions().setExact(true))
                .getByText("Close")
                .click();
        page.getByLabel("Statements to bring in").setInputFiles(file("unknown.csv", "just words\nand more\n"));
        page.getByLabel("It is the statement of").selectOption("Reserve");
        assertThat(page.getByText(
                        "No dates and amounts were found in the first lines. Say below how the file is written."))
                .isVisible();
        page.getByLabel("Bring in statements", new Page.GetByLabelOptions().setExact(true))
                .getByText("Close")
                .click();
        assertThat(page.getByLabel("Balances by account and day").locator("tr").last())
                .hasText(cash);
    }

    /**
     * A week of three accounts in three standard formats: each file says what it is, and the balances end where the
     * bank says.
     */
    @Test
    void standardStatements_comeInTogether_andCloseAsTheBankSays() {
        String[] files = {"current-account-2026-03-08.xml", "shop-takings-2026-03-08.sta", "reserve-2026-03-08.ofx"};
        page.getByLabel("Statements to bring in")
                .setInputFiles(java.util.Arrays.stream(files)
                        .map(name -> Path.of("../demo/standard", name))
                        .toArray(Path[]::new));
        for (String format : List.of("camt.053", "MT940", "OFX")) {
            assertThat(page.getByText(format + ": one statement, read whole; each opens, moves and closes as it says."))
                    .isVisible();
            assertThat(page.getByLabel("Statements in the file").getByRole(AriaRole.ALERT))
                    .hasCount(0);
            button(page, "Bring it in").click();
            assertThat(page.getByText(format + ": one statement")).hasCount(0);
        }
        button(page, "Statements").click();
        Locator brought = page.getByLabel("Statements brought in");
        assertThat(brought).containsText("current-account-2026-03-08.xml");
        assertThat(brought).not().containsText("differs");
        // The week after the next: what lies between is missed, and said.
        page.getByLabel("Bring in statements", new Page.GetByLabelOptions().setExact(true))
                .getByText("Close")
                .click();
        page.getByLabel("Statements to bring in")
                .setInputFiles(Path.of("../demo/standard/current-account-2026-03-22.xml"));
        assertThat(page.getByText("is missing between them. Bring in the statement between"))
                .isVisible();
        button(page, "Skip this file").click();
        page.getByLabel("Bring in statements", new Page.GetByLabelOptions().setExact(true))
                .getByText("Close")
                .click();
        page.getByLabel("Statements to bring in")
                .setInputFiles(Path.of("../demo/standard/shop-takings-2026-03-15.sta"));
        assertThat(page.getByLabel("Statements in the file").getByRole(AriaRole.COMBOBOX))
                .hasValue("shop-takings");
        for (int i = 0; i < 3; i++) {
            button(page, "Undo").first().click();
        }
        assertThat(brought).not().containsText("current-account-2026-03-08.xml");
    }

    @Test
    void movements_searchedAndTakenBack_byWordsAndAccount() {
        button(page, "All").click();
        page.getByLabel("Search movements").fill("quarter rent");
        assertThat(movements()).hasCount(2);
        assertThat(movements().first()).containsText("Rent of sheds");
        press("Delete");
        assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("A movement made unassigned");
        button(page, "Undo").first().click();
        page.getByLabel("Account", new Page.GetByLabelOptions().setExact(true)).selectOption("Reserve");
        assertThat(page.getByText("No movement fits. Change the words or the account."))
                .isVisible();
        page.getByLabel("Search movements").fill("");
        assertThat(movements()).hasCount(2);
        for (String view : List.of("Forecast", "Track", "Setup")) {
            link(page, view).click();
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(view))
                            .first())
                    .isVisible();
        }
    }
}
