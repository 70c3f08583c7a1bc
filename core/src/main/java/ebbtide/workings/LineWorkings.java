package ebbtide.workings;

import static ebbtide.time.DayFormats.MONTH;
import static ebbtide.time.DayFormats.WEEKDAY;
import static java.util.Objects.requireNonNull;

import ebbtide.accounts.Due;
import ebbtide.accounts.Expectation;
import ebbtide.activity.ActivityCalculator;
import ebbtide.billing.DayBilling;
import ebbtide.billing.LeftOfPlan;
import ebbtide.billing.MonthBilling;
import ebbtide.billing.OwedByHistory;
import ebbtide.billing.TargetBilling;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.derive.Lazy;
import ebbtide.flows.Cell;
import ebbtide.flows.FlowSink;
import ebbtide.flows.Flows;
import ebbtide.flows.LineFlows;
import ebbtide.flows.LineTiming;
import ebbtide.flows.Part;
import ebbtide.forecast.Forecast;
import ebbtide.items.ExpectedItem;
import ebbtide.money.Money;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.CashRow;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Line.CashOverride;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** The workings of one line that is no group for one period, found on the path that made its figure. */
final class LineWorkings implements FlowSink {

    private final Forecast forecast;
    private final Plan plan;
    private final Line line;
    private final Period period;
    private final int sign;
    private final ActivityCalculator activity;
    private final List<Workings.Item> items = new ArrayList<>();
    private final Map<DayBilling, Long> byDays = new LinkedHashMap<>();
    private final Timeline days;
    private long truedUp;
    private final Lazy<LeftOfPlan> left;
    private final LineTiming timing;

    LineWorkings(Forecast forecast, Line line, Period period) {
        this.forecast = forecast;
        this.plan = forecast.plan();
        this.line = line;
        this.period = period;
        this.sign = line.direction().sign();
        this.activity = forecast.accounts().activity();
        this.days = forecast.accounts().calendars().timeline(line);
        this.left = Lazy.of(() -> forecast.accounts().stream(line).left());
        this.timing = Flows.timing(forecast.accounts(), line);
    }

    Workings workings() {
        Cell cell = forecast.cell(line, period);
        addBooked();
        if (plan.isActive(line)) {
            timing.emit(this);
        }
        if (line.isFunding()) {
            addSwept();
        }
        byDays.forEach(this::addDays);
        addTrueUp();
        explainDifference(cell);
        return new Workings(line.name(), cell, List.copyOf(items), overBy());
    }

    private void addBooked() {
        Books books = forecast.books();
        books.byLine().getOrDefault(line.id(), List.of()).stream()
                .filter(m -> period.contains(m.day()))
                .forEach(m -> {
                    boolean fact = !m.day().isAfter(plan.settings().asOf());
                    items.add(new Workings.Item(
                            fact ? Part.SETTLED : Part.COMMITTED,
                            "Bank movements of " + WEEKDAY.format(m.day()),
                            fact ? "booked by the bank" : "booked after the as-of date",
                            m.day(),
                            m.minor()));
                });
    }

    @Override
    public void fromPattern(MonthBilling billing, int step) {
        Spread spread = forecast.accounts().stream(line).stream().spread();
        long[] inPeriod = {0};
        spread.lay(billing.cash(step) * sign, billing.cashMonth(step), days, (day, minor) -> {
            if (days.date(day).isAfter(plan.settings().asOf()) && holds(timing.moved(day))) {
                inPeriod[0] += minor;
            }
        });
        if (inPeriod[0] != 0) {
            items.add(new Workings.Item(
                    Part.ESTIMATED,
                    patternWords(billing, step, spread),
                    monthWords(billing.month()),
                    null,
                    inPeriod[0]));
        }
    }

    @Override
    public void fromDays(DayBilling billing, int day, int moved, long minor) {
        if (days.date(day).isAfter(plan.settings().asOf()) && holds(moved)) {
            byDays.merge(billing, minor * sign, Long::sum);
        }
    }

    @Override
    public void fromTarget(TargetBilling billing, TargetBilling.Month month) {
        long[] inPeriod = {0};
        billing.lay(month, (day, minor) -> inPeriod[0] += holds(timing.moved(day)) ? minor * sign : 0);
        if (inPeriod[0] != 0) {
            items.add(new Workings.Item(
                    Part.ESTIMATED,
                    "Of " + MONTH.format(Timeline.month(month.month())) + " " + amount(month.cash()) + ": opening "
                            + amount(month.opening()) + " + billed " + amount(month.billed()) + " \u2212 closing "
                            + amount(month.closing()),
                    "a target of " + month.days() + " days, counted back"
                            + (month.assumed() ? "; days before the first known month are assumed" : ""),
                    null,
                    inPeriod[0]));
        }
    }

