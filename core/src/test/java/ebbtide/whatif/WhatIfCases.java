package ebbtide.whatif;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption.Stream;
import ebbtide.plan.DayRange;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;

/** Plans of a line or two with a scenario, and what it comes to. */
final class WhatIfCases {
    static final LocalDate FEBRUARY_28 = LocalDate.of(2026, 2, 28);

    private WhatIfCases() {}

    static SortedMap<YearMonth, Long> months(int first, long... whole) {
        SortedMap<YearMonth, Long> months = new TreeMap<>();
        for (int i = 0; i < whole.length; i++) {
            months.put(YearMonth.of(2026, first).plusMonths(i), whole[i] * 100);
        }
        return months;
    }

    static MonthPattern.Step step(String share, int lag, String discount) {
        return new MonthPattern.Step(Percent.parse(share), lag, Percent.parse(discount));
    }

    static Line line(String id, Direction direction, Stream stream) {
        return new Line(id, null, id, direction, true, null, "", stream, List.of());
    }

    /** The sales of W18: a history of two months, four months planned. */
    static Line kelp() {
        return line(
                "kelp",
                Direction.RECEIPT,
                Stream.of(
                        new ActivityMethod.TypedMonths(months(3, 40_000, 44_000, 50_000, 46_000)),
                        months(1, 38_000, 39_000),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        new MonthPattern(
                                List.of(step("30", 0, "0"), step("60", 1, "2"), step("10", 2, "0")),
                                Percent.ZERO,
                                null),
                        new Spread.Even()));
    }

    static Stream atOnce(ActivityMethod method) {
        return Stream.of(
                method, new TreeMap<>(), new TreeMap<>(), SalesTax.NONE, MonthPattern.atOnce(), new Spread.Even());
    }

    static Forecast base(String currency, LocalDate asOf, Line... lines) {
        return Forecaster.forecast(
                new Plan(Settings.of("P", Money.currency(currency), asOf).withHorizon(12), List.of(lines), List.of()),
                Books.of(List.of(new Account("bank", "Bank", "--", false, asOf, 0))));
    }

    static DayRange range(int firstMonth, int lastMonth) {
        return new DayRange(
                LocalDate.of(2026, firstMonth, 1), YearMonth.of(2026, lastMonth).atEndOfMonth());
    }

    static Act set(String value) {
        return new Act.Set(Typed.of(value));
    }

    static Act scale(String percent) {
        return new Act.Scale(Percent.parse(percent));
    }

    static Act add(String more) {
        return new Act.Add(new BigDecimal(more));
    }

    static Change change(Target target, Act act, DayRange range) {
        return new Change("c", target, act, range, "", true);
    }

    static Change change(String lineId, Act act, DayRange range) {
        return change(new Target.OfLine(lineId), act, range);
    }

    static Change changeOf(String path, Act act, DayRange range) {
        return change(new Target.OfAssumption(path), act, range);
    }

    /** Returns a scenario of changes, each with an id of its own. */
    static Scenario scenario(Change... changes) {
        List<Change> all = new ArrayList<>();
        IntStream.range(0, changes.length)
                .forEach(i -> all.add(new Change(
                        "c" + i,
                        changes[i].target(),
                        changes[i].act(),
                        changes[i].range(),
                        changes[i].ramp(),
                        changes[i].tie(),
                        changes[i].note(),
                        changes[i].on())));
        return new Scenario("s", "Slower spring", "", List.of(), all, false);
    }

    /** Returns the forecast of a base with changes, each of which must find its target. */
    static Forecast forecast(Forecast base, Change... changes) {
        Scenario scenario = scenario(changes);
        ScenarioPlan made = ScenarioPlan.of(base, new Scenarios(List.of(scenario)), scenario);
        made.changes().forEach(done -> done.findsNothing().ifPresent(sentence -> {
            throw new IllegalArgumentException(sentence);
        }));
        return Forecaster.forecast(made.plan(), base.books(), base);
    }

    /** Returns the cash of a line in some months of 2026, in minor units. */
    static List<Long> cash(Forecast forecast, String line, Integer... months) {
        Line own = forecast.plan().findLine(line).orElseThrow();
        return Arrays.stream(months)
                .map(month -> YearMonth.of(2026, month))
                .map(month -> forecast.cell(
                                own,
                                new Period(month.atDay(1), month.plusMonths(1).atDay(1)))
                        .amount())
                .toList();
    }
}
