package ebbtide.bench;

import ebbtide.answers.ChecklistItem;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.FundingTable;
import ebbtide.forecast.RandomPlans;
import ebbtide.forecast.RollForward;
import ebbtide.forecast.RollForwards;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanReader;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.sim.DemoCompany;
import ebbtide.statements.Covenants;
import ebbtide.statements.LongRangeTable;
import ebbtide.statements.OpeningCheck;
import ebbtide.statements.Ratios;
import ebbtide.statements.Statements;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.Snapshot;
import ebbtide.workings.RollForwardWorkings;
import ebbtide.workings.RowWorkings;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * A digest of every figure and sentence that a build works out, plan by plan: two builds that print the same lines give the same figures. Names of
 * types are left out, so that renaming changes nothing. {@code FigureDigest PLANS FOLDER...} prints a line for the demo, for each plan file of the
 * folders and for so many random plans; {@code FigureDigest show SEED|FILE} prints all that a plan's digest is made of.
 */
public final class FigureDigest {
  private final StringBuilder text = new StringBuilder();
  private final Plan plan;
  private final Forecast forecast;

  private FigureDigest(Plan plan, Books books) {
    this.plan = plan;
    this.forecast = Forecaster.forecast(plan, books);
  }

  /** Prints the digests, or the text of one. */
  public static void main(String[] args) throws IOException {
    if (args[0].equals("show")) {
      System.out.println(args[1].endsWith(".json") ? text(document(Path.of(args[1]))) : text(Long.parseLong(args[1])));
      return;
    }
    line("demo", text(DemoCompany.document()));
    for (String folder : List.of(args).subList(1, args.length)) {
      try (Stream<Path> files = Files.list(Path.of(folder))) {
        for (Path file : files.filter(one -> one.toString().endsWith(".json")).sorted().toList()) {
          line(file.getFileName().toString(), text(document(file)));
        }
      }
    }
    int plans = Integer.parseInt(args[0]);
    String[] texts = new String[plans];
    IntStream.range(0, plans).parallel().forEach(seed -> texts[seed] = hash(text((long) seed)));
    IntStream.range(0, plans).forEach(seed -> System.out.println("plan " + seed + " " + texts[seed]));
  }

  private static void line(String name, String text) {
    System.out.println(name + " " + hash(text));
  }

  private static PlanDocument document(Path file) throws IOException {
    return PlanReader.read(Files.newInputStream(file));
  }

  private static String text(PlanDocument document) {
    return new FigureDigest(document.plan(), document.books()).all();
  }

  private static String text(long seed) {
    RandomPlans.Case some = RandomPlans.of(seed);
    return new FigureDigest(some.plan(), some.books()).all();
  }

  private static String hash(String text) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)), 0, 12);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  private String all() {
    flows();
    funding();
    owed();
    workings();
    statements();
    ChecklistItem.of(forecast).forEach(this::say);
    return text.toString().replaceAll("\\b[A-Z]\\w*\\[", "[");
  }

  private void say(Object what) {
    text.append(what).append('\n');
  }

  private void flows() {
    for (Line line : plan.lines()) {
      if (!line.isGroup()) {
        say(line.name() + ": " + forecast.flows(line));
        say(forecast.itemFlows(line));
        forecast.periods(Periods.MONTH, forecast.firstDay(), forecast.lastDay()).forEach(month -> say(forecast.cell(line, month)));
        forecast.accounts().expectations(line).forEach(this::say);
      }
    }
    for (Period day : forecast.periods(Periods.DAY, forecast.firstDay(), forecast.lastDay())) {
      say(day.startInclusive() + " " + forecast.closing(day.startInclusive()) + " " + forecast.unassigned(Direction.RECEIPT, day).amount() + " "
          + forecast.unassigned(Direction.PAYMENT, day).amount() + " " + forecast.transfers(day).amount());
    }
    say(forecast.lowWater() + " " + forecast.peakNeed());
    Snapshot.of(forecast, line -> "").lines().forEach(one -> say(one.name()));
  }

  private void funding() {
    FundingTable.of(forecast, forecast.periods(Periods.WEEK, forecast.firstDay(), forecast.lastDay())).rows().forEach(this::say);
    say(forecast.funding().unsettled());
  }

  private void owed() {
    for (RollForward roll : RollForwards.of(forecast, 24)) {
      say(roll);
      say(RollForwardWorkings.of(forecast, roll.kind(), roll.lineId(), RollForwardWorkings.CLOSING, roll.months().get(roll.months().size() - 1)));
    }
  }

  /** The workings of every line in three of its months: the first, one on the way and the last. */
  private void workings() {
    List<Period> months = forecast.periods(Periods.MONTH, plan.settings().asOf(), forecast.lastDay());
    for (int at : List.of(0, months.size() / 2, months.size() - 1)) {
      for (Line line : plan.lines()) {
        if (!line.isGroup()) {
          say(RowWorkings.of(forecast, line.id(), months.get(at)));
        }
      }
    }
  }

  private void statements() {
    Statements statements = Statements.of(forecast);
    for (Periods by : List.of(Periods.MONTH, Periods.YEAR)) {
      List<Period> periods = statements.periods(by);
      for (Statements.Kind kind : Statements.Kind.values()) {
        statements.table(kind, periods, true).rows().forEach(this::say);
      }
      Ratios.of(statements, periods).forEach(this::say);
    }
    Covenants.of(forecast).forEach(this::say);
    say(OpeningCheck.of(forecast));
    say(OpeningCheck.proposed(forecast));
    if (LongRangeTable.isPossible(forecast)) {
      say(LongRangeTable.of(forecast, LongRangeTable.proposed(forecast, 5)).rows());
    }
  }
}
