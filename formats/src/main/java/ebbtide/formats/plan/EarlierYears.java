package ebbtide.formats.plan;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.whole;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.JsonPlace;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.plan.Settings;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearDriver.Amount;
import ebbtide.plan.YearDriver.Days;
import ebbtide.plan.YearDriver.DaysOf;
import ebbtide.plan.YearDriver.OfGross;
import ebbtide.plan.YearDriver.Share;
import ebbtide.plan.YearsPlan;
import ebbtide.plan.YearsPlan.Driven;
import ebbtide.plan.YearsRules;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.IntFunction;

/**
 * Years after the months as plan files had them before ({@code longRange}): read as the drivers that they were. What
 * did not vary held overheads less other income, and nil where nothing was known of either: they then stay as they
 * were.
 */
public record EarlierYears(
        List<Percent> growth,
        Percent variable,
        long fixed,
        Percent fixedGrowth,
        int daysOfSales,
        int daysOfStock,
        int daysOfPayables,
        List<Long> capitalSpending,
        Percent depreciation,
        Percent interest,
        Percent tax,
        Percent payout) {
    private static final String NAME = "longRange";
    private static final Form<Integer> DAYS = whole(0, 365);
    private static final Form<EarlierYears> FORM = RecordForm.of(
            EarlierYears.class,
            always("growth", PERCENT.list()),
            usually("variable", PERCENT, Percent.ZERO),
            usually("fixed", AMOUNT, 0L),
            usually("fixedGrowth", PERCENT, Percent.ZERO),
            usually("daysOfSales", DAYS, 0),
            usually("daysOfStock", DAYS, 0),
            usually("daysOfPayables", DAYS, 0),
            always("capitalSpending", AMOUNT.list()),
            usually("depreciation", PERCENT, Percent.ZERO),
            usually("interest", PERCENT, Percent.ZERO),
            usually("tax", PERCENT, Percent.ZERO),
            usually("payout", PERCENT, Percent.ZERO));

    public EarlierYears {
        Check.that(
                capitalSpending.size() == growth.size(),
                "each year after the months has its growth and its capital spending: " + growth.size() + " and "
                        + capitalSpending.size() + " were given");
    }

    /** Returns settings with years as they are now, where they have those of before. */
    static JsonPlace asNow(JsonPlace settings, Currency currency) {
        JsonPlace before = settings.at(NAME);
        if (before.isAbsent() || !settings.at("years").isAbsent()) {
            return settings;
        }
        LocalDate asOf = Values.DATE.read(settings.at("asOf").quietly());
        Integer months = settings.at("horizonMonths").isAbsent()
                ? Integer.valueOf(Settings.DEFAULT_HORIZON_MONTHS)
                : Values.WHOLE.read(settings.at("horizonMonths").quietly());
        EarlierYears earlier = FORM.read(before);
        if (asOf == null || months == null || earlier == null) {
            return settings;
        }
        YearsPlan years = before.make(() -> earlier.years(Settings.of("earlier", currency, asOf)
                .withHorizon(months)
                .horizonEnd()
                .plusDays(1)
                .getYear()));
        return years == null ? settings : settings.with("years", YearsForm.FORM.write(years, currency), NAME);
    }

    private YearsPlan years(int first) {
        List<Driven> drivers = new ArrayList<>();
        add(drivers, "sales", new Amount(new TreeMap<>(), byYear(first, growth::get)));
        add(drivers, "cost", share(first, variable));
        if (fixed != 0) {
            SortedMap<Integer, Percent> grown = new TreeMap<>();
            if (growth.size() > 1) {
                grown.put(first + 1, fixedGrowth);
            }
            add(drivers, "overheads", new Amount(one(first, fixed), grown));
            add(drivers, "other", new Amount(one(first, 0L), new TreeMap<>()));
        }
        add(drivers, "receivables", days(first, DaysOf.SALES, daysOfSales));
        add(drivers, "stock", days(first, DaysOf.COST_OF_SALES, daysOfStock));
        add(drivers, "payables", days(first, DaysOf.COST_OF_SALES, daysOfPayables));
        add(drivers, "spending", new Amount(byYear(first, capitalSpending::get), new TreeMap<>()));
        add(drivers, "depreciation", new OfGross(true, one(first, depreciation)));
        add(drivers, "interest", share(first, interest));
        add(drivers, "interest-on-cash", share(first, Percent.ZERO));
        add(drivers, "profit-tax", share(first, tax));
        add(drivers, "dividends", share(first, payout));
        return new YearsPlan(
                growth.size(),
                null,
                drivers,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                new YearsRules(false, false, false, null, new TreeMap<>()));
    }

    private static void add(List<Driven> drivers, String row, YearDriver by) {
        drivers.add(new Driven(row, by, ""));
    }

    private static <T> SortedMap<Integer, T> one(int year, T value) {
        return new TreeMap<>(Map.of(year, value));
    }

    private static Share share(int first, Percent of) {
        return new Share(null, one(first, of));
    }

    private static Days days(int first, DaysOf of, int days) {
        return new Days(of, one(first, BigDecimal.valueOf(days)));
    }

    private <T> SortedMap<Integer, T> byYear(int first, IntFunction<T> value) {
        SortedMap<Integer, T> values = new TreeMap<>();
        for (int i = 0; i < growth.size(); i++) {
            values.put(first + i, value.apply(i));
        }
        return values;
    }
}
