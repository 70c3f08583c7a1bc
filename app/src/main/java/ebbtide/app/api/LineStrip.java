package ebbtide.app.api;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** The months of a stream as its editor shows them side by side, with what each fiscal year comes to. */
final class LineStrip {
    private LineStrip() {}

    /** Returns the fiscal years that the months of a strip fall into, with what all of each comes to. */
    static List<LineView.YearOfStrip> years(PlanAtVersion current, Line line, YearMonth first, int count) {
        ShownMonths months = ShownMonths.of(
                current.forecast(), first.atDay(1), first.plusMonths(count - 1L).atEndOfMonth());
        int before = (int) first.until(YearMonth.from(months.months().get(0).startInclusive()), ChronoUnit.MONTHS);
        List<Long> amounts =
                ShownMonths.amounts(current.forecast().accounts().activity().planned(line), months.years());
        List<ShownMonths.YearView> years = months.yearsAfter(before);
        return IntStream.range(0, years.size())
                .mapToObj(i -> new LineView.YearOfStrip(years.get(i), amounts.get(i)))
                .toList();
    }

    /** Returns so many months of a stream from one on, past ones as its history has them. */
    static List<LineView.MonthView> months(PlanAtVersion current, Line line, YearMonth first, int count) {
        Plan plan = current.plan();
        ActivityCalculator calculator = current.forecast().accounts().activity();
        MonthlyActivity activity = calculator.planned(line);
        Assumption.Stream stream = (Assumption.Stream) line.assumption();
        YearMonth forecast = plan.settings().firstForecastMonth();
        List<LineView.MonthView> strip = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            YearMonth month = first.plusMonths(i);
            int number = Timeline.monthNumber(month);
            boolean history = month.isBefore(forecast);
            Assumption.MonthOverride override =
                    history ? null : stream.overrides().get(month);
            strip.add(new LineView.MonthView(
                    month.toString(),
                    history,
                    activity.in(number),
                    activity.computedIn(number),
                    override == null ? null : override.reason(),
                    calculator.words(line, number)));
        }
        return strip;
    }
}
