package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.row;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/**
 * Four Mondays: the demo rolled forward week by week as a person would, until its balances are those its banks
 * declared.
 */
@Order(4)
class RollTest extends Mondays {
    @Test
    @Everywhere
    void fourWeeks_rolledForward_closeAsTheBanksSay_andTheLastIsUndoneWhole() throws IOException {
        open("position/roll");
        for (int week = 1; week <= 4; week++) {
            press(Pattern.compile("^Roll forward from"));
            arrive(week);
            settleAndAssign();
            differences(week);
            press(Pattern.compile("^4 Finish"));
            for (String account : new String[] {"Current account", "Shop takings", "Reserve"}) {
                assertThat(row(page, account)).containsText("the same");
            }
            button(page, "Finish the roll forward").click();
            assertThat(page.getByText("Rolled forward from").first()).isVisible();
        }
        assertThat(page.getByText("as of Sun 29 Mar 2026").first()).isVisible();
        assertThat(balance("Current account"))
                .isEqualTo(declared(
                        "current-account-2026-03-29.xml", "CLBD</Cd></CdOrPrtry></Tp><Amt Ccy=\"GBP\">([\\d.]+)"));
        assertThat(balance("Shop takings"))
                .isEqualTo(declared("shop-takings-2026-03-29.sta", ":62F:C\\d{6}GBP([\\d,]+)"));
        assertThat(balance("Reserve")).isEqualTo(declared("reserve-2026-03-29.ofx", "<BALAMT>([\\d.]+)"));
        go("track");
        assertThat(page.getByLabel("Snapshot").locator("option")).hasCount(4);
        go("position/roll");
        button(page, "Undo all of it").click();
        assertThat(status()).containsText("Undone: the roll forward from 2026-03-22");
        assertThat(page.getByText("as of Sun 22 Mar 2026").first()).isVisible();
    }

    /** The largest difference is carried, the rest is dropped; bad input is refused and kept. */
    private void differences(int week) {
        press(Pattern.compile("^3 Differences"));
        Locator rows = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Differences"))
                .locator("tbody tr");
        page.getByText(Pattern.compile("No month and no window closed|Carry: what is missing"))
                .waitFor();
        if (rows.count() == 0) {
            return;
        }
        rows.first()
                .getByText("Carry", new Locator.GetByTextOptions().setExact(true))
                .click();
        String whole = field("Amount to carry").inputValue();
        field("Amount to carry").fill("lots");
        field("Amount to carry").press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT).last()).containsText("'lots'");
        field("Amount to carry").fill(whole.startsWith("-") ? "-9" + whole.substring(1) : "9" + whole);
        field("Amount to carry").press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT).last()).containsText("Carry up to");
        field("Amount to carry").fill(whole);
        field("Day to carry it to").fill("2026-03-01");
        field("Day to carry it to").press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT).last()).containsText("Carry it to a day after the as-of date");
        field("Day to carry it to").fill("2026-04-" + (10 + week));
        field("Day to carry it to").press("Enter");
        assertThat(rows.first()).containsText("carried to " + (10 + week) + " Apr 2026");
        accessible();
        Locator drop =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Drop (it|the)")));
        if (drop.count() > 0) {
            drop.click();
        }
        assertThat(drop).hasCount(0);
    }

    private String balance(String account) {
        return row(page, account).getByRole(AriaRole.CELL).first().textContent().strip();
    }

    /** The closing balance that a statement declares, as the screen writes it. */
    private static String declared(String file, String pattern) throws IOException {
        Matcher found = Pattern.compile(pattern).matcher(Files.readString(Path.of("../demo/standard", file)));
        assertThat(found.find()).as(file).isTrue();
        String[] parts = found.group(1).replace(',', '.').split("\\.");
        String whole = String.format(java.util.Locale.ENGLISH, "%,d", Long.parseLong(parts[0]));
        return parts.length == 1 || parts[1].isEmpty() || parts[1].equals("00") ? whole : whole + "." + parts[1];
    }
}
