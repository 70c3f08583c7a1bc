package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.PatternSchedule;
import ebbtide.books.DayAmount;
import ebbtide.flows.Cell;
import ebbtide.flows.Flows;
import ebbtide.flows.Part;
import ebbtide.forecast.ForecastTable.Row;
import ebbtide.forecast.ForecastTable.RowKind;
import ebbtide.plan.Assumption;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.Snapshot;
import ebbtide.track.Variance;
import ebbtide.workings.RollForwardWorkings;
import ebbtide.workings.RowWorkings;
import ebbtide.workings.Workings;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Identities of the forecast that hold for every plan (rules 9.3 a, b, c, f, g). */
public final class ForecastIdentities {
    private ForecastIdentities() {}

    /** Returns the identities, each held against every plan that it is asked of. */
    public static List<Identity> all() {
        return List.of(
                Identity.of(
                        "table_everyLength_chainsAddsUpAndMeetsTheBank",
                        ForecastIdentities::table_everyLength_chainsAddsUpAndMeetsTheBank),
                Identity.of(
                        "workings_everyFigure_partsAddUpToItAndToTheBank",
                        ForecastIdentities::workings_everyFigure_partsAddUpToItAndToTheBank),
                Identity.of(
                        "workings_everyRowOfTheTable_itemsAddUpToIt",
                        ForecastIdentities::workings_everyRowOfTheTable_itemsAddUpToIt),
                Identity.of(
                        "override_onAnyPeriodAhead_isWhatTheCellShows",
                        ForecastIdentities::override_onAnyPeriodAhead_isWhatTheCellShows),
                Identity.of(
                        "rollForwards_ofEveryLine_chainAndAddUpToTheirTotals",
                        ForecastIdentities::rollForwards_ofEveryLine_chainAndAddUpToTheirTotals),
                Identity.of(
                        "owed_onEveryStream_isWhatLaterMonthsStillClear",
                        ForecastIdentities::owed_onEveryStream_isWhatLaterMonthsStillClear),
                Identity.of(
                        "comingDates_ofEveryLine_areWhatItsCellsHave",
                        ForecastIdentities::comingDates_ofEveryLine_areWhatItsCellsHave),
                Identity.of(
                                "horizon_furtherAway_changesNothingNearer",
                                ForecastIdentities::horizon_furtherAway_changesNothingNearer)
                        .ofEvery(2),
                Identity.of(
                        "salesTax_owedAtTheHorizon_isTheBalanceOfPeriodsSettledAfterIt",
                        ForecastIdentities::salesTax_owedAtTheHorizon_isTheBalanceOfPeriodsSettledAfterIt),
                Identity.of(
                        "variance_laterFactsAgainstSnapshot_addsUpInEveryWindow",
                        ForecastIdentities::variance_laterFactsAgainstSnapshot_addsUpInEveryWindow));
    }

    private static void table_everyLength_chainsAddsUpAndMeetsTheBank(RandomCase some) {
        Forecast forecast = some.forecast();
        Map<Periods, Long> net = new HashMap<>();
        for (Periods by : lengths(some.seed())) {
            List<Period> periods = forecast.periods(by, forecast.firstDay(), forecast.lastDay());
            ForecastTable table = ForecastTable.of(forecast, periods);
            Map<String, Row> rows = new HashMap<>();
            table.rows().forEach(row -> rows.put(row.id(), row));
            for (int i = 0; i < periods.size(); i++) {
                int at = i;
                long receipts = amount(rows, "receipts", at);
                long payments = amount(rows, "payments", at);
                assertThat(receipts).isEqualTo(linesAndUnassigned(table, Direction.RECEIPT, at));
                assertThat(payments).isEqualTo(linesAndUnassigned(table, Direction.PAYMENT, at));
                assertThat(amount(rows, "closing", at))
                        .isEqualTo(amount(rows, "opening", at) + receipts + payments + amount(rows, "transfers", at));
                if (at > 0) {
                    assertThat(amount(rows, "opening", at)).isEqualTo(amount(rows, "closing", at - 1));
                }
                if (!periods.get(at).lastDay().isAfter(some.plan().settings().asOf())) {
                    assertThat(amount(rows, "closing", at))
                            .isEqualTo(some.books().cash(periods.get(at).lastDay()));
                }
            }
            net.put(by, rows.get("net").cells().stream().mapToLong(Cell::amount).sum());
        }
        assertThat(net.values()).as("days, weeks, months, quarters, years").containsOnly(net.get(Periods.YEAR));
        assertThat(forecast.closing(some.plan().settings().asOf()))
                .isEqualTo(some.books().cash(some.plan().settings().asOf()));
    }

