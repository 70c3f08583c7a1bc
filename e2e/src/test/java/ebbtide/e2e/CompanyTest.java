package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/**
 * A company of twelve lines, at least one of every kind, built by keyboard alone from an as-of date of 31 December 2025
 * with 100,000.00 in the bank, against a closing cash worked out by hand.
 */
@Everywhere
@Order(3)
class CompanyTest extends Journeys {
    private static final int RECURRING = 1;
    private static final int ITEMS = 2;
    private static final int PAY = 3;
    private static final int SALES_TAX = 4;
    private static final int PROFIT_TAX = 5;
    private static final int CAPITAL = 6;
    private static final int DIVIDENDS = 7;

    @Override
    protected String makePlan() {
        return Programs.plan(running, """
        {"format": "ebbtide-plan", "version": 1, "settings": {"name": "Twelve lines", "currency": "GBP", "asOf": "2025-12-31"},
         "accounts": [{"id": "bank", "name": "Bank", "country": "--", "balanceDate": "2025-12-31", "balance": "100000"}]}""");
    }

    /** Goes on with Tab until an element has the focus, as someone without a mouse would. */
    private void reach(Locator element) {
        element.waitFor();
        // As many times as there are fields and buttons between, then one by one to where it really is.
        int between = ((Number) element.evaluate("""
        one => {
          const all = [...document.querySelectorAll('a[href], button, input, select, textarea, [tabindex]')]
            .filter((some) => some.tabIndex >= 0 && !some.disabled && some.checkVisibility());
          return Math.max(0, all.indexOf(one) - all.indexOf(document.activeElement) - 1);
        }""")).intValue();
        for (int i = 0; i < between; i++) {
            page.keyboard().press("Tab");
        }
        for (int i = 0; i < 400; i++) {
            if ((boolean) element.evaluate("one => one === document.activeElement")) {
                return;
            }
            page.keyboard().press("Tab");
        }
        throw new AssertionError("no way with Tab to " + element);
    }

    private void enter(String label, String text) {
        Locator field = field(label).last();
        reach(field);
        page.keyboard().press("Control+A");
        page.keyboard().type(text);
        page.keyboard().press("Tab");
        saved();
    }

    private void submit(String label, String text) {
        reach(field(label));
        page.keyboard().type(text);
        page.keyboard().press("Enter");
        saved();
    }

    private void choose(String label, String beginning) {
        reach(field(label));
        page.keyboard().type(beginning);
        saved();
    }

    private void saved() {
        page.waitForTimeout(60);
        assertThat(page.getByText("The program does not answer")).hasCount(0);
    }

    private void add(String name, int kind) {
        reach(button(page, "Add").first());
        page.keyboard().press("Enter");
        reach(page.getByRole(AriaRole.DIALOG).getByLabel("Name"));
        page.keyboard().type(name);
        page.keyboard().press("Tab");
        for (int i = 0; i < kind; i++) {
            page.keyboard().press("ArrowDown");
        }
        page.keyboard().press("Enter");
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName(name).setExact(true)))
                .isVisible();
    }

    private void receipts() {
        page.keyboard().press("Alt+2");
        add("Sales", 0);
        enter("amount a month", "10000");
        enter("Sales tax %", "20");
        add("Subscriptions", 0);
        choose("It is", "c");
        enter("customers at the start", "100");
        enter("gained each month", "10");
        enter("fee of each", "10");
        add("Grant", ITEMS);
        reach(field("Date of a new item"));
        page.keyboard().type("2026-06-15");
        submit("Amount of a new item", "5000");
    }

    private void costs() {
        add("Materials", 0);
        choose("It is", "b");
        enter("stock at the start", "5000");
        enter("% of sales", "50");
        enter("base of stock", "5000");
        choose("Terms", "by d");
        choose("Due", "days after t");
        add("Rent", RECURRING);
        enter("first on", "2026-01-15");
        enter("amount each time", "1000");
        enter("Sales tax %", "20");
        add("Repairs", 0);
        choose("It is", "a share of an");
        add("Shed wear", RECURRING);
        enter("first on", "2026-01-31");
        enter("amount each time", "300");
        reach(field("a cost that is never paid"));
        page.keyboard().press("Space");
        saved();
        add("Pay", PAY);
        submit("Name of a new role", "Office");
        enter("from of Office", "2026-01-01");
        enter("posts of Office", "2");
        enter("each earns a year, Office", "12000");
        enter("employer's on-costs % of Office", "10");
        enter("withheld from pay % of Office", "20");
    }

    private void settled() {
        add("Van", CAPITAL);
        submit("Name of a new asset", "Transit");
        reach(field("Date of a new step of Transit"));
        page.keyboard().type("2026-03-10");
        submit("Amount of a new step of Transit", "6000");
        enter("Sales tax %", "20");
        add("Sales tax", SALES_TAX);
        enter("settled on day", "7");
        add("Profit tax", PROFIT_TAX);
        choose("reckoned by the", "m");
        enter("paid on day", "15");
        enter("of month", "1");
        add("Owners", DIVIDENDS);
        enter("dividend a year", "3000");
    }

    /**
     * In: sales 12 x 12,000; subscriptions of 110 to 220 customers at 10, 19,800; the grant 5,000. Out: materials
     * billed January to November, 11 x 5,000; rent 12 x 1,200; repairs 12 x 1,000; pay 12 x 1,600, and 11 x 600 of what
     * is withheld and on top; the van 7,200; dividend 3,000; wear nothing. Sales tax of three quarters: 3 x (6,000 -
     * 600), less the van's 1,200: 15,000. Profit of month k: 10,000 + 1,000 + 100k - 5,000 - 1,000 - 1,000 - 300 -
     * 2,200, less 100 for the van from April on, and 5,000 more in June: 27,300 from January to November, a quarter of
     * it 6,825.
     */
    @Test
    void twelveLines_builtByKeyboard_closeTheYearAtTheFigureWorkedOutByHand() {
        open("receipts");
        receipts();
        page.keyboard().press("Alt+3");
        costs();
        settled();
        page.keyboard().press("Alt+6");
        reach(button(page, "Month"));
        page.keyboard().press("Enter");
        reach(button(page, "\u00a3"));
        page.keyboard().press("Enter");
        long in = 12 * 12_000 + 19_800 + 5_000;
        long out = 11 * 5_000 + 12 * 1_200 + 12 * 1_000 + 12 * 1_600 + 11 * 600 + 7_200 + 3_000 + 15_000 + 6_825;
        assertThat(100_000 + in - out).isEqualTo(129_575);
        assertThat(cell(page, "Closing cash", 12)).hasText("129,575");
        assertThat(cell(page, "Profit tax", 12)).hasText("\u2212625");
        page.keyboard().press("Alt+5");
        click("Roll-forwards");
        assertThat(page.getByText("What customers owe at the end of each month, and why"))
                .isVisible();
    }
}
