package ebbtide.forecast;

import ebbtide.accounts.Accounts;
import ebbtide.books.Books;
import ebbtide.flows.Cell;
import ebbtide.flows.Flows;
import ebbtide.flows.ItemFlow;
import ebbtide.flows.LineFlows;
import ebbtide.flows.Part;
import ebbtide.funding.Funding;
import ebbtide.funding.Liquidity;
import ebbtide.items.ItemTiming;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.DaySeries;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** The forecast of a plan and its books: flows by line and day, and the levels that follow. It never changes. */
public final class Forecast {
    private final Plan plan;
    private final Accounts accounts;
    private final Timeline timeline;
    private final Flows laid;
    private final Flows flows;
    private final DaySeries closing;
    private final Liquidity liquidity;
    private final Funding funding;

    Forecast(Accounts accounts, Flows laid, Flows flows, Funding funding) {
        this.plan = accounts.plan();
        this.accounts = accounts;
        this.timeline = flows.timeline();
        this.laid = laid;
        this.flows = flows;
        this.closing = flows.closing();
        this.liquidity = funding.liquidity(closing);
        this.funding = funding;
    }

    /** A signed amount of one part on one day. */
    public record DayFlow(LocalDate day, Part part, long minor) {}

    public Plan plan() {
        return plan;
    }

    public Books books() {
        return accounts.books();
    }

    public Timeline timeline() {
        return timeline;
    }

    public Liquidity liquidity() {
        return liquidity;
    }

    /** Returns the accounts of the plan and its books, which bear the interest of the sweep, as the cells do. */
    public Accounts accounts() {
        return accounts;
    }

    /** Returns the flows as they were laid before the sweep, to be taken over by a forecast that reads the same. */
    Flows laid() {
        return laid;
    }

    /** Returns how the plan is funded: what its facilities draw and repay, and what falls short. */
    public Funding funding() {
        return funding;
    }

    public LocalDate firstDay() {
        return timeline.first();
    }

    public LocalDate lastDay() {
        return plan.settings().horizonEnd();
    }

    /** Returns when the open items of the plan's lines are expected to be paid, and why (rules 4). */
    public ItemTiming items() {
        return accounts.items();
    }

    /** Returns the index of the as-of date on the timeline. */
    public int asOfIndex() {
        return timeline.index(plan.settings().asOf());
    }

    /** Returns cash at the end of a day, in minor units; the day lies on the timeline or is the one before it. */
    public long closing(LocalDate day) {
        int index = timeline.index(day);
        if (index == -1) {
            return closing.on(0) - netOfFirstDay();
        }
        return closing.on(index);
    }

    private long netOfFirstDay() {
        Period firstDay = new Period(timeline.first(), timeline.first().plusDays(1));
        return total(Direction.RECEIPT, firstDay).amount()
                + total(Direction.PAYMENT, firstDay).amount()
                + transfers(firstDay).amount();
    }

    /** Returns the least headroom after the as-of date over the horizon. */
    public Liquidity.LowWater lowWater() {
        return liquidity.lowWater(asOfIndex(), timeline.index(lastDay()), timeline);
    }

    /** Returns the most by which minimum cash exceeds cash after the as-of date, zero if it never does. */
    public long peakNeed() {
        return liquidity.peakNeed(asOfIndex(), timeline.index(lastDay()));
    }

    /** Returns the day of a period with the least headroom; headroom of the period is that day's (rules 1.2). */
    public LocalDate worstDay(Period period) {
        return timeline.date(liquidity.worstDay(from(period), to(period) - 1));
    }

