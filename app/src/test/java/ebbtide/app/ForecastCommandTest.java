package ebbtide.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The command that computes a plan file: the worked examples to the cent, and broken plans refused whole. */
class ForecastCommandTest extends CommandJourney {
    private List<String> amounts(String line) {
        return out.toString(StandardCharsets.UTF_8)
                .lines()
                .filter(row -> row.contains("," + line + ","))
                .map(row -> row.substring(row.lastIndexOf(',') + 1))
                .toList();
    }

    @Test
    void pattern_halfAYear_printsCashToTheCent() {
        assertThat(run("../docs/examples/pattern.json", "--by", "month")).isZero();
        assertThat(amounts("Sales"))
                .containsExactly("29400.00", "69069.00", "82019.00", "83803.25", "91619.90", "61502.30", "17391.00");
        assertThat(out.toString(StandardCharsets.UTF_8))
                .startsWith("section,line,part,period_start,period_end,amount")
                .contains("receipts,Sales,estimated,2026-02-01,2026-02-28,69069.00");
    }

    @Test
    void patternWithTax_pence_printsCashToTheCent() {
        assertThat(run("../docs/examples/pattern-with-tax.json", "--by", "month"))
                .isZero();
        assertThat(amounts("Sales")).containsExactly("35280.15", "44453.00", "17136.08");
    }

    private List<String> owed(String example, String kind, String line, String row) {
        assertThat(run("../docs/examples/" + example + ".json", "--show", "owed"))
                .isZero();
        return out.toString(StandardCharsets.UTF_8)
                .lines()
                .filter(one -> one.startsWith(kind + "," + line + ",") && one.contains("," + row + ","))
                .map(one -> one.substring(one.lastIndexOf(',') + 1))
                .limit(3)
                .toList();
    }

    @Test
    void stock_threeWays_printsWhatFollowsFromTheRest() {
        assertThat(owed("stock", "stock", "By closing stock", "purchases"))
                .containsExactly("87000.00", "101500.00", "100920.00");
        assertThat(owed("stock", "stock", "By closing stock", "closing"))
                .containsExactly("68280.00", "74080.00", "64800.00");
        assertThat(owed("stock", "stock", "By purchases", "closing"))
                .containsExactly("65280.00", "68580.00", "72380.00");
        assertThat(owed("stock", "stock", "By both", "cost of sales"))
                .containsExactly("-87250.00", "-95250.00", "-120000.00");
    }

    @Test
    void salesTax_ofAQuarter_printsItsSettlement() {
        assertThat(run("../docs/examples/sales-tax.json", "--by", "day")).isZero();
        assertThat(out.toString(StandardCharsets.UTF_8))
                .contains("payments,Sales tax,estimated,2026-05-07,2026-05-07,-60650.00");
        assertThat(run("../docs/examples/sales-tax-begun.json", "--by", "day")).isZero();
        assertThat(out.toString(StandardCharsets.UTF_8))
                .contains("payments,Sales tax,estimated,2026-05-07,2026-05-07,-45050.00");
    }

    @Test
    void daysTargetAndDiscount_printTheirResults() {
        assertThat(owed("days-target", "receivables", "Sales", "closing"))
                .first()
                .isEqualTo("193571.43");
        assertThat(run("../docs/examples/early-payment.json", "--show", "discounts"))
                .isZero();
        assertThat(out.toString(StandardCharsets.UTF_8))
                .isEqualToNormalizingNewlines(
                        "line,verdict\nBills,Taking 2% for 10 days instead of 45 earns 21.28% a year; "
                                + "Overdraft costs 8.4%: worth taking\n");
        assertThat(run("../docs/examples/pattern.json", "--show", "moon")).isEqualTo(64);
    }

    private List<String> amounts(String show, String row) {
        assertThat(run("../docs/examples/every-kind.json", "--show", show)).isZero();
        return out.toString(StandardCharsets.UTF_8)
                .lines()
                .filter(one -> one.startsWith(row + ","))
                .map(one -> one.substring(one.lastIndexOf(',') + 1))
                .toList();
    }

