package ebbtide.years;

import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearDriver.Amount;
import ebbtide.plan.YearDriver.Life;
import ebbtide.plan.YearDriver.OfGross;
import ebbtide.plan.YearRow;
import ebbtide.plan.YearsPlan;
import ebbtide.plan.YearsPlan.Disposal;
import ebbtide.plan.YearsPlan.TypedOver;
import ebbtide.years.Year.Assets;
import ebbtide.years.Year.Left;
import java.util.ArrayList;
import java.util.List;

/**
 * A year's fixed assets (rules 9.4 b): what is disposed of at its start, bought and depreciated in it, at most what is
 * left to be. Minor units.
 */
final class DepreciationWorking {
    private final List<String> remarks = new ArrayList<>();
    private final Assets assets;
    private final long charge;

    DepreciationWorking(YearsPlan plan, Year before, int year) {
        long gross = 0;
        long accumulated = 0;
        long proceeds = 0;
        for (Disposal one : plan.disposals()) {
            if (one.year() == year) {
                gross += one.gross();
                accumulated += one.accumulated();
                proceeds += one.proceeds();
            }
        }
        Assets was = before.assets();
        if (gross > was.gross() || accumulated > was.accumulated() || gross - accumulated > was.net()) {
            remarks.add("More is disposed of than there is of fixed assets: what there is not is left out");
        }
        accumulated = Math.min(accumulated, was.accumulated());
        gross = Math.min(Math.min(gross, was.gross()), accumulated + was.net());
        long spending = plan.driver(YearRow.SPENDING.id()) instanceof Amount amount
                ? amount.in(year, was.spending())
                : was.spending();
        long atStart = was.gross() - gross;
        long net = atStart + spending - (was.accumulated() - accumulated);
        List<Left> left = new ArrayList<>(without(was.left(), gross - accumulated));
        long follows = before.depreciation();
        YearDriver by = plan.driver(YearRow.DEPRECIATION.id());
        if (by instanceof Amount amount) {
            follows = amount.in(year, before.depreciation());
        } else if (by instanceof OfGross share) {
            Percent rate = YearDriver.in(share.shares(), year);
            follows = rate == null ? before.depreciation() : rate.of(share.atEnd() ? atStart + spending : atStart);
        } else if (by instanceof Life life) {
            if (spending > 0) {
                left.add(new Left(spending, life.years()));
            }
            follows = 0;
            for (int i = 0; i < left.size(); i++) {
                Left one = left.get(i);
                long part = one.years() <= 1 ? one.book() : Rounding.divide(one.book(), one.years());
                follows += part;
                left.set(i, new Left(one.book() - part, one.years() - 1));
            }
            left.removeIf(one -> one.book() == 0);
        }
        long typed = plan.override(YearRow.DEPRECIATION.id(), year)
                .map(TypedOver::amount)
                .orElse(follows);
        this.charge = Math.max(0, Math.min(typed, net));
        this.assets = new Assets(
                spending,
                gross,
                accumulated,
                proceeds,
                Rounding.counted(atStart + spending),
                was.accumulated() - accumulated + charge,
                List.copyOf(left));
    }

    /** Returns what is to be depreciated of what is there when years begin, straight-line where it is so. */
    static List<Left> atFirst(YearsPlan plan, long book) {
        return plan.driver(YearRow.DEPRECIATION.id()) instanceof Life life && book > 0
                ? List.of(new Left(book, life.left()))
                : List.of();
    }

    /** What is left to be depreciated without the book value of what is disposed of, which is of the oldest. */
    private static List<Left> without(List<Left> left, long book) {
        List<Left> rest = new ArrayList<>();
        long gone = book;
        for (Left one : left) {
            long taken = Math.min(gone, one.book());
            gone -= taken;
            rest.add(new Left(one.book() - taken, one.years()));
        }
        return rest;
    }

    Assets assets() {
        return assets;
    }

    long charge() {
        return charge;
    }

    List<String> remarks() {
        return remarks;
    }
}
