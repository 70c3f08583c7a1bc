package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static ebbtide.e2e.Screens.row;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Statements as a treasurer takes them to the bank: they balance on the screen, say what each figure is, and what an
 * opening lacks.
 */
@Order(7)
class StatementsTest extends Journeys {
    private List<String> figures(String row) {
        return row(page, row).getByRole(AriaRole.GRIDCELL).allInnerTexts();
    }

    @Test
    void statements_ofTheDemo_balanceAgreeAndExplainTheirFigures() {
        open("statements");
        assertThat(cell(page, "Profit after tax", 0)).isVisible();
        // February of the ledger, March and its year, April, May and theirs.
        cell(page, "Restaurants & hotels", 3).click();
        assertThat(page.getByText("typed for Apr 2026")).isVisible();
        page.keyboard().press("Escape");
        accessible();
        click("Balance sheet");
        button(page, "\u00a3").click();
        assertThat(cell(page, "Assets", 6)).isVisible();
        assertThat(figures("Assets")).hasSize(7).isEqualTo(figures("Liabilities and equity"));
        cell(page, "Receivables", 2).click();
        assertThat(page.getByText("before the month").first()).isVisible();
        page.keyboard().press("Escape");
        page.getByLabel("in percent").check();
        assertThat(cell(page, "Assets", 3)).containsText("100.0%");
        accessible();
        click("Cash flow");
        click("Quarter");
        assertThat(page.getByText("Apr to Jun")).hasCount(2);
        Locator direct = page.getByLabel("Direct", new Page.GetByLabelOptions().setExact(true))
                .getByRole(AriaRole.ROW);
        Locator indirect = page.getByLabel("Indirect", new Page.GetByLabelOptions().setExact(true))
                .getByRole(AriaRole.ROW);
        for (String section :
                List.of("Cash from operations", "Cash from investing", "Cash from financing", "Cash at the end")) {
            assertThat(text(direct, section)).as(section).isNotEmpty().isEqualTo(text(indirect, section));
        }
        accessible();
        click("Ratios");
        row(page, "Current ratio").getByRole(AriaRole.BUTTON).first().focus();
        assertThat(page.getByText("Current ratio: current assets")).isVisible();
        accessible();
        click("Roll-forwards");
        assertThat(row(page, "closing").first()).isVisible();
        accessible();
    }