    @Test
    void statements_printBalancedAndByQuarter() {
        assertThat(amounts("balance", "assets"))
                .hasSizeGreaterThan(12)
                .isEqualTo(amounts("balance", "liabilities-and-equity"));
        assertThat(amounts("income", "sales")).isNotEmpty();
        assertThat(amounts("cashflow", "net")).isNotEmpty();
        assertThat(run("../docs/examples/every-kind.json", "--show", "income", "--by", "week"))
                .isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .contains("Statements are by month, quarter or year: choose one of them");
    }

    @Test
    void yearsFromATypedLastYear_printTheirFiguresAndTheirNeed() {
        assertThat(run("../docs/examples/years.json", "--show", "years")).isZero();
        assertThat(out.toString(StandardCharsets.UTF_8).lines())
                .contains(
                        "income,interest,Interest on debt,2026-12-31,-12763.34",
                        "balance,assets,Assets,2027-12-31,602649.56",
                        "balance,difference,Assets less liabilities and equity,2029-12-31,0.00",
                        "cash-flow,cash closing,Closing cash,2028-12-31,46359.59",
                        "need,needed,Needed from outside,2026-12-31,79083.57",
                        "need,needed,Needed from outside,2028-12-31,-77113.43",
                        "need,source,More payables,2029-12-31,9758.41",
                        "need,free-growth,\"Growth that needs nothing from outside, %\",2027-12-31,31.25");
        assertThat(run("../docs/examples/pattern.json", "--show", "years")).isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("The plan has no years");
    }

    private List<String> funding(String example, String row) {
        assertThat(run("../docs/examples/" + example + ".json", "--show", "funding"))
                .isZero();
        return out.toString(StandardCharsets.UTF_8)
                .lines()
                .filter(one -> one.startsWith(row + ","))
                .map(one -> one.substring(one.lastIndexOf(',') + 1))
                .toList();
    }

    @Test
    void sweepAndInterestByTheMean_printDrawingsAndShortfall() {
        assertThat(funding("sweep", "closing"))
                .containsExactly("110000.00", "120000.00", "100000.00", "110000.00", "120000.00");
        assertThat(funding("sweep", "owed"))
                .containsExactly("25000.00", "175000.00", "275000.00", "225000.00", "25000.00");
        assertThat(funding("sweep-at-limit", "closing"))
                .containsExactly("110000.00", "120000.00", "75000.00", "110000.00", "120000.00");
        assertThat(funding("sweep-at-limit", "owed"))
                .containsExactly("25000.00", "175000.00", "250000.00", "225000.00", "25000.00");
        assertThat(funding("sweep-at-limit", "shortfall").get(2)).isEqualTo("25000.00");
        assertThat(funding("interest-by-mean", "interest")).containsExactly("-2300.55");
        assertThat(funding("interest-by-mean", "owed")).containsExactly("407300.55");
        assertThat(funding("interest-by-mean", "closing")).containsExactly("60000.00");
        assertThat(funding("interest-in-multiples", "owed")).containsExactly("400000.00");
        assertThat(funding("interest-in-multiples", "interest")).containsExactly("-2275.00");
    }

    @Test
    void loanAndFacilityThatEnds_printTheirSchedule() {
        List<String> interest = funding("loan", "interest");
        assertThat(interest.subList(1, 25)).startsWith("-1320.00", "-1268.40").endsWith("-116.76", "-58.54");
        assertThat(interest.stream()
                        .map(java.math.BigDecimal::new)
                        .reduce(java.math.BigDecimal.ZERO, java.math.BigDecimal::add))
                .isEqualByComparingTo("-16846.81");
        assertThat(funding("loan", "owed").get(24)).isEqualTo("0.00");
        assertThat(funding("facility-ends", "facility").get(0)).isEqualTo("-180000.00");
        assertThat(funding("facility-ends", "owed").get(0)).isEqualTo("70000.00");
        assertThat(funding("facility-ends", "closing").get(0)).isEqualTo("0.00");
        assertThat(funding("facility-ends", "shortfall").get(0)).isEqualTo("170000.00");
    }

