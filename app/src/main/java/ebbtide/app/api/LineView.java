package ebbtide.app.api;

import ebbtide.accounts.Expectation;
import ebbtide.accounts.PatternSchedule;
import ebbtide.accounts.SalesTaxAccount;
import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.StockRoll;
import ebbtide.answers.EarlyPaymentEffect;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.flows.Flows;
import ebbtide.forecast.RollForwards;
import ebbtide.forecast.WholeMonths;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.CashRow;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Terms;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import io.swagger.v3.oas.annotations.media.Schema;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** A line as its editor shows it: the line itself as the plan file writes it, and what follows from it. */
public record LineView(
        @Schema(ref = DocumentPart.LINE) Map<String, Object> line,
        String kind,
        List<MonthView> strip,
        List<YearOfStrip> years,
        @Schema(nullable = true) @Nullable ScheduleView schedule,
        List<ComingView> coming,
        List<TaxPeriodView> tax,
        List<PaidOverView> paidOver,
        List<StockView> stock,
        List<RollForwardView> owed,
        @Schema(nullable = true) @Nullable LedgerView ledger,
        @Schema(nullable = true) @Nullable EarlyView early,
        List<LeftView> left) {

    /** A fiscal year that months of the strip fall into, and what all of it comes to. */
    public record YearOfStrip(ShownMonths.YearView year, long amount) {}

    /**
     * A month of a stream on books: what is planned, invoiced and on order, what that leaves to be billed, and what
     * exceeded the plan.
     */
    public record LeftView(String month, long planned, long invoiced, long onOrder, long left, long overBy) {}

    /** A month of a stream: whether it is history, what counts, what the method computes, and why. */
    public record MonthView(
            String month,
            boolean history,
            long amount,
            long computed,
            @Schema(nullable = true) @Nullable String reason,
            String because) {}

    /** A stream's billing month by cash month (rules 3.2), before netting with the bank. */
    public record ScheduleView(
            List<String> cashMonths,
            List<BilledView> billed,
            List<Long> cash,
            List<Long> discounts,
            List<Long> writtenOff,
            List<Long> owed) {}

    /** What one month bills, and when each step of it is paid. */
    public record BilledView(String month, boolean history, long gross, List<PaymentView> payments) {}

    /** A payment of a step of the pattern, numbered from 0, in a cash month. */
    public record PaymentView(int step, String month, long cash) {}

    /** A coming date of cash planned by date, unsigned; left is what is still expected, over what exceeded it. */
    public record ComingView(
            LocalDate day,
            LocalDate typed,
            long amount,
            long used,
            long left,
            long overBy,
            String certainty,
            boolean counted,
            String words) {}

    /**
     * A tax period that is not settled: whether part of it lies up to the as-of date, what that came to (null: not
     * said) and what is proposed, what each line brings after it, and the balance with its day.
     */
    public record TaxPeriodView(
            String first,
            String last,
            boolean begun,
            @Schema(nullable = true) @Nullable Long owed,
            long proposed,
            List<LineTaxView> lines,
            long output,
            long input,
            long balance,
            LocalDate settled) {}

    /** The tax of a line in a period; above zero on receipts. */
    public record LineTaxView(String lineId, String name, long minor) {}

    /**
     * What the pay days of a month leave to be paid over: what those up to the as-of date came to (null: not said) and
     * what is proposed, what those after it add, the sum and its day.
     */
    public record PaidOverView(
            String month,
            @Schema(nullable = true) @Nullable Long owed,
            long proposed,
            long after,
            long total,
            LocalDate day) {}

    /**
     * A month of stock in money and, where they are counted, in units; how many tenths of a day closing and the surplus
     * over its target last, null when longer than is known.
     */
    public record StockView(
            String month,
            long opening,
            long purchases,
            long cost,
            long closing,
            long target,
            long surplus,
            @Schema(nullable = true) @Nullable Long tenthsOfDays,
            @Schema(nullable = true) @Nullable Long surplusTenthsOfDays,
            @Schema(nullable = true) @Nullable StockUnitsView units) {}

    /** The same month in units, as text with at most two decimals. */
    public record StockUnitsView(String opening, String bought, String sold, String closing, String surplus) {
        static StockUnitsView of(StockRoll.Units units) {
            return new StockUnitsView(
                    text(units.opening()),
                    text(units.bought()),
                    text(units.sold()),
                    text(units.closing()),
                    text(units.surplus()));
        }

        private static String text(BigDecimal value) {
            return value.setScale(2, RoundingMode.HALF_UP).stripTrailingZeros().toPlainString();
        }
    }

    /** What history and terms imply is owed on the as-of date, gross; trued up to the ledger where the line says so. */
    public record LedgerView(long implied) {}

    /**
     * What a discount for paying early is worth: in words, and what taking it does to low water and to each week's
     * cash.
     */
    public record EarlyView(
            String verdict,
            LocalDate lowWaterDay,
            long lowWater,
            LocalDate lowWaterDayWith,
            long lowWaterWith,
            List<WeekView> weeks) {}

    /** A week whose cash the discount changes, and by how much. */
    public record WeekView(LocalDate from, LocalDate to, long change) {}

    static LineView of(PlanAtVersion current, Line line, YearMonth firstMonth, int historyMonths, int months) {
        Plan plan = current.plan();
        boolean stream = line.findStream().isPresent();
        YearMonth last = YearMonth.from(current.forecast().lastDay());
        YearMonth begins = Collections.max(
                List.of(plan.settings().firstForecastMonth(), Collections.min(List.of(firstMonth, last))));
        List<Period> withYears = WholeMonths.of(current.forecast())
                .withYears(
                        Periods.MONTH,
                        begins.atDay(1),
                        begins.plusMonths(months - 1L).atEndOfMonth());
        return new LineView(
                PlanView.plain(PlanWriter.json(line, plan.settings().currency())),
                kind(line.assumption()),
                stream
                        ? LineStrip.months(current, line, firstMonth.minusMonths(historyMonths), historyMonths + months)
                        : List.of(),
                stream
                        ? LineStrip.years(current, line, firstMonth.minusMonths(historyMonths), historyMonths + months)
                        : List.of(),
                hasSchedule(line) ? schedule(current, line, firstMonth, Math.min(6, months)) : null,
                stream || line.isGroup() ? List.of() : coming(current, line),
                line.standing().cash() == CashRow.SALES_TAX ? tax(current, line) : List.of(),
                line.standing().cash() == CashRow.PAY ? paidOver(current, line) : List.of(),
                stock(plan, line, begins, months),
                RollForwards.of(current.forecast(), line, Integer.MAX_VALUE).stream()
                        .map(roll -> RollForwardView.of(
                                roll, withYears, plan.settings().asOf()))
                        .toList(),
                stream && !line.assumption().keepsItems() ? ledger(current, line) : null,
                early(current, line),
                stream && line.assumption().keepsItems() ? left(current, line, begins, months) : List.of());
    }

    /** Months that are over but not closed stand first, where no later month is chosen to begin with. */
    private static List<LeftView> left(PlanAtVersion current, Line line, YearMonth begins, int months) {
        boolean whole = begins.equals(current.plan().settings().firstForecastMonth());
        return current.forecast().accounts().stream(line).left().months().stream()
                .dropWhile(one -> !whole && one.month().isBefore(begins))
                .limit(months)
                .map(one -> new LeftView(
                        one.month().toString(), one.planned(), one.invoiced(), one.onOrder(), one.left(), one.overBy()))
                .toList();
    }

    /** A target of days has no payments of a month's own to lay out. */
    private static boolean hasSchedule(Line line) {
        return line.findStream()
                .filter(stream -> stream.terms().by() != Terms.By.TARGET)
                .isPresent();
    }

    private static LedgerView ledger(PlanAtVersion current, Line line) {
        return new LedgerView(
                ((Assumption.Stream) line.assumption()).terms().by() == Terms.By.TARGET
                        ? current.forecast().accounts().stream(line).target().countedOnAsOf()
                        : current.forecast().accounts().stream(line)
                                .owedByHistory()
                                .total());
    }

    private static @Nullable EarlyView early(PlanAtVersion current, Line line) {
        if (line.findStream().filter(stream -> stream.terms().offersEarly()).isEmpty()) {
            return null;
        }
        EarlyPaymentEffect effect = EarlyPaymentEffect.of(current.plan(), current.books(), line);
        return new EarlyView(
                effect.verdict(),
                effect.without().day(),
                effect.without().headroom(),
                effect.with().day(),
                effect.with().headroom(),
                effect.weeks().stream()
                        .filter(week -> week.change() != 0)
                        .map(week -> new WeekView(week.from(), week.to(), week.change()))
                        .toList());
    }

    /** Returns the word a plan file has for the kind of an assumption. */
    static String kind(Assumption assumption) {
        return assumption.kind();
    }

    private static List<StockView> stock(Plan plan, Line line, YearMonth begins, int months) {
        if (line.findStream()
                .filter(stream -> stream.method() instanceof ActivityMethod.StockPurchases)
                .isEmpty()) {
            return List.of();
        }
        StockRoll roll = new ActivityCalculator(plan).stock(line);
        StockRoll.Month[] all = roll.months();
        List<StockView> views = new ArrayList<>();
        for (int i = 0; i < all.length && views.size() < months; i++) {
            StockRoll.Month one = all[i];
            if (one.month().isBefore(begins)) {
                continue;
            }
            Long days = roll.tenthsOfDays(all, i, one.closing());
            Long wanted = roll.tenthsOfDays(all, i, one.target());
            views.add(new StockView(
                    one.month().toString(),
                    one.opening(),
                    one.purchases(),
                    one.cost(),
                    one.closing(),
                    one.target(),
                    one.surplus(),
                    days,
                    days == null || wanted == null ? null : Long.valueOf(Math.max(0, days - wanted)),
                    one.units() == null ? null : StockUnitsView.of(one.units())));
        }
        return views;
    }

    private static List<PaidOverView> paidOver(PlanAtVersion current, Line line) {
        return current.forecast().accounts().pay(line).paidOver().stream()
                .map(month -> new PaidOverView(
                        month.month().toString(),
                        month.owed(),
                        month.proposed(),
                        month.after(),
                        month.total(),
                        month.day()))
                .toList();
    }

    private static List<TaxPeriodView> tax(PlanAtVersion current, Line line) {
        LocalDate asOf = current.plan().settings().asOf();
        SalesTaxAccount account = current.forecast().accounts().salesTax(line);
        return account.periods().stream()
                .map(p -> new TaxPeriodView(
                        p.first().toString(),
                        p.last().toString(),
                        p.beganBy(asOf),
                        p.owed(),
                        p.proposed(),
                        account.lines(p.first(), p.last()).stream()
                                .map(tax -> new LineTaxView(
                                        tax.lineId(),
                                        tax.name(),
                                        tax.minor() * tax.direction().sign()))
                                .toList(),
                        p.output(),
                        p.input(),
                        p.balance(),
                        p.settled()))
                .toList();
    }

    private static ScheduleView schedule(PlanAtVersion current, Line line, YearMonth first, int months) {
        PatternSchedule schedule = PatternSchedule.of(current.forecast().accounts().stream(line), first, months);
        YearMonth forecast = current.plan().settings().firstForecastMonth();
        List<BilledView> billed = schedule.billed().stream()
                .map(b -> new BilledView(
                        b.month().toString(),
                        b.month().isBefore(forecast),
                        b.gross(),
                        b.payments().stream()
                                .map(p -> new PaymentView(p.step(), p.month().toString(), p.cash()))
                                .toList()))
                .toList();
        return new ScheduleView(
                schedule.cashMonths().stream().map(YearMonth::toString).toList(),
                billed,
                schedule.cash().list(),
                schedule.discounts().list(),
                schedule.writtenOff().list(),
                schedule.owed().list());
    }

    private static List<ComingView> coming(PlanAtVersion current, Line line) {
        LocalDate asOf = current.plan().settings().asOf();
        return current.forecast().accounts().expectations(line).stream()
                .filter(e -> e.windowEnd().isAfter(asOf)
                        && !e.day().isAfter(current.plan().settings().horizonEnd()))
                .limit(60)
                .map(e -> comingView(current, line, e))
                .toList();
    }

    private static ComingView comingView(PlanAtVersion current, Line line, Expectation e) {
        return new ComingView(
                line.isTimedOtherwise()
                        ? Flows.timing(current.forecast().accounts(), line).forecastOn(e)
                        : e.day(),
                e.typed(),
                e.amount(),
                e.used(),
                e.left(),
                e.overBy(),
                e.certainty().name().toLowerCase(java.util.Locale.ROOT),
                current.plan().settings().counts(line.direction(), e.certainty()),
                e.words());
    }
}
