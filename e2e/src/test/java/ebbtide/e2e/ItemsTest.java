package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static ebbtide.e2e.Screens.row;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/** A ledger's list brought in: it makes the near weeks of its line, is edited in place, and goes again with undo. */
@Order(6)
class ItemsTest extends Journeys {
    private static final int EXPECT = 5;
    private static final int DISCOUNT = 7;
    private static final int IS = 8;

    private void only(String words) {
        page.getByLabel("Search items").fill(words);
    }

    private Locator items() {
        return page.getByLabel("Open items", new Page.GetByLabelOptions().setExact(true));
    }

    @Test
    void list_broughtInSettledAndEdited_makesTheNearWeeks_andUndoTakesItAway() throws IOException {
        open("receipts/open-items");
        click("Bring in a list");
        page.getByLabel("List file").setInputFiles(Path.of("src/test/resources/sales-ledger.csv"));
        assertThat(page.getByText("Choose the line that the list belongs to.")).isVisible();
        page.getByLabel("Line of the list").selectOption("Export distributors");
        assertThat(page.getByText("66 new, 0 changed, 0 the same as before.")).isVisible();
        page.getByLabel("Column of number").selectOption("");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Say which column holds the number");
        page.getByLabel("Column of number").selectOption("Invoice No");
        accessible();
        click("Keep open items for it");
        assertThat(button(page, "Keep open items for it")).hasCount(0);
        click("Take it over");
        assertThat(page.getByText("66 new and 0 changed items were taken over")).isVisible();
        page.getByLabel("List file").setInputFiles(Path.of("src/test/resources/sales-ledger.csv"));
        assertThat(page.getByText("0 new, 0 changed, 66 the same as before.")).isVisible();
        page.getByLabel("Bring in a list").getByText("Close").click();
        only("export");
        assertThat(items().locator("tbody tr")).hasCount(10);
        accessible();
        settled();
        edited();
        chased();
        sums();
        for (int i = 0; i < 5; i++) {
            click("Undo");
            page.waitForTimeout(250);
        }
        go("receipts/open-items");
        only("export");
        assertThat(page.getByText("No item fits.")).isVisible();
    }

    /**
     * An invoice is expected on another day in a scenario alone; that, and that another is held, can be made a change
     * by hand too, and the base.
     */
    @Test
    @Everywhere
    void openItems_redatedInAScenario_wearItsMark() {
        open("receipts/open-items");
        assertThat(row(page, "SI-7063")).containsText("habit");
        page.keyboard().press("Alt+p");
        assertThat(page.getByLabel("Scenario shown in every view")).hasValue("late-grocers");
        cell(page, "SI-7063", EXPECT).dblclick();
        type("Expect SI-7063 of The Limpet Room on", "2 Apr 2026");
        assertThat(status()).containsText("In 'Late grocers': SI-7063 of The Limpet Room expected 2026-04-02");
        assertThat(row(page, "SI-7063")).containsText("2 Apr typed");
        assertThat(row(page, "SI-7063").getByTitle("The base has nothing")).hasCount(1);
        cell(page, "SI-7063", DISCOUNT).dblclick();
        type("Discount of SI-7063 of The Limpet Room", "2% until 2026-03-20");
        assertThat(page.getByText("belong to the books").first()).isVisible();
        page.keyboard().press("Escape");
        accessible();
        cell(page, "SI-7063", EXPECT).click();
        page.keyboard().press("Alt+t");
        assertThat(status()).containsText("SI-7063 of The Limpet Room as the base has it");
        assertThat(row(page, "SI-7063")).containsText("habit");
        click("Undo");
        assertThat(row(page, "SI-7063")).containsText("2 Apr typed");
        page.keyboard().press("Alt+b");
        assertThat(row(page, "SI-7063")).containsText("habit");

        page.getByLabel("Views").getByText("What-if").click();
        page.locator("table.figures thead").getByText("Late grocers").click();
        Locator changes = page.getByLabel("The scenario Late grocers").locator("tbody tr");
        assertThat(changes).hasCount(2);
        assertThat(changes.nth(1)).containsText("SI-7063 of The Limpet Room: day typed is 2 April 2026");
        page.getByLabel("What changes").fill("SI-7064");
        assertThat(page.locator("datalist option[value*='SI-7064']")).hasCount(3);
        hold("lost");
        assertThat(page.getByLabel("A new change").getByRole(AriaRole.ALERT))
                .containsText("is set to be normal, held, disputed, or cannot-wait");
        hold("held");
        assertThat(changes).hasCount(3);
        assertThat(changes.nth(2)).containsText("standing is held");
        changes.nth(1).getByText("make it the base").click();
        assertThat(changes).hasCount(2);
        page.getByLabel("Views").getByText("Receipts").click();
        page.getByText("Receivables: invoices and orders").click();
        assertThat(row(page, "SI-7063")).containsText("2 Apr typed");
    }

