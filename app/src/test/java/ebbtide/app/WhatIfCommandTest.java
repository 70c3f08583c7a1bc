package ebbtide.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The worked examples of other futures from the command line, to the cent. */
class WhatIfCommandTest extends CommandJourney {
    private List<String> printed(String example, String... options) {
        String[] all = new String[options.length + 1];
        all[0] = "../docs/examples/" + example + ".json";
        System.arraycopy(options, 0, all, 1, options.length);
        assertThat(run(all)).as(err.toString(StandardCharsets.UTF_8)).isZero();
        return out.toString(StandardCharsets.UTF_8).lines().toList();
    }

    /** W27: paid 20%, 60% less 2% and 20%, what is owed by then as it was; W19 and W28 in the same way. */
    @ParameterizedTest
    @CsvSource({
        "scenarios, month, Slower customers, 'receipts,Kelp sales,estimated,2026-03-01,2026-03-31,32472.82'",
        "scenarios, month, Slower customers, 'receipts,Kelp sales,estimated,2026-04-01,2026-04-30,38572.06'",
        "paid-later, day, Ten days later, 'receipts,Kelp sales,committed,2026-03-30,2026-03-30,1300.00'",
        "paid-later, day, Ten days later, 'payments,Bills,committed,2026-03-26,2026-03-26,-1300.00'",
        "paid-later, day, Five days later, 'payments,Bills,committed,2026-03-19,2026-03-19,-1300.00'",
        "paid-later, day, Seven days later, 'payments,Bills,committed,2026-03-26,2026-03-26,-700.00'",
        "shifted-months, month, A month later, 'receipts,Sales,estimated,2026-04-01,2026-04-30,29600.00'",
        "shifted-months, month, A month later, 'receipts,Sales,estimated,2026-05-01,2026-05-31,110000.00'",
        "shifted-bill, day, Ten days later, 'payments,Bill,estimated,2026-04-17,2026-04-17,-5500.00'"
    })
    void scenario_movesCash(String example, String by, String scenario, String row) {
        List<String> rows = printed(example, "--by", by, "--scenario", scenario);
        assertThat(rows).contains(row);
        assertThat(printed(example, "--by", by)).doesNotContain(row);
    }

    /** W20. */
    @Test
    void howFarSalesMayFall_isPrinted() {
        assertThat(printed(
                        "break-even",
                        "--show",
                        "breakeven",
                        "--of",
                        "Kelp sales",
                        "--from",
                        "2026-03-01",
                        "--measure",
                        "closing",
                        "--on",
                        "2026-06-30",
                        "--least",
                        "40000"))
                .containsExactly(
                        "point,value,measure,day",
                        "now,100,53824.00,2026-06-30",
                        "down_holds,90.21,40001.30,2026-06-30",
                        "down_fails,90.2,39987.18,2026-06-30");
        assertThat(printed(
                        "break-even",
                        "--show",
                        "breakeven",
                        "--of",
                        "costs/amount",
                        "--measure",
                        "closing",
                        "--on",
                        "2026-06-30",
                        "--least",
                        "60000"))
                .as("an assumption, where too little is left as it is")
                .startsWith("point,value,measure,day", "now_fails,100,53824.00,2026-06-30")
                .last()
                .asString()
                .startsWith("nearest,96.32,");
    }

    @ParameterizedTest
    @CsvSource({
        "breakeven, --of, moon, 2, 'moon'",
        "breakeven, --least, 5, 2, 'say what is to go further, a line or an assumption by its lasting name: --of NAME'",
        "breakeven, --measure, luck, 64, 'Say --measure least-headroom, least-cash, limits-less-need, covenant-room, profit, closing, but was ''luck''.'",
        "breakeven, --on, soon, 64, 'Say --on as a day such as 2026-06-30, but was ''soon''.'",
        "funding, --of, kelp, 64, '--of is about how far something can go: give it with --show breakeven.'"
    })
    void badQuestion_isRefusedInASentence(String show, String option, String typed, int code, String sentence) {
        assertThat(run("../docs/examples/break-even.json", "--show", show, option, typed))
                .isEqualTo(code);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains(sentence);
        assertThat(out.toString(StandardCharsets.UTF_8)).isEmpty();
    }
}
