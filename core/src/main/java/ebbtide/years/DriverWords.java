package ebbtide.years;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearDriver.Amount;
import ebbtide.plan.YearDriver.Days;
import ebbtide.plan.YearDriver.Life;
import ebbtide.plan.YearDriver.MarginHeld;
import ebbtide.plan.YearDriver.OfGross;
import ebbtide.plan.YearDriver.Share;
import ebbtide.plan.YearDriver.WithSales;
import ebbtide.workings.Workings.Item;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.SortedMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** What made a figure of years so, in words (rules 12). */
public final class DriverWords {
    private final Years years;
    private final Currency currency;

    private DriverWords(Years years, Currency currency) {
        this.years = years;
        this.currency = currency;
    }

    /**
     * Returns the parts of a figure of a row, by its place in the table and that of the year (0 is the last year): they
     * add up to it.
     */
    public static List<Item> of(Years years, Currency currency, YearsTable.Row row, int year) {
        return new DriverWords(years, currency).parts(row, year);
    }

    private List<Item> parts(YearsTable.Row row, int year) {
        int at = row.sheet() == YearsTable.Sheet.CASH_FLOW ? year - 1 : year;
        if (!row.parts().isEmpty() && !row.id().equals("difference")) {
            List<Item> items = new ArrayList<>();
            for (YearsTable.Row part : row.parts()) {
                if (part.amounts().get(at) != 0) {
                    items.add(
                            new Item(null, part.name(), "", null, part.amounts().get(at)));
                }
            }
            return items;
        }
        long amount = row.amounts().get(at);
        return List.of(new Item(null, row.name(), year == 0 ? first() : because(row, year), null, amount));
    }

    private String first() {
        return years.plan().lastYear() == null ? "of the last twelve months planned" : "as typed for the last year";
    }

    private String because(YearsTable.Row row, int at) {
        Year year = years.all().get(at);
        Year before = years.all().get(at - 1);
        String id = row.of().orElse("");
        String over = years.plan()
                .override(id, year.name())
                .map(one -> "typed over: " + one.reason())
                .orElse("");
        if (!over.isEmpty()) {
            return over;
        }
        return switch (id) {
            case "interest" -> rate(id, year, "debt", before.debt(), year.debt());
            case "interest-on-cash" -> rate(id, year, "cash", before.cash(), year.cash());
            case "profit-tax" -> tax(year, before);
            case "dividends" -> dividends(year, before);
            case "cash" -> cash(year);
            case "short-term" -> "what is lacking to the cash that is kept, " + words(year.kept());
            case "retained" ->
                "before " + words(before.retained()) + ", profit " + words(year.profit()) + ", dividends "
                        + words(-year.dividends());
            case "capital" ->
                "before " + words(before.capital()) + ", paid in "
                        + words(year.outside().equityIn()) + ", drawn "
                        + words(year.outside().equityOut());
            case "gross-assets" ->
                "before " + words(before.assets().gross()) + ", disposed of "
                        + words(year.assets().disposedGross()) + ", bought "
                        + words(year.assets().spending());
            case "accumulated" ->
                "before " + words(before.assets().accumulated()) + ", of what was disposed of "
                        + words(year.assets().disposedAccumulated()) + ", depreciation " + words(year.depreciation());
            case "gain" ->
                "proceeds " + words(year.assets().proceeds()) + " less book value "
                        + words(year.assets().bookSold());
            case "tax-owed" -> "what of the year's tax, " + words(year.tax()) + ", is paid in the next";
            default -> driven(id, year, before);
        };
    }

    private String rate(String id, Year year, String of, long opening, long closing) {
        Percent rate =
                years.plan().driver(id) instanceof Share share ? YearDriver.in(share.shares(), year.name()) : null;
        if (rate == null) {
            return "as the year before: no rate is typed";
        }
        return rate
                + (years.plan().rules().meanBalance()
                        ? " of the mean of " + of + " " + words(opening) + " and " + words(closing)
                        : " of opening " + of + " " + words(opening));
    }

    private String tax(Year year, Year before) {
        Percent rate = years.plan().driver("profit-tax") instanceof Share share
                ? YearDriver.in(share.shares(), year.name())
                : null;
        return rate == null
                ? "as the year before: no rate is typed"
                : rate + " of profit before tax " + words(year.beforeTax())
                        + (before.losses() == 0 || years.plan().rules().lossesRefunded()
                                ? ""
                                : " less losses brought forward " + words(before.losses()))
                        + (years.plan().rules().lossesRefunded() ? "" : ", not below nil");
    }

    private String dividends(Year year, Year before) {
        if (years.plan().driver("dividends") instanceof Share share) {
            Percent part = YearDriver.in(share.shares(), year.name());
            if (part != null) {
                return share.of() == null
                        ? part + " of profit after tax " + words(year.profit()) + ", not below nil"
                        : part + " of the profit of the year before " + words(before.profit()) + ", not below nil";
            }
        }
        return driven("dividends", year, before);
    }

    private String cash(Year year) {
        return "kept " + words(year.kept())
                + (year.cash() > year.kept() ? ", and above that " + words(year.cash() - year.kept()) : "");
    }

    private String driven(String id, Year year, Year before) {
        YearDriver by = years.plan().driver(id);
        int name = year.name();
        if (by instanceof Amount amount) {
            return amount(amount, name);
        }
        if (by instanceof Share share) {
            return from(share.shares(), name, part -> part + " of " + of(share.of(), year));
        }
        if (by instanceof MarginHeld held) {
            return from(
                    held.margins(),
                    name,
                    margin -> "what a margin of " + margin + " on sales " + words(year.sales())
                            + " and other costs of sales leave");
        }
        if (by instanceof Days days) {
            return from(
                    days.days(),
                    name,
                    count -> plain(count) + " days of " + days.of().words() + " " + words(year.counted(days.of()))
                            + " over " + year.days());
        }
        if (by instanceof OfGross share) {
            return from(
                    share.shares(),
                    name,
                    part -> part + " of gross assets "
                            + words(
                                    share.atEnd()
                                            ? year.assets().gross()
                                            : before.assets().gross()
                                                    - year.assets().disposedGross()));
        }
        if (by instanceof Life life) {
            return "straight-line over " + life.years() + " years, what was there over " + life.left();
        }
        return by instanceof WithSales
                ? "grown as sales, from " + words(before.sales()) + " to " + words(year.sales())
                : "as the year before";
    }

    private static String amount(Amount amount, int name) {
        if (amount.amounts().containsKey(name)) {
            return "typed for the year";
        }
        Percent growth = YearDriver.in(amount.growth(), name);
        if (growth != null) {
            return "the year before and " + growth;
        }
        SortedMap<Integer, Long> until = amount.amounts().headMap(name);
        return until.isEmpty() ? "as the year before" : "as typed for " + until.lastKey();
    }

    private <T> String from(SortedMap<Integer, T> values, int name, Function<T, String> says) {
        T value = YearDriver.in(values, name);
        return value == null ? "as the year before: nothing is typed" : says.apply(value);
    }

    private String of(@Nullable String row, Year year) {
        if (row == null) {
            return "sales " + words(year.sales());
        }
        Long flow = year.flows().get(row);
        Year.Row named = year.rows().get(row);
        return (named == null ? row : named.name()) + " "
                + words(flow == null ? year.items().getOrDefault(row, 0L) : flow);
    }

    private static String plain(BigDecimal number) {
        return number.stripTrailingZeros().toPlainString();
    }

    private String words(long minor) {
        return Money.words(minor, currency);
    }
}
