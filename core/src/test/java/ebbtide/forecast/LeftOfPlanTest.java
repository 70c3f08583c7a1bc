package ebbtide.forecast;

import static ebbtide.forecast.OpenItemCases.FRIDAY;
import static ebbtide.forecast.OpenItemCases.MARCH;
import static ebbtide.forecast.OpenItemCases.forecast;
import static ebbtide.forecast.OpenItemCases.item;
import static ebbtide.forecast.OpenItemCases.month;
import static ebbtide.forecast.OpenItemCases.on;
import static ebbtide.forecast.OpenItemCases.said;
import static ebbtide.forecast.OpenItemCases.sales;
import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.billing.LeftOfPlan;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.Kind;
import ebbtide.books.OpenItems;
import ebbtide.flows.Cell;
import ebbtide.money.Money;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling.Standing;
import ebbtide.plan.Line;
import ebbtide.plan.Netting;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.workings.RowWorkings;
import ebbtide.workings.Workings;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is left of a plan once facts have taken their part of it (rules 5.1). */
class LeftOfPlanTest {
    /** W9, first part. */
    @ParameterizedTest
    @CsvSource({"7840000, 4160000, 0", "13100000, 0, 1100000"})
    void left_ofAPlannedMonth_isWhatIsNotInvoiced(long invoiced, long left, long overBy) {
        Forecast forecast = forecast(
                FRIDAY,
                sales(Map.of(MARCH, 12_000_000L), 0),
                List.of(item(
                        Kind.INVOICE, "1", LocalDate.of(2026, 3, 2), LocalDate.of(2026, 4, 30), invoiced, invoiced)));
        LeftOfPlan.Month march = forecast.accounts().stream(
                        forecast.plan().lines().get(0))
                .left()
                .months()
                .get(0);
        assertThat(march).isEqualTo(new LeftOfPlan.Month(MARCH, 12_000_000, invoiced, 0, 12_000_000));
        assertThat(march.left()).isEqualTo(left);
        Workings workings =
                RowWorkings.of(forecast, "s", new Period(LocalDate.of(2026, 3, 1), LocalDate.of(2026, 4, 1)));
        assertThat(workings.figure().estimated()).isEqualTo(left);
        assertThat(workings.overBy()).isEqualTo(overBy == 0 ? null : overBy);
    }

    /** W10. */
    @Test
    void left_ofTheMonthUnderWay_liesOverTheBusinessDaysAfterTheAsOfDate() {
        List<OpenItem> items = List.of(
                item(Kind.INVOICE, "1", LocalDate.of(2026, 3, 2), LocalDate.of(2026, 5, 29), 7_840_000, 7_840_000),
                item(Kind.ORDER, "2", LocalDate.of(2026, 3, 25), LocalDate.of(2026, 5, 29), 1_200_000, 1_200_000));
        Forecast forecast = forecast(FRIDAY, sales(Map.of(MARCH, 12_000_000L), 0), items);
        assertThat(on(forecast, "2026-03-23").estimated()).isEqualTo(422_858);
        for (String day : List.of("2026-03-24", "2026-03-25", "2026-03-26", "2026-03-27", "2026-03-30", "2026-03-31")) {
            assertThat(on(forecast, day).estimated()).as(day).isEqualTo(422_857);
        }
        assertThat(on(forecast, "2026-05-29").committed()).isEqualTo(9_040_000);
        assertThat(RowWorkings.of(forecast, "s", new Period(LocalDate.of(2026, 3, 23), LocalDate.of(2026, 3, 24)))
                        .items()
                        .get(0)
                        .because())
                .contains("planned 120,000", "less invoiced 78,400, less on order 12,000: left 29,600");
    }

    /**
     * 21 of March's 22 business days are over on the 30th: at the plan's rate one of them is left, whatever was not
     * invoiced before.
     */
    @ParameterizedTest
    @CsvSource({"2026-03-20, 3818182", "2026-03-30, 545455", "2026-02-27, 12000000"})
    void left_atThePlansRate_isNoMoreThanTheDaysAfterBear(LocalDate asOf, long left) {
        Line line = sales(Map.of(MARCH, 12_000_000L), 0).netting(new Netting(Netting.Left.RUN_RATE, null, List.of()));
        Forecast forecast = forecast(
                asOf,
                line,
                List.of(item(Kind.INVOICE, "1", LocalDate.of(2026, 2, 2), LocalDate.of(2026, 4, 30), 100, 100)));
        assertThat(forecast.cell(line, month(MARCH)).estimated()).isEqualTo(left);
        assertThat(RowWorkings.of(forecast, "s", month(MARCH))
                        .items()
                        .get(0)
                        .because()
                        .contains("no more than its business days after"))
                .isEqualTo(left < 12_000_000);
        Forecast nearlyAll = forecast(
                asOf,
                line,
                List.of(item(Kind.INVOICE, "1", LocalDate.of(2026, 3, 2), LocalDate.of(2026, 4, 30), 11_990_000, 100)));
        assertThat(nearlyAll.cell(line, month(MARCH)).estimated())
                .as("and never more than the plan lacks")
                .isEqualTo(10_000);
    }

