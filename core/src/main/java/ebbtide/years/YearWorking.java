package ebbtide.years;

import static java.util.Objects.requireNonNull;

import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearDriver.Amount;
import ebbtide.plan.YearDriver.Days;
import ebbtide.plan.YearDriver.DaysOf;
import ebbtide.plan.YearDriver.MarginHeld;
import ebbtide.plan.YearDriver.Share;
import ebbtide.plan.YearDriver.WithSales;
import ebbtide.plan.YearRow;
import ebbtide.plan.YearsPlan;
import ebbtide.plan.YearsPlan.EquityChange;
import ebbtide.plan.YearsPlan.TypedOver;
import ebbtide.years.Year.Assets;
import ebbtide.years.Year.Outside;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToLongFunction;
import org.jspecify.annotations.Nullable;

/**
 * Works a year out of the one before (rules 9.4): first what needs no cash to be known, each figure rounded once and
 * read rounded; then interest, tax, payout and borrowing, which need each other, round by round.
 */
final class YearWorking {
    private static final int DAYS = 365;
    private static final int MOST_ROUNDS = 100;
    private final YearsPlan plan;
    private final YearsStart start;
    private final Year before;
    private final LocalDate end;
    private final int year;
    private final int days;
    private final Optional<Percent> growth;
    private final Map<String, Long> known = new HashMap<>();
    private final List<String> remarks = new ArrayList<>();

    /** Works a year; with a growth all sales grow by it, whatever they follow from. */
    YearWorking(YearsPlan plan, YearsStart start, Year before, Optional<Percent> growth) {
        this.plan = plan;
        this.start = start;
        this.before = before;
        this.end = endAfter(before.end());
        this.year = Year.nameOf(end);
        this.days = plan.rules().calendarDays() ? (int) ChronoUnit.DAYS.between(before.end(), end) : DAYS;
        this.growth = growth;
    }

    /** The end of a month stays the end of that month. */
    private static LocalDate endAfter(LocalDate last) {
        LocalDate next = last.plusYears(1);
        return last.getDayOfMonth() == last.lengthOfMonth() ? next.withDayOfMonth(next.lengthOfMonth()) : next;
    }

    Year year() {
        Map<String, Long> flows = new LinkedHashMap<>();
        before.flows().keySet().forEach(row -> flows.put(row, figure(row)));
        Map<String, Long> items = new LinkedHashMap<>();
        before.items().keySet().forEach(row -> items.put(row, figure(row)));
        if (sum(YearRow.COST_OF_SALES) + figure(YearRow.STOCK.id()) < before.item(YearRow.STOCK)) {
            remarks.add(
                    "Less is bought than nothing, as stock falls by more than is sold of it: purchases count as nil");
        }
        DepreciationWorking depreciation = new DepreciationWorking(plan, before, year);
        Assets assets = depreciation.assets();
        remarks.addAll(depreciation.remarks());
        DebtWorking debts = new DebtWorking(plan, start, before, end);
        remarks.addAll(debts.remarks());
        Outside outside = new Outside(debts.added(), debts.repaid(), equity(1), equity(-1));
        return settled(flows, items, depreciation.charge(), assets, debts.left(), outside);
    }

    private long equity(int sign) {
        return plan.equity().stream()
                .filter(one -> one.year() == year)
                .mapToLong(EquityChange::amount)
                .filter(one -> one * sign > 0)
                .map(Math::abs)
                .sum();
    }

    /** What a row of income earns or costs, or what an item comes to at the year's end. */
    private long figure(String row) {
        Long worked = known.get(row);
        if (worked != null) {
            return worked;
        }
        long was = before.flows().containsKey(row)
                ? requireNonNull(before.flows().get(row))
                : before.items().getOrDefault(row, 0L);
        YearRow is = requireNonNull(before.rows().get(row)).row();
        long amount = growth.isPresent() && is == YearRow.SALES
                ? was + growth.get().of(was)
                : plan.override(row, year).map(TypedOver::amount).orElseGet(() -> follows(plan.driver(row), row, was));
        known.put(row, Rounding.counted(amount));
        return amount;
    }

    /** What a row follows from a driver comes to; without one, or before it says anything, as it was. */
    private long follows(@Nullable YearDriver by, String row, long was) {
        if (by instanceof Amount amount) {
            return amount.in(year, was);
        }
        if (by instanceof Share share) {
            Percent part = YearDriver.in(share.shares(), year);
            return part == null ? was : part.of(share.of() == null ? sum(YearRow.SALES) : figure(share.of()));
        }
        if (by instanceof MarginHeld held) {
            Percent margin = YearDriver.in(held.margins(), year);
            if (margin == null) {
                return was;
            }
            long sales = sum(YearRow.SALES);
            long others = before.flows().keySet().stream()
                    .filter(one -> !one.equals(row) && isOf(one, YearRow.COST_OF_SALES))
                    .mapToLong(this::figure)
                    .sum();
            return sales - margin.of(sales) - others;
        }
        if (by instanceof Days of) {
            BigDecimal count = YearDriver.in(of.days(), year);
            return count == null ? was : ofDays(counted(of.of()), count);
        }
        return by instanceof WithSales ? withSales(was) : was;
    }

    private long withSales(long was) {
        long sales = before.sales();
        return sales <= 0
                ? was
                : Rounding.divide(BigDecimal.valueOf(was).multiply(BigDecimal.valueOf(sum(YearRow.SALES))), sales);
    }

    private long ofDays(long of, BigDecimal count) {
        return Rounding.divide(BigDecimal.valueOf(of).multiply(count), days);
    }

