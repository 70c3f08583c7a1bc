package ebbtide.forecast;

import static ebbtide.forecast.OneLineCases.forecast;
import static ebbtide.forecast.OneLineCases.line;
import static ebbtide.forecast.OneLineCases.settings;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.accounts.AssetHolding;
import ebbtide.answers.AssetSchedule;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.CapitalSpending.Asset;
import ebbtide.plan.CapitalSpending.Owned;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.PlanCalendar;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Wear;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.LongStream;
import org.assertj.core.api.AbstractLongArrayAssert;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** How assets are used up (rules 7.5): the examples of the rules by hand, and what always holds of random ones. */
class AssetWearTest {
    private static final LocalDate NEW_YEARS_EVE = LocalDate.of(2025, 12, 31);
    private static final int MONTHS = 72;

    private static Wear wear(Wear.By by, String share) {
        return new Wear(by, Percent.parse(share));
    }

    private static List<DatedAmount> steps(Object... dayAndAmount) {
        List<DatedAmount> steps = new ArrayList<>();
        for (int i = 0; i < dayAndAmount.length; i += 2) {
            steps.add(new DatedAmount(
                    LocalDate.parse((String) dayAndAmount[i]), ((Integer) dayAndAmount[i + 1]).longValue(), ""));
        }
        return steps;
    }

    private static Asset asset(
            List<DatedAmount> steps,
            String service,
            int life,
            long residual,
            @Nullable Wear wear,
            boolean stepwise,
            @Nullable Owned owned) {
        return new Asset(
                "a", SalesTax.NONE, steps, 0, LocalDate.parse(service), life, residual, wear, stepwise, owned, null);
    }

    /** An asset owned at New Year's Eve, with no charge of its own. */
    private static Asset owned(long cost, long depreciated, String service, int life, long residual, Wear wear) {
        return asset(List.of(), service, life, residual, wear, false, new Owned(cost, depreciated, 0, Percent.ZERO));
    }

    private static long[] charges(Settings settings, Asset asset) {
        Line line = line("assets", Direction.PAYMENT, new CapitalSpending(List.of(asset), Convention.PRECEDING));
        Forecast forecast = forecast(settings, 0, Map.of(), line);
        return forecast.accounts().assets(forecast.plan().findLine("assets").orElseThrow()).months().stream()
                .mapToLong(AssetHolding.Month::depreciation)
                .toArray();
    }

    private static AbstractLongArrayAssert<?> assertCharges(Asset asset, Month firstFiscal, int months) {
        Settings plain = settings(NEW_YEARS_EVE, MONTHS);
        PlanCalendar calendar = plain.calendar();
        Settings settings = new Settings(
                plain.name(),
                plain.currency(),
                new PlanCalendar(
                        calendar.asOf(),
                        calendar.firstDayOfWeek(),
                        firstFiscal,
                        calendar.horizonMonths(),
                        calendar.amountSteps(),
                        0),
                plain.cash(),
                plain.counted(),
                plain.references(),
                plain.agreed(),
                plain.reporting());
        return assertThat(LongStream.of(charges(settings, asset)).limit(months).toArray());
    }

    /** So many months of a charge, then so many of another. */
    private static long[] runs(long... monthsAndCharge) {
        LongStream all = LongStream.empty();
        for (int i = 0; i < monthsAndCharge.length; i += 2) {
            long charge = monthsAndCharge[i + 1];
            all = LongStream.concat(all, LongStream.generate(() -> charge).limit(monthsAndCharge[i]));
        }
        return all.toArray();
    }

    @Test
    void ofItsBookValue_fallsByTheFiscalYear_andEndsEvenlyWithTheLife() {
        Asset press = asset(steps("2025-12-10", 1_200_000), "2025-12-10", 60, 0, wear(Wear.By.BOOK, "40"), false, null);
        assertCharges(press, Month.JANUARY, 72)
                .containsExactly(runs(12, 40_000, 12, 24_000, 12, 14_400, 24, 10_800, 12, 0));
    }

    @Test
    void ofItsCost_isATwelfthAMonth_downToWhatItIsWorthAtTheEnd() {
        Asset van =
                asset(steps("2025-12-10", 1_000_000), "2025-12-10", 12, 100_000, wear(Wear.By.COST, "25"), false, null);
        assertCharges(van, Month.JANUARY, 46).containsExactly(runs(43, 20_833, 1, 4_181, 2, 0));
    }

    @Test
    void owned_overWhatIsLeftOfItsLife() {
        Wear life = wear(Wear.By.LIFE, "0");
        assertCharges(owned(600_000, 100_000, "2024-06-15", 60, 20_000, life), Month.JANUARY, 44)
                .containsExactly(runs(24, 11_429, 18, 11_428, 2, 0));
        assertCharges(owned(600_000, 500_000, "2015-06-15", 60, 20_000, life), Month.JANUARY, 3)
                .as("past its life, all at once")
                .containsExactly(80_000, 0, 0);
        assertCharges(owned(600_000, 0, "2026-03-15", 60, 0, life), Month.JANUARY, 5)
                .as("not in use yet")
                .containsExactly(0, 0, 0, 10_000, 10_000);
    }

    @Test
    void owned_ofItsBookValue_goesOnInTheMidstOfAFiscalYear() {
        Asset shed = owned(1_000_000, 150_000, "2024-03-20", 120, 0, wear(Wear.By.BOOK, "20"));
        assertCharges(shed, Month.APRIL, 5)
                .as("10,000 on 1 April a year before; 7,999.99 on the next")
                .containsExactly(16_667, 16_667, 16_667, 13_333, 13_333);
    }

