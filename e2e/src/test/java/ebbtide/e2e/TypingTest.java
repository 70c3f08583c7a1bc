package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static ebbtide.e2e.Screens.link;
import static ebbtide.e2e.Screens.row;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import ebbtide.Everywhere;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/** Hands quicker than the answers: what is typed while earlier edits are under way is neither lost nor overwritten. */
@Order(2)
class TypingTest extends Journeys {
    /** Holds every answer to an edit back, as a busy machine would. */
    private static final String SLOW_EDITS = """
      const quick = window.fetch;
      window.fetch = async (request, options) => {
        const reply = await quick(request, options);
        if (request.method === 'PUT') await new Promise((done) => setTimeout(done, 700));
        return reply;
      };""";

    @Override
    protected String script() {
        return SLOW_EDITS;
    }

    @BeforeEach
    void openRent() {
        open("payments/rent");
        field("first on").waitFor();
    }

    private void undoAll(int edits) {
        for (int i = 0; i < edits; i++) {
            page.waitForResponse("**/undo?*", () -> button(page, "Undo").first().click());
        }
    }

    @Test
    void field_typedWhileTheEditBeforeIsAnswered_keepsItsText() {
        type("more each year %", "4");
        field("paid days after").fill("3");
        assertThat(status()).containsText("more each year % 4");
        assertThat(field("paid days after")).hasValue("3");
        assertThat(field("more each year %")).hasValue("4");
        field("paid days after").press("End");
        page.keyboard().type("0");
        page.keyboard().press("Tab");
        assertThat(status()).containsText("paid after 0 \u2192 30 days");
        page.reload();
        assertThat(field("paid days after")).hasValue("30");
        assertThat(field("more each year %")).hasValue("4");
        undoAll(2);
        assertThat(field("paid days after")).hasValue("0");
    }

    @Test
    void lineLeftBeforeTheAnswers_everyEditHolds() {
        type("more each year %", "4");
        type("paid days after", "30");
        type("Every", "6");
        page.getByLabel("A date without banking becomes").selectOption("the next business day");
        link(page, "Forecast").click();
        cell(page, "Diesel", 3).waitFor();
        assertThat(status()).containsText("Rent of sheds & foreshore: convention following");
        go("payments/rent");
        assertThat(field("more each year %")).hasValue("4");
        assertThat(field("paid days after")).hasValue("30");
        assertThat(field("Every")).hasValue("6");
        assertThat(page.getByLabel("A date without banking becomes")).hasValue("following");
        undoAll(4);
    }

    @Test
    void sameField_typedAgainBeforeTheAnswer_theLastWordHolds() {
        go("receipts/restaurants");
        page.getByLabel("Within the month").selectOption("on certain days");
        type("Days of the month", "10, 20");
        field("Days of the month").fill("the tenth");
        field("Days of the month").press("Tab");
        assertThat(page.getByText("'the tenth' are no days")).isVisible();
        assertThat(status()).containsText("on days 10, 20");
        page.waitForTimeout(900);
        assertThat(page.getByText("'the tenth' are no days")).isVisible();
        assertThat(field("Days of the month")).hasValue("the tenth");
        field("Days of the month").press("Escape");
        assertThat(field("Days of the month")).hasValue("10, 20");
        assertThat(page.getByText("'the tenth' are no days")).hasCount(0);
        undoAll(2);
    }

    @Test
    void settings_changedInARow_allHold() {
        go("setup");
        Locator name = page.getByLabel("Settings").getByLabel("Name", new Locator.GetByLabelOptions().setExact(true));
        name.fill("Skerrywick Holdings");
        name.press("Tab");
        type("Months ahead", "18");
        Locator receipts = page.getByText("Receipts that count").locator("xpath=..");
        receipts.getByLabel("possible").check();
        receipts.getByLabel("likely").uncheck();
        page.getByLabel("A new amount inside a month").selectOption("counts by days");
        assertThat(page.getByLabel("Changes").locator("tbody tr")).hasCount(5);
        page.reload();
        assertThat(name).hasValue("Skerrywick Holdings");
        assertThat(field("Months ahead")).hasValue("18");
        assertThat(receipts.getByLabel("possible")).isChecked();
        assertThat(receipts.getByLabel("likely")).not().isChecked();
        assertThat(page.getByLabel("A new amount inside a month")).hasValue("by-days");
        undoAll(5);
        assertThat(name).hasValue("Skerrywick Shellfish Ltd");
    }

    @Test
    void account_twoPartsChangedInARow_bothHold() {
        go("setup");
        Locator reserve = page.getByLabel("Bank accounts").locator("tbody tr").last();
        reserve.getByLabel("Name").fill("Savings");
        reserve.getByLabel("Name").press("Tab");
        reserve.getByLabel("Restricted").check();
        reserve.getByLabel("Balance", new Locator.GetByLabelOptions().setExact(true))
                .fill("plenty");
        reserve.getByLabel("Date of the balance").click();
        assertThat(page.getByText("'plenty' is no amount: type a number such as 1,250.50, below zero when overdrawn."))
                .isVisible();
        page.waitForTimeout(1600);
        assertThat(reserve.getByLabel("Balance", new Locator.GetByLabelOptions().setExact(true)))
                .hasValue("plenty");
        page.reload();
        assertThat(reserve.getByLabel("Name")).hasValue("Savings");
        assertThat(reserve.getByLabel("Restricted")).isChecked();
        undoAll(2);
    }

