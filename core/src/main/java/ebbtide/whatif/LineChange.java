package ebbtide.whatif;

import static java.util.Map.entry;
import static java.util.Objects.requireNonNull;

import ebbtide.activity.MonthlyActivity;
import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.Alteration;
import ebbtide.plan.Alteration.Amounts;
import ebbtide.plan.Alteration.Kind;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.DayRange;
import ebbtide.plan.Dividends;
import ebbtide.plan.Interest;
import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import ebbtide.plan.Pay;
import ebbtide.plan.Plan;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Recurring;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.TermDeposit;
import ebbtide.plan.TermLoan;
import ebbtide.time.SpreadSum;
import ebbtide.time.Timeline;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * What a change does to the activity of a line, by the kind of the line (rules 11.2): the figures in force take a
 * share, more, another in their place, or are left out. History, and what lies before the forecast, stays.
 */
final class LineChange {
    private static final DoneTo NO_ACTIVITY = (change, line) -> Optional.empty();

    /** How the activity of each kind of line is changed; nothing where it has none of its own. */
    static final Map<Class<? extends Assumption>, DoneTo> KINDS = Map.ofEntries(
            entry(Assumption.Group.class, NO_ACTIVITY),
            entry(Assumption.Stream.class, LineChange::stream),
            entry(Recurring.class, LineChange::bills),
            entry(DatedItems.class, LineChange::items),
            entry(Pay.class, LineChange::bills),
            entry(SalesTaxSettlement.class, NO_ACTIVITY),
            entry(ProfitTax.class, NO_ACTIVITY),
            entry(CapitalSpending.class, LineChange::assets),
            entry(Dividends.class, NO_ACTIVITY),
            entry(Revolving.class, LineChange::funding),
            entry(TermLoan.class, LineChange::funding),
            entry(TermDeposit.class, LineChange::funding),
            entry(Lease.class, LineChange::funding),
            entry(Interest.class, NO_ACTIVITY));

    private final Forecast base;
    private final Plan plan;
    private final String by;
    private final Change change;
    private final String part;

    /** How a change is done to a line of a kind. */
    interface DoneTo {
        Optional<Line> of(LineChange change, Line line);
    }

    private LineChange(Forecast base, Plan plan, String by, Change change, String part) {
        this.base = base;
        this.plan = plan;
        this.by = by;
        this.change = change;
        this.part = part;
    }

    /** Returns a line as a change of a scenario of a name leaves it; nothing where it has no activity of its own. */
    static Optional<Line> of(Forecast base, Plan plan, String by, Change change, Line line) {
        return requireNonNull(KINDS.get(line.assumption().getClass()))
                .of(new LineChange(base, plan, by, change, ""), line);
    }

    /** Returns whether a line has activity of its own, or only follows from others and from what funds the plan. */
    static boolean hasActivity(Line line) {
        return !line.isFunding() && KINDS.get(line.assumption().getClass()) != NO_ACTIVITY;
    }

    /** Returns a line with a change of one of its assets or roles; nothing where it has none of that name. */
    static Optional<Line> ofPart(Forecast base, Plan plan, String by, Change change, Line line, String part) {
        return line.assumption().partNames().contains(part)
                ? requireNonNull(KINDS.get(line.assumption().getClass()))
                        .of(new LineChange(base, plan, by, change, part), line)
                : Optional.empty();
    }

    /** The change as what it does to amounts from a day on. */
    private Amounts amounts(LocalDate first) {
        DayRange range = since(first);
        if (change.act() instanceof Act.Scale scale) {
            return new Amounts(by, Kind.SCALE, scale.to().millionths(), range, part);
        }
        if (change.act() instanceof Act.Add add) {
            return new Amounts(by, Kind.ADD, minor(add.more()), range, part);
        }
        if (change.act() instanceof Act.LeaveOut) {
            return new Amounts(by, Kind.SET, 0, range, part);
        }
        if (change.act() instanceof Act.Set set && set.value() instanceof Typed.Figure figure) {
            return new Amounts(by, Kind.SET, Check.notNegative(minor(figure.number()), "amount"), range, part);
        }
        throw new Refused("Activity is set to an amount, scaled, added to, shifted or left out");
    }

    private long minor(BigDecimal number) {
        return Money.minor(number.toPlainString(), plan.settings().currency());
    }

    private LocalDate tomorrow() {
        return plan.settings().asOf().plusDays(1);
    }

    private Optional<Line> stream(Line line) {
        if (((Assumption.Stream) line.assumption()).method() instanceof ActivityMethod.StockPurchases) {
            return Optional.empty();
        }
        YearMonth first = plan.settings().firstForecastMonth();
        if (change.act() instanceof Act.Shift shift) {
            Check.that(
                    shift.unit() == Act.Shift.Unit.MONTHS,
                    "Months of '" + line.name() + "' are shifted by months, or paid so many days later");
            return Optional.of(line.altered(shifted(line, (Assumption.Stream) line.assumption(), shift, first)));
        }
        return Optional.of(line.altered(amounts(first.atDay(1))));
    }

