package ebbtide.forecast;

import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.Amount;
import ebbtide.books.OpenItem.Kind;
import ebbtide.books.OpenItems;
import ebbtide.flows.Cell;
import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.DayTerms;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Handling.Standing;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Open items of one line of sales and what is forecast of them; weekends the only holidays. */
final class OpenItemCases {
    static final LocalDate FRIDAY = LocalDate.of(2026, 3, 20);

    static final YearMonth MARCH = YearMonth.of(2026, 3);

    private OpenItemCases() {}

    static Line sales(Map<YearMonth, Long> months, int days) {
        return new Line(
                "s",
                null,
                "Sales",
                Direction.RECEIPT,
                true,
                null,
                "",
                new Assumption.Stream(
                        new TypedMonths(new TreeMap<>(months)),
                        List.of(),
                        new TreeMap<>(),
                        new TreeMap<>(),
                        SalesTax.NONE,
                        Terms.byDays(new DayTerms(DayTerms.Due.AFTER_ISSUE, days, 0, Convention.FOLLOWING)),
                        null,
                        new Spread.Even(),
                        Basis.BOOKS),
                List.of());
    }

    static OpenItem item(Kind kind, String id, LocalDate supplied, LocalDate due, long gross, long open) {
        return new OpenItem(
                id,
                kind,
                id,
                "Gullrock Hotels",
                "s",
                supplied,
                supplied,
                due,
                new Amount(gross, 0, false, open),
                null,
                Handling.NONE,
                null);
    }

    static OpenItem said(OpenItem item, LocalDate expected, LocalDate promised, Standing standing) {
        return item.with(new Handling(expected, promised, standing, ""));
    }

    static Forecast forecast(LocalDate asOf, Line line, List<OpenItem> items, DayAmount... movements) {
        return forecast(0, asOf, line, items, movements);
    }

    static Forecast forecast(int closedAfter, LocalDate asOf, Line line, List<OpenItem> items, DayAmount... movements) {
        Books books = new Books(
                        List.of(new Account("a", "A", "--", false, asOf, 0)),
                        Map.of("s", List.of(movements)),
                        List.of(),
                        List.of(),
                        List.of(),
                        Map.of("a", List.of(movements)))
                .with(OpenItems.of(items));
        return Forecaster.forecast(
                new Plan(
                        Settings.of("P", Money.currency("GBP"), asOf).withClosedAfter(closedAfter),
                        List.of(line),
                        List.of()),
                books);
    }

    static Cell on(Forecast forecast, String day) {
        LocalDate date = LocalDate.parse(day);
        return forecast.cell(forecast.plan().lines().get(0), new Period(date, date.plusDays(1)));
    }

    static Period month(YearMonth month) {
        return new Period(month.atDay(1), month.plusMonths(1).atDay(1));
    }
}
