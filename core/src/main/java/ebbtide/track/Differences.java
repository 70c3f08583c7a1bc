package ebbtide.track;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.Expectation;
import ebbtide.billing.LeftOfPlan;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Period;
import ebbtide.track.Difference.Of;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The differences that are asked about when a plan is rolled forward from one as-of date to another (rules 10.5): those
 * of months and windows that closed on the way. What is still open in section 5 is not among them.
 */
public final class Differences {
    private static final int CARRIED_BY = 5;

    private final Plan plan;
    private final Books books;
    private final LocalDate before;
    private final LocalDate now;
    private final List<Difference> found = new ArrayList<>();

    /** Returns the day to which a difference is carried where none is said: five business days on (rules 10.5). */
    public static LocalDate carriedTo(LocalDate asOf, Books books) {
        LocalDate day = asOf;
        for (int i = 0; i < CARRIED_BY; i++) {
            day = books.businessDays().next(day);
        }
        return day;
    }

    private Differences(Plan plan, Books books, LocalDate before) {
        this.plan = plan;
        this.books = books;
        this.before = before;
        this.now = plan.settings().asOf();
    }

    /** Returns the differences that closed after a day and up to the plan's as-of date, the largest first. */
    public static List<Difference> closedAfter(LocalDate before, Plan plan, Books books) {
        Differences differences = new Differences(plan, books, before);
        int late = plan.settings().closedAfter();
        for (YearMonth month = YearMonth.from(before.minusDays(late));
                !month.isAfter(YearMonth.from(differences.now));
                month = month.plusMonths(1)) {
            differences.closed(
                    month,
                    differences.isBetween(month.atEndOfMonth()),
                    differences.isBetween(month.atEndOfMonth().plusDays(late)));
        }
        // As of the day before, so that none is missing that was open then, and with the interest that its profit bore.
        Accounts asItWas = Forecaster.forecast(plan.asOf(before), books).accounts();
        plan.lines().stream()
                .filter(line -> plan.isActive(line)
                        && !line.isGroup()
                        && line.findStream().isEmpty())
                .forEach(line -> differences.windows(line, asItWas));
        differences.found.removeIf(one -> one.open() == 0);
        differences.found.sort(Comparator.comparingLong((Difference one) -> -Math.abs(one.open()))
                .thenComparing(Difference::key));
        return List.copyOf(differences.found);
    }

    private boolean isBetween(LocalDate day) {
        return day.isAfter(before) && !day.isAfter(now);
    }

    /**
     * A month as it was planned before its first day, without any facts, held against its facts: its cash when it is
     * over, what was invoiced when it is closed.
     */
    private void closed(YearMonth month, boolean over, boolean closed) {
        if (!over && !closed) {
            return;
        }
        Plan then = new Plan(
                plan.settings().withAsOf(month.atDay(1).minusDays(1)),
                plan.lines().stream().map(Differences::withoutLedger).toList(),
                List.of());
        Forecast planned = Forecaster.forecast(then, Books.of(books.accounts()));
        for (Line line : plan.lines()) {
            if (plan.isActive(line) && line.findStream().isPresent()) {
                Assumption.Stream stream = line.findStream().get();
                if (stream.basis() == Basis.PATTERN && over) {
                    Period days = Period.of(month);
                    found.add(difference(
                            "cash",
                            line,
                            Of.CASH_OF_MONTH,
                            month,
                            planned.cell(line, days).amount(),
                            booked(line, days)));
                } else if (stream.basis() == Basis.BOOKS && closed) {
                    invoiced(line, stream, month);
                }
            }
        }
    }

    /** What a ledger said was owed on today's as-of date was not so on another. */
    private static Line withoutLedger(Line line) {
        return line.findStream()
                .map(stream -> line.with(stream.withoutLedger()))
                .orElse(line);
    }

    private void invoiced(Line line, Assumption.Stream stream, YearMonth month) {
        LeftOfPlan.Month one = Accounts.of(plan.asOf(month.atEndOfMonth().minusDays(1)), books).stream(line)
                .left()
                .in(month);
        int sign = line.direction().sign();
        found.add(difference(
                "invoiced",
                line,
                Of.INVOICED_OF_MONTH,
                month,
                sign * stream.tax().grossOf(one.planned()),
                sign * stream.tax().grossOf(one.invoiced() + one.onOrder())));
    }

    private long booked(Line line, Period days) {
        return books.byLine().getOrDefault(line.id(), List.of()).stream()
                .filter(movement -> days.contains(movement.day()))
                .mapToLong(DayAmount::minor)
                .sum();
    }

    private static Difference difference(String what, Line line, Of of, YearMonth month, long planned, long actual) {
        return new Difference(
                what + " " + line.id() + " " + month,
                line.id(),
                line.name(),
                line.direction(),
                of,
                month.atDay(1),
                month.atEndOfMonth(),
                planned,
                actual);
    }

    private void windows(Line line, Accounts asItWas) {
        int sign = line.direction().sign();
        Map<LocalDate, Integer> ofDay = new HashMap<>();
        for (Expectation one : asItWas.expectations(line)) {
            int nth = ofDay.merge(one.typed(), 1, Integer::sum);
            if (isBetween(one.windowEnd()) && plan.settings().counts(line.direction(), one.certainty())) {
                found.add(new Difference(
                        "sum " + line.id() + " " + one.typed() + " " + nth,
                        line.id(),
                        line.name(),
                        line.direction(),
                        Of.SUM_ON_DATE,
                        one.day(),
                        one.windowEnd(),
                        sign * one.amount(),
                        sign * one.used()));
            }
        }
    }
}
