package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static ebbtide.e2e.Screens.link;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/** Lines of every kind made and changed on the screen, with the figures they must give. D is 31 December 2025. */
@Order(5)
class LinesTest extends Journeys {
    @Override
    protected String makePlan() throws IOException {
        return Programs.plan(running, Files.readString(Path.of("../docs/examples/pattern.json")));
    }

    @BeforeEach
    void open() {
        open("payments");
    }

    private void add(String name, String kind) {
        button(page, "Add").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill(name);
        page.getByRole(AriaRole.DIALOG).getByLabel(kind).check();
        page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add"))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name)))
                .isVisible();
    }

    private void openLine(String name) {
        page.getByRole(AriaRole.TREEITEM)
                .filter(new Locator.FilterOptions().setHasText(name))
                .click();
        // Until it is shown, what is typed would go to the line before.
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name))
                .waitFor();
    }

    private void months(String line, String... amounts) {
        link(page, "Forecast").click();
        button(page, "Month").click();
        button(page, "\u00a3").click();
        for (int i = 0; i < amounts.length; i++) {
            assertThat(cell(page, line, i + 1)).hasText(amounts[i]);
        }
    }

    @Test
    void recurring_quarterlyWithAStepAndAnEnd_paysOnItsDays() {
        page.getByText("Add the first line").or(button(page, "Add")).first().waitFor();
        add("Rent", "Again and again");
        type("Every", "3");
        type("first on", "31/1/2026");
        type("amount each time", "1.2k");
        button(page, "change from a date\u2026").click();
        page.getByLabel("From", new Page.GetByLabelOptions().setExact(true)).fill("1 Jul 2026");
        page.getByLabel("New amount").fill("1,500");
        page.keyboard().press("Enter");
        assertThat(page.getByText("from 1 Jul 2026")).isVisible();
        type("last on", "2026-08-31");
        // 31 January 2026 is a Saturday, paid the Friday before; April has 30 days.
        assertThat(page.getByText("Fri 30 Jan 2026")).isVisible();
        assertThat(page.getByText("Thu 30 Apr 2026")).isVisible();
        months(
                "Rent",
                "\u22121,200",
                "\u00b7",
                "\u00b7",
                "\u22121,200",
                "\u00b7",
                "\u00b7",
                "\u22121,500",
                "\u00b7",
                "\u00b7",
                "\u00b7");
    }

    @Test
    void bill_paidThirtyDaysAfterWithUplift_saysSoAndMovesItsCash() {
        add("Insurance", "Again and again");
        type("first on", "15/1/2026");
        type("amount each time", "100");
        type("more each year %", "10");
        type("paid days after", "30");
        // 15 January and 30 days is Saturday 14 February, so the Friday before.
        assertThat(page.getByText("Fri 13 Feb 2026")).isVisible();
        assertThat(page.getByText("paid 30 days after, 10% more each year").first())
                .isVisible();
        type("paid days after", "soon");
        assertThat(page.getByText("'soon' is no whole number: type one such as 30."))
                .isVisible();
        months("Insurance", "\u00b7", "\u2212100", "\u2212100", "\u2212100");
    }

    @Test
    void shareOfAnotherLine_withTaxAndDays_followsItsSales() {
        add("Commission", "By month");
        page.getByLabel("It is").selectOption("a share of another line");
        assertThat(page.getByLabel("The other line")).containsText("Sales");
        type("Share in percent", "10");
        type("Sales tax %", "20");
        page.getByLabel("Within the month").selectOption("on certain days");
        type("Days of the month", "10, 20\u00d73");
        assertThat(page.getByLabel("Days of the month")).hasValue("10, 20\u00d73");
        type("Days of the month", "the tenth");
        assertThat(page.getByText("'the tenth' are no days")).isVisible();
        // 10% of 84,000, 91,500, 78,250 with 20% tax, paid in the month itself.
        months("Commission", "\u221210,080", "\u221210,980", "\u22129,390");
        button(page, "Day").click();
        assertThat(page).hasURL(Pattern.compile("by=DAY.*unit=full|unit=full.*by=DAY"));
        page.navigate(page.url().replaceAll("from=[^&]*&?|to=[^&]*&?", "").replaceAll("[?&]$", "")
                + "&from=2026-01-09&to=2026-01-21");
        assertThat(cell(page, "Commission", 3)).hasText("\u22122,520");
        assertThat(cell(page, "Commission", 11)).hasText("\u22127,560");
    }

    @Test
    void growth_overriddenInOneMonth_goesOnFromTheComputedFigure() {
        add("Fuel", "By month");
        page.getByLabel("It is").selectOption("a base that grows");
        type("base a month", "1,000");
        type("growing % a month", "10");
        Locator february =
                page.getByLabel("Amount by month").getByRole(AriaRole.GRIDCELL).nth(4);
        february.click();
        page.keyboard().type("5k");
        page.keyboard().press("Enter");
        page.getByLabel("Overrides what is computed, because").fill("sea trial");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("Fuel: 2026-02 set");
        months("Fuel", "\u22121,000", "\u22125,000", "\u22121,210", "\u22121,331");
        cell(page, "Fuel", 2).click();
        assertThat(page.getByText("overridden: sea trial (computed 1,100, base 1,000"))
                .isVisible();
    }

    @Test
    void piecesAndCustomers_eachWithTheirDrivers_multiplyAndCount() {
        link(page, "Receipts").click();
        add("Kelp boxes", "By month");
        page.getByLabel("It is").selectOption("so many pieces at a price");
        type("pieces a month", "120");
        type("price of one", "38.505");
        type("pieces a month, more each month in %", "10");
        type("price of one, more each month in %", "dear");
        assertThat(page.getByText("'dear' is no percentage: type a number such as 1.5"))
                .isVisible();
        type("price of one, more each month in %", "1");
        // 120 x 38.505; 132 x 38.89005; 145.2 x 39.2789505
        months("Kelp boxes", "4,620.60", "5,133.49", "5,703.30");
        cell(page, "Kelp boxes", 2).click();
        assertThat(page.getByText("quantity 132 \u00d7 price 38.8901")).isVisible();
        go("receipts");
        openLine("Kelp boxes");
        page.getByLabel("It is").selectOption("customers who each pay a fee");
        type("customers at the start", "200");
        type("Month from which customers are counted", "Jan 2026");
        type("gained each month", "12");
        type("lost each month", "2.5");
        page.getByLabel("What is lost is").selectOption("% of those at the start");
        type("fee of each", "10");
        page.getByLabel("The fee is paid by").selectOption("the mean of start and end");
        // 200 + 12 - 5 = 207; 207 + 12 - 5.175 = 213.825; means 203.5 and 210.4125
        months("Kelp boxes", "2,035", "2,104.13");
        go("receipts");
        openLine("Kelp boxes");
        page.getByLabel("It is").selectOption("so many pieces at a price");
        assertThat(field("pieces a month from 1 Jan 2026")).hasValue("120");
        months("Kelp boxes", "4,620.60", "5,133.49", "5,703.30");
    }

    @Test
    void totalOfTheYearAndDatedAmounts_fallIntoTheirMonths() {
        add("Audit", "By month");
        page.getByLabel("It is").selectOption("a total for the year");
        type("year from Jan 2026", "1,000");
        type("Part of Feb", "3");
        type("Part of Jan", "half");
        assertThat(page.getByText("'half' is no weight: type a whole number such as 1, or 0 for a month without any."))
                .isVisible();
        type("Part of Jan", "0");
        // 1,000 over 13 parts, three of them in February: 76.923..., 230.769...
        months("Audit", "\u00b7", "\u2212230.77", "\u221276.93", "\u221276.93");
        go("payments");
        openLine("Audit");
        page.getByLabel("It is").selectOption("single amounts by date");
        page.getByLabel("Date of a new amount").fill("20/2/2026");
        page.getByLabel("Amount of a new amount").fill("some");
        button(page, "Add amount").click();
        assertThat(page.getByText("'some' is no amount: type a number such as 1,250.50 or 12k."))
                .isVisible();
        page.getByLabel("Amount of a new amount").fill("450");
        page.getByLabel("Note of a new amount").fill("interim");
        button(page, "Add amount").click();
        assertThat(field("Date of amount 1")).hasValue("2026-02-20");
        months("Audit", "\u00b7", "\u2212450", "\u00b7");
        cell(page, "Audit", 2).click();
        assertThat(page.getByText("450 on 20 Feb 2026, interim")).isVisible();
    }

    @Test
    void termsByDays_afterMonthEndOrOnADay_moveTheCashAndKeepThePattern() {
        add("Mussel seed", "By month");
        type("amount a month", "900");
        type("Share of step 1 in percent", "60");
        button(page, "Add a step").click();
        type("Share of step 2 in percent", "40");
        assertThat(status()).containsText("pattern 60 \u00b7 40");
        page.getByLabel("Terms", new Page.GetByLabelOptions().setExact(true)).selectOption("by days");
        page.getByLabel("Due", new Page.GetByLabelOptions().setExact(true))
                .selectOption("days after the end of the month");
        type("Days late", "soon");
        assertThat(page.getByText("'soon' is no whole number of days: type 30, or 0."))
                .isVisible();
        field("Days late").press("Escape");
        type("Days until due", "400");
        assertThat(page.getByText("Days until due must be from 0 to 365, but was 400")
                        .first())
                .isVisible();
        field("Days until due").press("Escape");
        // 31 January + 30 days is Monday 2 March, 28 February + 30 days Monday 30 March, 31 March + 30 days Thursday 30
        // April.
        months("Mussel seed", "\u00b7", "\u00b7", "\u22121,800", "\u2212900");
        cell(page, "Mussel seed", 3).click();
        assertThat(page.getByText(
                        "Of January 2026 900, issued even over business days, due 30 days after the end of the month"))
                .isVisible();
        go("payments");
        openLine("Mussel seed");
        page.getByLabel("Due", new Page.GetByLabelOptions().setExact(true))
                .selectOption("as the day of the month after");
        // The 30th, in February its last day, a Saturday, so the Friday before.
        months("Mussel seed", "\u00b7", "\u2212900", "\u2212900", "\u2212900");
        go("payments");
        openLine("Mussel seed");
        page.getByLabel("Terms", new Page.GetByLabelOptions().setExact(true)).selectOption("by a pattern of months");
        assertThat(field("Share of step 1 in percent")).hasValue("60");
        months("Mussel seed", "\u2212540", "\u2212900", "\u2212900");
    }

    @Test
    void line_copiedThenCleared_standsBesideItsOriginalWhichKeepsItsFigures() {
        add("Hull paint", "Again and again");
        type("first on", "15/1/2026");
        type("amount each time", "250");
        button(page, "Copy").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Hull paint, copy")))
                .isVisible();
        assertThat(status()).containsText("'Hull paint' copied");
        assertThat(field("first on")).hasValue("2026-01-15");
        button(page, "Clear figures").click();
        assertThat(status()).containsText("Figures of 'Hull paint, copy' cleared");
        assertThat(page.getByText("No date lies ahead.")
                        .or(field("amount each time"))
                        .first())
                .isVisible();
        months("Hull paint, copy", "\u00b7", "\u00b7");
        months("Hull paint", "\u2212250", "\u2212250");
        button(page, "Undo").first().click();
        months("Hull paint, copy", "\u2212250", "\u2212250");
    }

    @Test
    void possibleItem_isLeftOutUntilItCounts() throws IOException {
        link(page, "Receipts").click();
        add("Grant", "Single dates");
        page.getByLabel("Date of a new item").fill("2026-03-16");
        page.getByLabel("Amount of a new item").fill("9k");
        page.getByLabel("Note of a new item").fill("if they decide");
        button(page, "Add item").click();
        page.getByLabel("Certainty of item 1").selectOption("possible");
        assertThat(page.getByText("possible, left out of the figures")).isVisible();
        link(page, "Setup").click();
        page.getByText("Receipts that count")
                .locator("xpath=..")
                .getByLabel("possible")
                .check();
        months("Grant", "\u00b7", "\u00b7", "9,000");
        button(page, "Export").click();
        Download csv = page.waitForDownload(
                () -> page.getByText("CSV in parts, a figure a row").click());
        assertThat(Files.readString(csv.path()))
                .startsWith("section,line,part,period_start,period_end,amount")
                .contains("receipts,Grant,estimated,2026-03-01,2026-03-31,9000.00");
    }

    /**
     * A fixed-asset schedule from a register that was pasted, of what is owned and what is bought later, each used up
     * in its own way; what cannot be read is named, and typed again in the same place.
     */
    @Test
    void register_pasted_isUsedUpByFiscalYear() {
        add("Equipment", "Capital spending");
        click("Paste it from a spreadsheet");
        Locator rows = page.getByLabel("Rows of the register of assets");
        String heading = "Asset\tIn service\tCost\tAccumulated\tLife in years\t% a year\tMethod\n";
        String crane = "Crane\t2024-06-15\t6,000\t1,000\t5\t\t\n";
        rows.fill(heading + crane + "Press\tsoon\t12,000\t0\t5\t40\tdeclining");
        click("Take these rows");
        assertThat(page.getByText("Row 3: 'soon' is no date on which 'Press' came into use"))
                .isVisible();
        rows.fill(heading + crane + "Press\t2026-01-10\t12,000\t0\t5\t40\tdeclining");
        click("Take these rows");
        assertThat(page.getByText("2 entries were taken over")).isVisible();
        Locator schedule =
                page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Assets by fiscal year"));
        page.navigate(page.url().replace("unit=thousand", "unit=full"));
        // 5,000 over 42 months; 12,000 at 40% from February.
        assertThat(schedule.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Crane")))
                .containsText(Pattern.compile("6,000.*5,000.*1,428\\.60.*3,571\\.40"));
        assertThat(schedule.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Press")))
                .containsText(Pattern.compile("12,000.*4,400.*7,600"));
        accessible();
        page.getByLabel("Used up of Press").selectOption("evenly over its life");
        type("for of Press", "10 years");
        assertThat(schedule.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Press")))
                .containsText(Pattern.compile("12,000.*1,100.*10,900"));
        type("for of Press", "a while");
        assertThat(page.getByText("'a while' says no months: type a number such as 60, or '5 years'."))
                .isVisible();
    }
}
