package ebbtide.sim;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.Assumption;
import ebbtide.plan.Buoy;
import ebbtide.plan.Certainty;
import ebbtide.plan.Direction;
import ebbtide.plan.Facility;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Plan;
import ebbtide.plan.Recurrence;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import ebbtide.time.Spread;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;

/** What Skerrywick Shellfish Ltd assumes: a grower and shipper of oysters, mussels and kelp that nobody will find. */
final class DemoPlan {
  static final LocalDate AS_OF = LocalDate.of(2026, 3, 1);
  private static final YearMonth FIRST_HISTORY = YearMonth.of(2024, 9);
  private static final YearMonth FIRST_FORECAST = YearMonth.of(2026, 3);
  private static final SalesTax VAT = new SalesTax(Percent.parse("20"), false);

  /** How a year's trade lies over its months, January first, in percent of the mean: winter is the season. */
  private static final int[] WINTER = {112, 96, 70, 84, 114, 110, 100, 98, 98, 100, 106, 118};
  private static final int[] SEEDING = {80, 130, 190, 154, 84, 64, 74, 80, 92, 84, 82, 82};

  private final List<Line> lines = new ArrayList<>();

  private DemoPlan() {}

  static Plan plan() {
    return new DemoPlan().make();
  }

  private Plan make() {
    receipts();
    costsOfGoods();
    people();
    overheads();
    oneOffs();
    Settings settings = new Settings("Skerrywick Shellfish Ltd", Money.currency("GBP"), AS_OF, DayOfWeek.MONDAY, Month.APRIL,
        Settings.DEFAULT_HORIZON_MONTHS, AmountSteps.FIRST_DAY, Steps.from(LocalDate.of(2025, 1, 1), pounds(200_000)),
        new Facility("Harbour overdraft", Steps.from(LocalDate.of(2025, 1, 1), pounds(250_000))),
        Set.of(Certainty.CERTAIN, Certainty.LIKELY), Set.of(Certainty.values()));
    List<Buoy> buoys = List.of(new Buoy("buoy-refit", "boat-refit", week(LocalDate.of(2026, 4, 27)),
        "Yard's quote is from last autumn: ask for a firm one"));
    return new Plan(settings, lines, buoys);
  }

  private void receipts() {
    add("group-trade", null, "Trade sales", Direction.RECEIPT, new Assumption.Group());
    add("restaurants", "group-trade", "Restaurants & hotels", Direction.RECEIPT, stream(
        new ActivityMethod.TypedMonths(season(168_000, WINTER, FIRST_FORECAST, 12, 4)), history(160_000, WINTER, 4), VAT,
        pattern("2", "15@0", "53@1-2", "24@2", "6@3"), new Spread.Even()));
    add("grocery", "group-trade", "Grocery chains", Direction.RECEIPT, stream(
        new ActivityMethod.TypedMonths(season(282_000, WINTER, FIRST_FORECAST, 12, 3)), history(274_000, WINTER, 3),
        SalesTax.NONE, pattern("0", "10@0", "65@1", "25@2"), new Spread.ByWeek(List.of(1, 2, 1, 3, 2))));
    add("export", "group-trade", "Export distributors", Direction.RECEIPT, stream(
        new ActivityMethod.TypedMonths(season(84_000, WINTER, FIRST_FORECAST, 12, 6)), history(78_000, WINTER, 6),
        SalesTax.NONE, pattern("1", "29@1", "45@2", "25@3"), new Spread.OnDays(List.of(new Spread.DayWeight(10, 2),
            new Spread.DayWeight(25, 3)))));
    add("shop", null, "Farm-gate shop", Direction.RECEIPT, stream(new ActivityMethod.BaseWithGrowth(
        Steps.from(FIRST_FORECAST.atDay(1), pounds(21_600)), Percent.parse("0.8"), new TreeMap<>()),
        history(21_000, new int[] {80, 80, 90, 100, 110, 120, 130, 135, 105, 90, 80, 80}, 9),
        new SalesTax(Percent.parse("20"), true), MonthPattern.atOnce(), new Spread.Even()));
    add("licences", null, "Licence fees", Direction.RECEIPT, stream(new ActivityMethod.FixedAmount(new Steps<>(List.of(
        new Steps.Step<>(LocalDate.of(2024, 9, 1), pounds(6_500)), new Steps.Step<>(LocalDate.of(2026, 7, 1), pounds(7_200))))),
        flat(6_500), VAT, pattern("0", "100@1"), new Spread.OnDays(List.of(new Spread.DayWeight(15, 1)))));
    add("grant", null, "Reef restoration grant", Direction.RECEIPT, items(Convention.FOLLOWING,
        new Assumption.DatedItem(LocalDate.of(2026, 6, 30), pounds(60_000), Certainty.POSSIBLE, "second round, not promised")));
  }

