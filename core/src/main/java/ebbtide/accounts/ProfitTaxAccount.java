package ebbtide.accounts;

import static ebbtide.time.DayFormats.MONTH;

import ebbtide.plan.Certainty;
import ebbtide.plan.Line;
import ebbtide.plan.ProfitTax;
import ebbtide.time.BusinessDays;
import ebbtide.time.MonthSeries;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/** The tax on profit that a plan owes: its expense by month, and when it is paid (rules 7.4). */
public final class ProfitTaxAccount implements LineAccount {
    private final Reads reads;
    private final ProfitTax tax;
    private final BusinessDays calendar;
    private final MonthSeries.Sum expense;
    private final MonthSeries.Sum expenseBeforeSwept;
    private final MonthSeries.Sum lossesLeft;
    private final int open;
    private final int months;
    private final List<Due> dues = new ArrayList<>();

    /**
     * What the account is made from: profit before this tax by month to the last that is earned, what of it the sweep's
     * interest earns or takes, and profit before all interest.
     */
    record Reads(Line line, Frame frame, MonthSeries profit, MonthSeries swept, MonthSeries operating) {}

    ProfitTaxAccount(Reads reads) {
        this.reads = reads;
        this.tax = (ProfitTax) reads.line().assumption();
        this.calendar = reads.frame().calendar(reads.line());
        this.open = reads.frame().open();
        this.months = reads.frame().toHorizon();
        this.expense = reads.frame().earning();
        this.expenseBeforeSwept = reads.frame().earning();
        this.lossesLeft = reads.frame().earning();
        if (tax.mode() == ProfitTax.Mode.MONTH) {
            byMonth(reads.profit().minus(reads.swept()));
        } else {
            byYear(reads.profit().minus(reads.swept()));
        }
        dues.sort(Comparator.comparing(Due::day));
    }

    @Override
    public Line line() {
        return reads.line();
    }

    /**
     * Returns the expense by month from the first that is forecast; below zero where a loss takes back what was
     * expensed.
     */
    public MonthSeries expense() {
        return expense.series().first(months);
    }

    /**
     * Returns the expense as it would be without interest of the sweep: what is paid out month by month reads it (rules
     * 8.9).
     */
    MonthSeries expenseBeforeSwept() {
        return expenseBeforeSwept.series().first(months);
    }

    /** Returns the losses that may still lower tax at the end of each month from the first that is forecast. */
    public MonthSeries lossesLeft() {
        return lossesLeft.series().first(months);
    }

    /**
     * Returns what is owed at the end of the month before the first that is forecast: earlier years' and this one's,
     * less paid.
     */
    public long opening() {
        return tax.owed() + tax.soFar().tax() - tax.soFar().paid();
    }

    @Override
    public List<Due> dues() {
        return Collections.unmodifiableList(dues);
    }

    private void byMonth(MonthSeries beforeSwept) {
        boolean operating = tax.profit() == ProfitTax.MonthlyProfit.OPERATING;
        for (int i = 0; i < months; i++) {
            long before = operating ? reads.operating().at(i) : beforeSwept.at(i);
            long due = Math.max(0, tax.rate().of(before + (operating ? 0 : sweptOf(i))));
            expense.add(open + i, due);
            expenseBeforeSwept.add(open + i, Math.max(0, tax.rate().of(before)));
            YearMonth paid = Timeline.month(open + i).plusMonths(tax.monthsAfter());
            pay(dayOf(paid, tax.day()), due, "profit tax of " + MONTH.format(Timeline.month(open + i)));
        }
        pay(
                dayOf(Timeline.month(open - 1).plusMonths(tax.monthsAfter()), tax.day()),
                opening(),
                "profit tax of earlier months");
    }

    /**
     * The sweep's interest that a month's tax is on: where that is paid before the month is over, that of the month
     * before.
     */
    private long sweptOf(int month) {
        int of = tax.monthsAfter() == 0 ? month - 1 : month;
        return of < 0 ? 0 : reads.swept().at(of);
    }

