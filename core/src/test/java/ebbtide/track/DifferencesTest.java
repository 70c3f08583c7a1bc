package ebbtide.track;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.Amount;
import ebbtide.books.OpenItems;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.Recurrence;
import ebbtide.plan.Recurring;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import ebbtide.workings.RowWorkings;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** What is asked about at a roll forward, and what carrying it does (rules 10.5). */
class DifferencesTest {
    private static final YearMonth MARCH = YearMonth.of(2026, 3);

    private static LocalDate day(String day) {
        return LocalDate.parse("2026-" + day);
    }

    private static Line stream(Direction direction, Basis basis, SalesTax tax) {
        Assumption.Stream stream = Assumption.Stream.of(
                new ActivityMethod.TypedMonths(new TreeMap<>(Map.of(MARCH, 100_000L, MARCH.plusMonths(1), 0L))),
                new TreeMap<>(),
                new TreeMap<>(),
                tax,
                MonthPattern.atOnce(),
                new Spread.Even());
        return new Line("s", null, "Sales", direction, true, null, "", stream.on(basis), List.of());
    }

    private static Line dated(DatedItem... items) {
        return new Line(
                "s",
                null,
                "Costs",
                Direction.PAYMENT,
                true,
                null,
                "",
                DatedItems.untaxed(List.of(items), Convention.NONE),
                List.of());
    }

    private static Plan plan(LocalDate asOf, Line line) {
        return new Plan(Settings.of("P", Money.currency("GBP"), asOf), List.of(line), List.of());
    }

    private static Books books(OpenItem item, DayAmount... movements) {
        return new Books(
                        List.of(new Account("a", "A", "--", false, day("02-28"), 0)),
                        Map.of("s", List.of(movements)),
                        List.of(),
                        List.of(),
                        List.of(),
                        Map.of())
                .with(OpenItems.of(item == null ? List.of() : List.of(item)));
    }

    private static List<Difference> closed(String before, String now, Line line, Books books) {
        return Differences.closedAfter(day(before), plan(day(now), line), books);
    }

    @Test
    void monthOfAStream_isAskedAboutOnceItIsOver_andNotAgain() {
        Line sales = stream(Direction.RECEIPT, Basis.PATTERN, SalesTax.NONE);
        Books books = books(null, new DayAmount(day("03-10"), 70_000), new DayAmount(day("04-02"), 5_000));
        assertThat(closed("03-22", "03-29", sales, books)).isEmpty();
        Difference one = closed("03-29", "04-05", sales, books).get(0);
        assertThat(one.planned()).isEqualTo(100_000);
        assertThat(one.open()).as("30,000 less came").isEqualTo(-30_000);
        assertThat(one.to()).isEqualTo(day("03-31"));
        assertThat(closed("04-05", "04-12", sales, books)).isEmpty();
        Line costs = stream(Direction.PAYMENT, Basis.PATTERN, SalesTax.NONE);
        assertThat(closed("02-28", "04-12", costs, books(null, new DayAmount(day("03-10"), -70_000)))
                        .get(0)
                        .open())
                .as("30,000 less was paid")
                .isEqualTo(30_000);
    }

    @Test
    void monthOnBooks_isHeldAgainstWhatWasInvoiced_withItsTax() {
        OpenItem invoice = new OpenItem(
                "i",
                OpenItem.Kind.INVOICE,
                "1",
                "Tern Ltd",
                "s",
                day("03-05"),
                null,
                day("04-05"),
                new Amount(108_000, 18_000, false, 108_000),
                null,
                Handling.NONE,
                null);
        Difference one = closed(
                        "03-29",
                        "04-05",
                        stream(Direction.RECEIPT, Basis.BOOKS, SalesTax.of(Percent.parse("20"), false)),
                        books(invoice))
                .get(0);
        assertThat(one.of()).isEqualTo(Difference.Of.INVOICED_OF_MONTH);
        assertThat(one.planned()).isEqualTo(120_000);
        assertThat(one.open()).isEqualTo(-12_000);
        Plan late = new Plan(
                Settings.of("P", Money.currency("GBP"), day("04-05")).withClosedAfter(7),
                List.of(stream(Direction.RECEIPT, Basis.BOOKS, SalesTax.of(Percent.parse("20"), false))),
                List.of());
        assertThat(Differences.closedAfter(day("03-29"), late, books(invoice)))
                .as("closed on the 7th")
                .isEmpty();
        assertThat(Differences.closedAfter(day("04-05"), late.asOf(day("04-12")), books(invoice)))
                .containsExactly(one);
    }