    @Test
    void strip_monthsTypedOneAfterTheOther_allLandInTheirMonths() {
        go("receipts/restaurants");
        Locator cells = page.getByLabel("Amount by month").getByRole(AriaRole.GRIDCELL);
        cells.nth(0).click();
        // History needs no reason, so hands go straight on.
        for (String amount : new String[] {"101k", "102k", "103k"}) {
            page.keyboard().type(amount);
            page.keyboard().press("Tab");
        }
        assertThat(page.getByLabel("Changes")).hasCount(0);
        assertThat(status()).containsText("2026-02 set");
        for (int i = 0; i < 3; i++) {
            assertThat(cells.nth(i)).hasText("10" + (i + 1));
        }
        undoAll(3);
    }

    @Test
    void pattern_halfTypedWhileAnotherPartIsSaved_stays() {
        go("receipts/export");
        type("Sales tax %", "5");
        type("Share of step 1 in percent", "30");
        assertThat(page.getByText("1% too much. The last good pattern stays in force."))
                .isVisible();
        page.waitForTimeout(900);
        assertThat(field("Share of step 1 in percent")).hasValue("30");
        type("Share of step 2 in percent", "44");
        assertThat(status()).containsText("pattern 30 \u00b7 44 \u00b7 25");
        assertThat(field("Share of step 1 in percent")).hasValue("30");
        assertThat(field("Sales tax %")).hasValue("5");
        undoAll(2);
    }

    @Test
    void programGone_anEditSaysSoAndKeepsTheText_andGoesThroughOnceItIsBack() {
        page.route("**/api/plans/*/lines/rent?*", route -> {
            if (route.request().method().equals("PUT")) {
                route.abort();
            } else {
                route.resume();
            }
        });
        type("more each year %", "6");
        assertThat(page.getByText("The program does not answer: nothing was changed.")
                        .first())
                .isVisible();
        assertThat(field("more each year %")).hasValue("6");
        page.unroute("**/api/plans/*/lines/rent?*");
        field("more each year %").fill("6.5");
        field("more each year %").press("Enter");
        assertThat(status()).containsText("Rent of sheds & foreshore: more each year");
        undoAll(1);
    }

    @Test
    @Everywhere
    void lineChangedInAnotherWindow_otherFieldHolds_andTheSameIsAskedForAgainWithItsText() {
        Screens.deafen(page);
        Page other = chromium.open(page.url());
        Screens.deafen(other);
        other.getByLabel("paid days after").fill("10");
        other.getByLabel("paid days after").press("Tab");
        assertThat(other.getByRole(AriaRole.STATUS).first()).containsText("paid after 0 \u2192 10 days");
        type("more each year %", "7");
        assertThat(status()).containsText("Changed meanwhile: Rent of sheds & foreshore: paid after 0 \u2192 10 days");
        assertThat(field("more each year %")).hasValue("7");
        assertThat(field("paid days after")).hasValue("10");
        Locator late = other.getByLabel("more each year %");
        late.fill("8");
        late.press("Tab");
        assertThat(other.getByText("changed since").first()).isVisible();
        assertThat(late).hasValue("8");
        late.fill("8.5");
        late.press("Tab");
        assertThat(other.getByRole(AriaRole.STATUS).first()).containsText("more each year 7 \u2192 8.5%");
        other.getByText("Undo", new Page.GetByTextOptions().setExact(true))
                .first()
                .click();
        assertThat(other.getByRole(AriaRole.STATUS).first()).containsText("Undone");
        other.close();
        page.reload();
        undoAll(2);
    }

    @Test
    void cellBegunInWhileTheRowsAreBeingOrdered_goesWithItsRow_andKeepsTheKeys() {
        go("receipts/open-items");
        Locator rows = page.getByLabel("Open items", new Page.GetByLabelOptions().setExact(true))
                .locator("tbody tr");
        assertThat(row(page, "SO-7079, sales order")).isVisible();
        List<Route> held = new ArrayList<>();
        page.route("**/items?*descending=true*", held::add);
        button(page, "Expected \u2191").click();
        String first = rows.first().getByRole(AriaRole.ROWHEADER).textContent();
        cell(page, "SO-7079, sales order", 5).dblclick();
        page.keyboard().type("2 Ap");
        held.forEach(Route::resume);
        assertThat(rows.first()).not().containsText(first);
        Locator field = field("Expect SO-7079 of Pellmoor Inns on");
        assertThat(field).isFocused();
        assertThat(field).hasValue("2 Ap");
        page.keyboard().type("r 2026");
        page.keyboard().press("Enter");
        assertThat(status()).containsText("SO-7079 of Pellmoor Inns expected 2026-04-02");
        page.unroute("**/items?*descending=true*");
        undoAll(1);
    }

    @Test
    void newPlan_leftHalfTyped_isThereAgain() {
        page.navigate(running.url() + "/#/new");
        page.getByLabel("Name of the plan").fill("Half a plan");
        page.getByLabel("Balance of account 1").fill("1,234.56");
        page.reload();
        assertThat(page.getByLabel("Name of the plan")).hasValue("Half a plan");
        assertThat(page.getByLabel("Balance of account 1")).hasValue("1,234.56");
        go("forecast");
        cell(page, "Diesel", 3).waitFor();
    }
}