    /** Days are many: of every eighth plan. */
    private static List<Periods> lengths(long seed) {
        return Arrays.stream(Periods.values())
                .filter(by -> by != Periods.DAY || seed % 8 == 0)
                .toList();
    }

    private static <T> List<T> sample(List<T> all, long seed, int most) {
        List<T> mixed = new ArrayList<>(all);
        Collections.shuffle(mixed, new Random(seed));
        return mixed.subList(0, Math.min(most, mixed.size()));
    }

    private static long amount(Map<String, Row> rows, String id, int at) {
        return rows.containsKey(id) ? rows.get(id).cells().get(at).amount() : 0;
    }

    private static long linesAndUnassigned(ForecastTable table, Direction direction, int at) {
        return table.rows().stream()
                .filter(row -> row.direction() == direction)
                .filter(row -> row.kind() == RowKind.LINE || row.kind() == RowKind.UNASSIGNED)
                .mapToLong(row -> row.cells().get(at).amount())
                .sum();
    }

    private static void workings_everyFigure_partsAddUpToItAndToTheBank(RandomCase some) {
        Forecast forecast = some.forecast();
        LocalDate asOf = some.plan().settings().asOf();
        List<Period> periods = new ArrayList<>(forecast.periods(Periods.WEEK, asOf.minusDays(20), asOf.plusDays(50)));
        periods.addAll(forecast.periods(Periods.MONTH, asOf, forecast.lastDay()));
        for (Line line :
                sample(some.plan().lines().stream().filter(l -> !l.isGroup()).toList(), some.seed(), 4)) {
            for (Period period : sample(periods, some.seed(), 6)) {
                Workings workings = RowWorkings.of(forecast, line, period);
                Cell cell = forecast.cell(line, period);
                for (Part part : Part.values()) {
                    long parts = workings.items().stream()
                            .filter(i -> i.part() == part)
                            .mapToLong(Workings.Item::minor)
                            .sum();
                    long whole = part == Part.SETTLED
                            ? cell.settled()
                            : part == Part.COMMITTED ? cell.committed() : cell.estimated();
                    assertThat(parts)
                            .as("%s of %s in %s", part, line.name(), period)
                            .isEqualTo(whole);
                }
                long booked = some.books().byLine().getOrDefault(line.id(), List.of()).stream()
                        .filter(m -> period.contains(m.day()))
                        .mapToLong(DayAmount::minor)
                        .sum();
                long items = workings.items().stream()
                        .filter(i -> i.part() == Part.COMMITTED && !i.what().startsWith("Bank movements"))
                        .mapToLong(Workings.Item::minor)
                        .sum();
                assertThat(cell.settled() + cell.committed()).isEqualTo(booked + items);
                assertThat(cell.amount()).isEqualTo(cell.settled() + cell.committed() + cell.estimated());
            }
        }
    }

    private static void workings_everyRowOfTheTable_itemsAddUpToIt(RandomCase some) {
        Forecast forecast = some.forecast();
        LocalDate asOf = some.plan().settings().asOf();
        for (Period period :
                sample(forecast.periods(Periods.MONTH, asOf.minusDays(40), asOf.plusDays(70)), some.seed(), 1)) {
            for (Row row : ForecastTable.of(forecast, List.of(period)).rows()) {
                assertThat(RowWorkings.of(forecast, row.id(), period).items().stream()
                                .mapToLong(Workings.Item::minor)
                                .sum())
                        .as("%s in %s", row.name(), period)
                        .isEqualTo(row.cells().get(0).amount());
            }
        }
    }

