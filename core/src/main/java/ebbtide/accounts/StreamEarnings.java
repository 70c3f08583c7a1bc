package ebbtide.accounts;

import ebbtide.accounts.Earned.Sum.Lower;
import ebbtide.activity.MonthlyActivity;
import ebbtide.activity.StockRoll;
import ebbtide.billing.DayBilling;
import ebbtide.billing.LeftOfPlan;
import ebbtide.billing.MonthBilling;
import ebbtide.billing.PaidDays;
import ebbtide.books.OpenItem;
import ebbtide.money.Split;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Nature;
import ebbtide.plan.Terms;
import ebbtide.time.Timeline;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What a stream earns, month by month (rules 7, 9.1): its amounts and items net of tax, less discounts and what is
 * written off; stock when it is sold.
 */
final class StreamEarnings {
    private final StreamBilling billed;
    private final Frame frame;
    private final Line line;
    private final Assumption.Stream stream;
    private final Earned.Sum sum;

    StreamEarnings(StreamBilling billed) {
        this.billed = billed;
        this.frame = billed.frame();
        this.line = billed.line();
        this.stream = billed.stream();
        this.sum = new Earned.Sum(frame, line.direction().sign());
    }

    Earned earned() {
        MonthlyActivity amounts = billed.amounts();
        for (int month = frame.open(); month < frame.open() + frame.toEarned(); month++) {
            sum.net(stream.tax(), isReceipt(), month, amounts.in(month));
        }
        billed.items().known().forEach(this::ofItem);
        billed.stock().ifPresent(this::ofStock);
        billed.items().expected().stream()
                .filter(one -> !one.isLeftOut())
                .forEach(one -> sum.lower(Lower.DISCOUNT, Frame.month(one.paidOn()), one.discount()));
        if (stream.terms().by() == Terms.By.MONTHS) {
            discountsAndWriteOffs();
        } else if (stream.terms().by() == Terms.By.DAYS
                && stream.terms().dayTerms().isEarly()) {
            earlyPayment();
        }
        if (billed.isTruedUp()) {
            billed.owedByHistory().corrections().forEach(one -> {
                sum.lower(Lower.DISCOUNT, one.month(), one.discount());
                sum.lower(Lower.WRITE_OFF, one.month(), one.writtenOff());
            });
        }
        return line.nature() == Nature.OUTSIDE ? sum.done().outside() : sum.done();
    }

    private boolean isReceipt() {
        return line.direction() == Direction.RECEIPT;
    }

    private long back(long taxed) {
        return stream.tax().back(isReceipt(), taxed);
    }

    /** Stock is no cost until it is sold; tax on it that is not claimed back is. */
    private void ofStock(StockRoll roll) {
        for (StockRoll.Month stock : roll.months()) {
            int month = Timeline.monthNumber(stock.month());
            sum.add(month, stock.purchases() - stock.cost());
            if (stream.basis() == Basis.BOOKS && month < frame.open() + frame.toEarned()) {
                sum.add(month, -sum.billedIn(month) - stock.purchases());
            }
        }
    }

    /** What is known to be billed earns in the month it is supplied; an order, what is not invoiced of it. */
    private void ofItem(OpenItem item) {
        boolean order = item.kind() == OpenItem.Kind.ORDER;
        long gross = order ? item.amount().open() : item.amount().gross();
        long taxed = back(order ? LeftOfPlan.taxOfOpen(item) : item.amount().tax());
        int month = Frame.month(order ? LeftOfPlan.delivered(item, frame.asOf()) : item.supplied());
        if (item.kind() != OpenItem.Kind.CREDIT_NOTE) {
            sum.both(month, gross - taxed);
            sum.tax(month, taxed);
        } else if (billed.stock().isEmpty()) {
            lower(Lower.CREDIT_NOTE, month, gross, taxed);
        } else {
            // What comes back of purchases for stock lowers the stock, and no cost.
            sum.both(month, taxed - gross);
            sum.tax(month, -taxed);
        }
    }

    private void discountsAndWriteOffs() {
        int last = frame.open() + frame.toEarned() + stream.terms().monthsAhead();
        boolean relieved = frame.relief() && isReceipt();
        MonthPattern pattern = stream.terms().pattern();
        int[] discounted = IntStream.range(0, pattern.steps().size())
                .filter(step -> pattern.steps().get(step).discount().millionths() > 0)
                .toArray();
        boolean writesOff = pattern.never().millionths() > 0;
        if (discounted.length == 0 && !writesOff) {
            return;
        }
        for (int month = frame.open() - stream.terms().monthsBack(); month < last; month++) {
            MonthBilling billing = billed.billing(month);
            if (billing == null) {
                continue;
            }
            for (int step : discounted) {
                lower(
                        Lower.DISCOUNT,
                        billing.cashMonth(step),
                        billing.discount(step),
                        back(billing.taxOfDiscount(step)));
            }
            if (writesOff) {
                lower(
                        Lower.WRITE_OFF,
                        billing.writeOffMonth(),
                        billing.writtenOff(),
                        relieved ? billing.taxOfWrittenOff() : 0);
            }
        }
    }

    /** What is not paid after all lowers what was earned, its tax the tax. */
    private void lower(Lower by, int month, long gross, long taxed) {
        sum.lower(by, month, gross - taxed);
        sum.tax(month, -taxed);
    }

    private void earlyPayment() {
        PaidDays days = billed.paidDays();
        MonthlyActivity amounts = billed.amounts();
        for (int month = frame.open() - stream.terms().dayTerms().monthsBack();
                month < frame.open() + frame.toEarned();
                month++) {
            if (amounts.in(month) == 0) {
                continue;
            }
            DayBilling billing = DayBilling.of(
                    month, amounts.in(month), stream.tax(), stream.terms().dayTerms());
            List<long[]> parts = new ArrayList<>();
            billing.lay(
                    stream.spread(),
                    days,
                    (day, gross, discount) ->
                            parts.add(new long[] {Frame.month(days.issues().date(day)), gross, discount}));
            long[] taxed = Split.byWeights(
                    back(billing.discountOf(billing.tax())),
                    parts.stream().mapToLong(part -> Math.abs(part[1])).toArray());
            for (int i = 0; i < taxed.length; i++) {
                lower(Lower.DISCOUNT, (int) parts.get(i)[0], parts.get(i)[2], taxed[i]);
            }
        }
    }
}
