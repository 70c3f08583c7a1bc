package ebbtide.formats.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import ebbtide.money.Money;
import ebbtide.plan.Line;
import java.util.Currency;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** One fault at a time in a line that is right otherwise: named at its place, with how to mend it. */
class FieldFaultsTest {
  private static final Currency POUND = Money.currency("GBP");
  private static final String STREAM = """
      {"id": "x", "name": "Sales", "direction": "receipt", "assumption": {"kind": "stream",
       "method": {"kind": "growth", "base": [{"from": "2026-03-01", "value": "100"}], "growth": "1"},
       "history": {"2026-02": "90"}, "overrides": {"2026-04": {"amount": "7", "reason": "fair"}},
       "tax": {"rate": "20", "gross": false}, "pattern": {"steps": [{"share": "100", "lag": 1, "discount": "0"}]},
       "spread": {"kind": "weeks", "weights": [1, 2, 3, 4, 5]}},
       "overrides": [{"from": "2026-03-02", "to": "2026-03-08", "amount": "5", "reason": "seen"}]}""";
  private static final String METHODS = """
      {"id": "x", "name": "Sales", "direction": "receipt", "assumption": {"kind": "stream",
       "method": {"kind": "product", "of": "quantity-price", "factors": [
         {"value": [{"from": "2026-03-01", "value": "120"}], "growth": "1"}, {"value": [{"from": "2026-03-01", "value": "9.5"}]}]},
       "aside": [{"kind": "customers", "from": "2026-03", "opening": "200", "lost": {"value": [{"from": "2026-03-01",
         "value": "2"}]}, "lostAs": "percent", "feeOn": "mean"}, {"kind": "year", "totals": {"2026": "1200"},
         "weights": [1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1]}, {"kind": "dated", "amounts": [{"date": "2026-03-05", "amount": "7"}]}],
       "days": {"due": "after-issue", "days": 30, "late": 4}, "termsBy": "days"}}""";
  private static final String RECURRING = """
      {"id": "x", "name": "Pay", "direction": "payment", "assumption": {"kind": "recurring",
       "when": {"unit": "week", "every": 2, "first": "2026-03-06", "until": "2027-03-06"},
       "amount": [{"from": "2026-01-01", "value": "10.50"}], "convention": "preceding", "certainty": "certain"}}""";

