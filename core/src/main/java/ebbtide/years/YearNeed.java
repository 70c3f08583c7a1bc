package ebbtide.years;

import ebbtide.plan.YearRow;
import java.util.ArrayList;
import java.util.List;

/**
 * What a year needs from outside (rules 9.4 h): what borrowing to keep cash rises by, below zero what it falls by; its
 * uses less its sources. Minor units.
 */
public record YearNeed(long minor, List<Part> uses, List<Part> sources) {
    /** A use or a source that is not nil; below zero it is the other way round. */
    public record Part(String name, long minor) {}

    static YearNeed of(Year before, Year year) {
        List<Part> uses = new ArrayList<>();
        add(uses, "More receivables", year.item(YearRow.RECEIVABLES) - before.item(YearRow.RECEIVABLES));
        add(uses, "More stock", year.item(YearRow.STOCK) - before.item(YearRow.STOCK));
        add(uses, "More other assets", year.otherAssets() - before.otherAssets());
        add(uses, "More cash", year.cash() - before.cash());
        add(uses, "Capital spending", year.assets().spending());
        add(uses, "Repaid", year.outside().repaid());
        add(uses, "Dividends", year.dividends());
        add(uses, "Equity out", year.outside().equityOut());
        List<Part> sources = new ArrayList<>();
        add(sources, "More payables", year.item(YearRow.PAYABLES) - before.item(YearRow.PAYABLES));
        add(sources, "More of what else is owed", year.otherOwed() - before.otherOwed());
        add(sources, "Profit after tax", year.profit());
        add(sources, "Depreciation, which takes no cash", year.depreciation());
        add(sources, "Book value of what is sold", year.assets().bookSold());
        add(sources, "New debt", year.outside().newDebt());
        add(sources, "Equity in", year.outside().equityIn());
        return new YearNeed(year.borrowed() - before.borrowed(), List.copyOf(uses), List.copyOf(sources));
    }

    private static void add(List<Part> parts, String name, long minor) {
        if (minor != 0) {
            parts.add(new Part(name, minor));
        }
    }

    /** Returns uses less sources: what is needed from outside. */
    public long ofItsParts() {
        return sum(uses) - sum(sources);
    }

    private static long sum(List<Part> parts) {
        return parts.stream().mapToLong(Part::minor).sum();
    }
}