    private long counted(DaysOf of) {
        return switch (of) {
            case SALES -> sum(YearRow.SALES);
            case COST_OF_SALES -> sum(YearRow.COST_OF_SALES);
            case PURCHASES -> purchases();
            case CASH_COSTS -> sum(YearRow.COST_OF_SALES) + sum(YearRow.OVERHEAD);
        };
    }

    private long purchases() {
        return Math.max(0, sum(YearRow.COST_OF_SALES) + figure(YearRow.STOCK.id()) - before.item(YearRow.STOCK));
    }

    private boolean isOf(String row, YearRow of) {
        return requireNonNull(before.rows().get(row)).row() == of;
    }

    private long sum(YearRow of) {
        return before.flows().keySet().stream()
                .filter(one -> isOf(one, of))
                .mapToLong(this::figure)
                .sum();
    }

    private long kept() {
        YearDriver by = plan.driver(YearRow.CASH.id());
        return by == null ? start.minimum().applyAsLong(end) : follows(by, YearRow.CASH.id(), before.kept());
    }

    /** Returns the rate of a row in the year, null where it never had one. */
    private @Nullable Percent rate(YearRow row) {
        return plan.driver(row.id()) instanceof Share share ? YearDriver.in(share.shares(), year) : null;
    }

    private long depends(YearRow row, long was, ToLongFunction<Percent> of) {
        Percent rate = rate(row);
        return rate == null ? was : of.applyAsLong(rate);
    }

    /** Interest, tax, payout and borrowing as each round finds them of the one before, until nothing changes. */
    private Year settled(
            Map<String, Long> flows,
            Map<String, Long> items,
            long depreciation,
            Assets assets,
            Map<String, Long> debts,
            Outside outside) {
        long kept = kept();
        long agreed = debts.values().stream().mapToLong(Long::longValue).sum();
        long operating = sum(YearRow.SALES)
                - sum(YearRow.COST_OF_SALES)
                + sum(YearRow.OTHER_INCOME)
                - sum(YearRow.OVERHEAD)
                - depreciation
                + assets.proceeds()
                - assets.bookSold();
        // What moves cash whatever interest comes to: all but profit before tax, tax paid and payout.
        long moved = depreciation
                + assets.bookSold()
                - assets.spending()
                + levels(before.items())
                - levels(items)
                + outside.newDebt()
                - outside.repaid()
                + outside.equityIn()
                - outside.equityOut();
        Percent later = rate(YearRow.TAX_OWED);
        Percent mean = rate(YearRow.INTEREST);
        long interest = 0;
        long onCash = 0;
        for (int round = 1; ; round++) {
            long beforeTax = operating - interest + onCash;
            long taxed = beforeTax - before.losses();
            long tax = depends(
                    YearRow.PROFIT_TAX,
                    before.tax(),
                    rate -> rate.of(plan.rules().lossesRefunded() ? beforeTax : Math.max(0, taxed)));
            long owed = later == null ? 0 : later.of(tax);
            long dividends = dividends(beforeTax - tax);
            long cash = before.cash() + moved + beforeTax - (before.taxOwed() + tax - owed) - dividends;
            long over = cash - kept;
            long borrowed = Rounding.counted(Math.max(0, before.borrowed() - over));
            long held = Rounding.counted(cash + borrowed - before.borrowed());
            long nextInterest = mean == null ? before.interest() : interest(mean, before.debt(), agreed + borrowed);
            long nextOnCash = depends(
                    YearRow.INTEREST_ON_CASH, before.interestOnCash(), rate -> interest(rate, before.cash(), held));
            boolean settled = nextInterest == interest && nextOnCash == onCash;
            if (settled || round == MOST_ROUNDS) {
                if (!settled) {
                    remarks.add("Interest did not settle in " + MOST_ROUNDS + " rounds: it is that of the last");
                }
                long drawn = plan.rules().facility() == null
                        ? 0
                        : Math.min(borrowed, start.limit().applyAsLong(end));
                return new Year(
                        end,
                        days,
                        before.rows(),
                        flows,
                        depreciation,
                        assets.proceeds() - assets.bookSold(),
                        interest,
                        onCash,
                        tax,
                        dividends,
                        assets,
                        items,
                        debts,
                        outside,
                        drawn,
                        borrowed - drawn,
                        held,
                        kept,
                        owed,
                        before.capital() + outside.equityIn() - outside.equityOut(),
                        before.otherEquity(),
                        before.retained() + beforeTax - tax - dividends,
                        plan.rules().lossesRefunded() ? before.losses() : Math.max(0, -taxed),
                        purchases(),
                        List.copyOf(remarks));
            }
            interest = nextInterest;
            onCash = nextOnCash;
        }
    }

    private long dividends(long profit) {
        String row = YearRow.DIVIDENDS.id();
        return plan.driver(row) instanceof Share share
                ? depends(
                        YearRow.DIVIDENDS,
                        before.dividends(),
                        part -> part.of(Math.max(0, share.of() == null ? profit : before.profit())))
                : follows(plan.driver(row), row, before.dividends());
    }

    /** On the opening balance, or on the mean of opening and closing. */
    private long interest(Percent rate, long opening, long closing) {
        return plan.rules().meanBalance()
                ? Rounding.divide(
                        BigDecimal.valueOf(opening)
                                .add(BigDecimal.valueOf(closing))
                                .multiply(BigDecimal.valueOf(rate.millionths())),
                        2 * Percent.WHOLE)
                : rate.of(opening);
    }

    /** What items come to, owed ones below zero. */
    private long levels(Map<String, Long> items) {
        return items.entrySet().stream()
                .mapToLong(one -> one.getValue()
                        * requireNonNull(before.rows().get(one.getKey())).row().sign())
                .sum();
    }
}
