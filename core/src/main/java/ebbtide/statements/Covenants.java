package ebbtide.statements;

import static ebbtide.time.DayFormats.LONG_DAY;

import ebbtide.accounts.ActualProfit;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.FundingTable;
import ebbtide.money.Money;
import ebbtide.plan.CashRow;
import ebbtide.plan.Covenant;
import ebbtide.plan.Covenant.PastMonth;
import ebbtide.plan.Covenant.Ratio;
import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.Plan;
import ebbtide.time.Period;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Currency;
import java.util.List;
import java.util.function.Predicate;
import java.util.function.ToLongFunction;
import org.jspecify.annotations.Nullable;

/** The tests of covenants over the horizon (rules 8.8): each value, whether it holds, and how much room is left. */
public final class Covenants {
    private static final int MONTHS = 12;
    private static final int DAYS_BACK = 91;
    private final Forecast forecast;
    private final Plan plan;
    private final Statements statements;
    private final ActualProfit actual;
    private final YearMonth first;

    private Covenants(Forecast forecast) {
        this.forecast = forecast;
        this.plan = forecast.plan();
        this.first = plan.settings().firstForecastMonth();
        this.statements = Statements.of(forecast);
        this.actual = ActualProfit.of(plan, forecast.books().actual());
    }

    /** How a test stands. */
    public enum Standing {
        HOLDS,
        BREAKS,
        /** A month before the forecast that it reads was not typed. */
        NOT_KNOWN
    }

    /**
     * A test of a covenant at the end of a month: its value (a ratio in two decimals, or minor units of money; null
     * when not known, or when nothing is owed to hold it against), how much less liquidity, EBITDA or current assets
     * would still hold it, in minor units (below zero: what is missing), and by how many days all customers could pay
     * later (null: that does not move it).
     */
    public record Tested(
            Covenant covenant,
            LocalDate date,
            @Nullable BigDecimal value,
            Standing standing,
            @Nullable Long room,
            @Nullable Long daysLater) {}

    /**
     * How a covenant stands over the horizon: the test with the least room of those that are known (null: none is, or
     * nothing is owed to hold it against), the first that breaks (null: none), and whether every test is known.
     */
    public record Summary(
            Covenant covenant,
            @Nullable Tested tightest,
            @Nullable Tested firstBreak,
            boolean known) {

        /**
         * Returns when it breaks first and what is missing then, or how little is left at its tightest; empty where
         * there is nothing to say.
         */
        public String sentence(Currency currency) {
            String of =
                    switch (covenant.ratio()) {
                        case LEAST_LIQUIDITY -> "liquidity";
                        case CURRENT_RATIO -> "current assets";
                        default -> "EBITDA";
                    };
            if (firstBreak != null) {
                return covenant.name() + " breaks first on " + LONG_DAY.format(firstBreak.date())
                        + (firstBreak.room() == null
                                ? ""
                                : ": " + Money.words(-firstBreak.room(), currency) + " of " + of + " is missing");
            }
            return tightest == null || tightest.room() == null
                    ? ""
                    : covenant.name() + " is tightest on " + LONG_DAY.format(tightest.date()) + ": it holds with "
                            + Money.words(tightest.room(), currency) + " less " + of
                            + (tightest.daysLater() == null
                                    ? ""
                                    : ", or with all customers " + tightest.daysLater() + " days later");
        }

        static Summary of(Covenant covenant, List<Tested> tests) {
            return new Summary(
                    covenant,
                    tests.stream()
                            .filter(one -> one.room() != null)
                            .min(Comparator.comparingLong(Tested::room))
                            .orElse(null),
                    tests.stream()
                            .filter(one -> one.standing() == Standing.BREAKS)
                            .findFirst()
                            .orElse(null),
                    tests.stream().noneMatch(one -> one.standing() == Standing.NOT_KNOWN));
        }
    }

    /** Returns how each covenant of a plan stands, in their order. */
    public static List<Summary> summaries(Forecast forecast) {
        List<Tested> tests = of(forecast);
        return forecast.plan().settings().covenants().stream()
                .map(covenant -> Summary.of(
                        covenant,
                        tests.stream()
                                .filter(one -> one.covenant().equals(covenant))
                                .toList()))
                .toList();
    }

    /** What the twelve months up to a date came to; null where a month of them is not known. */
    private record Year(long ebitda, long interest, long tax, long spending, long principal) {}

