package ebbtide.billing;

import static java.util.Objects.requireNonNull;

import ebbtide.books.Account;
import ebbtide.plan.DayTerms;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.BusinessDays;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The days of a forecast by the country of the account through which a line is paid: all days from the first that the
 * bank knows to the horizon, and the days of bills from the earliest that may still be paid after the as-of date.
 */
public final class Calendars {
    private final Map<String, Timeline> timelines = new HashMap<>();
    private final Map<String, PaidDays> paidDays = new HashMap<>();
    private final Map<String, String> countries = new HashMap<>();
    private final String main;

    /** What the days follow from: the accounts' countries, and the first and last months of flows and of bills. */
    public record Span(
            List<Account> accounts, YearMonth first, YearMonth last, YearMonth firstBill, YearMonth lastBill) {

        /** Returns the span of a plan whose bank knows movements from a day on. */
        public static Span of(Plan plan, List<Account> accounts, LocalDate firstMovement) {
            LocalDate asOf = plan.settings().asOf();
            LocalDate first = firstMovement.isBefore(asOf) ? firstMovement : asOf;
            return new Span(
                    accounts,
                    YearMonth.from(first),
                    YearMonth.from(plan.settings().horizonEnd()),
                    plan.settings().firstForecastMonth().minusMonths(DayTerms.MOST_MONTHS),
                    plan.lastEarnedMonth());
        }
    }

    /** Makes the days of a span; a plan without accounts has days without bank holidays. */
    public Calendars(Span span) {
        this.main = span.accounts().isEmpty() ? "--" : span.accounts().get(0).country();
        make(main, span);
        for (Account account : span.accounts()) {
            countries.putIfAbsent(account.id(), account.country());
            make(account.country(), span);
        }
    }

    private void make(String country, Span span) {
        if (!timelines.containsKey(country)) {
            BusinessDays calendar = BusinessDays.ofCountry(country);
            timelines.put(country, new Timeline(span.first(), span.last(), calendar));
            paidDays.put(country, new PaidDays(new Timeline(span.firstBill(), span.lastBill(), calendar)));
        }
    }

    private String country(Line line) {
        return countries.getOrDefault(String.valueOf(line.account()), main);
    }

    /** Returns the days of the plan's first account. */
    public Timeline main() {
        return requireNonNull(timelines.get(main));
    }

    /** Returns the days on which a line is paid. */
    public Timeline timeline(Line line) {
        return requireNonNull(timelines.get(country(line)));
    }

    /** Returns the business days on which a line is paid. */
    public BusinessDays calendar(Line line) {
        return timeline(line).calendar();
    }

    /** Returns the days of a line's bills from the earliest one that may still be paid after the as-of date. */
    public PaidDays paidDays(Line line) {
        return requireNonNull(paidDays.get(country(line)));
    }
}
