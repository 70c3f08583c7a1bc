package ebbtide.activity;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.activity.Suggestion.Rival;
import ebbtide.activity.Suggestion.Way;
import java.time.YearMonth;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.IntToLongFunction;
import org.junit.jupiter.api.Test;

/** What history suggests (rules 2.5): the way that fits it, its errors, and nothing when there is too little. */
class SuggestionTest {
    private static final YearMonth FIRST = YearMonth.of(2026, 3);
    private static final long[] SEASON = {80, 90, 100, 120, 140, 150, 140, 130, 110, 100, 90, 85};

    private static SortedMap<YearMonth, Long> history(int months, IntToLongFunction amount) {
        SortedMap<YearMonth, Long> history = new TreeMap<>();
        for (int i = 0; i < months; i++) {
            history.put(FIRST.minusMonths(months - i), amount.applyAsLong(i));
        }
        return history;
    }

    private static Rival rival(Suggestion suggestion, Way way) {
        return suggestion.rivals().stream()
                .filter(rival -> rival.way() == way)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void seasonThatRepeats_isTheSameMonthLastYear_andThatIsSaid() {
        Suggestion suggestion = Suggestion.of(history(36, i -> SEASON[i % 12] * 1_000), FIRST, 12);
        assertThat(suggestion.offered()).isEqualTo(Way.SAME_MONTH);
        assertThat(suggestion.because())
                .isEqualTo("Nothing did better than the same month last year, so that is offered");
        assertThat(rival(suggestion, Way.SAME_MONTH).error()).isZero();
        assertThat(rival(suggestion, Way.SAME_MONTH).next().get(FIRST)).isEqualTo(SEASON[0] * 1_000);
        assertThat(rival(suggestion, Way.MOVING_AVERAGE).error()).isPositive();
    }

    /** Each year is a tenth more than the one before: the trend is 1.1, found exactly. */
    @Test
    void seasonThatGrows_isTheSameMonthWithItsTrend() {
        Suggestion suggestion = Suggestion.of(
                history(60, i -> Math.round(SEASON[i % 12] * 1_000_000 * Math.pow(1.1, i / 12))), FIRST, 24);
        assertThat(suggestion.offered()).isEqualTo(Way.SAME_MONTH_WITH_TREND);
        Rival offered = rival(suggestion, Way.SAME_MONTH_WITH_TREND);
        assertThat(offered.errorOfLastQuarter())
                .isLessThan(rival(suggestion, Way.SAME_MONTH).errorOfLastQuarter());
        assertThat(offered.next().get(FIRST)).isEqualTo(Math.round(80_000_000 * Math.pow(1.1, 5)));
        assertThat(offered.next().get(FIRST.plusMonths(12))).isEqualTo(Math.round(80_000_000 * Math.pow(1.1, 6)));
    }

    @Test
    void levelThatJumped_isFollowedByTheMeanOrTheSmoothing() {
        Random random = new Random(5);
        Suggestion suggestion =
                Suggestion.of(history(40, i -> (i < 12 ? 100_000 : 300_000) + random.nextInt(2_000)), FIRST, 6);
        assertThat(suggestion.offered()).isIn(Way.MOVING_AVERAGE, Way.SMOOTHING);
        assertThat(rival(suggestion, suggestion.offered()).next().values())
                .allSatisfy(value -> assertThat(value).isBetween(299_000L, 303_000L));
    }

    /** The last quarter is not looked at when choosing: changing it changes no choice, only what it shows. */
    @Test
    void lastQuarter_hasNoSayInTheChoice() {
        for (int run = 0; run < 200; run++) {
            Random random = new Random(run);
            SortedMap<YearMonth, Long> history = history(36, i -> 50_000 + random.nextInt(50_000));
            SortedMap<YearMonth, Long> other = new TreeMap<>(history);
            for (int i = 1; i <= 9; i++) {
                other.put(FIRST.minusMonths(i), (long) random.nextInt(900_000));
            }
            Suggestion one = Suggestion.of(history, FIRST, 3);
            Suggestion two = Suggestion.of(other, FIRST, 3);
            assertThat(two.offered()).isEqualTo(one.offered());
            assertThat(two.rivals())
                    .extracting(Rival::error)
                    .isEqualTo(one.rivals().stream().map(Rival::error).toList());
        }
    }

    @Test
    void tooLittleHistory_offersNothingAndSaysSo() {
        Suggestion suggestion = Suggestion.of(history(8, i -> 1_000), FIRST, 3);
        assertThat(suggestion.offered()).isNull();
        assertThat(suggestion.because()).startsWith("There is too little history to try ways on");
        SortedMap<YearMonth, Long> gap = history(40, i -> 1_000);
        gap.remove(FIRST.minusMonths(5));
        assertThat(Suggestion.of(gap, FIRST, 3).offered())
                .as("only what follows the gap counts")
                .isNull();
    }
}
