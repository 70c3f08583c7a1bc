package ebbtide.statements;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Statements of a window of months, with a year's total beside them (rules 9.1). */
class StatementWindowTest {

    @Test
    void year_besideItsMonths_isAllOfIt() {
        RandomPlans.each(40, (some, seed) -> {
            Statements statements = Statements.of(Forecaster.forecast(some.plan(), some.books()));
            List<Period> all = statements.months().all(Periods.MONTH);
            int first = all.size() / 3;
            int last = Math.max(first, all.size() - 1 - (int) (seed % 3));
            LocalDate from = all.get(first).startInclusive().plusDays(3);
            LocalDate to = all.get(last).lastDay();
            List<Period> window = statements.months().withYears(Periods.MONTH, from, to);
            assertThat(window).containsAll(all.subList(first, last + 1)).doesNotHaveDuplicates();
            for (Statements.Kind kind : Statements.Kind.values()) {
                StatementTable shown = statements.table(kind, window, false);
                StatementTable years =
                        statements.table(kind, statements.months().all(Periods.YEAR), false);
                int opening = shown.opening() ? 1 : 0;
                for (StatementTable.Row row : years.rows()) {
                    shown.rows().stream()
                            .filter(one -> one.id().equals(row.id()))
                            .findFirst()
                            .ifPresent(one -> {
                                for (int i = 0; i < years.periods().size(); i++) {
                                    int at = window.indexOf(years.periods().get(i));
                                    if (at >= 0) {
                                        assertThat(one.amounts().get(at + opening))
                                                .as(
                                                        "%s in %s",
                                                        row.id(),
                                                        years.periods().get(i))
                                                .isEqualTo(row.amounts().get(i + opening));
                                    }
                                }
                            });
                }
            }
            assertThat(statements.months().touched(Periods.MONTH, LocalDate.of(1999, 1, 1), LocalDate.of(1999, 2, 1)))
                    .isEqualTo(all);
        });
    }
}
