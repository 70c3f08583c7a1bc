package ebbtide.years;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.money.Percent;
import ebbtide.plan.LastYear;
import ebbtide.plan.LastYear.Entry;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearDriver.Amount;
import ebbtide.plan.YearDriver.Days;
import ebbtide.plan.YearDriver.DaysOf;
import ebbtide.plan.YearDriver.Life;
import ebbtide.plan.YearDriver.MarginHeld;
import ebbtide.plan.YearDriver.OfGross;
import ebbtide.plan.YearDriver.Share;
import ebbtide.plan.YearDriver.WithSales;
import ebbtide.plan.YearRow;
import ebbtide.plan.YearsPlan;
import ebbtide.plan.YearsPlan.DebtChange;
import ebbtide.plan.YearsPlan.Disposal;
import ebbtide.plan.YearsPlan.Driven;
import ebbtide.plan.YearsPlan.EquityChange;
import ebbtide.plan.YearsPlan.TypedOver;
import ebbtide.plan.YearsRules;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** Years made at random, with every kind of driver, and what holds for all of them (rules 9.4). */
public final class RandomYears {
    /** The years in which random plans' months end, and some after. */
    private static final int FIRST = 2025;

    private final Random random;

    private RandomYears(Random random) {
        this.random = random;
    }

    /** Returns years that go on from months. */
    public static YearsPlan afterMonths(Random random) {
        RandomYears some = new RandomYears(random);
        return some.plan(
                null,
                List.of("cost"),
                List.of("overheads", "other"),
                random.nextInt(4) > 0 ? null : "debt that the plan has no more");
    }

    /** Returns years that go on from a typed last year, whose balance sheet may lack something. */
    public static YearsPlan typed(Random random) {
        RandomYears some = new RandomYears(random);
        LastYear last = some.last();
        return some.plan(
                last,
                List.of("goods", "freight"),
                List.of("rent", "pay", "grants"),
                random.nextBoolean() ? null : "facility");
    }

    private long amount() {
        return random.nextInt(5) == 0 ? random.nextInt(200) : random.nextInt(50_000_000);
    }

    private long signed() {
        return random.nextInt(4) == 0 ? -amount() : amount();
    }

    private LastYear last() {
        List<Entry> entries = new ArrayList<>();
        for (YearRow row : YearRow.values()) {
            if (!row.isMany() && row != YearRow.SPENDING && row != YearRow.ACCUMULATED && random.nextInt(5) > 0) {
                entries.add(new Entry(row.id(), row.words(), row, row.part().isLevel() ? signed() : amount()));
            }
        }
        entries.removeIf(one -> one.row() == YearRow.GROSS_ASSETS || one.row() == YearRow.SHORT_TERM);
        long gross = amount();
        entries.add(new Entry("gross-assets", "Sheds", YearRow.GROSS_ASSETS, gross));
        entries.add(new Entry("accumulated", "Worn", YearRow.ACCUMULATED, gross / 3));
        entries.add(new Entry("short-term", "Bank", YearRow.SHORT_TERM, amount() / 4));
        entries.add(new Entry("oysters", "Oysters", YearRow.SALES, amount()));
        entries.add(new Entry("kelp", "Kelp", YearRow.SALES, amount()));
        entries.add(new Entry("goods", "Goods", YearRow.COST_OF_SALES, amount()));
        entries.add(new Entry("freight", "Freight", YearRow.COST_OF_SALES, amount() / 5));
        entries.add(new Entry("rent", "Rent", YearRow.OVERHEAD, amount() / 5));
        entries.add(new Entry("pay", "Pay", YearRow.OVERHEAD, amount() / 3));
        entries.add(new Entry("grants", "Grants", YearRow.OTHER_INCOME, amount() / 9));
        entries.add(new Entry("prepaid", "Prepaid", YearRow.CURRENT_ASSET, amount() / 9));
        entries.add(new Entry("accrued", "Accrued", YearRow.CURRENT_LIABILITY, amount() / 9));
        entries.add(new Entry("pension", "Pension", YearRow.LONG_LIABILITY, amount() / 9));
        entries.add(new Entry("loan", "Loan", YearRow.DEBT, amount()));
        entries.add(new Entry(
                "facility",
                "Facility",
                YearRow.DEBT,
                amount(),
                random.nextBoolean() ? null : LocalDate.of(FIRST + random.nextInt(5), 6, 30)));
        return new LastYear(
                LocalDate.of(FIRST - 1, 12, 31),
                random.nextInt(4) == 0 ? 200 + random.nextInt(300) : 365,
                random.nextBoolean() ? 0 : amount() / 3,
                entries);
    }