    /**
     * Returns every test of every covenant of a plan from the first month that is forecast, in order of covenant and
     * date.
     */
    public static List<Tested> of(Forecast forecast) {
        List<Covenant> covenants = forecast.plan().settings().covenants();
        if (covenants.isEmpty()) {
            return List.of();
        }
        Covenants all = new Covenants(forecast);
        List<Tested> tested = new ArrayList<>();
        for (Covenant covenant : covenants) {
            LocalDate since = forecast.plan().settings().asOf();
            for (YearMonth month = all.first;
                    !month.atEndOfMonth().isAfter(forecast.lastDay());
                    month = month.plusMonths(1)) {
                if (covenant.isTested(month, forecast.plan().settings().firstFiscalMonth())) {
                    tested.add(
                            covenant.ratio() == Ratio.LEAST_LIQUIDITY
                                    ? all.liquidity(covenant, since, month.atEndOfMonth())
                                    : all.ratio(covenant, month));
                    since = month.atEndOfMonth();
                }
            }
        }
        return List.copyOf(tested);
    }

    private Tested liquidity(Covenant covenant, LocalDate since, LocalDate date) {
        long least = Long.MAX_VALUE;
        for (LocalDate day = since.plusDays(1); !day.isAfter(date); day = day.plusDays(1)) {
            least = Math.min(
                    least, forecast.liquidity().liquidity(forecast.timeline().index(day)));
        }
        long room = least - covenant.bound().longValue();
        return new Tested(
                covenant,
                date,
                BigDecimal.valueOf(least),
                room < 0 ? Standing.BREAKS : Standing.HOLDS,
                room,
                daysLater(room, date));
    }

    private int at(YearMonth month) {
        return (int) first.until(month, ChronoUnit.MONTHS);
    }

    /** Current assets over what is owed within twelve months; not known without an opening balance sheet. */
    private Tested current(Covenant covenant, YearMonth month) {
        LocalDate date = month.atEndOfMonth();
        if (statements.opensWithout()) {
            return new Tested(covenant, date, null, Standing.NOT_KNOWN, null, null);
        }
        long assets = statements.balance().figure("current-assets").in(at(month));
        long owed = statements.balance().figure("current-liabilities").in(at(month));
        return owed <= 0
                ? new Tested(covenant, date, null, Standing.HOLDS, null, null)
                : tested(covenant, date, new Fraction(assets, owed), assets - times(owed, covenant.bound()), null);
    }

    private long owed(YearMonth month) {
        FundingTable table = FundingTable.of(forecast, List.of(days(month)));
        return table.total().owed().get(0)
                - table.debts().stream()
                        .filter(debt -> plan.findLine(debt.id())
                                .filter(line -> !counts(line))
                                .isPresent())
                        .mapToLong(debt -> debt.owed().get(0))
                        .sum();
    }

    private Tested ratio(Covenant covenant, YearMonth month) {
        if (covenant.ratio() == Ratio.CURRENT_RATIO) {
            return current(covenant, month);
        }
        LocalDate date = month.atEndOfMonth();
        Year year = year(month, covenant.ratio() == Ratio.DEBT_SERVICE_COVER);
        if (year == null) {
            return new Tested(covenant, date, null, Standing.NOT_KNOWN, null, null);
        }
        long debt = owed(month) - forecast.closing(date);
        return switch (covenant.ratio()) {
            case NET_DEBT_TO_EBITDA ->
                debt <= 0
                        ? new Tested(covenant, date, null, Standing.HOLDS, null, null)
                        : tested(
                                covenant,
                                date,
                                new Fraction(debt, year.ebitda()),
                                year.ebitda() - divide(debt, covenant.bound()),
                                daysLater(times(Math.max(0, year.ebitda()), covenant.bound()) - debt, date));
            case INTEREST_COVER ->
                year.interest() <= 0
                        ? new Tested(covenant, date, null, Standing.HOLDS, null, null)
                        : tested(
                                covenant,
                                date,
                                new Fraction(year.ebitda(), year.interest()),
                                year.ebitda() - times(year.interest(), covenant.bound()),
                                null);
            default -> {
                long service = year.interest() + year.principal();
                long earned = year.ebitda() - year.tax() - year.spending();
                yield service <= 0
                        ? new Tested(covenant, date, null, Standing.HOLDS, null, null)
                        : tested(
                                covenant,
                                date,
                                new Fraction(earned, service),
                                earned - times(service, covenant.bound()),
                                null);
            }
        };
    }

    /** What a ratio is the quotient of, in minor units. */
    private record Fraction(long top, long bottom) {
        /**
         * Returns the ratio, which is rounded only to be shown; none where what it is a multiple of is not above zero.
         */
        @Nullable
        BigDecimal shown() {
            return bottom <= 0
                    ? null
                    : BigDecimal.valueOf(top).divide(BigDecimal.valueOf(bottom), 2, RoundingMode.HALF_UP);
        }
    }

    /** Room below zero breaks it: what EBITDA lacks. */
    private static Tested tested(
            Covenant covenant, LocalDate date, Fraction ratio, long room, @Nullable Long daysLater) {
        return new Tested(
                covenant,
                date,
                ratio.shown(),
                room < 0 || ratio.bottom() <= 0 ? Standing.BREAKS : Standing.HOLDS,
                room,
                daysLater);
    }

