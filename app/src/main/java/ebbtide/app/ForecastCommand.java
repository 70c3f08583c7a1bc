package ebbtide.app;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.csv.ForecastCsv;
import ebbtide.formats.plan.BrokenPlan;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanReader;
import ebbtide.time.Periods;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import java.util.Set;

/** The command that computes a plan file without a server or a database, and prints the forecast as long CSV. */
final class ForecastCommand {
  private static final int USAGE = 64;
  private static final int BROKEN = 2;

  private ForecastCommand() {}

  /** Returns 0, or 2 for a plan that is broken, or 64 for a command that is; nothing is printed by halves. */
  static int run(String[] args, PrintStream out, PrintStream err) {
    try {
      CommandLine line = CommandLine.of(args, Set.of("--by", "--out"));
      if (line.words().size() != 1) {
        throw new IllegalArgumentException("Say one plan file: ./ebbtide forecast PLAN.json [--by week] [--out FILE].");
      }
      Periods by = periods(line.options().getOrDefault("--by", "month"));
      return run(Path.of(line.words().get(0)), by, line.options().get("--out"), out, err);
    } catch (IllegalArgumentException e) {
      err.println(e.getMessage());
      return USAGE;
    }
  }

  private static Periods periods(String word) {
    return Arrays.stream(Periods.values()).filter(p -> p.name().toLowerCase(Locale.ROOT).equals(word)).findFirst()
        .orElseThrow(() -> new IllegalArgumentException(
            "Say --by day, week, month, quarter or year, but was '" + word + "'."));
  }

  private static int run(Path file, Periods by, String outFile, PrintStream out, PrintStream err) {
    String csv;
    try (InputStream in = Files.newInputStream(file)) {
      csv = csv(PlanReader.read(in), by);
    } catch (BrokenPlan e) {
      e.problems().forEach(problem -> err.println(file + ": " + problem.place() + ": " + problem.sentence()));
      return BROKEN;
    } catch (IllegalArgumentException e) {
      err.println(file + ": " + e.getMessage() + ".");
      return BROKEN;
    } catch (NoSuchFileException e) {
      err.println("There is no file '" + file + "'.");
      return BROKEN;
    } catch (IOException e) {
      err.println("The file '" + file + "' cannot be read: " + e.getMessage() + ".");
      return BROKEN;
    }
    return write(csv, outFile, out, err);
  }

  private static String csv(PlanDocument document, Periods by) {
    Forecast forecast = Forecaster.forecast(document.plan(), document.books());
    StringWriter text = new StringWriter();
    ForecastCsv.writeLong(forecast, forecast.periods(by, forecast.firstDay(), forecast.lastDay()), text);
    return text.toString();
  }

  private static int write(String csv, String outFile, PrintStream out, PrintStream err) {
    if (outFile == null) {
      out.print(csv);
      out.flush();
      return 0;
    }
    try {
      Files.writeString(Path.of(outFile), csv, StandardCharsets.UTF_8);
      return 0;
    } catch (IOException e) {
      err.println("The file '" + outFile + "' cannot be written: choose another with --out.");
      return BROKEN;
    }
  }
}
