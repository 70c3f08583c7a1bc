package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static ebbtide.e2e.Screens.link;
import static ebbtide.e2e.Screens.row;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/**
 * A whole Monday: statements, settling, what came otherwise and why, what is carried and dropped, the roll forward, a
 * snapshot and its commentary.
 */
@Order(3)
class MondayTest extends Mondays {
    /** A demo of its own: what is compared are the snapshots that it ships with. */
    @Override
    protected Running program() {
        return Running.start("demo");
    }

    @Override
    protected String makePlan() {
        return new JsonMapper()
                .readTree(running.get("/api/plans"))
                .get(0)
                .get("id")
                .asString();
    }

    @AfterAll
    void end() {
        running.close();
    }

    @Test
    void monday_fromStatementsToCommentary() {
        open("payments");
        // Two sums that were due in January and are looked for until this week.
        addDated("Payments", "Ice machine", "20/1/2026", "4,000");
        addDated("Receipts", "Old claim", "19/1/2026", "2,500");
        go("position/roll");
        press(Pattern.compile("^Roll forward from"));
        arrive(1);
        settleAndAssign();
        go("track");
        assertThat(field("Snapshot").locator("option:checked")).hasText("Forecast of 1 Mar 2026");
        assertThat(page.getByText("2 Mar – 8 Mar 2026, against the forecast of 1 Mar 2026"))
                .isVisible();
        accessible();
        explainTheThreeLargest();
        decide();
        button(page, "Figures").click();
        assertThat(cell(page, "Ice machine", 2)).hasText("+4");
        // Carried: a matter of time. Dropped: a matter of amount.
        assertThat(cell(page, "Ice machine", 4)).hasText("+4");
        assertThat(cell(page, "Old claim", 5)).hasText("\u22123");
        accessible();
        go("position/roll");
        press(Pattern.compile("^4 Finish"));
        button(page, "Finish the roll forward").click();
        assertThat(page.getByText("Rolled forward from").first()).isVisible();
        go("forecast");
        cell(page, "Ice machine", 3).click();
        assertThat(page.getByText("carried: planned for 20 Jan 2026 came to 0 of 4,000"))
                .isVisible();
        page.keyboard().press("Escape");
        button(page, "Save snapshot").click();
        field("Name").fill("Monday 9 March");
        button(page, "Save").click();
        assertThat(status()).containsText("Snapshot 'Monday 9 March' saved");
        comment();
        whatMoved();
        snapshots();
    }

    private void addDated(String place, String name, String date, String amount) {
        link(page, place).click();
        click("Add");
        field("Name").fill(name);
        page.getByLabel("Single dates").check();
        page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add"))
                .click();
        field("Date of a new item").fill(date);
        field("Amount of a new item").fill(amount);
        click("Add item");
        assertThat(page.getByText("Jan 2026").first()).isVisible();
    }

    /** Goes to a row of the comparison by its name and stands on its variance. */
    private Locator stand(String name) {
        Locator variance = cell(page, name, 2);
        variance.click();
        page.keyboard().press("Escape");
        assertThat(page.locator("aside")).hasCount(0);
        variance.focus();
        return variance;
    }

