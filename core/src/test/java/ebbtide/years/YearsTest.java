package ebbtide.years;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.Asked;
import ebbtide.money.Percent;
import ebbtide.plan.LastYear;
import ebbtide.plan.LastYear.Entry;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearDriver.Amount;
import ebbtide.plan.YearDriver.Days;
import ebbtide.plan.YearDriver.DaysOf;
import ebbtide.plan.YearDriver.Share;
import ebbtide.plan.YearRow;
import ebbtide.plan.YearsPlan;
import ebbtide.plan.YearsPlan.Driven;
import ebbtide.plan.YearsRules;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Years from a typed last year (rules 9.4): W22, W23 and W30 to the cent, and what each kind of driver does. */
class YearsTest {
    private static final LastYear LAST = new LastYear(
            LocalDate.of(2025, 12, 31),
            365,
            0,
            List.of(
                    entry(YearRow.SALES, "sales", 840_000_00),
                    entry(YearRow.COST_OF_SALES, "cost", 579_600_00),
                    entry(YearRow.OVERHEAD, "overheads", 168_000_00),
                    entry(YearRow.CASH, "cash", 40_000_00),
                    entry(YearRow.RECEIVABLES, "receivables", 92_055_00),
                    entry(YearRow.STOCK, "stock", 69_552_00),
                    entry(YearRow.GROSS_ASSETS, "gross-assets", 400_000_00),
                    entry(YearRow.ACCUMULATED, "accumulated", 150_000_00),
                    entry(YearRow.PAYABLES, "payables", 66_700_00),
                    entry(YearRow.DEBT, "bank", 120_000_00),
                    entry(YearRow.CAPITAL, "capital", 100_000_00),
                    entry(YearRow.RETAINED, "retained", 164_907_00)));

    private static Entry entry(YearRow row, String id, long amount) {
        return new Entry(id, row.words(), row, amount);
    }

    private static SortedMap<Integer, Percent> percent(Object... yearsAndPercents) {
        SortedMap<Integer, Percent> values = new TreeMap<>();
        for (int i = 0; i < yearsAndPercents.length; i += 2) {
            values.put((Integer) yearsAndPercents[i], Percent.parse((String) yearsAndPercents[i + 1]));
        }
        return values;
    }

    private static Amount amounts(Map<Integer, Long> amounts) {
        return new Amount(new TreeMap<>(amounts), new TreeMap<>());
    }

    private static Driven driven(String row, YearDriver by) {
        return new Driven(row, by, "");
    }

    private static Driven share(String row, String percent) {
        return driven(row, new Share(null, percent(2026, percent)));
    }

    private static Driven days(String row, DaysOf of, String days) {
        return driven(row, new Days(of, new TreeMap<>(Map.of(2026, new BigDecimal(days)))));
    }

    private static final List<Driven> DRIVERS = List.of(
            driven("sales", new Amount(new TreeMap<>(), percent(2026, "15", 2027, "12", 2028, "-20", 2029, "10"))),
            share("cost", "69"),
            driven(
                    "overheads",
                    amounts(Map.of(2026, 168_000_00L, 2027, 174_000_00L, 2028, 120_000_00L, 2029, 120_000_00L))),
            driven("depreciation", new YearDriver.OfGross(true, percent(2026, "7.5"))),
            driven("spending", amounts(Map.of(2026, 140_000_00L, 2027, 60_000_00L, 2028, 0L, 2029, 180_000_00L))),
            days("receivables", DaysOf.SALES, "40"),
            driven("stock", new Share("cost", percent(2026, "12"))),
            days("payables", DaysOf.PURCHASES, "42"),
            driven("cash", amounts(Map.of(2026, 30_000_00L))),
            share("interest", "8"),
            share("interest-on-cash", "0"),
            share("profit-tax", "25"),
            share("dividends", "60"));

    private static YearsPlan plan(int count, YearsRules rules) {
        return new YearsPlan(count, LAST, DRIVERS, List.of(), List.of(), List.of(), List.of(), rules);
    }

    static Years years(YearsPlan plan) {
        return Years.of(plan, YearsStart.typed(plan, plan.lastYear()));
    }

    @Test
    void w22_yearsFromATypedLastYear() {
        List<Year> all = years(plan(2, YearsRules.USUAL)).all();
        assertYear(
                all.get(1),
                "966000.00 12763.34 58647.49 35188.49 105863.01 79984.80 77898.24 188366.00 79083.57 565347.81");
        assertYear(
                all.get(2),
                "1081920.00 15847.88 75410.49 45246.29 118566.58 89582.98 87005.93 218530.20 77113.43 602649.56");
        assertThat(all).extracting(Year::purchases).containsExactly(0L, 67_697_280L, 75_612_298L);
        Years years = years(plan(2, YearsRules.USUAL));
        assertThat(List.of(years.needed(1), years.needed(2))).containsExactly(79_083_57L, -1_970_14L);
        Year onOpening = years(plan(1, new YearsRules(false, false, false, null, new TreeMap<>())))
                .all()
                .get(1);
        assertThat(onOpening.interest()).isEqualTo(9_600_00);
        assertThat(onOpening.shortTerm()).isEqualTo(78_134_57);
    }

