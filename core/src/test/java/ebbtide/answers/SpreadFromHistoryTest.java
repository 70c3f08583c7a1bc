package ebbtide.answers;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.DayAmount;
import ebbtide.time.BusinessDays;
import ebbtide.time.Spread;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The weeks of the month in which a line was paid, and how that does on months it has not seen. */
class SpreadFromHistoryTest {
    private static final YearMonth FIRST = YearMonth.of(2025, 9);
    private static final Timeline DAYS = new Timeline(FIRST, YearMonth.of(2026, 2), BusinessDays.ofCountry("--"));

    private static SpreadFromHistory of(List<DayAmount> movements, YearMonth last) {
        return SpreadFromHistory.of(
                movements, -1, Timeline.monthNumber(FIRST), Timeline.monthNumber(last), DAYS, new Spread.Even());
    }

    private static List<DayAmount> paid() {
        List<DayAmount> movements = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            LocalDate month = FIRST.plusMonths(i).atDay(1);
            movements.add(new DayAmount(month.plusDays(2), -3_000));
            movements.add(new DayAmount(month.plusDays(23), -7_000));
        }
        return movements;
    }

    @Test
    void paymentsOfTwoWeeks_giveTheirWeights_andMissNothing() {
        SpreadFromHistory found = of(paid(), YearMonth.of(2026, 2));
        assertThat(found.found().weights()).containsExactly(30, 0, 0, 70, 0);
        assertThat(found.error()).isZero();
        assertThat(found.errorInForce()).as("even over business days").isGreaterThan(5_000);
    }

    @Test
    void fewerThanSixMonths_giveNone() {
        assertThat(of(paid(), YearMonth.of(2025, 12)).found()).isNull();
    }
}
