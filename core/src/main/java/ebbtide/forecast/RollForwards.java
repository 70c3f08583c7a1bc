package ebbtide.forecast;

import static java.util.Map.entry;
import static java.util.Objects.requireNonNull;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.AssetHolding;
import ebbtide.accounts.Expectation;
import ebbtide.accounts.PatternSchedule;
import ebbtide.accounts.PayAccount;
import ebbtide.accounts.ProfitTaxAccount;
import ebbtide.accounts.RecurringAccount;
import ebbtide.accounts.SalesTaxAccount;
import ebbtide.activity.StockRoll;
import ebbtide.billing.OwedByHistory;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.flows.LineFlows;
import ebbtide.items.ExpectedItem;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
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
import ebbtide.time.MonthSeries;
import ebbtide.time.Period;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.IntToLongFunction;
import java.util.stream.IntStream;

/** The roll-forwards of a forecast: receivables and payables of each line and in total, and the sales tax owed. */
public final class RollForwards {
    /** What is owed on, or held by, each kind of line, month by month; of what bears interest the statements say it. */
    static final Map<Class<? extends Assumption>, BiFunction<RollForwards, Line, List<RollForward>>> KINDS =
            Map.ofEntries(
                    entry(Assumption.Group.class, RollForwards::none),
                    entry(Assumption.Stream.class, RollForwards::ofStreamAndStock),
                    entry(Recurring.class, RollForwards::ofRecurring),
                    entry(DatedItems.class, RollForwards::none),
                    entry(Pay.class, (rolls, line) -> List.of(rolls.ofPay(line))),
                    entry(SalesTaxSettlement.class, (rolls, line) -> List.of(rolls.ofSalesTax(line))),
                    entry(ProfitTax.class, (rolls, line) -> List.of(rolls.ofProfitTax(line))),
                    entry(CapitalSpending.class, (rolls, line) -> List.of(rolls.ofAssets(line))),
                    entry(Dividends.class, RollForwards::none),
                    entry(Revolving.class, RollForwards::none),
                    entry(TermLoan.class, RollForwards::none),
                    entry(TermDeposit.class, RollForwards::none),
                    entry(
                            Lease.class,
                            (rolls, line) -> line.standing().holdsAssets() ? List.of(rolls.ofAssets(line)) : List.of()),
                    entry(Interest.class, RollForwards::none));

    private final Forecast forecast;
    private final Plan plan;
    private final Accounts accounts;
    private final YearMonth first;
    /** The number of the first month. */
    private final int open;

    private final int months;

    private RollForwards(Forecast forecast, int months) {
        this.forecast = forecast;
        this.plan = forecast.plan();
        this.accounts = forecast.accounts();
        this.first = plan.settings().firstForecastMonth();
        this.open = Timeline.monthNumber(first);
        this.months = months;
    }

    /**
     * Returns the roll-forwards over some months from the first that is forecast, at most to the horizon; totals first.
     */
    public static List<RollForward> of(Forecast forecast, int months) {
        return new RollForwards(forecast, upToHorizon(forecast, months)).all();
    }

    /** Returns the roll-forwards of one line; none for a line that nothing is owed on. */
    public static List<RollForward> of(Forecast forecast, Line line, int months) {
        return new RollForwards(forecast, upToHorizon(forecast, months)).ofLine(line);
    }

    private static int upToHorizon(Forecast forecast, int months) {
        YearMonth first = forecast.plan().settings().firstForecastMonth();
        return Math.min(months, (int) first.until(YearMonth.from(forecast.lastDay()), ChronoUnit.MONTHS) + 1);
    }

    private List<RollForward> all() {
        List<RollForward> lines =
                plan.lines().stream().flatMap(line -> ofLine(line).stream()).toList();
        List<RollForward> found = new ArrayList<>();
        for (RollForward.Kind kind : RollForward.Kind.values()) {
            List<RollForward> same =
                    lines.stream().filter(roll -> roll.kind() == kind).toList();
            if (same.size() > 1) {
                found.add(total(kind, same));
            }
            found.addAll(same);
        }
        return found;
    }

    private List<RollForward> ofLine(Line line) {
        if (!plan.isActive(line)) {
            return List.of();
        }
        return requireNonNull(KINDS.get(line.assumption().getClass())).apply(this, line);
    }

    private List<RollForward> ofStreamAndStock(Line line) {
        return accounts.stream(line).stock().isPresent()
                ? List.of(ofStream(line), ofStock(line))
                : List.of(ofStream(line));
    }