    private void byYear(MonthSeries beforeSwept) {
        int firstMonth = reads.frame().settings().firstFiscalMonth().getValue();
        int intoYear = Math.floorMod(Timeline.month(open).getMonthValue() - firstMonth, 12);
        int start = open - intoYear;
        pay(settled(start - 12), tax.owed(), "profit tax of earlier years");
        Year year = new Year(tax.lastYearTax(), tax.soFar().losses());
        Year before = new Year(tax.lastYearTax(), tax.soFar().losses());
        for (; start < open + months; start += 12) {
            boolean first = start < open;
            long lastTax = year.tax;
            year.pass(start, reads.profit(), expense);
            before.losses = year.lossesBefore;
            before.pass(start, beforeSwept, expenseBeforeSwept);
            // A year that is not over knows only what the sweep does not change: its interest is made good in the rest.
            long base = tax.instalmentsOf() == ProfitTax.InstalmentsOf.LAST_YEAR ? lastTax : before.tax;
            long paid = payInstalments(start, base, first ? tax.soFar().paid() : 0);
            if (start + 12 <= open + months) {
                pay(
                        settled(start),
                        year.tax - paid,
                        "the rest of the profit tax of the year to " + MONTH.format(Timeline.month(start + 11)));
            }
        }
    }

    /** A fiscal year after the other: the tax of the last and the losses brought forward. */
    private final class Year {
        private long tax;
        private long losses;
        private long lossesBefore;

        Year(long lastTax, long losses) {
            this.tax = lastTax;
            this.losses = losses;
        }

        void pass(int start, MonthSeries profits, MonthSeries.Sum expenses) {
            boolean first = start < open;
            ProfitTax.YearSoFar soFar = ProfitTaxAccount.this.tax.soFar();
            long earned = first ? soFar.profit() : 0;
            long expensed = first ? soFar.tax() : 0;
            for (int month = Math.max(start, open); month < start + 12 && month < open + profits.months(); month++) {
                earned += profits.in(month);
                long due = ProfitTaxAccount.this.tax.rate().of(Math.max(0, earned - losses));
                expenses.add(month, due - expensed);
                expensed = due;
                if (expenses == expense) {
                    lossesLeft.add(month, Math.max(0, losses - earned));
                }
            }
            lossesBefore = losses;
            losses = Math.max(0, losses - earned);
            tax = expensed;
        }
    }

    private LocalDate settled(int start) {
        return dayOf(Timeline.month(start + 11).plusMonths(tax.monthsAfter()), tax.day());
    }

    /**
     * Asks for a year's instalments. Those up to the as-of date are paid as far as what is said to be paid covers them,
     * the earliest first; what is left of them stands (rules 1.9). Returns what the year has paid in advance in the
     * end.
     */
    private long payInstalments(int start, long base, long paid) {
        long sum = paid;
        long covers = paid;
        for (ProfitTax.Instalment one : tax.instalments()) {
            LocalDate day = dayOf(Timeline.month(start + one.month() - 1), one.day());
            long part = one.share().of(base);
            if (!tax.convention().adjust(day, calendar).isAfter(reads.frame().asOf())) {
                long covered = Math.min(covers, part);
                covers -= covered;
                part -= covered;
            }
            pay(
                    day,
                    part,
                    "profit tax in advance, " + one.share() + " of "
                            + (tax.instalmentsOf() == ProfitTax.InstalmentsOf.LAST_YEAR
                                    ? "last year's"
                                    : "this year's"));
            sum += part;
        }
        return sum;
    }

    private static LocalDate dayOf(YearMonth month, int day) {
        return month.atDay(Math.min(day, month.lengthOfMonth()));
    }

    private void pay(LocalDate day, long minor, String words) {
        if (minor != 0) {
            dues.add(Due.whole(
                    day,
                    tax.convention().adjust(day, calendar),
                    minor,
                    Certainty.CERTAIN,
                    Due.Lasting.UNTIL_PAID,
                    words));
        }
    }

    @Override
    public Earned earned() {
        MonthSeries cost = expense().negative().first(reads.frame().toEarned());
        return new Earned(cost, MonthSeries.nil(open, cost.months()), cost);
    }

    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.empty();
    }

    @Override
    public Optional<String> mendOfOverdue() {
        return Optional.of("type it as paid so far");
    }

    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        return TaxPoints.none(reads.frame());
    }
}
