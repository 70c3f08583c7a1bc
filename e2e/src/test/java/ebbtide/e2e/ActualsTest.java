package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static ebbtide.e2e.Screens.row;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** What happened, typed where there is no bank file. */
class ActualsTest extends Journeys {
    /**
     * Without a bank file: Enter takes what is proposed, a figure replaces it, a column lands in place, a line is made
     * on the spot; all can be undone.
     */
    @Test
    void actuals_typedWithoutABankFile_countAsFacts() {
        open("track/actuals");
        Locator first = field("Actual of Farm-gate shop");
        first.waitFor();
        assertThat(field("to")).hasValue("8 Mar 2026");
        type("to", "1/2/2026");
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("before they begin");
        type("to", "8/3/2026");
        String proposed = row(page, "Farm-gate shop")
                .getByRole(AriaRole.CELL)
                .nth(1)
                .textContent()
                .strip();
        first.press("Enter");
        assertThat(first).hasValue(proposed);
        assertThat(field("Actual of Licence fees")).isFocused();
        page.keyboard().type("lots");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("'lots' is no amount");
        assertThat(field("Actual of Licence fees")).hasValue("lots");
        field("Actual of Licence fees").fill("7,250.50");
        field("Actual of Licence fees").press("Enter");
        assertThat(field("Actual of Licence fees")).hasValue("7,250.50");
        field("Actual of Marketing").focus();
        page.evaluate(
                "text => { const data = new DataTransfer(); data.setData('text/plain', text);"
                        + " document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })); }",
                "1,100\n2200.25\n");
        assertThat(field("Actual of Repairs")).hasValue("2,200.25");
        assertThat(field("Actual of Marketing")).hasValue("1,100");
        assertThat(status()).containsText("2 actuals typed");
        accessible();
        field("Actual of Overdraft interest").focus();
        page.evaluate(
                "() => { const data = new DataTransfer(); data.setData('text/plain', '1\\n2\\n3');"
                        + " document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })); }");
        assertThat(page.getByText("the last 2 were not taken")).isVisible();
        click("Undo");
        assertThat(field("Actual of Overdraft interest")).hasValue("");
        field("Name of a new line").fill("Harbour fine");
        field("Actual of the new line").fill("300");
        click("Make the line");
        assertThat(field("Actual of Harbour fine")).hasValue("300");
        field("Actual of Licence fees").fill("");
        field("Actual of Licence fees").press("Enter");
        assertThat(field("Actual of Licence fees")).hasValue("");
        click("Move the as-of date to 8 Mar 2026");
        assertThat(page.getByText("as of Sun 8 Mar 2026").first()).isVisible();
        go("forecast");
        button(page, "£").click();
        assertThat(cell(page, "Harbour fine", 1)).hasText("\u2212300");
        assertThat(cell(page, "Repairs", 1)).hasText("\u22122,200.25");
        assertThat(cell(page, "Farm-gate shop", 1)).hasText(proposed);
        for (int i = 0; i < 3; i++) {
            click("Undo");
        }
        assertThat(row(page, "Harbour fine")).hasCount(0);
    }
}