    private List<RollForward> ofRecurring(Line line) {
        Recurring recurring = (Recurring) line.assumption();
        return recurring.expensing().isSpread() && !recurring.isNonCash()
                ? List.of(ofPrepaid(line, recurring))
                : List.of();
    }

    private List<RollForward> none(Line line) {
        return List.of();
    }

    private RollForward ofStream(Line line) {
        PatternSchedule schedule = PatternSchedule.of(accounts.stream(line), first, months);
        MonthSeries.Sum billed = nil();
        schedule.billed().stream()
                .filter(one -> !one.month().isBefore(first))
                .forEach(one -> add(billed, one.month(), one.gross()));
        boolean receipt = line.direction() == Direction.RECEIPT;
        Map<String, MonthSeries.Sum> changes = new LinkedHashMap<>();
        changes.put("billed", billed);
        changes.put(receipt ? "collected" : "paid", negative(schedule.cash()));
        changes.put("discount", negative(schedule.discounts()));
        changes.put(receipt ? "written off" : "never paid", negative(schedule.writtenOff()));
        long opening = schedule.owed().in(open)
                - changes.values().stream().mapToLong(change -> change.in(open)).sum();
        opening += ofItems(line, changes);
        trueUp(line, changes);
        paidLater(line, requireNonNull(changes.get(receipt ? "collected" : "paid")));
        return rolled(receipt ? RollForward.Kind.RECEIVABLES : RollForward.Kind.PAYABLES, line, opening, changes);
    }

    /**
     * Adds what is known of a stream on books: orders are billed when delivered, open items collected or paid when they
     * are expected, with the discount that is then taken. Returns what is owed of invoices, credit notes and
     * commitments on the as-of date.
     */
    private long ofItems(Line line, Map<String, MonthSeries.Sum> changes) {
        if (((Assumption.Stream) line.assumption()).basis() == Basis.PATTERN) {
            return 0;
        }
        long opening = 0;
        MonthSeries.Sum collected =
                requireNonNull(changes.get(line.direction() == Direction.RECEIPT ? "collected" : "paid"));
        for (ExpectedItem one : accounts.items().of(line)) {
            if (one.item().kind() == OpenItem.Kind.ORDER) {
                LocalDate delivered =
                        one.item().supplied().isAfter(plan.settings().asOf())
                                ? one.item().supplied()
                                : plan.settings().asOf().plusDays(1);
                add(
                        requireNonNull(changes.get("billed")),
                        YearMonth.from(delivered),
                        one.item().amount().open());
            } else {
                opening += one.source() == ExpectedItem.Source.UNDER_WAY
                        ? one.minor() + one.discount()
                        : one.item().signedOpen();
            }
            if (!one.isLeftOut()) {
                add(collected, YearMonth.from(one.paidOn()), -one.minor());
                add(requireNonNull(changes.get("discount")), YearMonth.from(one.paidOn()), -one.discount());
            }
        }
        return opening;
    }

    /**
     * What tax points up to the as-of date left owed, less what was already paid of it; the settlements as they are
     * forecast.
     */
    private RollForward ofSalesTax(Line line) {
        SalesTaxAccount account = accounts.salesTax(line);
        long opening = corrected(
                line,
                account.periods().stream()
                        .mapToLong(period -> period.owed() == null ? 0 : period.owed())
                        .sum());
        Map<String, MonthSeries.Sum> changes = new LinkedHashMap<>();
        changes.put("on receipts", taxOf(account, Direction.RECEIPT));
        changes.put("on payments", taxOf(account, Direction.PAYMENT));
        changes.put("settled", cashAfterAsOf(line));
        return rolled(RollForward.Kind.SALES_TAX, line, opening, changes);
    }

    /**
     * What the ledger has more, or less, than history implies stands in the first month, and is cleared as its flows
     * are scaled.
     */
    private void trueUp(Line line, Map<String, MonthSeries.Sum> changes) {
        Assumption.Stream stream = (Assumption.Stream) line.assumption();
        if (!accounts.stream(line).isTruedUp() || stream.basis() == Basis.BOOKS) {
            return;
        }
        boolean receipt = line.direction() == Direction.RECEIPT;
        MonthSeries.Sum more = nil();
        for (OwedByHistory.Correction one :
                accounts.stream(line).owedByHistory().corrections()) {
            more.add(open, one.cash() + one.discount() + one.writtenOff());
            YearMonth month = Timeline.month(one.month());
            add(requireNonNull(changes.get(receipt ? "collected" : "paid")), month, -one.cash());
            add(requireNonNull(changes.get("discount")), month, -one.discount());
            add(requireNonNull(changes.get(receipt ? "written off" : "never paid")), month, -one.writtenOff());
        }
        changes.put("trued up", more);
    }

