package ebbtide.activity;

import static java.util.Objects.requireNonNull;

import ebbtide.derive.Derived;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.ActivityMethod.StockPurchases;
import ebbtide.plan.Alteration;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.LineSettings;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The computation of every stream's monthly amounts (rules 2), from the first month known to the last one needed. One
 * for a plan; each line is worked out once, and taken over from an earlier plan where it reads the same.
 */
public final class ActivityCalculator {
    private final Plan plan;
    private final Map<String, Line> byId = new HashMap<>();
    private final Derived<Reads, MonthlyActivity> planned;
    private final Derived<Gross, MonthlyActivity> net;
    private final Derived<Reads, StockRoll> stock;
    private final int firstMonth;
    private final int lastMonth;
    private final int firstForecastMonth;

    /**
     * What a stream's months are worked out from, and what a scenario does to them; {@code read} is the other line that
     * its method reads, empty where it reads none.
     */
    private record Reads(
            Assumption.Stream stream,
            List<Alteration.OfMonths> altered,
            LineSettings settings,
            int first,
            int last,
            List<OtherLine> read) {
        MonthlyAmounts amounts() {
            return MonthlyAmounts.of(stream, settings, read);
        }

        StockRoll stock() {
            return ((StockAmounts) amounts()).roll(last);
        }

        MonthlyActivity activity(@Nullable StockRoll roll) {
            int open = Timeline.monthNumber(settings.firstForecastMonth());
            boolean withPast = stream.method() instanceof ShareOfLine;
            MonthSeries method = roll == null ? amounts().months(first, last) : StockAmounts.months(roll, first, last);
            MonthSeries.Sum amounts =
                    new MonthSeries.Sum(MonthSeries.of(first, last, m -> withPast || m >= open ? method.in(m) : 0));
            stream.history()
                    .headMap(settings.firstForecastMonth())
                    .forEach((month, amount) -> amounts.put(Timeline.monthNumber(month), amount));
            MonthSeries computed = amounts.series();
            stream.overrides()
                    .tailMap(settings.firstForecastMonth())
                    .forEach((month, override) -> amounts.put(Timeline.monthNumber(month), override.amount()));
            altered.forEach(one -> one.alter(amounts, open, last));
            return new MonthlyActivity(computed, amounts.series());
        }
    }

    /** A stream's months as it types them, and the tax that may be in them. */
    private record Gross(MonthlyActivity amounts, SalesTax tax) {}

    /** Makes the calculator for a plan without problems ({@link ebbtide.plan.PlanCheck}). */
    public ActivityCalculator(Plan plan) {
        this(plan, Derived.none(), Derived.none(), Derived.none());
    }

    private ActivityCalculator(
            Plan plan,
            Derived<Reads, MonthlyActivity> planned,
            Derived<Gross, MonthlyActivity> net,
            Derived<Reads, StockRoll> stock) {
        this.plan = plan;
        this.planned = planned;
        this.net = net;
        this.stock = stock;
        this.firstForecastMonth = Timeline.monthNumber(plan.settings().firstForecastMonth());
        int first = firstForecastMonth;
        int last = Timeline.monthNumber(plan.lastEarnedMonth());
        int lag = 0;
        int lead = 0;
        int stockAhead = 0;
        for (Line line : plan.lines()) {
            byId.put(line.id(), line);
            if (line.assumption() instanceof Assumption.Stream stream) {
                lag = Math.max(lag, stream.terms().monthsBack());
                lead = Math.max(lead, stream.terms().monthsAhead());
                if (stream.method() instanceof StockPurchases buying) {
                    stockAhead = Math.max(stockAhead, buying.policy().monthsAhead());
                }
                if (!stream.history().isEmpty()) {
                    first = Math.min(
                            first, Timeline.monthNumber(stream.history().firstKey()));
                }
            }
        }
        this.firstMonth = Math.min(first, firstForecastMonth - lag);
        this.lastMonth = last + lead + stockAhead;
    }

