package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.money.Rounding;
import ebbtide.plan.YearDriver.Amount;
import ebbtide.plan.YearDriver.Days;
import ebbtide.plan.YearDriver.DaysOf;
import ebbtide.plan.YearDriver.Life;
import ebbtide.plan.YearDriver.MarginHeld;
import ebbtide.plan.YearDriver.OfGross;
import ebbtide.plan.YearDriver.Share;
import ebbtide.plan.YearDriver.WithSales;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How years of twelve months each go on (rules 9.4): so many of them, from a last year that is typed or, null, from the
 * last twelve months planned; what each row follows from; what comes in or goes out in single years; figures typed
 * over; and by which rules. A year is named by the calendar year in which it begins. Minor units.
 */
public record YearsPlan(
        int count,
        @Nullable LastYear lastYear,
        List<Driven> drivers,
        List<DebtChange> debts,
        List<EquityChange> equity,
        List<Disposal> disposals,
        List<TypedOver> overrides,
        YearsRules rules) {
    public static final int MOST_YEARS = 20;
    /** What ids of debts that months leave begin with, before the id of their line. */
    public static final String DEBT_OF_LINE = "debt ";

    private static final int LONG_NOTE = 2_000;

    /** What no more than all of something can be. */
    private static final Set<YearRow> IN_WHOLE =
            Set.of(YearRow.INTEREST, YearRow.INTEREST_ON_CASH, YearRow.PROFIT_TAX, YearRow.TAX_OWED);

    /** The rows of the last twelve months planned whose ids are not those of a row of which there is one. */
    private static final Map<String, YearRow> OF_MONTHS = new LinkedHashMap<>();

    static {
        OF_MONTHS.put("sales", YearRow.SALES);
        OF_MONTHS.put("cost", YearRow.COST_OF_SALES);
        OF_MONTHS.put("other", YearRow.OTHER_INCOME);
        OF_MONTHS.put("overheads", YearRow.OVERHEAD);
        OF_MONTHS.put("restricted-cash", YearRow.CURRENT_ASSET);
        OF_MONTHS.put("prepaid", YearRow.CURRENT_ASSET);
        OF_MONTHS.put("other-receivables", YearRow.CURRENT_ASSET);
        OF_MONTHS.put("deposits", YearRow.CURRENT_ASSET);
        OF_MONTHS.put("deposits-later", YearRow.LONG_ASSET);
        OF_MONTHS.put("other-assets", YearRow.LONG_ASSET);
        OF_MONTHS.put("paid-ahead", YearRow.CURRENT_LIABILITY);
        OF_MONTHS.put("sales-tax", YearRow.CURRENT_LIABILITY);
        OF_MONTHS.put("pay-owed", YearRow.CURRENT_LIABILITY);
        OF_MONTHS.put("accrued", YearRow.CURRENT_LIABILITY);
        OF_MONTHS.put("interest-owed", YearRow.CURRENT_LIABILITY);
        OF_MONTHS.put("dividends-declared", YearRow.CURRENT_LIABILITY);
        OF_MONTHS.put("other-payables", YearRow.CURRENT_LIABILITY);
        OF_MONTHS.put("provisions", YearRow.LONG_LIABILITY);
    }

    /** Returns the rows that the last twelve months planned have of those of which there may be several, by id. */
    public static Map<String, YearRow> ofMonths() {
        return Collections.unmodifiableMap(OF_MONTHS);
    }

    /** What a row follows from, with a note. */
    public record Driven(String row, YearDriver by, String note) {
        public Driven {
            row = Check.text(row, "row of a driver");
            Check.atMost(note, "note on a driver", LONG_NOTE);
        }
    }

    /** New debt in a year above zero, repaid below; of the debt of a row, or without one of new debt. */
    public record DebtChange(@Nullable String row, int year, long amount) {
        public DebtChange {
            YearDriver.named(year);
            Rounding.counted(amount);
        }
    }

    /** What owners pay in in a year above zero, draw below. */
    public record EquityChange(int year, long amount) {
        public EquityChange {
            YearDriver.named(year);
            Rounding.counted(amount);
        }
    }

    /** What is disposed of at a year's start: its cost, what is depreciated of it, and what it brings. */
    public record Disposal(int year, long gross, long accumulated, long proceeds) {
        public Disposal {
            YearDriver.named(year);
            Rounding.counted(gross);
            Rounding.counted(proceeds);
            Check.notNegative(gross, "cost of what is disposed of");
            Check.notNegative(accumulated, "accumulated depreciation of what is disposed of");
            Check.notNegative(proceeds, "proceeds of a disposal");
            Check.that(
                    accumulated <= gross,
                    "what is depreciated of what is disposed of is at most its cost: look at them");
        }
    }

    /** A figure of a row in a year that is typed over what it follows from, with the reason. */
    public record TypedOver(String row, int year, long amount, String reason) {
        public TypedOver {
            row = Check.text(row, "row of an override");
            YearDriver.named(year);
            Rounding.counted(amount);
            reason = Check.text(reason, "reason of an override", LONG_NOTE);
        }
    }

    public YearsPlan {
        Check.inRange(count, 1, MOST_YEARS, "number of years");
        drivers = List.copyOf(drivers);
        debts = List.copyOf(debts);
        equity = List.copyOf(equity);
        disposals = List.copyOf(disposals);
        overrides = List.copyOf(overrides);
        Map<String, YearDriver> by = new LinkedHashMap<>();
        for (Driven one : drivers) {
            YearRow row = row(lastYear, one.row());
            Check.that(by.put(one.row(), one.by()) == null, "two drivers of '" + one.row() + "': keep one of them");
            allowed(row, one);
            if (one.by() instanceof Share share && share.of() != null && row != YearRow.DIVIDENDS) {
                YearRow of = row(lastYear, share.of());
                Check.that(
                        of.isFlow() || of.isItem(),
                        "'" + one.row() + "' can be a share of a row of income or of what is owned or owed, not of '"
                                + share.of() + "'");
            }
        }
        for (TypedOver one : overrides) {
            YearRow row = row(lastYear, one.row());
            Check.that(
                    row.isFlow() || row.isItem() || row == YearRow.DEPRECIATION,
                    "'" + one.row() + "' is worked out of other rows: type over those");
            Check.that(
                    overrides.stream()
                                    .filter(other -> other.year() == one.year()
                                            && other.row().equals(one.row()))
                                    .count()
                            == 1,
                    "'" + one.row() + "' is typed over twice in " + one.year() + ": keep one of them");
        }
        for (DebtChange one : debts) {
            Check.that(one.row() == null || row(lastYear, one.row()) == YearRow.DEBT, "'" + one.row() + "' is no debt");
            Check.that(
                    one.row() == null || !one.row().equals(rules.facility()),
                    "what is drawn first is drawn and repaid by what cash needs: take out what is typed of it in "
                            + one.year());
        }
        Check.that(
                lastYear == null || rules.facility() == null || row(lastYear, rules.facility()) == YearRow.DEBT,
                "the facility that is named is no debt of the last year: name one that is");
        Check.that(
                drivers.stream().filter(one -> one.by() instanceof MarginHeld).count() <= 1,
                "the margin is held by one cost of sales: let the others follow from something else");
        new Circles(lastYear, by).refuse();
    }

    private static boolean is(YearDriver by, Class<?>... any) {
        for (Class<?> one : any) {
            if (one.isInstance(by)) {
                return true;
            }
        }
        return false;
    }

    private static void allowed(YearRow row, Driven one) {
        YearDriver by = one.by();
        boolean fits =
                switch (row) {
                    case SALES -> is(by, Amount.class);
                    case COST_OF_SALES -> is(by, Amount.class, Share.class, MarginHeld.class);
                    case OTHER_INCOME, OVERHEAD -> is(by, Amount.class, Share.class);
                    case DEPRECIATION -> is(by, Amount.class, OfGross.class, Life.class);
                    case INTEREST, INTEREST_ON_CASH, PROFIT_TAX, TAX_OWED ->
                        by instanceof Share share && share.of() == null;
                    case DIVIDENDS ->
                        by instanceof Amount
                                || by instanceof Share share
                                        && (share.of() == null || share.of().equals(Share.YEAR_BEFORE));
                    case SPENDING -> is(by, Amount.class);
                    case CASH ->
                        by instanceof Amount
                                || by instanceof Share
                                || by instanceof Days days && days.of() == DaysOf.CASH_COSTS;
                    case RECEIVABLES, STOCK, CURRENT_ASSET, LONG_ASSET, PAYABLES, CURRENT_LIABILITY, LONG_LIABILITY ->
                        is(by, Amount.class, Share.class, WithSales.class)
                                || by instanceof Days days && days.of() != DaysOf.CASH_COSTS;
                    default -> false;
                };
        Check.that(fits, "'" + one.row() + "' cannot follow from that: choose another way for it");
        if (by instanceof Amount amount && (row == YearRow.SPENDING || row == YearRow.DEPRECIATION)) {
            amount.amounts().values().forEach(each -> Check.notNegative(each, row.words()));
        }
        if (by instanceof Share share && IN_WHOLE.contains(row)) {
            share.shares()
                    .values()
                    .forEach(each ->
                            Check.inRange(each, Percent.ZERO, Percent.HUNDRED, "'" + one.row() + "', in percent,"));
        }
    }

    /**
     * Returns what a row is.
     *
     * @throws Refused for one that is not there
     */
    public YearRow row(String id) {
        return row(lastYear, id);
    }

    private static YearRow row(@Nullable LastYear last, String id) {
        return YearRow.single(id)
                .or(() -> last == null
                        ? Optional.ofNullable(OF_MONTHS.get(id))
                                .or(() -> id.startsWith(DEBT_OF_LINE) ? Optional.of(YearRow.DEBT) : Optional.empty())
                        : last.find(id).map(LastYear.Entry::row))
                .orElseThrow(() -> new Refused("the last year has no row '" + id + "': choose one that it has"));
    }

    /** Returns what a row follows from, null where from nothing. */
    public @Nullable YearDriver driver(String row) {
        return drivers.stream()
                .filter(one -> one.row().equals(row))
                .map(Driven::by)
                .findFirst()
                .orElse(null);
    }

    /**
     * Returns whether anything is said of a row: what it follows from, what follows from it, or what is typed over it.
     */
    public boolean mentions(String row) {
        return drivers.stream()
                        .anyMatch(one ->
                                one.row().equals(row) || one.by() instanceof Share share && row.equals(share.of()))
                || overrides.stream().anyMatch(one -> one.row().equals(row));
    }

    /** Returns what is typed over the figure of a row in a year. */
    public Optional<TypedOver> override(String row, int year) {
        return overrides.stream()
                .filter(one -> one.year() == year && one.row().equals(row))
                .findFirst();
    }

    /** Returns the same years by other drivers. */
    public YearsPlan withDrivers(List<Driven> others) {
        return new YearsPlan(count, lastYear, others, debts, equity, disposals, overrides, rules);
    }

    /** Returns so many years after the months, each as the one before. */
    public static YearsPlan asBefore(int count) {
        return new YearsPlan(count, null, List.of(), List.of(), List.of(), List.of(), List.of(), YearsRules.USUAL);
    }

    /** Returns the same years with another number of them. */
    public YearsPlan withCount(int years) {
        return new YearsPlan(years, lastYear, drivers, debts, equity, disposals, overrides, rules);
    }

    /** Which rows are worked out of which others: none of itself. */
    private record Circles(@Nullable LastYear last, Map<String, YearDriver> by) {
        void refuse() {
            by.keySet().forEach(row -> follow(row, new ArrayList<>(), new HashSet<>()));
        }

        private void follow(String row, List<String> way, Set<String> done) {
            if (way.contains(row)) {
                List<String> circle = new ArrayList<>(way.subList(way.indexOf(row), way.size()));
                circle.add(row);
                throw new Refused("rows follow from each other in a circle, " + String.join(" from ", circle)
                        + ": let one of them follow from something else");
            }
            way.add(row);
            if (done.add(row)) {
                for (String other : reads(row)) {
                    follow(other, way, done);
                }
            }
            way.remove(way.size() - 1);
        }

        private List<String> reads(String row) {
            YearDriver driver = by.get(row);
            List<String> reads = new ArrayList<>();
            if (driver instanceof Share share
                    && share.of() != null
                    && !share.of().equals(Share.YEAR_BEFORE)) {
                reads.add(share.of());
            } else if (driver instanceof MarginHeld) {
                reads.addAll(all(YearRow.COST_OF_SALES));
                reads.remove(row);
            } else if (driver instanceof Days days && days.of() != DaysOf.SALES) {
                reads.addAll(all(YearRow.COST_OF_SALES));
                if (days.of() == DaysOf.PURCHASES) {
                    reads.add(YearRow.STOCK.id());
                }
                if (days.of() == DaysOf.CASH_COSTS) {
                    reads.addAll(all(YearRow.OVERHEAD));
                }
            }
            return reads;
        }

        private List<String> all(YearRow row) {
            return last == null
                    ? OF_MONTHS.entrySet().stream()
                            .filter(one -> one.getValue() == row)
                            .map(Map.Entry::getKey)
                            .toList()
                    : last.entries().stream()
                            .filter(one -> one.row() == row)
                            .map(LastYear.Entry::id)
                            .toList();
        }
    }
}