    private void hold(String word) {
        Locator form = page.getByLabel("A new change");
        form.getByLabel("What changes").fill("SI-7064 of The Limpet Room: standing");
        form.locator("select").selectOption("set");
        form.getByLabel("How much").fill(word);
        click("Add the change");
    }

    /**
     * The bank's movement settles what it names with one key; the item is gone from the receivables, the movement from
     * those to assign.
     */
    private void settled() throws IOException {
        Path statement = Files.createTempFile("current-account", ".csv");
        Files.writeString(
                statement,
                "Date,Description,Counterparty,Amount\n04/03/2026,INV XI 7060,HERON & VINE,17278.78\n"
                        + "05/03/2026,TRANSFER,BRISK HOTELS LTD,30695.24\n");
        go("position");
        page.getByLabel("Statements to bring in").setInputFiles(statement);
        page.getByLabel("It is the statement of").selectOption("Current account");
        button(page, "Bring it in").click();
        assertThat(page.getByText("2 movements brought in.")).isVisible();
        page.getByLabel("Bring in statements", new Page.GetByLabelOptions().setExact(true))
                .getByText("Close")
                .click();
        Locator movements = page.getByLabel("Bank movements").locator("tbody tr");
        assertThat(movements).hasCount(2);
        assertThat(movements.nth(1)).containsText("settles XI-7060");
        movements.first().getByRole(AriaRole.GRIDCELL).first().click();
        page.keyboard().press("i");
        assertThat(field("Proposal 1")).containsText("together just its amount");
        accessible();
        field("Proposal 1")
                .getByText("Settle", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(status()).containsText("XI-7061, XI-7062 settled");
        assertThat(movements).hasCount(1);
        movements.first().getByRole(AriaRole.GRIDCELL).first().click();
        page.keyboard().press("s");
        assertThat(status()).containsText("XI-7060 settled");
        go("receipts/open-items");
        assertThat(row(page, "XI-7060")).hasCount(0);
        assertThat(row(page, "XI-7061")).hasCount(0);
        only("export");
        assertThat(items().locator("tbody tr")).hasCount(7);
        click("Undo");
        assertThat(row(page, "XI-7060")).isVisible();
        click("Undo");
        assertThat(row(page, "XI-7061")).isVisible();
        click("Undo");
        assertThat(status()).containsText("Undone: Statement");
    }

    private void edited() {
        cell(page, "XI-7058", EXPECT).dblclick();
        type("Expect XI-7058 of Brisk Hotels on", "whenever");
        assertThat(page.getByText("'whenever' is no date")).isVisible();
        assertThat(field("Expect XI-7058 of Brisk Hotels on")).hasValue("whenever");
        type("Expect XI-7058 of Brisk Hotels on", "2026-03-10");
        assertThat(status()).containsText("XI-7058 of Brisk Hotels expected 2026-03-10");
        assertThat(row(page, "XI-7058")).containsText("10 Mar typed");
        cell(page, "XI-7061", IS).click();
        page.keyboard().type("disp");
        page.keyboard().press("Enter");
        assertThat(page.getByText("of it \u00a318,295.18 left out of the forecast"))
                .isVisible();
        only("cragmoor");
        assertThat(items().locator("tbody tr")).hasCount(1);
        only("");
        chosenAndOrdered();
        click("Type one");
        click("Add it");
        assertThat(page.getByRole(AriaRole.ALERT))
                .containsText("Choose the line it belongs to. Give it a number. Say whose it is. The date is missing");
        page.getByLabel("Line of the new item").selectOption("Restaurants & hotels");
        type("Number of a new item", "D-1");
        type("Counterparty of a new item", "Harbour Feast");
        type("Issue date of a new item", "2026-02-27");
        type("Due date of a new item", "2026-03-12");
        type("Amount of a new item", "1200");
        click("Add it");
        assertThat(row(page, "D-1")).containsText("1,200");
        accessible();
    }

    private void chosenAndOrdered() {
        page.getByLabel("Items shown").selectOption("LEFT_OUT");
        assertThat(items().locator("tbody tr")).hasCount(1);
        page.getByLabel("Items shown").selectOption("ALL");
        only("export");
        button(page, "Open").click();
        button(page, "Open \u2191").click();
        assertThat(items().getByRole(AriaRole.COLUMNHEADER).nth(4)).hasAttribute("aria-sort", "descending");
        cell(page, "XI-7058", DISCOUNT).dblclick();
        type("Discount of XI-7058 of Brisk Hotels", "2% until soon");
        assertThat(page.getByText("'2% until soon' is no discount: type one such as 2% until 2026-04-14."))
                .isVisible();
        type("Discount of XI-7058 of Brisk Hotels", "2% until 12 Mar 2026");
        assertThat(status()).containsText("XI-7058 of Brisk Hotels 2% off until 2026-03-12");
        button(page, "Expected").click();
        click("Undo");
        assertThat(row(page, "XI-7058")).not().containsText("2% until");
        pastedOverThree();
        only("");
    }

    /** A column of days as it comes out of a spreadsheet lands item after item, as one edit; all of it or nothing. */
    private void pastedOverThree() {
        Locator rows = items().locator("tbody tr");
        String second = rows.nth(1).textContent();
        rows.first().getByRole(AriaRole.GRIDCELL).nth(EXPECT).click();
        paste("20/3/2026\n31/2/2026\n23 Mar 2026");
        assertThat(page.getByText("February 2026 has 28 days: '31/2/2026' is no date. Nothing was changed."))
                .isVisible();
        paste("20/3/2026\n\n23 Mar 2026");
        assertThat(status()).containsText("2 items: expect it on pasted");
        assertThat(rows.first()).containsText("20 Mar typed");
        assertThat(rows.nth(1)).hasText(second);
        assertThat(rows.nth(2)).containsText("23 Mar typed");
        click("Undo");
        assertThat(rows.first()).not().containsText("20 Mar typed");
    }

    /**
     * An invoice due after low water is worth chasing: tried, the tide shows it and nothing changes; kept, it is what
     * was said.
     */
    private void chased() {
        type("Number of a new item", "D-2");
        type("Counterparty of a new item", "Harbour Feast");
        type("Issue date of a new item", "2026-02-27");
        type("Due date of a new item", "2026-05-26");
        type("Amount of a new item", "9000");
        click("Add it");
        click("Chase");
        Locator chance = row(page, "D-2");
        assertThat(chance).containsText("days before it is due: ask for it");
        String lowWater = chance.getByRole(AriaRole.CELL).nth(5).textContent().strip();
        chance.getByText("Try").click();
        assertThat(page.locator("[data-trial]")).hasCount(1);
        assertThat(page.getByText("Nothing is changed until it is kept.")).isVisible();
        accessible();
        chance.getByText("Keep").click();
        assertThat(status()).containsText("D-2 of Harbour Feast expected");
        assertThat(status()).containsText("\u00a3" + lowWater.replace("\u2212", "") + " on ");
        assertThat(page.locator("[data-trial]")).hasCount(0);
        click("Undo");
        click("Undo");
        assertThat(row(page, "D-2")).hasCount(0);
        click("Items");
    }

    private void sums() {
        click("Counterparty");
        assertThat(row(page, "Plover Street Kitchens")).containsText("59,764.24");
        click("Age");
        assertThat(row(page, "not due yet")).isVisible();
        click("Week");
        assertThat(row(page, "left out of the forecast")).containsText("18,295.18");
        click("Habits");
        assertThat(row(page, "Cragmoor Inns")).containsText("days late");
        type("Days late to expect of Cragmoor Inns", "soon");
        assertThat(page.getByText("'soon' is no number of days: type one such as 12, or -3 for early."))
                .isVisible();
        type("Days late to expect of Cragmoor Inns", "30");
        assertThat(status()).containsText("Cragmoor Inns expected 30 days late");
        click("Undo");
        assertThat(field("Days late to expect of Cragmoor Inns")).hasValue("");
        accessible();
        go("forecast?by=WEEK");
        cell(page, "Export distributors", 3).click();
        page.keyboard().press("Enter");
        assertThat(page.getByText("Invoice XI-7058, Brisk Hotels")).isVisible();
        assertThat(page.getByText("expected on the day typed")).isVisible();
    }
}