    private void explainTheThreeLargest() {
        Locator waiting = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("to explain"));
        waiting.first().waitFor();
        int before = waiting.count();
        List<String> names = waiting.all().stream()
                .sorted(Comparator.comparingLong((Locator one) -> -size(one)))
                .map(one -> one.getByRole(AriaRole.ROWHEADER).textContent().strip())
                .limit(3)
                .toList();
        assertThat(names).hasSize(3);
        for (String name : names) {
            stand(name);
            page.keyboard().press("n");
            field("Note on " + name).fill("Asked the counterparty of " + name + ".");
            field("Note on " + name).press("Enter");
            assertThat(status()).containsText("'" + name + "' explained");
        }
        assertThat(waiting).hasCount(before - 3);
        assertThat(page.getByLabel("To explain")).containsText(Pattern.compile("3 of \\d+\\s+variances are explained"));
        // From one pound up, more must be explained; what is no amount is refused and stays.
        field("from").fill("much");
        field("from").press("Tab");
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("'much' is no amount");
        type("from", "1");
        assertThat(status()).containsText("which variances are explained set");
    }

    private static long size(Locator row) {
        return Long.parseLong(row.getByRole(AriaRole.GRIDCELL)
                .nth(2)
                .getAttribute("title")
                .split("[.,] ")[0]
                .replaceAll("\\D", ""));
    }

    private void decide() {
        stand("Ice machine");
        page.keyboard().press("c");
        assertThat(field("Amount to carry")).hasValue("4000.00");
        field("Day to carry it to").fill("2026-03-20");
        field("Day to carry it to").press("Enter");
        assertThat(row(page, "Ice machine")).containsText("carried to 20 Mar");
        stand("Pay");
        page.keyboard().press("c");
        assertThat(page.getByText("What is open on 'Pay' is asked about once its month or window is over"))
                .isVisible();
        stand("Old claim");
        page.keyboard().press("d");
        assertThat(row(page, "Old claim")).containsText("dropped");
        assertThat(status()).containsText("difference dropped");
    }

    private void comment() {
        go("track");
        field("Snapshot").selectOption("Forecast of 1 Mar 2026");
        assertThat(page.getByText("against the forecast of 1 Mar 2026")).isVisible();
        click("Draft");
        Locator text = page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Commentary"));
        assertThat(text.inputValue())
                .contains("2 Mar 2026 to 8 Mar 2026, against the forecast of 1 Mar 2026: receipts came to £")
                .contains("Asked the counterparty of")
                .contains("£4,000 of Ice machine is carried to a later day")
                .contains("the difference of £2,500 on Old claim is dropped");
        text.fill("Late customers, nothing lost.\n\n" + text.inputValue());
        // Another snapshot is looked at meanwhile: what was written is still there.
        field("Snapshot").selectOption("Forecast of 22 Feb 2026");
        assertThat(page.getByText("against the forecast of 22 Feb 2026")).isVisible();
        field("Snapshot").selectOption("Forecast of 1 Mar 2026");
        assertThat(text).hasValue(Pattern.compile("^Late customers, nothing lost."));
        click("Keep commentary");
        assertThat(status()).containsText("Commentary of 'Forecast of 1 Mar 2026' written");
        page.reload();
        assertThat(page.getByText("Late customers, nothing lost.")).isVisible();
    }

    private void whatMoved() {
        button(page, "What moved").click();
        field("From which forecast").selectOption("Forecast of 1 Mar 2026");
        Locator table =
                page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("What moved, by line and cause"));
        assertThat(table.getByText("Old claim")).isVisible();
        accessible();
        type("closing cash on", "yesterday");
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("'yesterday' is no date");
        type("closing cash on", "31/12/2040");
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("Both forecasts reach from");
        type("closing cash on", "31/3/2026");
        assertThat(page.getByText("Closing cash on 31 Mar 2026, then")).isVisible();
        button(page, "Accuracy").click();
        assertThat(page.getByText(Pattern.compile("27\\s+forecasts measured, up to 26\\s+weeks ahead")))
                .isVisible();
        assertThat(page.locator("[data-band]").first()).isAttached();
        accessible();
        button(page, "Counterparties").click();
        button(page, "Gullrock Hotels").click();
        assertThat(page.getByText("Gullrock Hotels, by weeks ahead")).isVisible();
        button(page, "Months").click();
        assertThat(page.getByText(Pattern.compile("measured, up to \\d\\s+months ahead")))
                .isVisible();
    }

    private void snapshots() {
        button(page, "Snapshots").click();
        type("Name of Monday 9 March", "Second Monday");
        assertThat(status()).containsText("Snapshot 'Monday 9 March' renamed");
        type("Note of Second Monday", "for the bank");
        Locator line =
                page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHas(field("Name of Second Monday")));
        line.getByText("Protect", new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(status()).containsText("'Second Monday' protected");
        assertThat(line.getByText("Remove", new Locator.GetByTextOptions().setExact(true)))
                .isDisabled();
        accessible();
        line.getByText("Lift protection").click();
        line.getByText("Remove", new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(field("Name of Second Monday")).hasCount(0);
        page.keyboard().press("Control+z");
        assertThat(field("Name of Second Monday")).hasCount(1);
    }
}