    /** Plans that each show one thing: what is printed of a line, or row, on a day. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
      gross-sales-read-with-tax            | --by day     | payments,share,estimated,2027-01-15,2027-01-15,-50.00
      gross-sales-read-with-tax            | --by day     | payments,stock,estimated,2027-01-15,2027-01-15,-50.00
      gross-sales-read-with-tax            | --by day     | payments,pay,estimated,2027-01-28,2027-01-28,-10.00
      tax-year-cut-at-horizon              | --by day     | payments,pt,estimated,2027-02-15,2027-02-15,-1500.00
      instalments-dropped                  | --by day     | payments,pt,estimated,2027-03-11,2027-03-11,-800.00
      instalments-dropped                  | --by day     | payments,pt,estimated,2027-12-15,2027-12-15,-200.00
      instalments-dropped                  | --by day     | payments,pt,estimated,2028-03-01,2028-03-01,1000.00
      interest-before-the-month            | --by day     | payments,ci,estimated,2027-03-31,2027-03-31,90.00
      interest-one-night                   | --by day     | payments,odi,estimated,2027-02-28,2027-02-28,-28.00
      paid-over-dropped                    | --by day     | payments,pay,estimated,2027-08-11,2027-08-11,-6600.00
      disputed-credit-note                 | --by day     | receipts,s,committed,2027-01-25,2027-01-25,60.00
      item-without-its-convention          | --by day     | receipts,s,committed,2027-01-24,2027-01-24,60.00
      item-said-in-a-scenario              | --by day     | receipts,s,committed,2027-01-20,2027-01-20,60.00
      item-said-in-a-scenario              | --by day --scenario Late | receipts,s,committed,2027-01-28,2027-01-28,60.00
      pay-day-before-the-first             | --by month   | payments,Pay,estimated,2026-01-01,2026-01-31,-1000.00
      days-of-payables-counts-capital-spending | --by year --show ratios | days-of-payables,Days of payables (DPO),days,2026-01-01,2026-12-31,30.4
      commission-of-last-months-is-no-cost | --show income | line pay,pay,2027-06-01,2027-06-30,-1000.00
      dividend-declared-before-is-dropped  | --by day     | payments,Owners,estimated,2027-01-20,2027-01-20,-500.00
      asset-tax-on-cash-basis              | --by day     | payments,Sales tax,estimated,2027-07-15,2027-07-15,200.00
      undrawn-fee-of-the-first-night       | --by day     | payments,Interest,estimated,2026-12-31,2026-12-31,-10.00
      own-payments-move-forward            | --by day     | payments,Machine,estimated,2027-01-29,2027-01-29,-1000.00
      own-payments-move-forward            | --by day     | payments,Owners,estimated,2027-02-26,2027-02-26,-500.00
      yearly-depreciation-rounded-twice    | --show income | depreciation,Depreciation,2027-12-01,2027-12-31,-755.18
      long-range-ignores-later-minimum-cash | --show years | need,needed,Needed from outside,2027-12-31,26000.00
      monthly-profit-tax-ignores-interest  | --by year --show income | line tax,Tax,2026-01-01,2026-12-31,-21600.00
      a-trial-balance-runs-on              | --show income | line s,Sales,2026-03-01,2026-03-31,40000.00
      a-trial-balance-runs-on              | --by year --show income | line s,Sales,2026-01-01,2026-06-30,240000.00
      a-trial-balance-runs-on              | --show balance | row cash,Cash,2026-02-01,2026-02-28,77000.00
      typed-depreciation-lowers-ebitda     | --show income | ebitda,EBITDA,2026-01-01,2026-01-31,10000.00
      typed-depreciation-lowers-ebitda     | --show balance | row fixed_assets,Fixed assets,2026-01-01,2026-01-31,-500.00
      long-range-drops-other-income        | --show years | income,profit,Profit after tax,2027-12-31,96000.00
      long-range-ignores-facility-end      | --show years | need,needed,Needed from outside,2027-12-31,60000.00
      """)
    void smallPlan_printsWhatItIsToShow(String plan, String options, String expected) {
        assertThat(run(("src/test/resources/plans/" + plan + ".json " + options).split(" +")))
                .isZero();
        assertThat(out.toString(StandardCharsets.UTF_8).lines()).contains(expected);
    }

    @Test
    void itemThatIsDisputedInAScenario_isNotPaid_andOneThatIsGoneIsSaid() {
        assertThat(run("src/test/resources/plans/item-said-in-a-scenario.json", "--by", "day", "--scenario", "Gone"))
                .isZero();
        assertThat(out.toString(StandardCharsets.UTF_8)).doesNotContain("60.00");
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("The books have no open item 'b' any more");
    }

    /** The checklist stands beside the figures, not among them, and is the exit code where that is asked for. */
    @Test
    void checklist_isOnStandardErrorAlone_andIsTheExitCodeWithCheck() {
        String plan = "src/test/resources/plans/opening-stock-left-out-is-not-said.json";
        assertThat(run(plan)).isZero();
        String said =
                "Checklist: Stock has no opening stock: type what was in stock at the end of December 2025, be it nil, or it is taken as nil.";
        assertThat(err.toString(StandardCharsets.UTF_8).lines()).contains(said);
        assertThat(out.toString(StandardCharsets.UTF_8).lines())
                .allMatch(line -> line.matches("[a-z_]+,.+,[a-z_]+,[^,]+,[^,]+,[^,]+"));
        assertThat(run(plan, "--check")).isEqualTo(1);
        assertThat(err.toString(StandardCharsets.UTF_8).lines()).contains(said);
        assertThat(run("../docs/examples/every-kind.json", "--check"))
                .as(err.toString(StandardCharsets.UTF_8))
                .isEqualTo(1);
    }