    @Test
    void sumOnADate_isAskedAboutWhenItsWindowEnds() {
        Line costs = dated(
                new DatedItem(day("02-01"), 90_000, Certainty.CERTAIN, ""),
                new DatedItem(day("03-20"), 10_000, Certainty.CERTAIN, ""));
        Books books = books(null, new DayAmount(day("02-03"), -60_000), new DayAmount(day("03-19"), -11_000));
        assertThat(closed("03-08", "03-15", costs, books)).isEmpty();
        assertThat(closed("03-15", "03-22", costs, books)).singleElement().satisfies(one -> assertThat(one.open())
                .as("45 days after 1 February")
                .isEqualTo(30_000));
        assertThat(closed("04-19", "05-10", costs, books))
                .singleElement()
                .satisfies(one -> assertThat(one.open()).as("paid 1,000 more").isEqualTo(-1_000));
        Line rent = new Line(
                "s",
                null,
                "Rent",
                Direction.PAYMENT,
                true,
                null,
                "",
                Recurring.plain(
                        new Recurrence(Recurrence.Span.MONTH, 1, day("01-10"), null),
                        Steps.from(day("01-01"), 5_000L),
                        Convention.NONE,
                        Certainty.CERTAIN),
                List.of());
        Books paidTwice = books(null, new DayAmount(day("01-10"), -5_000), new DayAmount(day("03-11"), -5_000));
        assertThat(closed("01-31", "03-31", rent, paidTwice)).singleElement().satisfies(one -> assertThat(one.from())
                .isEqualTo(day("02-10")));
    }

    @Test
    void carriedAmount_standsOnItsDayUntilItPasses_andOnASumIsUsedUpByAMovement() {
        CarriedAmount carried = new CarriedAmount("c", day("04-10"), 30_000, "Left of March");
        Line sales = stream(Direction.RECEIPT, Basis.PATTERN, SalesTax.NONE).carrying(List.of(carried));
        Period april = new Period(day("04-01"), day("05-01"));
        Forecast forecast = Forecaster.forecast(plan(day("04-05"), sales), books(null));
        assertThat(forecast.cell(sales, april).estimated()).isEqualTo(30_000);
        assertThat(RowWorkings.of(forecast, "s", april).items())
                .singleElement()
                .satisfies(item -> assertThat(item.because()).isEqualTo("Left of March"));
        assertThat(Forecaster.forecast(plan(day("04-10"), sales), books(null))
                        .cell(sales, april)
                        .estimated())
                .isZero();
        Line costs = dated().carrying(List.of(carried));
        assertThat(Forecaster.forecast(plan(day("04-05"), costs), books(null, new DayAmount(day("04-04"), -12_000)))
                        .cell(costs, april)
                        .estimated())
                .isEqualTo(-18_000);
    }

    /** Rolled on in steps of any length, each difference is asked about once, and the same as in one step. */
    @Test
    void anyPlan_rolledOnInSteps_isAskedAboutEachDifferenceOnce() {
        for (long seed = 1; seed <= Asked.of(60); seed++) {
            RandomPlans.Case some = RandomPlans.of(seed);
            LocalDate first = some.plan().settings().asOf();
            LocalDate last = first.plusDays(90);
            Map<String, Long> whole = new HashMap<>();
            Differences.closedAfter(first, some.plan().asOf(last), some.books())
                    .forEach(one -> whole.merge(one.key(), one.open(), Long::sum));
            Map<String, Long> inSteps = new HashMap<>();
            Set<String> asked = new HashSet<>();
            for (LocalDate day = first; day.isBefore(last); day = day.plusDays(10)) {
                Set<String> now = new HashSet<>();
                Differences.closedAfter(day, some.plan().asOf(day.plusDays(10)), some.books())
                        .forEach(one -> {
                            inSteps.merge(one.key(), one.open(), Long::sum);
                            now.add(one.key());
                        });
                assertThat(asked.stream().filter(now::contains))
                        .as("seed %d", seed)
                        .isEmpty();
                asked.addAll(now);
            }
            // What is settled by rules is worked out anew as of each day; what is planned is the same on all of them.
            Set<String> settled = Set.of("pay", "assets", "profit-tax", "owners", "tax");
            inSteps.keySet().removeIf(key -> settled.contains(key.split(" ")[1]));
            whole.keySet().removeIf(key -> settled.contains(key.split(" ")[1]));
            assertThat(inSteps).as("seed %d", seed).isEqualTo(whole);
        }
    }
}
