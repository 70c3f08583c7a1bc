package ebbtide.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static ebbtide.e2e.Screens.button;
import static ebbtide.e2e.Screens.cell;
import static ebbtide.e2e.Screens.row;

import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The worked examples of other futures on the screen, to the cent. */
class WhatIfExamplesTest extends Journeys {
    private static final Path EXAMPLES = Path.of("../docs/examples");

    /** Edits over the api, in the page's own name. */
    private static final String EDITS = """
            async ([plan, files]) => {
            const token = decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)[1]);
            const base = `/api/plans/${plan}`;
            const edit = async (method, path, body) => {
              const { version } = await (await fetch(base)).json();
              const done = await fetch(base + path + (path.includes('?') ? '&' : '?') + 'version=' + version, {
                method, body: JSON.stringify(body), headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token } });
              if (!done.ok) throw new Error(path + ' ' + (await done.text()));
            };
            """;

    private void bring(String example) throws IOException {
        plan = Programs.plan(running, Files.readString(EXAMPLES.resolve(example)));
        open("forecast");
        button(page, "Month").click();
        button(page, "\u00a3").click();
    }

    private void show(String scenario) {
        page.getByLabel("Scenario shown in every view").selectOption(scenario);
    }

    /** The months from March on; February, in which the as-of date lies, is the first column. */
    private void cash(String line, String... amounts) {
        for (int i = 0; i < amounts.length; i++) {
            assertThat(cell(page, line, i + 1)).hasText(amounts[i]);
        }
    }

    /** W18, W26 and W27: sales, growth and terms that differ. */
    @Test
    void scenarios_showTheirOwnCash() throws IOException {
        bring("scenarios.json");
        cash("Kelp sales", "38,732", "40,620", "44,872", "47,600");
        show("Slow spring");
        cash("Kelp sales", "38,732", "39,300", "40,784.80", "44,220");
        cash("Rope", "40,804", "37,090.84", "37,461.74", "42,040.40");
        show("Slow, and less paid");
        cash("Kelp sales", "36,795.40", "37,335", "38,745.56", "42,009");
        show("Slower customers");
        cash("Kelp sales", "32,472.82", "38,572.06");
    }

    /** W19: what is paid later, off weekends, and in the run that it finds anew. */
    @Test
    void itemsPaidLater_moveToTheirDay() throws IOException {
        bring("paid-later.json");
        go("receipts/open-items");
        show("Ten days later");
        assertThat(row(page, "4711")).containsText("30 Mar");
        assertThat(row(page, "4712")).containsText("30 Mar");
        go("payments/open-items");
        show("Ten days later");
        assertThat(row(page, "B-1")).containsText("26 Mar");
        show("Five days later");
        assertThat(row(page, "B-2")).containsText("19 Mar");
        show("Seven days later");
        assertThat(row(page, "B-2")).containsText("26 Mar");
    }

    /** W20: how far sales may fall, in a sentence. */
    @Test
    void howFarSalesMayFall_isAnsweredToTheCent() throws IOException {
        bring("break-even.json");
        go("receipts/kelp");
        page.getByText("How far?").first().click();
        page.getByLabel("until").selectOption("CLOSING");
        type("day", "30 Jun 2026");
        field("is below \u00a3").fill("40000");
        field("From").fill("Mar 2026");
        button(page, "How far?").click();
        assertThat(page.getByLabel("How far can something go").getByRole(AriaRole.STATUS))
                .containsText("closing cash on 30 June 2026 is 53,824. It can go down to 90.21%, with 40,001.30;"
                        + " at 90.2% it falls to 39,987.18 on 30 June 2026. It suffices all the way up to 200%.");
    }

    /** W28: months that move in the middle of one, and a bill that is paid in part. */
    @Test
    void monthsAndBillsShifted_keepWhatIsInvoicedAndPaid() throws IOException {
        bring("shifted-months.json");
        assertThat(cell(page, "Sales", 0)).hasText("29,600");
        show("A month later");
        cash("Sales", "29,600", "200,400", "100,000");
        bring("shifted-bill.json");
        go("payments/bill");
        show("Ten days later");
        assertThat(page.getByText("Fri 17 Apr 2026")).isVisible();
    }

    /** W21: each week's forecast and what came of it, then in how many runs cash is too little after a week and two. */
    @Test
    void recordOfEightWeeks_saysHowLikelyCashFallsShort() throws IOException {
        bring("record/2026-04-26.json");
        List<String> files = new ArrayList<>();
        try (Stream<Path> earlier = Files.list(EXAMPLES.resolve("record"))) {
            for (Path file : earlier.sorted().toList()) {
                files.add(Files.readString(file));
            }
        }
        files.add(Files.readString(EXAMPLES.resolve("record.json")));
        page.evaluate(EDITS + """
                const actual = async (day) => {
                  const [from, to] = [1, 3].map((days) => new Date(Date.parse(day) + days * 864e5).toISOString().slice(0, 10));
                  await edit('PUT', '/actuals', { from, to, figures: [{ line: 'kelp', amount: '100000' }] });
                };
                for (const [i, file] of files.entries()) {
                  const { settings, lines } = JSON.parse(file);
                  if (i === files.length - 1) await actual('2026-06-21');
                  await edit('PUT', '/settings', settings);
                  await edit('PUT', '/lines/kelp?words=week', lines[0]);
                  if (i === files.length - 1) break;
                  await edit('POST', '/snapshots', { name: `Week ${i}`, note: '' });
                  await actual(settings.asOf);
                }}""", List.of(plan, files));
        fallsShort("2026-07-05", "2026-07-06", "995000", "27%");
        fallsShort("2026-07-12", "2026-07-13", "1100000", "39%");
    }

    /** Cash of one day alone has a bound, so that headroom falls below nil where it is less. */
    private void fallsShort(String day, String after, String bound, String share) {
        page.evaluate(EDITS + """
                const { settings } = await (await fetch(base)).json();
                const [day, after, value] = files;
                settings.minimumCash = [{ from: day, value }, { from: after, value: '0' }];
                await edit('PUT', '/settings', settings);
                }""", List.of(plan, List.of(day, after, bound)));
        go("whatif/how-likely");
        page.reload();
        assertThat(page.getByLabel("How likely it runs short")).containsText("below nil in " + share);
    }
}