    /**
     * For how many whole days the room would cover what customers pay in a day, on the mean of the days up to the date,
     * at most 91.
     */
    private @Nullable Long daysLater(long room, LocalDate date) {
        LocalDate from = date.minusDays(DAYS_BACK - 1L);
        LocalDate open = plan.settings().asOf().plusDays(1);
        Period days = new Period(from.isBefore(open) ? open : from, date.plusDays(1));
        long received = plan.lines().stream()
                .filter(line -> !line.isGroup() && line.nature() == Nature.SALES)
                .mapToLong(line -> forecast.cell(line, days).amount())
                .sum();
        long length = ChronoUnit.DAYS.between(days.startInclusive(), days.endExclusive());
        return received <= 0
                ? null
                : Long.valueOf(Math.max(
                        0,
                        BigDecimal.valueOf(room)
                                .multiply(BigDecimal.valueOf(length))
                                .divide(BigDecimal.valueOf(received), 0, RoundingMode.DOWN)
                                .longValueExact()));
    }

    /** The least EBITDA with which so much net debt is still allowed, rounded up. */
    private static long divide(long debt, BigDecimal bound) {
        return bound.signum() == 0
                ? Long.MAX_VALUE / 4
                : BigDecimal.valueOf(debt).divide(bound, 0, RoundingMode.UP).longValueExact();
    }

    private static long times(long minor, BigDecimal bound) {
        return BigDecimal.valueOf(minor)
                .multiply(bound)
                .setScale(0, RoundingMode.UP)
                .longValueExact();
    }

    /**
     * What the ledger has of a month before the first that is forecast stands in the place of what is typed of it; tax,
     * spending and principal paid are typed.
     */
    private @Nullable PastMonth past(YearMonth month, YearMonth from, boolean service) {
        PastMonth typed = plan.settings().pastMonths().get(month);
        ActualProfit.Span span =
                actual.of(month).filter(one -> !one.since().isBefore(from)).orElse(null);
        if (span == null || service && typed == null) {
            return typed;
        }
        boolean shown = span.month().equals(month);
        return new PastMonth(
                shown ? span.ebitda() : 0,
                shown ? span.interest() : 0,
                typed == null ? 0 : typed.tax(),
                typed == null ? 0 : typed.spending(),
                typed == null ? 0 : typed.principal());
    }

    private @Nullable Year year(YearMonth last, boolean service) {
        YearMonth from = last.minusMonths(MONTHS - 1L);
        Year sum = new Year(0, 0, 0, 0, 0);
        for (int back = MONTHS - 1; back >= 0; back--) {
            YearMonth month = last.minusMonths(back);
            PastMonth one = month.isBefore(first) ? past(month, from, service) : planned(month);
            if (one == null) {
                return null;
            }
            sum = new Year(
                    sum.ebitda() + one.ebitda(),
                    sum.interest() + one.interest(),
                    sum.tax() + one.tax(),
                    sum.spending() + one.spending(),
                    sum.principal() + one.principal());
        }
        return sum;
    }

    private PastMonth planned(YearMonth month) {
        Period days = days(month);
        long lent = sum(days, Covenants::isRepaid, minor -> Math.max(0, minor));
        long spent = -sum(days, line -> line.standing().cash() == CashRow.CAPITAL, minor -> minor);
        return new PastMonth(
                statements.income().figure("ebitda").in(at(month)),
                -sum(days, this::costs, minor -> minor),
                -sum(days, line -> line.standing().cash() == CashRow.PROFIT_TAX, minor -> minor),
                Math.max(0, spent - lent),
                -sum(days, Covenants::isRepaid, minor -> Math.min(0, minor)));
    }

    /** What repays a debt that counts; a contract may leave leases out. */
    private static boolean isRepaid(Line line) {
        return line.standing().cash().isRepaid() && counts(line);
    }

    private static boolean counts(Line line) {
        return !(line.assumption() instanceof Lease lease) || lease.inCovenants();
    }

    /** What is earned is no cost of debt. */
    private boolean costs(Line line) {
        return IncomeStatement.isInterestOnDebt(line)
                && line.assumption()
                        .findInterest()
                        .flatMap(interest -> plan.findLine(interest.lineId()))
                        .filter(of -> !counts(of))
                        .isEmpty();
    }

    /** Each day's flows of lines of a kind, taken one by one: what is lent and repaid in one month is told apart. */
    private long sum(Period days, Predicate<Line> which, ToLongFunction<Long> of) {
        return plan.lines().stream()
                .filter(which)
                .flatMap(line -> forecast.flows(line).stream())
                .filter(flow -> days.contains(flow.day()))
                .mapToLong(flow -> of.applyAsLong(flow.minor()))
                .sum();
    }

    private static Period days(YearMonth month) {
        return Period.of(month);
    }
}