    private static void assertYear(Year year, String figures) {
        assertThat(List.of(
                                year.sales(),
                                year.interest(),
                                year.profit(),
                                year.dividends(),
                                year.item(YearRow.RECEIVABLES),
                                year.item(YearRow.STOCK),
                                year.item(YearRow.PAYABLES),
                                year.retained(),
                                year.shortTerm(),
                                year.totalAssets())
                        .stream()
                        .map(one -> BigDecimal.valueOf(one, 2).toPlainString())
                        .toList())
                .containsExactly(figures.split(" "));
        assertThat(year.totalAssets()).isEqualTo(year.liabilities() + year.equity());
    }

    @Test
    void w23_growthThatNeedsNothingFromOutside() {
        assertThat(years(plan(2, YearsRules.USUAL)).growthWithoutFunding(2))
                .contains(new Years.FreeGrowth(Percent.parse("31.25"), false));
        Years grown = years(withGrowth("31.26"));
        assertThat(grown.needed(2)).isEqualTo(36);
        assertThat(years(withGrowth("31.25")).needed(2)).isEqualTo(-66);
        assertThat(years(withGrowth("-20")).needed(2)).isEqualTo(-5_244_10);
        assertThat(years(withGrowth("-60")).needed(2)).isEqualTo(74_349_36);
    }

    private static YearsPlan withGrowth(String second) {
        List<Driven> drivers = new ArrayList<>(DRIVERS);
        drivers.set(0, driven("sales", new Amount(new TreeMap<>(), percent(2026, "15", 2027, second))));
        return new YearsPlan(2, LAST, drivers, List.of(), List.of(), List.of(), List.of(), YearsRules.USUAL);
    }

    @Test
    void w30_aYearWithCashOver_andOneThatNeedsIt() {
        Years years = years(plan(4, YearsRules.USUAL));
        Year third = years.all().get(3);
        Year fourth = years.all().get(4);
        assertThat(List.of(third.interest(), third.profit(), third.shortTerm(), third.cash(), years.needed(3)))
                .containsExactly(12_684_54L, 67_973_71L, 0L, 46_359_59L, -77_113_43L);
        assertThat(List.of(fourth.interest(), fourth.profit(), fourth.shortTerm(), fourth.cash(), years.needed(4)))
                .containsExactly(12_835_61L, 77_859_13L, 80_890_32L, 30_000_00L, 80_890_32L);
        assertThat(fourth.dividends()).isEqualTo(46_715_48);
        assertThat(fourth.depreciation()).isEqualTo(58_500_00);
    }

    /** Over years made at random, every driver and rule among them. */
    @Test
    void anyYears_balanceTieAndAddUp() {
        for (long seed = 0; seed < Asked.of(2_000); seed++) {
            Years years = years(RandomYears.typed(new Random(seed)));
            try {
                RandomYears.hold(years);
                years.growthWithoutFunding(1).ifPresent(free -> {
                    if (free.percent() == null) {
                        assertThat(free.always()).isEqualTo(years.needed(1) <= 0);
                    }
                });
            } catch (AssertionError e) {
                throw new AssertionError("seed " + seed + ": " + e.getMessage(), e);
            }
        }
    }

    /** Else a row of the same id would stand there twice. */
    @Test
    void sumsOfYears_haveIdsThatNoRowCanHave() {
        YearsRules drawnFirst = new YearsRules(false, true, false, "bank", new TreeMap<>());
        assertThat(YearsTable.of(years(plan(1, drawnFirst))).rows())
                .filteredOn(row ->
                        row.sheet() != YearsTable.Sheet.CASH_FLOW && row.of().isEmpty())
                .extracting(YearsTable.Row::id)
                .filteredOn(id -> !id.startsWith("sum "))
                .allMatch(YearRow.TAKEN::contains);
        assertThatThrownBy(() -> entry(YearRow.OVERHEAD, "profit", 1)).hasMessageContaining("give Overheads another");
    }

    @Test
    void whatIsDrawnFirst_isNotTyped_andSalesOfNextToNothingGrowByNothingThatIsSaid() {
        YearsRules drawnFirst = new YearsRules(false, true, false, "bank", new TreeMap<>());
        assertThatThrownBy(() -> new YearsPlan(
                        1,
                        LAST,
                        List.of(),
                        List.of(new YearsPlan.DebtChange("bank", 2026, 5)),
                        List.of(),
                        List.of(),
                        List.of(),
                        drawnFirst))
                .hasMessageContaining("take out what is typed of it in 2026");
        LastYear none = new LastYear(LAST.end(), 365, 0, List.of(entry(YearRow.SALES, "sales", 1)));
        Driven much = driven("sales", amounts(Map.of(2026, 900_000_000_000_000L)));
        Years years = years(
                new YearsPlan(1, none, List.of(much), List.of(), List.of(), List.of(), List.of(), YearsRules.USUAL));
        assertThat(years.growthWithoutFunding(1)).isEmpty();
    }

    @Test
    void rowsThatFollowFromEachOtherInACircle_areRefused() {
        assertThatThrownBy(() -> new YearsPlan(
                        1,
                        LAST,
                        List.of(
                                driven("stock", new Share("payables", percent(2026, "10"))),
                                days("payables", DaysOf.PURCHASES, "30")),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        YearsRules.USUAL))
                .hasMessageContaining("stock from payables from stock");
    }
}