    /**
     * Returns the calculator of another plan, which takes over what this one has worked out of lines that read the
     * same.
     */
    public ActivityCalculator next(Plan other) {
        return new ActivityCalculator(other, planned.next(), net.next(), stock.next());
    }

    /**
     * Returns the monthly amounts planned for a line that is a stream, from the first month known to the last one
     * needed.
     */
    public MonthlyActivity planned(Line line) {
        return planned.of(
                line.id(),
                () -> reads(line(line.id())),
                reads -> reads.activity(reads.stream().method() instanceof StockPurchases ? stock(line) : null));
    }

    private Line line(String id) {
        return requireNonNull(byId.get(id));
    }

    private Reads reads(Line line) {
        Assumption.Stream stream = (Assumption.Stream) line.assumption();
        return new Reads(
                stream,
                line.alteredMonths(),
                plan.settings().ofLines(),
                firstMonth,
                lastMonth,
                line.reads().stream()
                        .map(id -> new OtherLine(line(id).name(), net(id)))
                        .toList());
    }

    /**
     * Returns the months of stock of a line that buys for it, from the first that is forecast; how long it lasts is
     * asked there.
     */
    public StockRoll stock(Line line) {
        return stock.of(line.id(), () -> reads(line(line.id())), Reads::stock);
    }

    /**
     * Returns what is planned for a line that is a stream, net of sales tax however the line types it: what other lines
     * read of it (rules 3.1).
     */
    public MonthlyActivity net(String lineId) {
        Line line = line(lineId);
        return net.of(lineId, () -> new Gross(planned(line), line.assumption().tax()), gross -> gross.amounts()
                .without(gross.tax()));
    }

    /** Returns where a stream's figure of a month comes from, in words: "history", "55% of Grocery chains 412,000". */
    public String words(Line line, int monthNumber) {
        String altered = monthNumber < firstForecastMonth ? "" : alteredWords(line, Timeline.month(monthNumber));
        return wordsOfBase(line, monthNumber) + altered;
    }

    /** What a scenario does to a month, in words, the last of it last. */
    private String alteredWords(Line line, YearMonth month) {
        return line.alteredMonths().stream()
                .map(one -> one instanceof Alteration.MonthsShifted shifted
                        ? "; in '" + shifted.by() + "' what moves by "
                                + Math.abs(shifted.months()) + (Math.abs(shifted.months()) == 1 ? " month" : " months")
                                + (shifted.months() < 0 ? " sooner" : " later")
                        : one.range().touches(month) ? amountWords((Alteration.Amounts) one) : "")
                .collect(Collectors.joining());
    }

    private String amountWords(Alteration.Amounts one) {
        return "; in '" + one.by() + "' "
                + switch (one.kind()) {
                    case SCALE -> new Percent(one.value()) + " of that";
                    case ADD ->
                        Money.words(Math.abs(one.value()), plan.settings().currency())
                                + (one.value() < 0 ? " less" : " more");
                    case SET -> Money.words(one.value(), plan.settings().currency());
                };
    }

    private String wordsOfBase(Line line, int monthNumber) {
        Assumption.Stream stream = (Assumption.Stream) line.assumption();
        YearMonth month = Timeline.month(monthNumber);
        if (monthNumber < firstForecastMonth && stream.history().containsKey(month)) {
            return "actual of " + Words.month(month) + ", from history";
        }
        Assumption.MonthOverride override = stream.overrides().get(month);
        if (override != null && monthNumber >= firstForecastMonth) {
            return "overridden: " + override.reason() + " (computed "
                    + Money.words(
                            planned(line).computedIn(monthNumber),
                            plan.settings().currency()) + ", "
                    + reads(line).amounts().words(month) + ")";
        }
        if (monthNumber < firstForecastMonth && !(stream.method() instanceof ShareOfLine)) {
            return "no history of " + Words.month(month) + ": taken as nil";
        }
        return reads(line).amounts().words(month);
    }
}
