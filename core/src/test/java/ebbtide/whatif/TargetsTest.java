package ebbtide.whatif;

import static ebbtide.whatif.WhatIfCases.FEBRUARY_28;
import static ebbtide.whatif.WhatIfCases.base;
import static ebbtide.whatif.WhatIfCases.cash;
import static ebbtide.whatif.WhatIfCases.change;
import static ebbtide.whatif.WhatIfCases.forecast;
import static ebbtide.whatif.WhatIfCases.kelp;
import static ebbtide.whatif.WhatIfCases.scale;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.Asked;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.items.ExpectedItem;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.Assumption.Stream;
import ebbtide.plan.Basis;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.CapitalSpending.Asset;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.DayRange;
import ebbtide.plan.DayTerms;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.NamedTerms;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What is paid otherwise (rules 11.3), and targets that are no stream (rules 11.2), against plans edited by hand. */
class TargetsTest {
    private static final int PLANS = Asked.of(120);
    private static final LocalDate MARCH_18 = LocalDate.of(2026, 3, 18);

    @Test
    void withoutDiscounts_stepsArePaidInFull_whatIsOwedToo() {
        Forecast base = base("GBP", FEBRUARY_28, kelp());
        assertThat(cash(base, "kelp", 3, 4)).containsExactly(3_873_200L, 4_062_000L);
        assertThat(cash(forecast(base, change("kelp", new Act.WithoutDiscounts(), DayRange.ALWAYS)), "kelp", 3, 4))
                .containsExactly(3_920_000L, 4_110_000L);
        assertThatThrownBy(() -> forecast(base, change("kelp", new Act.OnDueDates(), DayRange.ALWAYS)))
                .hasMessageContaining("'kelp' has no activity of its own to change");
    }

    /** Terms that two lines share, 30 days and 12 late: on due dates in both of them, as the terms edited by hand. */
    @Test
    void sharedTerms_onDueDates_areTheTermsEditedByHand() {
        Line kelp = kelp();
        Stream stream = (Stream) kelp.assumption();
        NamedTerms late = new NamedTerms("net30", "30 days", byDays(12));
        List<Line> lines = List.of(
                kelp.with(stream.with(late.terms())),
                WhatIfCases.line("salt", Direction.RECEIPT, stream.with(late.terms())));
        Settings settings = Settings.of("P", Money.currency("GBP"), FEBRUARY_28).withHorizon(6);
        Plan plan = new Plan(settings(settings, late), lines, List.of());
        Forecast base = Forecaster.forecast(plan, books());
        Forecast shown = forecast(base, change(new Target.OfTerms("net30"), new Act.OnDueDates(), DayRange.ALWAYS));
        Forecast byHand = Forecaster.forecast(
                new Plan(plan.settings().with(new NamedTerms("net30", "30 days", byDays(0))), lines, List.of()),
                books());
        // What history owes on the as-of date is scaled to what it owed before, later months are as by hand.
        assertThat(cash(shown, "kelp", 5, 6))
                .isEqualTo(cash(byHand, "kelp", 5, 6))
                .isEqualTo(cash(shown, "salt", 5, 6));
        assertThat(cash(shown, "kelp", 5)).isNotEqualTo(cash(base, "kelp", 5));
    }

    private static Settings settings(Settings plain, NamedTerms terms) {
        return new Settings(
                plain.name(),
                plain.currency(),
                plain.asOf(),
                plain.firstDayOfWeek(),
                plain.firstFiscalMonth(),
                plain.horizonMonths(),
                plain.amountSteps(),
                plain.minimumCash(),
                plain.facility(),
                plain.countedReceipts(),
                plain.countedPayments(),
                plain.cashRate(),
                List.of(terms),
                List.of());
    }

    private static Terms byDays(int late) {
        return Terms.byDays(new DayTerms(DayTerms.Due.AFTER_ISSUE, 30, late, Convention.FOLLOWING));
    }

    private static Books books() {
        return Books.of(List.of(new Account("bank", "Bank", "--", false, FEBRUARY_28, 0)));
    }

