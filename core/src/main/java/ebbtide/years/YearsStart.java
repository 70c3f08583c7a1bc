package ebbtide.years;

import ebbtide.money.Rounding;
import ebbtide.plan.LastYear;
import ebbtide.plan.LastYear.Entry;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearRow;
import ebbtide.plan.YearsPlan;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToLongFunction;

/**
 * What years begin with: the last year with flows of 365 or 366 days, the debts that are there as agreed, least cash
 * where no driver says what is kept, and the limit of the facility that is drawn first, both at the end of a day; and
 * what is to be said of it. Minor units.
 */
public record YearsStart(
        LastYear last,
        List<AgreedDebt> debts,
        ToLongFunction<LocalDate> minimum,
        ToLongFunction<LocalDate> limit,
        List<String> remarks) {
    private static final int YEAR = 365;
    private static final int LEAP_YEAR = 366;

    public YearsStart {
        debts = List.copyOf(debts);
        remarks = List.copyOf(remarks);
    }

    /** Returns the beginning of years whose last year is typed. */
    static YearsStart typed(YearsPlan plan, LastYear last) {
        List<String> remarks = new ArrayList<>();
        List<AgreedDebt> debts = last.entries().stream()
                .filter(one -> one.row() == YearRow.DEBT)
                .map(YearsStart::typed)
                .toList();
        if (last.days() != YEAR && last.days() != LEAP_YEAR) {
            remarks.add("The last year has " + last.days() + " days: its flows are brought to " + YEAR);
        }
        return new YearsStart(
                ofAYear(last),
                debts,
                day -> 0,
                day -> {
                    Long limit = YearDriver.in(plan.rules().limit(), Year.nameOf(day));
                    boolean over = last.entries().stream()
                            .anyMatch(one -> one.id().equals(plan.rules().facility()) && isOver(one, day));
                    return limit == null || over ? 0 : limit;
                },
                remarks);
    }

    private static AgreedDebt typed(Entry debt) {
        return new AgreedDebt(debt.id(), debt.name(), day -> isOver(debt, day) ? 0 : debt.amount());
    }

    private static boolean isOver(Entry debt, LocalDate day) {
        return debt.ends() != null && !day.isBefore(debt.ends());
    }

    /** Flows of other than a year's days are brought to a year's, each rounded once; levels stay. */
    private static LastYear ofAYear(LastYear last) {
        if (last.days() == YEAR || last.days() == LEAP_YEAR) {
            return last;
        }
        List<Entry> entries = last.entries().stream()
                .map(one -> one.row().part().isLevel()
                        ? one
                        : new Entry(
                                one.id(),
                                one.name(),
                                one.row(),
                                Rounding.divide(
                                        BigDecimal.valueOf(one.amount()).multiply(BigDecimal.valueOf(YEAR)),
                                        last.days())))
                .toList();
        return new LastYear(last.end(), YEAR, last.losses(), entries);
    }
}
