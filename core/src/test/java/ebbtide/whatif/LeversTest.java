package ebbtide.whatif;

import static ebbtide.whatif.WhatIfCases.FEBRUARY_28;
import static ebbtide.whatif.WhatIfCases.kelp;
import static ebbtide.whatif.WhatIfCases.line;
import static ebbtide.whatif.WhatIfCases.months;
import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.TermLoan;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** What can be done about low water (rules 11.10), each lever a scenario that a hand could make. */
class LeversTest {
    private static final LocalDate APRIL_10 = LocalDate.of(2026, 4, 10);

    private static Line own(String id, Direction direction, Assumption assumption) {
        return new Line(id, null, id, direction, true, null, "", assumption, List.of());
    }

    private static DatedItems items(String word, LocalDate... days) {
        return new DatedItems(
                List.of(days).stream()
                        .map(day -> new DatedItem(day, 5_000_000, Certainty.CERTAIN, word))
                        .toList(),
                SalesTax.NONE,
                Convention.FOLLOWING);
    }

    private static OpenItem open(String id, String line, String party, LocalDate due, long minor) {
        return new OpenItem(
                id,
                OpenItem.Kind.INVOICE,
                id,
                party,
                line,
                due.minusDays(30),
                due.minusDays(30),
                due,
                new OpenItem.Amount(minor, 0, false, minor),
                null,
                Handling.NONE,
                null);
    }

    private static OpenItem paid(String id, LocalDate due, int late) {
        OpenItem open = open(id, "kelp", "Harrow Fish", due, 100);
        return new OpenItem(
                id,
                open.kind(),
                id,
                open.counterparty(),
                open.lineId(),
                open.issued(),
                open.supplied(),
                due,
                new OpenItem.Amount(100, 0, false, 0),
                due.plusDays(late),
                Handling.NONE,
                null);
    }

    /**
     * 50,000 for a refit on 10 April, 30,000 owed by a debtor on 31 March who pays 40 days late, 20,000 of bills on 8
     * April, a loan of 25,000 on 15 June, and rent of 2,000 a month at its end: low water is at the end of April.
     */
    private static Forecast base() {
        Line sales = kelp().with(((Assumption.Stream) kelp().assumption())
                .on(Basis.BOOKS)
                .withOverrides(nothing()));
        Line bills = line(
                "bills",
                Direction.PAYMENT,
                WhatIfCases.atOnce(new TypedMonths(months(3, 0))).on(Basis.BOOKS));
        Line refit = own("yard", Direction.PAYMENT, items("refit", APRIL_10));
        Line later = own("roof", Direction.PAYMENT, items("", LocalDate.of(2026, 9, 1)));
        Line loan = own(
                "loan",
                Direction.PAYMENT,
                new TermLoan(
                        TermLoan.By.BULLET,
                        new TermLoan.Balance(LocalDate.of(2026, 6, 15), 2_500_000, 0),
                        false,
                        Steps.from(FEBRUARY_28, Percent.ZERO),
                        LocalDate.of(2027, 12, 31),
                        1,
                        12,
                        0,
                        null,
                        Convention.FOLLOWING,
                        List.of(),
                        List.of(),
                        true,
                        0));
        return Forecaster.forecast(
                new Plan(
                        Settings.of("P", Money.currency("GBP"), FEBRUARY_28).withHorizon(6),
                        List.of(sales, bills, refit, later, loan),
                        List.of()),
                Books.of(List.of(new Account("bank", "Bank", "--", false, FEBRUARY_28, 6_000_000)))
                        .with(OpenItems.of(List.of(
                                paid("a", LocalDate.of(2025, 10, 1), 40),
                                paid("b", LocalDate.of(2025, 11, 3), 40),
                                paid("c", LocalDate.of(2025, 12, 1), 40),
                                open("due", "kelp", "Harrow Fish", LocalDate.of(2026, 3, 31), 3_000_000),
                                open("bill", "bills", "Yard & Sons", LocalDate.of(2026, 4, 8), 2_000_000)))));
    }

    private static SortedMap<YearMonth, Assumption.MonthOverride> nothing() {
        SortedMap<YearMonth, Assumption.MonthOverride> none = new TreeMap<>();
        for (int month = 3; month <= 6; month++) {
            none.put(YearMonth.of(2026, month), new Assumption.MonthOverride(0, "none"));
        }
        return none;
    }

    @Test
    void levers_areRankedByWhatTheyGiveBack() {
        Forecast base = base();
        assertThat(base.lowWater().day()).isEqualTo(APRIL_10);
        assertThat(base.lowWater().headroom()).isEqualTo(-1_000_000);
        List<Levers.Lever> levers = Levers.of(base);
        assertThat(levers)
                .extracting(Levers.Lever::words)
                .containsExactlyInAnyOrder(
                        "Delay yard, refit by 1 month",
                        "Chase Harrow Fish to pay when due",
                        "Draw loan 3 months sooner",
                        "Hold the bills of a week for a week");
        assertThat(levers).isSortedAccordingTo((a, b) -> Long.compare(b.givesBack(), a.givesBack()));
        for (Levers.Lever one : levers) {
            Scenario made = new Scenario("s", one.words(), "", List.of(), one.changes(), false);
            ScenarioPlan plan = ScenarioPlan.of(base, new Scenarios(List.of(made)), made);
            assertThat(plan.changes()).allMatch(done -> done.findsNothing().equals(Optional.empty()));
            assertThat(KeyFigures.of(Forecaster.forecast(plan.plan(), base.books())))
                    .as(one.words())
                    .isEqualTo(one.figures());
            assertThat(one.from()).isBetween(FEBRUARY_28.plusDays(1), APRIL_10);
        }
    }
}