  private void costsOfGoods() {
    add("group-goods", null, "Growing & packing", Direction.PAYMENT, new Assumption.Group());
    add("seed", "group-goods", "Seed & gear", Direction.PAYMENT, stream(
        new ActivityMethod.TypedMonths(season(148_000, SEEDING, FIRST_FORECAST, 12, 5)), history(144_000, SEEDING, 5), VAT,
        pattern("0", "40@0", "60@1"), new Spread.Even()));
    add("packaging", "group-goods", "Packaging & ice", Direction.PAYMENT, stream(
        new ActivityMethod.ShareOfLine("grocery", Percent.parse("15.5")), new TreeMap<>(), VAT, pattern("0", "100@1"),
        new Spread.OnDays(List.of(new Spread.DayWeight(12, 1), new Spread.DayWeight(26, 1)))));
    add("diesel", "group-goods", "Diesel", Direction.PAYMENT, stream(new ActivityMethod.BaseWithGrowth(
        Steps.from(FIRST_FORECAST.atDay(1), pounds(17_800)), Percent.parse("0.4"), new TreeMap<>()),
        history(17_200, WINTER, 2), VAT, pattern("0", "50@0", "50@1"), new Spread.Even()));
  }

  private void people() {
    add("group-people", null, "People", Direction.PAYMENT, new Assumption.Group());
    add("pay", "group-people", "Pay", Direction.PAYMENT, Assumption.Recurring.plain(
        new Recurrence(Recurrence.Unit.WEEK, 2, LocalDate.of(2025, 9, 5), null), new Steps<>(List.of(
            new Steps.Step<>(LocalDate.of(2025, 1, 1), pounds(99_400)), new Steps.Step<>(LocalDate.of(2026, 4, 6), pounds(101_900)))),
        Convention.PRECEDING, Certainty.CERTAIN));
    add("pay-taxes", "group-people", "Pay taxes", Direction.PAYMENT, monthly(LocalDate.of(2025, 9, 19), 66_500));
  }

  private void overheads() {
    add("group-overheads", null, "Overheads", Direction.PAYMENT, new Assumption.Group());
    add("rent", "group-overheads", "Rent of sheds & foreshore", Direction.PAYMENT, Assumption.Recurring.plain(
        new Recurrence(Recurrence.Unit.MONTH, 3, LocalDate.of(2025, 9, 25), null),
        Steps.from(LocalDate.of(2025, 1, 1), pounds(31_500)), Convention.PRECEDING, Certainty.CERTAIN));
    add("insurance", "group-overheads", "Insurance", Direction.PAYMENT, monthly(LocalDate.of(2025, 9, 3), 6_840));
    add("marketing", "group-overheads", "Marketing", Direction.PAYMENT, stream(new ActivityMethod.FixedAmount(
        Steps.from(LocalDate.of(2024, 9, 1), pounds(8_200))), flat(8_200), VAT, pattern("0", "30@0", "70@1"), new Spread.Even()));
    add("repairs", "group-overheads", "Repairs", Direction.PAYMENT, stream(new ActivityMethod.FixedAmount(
        Steps.from(LocalDate.of(2024, 9, 1), pounds(11_400))), flat(11_400), VAT, pattern("0", "60@0", "40@1"), new Spread.Even()));
    add("vat", null, "VAT", Direction.PAYMENT, Assumption.Recurring.plain(
        new Recurrence(Recurrence.Unit.MONTH, 3, LocalDate.of(2025, 11, 7), null), new Steps<>(List.of(
            new Steps.Step<>(LocalDate.of(2025, 1, 1), pounds(26_800)), new Steps.Step<>(LocalDate.of(2026, 5, 1), pounds(23_400)))),
        Convention.FOLLOWING, Certainty.CERTAIN));
  }

