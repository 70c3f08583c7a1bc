package ebbtide.years;

import ebbtide.forecast.Forecast;
import ebbtide.money.Refused;
import ebbtide.plan.LastYear;
import ebbtide.plan.LastYear.Entry;
import ebbtide.plan.Line;
import ebbtide.plan.Revolving;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.YearRow;
import ebbtide.plan.YearsPlan;
import ebbtide.statements.LastTwelveMonths;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.ToLongFunction;

/** The beginning of years that go on from the last twelve months planned (rules 9.4). */
final class MonthsBefore {
    /** The rows of the balance sheet that go by another name in years. */
    private static final Map<String, String> OTHER_NAMES = Map.of("dividends-declared", "dividends");

    /** What years have within a row, and the income statement in rows beside it. */
    private static final Map<String, List<String>> WITHIN = Map.of(
            "sales", List.of("discounts-allowed", "credit-notes"),
            "cost", List.of("discounts-taken", "suppliers-credit-notes"));

    private MonthsBefore() {}

    /**
     * Returns the beginning of a forecast's years.
     *
     * @throws Refused where fewer than twelve months are planned
     */
    static YearsStart start(Forecast forecast, YearsPlan plan) {
        LastTwelveMonths months = LastTwelveMonths.of(forecast)
                .orElseThrow(
                        () -> new Refused(
                                "The years go on from twelve months of detail: plan at least twelve months ahead, or type the last year"));
        List<Entry> entries = new ArrayList<>();
        YearsPlan.ofMonths().forEach((id, row) -> {
            String of = OTHER_NAMES.getOrDefault(id, id).replace('-', '_');
            long amount = row.isFlow() ? row.sign() * flow(months, id) : months.level(of);
            if (row.isFlow()) {
                entries.add(new Entry(id, months.nameOfFlow(id).orElse(row.words()), row, amount));
            } else if (amount != 0 || plan.mentions(id)) {
                entries.add(new Entry(id, months.nameOfLevel(of), row, amount));
            }
        });
        one(entries, YearRow.DEPRECIATION, -months.flow("depreciation"));
        one(entries, YearRow.GAIN, months.flow("gain"));
        one(entries, YearRow.INTEREST, -months.flow("interest"));
        one(entries, YearRow.INTEREST_ON_CASH, months.flow("interest-on-cash"));
        one(entries, YearRow.PROFIT_TAX, -months.flow("profit-tax"));
        one(entries, YearRow.DIVIDENDS, months.declared());
        one(entries, YearRow.SPENDING, months.spending());
        one(entries, YearRow.CASH, months.level("cash"));
        one(entries, YearRow.RECEIVABLES, months.level("receivables"));
        one(entries, YearRow.STOCK, months.level("stock"));
        one(entries, YearRow.GROSS_ASSETS, months.level("fixed_assets") + months.accumulated());
        one(entries, YearRow.ACCUMULATED, months.accumulated());
        one(entries, YearRow.PAYABLES, months.level("payables"));
        one(entries, YearRow.TAX_OWED, months.level("profit_tax"));
        one(entries, YearRow.SHORT_TERM, months.level("overdraft"));
        one(entries, YearRow.CAPITAL, months.level("paid_in"));
        one(entries, YearRow.RETAINED, months.level("retained"));
        List<AgreedDebt> debts = new ArrayList<>();
        for (LastTwelveMonths.Debt debt : months.debts()) {
            String id = YearsPlan.DEBT_OF_LINE + debt.id();
            entries.add(new Entry(id, debt.name(), YearRow.DEBT, debt.amount()));
            debts.add(new AgreedDebt(id, debt.name(), debt.owed()));
        }
        List<String> remarks = new ArrayList<>();
        plan.debts().stream()
                .map(YearsPlan.DebtChange::row)
                .filter(row ->
                        row != null && debts.stream().noneMatch(one -> one.id().equals(row)))
                .distinct()
                .forEach(row ->
                        remarks.add("The months leave no '" + row + "': what is typed of it counts for nothing"));
        Settings settings = forecast.plan().settings();
        return new YearsStart(
                new LastYear(months.end(), 365, months.losses(), entries),
                debts,
                day -> on(settings.minimumCash(), day),
                limit(forecast, plan, remarks),
                remarks);
    }

    private static long flow(LastTwelveMonths months, String id) {
        return months.flow(id)
                + WITHIN.getOrDefault(id, List.of()).stream()
                        .mapToLong(months::flow)
                        .sum();
    }

    private static void one(List<Entry> entries, YearRow row, long amount) {
        if (amount != 0) {
            entries.add(new Entry(row.id(), row.words(), row, amount));
        }
    }

    private static long on(Steps<Long> steps, LocalDate day) {
        return steps.findOn(day).map(Steps.Step::value).orElse(0L);
    }

    /**
     * What the facility that is drawn first may be drawn to: its limit less guarantees, from its start until it ends.
     */
    private static ToLongFunction<LocalDate> limit(Forecast forecast, YearsPlan plan, List<String> remarks) {
        String named = plan.rules().facility();
        if (named == null) {
            return day -> 0;
        }
        Line line = forecast.plan()
                .findLine(named.substring(Math.min(named.length(), YearsPlan.DEBT_OF_LINE.length())))
                .orElse(null);
        if (line == null || !(line.assumption() instanceof Revolving facility)) {
            remarks.add("The facility that is drawn first is no facility of the plan: nothing is drawn on it");
            return day -> 0;
        }
        return day -> facility.end() != null && !day.isBefore(facility.end())
                        || facility.start() != null && day.isBefore(facility.start())
                ? 0
                : Math.max(0, on(facility.limit(), day) - on(facility.guarantees(), day));
    }
}