    /** What a scenario has paid later is collected in the month in which it then comes. */
    private void paidLater(Line line, MonthSeries.Sum collected) {
        if (!line.isPaidLater() || !plan.isActive(line)) {
            return;
        }
        LineFlows flows = forecast.flowsOf(line.id());
        Timeline days = forecast.timeline();
        for (int month = days.firstMonth(); month <= days.lastMonth(); month++) {
            int start = days.startOfMonth(month);
            long minor = flows.later(start, start + days.lengthOfMonth(month));
            add(collected, Timeline.month(month), -minor * line.direction().sign());
        }
    }

    private RollForward ofStock(Line line) {
        StockRoll.Month[] stock = accounts.activity().stock(line).months();
        Map<String, MonthSeries.Sum> changes = new LinkedHashMap<>();
        changes.put("purchases", byPlace(i -> stock[i].purchases()));
        changes.put("cost of sales", byPlace(i -> -stock[i].cost()));
        return rolled(RollForward.Kind.STOCK, line, stock[0].opening(), changes);
    }

    /**
     * What movements up to the as-of date change of what is owed: they have used up sums that stand until they are paid
     * or fall due after it; a pay day that has passed and still stands is owed as well.
     */
    private long corrected(Line line, long owed) {
        LocalDate asOf = plan.settings().asOf();
        List<DayAmount> facts = forecast.books().byLine().getOrDefault(line.id(), List.of()).stream()
                .filter(movement -> !movement.day().isAfter(asOf))
                .toList();
        long level = owed;
        for (Expectation one : accounts.expectations(line, facts)) {
            if (one.isUntilPaid() && !one.isPayDay() || one.day().isAfter(asOf)) {
                level -= one.used();
            } else if (one.windowEnd().isAfter(asOf)) {
                level += one.left();
            }
        }
        return level;
    }

    /**
     * What was earned or withheld up to the as-of date and not paid by then; earned with its on-costs; paid as it is
     * forecast.
     */
    private RollForward ofPay(Line line) {
        PayAccount account = accounts.pay(line);
        long owed = account.paidOver().stream()
                .mapToLong(month -> month.owed() == null ? 0 : month.owed())
                .sum();
        Map<String, MonthSeries.Sum> changes = new LinkedHashMap<>();
        changes.put("earned", byPlace(i -> account.expenses().getOrDefault(first.plusMonths(i), 0L)));
        changes.put("paid", cashAfterAsOf(line));
        return rolled(RollForward.Kind.PAY_OWED, line, corrected(line, account.accrued() + owed), changes);
    }

    /**
     * What was billed before a month and covers later ones, less what earlier months cost that is billed later (below
     * zero: accrued).
     */
    private RollForward ofPrepaid(Line line, Recurring recurring) {
        int reach =
                recurring.expensing().months() + Math.abs(recurring.expensing().offset()) + 1;
        MonthSeries.Sum billed = nil();
        MonthSeries.Sum cost = nil();
        long opening = 0;
        for (LocalDate bill : recurring
                .when()
                .between(
                        first.minusMonths(reach).atDay(1),
                        first.plusMonths(months + (long) reach).atDay(1))) {
            int month = Timeline.monthNumber(YearMonth.from(bill));
            int begins = Timeline.monthNumber(recurring.expensing().firstOf(YearMonth.from(bill)));
            long amount = accounts.recurring(line).amountOn(bill);
            long net = recurring.tax().grossOf(amount)
                    - recurring.tax().recoverable().of(recurring.tax().taxOf(amount));
            add(billed, YearMonth.from(bill), net);
            opening += month < open ? net : 0;
            long[] parts =
                    RecurringAccount.overDays(net, begins, recurring.expensing().months());
            for (int i = 0; i < parts.length; i++) {
                add(cost, Timeline.month(begins + i), -parts[i]);
                opening -= begins + i < open ? parts[i] : 0;
            }
        }
        Map<String, MonthSeries.Sum> changes = new LinkedHashMap<>();
        changes.put("billed", billed);
        changes.put("cost of the month", cost);
        return rolled(RollForward.Kind.PREPAID, line, opening, changes);
    }