    /** Paid 10 days late five times: on due dates on the day; a promise stays; a discount that holds is not taken. */
    @Test
    void items_onDueDatesAndInFull() {
        List<OpenItem> items = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            LocalDate due = LocalDate.of(2025, 9, 1).plusDays(i * 7L);
            items.add(item("old" + i, due, due.plusDays(10), Handling.NONE, null));
        }
        items.add(item("due", MARCH_18, null, Handling.NONE, null));
        items.add(item(
                "promised",
                MARCH_18,
                null,
                new Handling(null, LocalDate.of(2026, 3, 20), Handling.Standing.NORMAL, ""),
                new OpenItem.EarlyDiscount(LocalDate.of(2026, 4, 1), Percent.parse("2"))));
        Stream stream = (Stream) kelp().assumption();
        Line line = kelp().with(stream.on(Basis.BOOKS));
        Forecast base = Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), FEBRUARY_28).withHorizon(6), List.of(line), List.of()),
                books().with(OpenItems.of(items)));
        assertThat(days(base)).containsEntry("due", LocalDate.of(2026, 3, 30));
        for (Target target :
                List.of(new Target.OfLine("kelp"), new Target.OfCounterparty(Direction.RECEIPT, "Harrow Fish"))) {
            assertThat(days(forecast(base, change(target, new Act.OnDueDates(), DayRange.ALWAYS))))
                    .containsEntry("due", MARCH_18)
                    .containsEntry("promised", LocalDate.of(2026, 3, 20));
            assertThat(paid(base)).containsEntry("promised", 58_800L);
            assertThat(paid(forecast(base, change(target, new Act.WithoutDiscounts(), DayRange.ALWAYS))))
                    .containsEntry("promised", 60_000L);
        }
    }

    private static OpenItem item(
            String id, LocalDate due, LocalDate paid, Handling handling, OpenItem.EarlyDiscount discount) {
        return new OpenItem(
                id,
                OpenItem.Kind.INVOICE,
                id,
                "Harrow Fish",
                "kelp",
                due.minusDays(30),
                due.minusDays(30),
                due,
                new OpenItem.Amount(60_000, 0, false, paid == null ? 60_000 : 0),
                paid,
                handling,
                discount);
    }

    private static Map<String, LocalDate> days(Forecast forecast) {
        return expected(forecast, ExpectedItem::paidOn);
    }

    private static Map<String, Long> paid(Forecast forecast) {
        return expected(forecast, ExpectedItem::minor);
    }

    private static <T> Map<String, T> expected(Forecast forecast, Function<ExpectedItem, T> what) {
        return forecast.accounts().items().of(forecast.plan().lines().get(0)).stream()
                .collect(Collectors.toMap(one -> one.item().id(), what));
    }

    /** Facilities, loans, assets and what is not certain, changed over random plans as by hand. */
    @Test
    void everyOtherTarget_isThePlanEditedByHand() {
        Map<String, Integer> held = new TreeMap<>();
        RandomPlans.each(PLANS, (some, seed) -> {
            Plan plan = some.plan();
            LocalDate asOf = plan.settings().asOf();
            Forecast base = Forecaster.forecast(plan, some.books());
            for (Line line : plan.lines()) {
                if (plan.isActive(line)) {
                    byHand(line, asOf).ifPresent(edited -> {
                        Forecast shown = forecast(base, edited.change());
                        Forecast byHand = Forecaster.forecast(
                                Breach.followed(base, plan.with(line.with(edited.assumption()))), some.books());
                        for (LocalDate day = base.firstDay(); !day.isAfter(base.lastDay()); day = day.plusDays(1)) {
                            assertThat(shown.closing(day))
                                    .as("%s of %s", day, line.name())
                                    .isEqualTo(byHand.closing(day));
                        }
                        synchronized (held) {
                            held.merge(line.assumption().getClass().getSimpleName(), 1, Integer::sum);
                        }
                    });
                }
            }
        });
        assertThat(held).containsOnlyKeys("CapitalSpending", "DatedItems", "Revolving", "TermLoan");
    }

    private record Edited(Change change, Assumption assumption) {}

    private static Optional<Edited> byHand(Line line, LocalDate asOf) {
        Function<Act, Change> of = act -> change(line.id(), act, DayRange.ALWAYS);
        if (line.assumption() instanceof Revolving facility) {
            return Optional.of(new Edited(of.apply(new Act.LeaveOut()), most(facility, asOf.plusDays(1))));
        }
        if (line.assumption() instanceof TermLoan loan
                && !loan.running()
                && loan.from().on().isAfter(asOf)) {
            return Optional.of(new Edited(
                    of.apply(new Act.Shift(2, Act.Shift.Unit.MONTHS)),
                    loan.drawnOn(loan.from().on().plusMonths(2))));
        }
        if (line.assumption() instanceof CapitalSpending spending) {
            CapitalSpending later = new CapitalSpending(
                    spending.assets().stream().map(one -> later(one, asOf)).toList(), spending.convention());
            return later.equals(spending)
                    ? Optional.empty()
                    : Optional.of(new Edited(of.apply(new Act.Shift(20, Act.Shift.Unit.DAYS)), later));
        }
        if (line.assumption() instanceof DatedItems dated
                && dated.items().stream().anyMatch(one -> one.certainty() == Certainty.LIKELY)) {
            return Optional.of(new Edited(
                    of.apply(scale("50")),
                    new DatedItems(
                            dated.items().stream()
                                    .map(one -> one.date().isAfter(asOf)
                                            ? new DatedItem(
                                                    one.date(),
                                                    Percent.parse("50").of(one.amount()),
                                                    one.certainty(),
                                                    one.note())
                                            : one)
                                    .toList(),
                            dated.tax(),
                            dated.convention())));
        }
        return Optional.empty();
    }

    /** The bank says no: from tomorrow on no more can be drawn than is, guarantees beside it. */
    private static Revolving most(Revolving of, LocalDate tomorrow) {
        TreeMap<LocalDate, Long> limit = new TreeMap<>();
        of.limit().steps().forEach(step -> limit.put(step.from(), step.value()));
        for (LocalDate day = tomorrow; day.isBefore(tomorrow.plusYears(8)); day = day.plusDays(1)) {
            long beside = of.guarantees().findOn(day).map(Steps.Step::value).orElse(0L);
            long allowed = of.limit().findOn(day).map(Steps.Step::value).orElse(0L);
            limit.put(day, Math.min(allowed, of.drawn().amount() + beside));
        }
        return of.limited(new Steps<>(limit.entrySet().stream()
                .map(one -> new Steps.Step<>(one.getKey(), one.getValue()))
                .toList()));
    }

    private static Asset later(Asset of, LocalDate asOf) {
        Function<LocalDate, LocalDate> later = day -> day.isAfter(asOf) ? day.plusDays(20) : day;
        CapitalSpending.Disposal sold = of.disposal();
        return of.on(
                of.milestones().stream()
                        .map(one -> new DatedAmount(later.apply(one.date()), one.amount(), one.note()))
                        .toList(),
                later.apply(of.service()),
                sold == null ? null : new CapitalSpending.Disposal(later.apply(sold.date()), sold.proceeds()));
    }

    /** A certainty that no other item has: all of them are left out, as if each was. */
    @Test
    void certainty_leavesOutItsOwnAlone() {
        Line items = new Line(
                "one",
                null,
                "one",
                Direction.RECEIPT,
                true,
                null,
                "",
                new DatedItems(
                        List.of(
                                new DatedItem(MARCH_18, 10_000, Certainty.CERTAIN, ""),
                                new DatedItem(MARCH_18.plusDays(1), 7_000, Certainty.LIKELY, "")),
                        SalesTax.NONE,
                        Convention.FOLLOWING),
                List.of());
        Forecast base = base("GBP", FEBRUARY_28, items);
        Target likely = new Target.OfCertainty(Direction.RECEIPT, Certainty.LIKELY);
        assertThat(cash(base, "one", 3, 4)).containsExactly(17_000L, 0L);
        assertThat(cash(forecast(base, change(likely, new Act.LeaveOut(), DayRange.ALWAYS)), "one", 3, 4))
                .containsExactly(10_000L, 0L);
        assertThat(cash(
                        forecast(base, change(likely, new Act.Shift(1, Act.Shift.Unit.MONTHS), DayRange.ALWAYS)),
                        "one",
                        3,
                        4))
                .containsExactly(10_000L, 7_000L);
    }
}