    /**
     * With months closed five days late, what is left of March is still to be invoiced on 3 April, on the first
     * business days after.
     */
    @ParameterizedTest
    @CsvSource({"2026-04-03, 4160000", "2026-04-04, 4160000", "2026-04-05, 0"})
    void left_ofAMonthThatIsNotClosed_isBilledAfterTheAsOfDate(LocalDate asOf, long left) {
        Line line = sales(Map.of(MARCH, 12_000_000L, MARCH.plusMonths(1), 0L), 0);
        Books books = Books.of(List.of(new Account("a", "A", "--", false, asOf, 0)))
                .with(OpenItems.of(List.of(item(
                        Kind.INVOICE,
                        "1",
                        LocalDate.of(2026, 3, 2),
                        LocalDate.of(2026, 5, 29),
                        7_840_000,
                        7_840_000))));
        Forecast forecast = Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency("GBP"), asOf).withClosedAfter(5), List.of(line), List.of()),
                books);
        assertThat(forecast.cell(line, month(MARCH.plusMonths(1))).estimated()).isEqualTo(left);
        if (left > 0) {
            assertThat(RowWorkings.of(forecast, "s", month(MARCH.plusMonths(1)))
                            .items()
                            .get(0)
                            .because())
                    .contains("with 41,600 left of March 2026, which is not closed yet");
        }
    }

    /** W9's second part and W11: the same left wherever the bill is now expected, or held. */
    @ParameterizedTest
    @ValueSource(strings = {"2026-03-06", "2026-04-09", "held"})
    void expectation_usedByAMovementAndABill_leavesTheRestOnItsDay(String now) {
        Line line = new Line(
                "s",
                null,
                "Costs",
                Direction.PAYMENT,
                true,
                null,
                "",
                DatedItems.untaxed(
                        List.of(new DatedItem(LocalDate.of(2026, 3, 5), 900_000, Certainty.CERTAIN, "")),
                        Convention.PRECEDING),
                List.of());
        OpenItem bill = item(Kind.INVOICE, "b", LocalDate.of(2026, 2, 20), LocalDate.of(2026, 3, 6), 200_000, 200_000);
        boolean held = now.equals("held");
        OpenItem handled = said(bill, held ? null : LocalDate.parse(now), null, held ? Standing.HELD : Standing.NORMAL);
        Forecast forecast = forecast(
                LocalDate.of(2026, 3, 3), line, List.of(handled), new DayAmount(LocalDate.of(2026, 3, 3), -350_000));
        assertThat(on(forecast, "2026-03-05").estimated()).isEqualTo(-350_000);
        Cell year = forecast.cell(line, new Period(LocalDate.of(2026, 3, 1), LocalDate.of(2027, 3, 1)));
        assertThat(year.settled()).isEqualTo(-350_000);
        assertThat(year.committed()).isEqualTo(held ? 0 : -200_000);
        assertThat(year.estimated()).isEqualTo(-350_000);
        if (!held) {
            assertThat(on(forecast, now).committed()).isEqualTo(-200_000);
        }
    }

    /**
     * Whatever is planned, ordered, invoiced and settled, in any order: what came in, is known and is still estimated
     * comes to the greater of plan and books of every open month, and to what was invoiced of closed ones. Never a
     * pound twice, never one lost.
     */
    @Test
    void onceEach_whateverIsPlannedInvoicedAndSettledInAnyOrder() {
        for (int seed = 0; seed < 400; seed++) {
            Random random = new Random(seed);
            LocalDate asOf = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(120));
            int closedAfter = random.nextBoolean() ? 0 : random.nextInt(40);
            YearMonth first = YearMonth.from(asOf.plusDays(1));
            YearMonth open = YearMonth.from(asOf.plusDays(1L - closedAfter));
            Map<YearMonth, Long> planned = new TreeMap<>();
            for (int m = 0; m < 40; m++) {
                planned.put(open.plusMonths(m), m < 5 ? (long) random.nextInt(90_000) : 0L);
            }
            List<OpenItem> items = new ArrayList<>();
            List<DayAmount> movements = new ArrayList<>();
            Map<YearMonth, Long> known = new TreeMap<>();
            long closed = 0;
            for (int i = random.nextInt(25); i > 0; i--) {
                YearMonth month = first.plusMonths(random.nextInt(6) - 2L);
                LocalDate supplied = month.atDay(1 + random.nextInt(28));
                boolean order = random.nextInt(4) == 0 && supplied.isAfter(asOf);
                long gross = 1 + random.nextInt(30_000);
                long paid = order ? 0 : random.nextInt(3) == 0 ? random.nextInt((int) gross + 1) : 0;
                LocalDate due = asOf.plusDays(random.nextInt(200) - 85L);
                items.add(item(order ? Kind.ORDER : Kind.INVOICE, "i" + i, supplied, due, gross, gross - paid));
                if (paid > 0) {
                    movements.add(new DayAmount(asOf.minusDays(random.nextInt(30)), paid));
                }
                if (month.isBefore(open)) {
                    closed += gross;
                } else {
                    known.merge(month, gross, Long::sum);
                }
            }
            long booked = random.nextBoolean() ? 0 : random.nextInt(40_000);
            movements.add(new DayAmount(asOf.plusDays(1), booked));
            Forecast forecast =
                    forecast(closedAfter, asOf, sales(planned, 20), items, movements.toArray(new DayAmount[0]));
            Cell all = forecast.cell(
                    forecast.plan().lines().get(0),
                    new Period(forecast.firstDay(), forecast.lastDay().plusDays(1)));
            long once = closed;
            for (int m = 0; m < 8; m++) {
                once += Math.max(
                        planned.getOrDefault(open.plusMonths(m), 0L), known.getOrDefault(open.plusMonths(m), 0L));
            }
            long openItems =
                    items.stream().mapToLong(one -> one.amount().open()).sum();
            long nettable = openItems
                    + forecast.cell(forecast.plan().lines().get(0), month(YearMonth.from(asOf.plusDays(1))))
                            .estimated();
            if (booked <= nettable) {
                assertThat(all.amount()).as("seed %d", seed).isEqualTo(once);
            } else {
                assertThat(all.amount()).as("seed %d", seed).isGreaterThanOrEqualTo(once);
            }
        }
    }
}
