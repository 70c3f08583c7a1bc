package ebbtide.answers;

import ebbtide.accounts.Accounts;
import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.activity.Suggestion;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What history offers a stream: amounts for the months to come, the pattern its bank movements were paid by, and in
 * which weeks.
 */
public record LineSuggestions(Suggestion amounts, PatternFromHistory pattern, SpreadFromHistory spread) {

    /**
     * Returns what the history of a stream's line and its bank movements suggest for some months; nothing is changed by
     * it.
     */
    public static LineSuggestions of(Plan plan, Books books, Line line, int months) {
        Assumption.Stream stream = (Assumption.Stream) line.assumption();
        return new LineSuggestions(
                Suggestion.of(stream.history(), plan.settings().firstForecastMonth(), months),
                pattern(plan, books, line, stream),
                spread(plan, books, line, stream));
    }

    private static SpreadFromHistory spread(Plan plan, Books books, Line line, Assumption.Stream stream) {
        YearMonth last = YearMonth.from(plan.settings().asOf().plusDays(1)).minusMonths(1);
        Timeline days = Accounts.of(plan, books).calendars().timeline(line);
        return SpreadFromHistory.of(
                books.byLine().getOrDefault(line.id(), List.of()),
                line.direction().sign(),
                Math.min(days.firstMonth(), Timeline.monthNumber(last) + 1),
                Timeline.monthNumber(last),
                days,
                stream.spread());
    }

    /** Whole months the bank knows, up to the as-of date, against what was billed in them and before. */
    private static PatternFromHistory pattern(Plan plan, Books books, Line line, Assumption.Stream stream) {
        MonthlyActivity activity = new ActivityCalculator(plan).planned(line);
        Map<YearMonth, Long> booked = new TreeMap<>();
        for (DayAmount movement : books.byLine().getOrDefault(line.id(), List.of())) {
            booked.merge(
                    YearMonth.from(movement.day()),
                    movement.minor() * line.direction().sign(),
                    Long::sum);
        }
        LocalDate asOf = plan.settings().asOf();
        YearMonth last = YearMonth.from(asOf.plusDays(1)).minusMonths(1);
        LocalDate known = books.findFirstDay().orElse(asOf);
        YearMonth first = known.getDayOfMonth() == 1
                ? YearMonth.from(known)
                : YearMonth.from(known).plusMonths(1);
        if (!stream.history().isEmpty()
                && stream.history()
                        .firstKey()
                        .plusMonths(PatternFromHistory.lags())
                        .isAfter(first)) {
            first = stream.history().firstKey().plusMonths(PatternFromHistory.lags());
        }
        List<Long> cash = new ArrayList<>();
        List<Long> billed = new ArrayList<>();
        for (YearMonth month = first.minusMonths(PatternFromHistory.lags());
                !month.isAfter(last);
                month = month.plusMonths(1)) {
            billed.add(stream.tax().grossOf(activity.in(Timeline.monthNumber(month))));
            if (!month.isBefore(first)) {
                cash.add(booked.getOrDefault(month, 0L));
            }
        }
        return PatternFromHistory.of(billed, cash, stream.terms().pattern());
    }
}