    /** Of the month of the as-of date what is left moves: what invoices, orders and the days up to it leave. */
    private Alteration shifted(Line line, Assumption.Stream stream, Act.Shift shift, YearMonth first) {
        DayRange range = since(first.atDay(1));
        boolean begun = first.equals(YearMonth.from(plan.settings().asOf()));
        if (!begun) {
            return new Alteration.MonthsShifted(by, shift.by(), range, 0, 0, 0);
        }
        if (stream.basis() == Basis.BOOKS) {
            long stays = base.plan().findLine(line.id()).isEmpty()
                    ? 0
                    : base.accounts().stream(line).left().months().stream()
                            .filter(month -> month.month().equals(first))
                            .mapToLong(month -> month.invoiced() + month.onOrder())
                            .sum();
            return new Alteration.MonthsShifted(by, shift.by(), range, Math.max(0, stays), 0, 0);
        }
        MonthlyActivity planned = base.accounts().activity().next(plan).planned(line);
        long amount = planned.in(Timeline.monthNumber(first));
        return new Alteration.MonthsShifted(by, shift.by(), range, 0, laidAfter(line, stream, amount, first), amount);
    }

    /** What the spread of a stream lays of a month's amount after the as-of date. */
    private long laidAfter(Line line, Assumption.Stream stream, long amount, YearMonth month) {
        Timeline days = base.accounts().calendars().timeline(line);
        long[] after = new long[1];
        SpreadSum spread = stream.spread()
                .sum(
                        days,
                        (day, minor) -> after[0] +=
                                days.date(day).isAfter(plan.settings().asOf()) ? minor : 0);
        spread.add(amount, Timeline.monthNumber(month));
        spread.lay();
        return after[0];
    }

    private DayRange since(LocalDate first) {
        return change.range()
                .since(first)
                .orElseThrow(() -> new Refused(
                        "Its range is over: history, and what is open or owed on the as-of date, stays as it is"));
    }

    private Optional<Line> funding(Line line) {
        return FundingChange.of(plan, by, change, line);
    }

    /** The day to which a shift of the range moves one that lies after the as-of date. */
    private LocalDate shifted(LocalDate day) {
        Act.Shift shift = (Act.Shift) change.act();
        return since(tomorrow()).contains(day) ? shift.of(day) : day;
    }

    /** Bills and items that come on other days: what facts have used up of them they have on the base's. */
    private Optional<Line> moved(Line line) {
        Act.Shift shift = (Act.Shift) change.act();
        return Optional.of(line.altered(new Alteration.DaysShifted(
                by, shift.by(), shift.unit() == Act.Shift.Unit.MONTHS, since(tomorrow()), certainty())));
    }

    private @Nullable Certainty certainty() {
        return change.target() instanceof Target.OfCertainty target ? target.certainty() : null;
    }

    private Optional<Line> bills(Line line) {
        if (change.act() instanceof Act.Shift) {
            return line.assumption() instanceof Pay pay ? Optional.of(begun(line, pay)) : moved(line);
        }
        return Optional.of(line.altered(amounts(tomorrow())));
    }

    /** A role begins on another day; its pay days stay. */
    private Line begun(Line line, Pay pay) {
        Check.that(
                !part.isEmpty(),
                "Pay of '" + line.name() + "' has its pay days: shift a role, which then begins later");
        return moving(
                line,
                pay.with(pay.roles().stream()
                        .map(role -> role.name().equals(part) ? role.from(shifted(role.start())) : role)
                        .toList()));
    }

    /** A shift that moves nothing finds nothing. */
    private Line moving(Line line, Assumption shifted) {
        Check.that(
                !shifted.equals(line.assumption()) || ((Act.Shift) change.act()).by() == 0,
                "'" + (part.isEmpty() ? line.name() : part)
                        + "' has no day in that range that lies after the as-of date");
        return line.with(shifted);
    }

    private Optional<Line> items(Line line) {
        if (change.act() instanceof Act.Shift) {
            return moved(line);
        }
        DatedItems dated = (DatedItems) line.assumption();
        Amounts amounts = amounts(tomorrow());
        List<DatedItem> items = dated.items().stream()
                .map(item -> amounts.range().contains(item.date())
                                && (certainty() == null || certainty() == item.certainty())
                        ? new DatedItem(item.date(), amounts.of(item.amount()), item.certainty(), item.note())
                        : item)
                .toList();
        return Optional.of(line.with(new DatedItems(items, dated.tax(), dated.convention())));
    }

    private Optional<Line> assets(Line line) {
        CapitalSpending spending = (CapitalSpending) line.assumption();
        UnaryOperator<CapitalSpending.Asset> doing = change.act() instanceof Act.Shift ? this::later : this::costing;
        CapitalSpending other = new CapitalSpending(
                spending.assets().stream()
                        .map(asset -> part.isEmpty() || asset.name().equals(part) ? doing.apply(asset) : asset)
                        .toList(),
                spending.convention());
        return Optional.of(change.act() instanceof Act.Shift ? moving(line, other) : line.with(other));
    }

    private CapitalSpending.Asset costing(CapitalSpending.Asset asset) {
        Amounts amounts = amounts(tomorrow());
        return asset.with(asset.milestones().stream()
                .map(one -> amounts.range().contains(one.date())
                        ? new DatedAmount(one.date(), amounts.of(one.amount()), one.note())
                        : one)
                .toList());
    }

    /** All of its days after the as-of date: of what it costs, from when it is used, and when it is sold. */
    private CapitalSpending.Asset later(CapitalSpending.Asset asset) {
        CapitalSpending.Disposal sold = asset.disposal();
        return asset.on(
                asset.milestones().stream()
                        .map(one -> new DatedAmount(shifted(one.date()), one.amount(), one.note()))
                        .toList(),
                shifted(asset.service()),
                sold == null ? null : new CapitalSpending.Disposal(shifted(sold.date()), sold.proceeds()));
    }
}
