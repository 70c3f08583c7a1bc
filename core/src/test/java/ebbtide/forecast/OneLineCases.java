package ebbtide.forecast;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.flows.Part;
import ebbtide.money.Money;
import ebbtide.plan.Assumption;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/** Plans of a line or two, and what is forecast of them. */
final class OneLineCases {
    static final LocalDate LONG_AGO = LocalDate.of(2020, 1, 1);

    static final LocalDate NEW_YEARS_EVE = LocalDate.of(2026, 12, 31);

    private OneLineCases() {}

    static Line line(String id, Direction direction, Assumption assumption) {
        return new Line(id, null, id, direction, true, null, "", assumption, List.of());
    }

    static Forecast forecast(Settings settings, long cash, Map<String, List<DayAmount>> movements, Line... lines) {
        List<DayAmount> all = movements.values().stream().flatMap(List::stream).toList();
        Books books = new Books(
                List.of(new Account("bank", "Bank", "--", false, LONG_AGO, cash)),
                movements,
                List.of(),
                List.of(),
                List.of(),
                Map.of("bank", all));
        return Forecaster.forecast(new Plan(settings, List.of(lines), List.of()), books);
    }

    static Settings settings(LocalDate asOf, int months) {
        return Settings.of("P", Money.currency("EUR"), asOf).withHorizon(months);
    }

    static Forecast forecast(String asOf, int months, Line... lines) {
        return forecast(settings(LocalDate.parse(asOf), months), 0, Map.of(), lines);
    }

    static long on(Forecast forecast, String line, String day) {
        LocalDate date = LocalDate.parse(day);
        return forecast.cell(forecast.plan().findLine(line).orElseThrow(), new Period(date, date.plusDays(1)))
                .amount();
    }

    static long estimates(Forecast forecast, String line) {
        return forecast.flows(forecast.plan().findLine(line).orElseThrow()).stream()
                .filter(flow -> flow.part() == Part.ESTIMATED)
                .mapToLong(Forecast.DayFlow::minor)
                .sum();
    }
}
