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

    private static final String DEPOSIT = """
      {"id": "x", "name": "Reserve", "direction": "payment", "assumption": {"kind": "deposit", "on": "2026-03-02", "amount": "250000",
       "last": "2026-09-01", "rate": [{"from": "2026-01-01", "value": "3.15"}], "rollover": {"times": 1, "withInterest": true},
       "broken": {"on": "2026-06-01", "forfeitDays": 30}}}""";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
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
                "\"kind\": \"growth\"|\"kind\": \"magic\"|/assumption/method/kind|A method is fixed, growth, typed, share, product, customers, year, dated or stock, but was 'magic'",
                "\"to\": \"2026-03-08\"|\"to\": \"2026-02-08\"|/overrides/0|must start before it ends",
                "\"direction\": \"receipt\"|\"direction\": \"inwards\"|/direction|One of receipt, payment is expected, but was 'inwards'",
                "\"name\": \"Sales\"|\"nam\": \"Sales\"|/name|Missing: a text in quotes",
                "\"id\": \"x\"|\"id\": [1]|/id|Expected a text in quotes, but was [1]"
            })
    void stream_withOneFault_isRefusedAtItsPlace(String right, String wrong, String place, String sentence) {
        assertRefused(STREAM, right, wrong, place, sentence);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"last\": \"2026-09-01\"|\"last\": \"2026-03-02\"|/assumption|A deposit ends after its first day, 2026-03-02",
                "\"last\": \"2026-09-01\"|\"notice\": {\"days\": 30}|/assumption|A deposit at notice goes on until notice is given: it is not rolled over",
                "\"last\": \"2026-09-01\",||/assumption|a last day, or comes back some days after notice: give one of the two",
                "\"times\": 1|\"times\": 0|/assumption/rollover/times|This must be from 1 to 200, but was 0",
                "\"times\": 1|\"time\": 1|/assumption/rollover/time|'time' is not known here; known are times, withInterest",
                "\"forfeitDays\": 30|\"forfeitDays\": 30, \"forfeit\": \"5\"|/assumption/broken|A forfeit is an amount or so many days' interest, not both",
                "\"on\": \"2026-06-01\"|\"on\": \"2026-06-31\"|/assumption/broken/on|June 2026 has 30 days, but was '2026-06-31'",
                "\"on\": \"2026-06-01\"|\"on\": \"2026-03-01\"|/assumption|A deposit is broken after 2026-03-02",
                "\"amount\": \"250000\"|\"amount\": \"-1\"|/assumption|Amount of the deposit must not be negative"
            })
    void deposit_withOneFault_isRefusedAtItsPlace(String right, String wrong, String place, String sentence) {
        assertRefused(DEPOSIT, right, wrong == null ? "" : wrong, place, sentence);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"unit\": \"week\"|\"unit\": \"fortnight\"|/assumption/when/unit|One of week, month, year is expected, but was 'fortnight'",
                "\"every\": 2|\"every\": 0|/assumption/when|every how many weeks must be from 1 to 120, but was 0",
                "\"until\": \"2027-03-06\"|\"until\": \"2025-03-06\"|/assumption/when|lies before the first",
                "\"first\": \"2026-03-06\"|\"first\": \"2026-02-31\"|/assumption/when/first|February 2026 has 28 days, but was '2026-02-31'",
                "\"preceding\"|\"backwards\"|/assumption/convention|One of following, modified-following, preceding, none is expected",
                "\"certain\"|\"sure\"|/assumption/certainty|One of certain, likely, possible is expected",
                "[{\"from\": \"2026-01-01\", \"value\": \"10.50\"}]|{}|/assumption/amount|A list in square brackets is expected here"
            })
    void recurring_withOneFault_isRefusedAtItsPlace(String right, String wrong, String place, String sentence) {
        assertRefused(RECURRING, right, wrong, place, sentence);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
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
                "\"days\": {\"due\": \"after-issue\", \"days\": 30, \"late\": 4}, ||/assumption/days|Missing: the days until it is paid"
            })
    void methodsAndDays_withOneFault_areRefusedAtTheirPlace(String right, String wrong, String place, String sentence) {
        assertRefused(METHODS, right, wrong == null ? "" : wrong, place, sentence);
    }

    private static final String STOCK = """
      {"id": "x", "name": "Fish", "direction": "payment", "assumption": {"kind": "stream", "method": {"kind": "stock", "sales": "s",
       "given": "closing", "cost": {"by": "units", "share": "0", "units": {"value": [{"from": "2026-03-01", "value": "120"}]},
       "unitCost": {"value": [{"from": "2026-03-01", "value": "4.5"}]}, "valuation": "standard"},
       "target": {"by": "base-and-share", "base": "30000", "baseUnits": "7.5", "share": "40", "of": "sales", "days": 3},
       "bought": {"by": "amounts", "share": "60", "amounts": {"2026-04": "70"}}, "opening": "62480", "openingUnits": "99",
       "orderedMonths": 2}}}""";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"closing\"|\"neither\"|/assumption/method/given|One of closing, purchases, both is expected",
                "\"closing\"|\"both\"|/assumption/method|cost of sales cannot be units at a cost when it follows from purchases and closing",
                "\"by\": \"units\"|\"by\": \"boxes\"|/assumption/method/cost/by|One of share-of-sales, units is expected",
                "\"4.5\"|\"-4\"|/assumption/method/cost/unitCost|must not be negative, but was -4",
                "\"standard\"|\"fifo\"|/assumption/method/cost/valuation|One of moving-average, standard is expected, but was 'fifo'",
                "\"30000\"|\"-1\"|/assumption/method/target|base of the closing target must not be negative",
                "\"days\": 3|\"days\": 400|/assumption/method/target|days of cover must be from 0 to 365, but was 400",
                "\"share\": \"60\"|\"share\": \"6000\"|/assumption/method/bought|purchases must be from 0% to 1000%",
                "\"62480\"|\"full\"|/assumption/method/opening|an amount",
                "\"orderedMonths\": 2|\"orderedMonths\": 30|/assumption/method|months ordered ahead must be from 0 to 24, but was 30"
            })
    void stock_withOneFault_isRefusedAtItsPlace(String right, String wrong, String place, String sentence) {
        assertRefused(STOCK, right, wrong, place, sentence);
    }

    private static final String SALES_TAX = """
      {"id": "x", "name": "VAT", "direction": "payment", "assumption": {"kind": "sales-tax", "months": 3, "firstMonth": "february",
       "monthsAfter": 2, "day": 7, "refundDays": 10, "point": "cash", "relief": true, "owed": {"2026-04": "-12.50"}}}""";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"months\": 3|\"months\": 5|/assumption|A tax period has 1, 2, 3, 4, 6 or 12 months, but had 5",
                "\"february\"|\"march\"|/assumption|No tax period ends with 2026-04: they have 3 months, and one begins in March",
                "\"february\"|\"spring\"|/assumption/firstMonth|One of january, february",
                "\"day\": 7|\"day\": 32|/assumption|day on which it is settled must be from 1 to 31, but was 32",
                "\"monthsAfter\": 2|\"monthsAfter\": 13|/assumption|months after the period must be from 0 to 12, but was 13",
                "\"refundDays\": 10|\"refundDays\": -1|/assumption|days until a refund must be from 0 to 365, but was -1",
                "\"cash\"|\"money\"|/assumption/point|One of invoice, cash is expected, but was 'money'",
                "\"-12.50\"|\"much\"|/assumption/owed/2026-04|an amount"
            })
    void salesTax_withOneFault_isRefusedAtItsPlace(String right, String wrong, String place, String sentence) {
        assertRefused(SALES_TAX, right, wrong, place, sentence);
    }

    private static final String PAY = """
      {"id": "x", "name": "Pay", "direction": "payment", "assumption": {"kind": "pay", "roles": [{"name": "Drivers",
       "start": "2026-01-01", "end": "2026-12-31", "posts": [{"from": "2026-01-01", "value": "2.5"}], "paidBy": "hour",
       "pay": [{"from": "2026-01-01", "value": "15.40"}], "hoursAYear": "1950", "onCost": "12", "withheld": "25",
       "commission": {"line": "s", "share": "1.5", "monthsAfter": 2}, "extras": [{"date": "2026-12-18", "amount": "300", "note": ""}]}],
       "days": {"often": "monthly", "first": "2026-01-28", "secondDay": 30}, "paidOver": {"monthsAfter": 1, "day": 22,
       "owed": {"2026-01": "900"}}}}""";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"name\": \"Drivers\"|\"name\": \"\"|/assumption/roles/0/name|must not be empty",
                "\"end\": \"2026-12-31\"|\"end\": \"2025-12-31\"|/assumption/roles/0|Drivers ends on 2025-12-31, before it begins",
                "\"2.5\"|\"-1\"|/assumption/roles/0|posts of Drivers must be from 0 to 100,000",
                "\"15.40\"|\"lots\"|/assumption/roles/0/pay/0/value|an amount",
                "\"hour\"|\"day\"|/assumption/roles/0/paidBy|One of year, hour is expected, but was 'day'",
                "\"1950\"|\"9000\"|/assumption/roles/0|hours a year of Drivers must be above 0 and at most 8,784",
                "\"onCost\": \"12\"|\"onCost\": \"400\"|/assumption/roles/0|on-cost of Drivers must be from 0% to 300%, but was 400%",
                "\"withheld\": \"25\"|\"withheld\": \"101\"|/assumption/roles/0|share withheld from Drivers must be from 0% to 100%",
                "\"share\": \"1.5\"|\"share\": \"all\"|/assumption/roles/0/commission/share|A percentage is a number such as 12.5",
                "\"monthly\"|\"often\"|/assumption/days/often|One of weekly, fortnightly, twice-a-month, monthly is expected",
                "\"day\": 22|\"day\": 0|/assumption/paidOver|day on which it is paid over must be from 1 to 31, but was 0",
                "\"2026-01\": \"900\"|\"2026-01\": \"-9\"|/assumption/paidOver|owed for pay of 2026-01 must not be negative"
            })
    void pay_withOneFault_isRefusedAtItsPlace(String right, String wrong, String place, String sentence) {
        assertRefused(PAY, right, wrong, place, sentence);
    }

    private static final String PROFIT_TAX = """
      {"id": "x", "name": "Tax", "direction": "payment", "assumption": {"kind": "profit-tax", "mode": "year", "rate": "25",
       "soFar": {"profit": "-5", "tax": "1", "paid": "2", "losses": "3"}, "lastYearTax": "400", "owed": "7", "instalments":
       [{"month": 7, "day": 31, "share": "60"}, {"month": 10, "day": 31, "share": "40"}], "instalmentsOf": "this-year", "monthsAfter": 9,
       "day": 30}}""";
    private static final String CAPITAL = """
      {"id": "x", "name": "Boats", "direction": "payment", "assumption": {"kind": "capital", "assets": [{"name": "Boat", "tax": {"rate": "20"},
       "milestones": [{"date": "2026-03-05", "amount": "600"}], "termsDays": 30, "service": "2026-04-01", "lifeMonths": 48, "residual": "50",
       "owned": {"cost": "100", "depreciated": "40", "monthly": "2"}, "disposal": {"date": "2027-01-01", "proceeds": "9"}}]}}""";
    private static final String DIVIDENDS = """
      {"id": "x", "name": "Owners", "direction": "payment", "assumption": {"kind": "dividends", "by": "year-profit", "amount":
       [{"from": "2026-01-01", "value": "5"}], "payout": "40", "declared": "june", "monthsAfter": 1, "day": 15, "lastYearProfit": "-9",
       "yearSoFar": "8", "distributable": "70"}}""";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"rate\": \"25\"|\"rate\": \"250\"|/assumption|tax rate must be from 0% to 100%, but was 250%",
                "\"share\": \"40\"|\"share\": \"50\"|/assumption|Instalments come to at most 100%, but these come to 110%",
                "\"month\": 7|\"month\": 13|/assumption/instalments/0|month of the fiscal year must be from 1 to 12, but was 13",
                "\"losses\": \"3\"|\"losses\": \"-3\"|/assumption/soFar|losses brought forward must not be negative",
                "\"this-year\"|\"next-year\"|/assumption/instalmentsOf|One of last-year, this-year is expected, but was 'next-year'",
                "\"monthsAfter\": 9|\"monthsAfter\": 30|/assumption|months after the year must be from 0 to 24, but was 30"
            })
    void profitTax_withOneFault_isRefusedAtItsPlace(String right, String wrong, String place, String sentence) {
        assertRefused(PROFIT_TAX, right, wrong, place, sentence);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"name\": \"Boat\"|\"name\": \" \"|/assumption/assets/0/name|must not be empty",
                "\"lifeMonths\": 48|\"lifeMonths\": 0|/assumption/assets/0|life of Boat in months must be from 1 to 1200, but was 0",
                "\"residual\": \"50\"|\"residual\": \"5000\"|/assumption/assets/0|the residual value of Boat is above its cost",
                "\"depreciated\": \"40\"|\"depreciated\": \"400\"|/assumption/assets/0/owned|depreciation so far is above the cost",
                "\"proceeds\": \"9\"|\"proceeds\": \"-9\"|/assumption/assets/0/disposal|proceeds must not be negative",
                "\"service\": \"2026-04-01\"|\"service\": \"soon\"|/assumption/assets/0/service|A date is written 2026-03-01, but was 'soon'"
            })
    void capital_withOneFault_isRefusedAtItsPlace(String right, String wrong, String place, String sentence) {
        assertRefused(CAPITAL, right, wrong, place, sentence);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"payout\": \"40\"|\"payout\": \"140\"|/assumption|payout must be from 0% to 100%, but was 140%",
                "\"june\"|\"midsummer\"|/assumption/declared|One of january",
                "\"value\": \"5\"|\"value\": \"-5\"|/assumption|dividend from 2026-01-01 must not be negative",
                "\"distributable\": \"70\"|\"distributable\": \"much\"|/assumption/distributable|an amount",
                "\"by\": \"year-profit\"|\"by\": \"luck\"|/assumption/by|One of amount, year-profit, month-profit is expected"
            })
    void dividends_withOneFault_areRefusedAtTheirPlace(String right, String wrong, String place, String sentence) {
        assertRefused(DIVIDENDS, right, wrong, place, sentence);
    }

    private static final String TERMS = """
      {"id": "x", "name": "Sales", "direction": "receipt", "assumption": {"kind": "stream", "method": {"kind": "typed"}, "termsBy": "target",
       "target": [{"from": "2026-01-01", "value": 40}], "days": {"due": "after-issue", "days": 45, "early": {"discount": "2", "days": 10,
       "taken": true}}, "ledger": {"amount": "500", "trueUp": true}}}""";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"value\": 40|\"value\": 400|/assumption/target|days from 2026-01-01 must be from 0 to 365, but was 400",
                "\"value\": 40|\"value\": \"long\"|/assumption/target/0/value|A whole number is expected, but was 'long'",
                "\"discount\": \"2\"|\"discount\": \"60\"|/assumption/days/early|discount for paying early must be from 0% to 50%, but was 60%",
                "\"days\": 10|\"days\": 400|/assumption/days/early|days within which the discount holds must be from 0 to 365, but was 400",
                "\"amount\": \"500\"|\"amount\": \"-500\"|/assumption/ledger|ledger total must not be negative",
                "\"trueUp\": true|\"trueUp\": \"yes\"|/assumption/ledger/trueUp|true or false is expected here"
            })
    void terms_withOneFault_areRefusedAtTheirPlace(String right, String wrong, String place, String sentence) {
        assertRefused(TERMS, right, wrong, place, sentence);
    }

    private static final String ITEM = """
      {"id": "i", "kind": "invoice", "number": "4711", "counterparty": "Gullrock", "line": "s", "issued": "2026-03-02", "supplied": "2026-03-01",
       "due": "2026-04-01", "amount": "120", "tax": "20", "open": "70.50", "expected": "2026-04-09", "promised": "2026-04-03", "standing": "held",
       "note": "asked twice", "discount": {"until": "2026-03-12", "share": "2"}}""";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"invoice\"|\"bill\"|/kind|One of invoice, credit-note, order, commitment is expected, but was 'bill'",
                "\"4711\"|\" \"|/number|the number must not be empty",
                "\"2026-04-01\"|\"April\"|/due|A date is written 2026-03-01, but was 'April'",
                "\"tax\": \"20\"|\"tax\": \"200\"|/|the sales tax of an item lies between nil and its amount",
                "\"open\": \"70.50\"|\"open\": \"700\"|/|what is open of an item lies between nil and its amount",
                "\"open\": \"70.50\"|\"open\": \"1\", \"paid\": \"2026-04-02\"|/|an item that is paid has nothing open",
                "\"held\"|\"lost\"|/standing|One of normal, held, disputed, cannot-wait is expected",
                "\"share\": \"2\"|\"share\": \"80\"|/discount|discount for paying early must be from 0% to 50%, but was 80%",
                "\"supplied\"|\"delivered\"|/delivered|is not known here"
            })
    void openItem_withOneFault_isRefusedAtItsPlace(String right, String wrong, String place, String sentence) {
        assertThat(ITEM).contains(right);
        BrokenPlan broken = catchThrowableOfType(
                BrokenPlan.class, () -> PlanReader.item(PlanReader.parse(ITEM.replace(right, wrong)), POUND));
        assertThat(broken).as(wrong).isNotNull();
        assertThat(broken.problems()).anySatisfy(problem -> {
            assertThat(problem.place()).isEqualTo(place);
            assertThat(problem.sentence()).containsIgnoringCase(sentence);
        });
        assertThat(PlanWriter.json(PlanReader.item(PlanReader.parse(ITEM), POUND), POUND))
                .isEqualTo(
                        PlanReader.parse(ITEM.replace("\"120\"", "\"120.00\"").replace("\"20\"", "\"20.00\"")));
    }

    private static void assertRefused(String json, String right, String wrong, String place, String sentence) {
        assertThat(json).contains(right);
        BrokenPlan broken = catchThrowableOfType(
                BrokenPlan.class, () -> PlanReader.line(PlanReader.parse(json.replace(right, wrong)), POUND));
        assertThat(broken).as(wrong).isNotNull();
        assertThat(broken.problems()).anySatisfy(problem -> {
            assertThat(problem.place()).isEqualTo(place);
            assertThat(problem.sentence()).containsIgnoringCase(sentence);
        });
    }

    @Test
    void lines_thatAreRight_comeBackAsWritten() {
        for (String json :
                new String[] {STREAM, METHODS, RECURRING, SALES_TAX, PAY, STOCK, PROFIT_TAX, CAPITAL, DIVIDENDS, TERMS
                }) {
            Line line = PlanReader.line(PlanReader.parse(json), POUND);
            assertThat(PlanReader.line(PlanWriter.json(line, POUND), POUND)).isEqualTo(line);
        }
    }
}