  @ParameterizedTest
  @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
      "\"growth\": \"1\"|\"growth\": \"fast\"|/assumption/method/growth|A percentage is a number such as 12.5, but was 'fast'",
      "\"value\": \"100\"|\"value\": \"-100\"|/assumption/method|must not be negative: direction belongs to the line",
      "\"value\": \"100\"|\"value\": \"1.005\"|/assumption/method/base/0/value|has at most 2 decimals",
      "\"2026-02\"|\"February\"|/assumption/history/February|A month is written 2026-03, but was 'February'",
      "\"reason\": \"fair\"|\"reason\": \" \"|/assumption/overrides/2026-04|reason of an override must not be empty",
      "\"rate\": \"20\"|\"rate\": \"120\"|/assumption/tax|sales tax rate must be from 0% to 100%, but was 120%",
      "\"gross\": false|\"gross\": \"no\"|/assumption/tax/gross|true or false is expected here",
      "\"lag\": 1|\"lag\": 99|/assumption/pattern/steps/0|months later must be from -36 to 36, but was 99",
      "\"lag\": 1|\"lag\": \"soon\"|/assumption/pattern/steps/0/lag|A whole number is expected, but was 'soon'",
      "[1, 2, 3, 4, 5]|[1, 2]|/assumption/spread|has five weights, but had 2",
      "\"kind\": \"weeks\"|\"kind\": \"moons\"|/assumption/spread/kind|A spread is even, days or weeks, but was 'moons'",
      "\"kind\": \"growth\"|\"kind\": \"magic\"|/assumption/method/kind|A method is fixed, growth, typed, share, product, customers, year or dated, but was 'magic'",
      "\"to\": \"2026-03-08\"|\"to\": \"2026-02-08\"|/overrides/0|must start before it ends",
      "\"direction\": \"receipt\"|\"direction\": \"inwards\"|/direction|One of receipt, payment is expected, but was 'inwards'",
      "\"name\": \"Sales\"|\"nam\": \"Sales\"|/name|Missing: a text in quotes",
      "\"id\": \"x\"|\"id\": [1]|/id|Expected a text in quotes, but was [1]"})
  void stream_withOneFault_isRefusedAtItsPlace(String right, String wrong, String place, String sentence) {
    assertRefused(STREAM, right, wrong, place, sentence);
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
      "\"unit\": \"week\"|\"unit\": \"fortnight\"|/assumption/when/unit|One of week, month, year is expected, but was 'fortnight'",
      "\"every\": 2|\"every\": 0|/assumption/when|every how many weeks must be from 1 to 120, but was 0",
      "\"until\": \"2027-03-06\"|\"until\": \"2025-03-06\"|/assumption/when|lies before the first",
      "\"first\": \"2026-03-06\"|\"first\": \"2026-02-31\"|/assumption/when/first|A date is written 2026-03-01, but was '2026-02-31'",
      "\"preceding\"|\"backwards\"|/assumption/convention|One of following, modified-following, preceding, none is expected",
      "\"certain\"|\"sure\"|/assumption/certainty|One of certain, likely, possible is expected",
      "[{\"from\": \"2026-01-01\", \"value\": \"10.50\"}]|{}|/assumption/amount|A list in square brackets is expected here"})
  void recurring_withOneFault_isRefusedAtItsPlace(String right, String wrong, String place, String sentence) {
    assertRefused(RECURRING, right, wrong, place, sentence);
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
      "\"of\": \"quantity-price\"|\"of\": \"price\"|/assumption/method/of|One of quantity-price, hours-rate, market is expected, but was 'price'",
      "\"of\": \"quantity-price\"|\"of\": \"market\"|/assumption/method|has 4 factors, but had 2",
      "\"value\": \"120\"|\"value\": \"many\"|/assumption/method/factors/0/value/0/value|A number is written 12.5, but was 'many'",
      "\"value\": \"120\"|\"value\": \"-1\"|/assumption/method/factors/0|must not be negative, but was -1",
      "\"9.5\"|\"9.1234567\"|/assumption/method/factors/1|has at most six decimals, but was 9.1234567",
      "\"growth\": \"1\"|\"growth\": \"2000\"|/assumption/method/factors/0|growth a month must be from -100% to 1000%, but was 2000%",
      "\"from\": \"2026-03\"|\"from\": \"March\"|/assumption/aside/0/from|A month is written 2026-03, but was 'March'",
      "\"value\": \"2\"}]}, \"lostAs\"|\"value\": \"200\"}]}, \"lostAs\"|/assumption/aside/0|at most 100% of those there were, but was 200%",
      "\"mean\"|\"middle\"|/assumption/aside/0/feeOn|One of closing, mean is expected, but was 'middle'",
      "{\"2026\": \"1200\"}|{\"next\": \"1200\"}|/assumption/aside/1/totals/next|A year is written 2026, but was 'next'",
      "[1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1]|[1, 1]|/assumption/aside/1|a year has twelve weights, but had 2",
      "\"2026-03-05\"|\"5 March\"|/assumption/aside/2/amounts/0/date|A date is written 2026-03-01, but was '5 March'",
      "\"days\": 30|\"days\": 999|/assumption/days|days until due must be from 0 to 365, but was 999",
      "\"due\": \"after-issue\"|\"due\": \"later\"|/assumption/days/due|One of after-issue, after-month-end, day-of-next-month",
      "\"days\": {\"due\": \"after-issue\", \"days\": 30, \"late\": 4}, ||/assumption/days|Missing: the days until it is paid"})
  void methodsAndDays_withOneFault_areRefusedAtTheirPlace(String right, String wrong, String place, String sentence) {
    assertRefused(METHODS, right, wrong == null ? "" : wrong, place, sentence);
  }

  private static void assertRefused(String json, String right, String wrong, String place, String sentence) {
    assertThat(json).contains(right);
    BrokenPlan broken = catchThrowableOfType(BrokenPlan.class,
        () -> PlanReader.line(PlanReader.parse(json.replace(right, wrong)), POUND));
    assertThat(broken).as(wrong).isNotNull();
    assertThat(broken.problems()).anySatisfy(problem -> {
      assertThat(problem.place()).isEqualTo(place);
      assertThat(problem.sentence()).containsIgnoringCase(sentence);
    });
  }

  @Test
  void lines_thatAreRight_comeBackAsWritten() {
    for (String json : new String[] {STREAM, RECURRING}) {
      Line line = PlanReader.line(PlanReader.parse(json), POUND);
      assertThat(PlanReader.line(PlanWriter.json(line, POUND), POUND)).isEqualTo(line);
    }
  }
}