    private YearsPlan plan(@Nullable LastYear last, List<String> costs, List<String> flows, @Nullable String facility) {
        List<Driven> drivers = new ArrayList<>();
        for (String row : last == null ? List.of("sales") : List.of("oysters", "kelp")) {
            some(drivers, row, this::amountBy);
        }
        boolean held = random.nextInt(3) == 0;
        for (int i = 0; i < costs.size(); i++) {
            if (held && i == 0) {
                drivers.add(new Driven(costs.get(i), new MarginHeld(percents(60)), ""));
            } else {
                some(drivers, costs.get(i), this::shareOrAmount);
            }
        }
        flows.forEach(row -> some(drivers, row, this::shareOrAmount));
        some(drivers, "depreciation", this::depreciation);
        some(drivers, "spending", () -> new Amount(years(() -> amount() / 3), new TreeMap<>()));
        some(drivers, "receivables", () -> item(DaysOf.values()[random.nextInt(2)]));
        some(drivers, "stock", () -> item(DaysOf.COST_OF_SALES));
        some(drivers, "payables", () -> item(DaysOf.PURCHASES));
        if (last == null) {
            // Of what the months may leave nothing of.
            some(drivers, "accrued", () -> new Share("prepaid", percents(50)));
        } else {
            some(drivers, "prepaid", () -> new Share("rent", percents(50)));
            some(drivers, "accrued", WithSales::new);
        }
        some(drivers, "cash", this::kept);
        for (String rate : List.of("interest", "interest-on-cash", "profit-tax", "tax-owed")) {
            some(drivers, rate, () -> new Share(null, percents(rate.startsWith("interest") ? 15 : 40)));
        }
        some(
                drivers,
                "dividends",
                () -> random.nextBoolean()
                        ? new Share(random.nextBoolean() ? null : Share.YEAR_BEFORE, percents(90))
                        : amountBy());
        return new YearsPlan(
                1 + random.nextInt(YearsPlan.MOST_YEARS),
                last,
                drivers,
                list(() -> new DebtChange(last == null || random.nextBoolean() ? null : "loan", year(), signed() / 2)),
                list(() -> new EquityChange(year(), signed() / 3)),
                list(() -> {
                    long gross = amount() / 4;
                    return new Disposal(year(), gross, gross / (1 + random.nextInt(3)), amount() / 6);
                }),
                random.nextInt(3) > 0 ? List.of() : List.of(new TypedOver(flows.get(0), year(), amount(), "as agreed")),
                new YearsRules(
                        random.nextBoolean(),
                        random.nextBoolean(),
                        random.nextInt(4) == 0,
                        facility,
                        years(this::amount)));
    }

    private void some(List<Driven> drivers, String row, Supplier<YearDriver> by) {
        if (random.nextInt(5) > 0) {
            drivers.add(new Driven(row, by.get(), random.nextBoolean() ? "" : "as it was said"));
        }
    }

    private int year() {
        return FIRST + random.nextInt(6);
    }

    private <T> SortedMap<Integer, T> years(Supplier<T> value) {
        SortedMap<Integer, T> values = new TreeMap<>();
        for (int i = random.nextInt(4); i >= 0; i--) {
            values.put(year(), value.get());
        }
        return values;
    }

