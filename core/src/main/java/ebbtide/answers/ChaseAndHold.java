package ebbtide.answers;

import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.funding.Liquidity;
import ebbtide.items.ExpectedItem;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.Alteration;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.time.BusinessDays;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The open items that lift low water most when each is moved alone: receivables collected some days sooner, payables
 * paid as many days later. Items are ranked by how much their amount lifts the days between; of the best the forecast
 * is worked out anew, so what is said of them is what keeping them does.
 */
public final class ChaseAndHold {
    private static final int SHOWN = 12;

    private ChaseAndHold() {}

    /**
     * An item moved to a day: low water then, by how much the least headroom is lifted, and what moving it costs, in
     * words.
     */
    public record Chance(ItemTable.Row row, LocalDate to, Liquidity.LowWater lowWater, long lift, String cost) {}

    /** Returns the items of a direction whose moving by some days lifts low water, the greatest lift first. */
    public static List<Chance> of(Forecast forecast, Direction direction, int days) {
        List<Moved> moved = new ArrayList<>();
        for (ItemTable.Row row : ItemTable.of(forecast, direction).rows()) {
            if (!row.expected().isLeftOut()
                    && row.expected().minor() > 0
                    && row.expected().source() != ExpectedItem.Source.UNDER_WAY) {
                LocalDate to = moved(forecast, direction, row, days);
                moved.add(new Moved(row, to, lift(forecast, row, to)));
            }
        }
        return moved.stream()
                .filter(one -> one.lift() > 0)
                .sorted(Comparator.comparingLong(Moved::lift)
                        .reversed()
                        .thenComparing(one -> one.row().item().id()))
                .limit(SHOWN)
                .map(one -> chance(forecast, one))
                .filter(one -> one.lift() > 0)
                .sorted(Comparator.comparingLong(Chance::lift)
                        .reversed()
                        .thenComparing(one -> one.row().item().id()))
                .toList();
    }

    private record Moved(ItemTable.Row row, LocalDate to, long lift) {}

    private static LocalDate moved(Forecast forecast, Direction direction, ItemTable.Row row, int days) {
        BusinessDays calendar = forecast.timeline().calendar();
        LocalDate day = row.expected().paidOn();
        if (direction == Direction.PAYMENT) {
            return calendar.nextOrSame(day.plusDays(days));
        }
        LocalDate soonest = calendar.next(forecast.plan().settings().asOf());
        LocalDate sooner = calendar.nextOrSame(day.minusDays(days));
        return sooner.isBefore(soonest) ? soonest : sooner;
    }

    /** How much the least headroom rises when an amount is added to the days between the two dates. */
    private static long lift(Forecast forecast, ItemTable.Row row, LocalDate to) {
        LocalDate day = row.expected().paidOn();
        int from = forecast.timeline().index(day.isBefore(to) ? day : to);
        int until = forecast.timeline().index(day.isBefore(to) ? to : day);
        int low = forecast.timeline().index(forecast.lowWater().day());
        if (low < from || low >= until) {
            return 0;
        }
        long least = Long.MAX_VALUE;
        for (int at = forecast.asOfIndex() + 1; at <= forecast.timeline().index(forecast.lastDay()); at++) {
            long headroom = forecast.liquidity().headroom(at);
            least = Math.min(
                    least, at >= from && at < until ? headroom + row.expected().minor() : headroom);
        }
        return least - forecast.lowWater().headroom();
    }

    private static Chance chance(Forecast forecast, Moved moved) {
        Forecast then = trial(forecast, moved.row().item().id(), moved.to());
        return new Chance(
                moved.row(),
                moved.to(),
                then.lowWater(),
                then.lowWater().headroom() - forecast.lowWater().headroom(),
                cost(forecast, moved));
    }

    /**
     * Returns the forecast as it would be with an open item expected on a day.
     *
     * @throws Refused for an item that is not there
     */
    public static Forecast trial(Forecast forecast, String itemId, LocalDate day) {
        OpenItem item = forecast.books()
                .items()
                .find(itemId)
                .orElseThrow(() -> new Refused("There is no such open item any more: look at the list again"));
        Line line = forecast.plan().findLine(item.lineId()).orElseThrow();
        Handling said = forecast.items().of(line).stream()
                .filter(one -> one.item().id().equals(itemId))
                .findFirst()
                .map(one -> one.item().handling())
                .orElse(item.handling());
        return Forecaster.forecast(
                forecast.plan().with(line.altered(new Alteration.ItemSaid("a trial", itemId, said.expectedOn(day)))),
                forecast.books(),
                forecast);
    }

    private static String cost(Forecast forecast, Moved moved) {
        OpenItem item = moved.row().item();
        List<String> words = new ArrayList<>();
        if (moved.row().line().direction() == Direction.PAYMENT) {
            if (item.discount() != null
                    && moved.row().expected().discount() > 0
                    && moved.to().isAfter(item.discount().until())) {
                words.add("loses the discount of "
                        + Money.words(
                                moved.row().expected().discount(),
                                forecast.plan().settings().currency()));
            }
            long late = moved.to().toEpochDay() - item.due().toEpochDay();
            if (item.handling().standing() == Handling.Standing.CANNOT_WAIT) {
                words.add("cannot wait"
                        + (item.handling().note().isEmpty()
                                ? ""
                                : ": " + item.handling().note()));
            }
            words.add(late > 0 ? late + (late == 1 ? " day" : " days") + " after it is due" : "still in time");
            long beyond =
                    moved.to().toEpochDay() - moved.row().expected().paidOn().toEpochDay();
            if (late > 0 && moved.row().expected().source() == ExpectedItem.Source.HABIT) {
                words.add(beyond + (beyond == 1 ? " day" : " days") + " beyond what is usual");
            }
        } else {
            long early = item.due().toEpochDay() - moved.to().toEpochDay();
            words.add(
                    early > 0
                            ? early + (early == 1 ? " day" : " days") + " before it is due: ask for it"
                            : "it is due by then");
        }
        return String.join(", ", words);
    }
}
