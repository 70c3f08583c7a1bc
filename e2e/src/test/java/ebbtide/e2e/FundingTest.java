package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.row;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/**
 * Funding as a treasurer asks about it: facilities and loans added, their terms typed, whether the limits are enough;
 * and the worked examples.
 */
@Order(4)
class FundingTest extends Journeys {
    private void add(String what, String name, String field, String amount) {
        click("Add facility, loan, lease or deposit");
        page.getByLabel("What is added").selectOption(what);
        type("Name of it", name);
        if (field != null) {
            type(field, amount);
        }
        click("Add it");
        assertThat(status()).containsText("'" + name + "' added");
    }

    private Locator amounts(String row) {
        return row(page, row).getByRole(AriaRole.CELL);
    }

    @Test
    void facilityAndLoan_addedTypedAndTakenBack_answerWhetherItIsEnough() {
        open("funding");
        assertThat(page.getByText("It is enough: the most that is needed is 25,934.31 on Fri 22 May 2026"))
                .isVisible();
        click("Add facility, loan, lease or deposit");
        click("Add it");
        assertThat(page.getByText("Give it a name, such as")).isVisible();
        type("Name of it", "Quayside revolver");
        type("Limit of it", "plenty");
        click("Add it");
        assertThat(page.getByText("'plenty' is no amount")).isVisible();
        type("Limit of it", "10k");
        click("Add it");
        assertThat(status()).containsText("'Quayside revolver' added");
        add("loan", "Boat loan", "Amount lent", "240k");
        add("cash", "Interest on cash", null, null);
        assertThat(amounts("Boat loan").nth(1)).hasText("240");
        amounts("Closing cash").nth(1).getByRole(AriaRole.BUTTON).click();
        assertThat(page.getByText("Before funding").nth(1)).isVisible();
        page.keyboard().press("Escape");
        accessible();
        button(page, "Boat loan").click();
        type("rate, % a year", "6.6");
        assertThat(page.getByText("Boat loan: rate")).isVisible();
        type("payments", "0");
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("This must be from 1 to 600");
        type("payments", "24");
        accessible();
        go("funding");
        button(page, "Quayside revolver").click();
        type("base rate, % a year", "5.25");
        accessible();
        go("funding");
        button(page, "Boat loan").click();
        click("Delete");
        assertThat(status()).containsText("'Boat loan' deleted");
        go("funding");
        assertThat(row(page, "Boat loan")).hasCount(0);
        click("Undo");
        assertThat(row(page, "Boat loan")).isVisible();
        for (int i = 0; i < 6; i++) {
            click("Undo");
            page.waitForTimeout(250);
        }
        go("funding");
        assertThat(row(page, "Boat loan")).hasCount(0);
        assertThat(page.getByText("the most that is needed is 25,934.31")).isVisible();
        assertThat(row(page, "Interest cover")).containsText("Sep 2026");
        moves();
        type("with a cushion of", "2,500");
        assertThat(page.getByText("\u00a352,500")).isVisible();
    }

