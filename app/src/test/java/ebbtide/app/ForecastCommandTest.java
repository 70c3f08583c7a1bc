package ebbtide.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The command that computes a plan file: the worked examples to the cent, and broken plans refused whole. */
class ForecastCommandTest {
  @TempDir private Path folder;
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final ByteArrayOutputStream err = new ByteArrayOutputStream();

  private int run(String... args) {
    out.reset();
    err.reset();
    return ForecastCommand.run(args, new PrintStream(out, true), new PrintStream(err, true));
  }

  private List<String> amounts(String line) {
    return out.toString(StandardCharsets.UTF_8).lines().filter(row -> row.contains("," + line + ","))
        .map(row -> row.substring(row.lastIndexOf(',') + 1)).toList();
  }

  @Test
  void pattern_halfAYear_printsCashToTheCent() {
    assertThat(run("../docs/examples/pattern.json", "--by", "month")).isZero();
    assertThat(amounts("Sales")).containsExactly("29400.00", "69069.00", "82019.00", "83803.25", "91619.90", "61502.30",
        "17391.00");
    assertThat(out.toString(StandardCharsets.UTF_8)).startsWith("section,line,part,period_start,period_end,amount")
        .contains("receipts,Sales,estimated,2026-02-01,2026-02-28,69069.00");
  }

  @Test
  void patternWithTax_pence_printsCashToTheCent() {
    assertThat(run("../docs/examples/pattern-with-tax.json", "--by", "month")).isZero();
    assertThat(amounts("Sales")).containsExactly("35280.15", "44453.00", "17136.08");
  }

  @Test
  void periods_ofEveryLength_addUpToTheSame() {
    for (String by : List.of("day", "week", "month", "quarter", "year")) {
      assertThat(run("../docs/examples/pattern.json", "--by", by)).isZero();
      assertThat(amounts("Sales").stream().map(java.math.BigDecimal::new).reduce(java.math.BigDecimal.ZERO,
          java.math.BigDecimal::add)).as(by).isEqualByComparingTo("434804.45");
      assertThat(amounts("Closing cash")).last().isEqualTo("534804.45");
    }
  }

  @Test
  void brokenPlan_everyErrorWithItsPlace_exitTwoAndNothingPrinted() throws IOException {
    Path broken = folder.resolve("broken.json");
    Files.writeString(broken, Files.readString(Path.of("../docs/examples/pattern.json")).replace("\"35\"", "\"34\"")
        .replace("\"GB\"", "\"ZZ\""));
    Path result = folder.resolve("out.csv");
    assertThat(run(broken.toString(), "--out", result.toString())).isEqualTo(2);
    assertThat(out.toString(StandardCharsets.UTF_8)).isEmpty();
    assertThat(result).doesNotExist();
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("/accounts/0: Business days are known for")
        .contains("/lines/0/assumption/pattern: Shares must add up to 100%, but 34% + 45% + 17% + 3% is 99%: 1% is missing");
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
    assertThat(err.toString(StandardCharsets.UTF_8)).startsWith(huge + ": an amount comes to more than can be counted")
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