    private SortedMap<Integer, Percent> percents(int most) {
        return years(() -> new Percent(random.nextInt(most * 10_000)));
    }

    private Amount amountBy() {
        return new Amount(
                random.nextBoolean() ? Collections.emptySortedMap() : years(this::amount),
                random.nextBoolean() ? Collections.emptySortedMap() : percents(30));
    }

    private YearDriver shareOrAmount() {
        return random.nextBoolean() ? new Share(null, percents(50)) : amountBy();
    }

    private YearDriver depreciation() {
        return switch (random.nextInt(3)) {
            case 0 -> new OfGross(random.nextBoolean(), percents(20));
            case 1 -> new Life(1 + random.nextInt(12), 1 + random.nextInt(8));
            default -> new Amount(years(() -> amount() / 6), new TreeMap<>());
        };
    }

    private YearDriver item(DaysOf of) {
        return switch (random.nextInt(3)) {
            case 0 -> new WithSales();
            case 1 -> new Share(null, percents(40));
            default -> new Days(of, years(() -> BigDecimal.valueOf(random.nextInt(1_200), 1)));
        };
    }

    private YearDriver kept() {
        return random.nextBoolean()
                ? new Days(DaysOf.CASH_COSTS, years(() -> BigDecimal.valueOf(random.nextInt(90))))
                : amountBy();
    }

    private <T> List<T> list(Supplier<T> one) {
        List<T> all = new ArrayList<>();
        for (int i = random.nextInt(4); i > 0; i--) {
            all.add(one.get());
        }
        return all;
    }

    /**
     * Holds years to what holds for all: every sheet balances, cash is what was there and what moved it, what is needed
     * is the sum of its parts, nothing falls below nil that cannot, and interest is that of the balances it settled on.
     */
    public static void hold(Years years) {
        for (int i = 0; i < years.all().size(); i++) {
            Year year = years.all().get(i);
            assertThat(year.totalAssets()).as("assets of " + year.name()).isEqualTo(year.liabilities() + year.equity());
            if (i > 0) {
                hold(years, i);
            }
        }
    }

    private static void hold(Years years, int i) {
        Year year = years.all().get(i);
        Year before = years.all().get(i - 1);
        YearNeed need = years.need(i);
        assertThat(need.minor()).as("needed in " + year.name()).isEqualTo(need.ofItsParts());
        YearCash cash = YearCash.of(before, year);
        assertThat(cash.opening() + cash.operating() + cash.investing() + cash.financing())
                .as("cash of " + year.name())
                .isEqualTo(year.cash());
        assertThat(year.cash()).isGreaterThanOrEqualTo(Math.min(year.kept(), year.cash()));
        assertThat(year.borrowed() == 0 || year.cash() == year.kept())
                .as("what is over repays first, in " + year.name())
                .isTrue();
        assertThat(year.debts().values())
                .allMatch(one -> one >= 0 || before.debts().containsValue(one));
        assertThat(year.assets().accumulated())
                .isLessThanOrEqualTo(
                        Math.max(year.assets().gross(), before.assets().accumulated()));
        Percent rate = years.plan().driver("interest") instanceof Share share
                ? YearDriver.in(share.shares(), year.name())
                : null;
        if (rate != null && year.remarks().stream().noneMatch(one -> one.startsWith("Interest did not"))) {
            BigDecimal of = years.plan().rules().meanBalance()
                    ? BigDecimal.valueOf(before.debt())
                            .add(BigDecimal.valueOf(year.debt()))
                            .divide(BigDecimal.valueOf(2))
                    : BigDecimal.valueOf(before.debt());
            assertThat(BigDecimal.valueOf(year.interest())
                            .subtract(of.multiply(rate.asFraction()))
                            .abs())
                    .as("interest of " + year.name())
                    .isLessThanOrEqualTo(new BigDecimal("0.5"));
        }
    }
}
