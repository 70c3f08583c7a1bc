package ebbtide.years;

import ebbtide.money.Rounding;
import ebbtide.plan.YearsPlan;
import ebbtide.plan.YearsPlan.DebtChange;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What a year leaves of the agreed debts (rules 9.4 e): each goes on as agreed, more or less what is typed for the
 * year; none falls below nil. Minor units.
 */
final class DebtWorking {
    /** The row of debt that is taken up in the years themselves. */
    static final String NEW = "new-debt";

    private final Map<String, Long> left = new LinkedHashMap<>();
    private final List<String> remarks = new ArrayList<>();
    private long added;
    private long repaid;

    DebtWorking(YearsPlan plan, YearsStart start, Year before, LocalDate end) {
        for (AgreedDebt debt : start.debts()) {
            if (!debt.id().equals(plan.rules().facility())) {
                long agreed = debt.owed().applyAsLong(end) - debt.owed().applyAsLong(before.end());
                change(plan, debt.id(), debt.name(), before, end, agreed);
            }
        }
        change(plan, NEW, "new debt", before, end, 0);
    }

    private void change(YearsPlan plan, String id, String name, Year before, LocalDate end, long agreed) {
        long was = before.debts().getOrDefault(id, 0L);
        long up = Math.max(0, agreed);
        long down = Math.max(0, -agreed);
        for (DebtChange one : plan.debts()) {
            String of = one.row() == null ? NEW : one.row();
            if (of.equals(id) && one.year() == Year.nameOf(end)) {
                up += Math.max(0, one.amount());
                down += Math.max(0, -one.amount());
            }
        }
        long most = was + up;
        if (down > most && down > Math.max(0, -agreed)) {
            remarks.add("More of " + name + " is repaid than there is: the rest is not");
        }
        down = Math.min(down, most);
        added += up;
        repaid += down;
        left.put(id, Rounding.counted(most - down));
    }

    Map<String, Long> left() {
        return left;
    }

    long added() {
        return added;
    }

    long repaid() {
        return repaid;
    }

    List<String> remarks() {
        return remarks;
    }
}