    private static void override_onAnyPeriodAhead_isWhatTheCellShows(RandomCase some) {
        Forecast forecast = some.forecast();
        for (Line line : some.plan().lines()) {
            for (Line.CashOverride override : line.overrides()) {
                boolean inForce = some.plan().isActive(line)
                        && override.period()
                                .lastDay()
                                .isAfter(some.plan().settings().asOf())
                        && !override.period().lastDay().isAfter(forecast.lastDay())
                        && !override.period().startInclusive().isBefore(forecast.firstDay());
                if (inForce) {
                    assertThat(forecast.cell(line, override.period()).amount())
                            .isEqualTo(override.amount() * line.direction().sign());
                }
            }
        }
    }

    /** Each roll-forward chains, closes on its causes, and the totals are the sums of their lines. */
    private static void rollForwards_ofEveryLine_chainAndAddUpToTheirTotals(RandomCase some) {
        Forecast forecast = some.forecast();
        List<RollForward> rolls = RollForwards.of(forecast, 8);
        for (RollForward roll : rolls) {
            List<RollForward> lines = rolls.stream()
                    .filter(one -> one.kind() == roll.kind() && one.lineId() != null)
                    .toList();
            for (int i = 0; i < roll.months().size(); i++) {
                int at = i;
                assertThat(roll.closing().get(i))
                        .as("%s in %s", roll.name(), roll.months().get(i))
                        .isEqualTo(roll.opening().get(i)
                                + roll.changes().stream()
                                        .mapToLong(change -> change.amounts().get(at))
                                        .sum());
                assertThat(i == 0 || roll.opening().get(i).equals(roll.closing().get(i - 1)))
                        .isTrue();
                if (i == some.seed() % (4L * roll.months().size())) {
                    LocalDate from = roll.months().get(i).atDay(1);
                    assertWorkings(forecast, roll, Period.of(roll.months().get(i)));
                    assertWorkings(
                            forecast,
                            roll,
                            new Period(
                                    from,
                                    roll.months()
                                            .get(roll.months().size() - 1)
                                            .plusMonths(1)
                                            .atDay(1)));
                }
                if (roll.lineId() == null) {
                    assertThat(roll.closing().get(i))
                            .isEqualTo(lines.stream()
                                    .mapToLong(one -> one.closing().get(at))
                                    .sum());
                }
            }
        }
    }

    /** Of a month, and of all months from it on, every figure is the sum of its parts. */
    private static void assertWorkings(Forecast forecast, RollForward roll, Period period) {
        RollForward.Over over = roll.over(period);
        Map<String, Long> rows = new HashMap<>(Map.of("opening", over.opening(), "closing", over.closing()));
        for (int i = 0; i < roll.changes().size(); i++) {
            rows.put(roll.changes().get(i).name(), over.changes().get(i));
        }
        assertThat(over.closing())
                .isEqualTo(over.opening()
                        + over.changes().stream().mapToLong(Long::longValue).sum());
        rows.forEach((row, minor) -> assertThat(
                        RollForwardWorkings.of(forecast, roll.kind(), roll.lineId(), row, period).stream()
                                .mapToLong(Workings.Item::minor)
                                .sum())
                .as("%s, %s", roll.name(), row)
                .isEqualTo(minor));
    }

