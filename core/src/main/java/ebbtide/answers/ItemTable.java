package ebbtide.answers;

import ebbtide.books.Habits;
import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.items.ExpectedItem;
import ebbtide.items.ItemTiming;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The open items of one direction, receivables or payables, as they stand on the as-of date (rules 4): each with the
 * day it is expected, and their sums by counterparty, by age and by the week they are expected in. Minor units; a
 * credit note counts below zero.
 */
public record ItemTable(List<Row> rows, List<Sum> byCounterparty, List<Sum> byAge, List<Sum> byWeek, Sum total) {

    /**
     * An open item of a line: when it is expected, and how many days late it is on the as-of date, negative before it
     * is due.
     */
    public record Row(ExpectedItem expected, Line line, long daysLate) {
        public OpenItem item() {
            return expected.item();
        }
    }

    /**
     * How many items, what is open of them, what they are expected to pay, and what of the open is left out of the
     * forecast.
     */
    public record Sum(String name, int items, long open, long pays, long leftOut) {
        private static Sum of(String name, List<Row> rows) {
            return new Sum(
                    name,
                    rows.size(),
                    rows.stream().mapToLong(row -> row.item().signedOpen()).sum(),
                    rows.stream().mapToLong(row -> row.expected().minor()).sum(),
                    rows.stream()
                            .filter(row ->
                                    row.expected().isLeftOut() && row.item().kind() != OpenItem.Kind.CREDIT_NOTE)
                            .mapToLong(row -> row.item().amount().open())
                            .sum());
        }
    }

    private static final List<String> AGES = List.of(
            "not due yet", "1 to 30 days late", "31 to 60 days late", "61 to 90 days late", "more than 90 days late");

    /** Returns the table of a forecast's open items of a direction, those expected first coming first. */
    public static ItemTable of(Forecast forecast, Direction direction) {
        Plan plan = forecast.plan();
        LocalDate asOf = plan.settings().asOf();
        ItemTiming timing = forecast.items();
        List<Row> rows = new ArrayList<>();
        for (Line line : plan.lines()) {
            if (line.direction() == direction) {
                timing.of(line)
                        .forEach(one -> rows.add(new Row(
                                one, line, ChronoUnit.DAYS.between(one.item().due(), asOf))));
            }
        }
        rows.sort(
                Comparator.comparing((Row row) -> row.expected().day(), Comparator.nullsLast(Comparator.naturalOrder()))
                        .thenComparing(row -> row.item().due())
                        .thenComparing(row -> row.item().id()));
        Map<String, List<Row>> parties = new LinkedHashMap<>();
        Map<Integer, List<Row>> ages = new TreeMap<>();
        Map<String, List<Row>> weeks = new LinkedHashMap<>();
        for (Row row : rows) {
            parties.computeIfAbsent(row.item().counterparty(), name -> new ArrayList<>())
                    .add(row);
            ages.computeIfAbsent(age(row), age -> new ArrayList<>()).add(row);
            weeks.computeIfAbsent(week(plan, row), week -> new ArrayList<>()).add(row);
        }
        List<Sum> byCounterparty = parties.entrySet().stream()
                .map(one -> Sum.of(one.getKey(), one.getValue()))
                .sorted(Comparator.comparingLong(Sum::open).reversed().thenComparing(Sum::name))
                .toList();
        return new ItemTable(
                List.copyOf(rows),
                byCounterparty,
                ages.entrySet().stream()
                        .map(one -> Sum.of(AGES.get(one.getKey()), one.getValue()))
                        .toList(),
                weeks.entrySet().stream()
                        .map(one -> Sum.of(one.getKey(), one.getValue()))
                        .toList(),
                Sum.of("all", rows));
    }

    private static int age(Row row) {
        return row.daysLate() <= 0 ? 0 : (int) Math.min(4, 1 + (row.daysLate() - 1) / 30);
    }

    private static String week(Plan plan, Row row) {
        LocalDate day = row.expected().day();
        return day == null
                ? "left out of the forecast"
                : "week of "
                        + day.with(
                                TemporalAdjusters.previousOrSame(plan.settings().firstDayOfWeek()));
    }

    /**
     * a counterparty's habit on the line of its latest paid item: its days late, and those of each of its paid items,
     * the latest paid first.
     */
    public record Habit(String counterparty, int days, List<Long> daysLate) {}

    /** Returns the habits of the counterparties of a direction that have paid items, by name. */
    public static List<Habit> habits(Forecast forecast, Direction direction, Habits habits) {
        Map<String, List<OpenItem>> paid = new TreeMap<>();
        forecast.books().items().all().stream()
                .filter(OpenItem::showsHabit)
                .filter(item -> forecast.plan()
                        .findLine(item.lineId())
                        .filter(line -> line.direction() == direction)
                        .isPresent())
                .forEach(item -> paid.computeIfAbsent(item.counterparty(), name -> new ArrayList<>())
                        .add(item));
        return paid.entrySet().stream()
                .map(one -> {
                    one.getValue().sort(Comparator.comparing(OpenItem::paidOn).reversed());
                    Integer days = habits.estimate(
                                    one.getKey(), one.getValue().get(0).lineId(), Long.MIN_VALUE / 2)
                            .days();
                    return new Habit(
                            one.getKey(),
                            days == null ? 0 : days,
                            one.getValue().stream().map(OpenItem::daysLate).toList());
                })
                .toList();
    }

    /** Returns how well habits foretell payment in a direction (rules 4.4). */
    public static Habits.Backtest backtest(Forecast forecast, Direction direction) {
        return Habits.backtest(forecast.books().items().all().stream()
                .filter(item -> forecast.plan()
                        .findLine(item.lineId())
                        .filter(line -> line.direction() == direction)
                        .isPresent())
                .toList());
    }
}
