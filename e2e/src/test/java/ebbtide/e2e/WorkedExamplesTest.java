package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static ebbtide.e2e.Screens.link;
import static ebbtide.e2e.Screens.row;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The worked examples on the screen, to the cent. */
class WorkedExamplesTest {
    @Test
    void examplePlans_broughtIn_showTheExactCash() {
        Running running = Programs.demo();
        try (Chromium chromium = new Chromium()) {
            Page page = chromium.open(running.url());
            bring(page, running, "pattern.json");
            cells(page, "Sales", "29,400", "69,069", "82,019", "83,803.25", "91,619.90", "61,502.30", "17,391");
            link(page, "Receipts").click();
            sums(page, "Cash", "29,400", "69,069", "82,019", "83,803.25", "91,619.90", "61,502.30");
            sums(page, "discounts", "\u00b7", "756", "823.50", "704.25", "867.60", "920.70");
            sums(page, "written off", "\u00b7", "\u00b7", "2,520", "2,745", "2,347.50", "2,892");
            sums(page, "still owed at month end", "54,600", "76,275", "69,162.50", "78,310", "85,775", "20,460");

            bring(page, running, "pattern-with-tax.json");
            cells(page, "Sales", "35,280.15", "44,453", "17,136.08");
            cell(page, "Sales", 2).click();
            assertThat(page.getByText(
                            "45% of January 2026 84,000.37 plus 20% sales tax, 100,800.44 in all, 1 month later, less 2% "
                                    + "discount, even over business days"))
                    .isVisible();
        }
    }

    @Test
    @Everywhere
    void examplesOfStockTaxAndTerms_broughtIn_showTheirResults() {
        Running running = Programs.demo();
        try (Chromium chromium = new Chromium()) {
            Page page = chromium.open(running.url());
            bring(page, running, "stock.json");
            link(page, "Payments").click();
            stock(page, "By closing stock", "= purchases", "87,000", "101,500", "100,920");
            stock(page, "By purchases", "= closing", "65,280", "68,580", "72,380");
            stock(page, "By both", "= cost of sales", "\u221287,250", "\u221295,250", "\u2212120,000");

            bring(page, running, "sales-tax.json");
            link(page, "Payments").click();
            page.getByRole(AriaRole.TREEITEM)
                    .filter(new Locator.FilterOptions().setHasText("Sales tax"))
                    .click();
            assertThat(row(page, "Jan to Mar 2026").getByRole(AriaRole.CELL))
                    .containsText(new String[] {"", "99,000", "\u221238,350", "60,650", "Thu 7 May 2026"});
            bring(page, running, "sales-tax-begun.json");
            link(page, "Payments").click();
            page.getByRole(AriaRole.TREEITEM)
                    .filter(new Locator.FilterOptions().setHasText("Sales tax"))
                    .click();
            assertThat(row(page, "Jan to Mar 2026").getByRole(AriaRole.CELL))
                    .containsText(new String[] {"", "38,000", "\u221214,250", "45,050", "Thu 7 May 2026"});

            bring(page, running, "days-target.json");
            link(page, "Statements").click();
            button(page, "Roll-forwards").click();
            assertThat(cell(page, "closing", 0)).hasText("193,571.43");
            bring(page, running, "early-payment.json");
            link(page, "Payments").click();
            assertThat(
                            page.getByText(
                                    "Taking 2% for 10 days instead of 45 earns 21.28% a year; Overdraft costs 8.4%: worth taking"))
                    .isVisible();
        }
    }

    private static void stock(Page page, String line, String row, String... amounts) {
        page.getByRole(AriaRole.TREEITEM)
                .filter(new Locator.FilterOptions().setHasText(line))
                .click();
        for (int i = 0; i < amounts.length; i++) {
            assertThat(row(page, row).getByRole(AriaRole.CELL).nth(i)).hasText(amounts[i]);
        }
    }

    private static void bring(Page page, Running running, String example) {
        page.navigate(running.url() + "/#/new");
        page.getByLabel("Plan file").setInputFiles(Path.of("../docs/examples", example));
        button(page, "Month").click();
        button(page, "\u00a3").click();
    }

    /** The months from January on; December, in which the as-of date lies, is the first column. */
    private static void cells(Page page, String line, String... amounts) {
        for (int i = 0; i < amounts.length; i++) {
            assertThat(cell(page, line, i + 1)).hasText(amounts[i]);
        }
    }

    private static void sums(Page page, String name, String... amounts) {
        Locator row = row(page, name);
        assertThat(row.getByRole(AriaRole.CELL)).hasText(List.of(amounts).toArray(String[]::new));
    }
}