    /**
     * What is owed on a stream at a month's end is what later months still collect, take off and write off of bills up
     * to it.
     */
    private static void owed_onEveryStream_isWhatLaterMonthsStillClear(RandomCase some) {
        YearMonth first = some.plan().settings().firstForecastMonth();
        for (Line line : some.plan().lines()) {
            if (line.assumption() instanceof Assumption.Stream stream
                    && stream.terms().monthsAhead() == 0
                    && stream.terms().by() != ebbtide.plan.Terms.By.TARGET
                    && stream.basis() == ebbtide.plan.Basis.PATTERN) {
                PatternSchedule schedule = PatternSchedule.of(some.forecast().accounts().stream(line), first, 60);
                long owed = schedule.owed().at(0);
                long later = schedule.billed().stream()
                        .filter(billed -> !billed.month().isAfter(first))
                        .flatMap(billed -> billed.payments().stream())
                        .filter(payment -> payment.month().isAfter(first))
                        .mapToLong(PatternSchedule.Payment::gross)
                        .sum();
                long never = stream.terms().by() == ebbtide.plan.Terms.By.DAYS
                        ? 0
                        : notYetWrittenOff(some.plan(), line, first);
                assertThat(owed).as(line.name()).isEqualTo(later + never);
            }
        }
    }

    /**
     * What a line shows as coming is what its cells have: both ask the same accounts, which bear what the sweep's
     * interest costs.
     */
    private static void comingDates_ofEveryLine_areWhatItsCellsHave(RandomCase some) {
        Forecast forecast = some.forecast();
        Accounts accounts = forecast.accounts();
        for (Line line : some.plan().lines()) {
            if (some.plan().isActive(line)
                    && !line.isGroup()
                    && !(line.assumption() instanceof Assumption.Stream)
                    && line.overrides().isEmpty()
                    && !isSwept(some.plan(), line)) {
                Map<LocalDate, Long> coming = new HashMap<>();
                accounts.expectations(line).stream()
                        .filter(one -> some.plan().settings().counts(line.direction(), one.certainty()))
                        .forEach(one -> {
                            boolean late =
                                    !one.day().isAfter(some.plan().settings().asOf());
                            if (!late
                                    || one.windowEnd()
                                            .isAfter(some.plan().settings().asOf())) {
                                coming.merge(
                                        line.isTimedOtherwise()
                                                ? Flows.timing(accounts, line).forecastOn(one)
                                                : late
                                                        ? accounts.calendar(line)
                                                                .next(some.plan()
                                                                        .settings()
                                                                        .asOf())
                                                        : one.day(),
                                        one.left() * line.direction().sign(),
                                        Long::sum);
                            }
                        });
                coming.values().removeIf(minor -> minor == 0);
                coming.keySet().removeIf(day -> day.isAfter(forecast.lastDay()));
                Map<LocalDate, Long> cells = new HashMap<>();
                forecast.flows(line).stream()
                        .filter(flow -> flow.part() == Part.ESTIMATED)
                        .forEach(flow -> cells.put(flow.day(), flow.minor()));
                assertThat(coming).as(line.name()).isEqualTo(cells);
            }
        }
    }

    private static boolean isSwept(ebbtide.plan.Plan plan, Line line) {
        return line.assumption() instanceof ebbtide.plan.Revolving
                || line.assumption() instanceof ebbtide.plan.Interest interest
                        && (interest.lineId() == null
                                || plan.findLine(interest.lineId())
                                                .orElseThrow()
                                                .assumption()
                                        instanceof ebbtide.plan.Revolving);
    }

    /**
     * How far one looks changes no figure that is nearer, unless minimum cash reads the payments of the days ahead, or
     * an override reaches beyond.
     */
    private static void horizon_furtherAway_changesNothingNearer(RandomCase some) {
        Forecast near = some.forecast();
        boolean beyond = some.plan().lines().stream()
                .flatMap(line -> line.overrides().stream())
                .anyMatch(one -> one.period().lastDay().isAfter(near.lastDay()));
        if (beyond || some.plan().settings().funding().minimumDays() != null) {
            return;
        }
        ebbtide.plan.Plan further = new ebbtide.plan.Plan(
                some.plan()
                        .settings()
                        .withHorizon(some.plan().settings().horizonMonths() + 1 + (int) (some.seed() % 14)),
                some.plan().lines(),
                List.of());
        Forecast far = Forecaster.forecast(further, some.books());
        for (Period period : near.periods(Periods.MONTH, near.firstDay(), near.lastDay())) {
            for (Line line : some.plan().lines()) {
                assertThat(far.cell(line, period).amount())
                        .as("%s in %s", line.name(), period)
                        .isEqualTo(near.cell(line, period).amount());
            }
        }
    }