    /** What can be shown is said alike by the command itself, its help and the README. */
    private List<String> scenario(String name, String line) {
        assertThat(run("../docs/examples/scenarios.json", "--scenario", name)).isZero();
        return amounts(line).subList(0, 4);
    }

    /** The same runs again, whatever the machine; by doubt, since a plan file keeps no record of forecasts. */
    @Test
    void likely_printsTheWeeks() {
        assertThat(run("../docs/examples/scenarios.json", "--show", "likely")).isZero();
        List<String> weeks = out.toString(StandardCharsets.UTF_8).lines().toList();
        assertThat(weeks.get(0)).startsWith("week_end,forecast,percentile_5,percentile_10");
        assertThat(weeks).hasSize(27);
        assertThat(run("../docs/examples/scenarios.json", "--show", "likely")).isZero();
        assertThat(out.toString(StandardCharsets.UTF_8).lines().toList()).isEqualTo(weeks);
    }

    /** W18 and W26 from a plan file; what finds nothing is said beside the figures. */
    @Test
    void scenarios_printTheirOwnFigures() {
        assertThat(run("../docs/examples/scenarios.json")).isZero();
        assertThat(amounts("Kelp sales").subList(0, 4)).containsExactly("38732.00", "40620.00", "44872.00", "47600.00");
        assertThat(scenario("Slow spring", "Kelp sales"))
                .containsExactly("38732.00", "39300.00", "40784.80", "44220.00");
        assertThat(scenario("Slow spring", "Rope").subList(1, 4)).containsExactly("37090.84", "37461.74", "42040.40");
        assertThat(err.toString(StandardCharsets.UTF_8)).doesNotContain("Finds nothing");
        assertThat(scenario("Slow, and less paid", "Kelp sales"))
                .containsExactly("36795.40", "37335.00", "38745.56", "42009.00");
        assertThat(err.toString(StandardCharsets.UTF_8))
                .contains("Finds nothing: a change of 'Slow, and less paid' is left out: "
                        + "The plan has no line 'gone' any more.");
        assertThat(run("../docs/examples/scenarios.json", "--scenario", "moon")).isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .contains(
                        "the plan has no scenario 'moon'; it has 'Slow spring', 'Slow, and less paid', 'Slower customers'");
    }

