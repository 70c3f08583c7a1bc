package ebbtide.workings;

import static ebbtide.time.DayFormats.MONTH;
import static java.util.Objects.requireNonNull;

import ebbtide.accounts.PatternSchedule;
import ebbtide.activity.ActivityCalculator;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.RollForward;
import ebbtide.forecast.RollForwards;
import ebbtide.money.Money;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;

/** A figure of a roll-forward opened into its parts, which add up to it (rules 9.3 g, 12.1). */
public final class RollForwardWorkings {
    /** The row of what is left at a month's end. */
    public static final String CLOSING = "closing";
    /** The row of what there was before a month. */
    public static final String OPENING = "opening";

    private final Forecast forecast;
    private final Plan plan;
    private final RollForward roll;
    private final YearMonth month;
    private final int at;

    private RollForwardWorkings(Forecast forecast, RollForward roll, YearMonth month) {
        this.forecast = forecast;
        this.plan = forecast.plan();
        this.roll = roll;
        this.month = month;
        this.at = roll.months().indexOf(month);
    }

    /**
     * Returns the parts of a row ("opening", a change by its name, "closing") of a kind's roll-forward in a month; a
     * null line means the total.
     *
     * @throws IllegalArgumentException for what is not there
     */
    public static List<Workings.Item> of(
            Forecast forecast, RollForward.Kind kind, String lineId, String row, YearMonth month) {
        int months =
                (int) forecast.plan().settings().firstForecastMonth().until(month, java.time.temporal.ChronoUnit.MONTHS)
                        + 1;
        List<RollForward> rolled = lineId == null
                ? RollForwards.of(forecast, Math.max(1, months))
                : forecast.plan()
                        .findLine(lineId)
                        .map(line -> RollForwards.of(forecast, line, Math.max(1, months)))
                        .orElse(List.of());
        List<RollForward> all =
                rolled.stream().filter(roll -> roll.kind() == kind).toList();
        RollForward roll = all.stream()
                .filter(one -> java.util.Objects.equals(one.lineId(), lineId))
                .findFirst()
                .orElse(null);
        if (roll == null || !roll.months().contains(month)) {
            throw new IllegalArgumentException("There is no such roll-forward in " + month);
        }
        boolean there = row.equals(OPENING)
                || row.equals(CLOSING)
                || roll.changes().stream().anyMatch(change -> change.name().equals(row));
        if (!there) {
            throw new IllegalArgumentException("The roll-forward of " + roll.name() + " has no row '" + row + "'");
        }
        RollForwardWorkings workings = new RollForwardWorkings(forecast, roll, month);
        return lineId == null ? workings.byLine(all, row) : workings.ofLine(row);
    }

    private List<Workings.Item> byLine(List<RollForward> all, String row) {
        List<Workings.Item> items = new ArrayList<>();
        for (RollForward one : all) {
            if (one.lineId() != null) {
                add(items, one.name(), "", new RollForwardWorkings(forecast, one, month).amount(row));
            }
        }
        return items;
    }

    private long amount(String row) {
        return switch (row) {
            case OPENING -> roll.opening().get(at);
            case CLOSING -> roll.closing().get(at);
            default ->
                roll.changes().stream()
                        .filter(change -> change.name().equals(row))
                        .mapToLong(change -> change.amounts().get(at))
                        .sum();
        };
    }

    private List<Workings.Item> ofLine(String row) {
        List<Workings.Item> items = new ArrayList<>();
        Line line = plan.findLine(requireNonNull(roll.lineId())).orElseThrow();
        if (row.equals(CLOSING)) {
            add(items, "opening", "", roll.opening().get(at));
            roll.changes()
                    .forEach(change ->
                            add(items, change.name(), "", change.amounts().get(at)));
        } else if (row.equals(OPENING)) {
            add(
                    items,
                    at == 0
                            ? "at the end of " + MONTH.format(month.minusMonths(1))
                            : "closing of " + MONTH.format(month.minusMonths(1)),
                    at == 0 ? "what the months before it left" : "",
                    roll.opening().get(at));
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
