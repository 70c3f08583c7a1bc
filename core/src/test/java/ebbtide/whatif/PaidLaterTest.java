package ebbtide.whatif;

import static ebbtide.whatif.WhatIfCases.FEBRUARY_28;
import static ebbtide.whatif.WhatIfCases.change;
import static ebbtide.whatif.WhatIfCases.kelp;
import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.DayRange;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.PaymentRuns;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** Cash that is paid later, weekends being the only holidays (rules 11.3): W19. */
class PaidLaterTest {
    private static OpenItem item(String id, LocalDate due, Handling handling) {
        return new OpenItem(
                id,
                OpenItem.Kind.INVOICE,
                id,
                "Harrow Fish",
                "kelp",
                LocalDate.of(2026, 2, 10),
                LocalDate.of(2026, 2, 10),
                due,
                new OpenItem.Amount(60_000, 0, false, 60_000),
                null,
                handling,
                null);
    }

    private static Forecast base(Direction direction, @Nullable PaymentRuns runs, OpenItem... items) {
        Line line = kelp();
        Line onBooks = new Line(
                "kelp",
                null,
                "kelp",
                direction,
                true,
                null,
                "",
                ((Assumption.Stream) line.assumption()).on(Basis.BOOKS),
                List.of());
        Settings settings = Settings.of("P", Money.currency("GBP"), FEBRUARY_28).withHorizon(6);
        return Forecaster.forecast(
                new Plan(runs == null ? settings : settings.withPaymentRuns(runs), List.of(onBooks), List.of()),
                Books.of(List.of(new Account("bank", "Bank", "--", false, FEBRUARY_28, 0)))
                        .with(OpenItems.of(List.of(items))));
    }

    private static Map<String, LocalDate> days(Forecast forecast) {
        return forecast.accounts().items().of(forecast.plan().lines().get(0)).stream()
                .collect(Collectors.toMap(one -> one.item().id(), one -> one.paidOn()));
    }

    private static Map<String, LocalDate> later(Forecast base, int days) {
        return days(WhatIfCases.forecast(base, change("kelp", new Act.PaidLater(days), DayRange.ALWAYS)));
    }

    @Test
    void invoice_paidTenDaysLater_movesOffTheWeekend_aPromiseToo() {
        Forecast base = base(
                Direction.RECEIPT,
                null,
                item("due", LocalDate.of(2026, 3, 18), Handling.NONE),
                item(
                        "promised",
                        LocalDate.of(2026, 3, 12),
                        new Handling(null, LocalDate.of(2026, 3, 20), Handling.Standing.NORMAL, "")));
        assertThat(days(base)).containsEntry("due", LocalDate.of(2026, 3, 18));
        assertThat(later(base, 10))
                .containsEntry("due", LocalDate.of(2026, 3, 30))
                .containsEntry("promised", LocalDate.of(2026, 3, 30));
        assertThat(days(WhatIfCases.forecast(
                        base,
                        change(
                                new Target.OfCounterparty(Direction.RECEIPT, "Harrow Fish"),
                                new Act.PaidLater(10),
                                DayRange.ALWAYS))))
                .isEqualTo(later(base, 10));
    }

    @Test
    void billsInRuns_findTheirRunAnew() {
        PaymentRuns thursdays = new PaymentRuns(
                PaymentRuns.When.WEEKLY, DayOfWeek.THURSDAY, List.of(), 0, PaymentRuns.Takes.ON_OR_AFTER);
        Forecast thursday = base(Direction.PAYMENT, thursdays, item("due", LocalDate.of(2026, 3, 12), Handling.NONE));
        assertThat(days(thursday)).containsEntry("due", LocalDate.of(2026, 3, 12));
        assertThat(later(thursday, 10)).containsEntry("due", LocalDate.of(2026, 3, 26));
        Forecast friday = base(Direction.PAYMENT, thursdays, item("due", LocalDate.of(2026, 3, 13), Handling.NONE));
        assertThat(days(friday)).containsEntry("due", LocalDate.of(2026, 3, 19));
        assertThat(later(friday, 5)).containsEntry("due", LocalDate.of(2026, 3, 19));
        assertThat(later(friday, 7)).containsEntry("due", LocalDate.of(2026, 3, 26));
    }
}
