package ebbtide.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.money.Money;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.Certainty;
import ebbtide.plan.Facility;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The words of an edit of the settings: what changed, and nothing else. */
class SettingsWordsTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 1);
    private static final Settings BEFORE = Settings.of("P", Money.currency("GBP"), DAY);

    private static String words(Settings before, Settings after) {
        return SettingsWords.of(new Plan(before, List.of(), List.of()), after);
    }

    @Test
    void settings_everythingChanged_isSaidPartByPart() {
        Settings after = new Settings(
                "Q",
                BEFORE.currency(),
                DAY.plusDays(7),
                DayOfWeek.SUNDAY,
                Month.APRIL,
                18,
                AmountSteps.BY_DAYS,
                Steps.from(DAY, 5L),
                new Facility("Overdraft", Steps.from(DAY, 9L)),
                Set.of(),
                Set.of(Certainty.LIKELY, Certainty.CERTAIN));
        assertThat(words(BEFORE, after))
                .isEqualTo("Settings: as-of date moved from 2026-03-01 to 2026-03-08, "
                        + "the plan is called 'Q', 18 months ahead, weeks begin on Sunday, fiscal year begins in April, "
                        + "a new amount inside a month counts by days, minimum cash: 0.05 GBP, limit of Overdraft: 0.09 GBP, "
                        + "receipts that count: none, payments that count: certain, likely");
        assertThat(words(after, BEFORE)).contains("counts from the next month", "no facility");
    }

    @Test
    void settings_onePartChanged_isSaidAlone() {
        Settings after = new Settings(
                "P",
                BEFORE.currency(),
                DAY,
                DayOfWeek.MONDAY,
                Month.JANUARY,
                36,
                AmountSteps.FIRST_DAY,
                Steps.none(),
                null,
                BEFORE.countedReceipts(),
                BEFORE.countedPayments());
        assertThat(words(BEFORE, after)).isEqualTo("Settings: 36 months ahead");
        assertThat(words(BEFORE, BEFORE)).isEqualTo("Settings: as they were");
    }
}
