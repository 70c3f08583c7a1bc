package ebbtide.accounts;

import ebbtide.activity.MonthlyActivity;
import ebbtide.billing.DayBilling;
import ebbtide.billing.LeftOfPlan;
import ebbtide.billing.MonthBilling;
import ebbtide.billing.PaidDays;
import ebbtide.books.OpenItem;
import ebbtide.money.Split;
import ebbtide.plan.Assumption;
import ebbtide.plan.Direction;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.SalesTax;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The tax points of a stream (rules 7.3): to which month the sales tax of an amount, a bill or a payment belongs, and
 * whether to its days up to the as-of date or after. A discount lowers the tax of the month in which it is taken.
 */
final class StreamTaxPoints {
    private final StreamBilling billed;
    private final Assumption.Stream stream;
    private final SalesTax tax;
    private final TaxPoints.Basis basis;
    private final Timeline timeline;
    private final Frame frame;
    private final int asOf;
    private final TaxPoints.Sum sum;

    StreamTaxPoints(StreamBilling billed, TaxPoints.Basis basis) {
        this.billed = billed;
        this.stream = billed.stream();
        this.tax = stream.tax();
        this.basis = basis;
        this.timeline = billed.timeline();
        this.frame = billed.frame();
        this.asOf = timeline.index(frame.asOf());
        this.sum = new TaxPoints.Sum(frame, basis);
    }

    TaxPoints points() {
        if (tax.isNone()) {
            return TaxPoints.none(frame);
        }
        items();
        switch (stream.terms().by()) {
            case DAYS -> byDays(billed.amounts());
            case TARGET -> byTarget(billed.amounts());
            case MONTHS -> byMonths();
        }
        return sum.done();
    }

    private long counted(long taxed) {
        return tax.back(isReceipt(), taxed);
    }

    private boolean isReceipt() {
        return billed.line().direction() == Direction.RECEIPT;
    }

    /**
     * The tax of what is known to be billed: on the day of issue, an order's on its delivery; on the cash basis on the
     * day it is paid, of what is open when it is expected.
     */
    private void items() {
        for (OpenItem item : billed.items().known()) {
            int sign = item.kind() == OpenItem.Kind.CREDIT_NOTE ? -1 : 1;
            if (item.kind() == OpenItem.Kind.ORDER) {
                sum.addOn(
                        LeftOfPlan.delivered(item, frame.asOf()),
                        basis.isCash() ? 0 : counted(LeftOfPlan.taxOfOpen(item)));
            } else if (!basis.isCash()) {
                sum.addOn(item.issued(), sign * counted(item.amount().tax()));
            } else if (item.paidOn() != null) {
                sum.addOn(item.paidOn(), sign * counted(item.amount().tax()));
            }
        }
        if (basis.isCash()) {
            billed.items().expected().stream()
                    .filter(one -> !one.isLeftOut())
                    .forEach(one -> sum.addOn(one.paidOn(), counted(LeftOfPlan.taxOfOpen(one.item()))));
        }
    }

    private void byMonths() {
        MonthPattern pattern = stream.terms().pattern();
        boolean byStep = basis.isCash()
                || basis.rule().relief()
                || pattern.steps().stream().anyMatch(s -> s.discount().millionths() > 0);
        int from = basis.firstMonth() - (byStep ? stream.terms().monthsBack() : 0);
        int to = timeline.lastMonth() + (byStep ? pattern.longestLead() : 0);
        for (int month = from; month <= to; month++) {
            MonthBilling billing = billed.billing(month);
            if (billing == null) {
                continue;
            }
            if (!basis.isCash()) {
                lay(month, billing.tax());
            }
            if (byStep) {
                addSteps(billing);
            }
        }
    }

    private void addSteps(MonthBilling billing) {
        for (int step = 0; step < billing.steps(); step++) {
            long ofDiscount = billing.taxOfDiscount(step);
            lay(billing.cashMonth(step), basis.isCash() ? billing.taxOf(step) - ofDiscount : -ofDiscount);
        }
        if (basis.rule().relief() && !basis.isCash() && isReceipt()) {
            int month = billing.writeOffMonth();
            sum.add(month, month >= frame.open(), -billing.taxOfWrittenOff());
        }
    }

    private void byDays(MonthlyActivity amounts) {
        int from = basis.firstMonth()
                - (basis.isCash() || stream.terms().dayTerms().isEarly()
                        ? stream.terms().monthsBack()
                        : 0);
        for (int month = from; month <= timeline.lastMonth(); month++) {
            long amount = amounts.in(month);
            if (amount != 0 && basis.isCash()) {
                byPaidDays(DayBilling.of(month, amount, tax, stream.terms().dayTerms()));
            } else if (amount != 0) {
                lay(month, tax.taxOf(amount));
                if (stream.terms().dayTerms().isEarly()) {
                    byPaidDays(DayBilling.of(month, amount, tax, stream.terms().dayTerms()));
                }
            }
        }
    }

    /** On the cash basis the tax is that within what comes in. */
    private void byTarget(MonthlyActivity amounts) {
        if (!basis.isCash()) {
            for (int month = basis.firstMonth(); month <= timeline.lastMonth(); month++) {
                lay(month, tax.taxOf(amounts.in(month)));
            }
            return;
        }
        billed.target()
                .months(timeline.lastMonth())
                .forEach(
                        month -> sum.add(month.month(), true, counted(tax.rate().withinGross(month.cash()))));
    }

    private void byPaidDays(DayBilling billing) {
        PaidDays days = billed.paidDays();
        List<LocalDate> paid = new ArrayList<>();
        List<Long> gross = new ArrayList<>();
        billing.lay(stream.spread(), days, (day, amount, discount) -> {
            paid.add(days.issues().date(day));
            gross.add(amount);
        });
        long[] weights = gross.stream().mapToLong(Math::abs).toArray();
        if (Arrays.stream(weights).sum() == 0) {
            return;
        }
        long taxed = (basis.isCash() ? billing.tax() : 0) - billing.discountOf(billing.tax());
        long[] parts = Split.byWeights(counted(taxed), weights);
        for (int i = 0; i < parts.length; i++) {
            sum.addOn(paid.get(i), parts[i]);
        }
    }

    /** The month that holds the as-of date is parted by the line's spread; all others lie on one side of it. */
    private void lay(int month, long minor) {
        long counted = counted(minor);
        boolean parted = month == frame.open() && timeline.startOfMonth(month) <= asOf;
        if (!parted) {
            sum.add(month, month >= frame.open(), counted);
            return;
        }
        long[] sides = {0, 0};
        stream.spread().lay(counted, month, timeline, (day, part) -> sides[day > asOf ? 1 : 0] += part);
        sum.add(month, false, sides[0]);
        sum.add(month, true, sides[1]);
    }
}