    @Test
    void wordsOfShow_areTheSameWhereverTheyAreSaid() throws IOException {
        List<String> words =
                java.util.Arrays.stream(Shown.values()).map(Shown::word).toList();
        assertThat(Files.readString(Path.of("../ebbtide"))).contains("[--show " + String.join("|", words) + "]");
        String readme = Files.readString(Path.of("../README.md"));
        assertThat(words).allMatch(word -> readme.contains("`" + word + "`"));
        assertThat(run("../docs/examples/pattern.json", "--show", "moon")).isEqualTo(64);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .isEqualToNormalizingNewlines("Say --show "
                        + String.join(", ", words).replace(", breakeven", " or breakeven") + ", but was 'moon'.\n");
    }

    @Test
    void dayThatItsMonthLacks_isAnsweredWithHowManyItHas() throws IOException {
        Path file = folder.resolve("plan.json");
        Files.writeString(
                file,
                Files.readString(Path.of("../docs/examples/pattern.json"))
                        .replaceFirst("\"asOf\": \"[0-9-]+\"", "\"asOf\": \"2026-02-30\""));
        assertThat(run(file.toString())).isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .contains("/settings/asOf: February 2026 has 28 days, but was '2026-02-30'");
    }

    @Test
    void periods_ofEveryLength_addUpToTheSame() {
        for (String by : List.of("day", "week", "month", "quarter", "year")) {
            assertThat(run("../docs/examples/pattern.json", "--by", by)).isZero();
            assertThat(amounts("Sales").stream()
                            .map(java.math.BigDecimal::new)
                            .reduce(java.math.BigDecimal.ZERO, java.math.BigDecimal::add))
                    .as(by)
                    .isEqualByComparingTo("434804.45");
            assertThat(amounts("Closing cash")).last().isEqualTo("534804.45");
        }
    }

    @Test
    void brokenPlan_everyErrorWithItsPlace_exitTwoAndNothingPrinted() throws IOException {
        Path broken = folder.resolve("broken.json");
        Files.writeString(
                broken,
                Files.readString(Path.of("../docs/examples/pattern.json"))
                        .replace("\"35\"", "\"34\"")
                        .replace("\"GB\"", "\"ZZ\""));
        Path result = folder.resolve("out.csv");
        assertThat(run(broken.toString(), "--out", result.toString())).isEqualTo(2);
        assertThat(out.toString(StandardCharsets.UTF_8)).isEmpty();
        assertThat(result).doesNotExist();
        assertThat(err.toString(StandardCharsets.UTF_8))
                .contains("/accounts/0: Business days are known for")
                .contains(
                        "/lines/0/assumption/pattern: Shares must add up to 100%, but 34% + 45% + 17% + 3% is 99%: 1% is missing");
    }

    @Test
    void growthBeyondAnyMoney_isSaidInASentence_exitTwoAndNothingPrinted() throws IOException {
        Path huge = folder.resolve("huge.json");
        Files.writeString(huge, """
        {"format": "ebbtide-plan", "version": 1, "settings": {"name": "P", "currency": "GBP", "asOf": "2026-02-28"},
         "lines": [{"id": "s", "name": "Sales", "direction": "receipt", "assumption": {"kind": "stream", "method":
           {"kind": "growth", "base": [{"from": "2026-03-01", "value": "1000"}], "growth": "900"}}}]}""");
        assertThat(run(huge.toString())).isEqualTo(2);
        assertThat(out.toString(StandardCharsets.UTF_8)).isEmpty();
        assertThat(err.toString(StandardCharsets.UTF_8))
                .startsWith(huge + ": an amount comes to more than can be counted")
                .doesNotContain("Exception");
    }

    @Test
    void command_thatIsWrong_isExplained() {
        assertThat(run("a.json", "--by", "fortnight")).isEqualTo(64);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("Say --by day, week, month, quarter or year");
        assertThat(run()).isEqualTo(64);
        assertThat(run("nowhere.json")).isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8)).isEqualTo("There is no file 'nowhere.json'.\n");
    }
}