    /** Returns a line's figure for a period; a group's is the sum of its lines. */
    public Cell cell(Line line, Period period) {
        if (line.isGroup()) {
            return plan.childrenOf(line.direction(), line.id()).stream()
                    .map(child -> cell(child, period))
                    .reduce(Cell.ZERO, Cell::plus);
        }
        LineFlows days = flows.line(line.id());
        int from = from(period);
        int to = to(period);
        Cell cell = days.cell(from, to);
        boolean touched = days.isOverridden()
                && line.overrides().stream()
                        .anyMatch(o -> o.period().overlaps(period)
                                && o.period().lastDay().isAfter(plan.settings().asOf()));
        Long computed = touched ? Long.valueOf(cell.settled() + cell.committed() + days.netted(from, to)) : null;
        return new Cell(
                cell.settled(), cell.committed(), cell.estimated(), computed, days.isOverdue(from, to), null, -1);
    }

    /** Returns movements of one direction that nobody has assigned yet. */
    public Cell unassigned(Direction direction, Period period) {
        return (direction == Direction.RECEIPT ? flows.unassignedIn() : flows.unassignedOut())
                .cell(from(period), to(period));
    }

    /** Returns what moved between own accounts; zero once both sides are booked. */
    public Cell transfers(Period period) {
        return flows.transfers().cell(from(period), to(period));
    }

    /** Returns all receipts or all payments of a period. */
    public Cell total(Direction direction, Period period) {
        Cell sum = unassigned(direction, period);
        for (Line line : plan.lines()) {
            if (line.direction() == direction && !line.isGroup()) {
                sum = sum.plus(flows.line(line.id()).cell(from(period), to(period)));
            }
        }
        return sum;
    }

    /** Returns every flow of a line that is no group, day by day in its parts. */
    public List<DayFlow> flows(Line line) {
        List<DayFlow> found = new ArrayList<>();
        LineFlows days = flows.line(line.id());
        for (int day = 0; day < timeline.days(); day++) {
            for (Part part : Part.values()) {
                long minor = days.on(part, day);
                if (minor != 0) {
                    found.add(new DayFlow(timeline.date(day), part, minor));
                }
            }
        }
        return found;
    }

    /**
     * Returns a part of a line that is no group by day from the day after the as-of date to the horizon's last, signed.
     */
    public DaySeries daysAfter(Line line, Part part) {
        return flows.line(line.id()).days(part, asOfIndex() + 1, timeline.index(lastDay()) + 1);
    }

    /** Returns what each open item of a line that is no group is forecast to pay; items left out are not among them. */
    public List<ItemFlow> itemFlows(Line line) {
        return List.copyOf(flows.line(line.id()).itemFlows());
    }

    /** Returns movements after the as-of date that are not assigned, of one direction, by day as {@link #daysAfter}. */
    public DaySeries unassignedAfter(Direction direction) {
        return (direction == Direction.RECEIPT ? flows.unassignedIn() : flows.unassignedOut())
                .days(Part.COMMITTED, asOfIndex() + 1, timeline.index(lastDay()) + 1);
    }

    /** Returns movements after the as-of date between own accounts, by day as {@link #daysAfter}. */
    public DaySeries transfersAfter() {
        return flows.transfers().days(Part.COMMITTED, asOfIndex() + 1, timeline.index(lastDay()) + 1);
    }

    /** Returns the flows of a line that is no group. */
    public LineFlows flowsOf(String lineId) {
        return flows.line(lineId);
    }

    /** Returns the periods of a length between two days, cut to the days the forecast covers. */
    public List<Period> periods(Periods by, LocalDate from, LocalDate to) {
        LocalDate start = from.isBefore(firstDay()) ? firstDay() : from;
        LocalDate end = to.isAfter(lastDay()) ? lastDay() : to;
        if (end.isBefore(start)) {
            return List.of();
        }
        return by.cover(
                start,
                end,
                plan.settings().firstDayOfWeek(),
                plan.settings().firstFiscalMonth(),
                plan.settings().asOf());
    }

    private int from(Period period) {
        return Math.max(0, timeline.index(period.startInclusive()));
    }

    private int to(Period period) {
        return Math.min(timeline.days(), timeline.index(period.endExclusive()));
    }
}
