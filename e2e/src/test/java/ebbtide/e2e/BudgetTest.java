package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static ebbtide.e2e.Screens.row;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * What comes from outside the lines: a budget brought in, months suggested by history, terms shared, everything moved.
 */
class BudgetTest extends Journeys {
    private static final String BUDGET = """
      Budget,,,,
      ,,2026,,
      Code,Account,Mar,Apr,Total
      ,Income,,,
      4000,Grocery chains,210000,250000,460000
      4010,Licence fee,"6,500","6,600",13100
      ,Total income,216500,256600,473100
      ,,,,
      ,Costs,,,
      5010,Office supplies,-900,(950),-1850
      5020,Wages,-1000,soon,-1000
      """;

    @BeforeEach
    void open() {
        open("setup");
        button(page, "Budget").click();
    }

    private void hand(String name, String text) {
        page.getByLabel("Budget file")
                .setInputFiles(new FilePayload(name, "text/csv", text.getBytes(StandardCharsets.UTF_8)));
    }

    private Locator target(String label) {
        return field("What becomes of " + label);
    }

    @Test
    void budget_asItStands_isMatchedCorrectedTakenRememberedAndUndone() {
        hand("budget.csv", BUDGET);
        assertThat(row(page, "Grocery chains")).containsText("same name");
        assertThat(row(page, "Licence fee")).containsText("alike: please check");
        assertThat(row(page, "Total income")).containsText("adds others up");
        assertThat(row(page, "Wages")).containsText("'soon' in 2026-04 is no amount");
        target("Wages").selectOption("nothing: left out");
        target("Office supplies").selectOption("Marketing");
        button(page, "Take 3 rows over").click();
        assertThat(status()).containsText("Budget brought in: 3 lines");
        go("receipts/grocery");
        assertThat(cell(page, "Amount", 3)).hasAttribute("title", java.util.regex.Pattern.compile("^\u00a3210,000 .*"));
        go("setup");
        button(page, "Budget").click();
        hand("budget.csv", BUDGET);
        assertThat(row(page, "Office supplies")).containsText("as last time");
        button(page, "Leave it").click();
        page.keyboard().press("Escape");
        button(page, "Undo").first().click();
        assertThat(status()).containsText("Undone: Budget brought in");
    }

    @Test
    void file_thatIsNoBudget_isRefusedInASentence() {
        hand("notes.csv", "a,b\n1,2\n");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("No row of the sheet 'CSV' has months as headings");
        hand("broken.xlsx", "PK broken");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("This is no readable XLSX workbook");
    }

    @Test
    void history_offersItsMonths_andTakingThemIsAnEdit() {
        go("receipts/grocery");
        button(page, "from history\u2026").click();
        assertThat(page.getByText("offered").first()).isVisible();
        row(page, "the mean of the last three months")
                .getByText("Take its months")
                .click();
        assertThat(status()).containsText("months taken from history");
        button(page, "Undo").first().click();
        assertThat(status()).containsText("Undone");
    }

    @Test
    void block_pastedOverLinesAndMonths_isOneEditAndOneUndo() {
        go("receipts");
        button(page, "By month").click();
        cell(page, "Restaurants & hotels", 3).click();
        paste("200000\t210000\n300k\tmany");
        assertThat(page.getByText(
                        "'many' in row 2, column 2 of the block is no amount above zero. Nothing was changed."))
                .isVisible();
        paste("200000\t210000\n300k\t310,000.50");
        assertThat(status()).containsText("4 months of 2 lines typed");
        assertThat(cell(page, "Grocery chains", 4)).hasAttribute("title", "\u00a3310,000.50");
        button(page, "Undo").first().click();
        assertThat(status()).containsText("Undone: 4 months of 2 lines typed");
    }

    @Test
    void figure_typedOverAMonth_landsInItsOwnCell_andARefusedOneStaysToBeMended() {
        go("receipts");
        button(page, "By month").click();
        cell(page, "Restaurants & hotels", 3).click();
        page.keyboard().type("12x");
        page.keyboard().press("Enter");
        assertThat(page.getByText("'12x' is no amount above zero: type a figure such as 12500 or 12.5k."))
                .isVisible();
        Locator field = field("Restaurants & hotels in 2026-06");
        assertThat(field).hasValue("12x");
        cell(page, "Grocery chains", 5).click();
        assertThat(field).hasValue("12x");
        field.fill("12k");
        cell(page, "Grocery chains", 5).click();
        assertThat(status()).containsText("1 month of 1 line typed");
        assertThat(cell(page, "Restaurants & hotels", 3)).hasAttribute("title", "\u00a312,000");
        assertThat(cell(page, "Grocery chains", 5)).isFocused();
        page.keyboard().type("7");
        page.keyboard().press("Tab");
        assertThat(cell(page, "Grocery chains", 6)).isFocused();
        assertThat(cell(page, "Grocery chains", 5)).hasAttribute("title", "\u00a37");
    }

    @Test
    void terms_sharedByTwoLines_changeForBoth() {
        go("receipts/restaurants");
        page.getByLabel("Whose terms").selectOption("share these under a name\u2026");
        page.getByLabel("Name of the terms").fill("Trade");
        page.keyboard().press("Enter");
        assertThat(status()).containsText("terms shared: Trade");
        go("receipts/grocery");
        page.getByLabel("Whose terms").selectOption("shared: Trade");
        assertThat(page.getByText("a change here holds for every line")).isVisible();
        page.getByLabel("Terms", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                .selectOption("by days");
        assertThat(status()).containsText("shared terms 'Trade' changed");
        go("receipts/restaurants");
        assertThat(field("Terms")).hasValue("days");
        go("setup");
        page.getByLabel("Shared terms").getByText("Take out").click();
        assertThat(page.getByText("shares terms that are not in the plan").first())
                .isVisible();
    }

    @Test
    void everythingAhead_movedByMonths_movesInOneEditAndBack() {
        button(page, "Settings").click();
        field("Move all that lies ahead by").fill("soon");
        page.keyboard().press("Enter");
        assertThat(page.getByText("'soon' is no number of months: type 2, or -1 to bring everything forward."))
                .isVisible();
        field("Move all that lies ahead by").fill("2");
        page.keyboard().press("Enter");
        assertThat(status()).containsText("Everything ahead moved by 2 months");
        button(page, "Undo").first().click();
        field("Move all that lies ahead by").fill("-2");
        page.keyboard().press("Enter");
        assertThat(page.getByText("move by fewer months, or take it out first").first())
                .isVisible();
    }
}
