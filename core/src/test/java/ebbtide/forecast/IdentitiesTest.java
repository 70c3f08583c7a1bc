package ebbtide.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import ebbtide.books.DayAmount;
import ebbtide.forecast.ForecastTable.Row;
import ebbtide.forecast.ForecastTable.RowKind;
import ebbtide.plan.Assumption;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.Snapshot;
import ebbtide.track.Variance;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Identities that hold for every plan (rules 9.3 a, b, f, g), over plans made at random; a failure names its seed. */
class IdentitiesTest {
  static LongStream seeds() {
    return LongStream.range(0, 250);
  }

  @ParameterizedTest(name = "seed {0}")
  @MethodSource("seeds")
  void table_everyLength_chainsAddsUpAndMeetsTheBank(long seed) {
    RandomPlans.Case some = RandomPlans.of(seed);
    Forecast forecast = Forecaster.forecast(some.plan(), some.books());
    Map<Periods, Long> net = new HashMap<>();
    for (Periods by : Periods.values()) {
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
          assertThat(amount(rows, "closing", at)).isEqualTo(some.books().cash(periods.get(at).lastDay()));
        }
      }
      net.put(by, rows.get("net").cells().stream().mapToLong(Cell::amount).sum());
    }
    assertThat(net.values()).as("days, weeks, months, quarters, years").containsOnly(net.get(Periods.DAY));
    assertThat(forecast.closing(some.plan().settings().asOf()))
        .isEqualTo(some.books().cash(some.plan().settings().asOf()));
  }

  private static long amount(Map<String, Row> rows, String id, int at) {
    return rows.containsKey(id) ? rows.get(id).cells().get(at).amount() : 0;
  }

  private static long linesAndUnassigned(ForecastTable table, Direction direction, int at) {
    return table.rows().stream().filter(row -> row.direction() == direction)
        .filter(row -> row.kind() == RowKind.LINE || row.kind() == RowKind.UNASSIGNED)
        .mapToLong(row -> row.cells().get(at).amount()).sum();
  }

  @ParameterizedTest(name = "seed {0}")
  @MethodSource("seeds")
  void workings_everyFigure_partsAddUpToItAndToTheBank(long seed) {
    RandomPlans.Case some = RandomPlans.of(seed);
    Forecast forecast = Forecaster.forecast(some.plan(), some.books());
    LocalDate asOf = some.plan().settings().asOf();
    List<Period> periods = new ArrayList<>(forecast.periods(Periods.WEEK, asOf.minusDays(20), asOf.plusDays(50)));
    periods.addAll(forecast.periods(Periods.MONTH, asOf, forecast.lastDay()));
    for (Line line : some.plan().lines().stream().filter(l -> !l.isGroup()).toList()) {
      for (Period period : periods) {
        Workings workings = Workings.of(forecast, line, period);
        Cell cell = forecast.cell(line, period);
        for (Part part : Part.values()) {
          long parts = workings.items().stream().filter(i -> i.part() == part).mapToLong(Workings.Item::minor).sum();
          long whole = part == Part.SETTLED ? cell.settled() : part == Part.COMMITTED ? cell.committed() : cell.estimated();
          assertThat(parts).as("%s of %s in %s", part, line.name(), period).isEqualTo(whole);
        }
        long booked = some.books().byLine().getOrDefault(line.id(), List.of()).stream().filter(m -> period.contains(m.day()))
            .mapToLong(DayAmount::minor).sum();
        assertThat(cell.settled() + cell.committed()).isEqualTo(booked);
        assertThat(cell.amount()).isEqualTo(cell.settled() + cell.committed() + cell.estimated());
      }
    }
  }

  @ParameterizedTest(name = "seed {0}")
  @MethodSource("seeds")
  void workings_everyRowOfTheTable_itemsAddUpToIt(long seed) {
    RandomPlans.Case some = RandomPlans.of(seed);
    Forecast forecast = Forecaster.forecast(some.plan(), some.books());
    LocalDate asOf = some.plan().settings().asOf();
    for (Period period : forecast.periods(Periods.MONTH, asOf.minusDays(40), asOf.plusDays(70))) {
      for (Row row : ForecastTable.of(forecast, List.of(period)).rows()) {
        assertThat(Workings.of(forecast, row.id(), period).items().stream().mapToLong(Workings.Item::minor).sum())
            .as("%s in %s", row.name(), period).isEqualTo(row.cells().get(0).amount());
      }
    }
  }

  @ParameterizedTest(name = "seed {0}")
  @MethodSource("seeds")
  void override_onAnyPeriodAhead_isWhatTheCellShows(long seed) {
    RandomPlans.Case some = RandomPlans.of(seed);
    Forecast forecast = Forecaster.forecast(some.plan(), some.books());
    for (Line line : some.plan().lines()) {
      for (Line.CashOverride override : line.overrides()) {
        boolean inForce = some.plan().isActive(line) && override.period().lastDay().isAfter(some.plan().settings().asOf())
            && !override.period().lastDay().isAfter(forecast.lastDay())
            && !override.period().startInclusive().isBefore(forecast.firstDay());
        if (inForce) {
          assertThat(forecast.cell(line, override.period()).amount())
              .isEqualTo(override.amount() * line.direction().sign());
        }
      }
    }
  }

  @ParameterizedTest(name = "seed {0}")
  @MethodSource("seeds")
  void schedule_everyStream_paysDiscountsWritesOffAndOwesWhatItBills(long seed) {
    RandomPlans.Case some = RandomPlans.of(seed);
    YearMonth first = some.plan().settings().firstForecastMonth();
    for (Line line : some.plan().lines()) {
      if (line.assumption() instanceof Assumption.Stream) {
        PatternSchedule schedule = PatternSchedule.of(some.plan(), some.books(), line, first, 8);
        for (int i = 1; i < 8; i++) {
          YearMonth month = first.plusMonths(i);
          long billed = schedule.billed().stream().filter(b -> b.month().equals(month))
              .mapToLong(PatternSchedule.Billed::gross).sum();
          assertThat(schedule.owed().get(i)).as("owed for %s at the end of %s", line.name(), month)
              .isEqualTo(schedule.owed().get(i - 1) + billed - schedule.cash().get(i) - schedule.discounts().get(i)
                  - schedule.writtenOff().get(i));
        }
      }
    }
  }

  @ParameterizedTest(name = "seed {0}")
  @MethodSource("seeds")
  void variance_laterFactsAgainstSnapshot_addsUpInEveryWindow(long seed) {
    RandomPlans.Case some = RandomPlans.of(seed);
    Snapshot snapshot = Snapshot.of(Forecaster.forecast(some.plan(), some.books()));
    LocalDate later = some.plan().settings().asOf().plusDays(6);
    ebbtide.plan.Plan today = withAsOf(some.plan(), later);
    Period window = Variance.findComparable(snapshot, later).orElseThrow();
    Variance variance = Variance.of(snapshot, today, some.books(), window);
    Map<String, Variance.Row> rows = new HashMap<>();
    variance.rows().forEach(row -> rows.put(row.id(), row));
    long forecast = rows.get("receipts").forecast() + rows.get("payments").forecast();
    long transfers = rows.containsKey("transfers") ? rows.get("transfers").actual() : 0;
    assertThat(rows.get("net").forecast()).isEqualTo(forecast);
    assertThat(rows.get("net").actual()).isEqualTo(
        rows.get("receipts").actual() + rows.get("payments").actual() + transfers);
    assertThat(rows.get("closing").actual() - some.books().cash(snapshot.asOf())).isEqualTo(rows.get("net").actual());
    assertThat(rows.get("closing").variance()).isEqualTo(rows.get("net").variance());
    variance.rows().stream().filter(row -> row.variancePercentHundredths() != null).forEach(row ->
        assertThat(row.variancePercentHundredths() / 1e4).isCloseTo(
            (double) row.variance() / Math.abs(row.forecast()), within(1e-4)));
  }

  private static ebbtide.plan.Plan withAsOf(ebbtide.plan.Plan plan, LocalDate asOf) {
    ebbtide.plan.Settings s = plan.settings();
    return new ebbtide.plan.Plan(new ebbtide.plan.Settings(s.name(), s.currency(), asOf, s.firstDayOfWeek(),
        s.firstFiscalMonth(), s.horizonMonths(), s.amountSteps(), s.minimumCash(), s.facility(), s.countedReceipts(), s.countedPayments()),
        plan.lines(), plan.buoys());
  }
}