    /**
     * A deposit is put away, rolled over, put at notice and broken; what is wrong is said, and what is away at the end
     * of each month is shown.
     */
    @Test
    void deposit_putAwayRolledOverAndBroken_saysWhatIsAwayAndWhatIsWrong() {
        open("funding");
        add("deposit", "Rainy day", "Amount put away", "50k");
        assertThat(amounts("Rainy day, put away at the end").nth(1)).hasText("50");
        amounts("Rainy day, put away at the end")
                .nth(1)
                .getByRole(AriaRole.BUTTON)
                .click();
        assertThat(page.getByText("Put away, less what comes back, in these days"))
                .isVisible();
        page.keyboard().press("Escape");
        button(page, "Rainy day").click();
        type("rate, % a year", "3.15");
        assertThat(page.getByText("Rainy day: rate")).isVisible();
        type("broken early on", "2026-01-15");
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("A deposit is broken after 2026-03-02");
        type("broken early on", "2026-06-01");
        type("or days of interest", "30");
        assertThat(page.getByText("back", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        type("broken early on", "");
        type("rolled over", "2");
        page.getByLabel("with its interest").check();
        assertThat(page.getByText("its interest put away with the next term")).hasCount(2);
        accessible();
        page.getByLabel("comes back").selectOption("notice");
        type("given on", "2026-04-01");
        assertThat(page.getByText("Fri 1 May 2026")).isVisible();
        page.getByText("Interest on Rainy day").first().click();
        assertThat(page.getByText("What is earned on 'Rainy day', by its own rates and terms"))
                .isVisible();
    }

    /**
     * A payment for an asset drawn along the time line: what it would do is said and shown, nothing is changed until it
     * is kept.
     */
    private void moves() {
        Locator mark = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Lease of the north beds"));
        mark.focus();
        for (int i = 0; i < 6; i++) {
            page.keyboard().press("Shift+ArrowRight");
        }
        assertThat(page.getByText(
                        "Lease of the north beds, on signing on Wed 27 May 2026 in place of 15 Apr: low water"))
                .isVisible();
        assertThat(page.locator("[data-trial]")).hasCount(1);
        accessible();
        page.keyboard().press("Escape");
        assertThat(page.locator("[data-trial]")).hasCount(0);
        mark.focus();
        page.keyboard().press("ArrowRight");
        click("Keep it");
        assertThat(status().first()).containsText("'Boats & sheds' moved to 2026-04-16");
        click("Undo");
        assertThat(mark).hasAttribute("aria-valuetext", "Wed 15 Apr 2026");
    }

    /** A covenant that breaks says when and by how much; one that reads months which were not typed is not known. */
    private void covenants() {
        type("Bound of it", "much");
        click("Add covenant");
        assertThat(page.getByText("'much' is no amount")).isVisible();
        type("Bound of it", "500k");
        page.getByLabel("How often it is tested").selectOption("month");
        click("Add covenant");
        assertThat(page.getByText("Least liquidity breaks first on 31 January 2026: 155,000 of liquidity is missing"))
                .isVisible();
        page.getByLabel("What is tested").selectOption("interest-cover");
        type("Bound of it", "3");
        click("Add covenant");
        assertThat(row(page, "Interest cover")).containsText("not known");
        type("Bound of Least liquidity", "300k");
        assertThat(page.getByText("Least liquidity breaks first on 31 January 2026"))
                .hasCount(0);
        assertThat(page.locator("[data-short]").first()).isAttached();
        click("Months before the forecast");
        type("EBITDA of 2025-12", "a lot");
        assertThat(page.getByText("'a lot' is no amount")).isVisible();
        type("EBITDA of 2025-12", "21,500");
        assertThat(status()).containsText("months before the forecast set");
        accessible();
        for (int i = 0; i < 4; i++) {
            click("Undo");
            page.waitForTimeout(250);
        }
        assertThat(row(page, "Interest cover")).hasCount(0);
    }

    /** W4, W16, W5, W17, W6 and W12 as they are read on the screen. */
    @Test
    @Everywhere
    void workedExamples_broughtIn_showTheirResults() {
        open("funding");
        bring("sweep.json");
        shows("Closing cash", "110,000", "120,000", "100,000", "110,000", "120,000");
        shows("Revolver, owed at the end", "25,000", "175,000", "275,000", "225,000", "25,000");
        bring("sweep-at-limit.json");
        shows("Revolver, owed at the end", "25,000", "175,000", "250,000", "225,000", "25,000");
        shows("Shortfall", "\u00b7", "\u00b7", "25,000");
        assertThat(page.getByText("It is not enough: 25,000 is missing on")).isVisible();
        covenants();
        bring("interest-by-mean.json");
        shows("Interest and fees", "\u22122,300.55");
        shows("Revolver, owed at the end", "407,300.55");
        bring("interest-in-multiples.json");
        shows("Revolver, owed at the end", "400,000");
        bring("loan.json");
        shows("Interest and fees", "\u00b7", "\u22121,320", "\u22121,268.40");
        bring("facility-ends.json");
        button(page, "Day").click();
        assertThat(amounts("Shortfall").nth(2)).hasText("170,000");
    }

    private void bring(String example) {
        page.navigate(page.url().replaceAll("#.*", "") + "#/new");
        page.getByLabel("Plan file").setInputFiles(Path.of("../docs/examples", example));
        button(page, "\u00a3").click();
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Funding").setExact(true))
                .click();
    }

    /** The months from the first that is forecast on; the as-of date's is the first column. */
    private void shows(String row, String... amounts) {
        for (int i = 0; i < amounts.length; i++) {
            assertThat(amounts(row).nth(i + 1)).hasText(List.of(amounts).get(i));
        }
    }
}