    private static long notYetWrittenOff(ebbtide.plan.Plan plan, Line line, YearMonth first) {
        Assumption.Stream stream = (Assumption.Stream) line.assumption();
        ebbtide.activity.MonthlyActivity activity = new ebbtide.activity.ActivityCalculator(plan).planned(line);
        int last = ebbtide.time.Timeline.monthNumber(first);
        int from = last - stream.terms().pattern().monthsToWriteOff() + 1;
        ebbtide.billing.PatternBilling all = new ebbtide.billing.PatternBilling(
                stream.tax(), stream.terms().pattern(), ebbtide.time.MonthSeries.of(from, last, activity::in));
        return java.util.stream.IntStream.rangeClosed(from, last)
                .mapToLong(month -> new ebbtide.billing.MonthBilling(all, month).writtenOff())
                .sum();
    }

    /** Sales tax owed at a month's end is what periods not settled by then have gathered up to it. */
    private static void salesTax_owedAtTheHorizon_isTheBalanceOfPeriodsSettledAfterIt(RandomCase some) {
        ebbtide.books.Books none = ebbtide.books.Books.of(List.of());
        for (Line line : some.plan().lines()) {
            if (line.assumption() instanceof ebbtide.plan.SalesTaxSettlement) {
                Forecast forecast = Forecaster.forecast(some.plan(), none);
                RollForward roll = RollForwards.of(forecast, line, 99).get(0);
                long unsettled = forecast.accounts().salesTax(line).periods().stream()
                        .filter(period -> period.settled().isAfter(forecast.lastDay()))
                        .mapToLong(period -> period.balance())
                        .sum();
                assertThat(roll.closing().get(roll.closing().size() - 1)).isEqualTo(unsettled);
            }
        }
    }

    private static void variance_laterFactsAgainstSnapshot_addsUpInEveryWindow(RandomCase some) {
        Snapshot snapshot = Snapshot.of(some.forecast(), line -> "");
        LocalDate later = some.plan().settings().asOf().plusDays(6);
        ebbtide.plan.Plan today = withAsOf(some.plan(), later);
        Period window = Variance.findComparable(snapshot, later).orElseThrow();
        Variance variance = Variance.of(
                snapshot,
                new ebbtide.track.Outturn(today, some.books(), List.of(), List.of()),
                List.of(window),
                window);
        Map<String, Variance.Row> rows = new HashMap<>();
        variance.rows().forEach(row -> rows.put(row.id(), row));
        long forecast = rows.get("receipts").forecast() + rows.get("payments").forecast();
        long transfers = rows.containsKey("transfers") ? rows.get("transfers").actual() : 0;
        assertThat(rows.get("net").forecast())
                .isEqualTo(forecast
                        + (rows.containsKey("transfers") ? rows.get("transfers").forecast() : 0));
        assertThat(rows.get("net").why().total()).isEqualTo(rows.get("net").variance());
        assertThat(rows.get("net").actual())
                .isEqualTo(rows.get("receipts").actual() + rows.get("payments").actual() + transfers);
        assertThat(rows.get("closing").actual() - some.books().cash(snapshot.asOf()))
                .isEqualTo(rows.get("net").actual());
        assertThat(rows.get("closing").variance()).isEqualTo(rows.get("net").variance());
        variance.rows().stream()
                .filter(row -> row.variancePercentHundredths() != null)
                .forEach(row -> assertThat(row.variancePercentHundredths() / 1e4)
                        .isCloseTo((double) row.variance() / Math.abs(row.forecast()), within(1e-4)));
    }

    private static ebbtide.plan.Plan withAsOf(ebbtide.plan.Plan plan, LocalDate asOf) {
        return plan.asOf(asOf);
    }
}
