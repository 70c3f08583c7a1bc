package ebbtide.workings;

import static ebbtide.time.DayFormats.MONTH;
import static java.util.Objects.requireNonNull;

import ebbtide.accounts.PatternSchedule;
import ebbtide.activity.ActivityCalculator;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.RollForward;
import ebbtide.forecast.RollForwards;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Period;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** A figure of a roll-forward opened into its parts, which add up to it (rules 9.3 g, 12.1). */
public final class RollForwardWorkings {
    /** The row of what is left at a month's end. */
    public static final String CLOSING = "closing";
    /** The row of what there was before a month. */
    public static final String OPENING = "opening";

    private final Forecast forecast;
    private final Plan plan;
    private final RollForward roll;
    private final Period period;
    private final RollForward.Over over;
    /** The first month of the period. */
    private final YearMonth month;

    private RollForwardWorkings(Forecast forecast, RollForward roll, Period period) {
        this.forecast = forecast;
        this.plan = forecast.plan();
        this.roll = roll;
        this.period = period;
        this.over = roll.over(period);
        this.month = YearMonth.from(period.startInclusive());
    }

    /**
     * Returns the parts of a row ("opening", a change by its name, "closing") of a kind's roll-forward in a period of
     * whole months; a null line means the total. A change over several months is their sum.
     *
     * @throws Refused for what is not there
     */
    public static List<Workings.Item> of(
            Forecast forecast, RollForward.Kind kind, @Nullable String lineId, String row, Period period) {
        YearMonth first = forecast.plan().settings().firstForecastMonth();
        int months = Math.max(1, (int) first.until(YearMonth.from(period.lastDay()), ChronoUnit.MONTHS) + 1);
        List<RollForward> rolled = lineId == null
                ? RollForwards.of(forecast, months)
                : forecast.plan()
                        .findLine(lineId)
                        .map(line -> RollForwards.of(forecast, line, months))
                        .orElse(List.of());
        List<RollForward> all =
                rolled.stream().filter(roll -> roll.kind() == kind).toList();
        RollForward roll = all.stream()
                .filter(one -> Objects.equals(one.lineId(), lineId))
                .findFirst()
                .orElseThrow(() -> new Refused("There is no such roll-forward"));
        boolean there = row.equals(OPENING)
                || row.equals(CLOSING)
                || roll.changes().stream().anyMatch(change -> change.name().equals(row));
        if (!there) {
            throw new Refused("The roll-forward of " + roll.name() + " has no row '" + row + "'");
        }
        RollForwardWorkings workings = new RollForwardWorkings(forecast, roll, period);
        return lineId == null ? workings.byLine(all, row) : workings.ofLine(row);
    }

    private List<Workings.Item> byLine(List<RollForward> all, String row) {
        List<Workings.Item> items = new ArrayList<>();
        for (RollForward one : all) {
            if (one.lineId() != null) {
                add(items, one.name(), "", new RollForwardWorkings(forecast, one, period).amount(row));
            }
        }
        return items;
    }

    private long amount(String row) {
        return switch (row) {
            case OPENING -> over.opening();
            case CLOSING -> over.closing();
            default -> {
                long minor = 0;
                for (int i = 0; i < roll.changes().size(); i++) {
                    minor += roll.changes().get(i).name().equals(row)
                            ? over.changes().get(i)
                            : 0;
                }
                yield minor;
            }
        };
    }

    private List<Workings.Item> ofLine(String row) {
        List<Workings.Item> items = new ArrayList<>();
        Line line = plan.findLine(requireNonNull(roll.lineId())).orElseThrow();
        if (row.equals(CLOSING)) {
            add(items, "opening", "", over.opening());
            roll.changes().forEach(change -> add(items, change.name(), "", amount(change.name())));
        } else if (row.equals(OPENING)) {
            boolean first = roll.months().get(0).equals(month);
            add(
                    items,
                    (first ? "at the end of " : "closing of ") + MONTH.format(month.minusMonths(1)),
                    first ? "what the months before it left" : "",
                    over.opening());
        } else if (!month.equals(YearMonth.from(period.lastDay()))) {
            byMonth(items, row);
        } else if (roll.kind() == RollForward.Kind.STOCK) {
            ActivityCalculator activity = forecast.accounts().activity();
            add(
                    items,
                    row,
                    row.equals("purchases") ? activity.words(line, Timeline.monthNumber(month)) : "",
                    amount(row));
        } else if (line.findStream().isPresent()) {
            ofStream(items, line, row);
        } else if (roll.kind() == RollForward.Kind.SALES_TAX && !row.equals("settled")) {
            forecast.accounts().salesTax(line).lines(month, month).stream()
                    .filter(tax -> (tax.direction() == ebbtide.plan.Direction.RECEIPT) == row.equals("on receipts"))
                    .forEach(tax -> add(
                            items,
                            tax.name(),
                            "tax points after the as-of date",
                            tax.minor() * tax.direction().sign()));
        }
        return items.isEmpty() ? List.of(new Workings.Item(null, row, "", null, amount(row))) : items;
    }

    private void byMonth(List<Workings.Item> items, String row) {
        for (YearMonth one = month; !one.isAfter(YearMonth.from(period.lastDay())); one = one.plusMonths(1)) {
            add(items, MONTH.format(one), "", new RollForwardWorkings(forecast, roll, Period.of(one)).amount(row));
        }
    }

    private void ofStream(List<Workings.Item> items, Line line, String row) {
        PatternSchedule schedule = PatternSchedule.of(forecast.accounts().stream(line), month, 1);
        ActivityCalculator activity = forecast.accounts().activity();
        int number = Timeline.monthNumber(month);
        if (row.equals("billed")) {
            long amount = activity.planned(line).in(number);
            long tax = line.assumption().tax().taxOf(amount);
            add(
                    items,
                    "net",
                    activity.words(line, number),
                    line.assumption().tax().grossOf(amount) - tax);
            add(items, line.assumption().tax().rate() + " sales tax", "", tax);
            add(
                    items,
                    isOnBooks(line)
                            ? "taken by what is invoiced already, with orders delivered"
                            : "less what was billed up to the as-of date",
                    "",
                    amount(row) - line.assumption().tax().grossOf(amount));
        } else if (row.equals("discount") || row.equals("collected") || row.equals("paid")) {
            schedule.billed().forEach(billed -> billed.payments()
                    .forEach(payment -> add(
                            items,
                            "of " + MONTH.format(billed.month()),
                            "billed "
                                    + Money.words(
                                            billed.gross(), plan.settings().currency()),
                            -(row.equals("discount") ? payment.discount() : payment.cash()))));
        }
        long explained = items.stream().mapToLong(Workings.Item::minor).sum();
        if (!items.isEmpty()) {
            add(
                    items,
                    isOnBooks(line) ? "open items, in the months they are expected" : "trued up to the ledger",
                    "",
                    amount(row) - explained);
        }
    }

    private static boolean isOnBooks(Line line) {
        return ((Assumption.Stream) line.assumption()).basis() == Basis.BOOKS;
    }

    private static void add(List<Workings.Item> items, String what, String because, long minor) {
        if (minor != 0) {
            items.add(new Workings.Item(null, what, because, null, minor));
        }
    }
}