    @Override
    public void fromTrueUp(OwedByHistory implied, OwedByHistory.Correction correction) {
        implied.lay(correction, (day, minor) -> truedUp += holds(timing.moved(day)) ? minor * sign : 0);
    }

    private boolean holds(int day) {
        return period.contains(days.date(day));
    }

    private void addTrueUp() {
        if (truedUp != 0) {
            boolean never = line.patternBeforeNeverPaid().isPresent();
            items.add(new Workings.Item(
                    Part.ESTIMATED,
                    never ? "What is owed on the as-of date, as it was" : "Trued up to the ledger",
                    never
                            ? "more is never paid here: what was owed then stays what it was, and a part of it is written off when it would be paid"
                            : truedUpWords(),
                    null,
                    truedUp));
        }
    }

    private String truedUpWords() {
        long ledger =
                requireNonNull(((Assumption.Stream) line.assumption()).ledger()).amount();
        long implied = forecast.accounts().stream(line).owedByHistory().total();
        return "the ledger says " + amount(ledger) + " on the as-of date, history and terms imply " + amount(implied)
                + ": what was owed then is scaled to it";
    }

    /** What the sweep draws and repays, and the interest it costs, day by day. */
    private void addSwept() {
        forecast.flows(line).stream()
                .filter(flow -> flow.part() == Part.ESTIMATED && period.contains(flow.day()))
                .forEach(flow -> forecast.funding()
                        .findWords(line, flow.day())
                        .ifPresent(words -> items.add(new Workings.Item(
                                Part.ESTIMATED,
                                (line.standing().cash() == CashRow.FACILITIES
                                                ? flow.minor() > 0 ? "Drawn on " : "Repaid on "
                                                : "Charged, paid on ")
                                        + WEEKDAY.format(flow.day()),
                                words,
                                flow.day(),
                                flow.minor()))));
    }

    private void addDays(DayBilling billing, long minor) {
        items.add(new Workings.Item(
                Part.ESTIMATED,
                "Of " + billed(billing.month(), billing.net(), billing.tax(), billing.gross()) + ", issued "
                        + ((Assumption.Stream) line.assumption()).spread().words() + ", "
                        + billing.terms().words(),
                monthWords(billing.month()),
                null,
                minor));
    }

    /** Where a month's amount comes from; on books, what invoices and orders have taken of it. */
    private String monthWords(int month) {
        String words = activity.words(line, month);
        if (((Assumption.Stream) line.assumption()).basis() == Basis.PATTERN) {
            return words;
        }
        return left.get().months().stream()
                        .filter(one -> one.month().equals(Timeline.month(month))
                                && (one.invoiced() != 0 || one.onOrder() != 0 || one.isCapped()))
                        .findFirst()
                        .map(one -> "planned " + amount(one.planned()) + " (" + words + "), less invoiced "
                                + amount(one.invoiced())
                                + (one.onOrder() == 0 ? "" : ", less on order " + amount(one.onOrder())) + ": left "
                                + amount(one.left())
                                + (one.isCapped() ? ", no more than its business days after the as-of date bear" : ""))
                        .orElse(words)
                + late(month);
    }

    /** What is left of months that are over but not closed is billed with the first that is forecast. */
    private String late(int month) {
        return !Timeline.month(month).equals(plan.settings().firstForecastMonth())
                ? ""
                : left.get().months().stream()
                        .filter(one -> one.month().isBefore(plan.settings().firstForecastMonth()) && one.left() > 0)
                        .map(one -> "; with " + amount(one.left()) + " left of " + MONTH.format(one.month())
                                + ", which is not closed yet")
                        .reduce("", String::concat);
    }

    private String billed(int month, long net, long tax, long gross) {
        return MONTH.format(Timeline.month(month)) + " " + amount(net)
                + (tax == 0
                        ? ""
                        : " plus " + line.assumption().tax().rate() + " sales tax, " + amount(gross) + " in all");
    }

    private String patternWords(MonthBilling billing, int step, Spread spread) {
        MonthPattern.Step one = billing.pattern().steps().get(step);
        return one.share() + " of " + billed(billing.month(), billing.net(), billing.tax(), billing.gross()) + ", "
                + one.delayWords() + (billing.discount(step) == 0 ? "" : ", less " + one.discount() + " discount")
                + ", "
                + spread.words();
    }

    @Override
    public void fromItem(ExpectedItem item, int day, long minor) {
        if (minor != 0 && period.contains(item.paidOn())) {
            items.add(new Workings.Item(
                    Part.COMMITTED,
                    kind(item.item()) + " " + item.item().number() + ", "
                            + item.item().counterparty(),
                    item.because() + (minor == item.minor() ? "" : ", less cash booked on account"),
                    item.day(),
                    minor * sign));
        }
    }

