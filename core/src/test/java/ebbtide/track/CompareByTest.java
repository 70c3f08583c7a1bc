package ebbtide.track;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.forecast.RandomPlans;
import ebbtide.plan.Settings;
import ebbtide.time.Period;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which window a snapshot is held against where none is asked for: the worked examples of rules 10.2. */
class CompareByTest {
    /** The snapshot is of Sunday 1 March 2026; weeks begin on Monday. */
    private static final LocalDate SNAPSHOT = LocalDate.of(2026, 3, 1);

    private static final Settings SETTINGS = LongStream.range(1, 500)
            .mapToObj(seed -> RandomPlans.of(seed).plan().settings())
            .filter(one -> one.firstDayOfWeek() == DayOfWeek.MONDAY)
            .findFirst()
            .orElseThrow();

    private static Period to(String day) {
        return new Period(SNAPSHOT.plusDays(1), LocalDate.parse(day).plusDays(1));
    }

    @ParameterizedTest
    @CsvSource({
        "WEEK, 2026-03-08, , 2026-03-02", // one week, and it is over
        "WEEK, 2026-03-11, , 2026-03-02", // the second is under way: the last that is over is the first
        "WEEK, 2026-03-15, , 2026-03-09", // two are over
        "WEEK, 2026-03-04, , 2026-03-02", // the only one
        "WEEK, 2026-03-15, 2026-03-04, 2026-03-02", // asked for
        "WEEK, 2026-03-15, 2026-07-01, 2026-03-09", // asked for one that is not there
        "MONTH, 2026-04-20, , 2026-03-02",
        "MONTH, 2026-04-30, , 2026-04-01",
        "TO_DATE, 2026-04-20, , 2026-03-02",
    })
    void window_notAskedFor_isTheLastThatIsOver(CompareBy by, String asOf, LocalDate asked, LocalDate begins) {
        Period all = to(asOf);
        List<Period> windows = by.windows(all, SETTINGS, SNAPSHOT);
        assertThat(by.chosen(windows, all, SETTINGS, SNAPSHOT, asked).startInclusive())
                .isEqualTo(begins);
    }

    @Test
    void windows_coverAllThatCanBeCompared_onceEach() {
        Period all = to("2026-09-17");
        for (CompareBy by : CompareBy.values()) {
            LocalDate next = all.startInclusive();
            for (Period window : by.windows(all, SETTINGS, SNAPSHOT)) {
                assertThat(window.startInclusive()).isEqualTo(next);
                next = window.endExclusive();
            }
            assertThat(next).isEqualTo(all.endExclusive());
        }
    }
}