  private void oneOffs() {
    add("boat-refit", null, "Boat refit", Direction.PAYMENT, items(Convention.PRECEDING,
        new Assumption.DatedItem(LocalDate.of(2026, 4, 30), pounds(86_000), Certainty.CERTAIN, "Slipway, first half"),
        new Assumption.DatedItem(LocalDate.of(2026, 5, 20), pounds(64_000), Certainty.LIKELY, "Slipway, on launching")));
  }

  private void add(String id, String group, String name, Direction direction, Assumption assumption) {
    String account = id.equals("shop") ? "shop-takings" : null;
    lines.add(new Line(id, group, name, direction, true, account, "", assumption, List.of()));
  }

  private static Assumption stream(ActivityMethod method, SortedMap<YearMonth, Long> history, SalesTax tax,
      MonthPattern pattern, Spread spread) {
    return Assumption.Stream.of(method, history, new TreeMap<>(), tax, pattern, spread);
  }

  private static Assumption monthly(LocalDate first, long amount) {
    return Assumption.Recurring.plain(new Recurrence(Recurrence.Unit.MONTH, 1, first, null),
        Steps.from(LocalDate.of(2025, 1, 1), pounds(amount)), Convention.FOLLOWING, Certainty.CERTAIN);
  }

  private static Assumption items(Convention convention, Assumption.DatedItem... items) {
    return new Assumption.DatedItems(List.of(items), convention);
  }

  /** Reads steps such as "53@1-2": 53% one month later, less 2%. */
  private static MonthPattern pattern(String never, String... steps) {
    List<MonthPattern.Step> made = new ArrayList<>();
    for (String step : steps) {
      String[] parts = step.split("[@-]");
      made.add(new MonthPattern.Step(Percent.parse(parts[0]), Integer.parseInt(parts[1]),
          Percent.parse(parts.length > 2 ? parts[2] : "0")));
    }
    return new MonthPattern(made, Percent.parse(never), null);
  }

  private static SortedMap<YearMonth, Long> history(long mean, int[] shape, int wobble) {
    return season(mean, shape, FIRST_HISTORY, 18, wobble);
  }

  private static SortedMap<YearMonth, Long> flat(long amount) {
    return season(amount, new int[] {100, 100, 100, 100, 100, 100, 100, 100, 100, 100, 100, 100}, FIRST_HISTORY, 18, 1);
  }

  /** A mean laid over months by a shape, a few percent up and down, in whole pounds. */
  private static SortedMap<YearMonth, Long> season(long mean, int[] shape, YearMonth first, int count, int wobble) {
    SortedMap<YearMonth, Long> months = new TreeMap<>();
    for (int i = 0; i < count; i++) {
      YearMonth month = first.plusMonths(i);
      long sway = 100 + Math.floorMod(month.getMonthValue() * 7L + month.getYear() * 5L + mean, 2L * wobble + 1) - wobble;
      months.put(month, pounds(mean * shape[month.getMonthValue() - 1] * sway / 10_000));
    }
    return months;
  }

  private static Period week(LocalDate monday) {
    return new Period(monday, monday.plusWeeks(1));
  }

  private static long pounds(long whole) {
    return whole * 100;
  }
}