    /** The cells of a part of a row's driver, the first of them that of the first year. */
    private Locator driver(String row, String part) {
        return page.locator("tr")
                .filter(new Locator.FilterOptions()
                        .setHas(page.locator("td.hush").getByText(part)))
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByRole(
                                AriaRole.ROWHEADER,
                                new Page.GetByRoleOptions().setName(row).setExact(true))))
                .first()
                .locator("td[role=gridcell]");
    }

    /**
     * Pressed and let go beside the cell, as where the page shifts meanwhile: what is typed falls on it all the same.
     */
    private void drive(Locator cells, int year, String text) {
        cells.nth(year).hover();
        page.mouse().down();
        assertThat(cells.nth(year)).isFocused();
        page.mouse().move(5, 5);
        page.mouse().up();
        page.keyboard().type(text);
        page.keyboard().press("Enter");
    }

    /** A trial balance pasted, its accounts taken by what their names say, and the month before the forecast ones. */
    @Test
    void actualMonth_pastedAndPlaced_standsBeforeTheForecast() {
        open("statements");
        click("Actual months");
        click("Paste it from a spreadsheet");
        Locator rows = page.getByLabel("Rows of the trial balance");
        page.getByLabel("income accounts begin anew each month").check();
        page.getByLabel("Month of the next one").fill("2026-02");
        rows.fill("1001\tBank\t1,000.00\n4001\tSales\tmany");
        click("Take these rows");
        assertThat(page.getByText("Nothing was taken over: 1 row could not be read."))
                .isVisible();
        rows.fill("1001\tHarbour bank\t1,000.00\n4001\tSales\t-1,500.00\n7777\tOdds\t500.00");
        click("Take these rows");
        assertThat(page.getByText("3 entries were taken over")).isVisible();
        click("Take what 2 names say");
        assertThat(page.getByText("February 2026: account 7777 Odds is not said to be anything"))
                .isVisible();
        page.getByLabel("What account 7777 is").selectOption("Income: Overheads and pay");
        assertThat(page.getByText("is not said to be anything")).hasCount(0);
        accessible();
        click("Income");
        button(page, "\u00a3").click();
        assertThat(cell(page, "Sales of no line", 0)).hasText("1,500");
        assertThat(cell(page, "Overheads and pay of no line", 0)).hasText("\u2212500");
        click("Balance sheet");
        assertThat(cell(page, "Assets less liabilities and equity", 0)).isVisible();
        cell(page, "Cash", 0).click();
        assertThat(page.getByText("trial balance of February 2026")).isVisible();
        page.keyboard().press("Escape");
        undo(4);
    }

    /** A month of the ledger against what was kept before one of its accounts was said to be something else. */
    @Test
    void statements_heldAgainstASnapshot_sayWhatDiffers() {
        open("forecast");
        button(page, "Save snapshot").click();
        page.getByRole(AriaRole.DIALOG).getByLabel("Name").fill("Before");
        button(page, "Save").click();
        assertThat(status()).containsText("'Before' saved");
        open("statements");
        click("Actual months");
        page.getByLabel("What account 4040 is").selectOption("Income: Other income");
        assertThat(status()).containsText("4040");
        click("Income");
        page.getByLabel("held against").selectOption("Before");
        Locator shop = row(page, "Farm-gate shop");
        assertThat(page.getByText("To date: Apr to Feb, actual")).isVisible();
        assertThat(shop).containsText("\u2212100.0");
        assertThat(row(page, "Other income of no line")).containsText("new");
        assertThat(page.getByText(Pattern.compile("0 of [2-9] differences to explain")))
                .isVisible();
        shop.getByRole(AriaRole.BUTTON).click();
        page.getByLabel("Note on Farm-gate shop").fill("sold from the van");
        page.keyboard().press("Enter");
        assertThat(shop).containsText("sold from the van");
        assertThat(status()).containsText("'Farm-gate shop in the income statement' explained");
        assertThat(page.getByText(Pattern.compile("1 of [2-9] differences to explain")))
                .isVisible();
        accessible();
        page.getByLabel(Pattern.compile("^\\s*period")).selectOption("Apr 2026");
        assertThat(shop).not().containsText("van");
        click("Balance sheet");
        assertThat(row(page, "Assets less liabilities and equity")).isVisible();
        undo(3);
    }

    /** The tests share one plan: what another reads is put back. */
    private void undo(int edits) {
        for (int i = 0; i < edits; i++) {
            String before = status().innerText();
            click("Undo");
            assertThat(status()).not().hasText(before);
        }
    }

    /**
     * The years after the months: begun from the last twelve, a year's growth and capital spending typed, the need in
     * one figure with its parts.
     */
    @Test
    void years_afterTheMonths_drivenInTheirSheet_sayWhatIsNeededFromOutside() {
        beginYearsAnew();
        click("Go on as the last twelve months were");
        Locator growth = driver("Sales", "growth");
        drive(growth, 0, "10");
        assertThat(growth.nth(1)).hasText("10");
        drive(driver("Capital spending", "amount"), 0, "4m");
        assertThat(status()).containsText("Driver of spending in 2028 set");
        drive(growth, 1, "5-");
        assertThat(page.getByText("'5-' is no number for Sales, growth, %")).isVisible();
        Locator kept = page.getByLabel("Sales, growth, % of 2029/30");
        assertThat(kept).hasValue("5-");
        kept.fill("5");
        kept.press("Enter");
        assertThat(growth.nth(2)).hasText("5");
        page.getByLabel("What Overheads and pay follows from").selectOption("% of sales");
        assertThat(driver("Overheads and pay", "%").first()).not().hasText("");
        type("Note on Sales", "as the board agreed");
        accessible();
        click("Need");
        assertThat(page.getByText("In the year to 31 March 2029").first()).containsText("is needed from outside");
        accessible();
        tab("Balance sheet");
        assertThat(row(page, "Assets less liabilities and equity")
                        .getByRole(AriaRole.GRIDCELL)
                        .first())
                .hasText("·");
        assertThat(figures("Assets")).isEqualTo(figures("Liabilities and equity"));
        cell(page, "Receivables", 1).click();
        assertThat(page.getByText("days of sales", new Page.GetByTextOptions().setExact(false))
                        .first())
                .isVisible();
        page.getByLabel("Number of years").selectOption("2");
        assertThat(row(page, "Assets").getByRole(AriaRole.GRIDCELL)).hasCount(3);
        click("Take out");
        assertThat(button(page, "Type the last year")).isVisible();
        click("Charts");
        assertThat(page.getByLabel("Where the cash went, from opening to closing"))
                .isVisible();
        accessible();
    }

    @Test
    void yearsOnly_madeFromTheStartPage_showNothingElse_andAFigureIsTypedOver() {
        page = chromium.open(running.url() + "/#/new-years");
        button(page, "Make the plan").click();
        assertThat(page.getByText("Give the plan a name")).isVisible();
        page.getByLabel("Name of the plan").fill("Kelp years");
        page.getByLabel("The last year ends on").fill("31.12.25x");
        button(page, "Make the plan").click();
        assertThat(page.getByText("31.12.25x")).isVisible();
        page.getByLabel("The last year ends on").fill("2025-12-31");
        button(page, "Make the plan").click();
        type("Amount of Sales", "840k");
        type("Amount of Cash", "40k");
        assertThat(page.getByText("It lacks 40,000 to balance.")).isVisible();
        assertThat(page.getByRole(AriaRole.NAVIGATION).getByRole(AriaRole.LINK)).hasCount(3);
        accessible();
        tab("Income");
        cell(page, "Sales", 1).click();
        page.getByLabel("Type over Sales in 2026").fill("1m");
        button(page, "Override").click();
        assertThat(page.getByText("Say why")).isVisible();
        page.getByLabel("because").fill("the new pier");
        button(page, "Override").click();
        assertThat(cell(page, "Sales", 1)).containsText("1,000");
        assertThat(cell(page, "Sales", 2)).containsText("1,000");
        assertThat(page.getByText("typed over with 1,000,000: the new pier")).isVisible();
        page.getByText("Lift it").click();
        assertThat(cell(page, "Sales", 1)).containsText("840");
    }

    /** The tab among those of the years, which are the last of their name. */
    private void tab(String name) {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name).setExact(true))
                .last()
                .click();
    }

    /** A group of the tree is a row with its total, and folds; the address keeps it so. */
    @Test
    void groups_foldIntoTheirTotal_andStayFolded() {
        open("statements");
        assertThat(row(page, "Grocery chains")).isVisible();
        assertThat(cell(page, "Trade sales", 1)).not().hasText("·");
        page.getByLabel("Fold Trade sales").click();
        assertThat(row(page, "Grocery chains")).hasCount(0);
        // The address says it after a pause in choosing.
        assertThat(page).hasURL(Pattern.compile("groups="));
        page.reload();
        assertThat(row(page, "Farm-gate shop")).isVisible();
        assertThat(row(page, "Grocery chains")).hasCount(0);
        accessible();
        page.getByLabel("Unfold Trade sales").click();
        assertThat(row(page, "Grocery chains")).isVisible();
        cell(page, "Trade sales", 1).click();
        assertThat(page.getByRole(AriaRole.COMPLEMENTARY)).containsText("Grocery chains");
    }

    /** Opens the years without those that the plan has. */
    private void beginYearsAnew() {
        open("statements");
        click("Years");
        Locator there = button(page, "Take out");
        button(page, "Type the last year").or(there).first().waitFor();
        if (there.count() > 0) {
            there.click();
        }
    }

    @Test
    void years_fromALastYearPasted_sayWhatItLacks_andOnceItBalancesWhatTheyNeed() {
        beginYearsAnew();
        click("Type the last year");
        assertThat(page.getByText("It balances.")).isVisible();
        accessible();
        click("Paste it from a spreadsheet");
        page.getByLabel("Rows of the last year")
                .fill("Sales\t840,000\nCost of sales\t579,600\nOverheads\t168,000\nCash\t40,000\n"
                        + "Trade debtors\t92,055\nStock\t69,552\nFixed assets\t400,000\n"
                        + "Accumulated depreciation\t150,000\nTrade creditors\t66,700\nLong-term debt\t120,000\n"
                        + "Capital\t100,000\nMoonshine\t5");
        click("Take these rows");
        assertThat(page.getByText("'Moonshine' does not say what it is")).isVisible();
        Locator rows = page.getByLabel("Rows of the last year");
        rows.fill(rows.inputValue().replace("Moonshine\t5", "Retained profit\t164,000"));
        click("Take these rows");
        assertThat(page.getByText("It lacks 907 to balance.")).isVisible();
        click("Place it in retained profit");
        assertThat(page.getByText("It balances.")).isVisible();
        assertThat(page.getByLabel("Amount of Retained profit")).hasValue("164,907");
        tab("Drivers");
        click("Propose all drivers from the last year");
        assertThat(driver("Cost of sales", "%").first()).hasText("69");
        drive(driver("Sales", "growth"), 0, "15");
        click("Need");
        assertThat(page.getByText("In the year to 31 December 2026").first()).isVisible();
    }

    private static List<String> text(Locator rows, String name) {
        return rows.filter(new Locator.FilterOptions().setHasText(name))
                .first()
                .getByRole(AriaRole.GRIDCELL)
                .allInnerTexts();
    }

    @Test
    void opening_takenApartPastedAndPlaced_saysWhatItLacks(@TempDir Path folder) throws java.io.IOException {
        open("statements");
        click("Opening");
        assertThat(page.getByText("It balances, and everything in it is cleared or stays."))
                .isVisible();
        accessible();
        type("Amount of Licence fees", "much");
        assertThat(page.getByText("'much' is no amount")).isVisible();
        type("Amount of Licence fees", "8,000");
        assertThat(status()).containsText("opening balance sheet of 2026-02-28 set");
        assertThat(
                        page.getByText(
                                "Receivables of Licence fees: the opening balance sheet has 8,000, its flows clear 7,722; 278 stays on the balance sheet"))
                .isVisible();
        assertThat(page.getByText("The opening balance sheet does not balance: 278 more is owned"))
                .isVisible();
        button(page, "Place 278 in retained profit").click();
        assertThat(page.getByText("does not balance")).hasCount(0);
        click("Undo");
        click("Undo");
        assertThat(page.getByText("It balances, and everything in it is cleared or stays."))
                .isVisible();
        click("Paste it from a spreadsheet");
        page.getByLabel("Rows of the opening balance sheet").fill("Trade debtors\t713,000\nThings\t12");
        click("Take these rows");
        assertThat(page.getByText(
                        "Row 2: 'Things' does not say what it is: put one of Cash, Restricted cash, Receivables"))
                .isVisible();
        page.getByLabel("Rows of the opening balance sheet")
                .fill(
                        "Kind\tName\tAmount\tLine\nReceivables\tHotels\t213,647.85\tRestaurants & hotels\nRetained profit\tReserves\t1,057,816.09");
        click("Take these rows");
        assertThat(page.getByText("2 entries were taken over")).isVisible();
        assertThat(page.getByText("its flows clear 330,303.06")).isVisible();
        accessible();
        Path file = folder.resolve("opening.csv");
        Files.writeString(
                file,
                "Account;Debit;Credit\nBank;844.168,24;\nTrade creditors;;313.000,00\nShare capital;;250.000,00\n",
                StandardCharsets.UTF_8);
        page.getByLabel("File of the opening balance sheet").setInputFiles(file);
        assertThat(page.getByText("3 entries were taken over")).isVisible();
        assertThat(page.getByText("Nothing clears Trade creditors, 313,000: choose the line that does"))
                .isVisible();
        click("Fill in what the plan knows");
        assertThat(page.getByLabel("Amount of Grocery chains")).hasValue("330,303.06");
        click("Take it from the trial balance");
        assertThat(page.getByLabel("Name of 3100 Retained profit brought forward"))
                .isVisible();
        assertThat(page.getByText("does not balance")).hasCount(0);
    }
}
