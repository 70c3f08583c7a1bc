package ebbtide.workings;

import static ebbtide.time.DayFormats.WEEKDAY;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.ForecastTable;
import ebbtide.money.Refused;
import ebbtide.plan.Line;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** The workings of the forecast's rows, be they lines, sums or levels (rules 12). */
public final class RowWorkings {

    private RowWorkings() {}

    /** Returns the workings of a line that is no group. */
    public static Workings of(Forecast forecast, Line line, Period period) {
        return new LineWorkings(forecast, line, period).workings();
    }

    /**
     * Returns the workings of a row of the table ({@link ForecastTable.Row#id}) for a period; refuses rows that are not
     * there.
     */
    public static Workings of(Forecast forecast, String rowId, Period period) {
        Line line = forecast.plan().findLine(rowId).orElse(null);
        if (line != null && !line.isGroup()) {
            return of(forecast, line, period);
        }
        ForecastTable table = ForecastTable.of(forecast, List.of(period));
        ForecastTable.Row row = table.rows().stream()
                .filter(r -> r.id().equals(rowId))
                .findFirst()
                .orElseThrow(() -> new Refused("The forecast has no row '" + rowId + "' in these days"));
        return new Workings(row.name(), row.cells().get(0), items(forecast, table, row, period), null);
    }

    private static List<Workings.Item> items(
            Forecast forecast, ForecastTable table, ForecastTable.Row row, Period period) {
        return switch (row.kind()) {
            case SECTION, GROUP -> children(table, row);
            case NET -> rows(table, "receipts", "payments", "transfers");
            case CLOSING -> rows(table, "opening", "receipts", "payments", "transfers");
            case OPENING -> List.of(opening(forecast, period, row.cells().get(0).amount()));
            case HEADROOM -> headroom(forecast, period);
            case UNASSIGNED ->
                List.of(level(
                        "Bank movements not assigned to a line",
                        "assign them under Position, and they count on their lines",
                        null,
                        row.cells().get(0).amount()));
            case TRANSFERS ->
                List.of(level(
                        "Transfers booked on one side only",
                        "they cancel out once the other account's statement is brought in",
                        null,
                        row.cells().get(0).amount()));
            default ->
                List.of(level(
                        row.name(),
                        "in force on " + WEEKDAY.format(row.cells().get(0).day()),
                        row.cells().get(0).day(),
                        row.cells().get(0).amount()));
        };
    }

    private static Workings.Item level(String what, String because, @Nullable LocalDate day, long minor) {
        return new Workings.Item(null, what, because, day, minor);
    }

    private static Workings.Item opening(Forecast forecast, Period period, long amount) {
        LocalDate before = period.startInclusive().minusDays(1);
        boolean fact = !before.isAfter(forecast.plan().settings().asOf());
        return level(
                "Closing cash of " + WEEKDAY.format(before),
                fact
                        ? "booked balances of the accounts that are not restricted"
                        : "booked balances of "
                                + WEEKDAY.format(forecast.plan().settings().asOf()) + ", and every flow since",
                before,
                amount);
    }

    /** The rows one step below a section or group, up to the next row that stands as high as it does. */
    private static List<Workings.Item> children(ForecastTable table, ForecastTable.Row row) {
        List<Workings.Item> items = new ArrayList<>();
        int at = table.rows().indexOf(row);
        for (int i = at + 1; i < table.rows().size() && table.rows().get(i).depth() > row.depth(); i++) {
            ForecastTable.Row below = table.rows().get(i);
            if (below.depth() == row.depth() + 1) {
                items.add(level(
                        below.name(),
                        below.active() ? "" : "switched off",
                        null,
                        below.cells().get(0).amount()));
            }
        }
        return items;
    }

    private static List<Workings.Item> rows(ForecastTable table, String... ids) {
        List<Workings.Item> items = new ArrayList<>();
        for (String id : ids) {
            table.rows().stream()
                    .filter(row -> row.id().equals(id))
                    .forEach(row -> items.add(
                            level(row.name(), "", null, row.cells().get(0).amount())));
        }
        return items;
    }

    private static List<Workings.Item> headroom(Forecast forecast, Period period) {
        LocalDate worst = forecast.worstDay(period);
        int day = forecast.timeline().index(worst);
        String when = "of " + WEEKDAY.format(worst) + ", the day with the least in the period";
        List<Workings.Item> items = new ArrayList<>(List.of(
                level("Cash", when, worst, forecast.closing(worst)),
                level(
                        "Still to be drawn",
                        "the overdraft's limit, and what is undrawn of committed facilities",
                        worst,
                        forecast.liquidity().undrawn(day))));
        if (forecast.liquidity().callable(day) != 0) {
            items.add(level(
                    "Deposits",
                    "those that can be called within "
                            + forecast.plan().settings().funding().callableWithin() + " business days",
                    worst,
                    forecast.liquidity().callable(day)));
        }
        items.add(level(
                "Less minimum cash",
                "in force that day",
                worst,
                -forecast.liquidity().minimum(day)));
        return items;
    }
}