    private String kind(OpenItem item) {
        boolean receipt = line.direction() == Direction.RECEIPT;
        return switch (item.kind()) {
            case INVOICE -> receipt ? "Invoice" : "Bill";
            case CREDIT_NOTE -> "Credit note";
            case ORDER -> receipt ? "Sales order" : "Purchase order";
            case COMMITMENT -> "Commitment";
        };
    }

    @Override
    public void fromCarried(CarriedAmount carried, int day) {
        if (holds(timing.moved(day))) {
            items.add(new Workings.Item(
                    Part.ESTIMATED,
                    "Carried to " + WEEKDAY.format(carried.day()),
                    carried.origin(),
                    carried.day(),
                    carried.amount() * sign));
        }
    }

    @Override
    public void fromExpectation(Expectation expectation, int day, int moved, boolean overdue) {
        if (!holds(moved)) {
            return;
        }
        LocalDate date = days.date(moved);
        String what = "Expected on " + WEEKDAY.format(date);
        List<Due.Piece> pieces = timing.account().pieces(expectation.due());
        if (pieces.isEmpty()) {
            items.add(new Workings.Item(
                    Part.ESTIMATED,
                    what,
                    expectation.words()
                            + dateWords(expectation, overdue)
                            + (expectation.used() == 0
                                    ? ""
                                    : "; " + amount(expectation.used()) + " of " + amount(expectation.amount())
                                            + " already booked"),
                    date,
                    expectation.left() * sign));
            return;
        }
        pieces.forEach(piece -> items.add(new Workings.Item(
                Part.ESTIMATED,
                what + ": " + piece.what(),
                expectation.words() + dateWords(expectation, overdue),
                date,
                piece.minor() * sign)));
        if (expectation.left() != expectation.amount()) {
            items.add(new Workings.Item(
                    Part.ESTIMATED,
                    "Less what is already booked",
                    expectation.words(),
                    null,
                    (expectation.left() - expectation.amount()) * sign));
        }
    }

    private static String dateWords(Expectation expectation, boolean overdue) {
        String moved = expectation.day().equals(expectation.typed())
                ? ""
                : "; " + WEEKDAY.format(expectation.typed()) + " is no business day, so "
                        + WEEKDAY.format(expectation.day());
        return moved
                + (!overdue
                        ? ""
                        : "; overdue: it stands on the first business day after the as-of date until "
                                + (expectation.isUntilPaid() ? "it is paid" : WEEKDAY.format(expectation.windowEnd())));
    }

    /** What netting with later bookings and what an override take from or add to the estimates laid by the plan. */
    private void explainDifference(Cell cell) {
        LineFlows flows = forecast.flowsOf(line.id());
        int from = Math.max(0, forecast.timeline().index(period.startInclusive()));
        int to = Math.min(forecast.timeline().days(), forecast.timeline().index(period.endExclusive()));
        long netted = flows.netted(from, to);
        long taken = netted - flows.laid(from, to);
        if (taken != 0) {
            items.add(new Workings.Item(
                    Part.ESTIMATED,
                    "Less what is booked after the as-of date",
                    "the bank's word takes the place of the month's estimate, earliest days first",
                    null,
                    taken));
        }
        if (cell.estimated() != netted) {
            String reasons = plan.isActive(line) ? reasons() : "the line is switched off";
            items.add(new Workings.Item(
                    Part.ESTIMATED,
                    "Override",
                    reasons + "; computed " + amount(cell.settled() + cell.committed() + netted),
                    null,
                    cell.estimated() - netted));
        }
    }

    private String reasons() {
        return line.overrides().stream()
                .filter(o -> o.period().overlaps(period))
                .map(this::overrideWords)
                .reduce((a, b) -> a + "; " + b)
                .orElse("");
    }

    private String overrideWords(CashOverride override) {
        return amount(override.amount()) + " for "
                + WEEKDAY.format(override.period().startInclusive()) + " to "
                + WEEKDAY.format(override.period().lastDay()) + ": " + override.reason();
    }

    private @Nullable Long overBy() {
        if (line.findStream().isPresent()) {
            long over = !line.assumption().keepsItems() || !plan.isActive(line)
                    ? 0
                    : left.get().months().stream()
                            .filter(one -> period.overlaps(new Period(
                                    one.month().atDay(1),
                                    one.month().plusMonths(1).atDay(1))))
                            .mapToLong(LeftOfPlan.Month::overBy)
                            .sum();
            return over == 0 ? null : over;
        }
        if (line.isGroup()) {
            return null;
        }
        long over = forecast.accounts().expectations(line).stream()
                .filter(e -> period.contains(e.day()))
                .mapToLong(Expectation::overBy)
                .sum();
        return over == 0 ? null : over;
    }

    private String amount(long minor) {
        return Money.words(minor, plan.settings().currency());
    }
}