    private RollForward ofProfitTax(Line line) {
        ProfitTaxAccount account = accounts.profitTax(line);
        Map<String, MonthSeries.Sum> changes = new LinkedHashMap<>();
        changes.put("on profit", byPlace(account.expense().first(months)::at));
        changes.put("paid", cashAfterAsOf(line));
        return rolled(RollForward.Kind.PROFIT_TAX, line, corrected(line, account.opening()), changes);
    }

    private RollForward ofAssets(Line line) {
        AssetHolding account = accounts.assets(line);
        Map<String, MonthSeries.Sum> changes = new LinkedHashMap<>();
        changes.put("bought", byPlace(i -> account.months().get(i).bought()));
        changes.put("depreciation", byPlace(i -> -account.months().get(i).depreciation()));
        changes.put("sold, at book value", byPlace(i -> -account.months().get(i).sold()));
        return rolled(RollForward.Kind.FIXED_ASSETS, line, account.opening(), changes);
    }

    private MonthSeries.Sum taxOf(SalesTaxAccount account, Direction direction) {
        return byPlace(i -> account.lines(first.plusMonths(i), first.plusMonths(i)).stream()
                .filter(line -> line.direction() == direction)
                .mapToLong(line -> line.minor() * direction.sign())
                .sum());
    }

    /** The line's flows after the as-of date by month, payments negative. */
    private MonthSeries.Sum cashAfterAsOf(Line line) {
        LocalDate after = plan.settings().asOf().plusDays(1);
        return byPlace(i -> {
            YearMonth month = first.plusMonths(i);
            LocalDate start = month.atDay(1).isBefore(after) ? after : month.atDay(1);
            return forecast.cell(line, new Period(start, month.plusMonths(1).atDay(1)))
                    .amount();
        });
    }

    private MonthSeries.Sum nil() {
        return new MonthSeries.Sum(open, months);
    }

    private MonthSeries.Sum byPlace(IntToLongFunction amount) {
        MonthSeries.Sum sum = nil();
        IntStream.range(0, months).forEach(i -> sum.add(open + i, amount.applyAsLong(i)));
        return sum;
    }

    private static void add(MonthSeries.Sum to, YearMonth month, long minor) {
        to.add(Timeline.monthNumber(month), minor);
    }

    private MonthSeries.Sum negative(MonthSeries amounts) {
        MonthSeries.Sum sum = nil();
        sum.add(amounts, -1);
        return sum;
    }

    private RollForward rolled(RollForward.Kind kind, Line line, long opening, Map<String, MonthSeries.Sum> changes) {
        List<Long> openings = new ArrayList<>();
        List<Long> closings = new ArrayList<>();
        List<YearMonth> each = new ArrayList<>();
        long level = opening;
        for (int i = 0; i < months; i++) {
            each.add(first.plusMonths(i));
            openings.add(level);
            for (MonthSeries.Sum change : changes.values()) {
                level += change.in(open + i);
            }
            closings.add(level);
        }
        List<RollForward.Change> named = changes.entrySet().stream()
                .map(one -> new RollForward.Change(
                        one.getKey(), one.getValue().series().list()))
                .toList();
        return new RollForward(kind, line.id(), line.name(), each, openings, named, closings);
    }

    private static RollForward total(RollForward.Kind kind, List<RollForward> lines) {
        Map<String, List<Long>> changes = new LinkedHashMap<>();
        lines.forEach(line ->
                line.changes().forEach(change -> changes.merge(change.name(), change.amounts(), RollForwards::sum)));
        return new RollForward(
                kind,
                null,
                "Total",
                lines.get(0).months(),
                lines.stream()
                        .map(RollForward::opening)
                        .reduce(RollForwards::sum)
                        .orElseThrow(),
                changes.entrySet().stream()
                        .map(one -> new RollForward.Change(one.getKey(), one.getValue()))
                        .toList(),
                lines.stream()
                        .map(RollForward::closing)
                        .reduce(RollForwards::sum)
                        .orElseThrow());
    }

    private static List<Long> sum(List<Long> one, List<Long> other) {
        List<Long> sum = new ArrayList<>();
        for (int i = 0; i < one.size(); i++) {
            sum.add(one.get(i) + other.get(i));
        }
        return sum;
    }
}
