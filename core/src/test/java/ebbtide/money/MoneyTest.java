package ebbtide.money;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Amounts and percentages: exact, never rounded by themselves, refused in words (rules 1.3). */
class MoneyTest {
    @Test
    void parse_thenPlain_givesEveryAmountBackInEveryKindOfCurrency() {
        Random random = new Random(1);
        for (String code : new String[] {"JPY", "GBP", "KWD"}) {
            for (int run = 0; run < 500; run++) {
                Money money = new Money(
                        Money.currency(code), (random.nextLong() >> random.nextInt(60)) % 10_000_000_000_000_000L);
                assertThat(Money.parse(Money.plain(money.minor(), money.currency()), money.currency()))
                        .isEqualTo(money);
            }
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"41200000|412,000", "8400037|84,000.37", "-5|\u22120.05", "0|0", "100|1"})
    void words_groupsAndHidesDecimalsThatAreNone(long minor, String words) {
        assertThat(Money.words(minor, Money.currency("GBP"))).isEqualTo(words);
    }

    @ParameterizedTest
    @ValueSource(strings = {"100000000000000.00", "-100000000000000", "1e20"})
    void parse_beyondSixteenDigits_isRefused(String number) {
        assertThatThrownBy(() -> Money.parse(number, Money.currency("GBP")))
                .hasMessage("An amount in GBP has at most 2 decimals and 16 digits, but was '" + number + "'");
        assertThat(Money.parse("99999999999999.99", Money.currency("GBP")).minor())
                .isEqualTo(9_999_999_999_999_999L);
    }

    @ParameterizedTest
    @ValueSource(strings = {"POUND", "XAU", "", "gb"})
    void currency_thatIsNone_isRefused(String code) {
        assertThatThrownBy(() -> Money.currency(code)).hasMessageStartingWith("A currency is a three-letter code");
    }

    @Test
    void percent_ofAnyAmount_isTheExactProductRoundedHalfAwayFromZero() {
        Random random = new Random(2);
        for (int run = 0; run < 3_000; run++) {
            long minor = random.nextLong() >> random.nextInt(62);
            Percent percent = new Percent(random.nextInt(2_000_000) - 500_000);
            BigDecimal exact = BigDecimal.valueOf(minor).multiply(BigDecimal.valueOf(percent.millionths(), 6));
            if (exact.abs().compareTo(BigDecimal.valueOf(Long.MAX_VALUE)) < 0) {
                assertThat(percent.of(minor))
                        .isEqualTo(exact.setScale(0, RoundingMode.HALF_UP).longValueExact());
            }
            assertThat(Percent.parse(percent.toString())).isEqualTo(percent);
        }
    }

    @Test
    void tax_withinGross_partsNetAndTaxThatMakeTheGrossAgain() {
        Percent rate = Percent.parse("20");
        assertThat(rate.withinGross(12_000)).isEqualTo(2_000);
        assertThat(rate.withinGross(9_999)).as("1,666.5 goes up").isEqualTo(1_667);
        assertThat(rate.withinGross(-9_999)).isEqualTo(-1_667);
    }

    @ParameterizedTest
    @ValueSource(strings = {"12.34567", "a lot", "", "1,5"})
    void percent_thatIsNone_isRefused(String text) {
        assertThatThrownBy(() -> Percent.parse(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({"5,2,3", "-5,2,-3", "4,2,2", "7,3,2", "8,3,3", "-7,3,-2", "1,3,0", "0,9,0"})
    void divide_roundsHalfAwayFromZero(long numerator, long denominator, long quotient) {
        assertThat(Rounding.divide(numerator, denominator)).isEqualTo(quotient);
    }

    @Test
    void checks_nameArgumentRuleAndValue() {
        assertThatThrownBy(() -> Check.inRange(7, 1, 5, "weeks")).hasMessage("weeks must be from 1 to 5, but was 7");
        assertThatThrownBy(() -> Check.text(" ", "name")).hasMessageContaining("name must not be empty");
        assertThatThrownBy(() -> Check.text("abcdef", "name", 5))
                .hasMessage("name has at most 5 letters, but was 6 long");
        assertThatThrownBy(() -> Check.notNegative(-1, "limit")).hasMessageContaining("type it without a minus");
        assertThat(Check.text("  ice ", "name")).isEqualTo("ice");
    }
}
