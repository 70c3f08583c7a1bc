package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static ebbtide.e2e.Screens.link;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What is done by dragging and hovering, held against what the same does by keys. */
class MouseTest extends Journeys {
    @BeforeEach
    void open() {
        open("forecast");
        cell(page, "Diesel", 5).waitFor();
    }

    private Locator line(String name) {
        return page.getByRole(AriaRole.TREEITEM).filter(new Locator.FilterOptions().setHasText(name));
    }

    /** Drags from the middle of an element by so many pixels to the right. */
    private void drag(Locator element, double right) {
        BoundingBox box = element.boundingBox();
        double y = box.y + box.height / 2;
        page.mouse().move(box.x + box.width / 2, y);
        page.mouse().down();
        for (int step = 1; step <= 8; step++) {
            page.mouse().move(box.x + box.width / 2 + right * step / 8, y);
        }
        page.mouse().up();
    }

    @Test
    void tree_lineDraggedOntoAGroupAndBeforeALine_standsThere() {
        go("payments/vat");
        line("VAT").dragTo(line("Growing & packing"));
        assertThat(status()).containsText("'VAT' moved");
        assertThat(line("VAT")).hasAttribute("aria-level", "2");
        line("VAT").dragTo(line("Diesel"));
        assertThat(status()).containsText("'VAT' moved");
        Locator after = page.getByRole(AriaRole.TREEITEM)
                .filter(new Locator.FilterOptions()
                        .setHas(page.locator("xpath=preceding-sibling::li[1][contains(., 'VAT')]")));
        assertThat(after).containsText("Diesel");
        // A group does not go into itself or into what it holds.
        String said = status().textContent();
        line("Growing & packing").dragTo(line("Diesel"));
        page.waitForTimeout(300);
        assertThat(status()).hasText(said);
        button(page, "Undo").first().click();
        button(page, "Undo").first().click();
        assertThat(line("VAT")).hasAttribute("aria-level", "1");
    }

    @Test
    void pattern_boundaryDragged_givesWholePercentsToTheNeighbourAsOneEdit() {
        go("receipts/export");
        double width = page.getByLabel("The pattern as a bar").boundingBox().width;
        Locator boundary = field("Boundary after 1 month later");
        drag(boundary, width * 0.1 + 1);
        assertThat(field("Share of step 1 in percent")).hasValue("39");
        assertThat(field("Share of step 2 in percent")).hasValue("35");
        assertThat(status()).containsText("Export distributors: pattern 39 \u00b7 35 \u00b7 25");
        // It gives at most what the neighbour has.
        drag(field("Boundary after 1 month later"), width * 0.8);
        assertThat(field("Share of step 1 in percent")).hasValue("74");
        assertThat(field("Share of step 2 in percent")).hasValue("0");
        assertThat(status()).containsText("Export distributors: pattern 74");
        button(page, "Undo").first().click();
        assertThat(field("Share of step 1 in percent")).hasValue("39");
        button(page, "Undo").first().click();
        assertThat(field("Share of step 1 in percent")).hasValue("29");
    }

    @Test
    void tideLine_handlesDragged_moveTheWindowAndTheColumnsWithIt() {
        Locator start = page.getByLabel("Window starts");
        int before = Integer.parseInt(start.getAttribute("aria-valuenow"));
        drag(start, 120);
        int after = Integer.parseInt(start.getAttribute("aria-valuenow"));
        assertThat(after).isGreaterThan(before + 10);
        assertThat(page.url()).contains("from=");
        assertThat(page.getByRole(AriaRole.GRID)
                        .getByRole(AriaRole.COLUMNHEADER)
                        .nth(1))
                .not()
                .containsText("Feb");
        link(page, "Track").click();
        assertThat(page.getByLabel("Window starts")).hasAttribute("aria-valuenow", Integer.toString(after));
        page.getByLabel("Tide line: closing cash over the whole horizon").hover();
        assertThat(page.getByLabel("Tide line: closing cash over the whole horizon"))
                .containsText("minimum \u00a3200k");
    }
}