    /** What was added to it in the month before is no year old: 1,200.00 at 20% is 20.00 a month. */
    @Test
    void owned_ofItsBookValue_leavesWhatWasAddedJustBeforeToItself() {
        Owned shed = new Owned(1_000_000, 150_000, 0, Percent.ZERO);
        Wear wear = wear(Wear.By.BOOK, "20");
        Asset added = asset(steps("2025-12-15", 120_000), "2024-03-20", 120, 0, wear, false, shed);
        assertCharges(added, Month.APRIL, 2).containsExactly(16_667 + 2_000, 16_667 + 2_000);
    }

    @Test
    void stepwise_eachStepHasALifeOfItsOwn() {
        List<DatedAmount> tools = steps("2026-01-15", 300_000, "2026-07-15", 300_000);
        assertCharges(asset(tools, "2026-01-01", 30, 0, null, true, null), Month.JANUARY, 38)
                .containsExactly(runs(1, 0, 6, 10_000, 24, 20_000, 6, 10_000, 1, 0));
        assertCharges(asset(tools, "2026-01-01", 30, 0, null, false, null), Month.JANUARY, 38)
                .containsExactly(runs(7, 0, 30, 20_000, 1, 0));
    }

    /**
     * An owned one goes on by its charge of 50.00; 3,000 added in July is used up over 30 months beside it, or by it.
     */
    @Test
    void stepwise_besideWhatIsOwnedByACharge() {
        Owned shed = new Owned(600_000, 0, 5_000, Percent.ZERO);
        List<DatedAmount> july = steps("2026-07-15", 300_000);
        assertCharges(asset(july, "2020-01-01", 30, 0, null, true, shed), Month.JANUARY, 9)
                .containsExactly(runs(7, 5_000, 2, 15_000));
        assertCharges(asset(july, "2020-01-01", 30, 0, null, false, shed), Month.JANUARY, 9)
                .containsExactly(runs(9, 5_000));
    }

    @Test
    void whatIsSaidTwiceOrNotAtAll_isRefused() {
        assertThatThrownBy(() -> wear(Wear.By.BOOK, "0")).hasMessageContaining("above 0%");
        assertThatThrownBy(() -> wear(Wear.By.LIFE, "10")).hasMessageContaining("leave it at 0");
        Owned charged = new Owned(1_000, 0, 10, Percent.ZERO);
        assertThatThrownBy(() -> asset(List.of(), "2024-01-01", 60, 0, wear(Wear.By.LIFE, "0"), false, charged))
                .hasMessageContaining("said twice");
    }

    @Test
    void whateverTheWear_aLifeEndsAtTheResidualValue_andASaleEndsIt() {
        Random random = new Random(20_261_202);
        Settings settings = settings(NEW_YEARS_EVE, MONTHS);
        for (int i = 0; i < 300; i++) {
            int cost = 1 + random.nextInt(5_000_000);
            int life = 1 + random.nextInt(MONTHS);
            long residual = random.nextLong(cost);
            Wear wear = random.nextBoolean()
                    ? new Wear(Wear.By.BOOK, new Percent(1 + random.nextLong(Percent.WHOLE)))
                    : Wear.EVENLY;
            Asset asset = asset(
                    steps("2025-12-0" + (1 + random.nextInt(9)), cost),
                    "2025-12-10",
                    life,
                    residual,
                    wear,
                    random.nextBoolean(),
                    null);
            long[] charges = charges(settings, asset);
            assertThat(LongStream.of(charges).limit(life).sum())
                    .as("%s over %d months", wear, life)
                    .isEqualTo(cost - residual);
            assertThat(LongStream.of(charges).filter(charge -> charge < 0)).isEmpty();
            int kept = random.nextInt(MONTHS);
            Asset sold = asset.on(
                    asset.milestones(),
                    asset.service(),
                    new CapitalSpending.Disposal(NEW_YEARS_EVE.plusDays(1).plusMonths(kept), 1));
            long[] until = charges(settings, sold);
            assertThat(Arrays.copyOf(until, kept)).containsExactly(Arrays.copyOf(charges, kept));
            assertThat(LongStream.of(until).skip(kept).sum()).isZero();
        }
    }

    /** The schedule's years close where the roll-forwards of the months do, and its rows are what each asset is. */
    @Test
    void schedule_closesWhereTheMonthsDo() {
        RandomPlans.each(60, (some, seed) -> {
            Forecast forecast = Forecaster.forecast(some.plan(), some.books());
            List<AssetSchedule.Year> years = AssetSchedule.of(forecast).years();
            RollForwards.of(forecast, Integer.MAX_VALUE).stream()
                    .filter(roll -> roll.kind() == RollForward.Kind.FIXED_ASSETS
                            && some.plan().findLine(roll.lineId()).isPresent())
                    .forEach(roll -> {
                        List<AssetSchedule.Row> rows = AssetSchedule.of(
                                        forecast,
                                        some.plan().findLine(roll.lineId()).orElseThrow())
                                .rows();
                        assertThat(rows).isNotEmpty();
                        AssetSchedule.Row sum = rows.get(rows.size() - 1);
                        assertThat(sum.opening().net()).isEqualTo(roll.opening().get(0));
                        for (int i = 0; i < years.size(); i++) {
                            int at = roll.months().indexOf(years.get(i).last());
                            assertThat(sum.years().get(i).end().net())
                                    .as("%s at the end of %s", roll.lineId(), years.get(i))
                                    .isEqualTo(roll.closing().get(at));
                        }
                    });
        });
    }
}
