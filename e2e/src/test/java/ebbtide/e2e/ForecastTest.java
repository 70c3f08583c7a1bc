package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.link;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The forecast on the screen: what it shows is what the core computed, in every length, folded, copied and explained.
 */
@Order(6)
class ForecastTest extends Journeys {
    @BeforeEach
    void open() {
        open("forecast");
        cell(page, "Diesel", 3).waitFor();
    }

    /** A row of the grid by its name; a group's heading also holds the button that folds it. */
    private static Locator row(Page page, String name) {
        return page.getByRole(AriaRole.GRID)
                .locator("tr")
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByTitle(name, new Page.GetByTitleOptions().setExact(true))
                                .and(page.locator("th"))));
    }

    private static Locator cell(Page page, String row, int column) {
        return row(page, row).getByRole(AriaRole.GRIDCELL).nth(column);
    }

    private JsonNode api(String path) {
        return new JsonMapper().readTree(running.get("/api/plans/" + plan + path));
    }

    private static List<String> texts(Page page, String row) {
        return row(page, row).getByRole(AriaRole.GRIDCELL).allTextContents().stream()
                .map(String::strip)
                .toList();
    }

    private static String shown(long minor) {
        String digits = minor % 100 == 0
                ? String.format("%,d", Math.abs(minor) / 100)
                : String.format(java.util.Locale.ROOT, "%,.2f", Math.abs(minor) / 100.0);
        return minor == 0 ? "\u00b7" : (minor < 0 ? "\u2212" : "") + digits;
    }

    @Test
    @Everywhere
    void everyLength_showsTheFiguresOfTheCore() {
        button(page, "\u00a3").click();
        for (String by : List.of("Day", "Week", "Month", "Quarter", "Year")) {
            button(page, by).click();
            page.waitForTimeout(500);
            String query = page.url().replaceAll(".*[?]", "");
            assertThat(query).contains("by=" + by.toUpperCase(java.util.Locale.ROOT));
            Locator ends = page.getByLabel("Window ends");
            String to = java.time.LocalDate.parse(
                            api("").get("tide").get("firstDay").asString())
                    .plusDays(Long.parseLong(ends.getAttribute("aria-valuenow")))
                    .toString();
            String from = java.time.LocalDate.parse(
                            api("").get("tide").get("firstDay").asString())
                    .plusDays(Long.parseLong(page.getByLabel("Window starts").getAttribute("aria-valuenow")))
                    .toString();
            JsonNode table =
                    api("/forecast?by=" + by.toUpperCase(java.util.Locale.ROOT) + "&from=" + from + "&to=" + to);
            for (JsonNode line : table.get("rows")) {
                if (List.of("line", "net", "closing", "section")
                        .contains(line.get("kind").asString())) {
                    List<String> expected = new ArrayList<>();
                    line.get("cells")
                            .forEach(c -> expected.add(shown(c.get("amount").asLong())));
                    assertThat(texts(page, line.get("name").asString()))
                            .as("%s by %s", line.get("name").asString(), by)
                            .usingElementComparator((a, b) -> a.startsWith(b) || b.startsWith(a) ? 0 : 1)
                            .isEqualTo(expected);
                }
            }
        }
    }

    @Test
    void groups_foldedByKeyAndMouse_hideTheirLinesAlone() {
        cell(page, "Growing & packing", 3).click();
        page.keyboard().press("Escape");
        page.keyboard().press("Space");
        assertThat(row(page, "Diesel")).hasCount(0);
        assertThat(row(page, "Pay")).hasCount(1);
        page.getByLabel("Unfold Growing & packing").click();
        assertThat(row(page, "Diesel")).hasCount(1);
        page.getByLabel("Fold Payments", new Page.GetByLabelOptions().setExact(true))
                .click();
        assertThat(row(page, "Pay")).hasCount(0);
        assertThat(row(page, "Closing cash")).hasCount(1);
    }

    @Test
    void block_chosenWithShift_isCopiedInFullForASpreadsheet() {
        cell(page, "Rent of sheds & foreshore", 5).click();
        page.keyboard().press("Escape");
        page.keyboard().press("Shift+ArrowRight");
        page.keyboard().press("Shift+ArrowDown");
        String copied = (String)
                page.evaluate(
                        "() => { const data = new DataTransfer(); document.activeElement.dispatchEvent("
                                + "new ClipboardEvent('copy', {clipboardData: data, bubbles: true, cancelable: true})); return data.getData('text/plain'); }");
        assertThat(copied).isEqualTo("-31500.00\t0.00\n0.00\t0.00");
    }

    @Test
    void workings_ofTotalsAndLevels_openIntoTheirParts() {
        Locator panel = page.getByRole(AriaRole.COMPLEMENTARY);
        cell(page, "Closing cash", 4).click();
        assertThat(panel).containsText("Opening cash");
        assertThat(panel).containsText("Receipts");
        cell(page, "Headroom", 4).click();
        assertThat(panel).containsText("Still to be drawn");
        assertThat(panel).containsText("Less minimum cash");
        cell(page, "Trade sales", 4).click();
        assertThat(panel).containsText("Grocery chains");
        cell(page, "Opening cash", 4).click();
        assertThat(panel).containsText("Closing cash of Sun 15 Mar 2026");
        cell(page, "Farm-gate shop", 0).click();
        assertThat(panel).containsText("Bank movements of Fri 20 Feb 2026");
        assertThat(panel.getByText("Override")).hasCount(0);
        page.keyboard().press("Escape");
        // What is computed or settled can't be typed over, and says where to mend it instead.
        cell(page, "Trade sales", 4).click();
        page.keyboard().press("5");
        assertThat(panel).containsText("is computed and cannot be typed over: override one of its lines instead");
        page.keyboard().press("Escape");
        cell(page, "Farm-gate shop", 0).click();
        page.keyboard().press("5");
        assertThat(panel).containsText("is settled: it shows what the bank booked");
        page.keyboard().press("Escape");
    }

    @Test
    void override_withoutReasonOrAmount_isAskedForAndKeepsWhatWasTyped() {
        cell(page, "Diesel", 4).click();
        page.keyboard().press("Escape");
        page.keyboard().press("7");
        page.getByLabel("Amount").fill("seven");
        button(page, "Override").click();
        assertThat(page.getByText("'seven' is no amount: type a number such as 1,250.50 or 12k."))
                .isVisible();
        assertThat(page.getByLabel("Amount")).hasValue("seven");
        page.getByLabel("Amount").fill("7k");
        button(page, "Override").click();
        assertThat(page.getByText("Say why: an override keeps its reason")).isVisible();
        page.getByLabel("Reason").fill("tank half full");
        button(page, "Override").click();
        assertThat(cell(page, "Diesel", 4)).hasText("\u22127");
        page.keyboard().press("Escape");
        // A second one over the same days is refused with both spans.
        button(page, "Month").click();
        assertThat(page.getByRole(AriaRole.GRID)
                        .getByRole(AriaRole.COLUMNHEADER)
                        .nth(3))
                .containsText("Apr");
        cell(page, "Diesel", 1).click();
        page.keyboard().press("Escape");
        page.keyboard().press("9");
        page.getByLabel("Reason").fill("all of March");
        button(page, "Override").click();
        assertThat(page.getByText("overlaps the one from").first()).isVisible();
        assertThat(page.getByLabel("Reason")).hasValue("all of March");
        page.keyboard().press("Escape");
        button(page, "Undo").first().click();
    }

    @Test
    void buoys_listed_andLifted() {
        button(page, "Buoys 1").click();
        assertThat(page.getByRole(AriaRole.COMPLEMENTARY)).containsText("Yard's quote is from last autumn");
        button(page, "Lift").click();
        assertThat(page.getByRole(AriaRole.COMPLEMENTARY)).containsText("No buoy is out");
        button(page, "Undo").first().click();
        assertThat(button(page, "Buoys 1")).isVisible();
    }

    @Test
    void level_showsTheWorstDayAgainstMinimumAndLimit() {
        button(page, "Level").click();
        assertThat(row(page, "Cash on the worst day")).hasCount(1);
        assertThat(row(page, "Diesel")).hasCount(0);
        assertThat(page.getByLabel("Closing cash against minimum cash and the facility limit"))
                .isVisible();
        assertThat(cell(page, "Minimum cash", 5)).hasText("200");
        link(page, "Receipts").click();
        link(page, "Forecast").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Forecast")))
                .isVisible();
    }
}
