package ebbtide.app;

import ebbtide.forecast.EarlyPaymentEffect;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.FundingTable;
import ebbtide.forecast.RollForwards;
import ebbtide.formats.csv.ForecastCsv;
import ebbtide.formats.csv.FundingCsv;
import ebbtide.formats.csv.RollForwardCsv;
import ebbtide.formats.csv.StatementCsv;
import ebbtide.formats.plan.BrokenPlan;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanReader;
import ebbtide.plan.Assumption;
import ebbtide.plan.Terms;
import ebbtide.statements.Statements;
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
import java.util.function.Function;

/** The command that computes a plan file without a server or a database, and prints what is asked for. */
final class ForecastCommand {
  private static final int USAGE = 64;
  private static final int BROKEN = 2;

  private ForecastCommand() {}

  /** Returns 0, or 2 for a plan that is broken, or 64 for a command that is; nothing is printed by halves. */
  static int run(String[] args, PrintStream out, PrintStream err) {
    try {
      CommandLine line = CommandLine.of(args, Set.of("--by", "--out", "--show"));
      if (line.words().size() != 1) {
        throw new IllegalArgumentException("Say one plan file: ./ebbtide forecast PLAN.json [--by week] [--show forecast] [--out FILE].");
      }
      Periods by = periods(line.options().getOrDefault("--by", "month"));
      Show show = Show.of(line.options().getOrDefault("--show", "forecast"));
      return run(Path.of(line.words().get(0)), document -> show.csv(document, by), line.options().get("--out"), out, err);
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

  private static int run(Path file, Function<PlanDocument, String> printed, String outFile, PrintStream out, PrintStream err) {
    String csv;
    try (InputStream in = Files.newInputStream(file)) {
      csv = printed.apply(PlanReader.read(in));
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

  /** What is printed of a plan. */
  private enum Show {
    /** Cash by line, period and part. */
    FORECAST {
      @Override
      String csv(PlanDocument document, Periods by) {
        Forecast forecast = Forecaster.forecast(document.plan(), document.books());
        StringWriter text = new StringWriter();
        ForecastCsv.writeLong(forecast, forecast.periods(by, forecast.firstDay(), forecast.lastDay()), text);
        return text.toString();
      }
    },
    /** What is owed and held, month by month. */
    OWED {
      @Override
      String csv(PlanDocument document, Periods by) {
        Forecast forecast = Forecaster.forecast(document.plan(), document.books());
        StringWriter text = new StringWriter();
        RollForwardCsv.write(RollForwards.of(forecast, document.plan().settings().horizonMonths() + 1),
            document.plan().settings().currency(), text);
        return text.toString();
      }
    },
    /** How each period is funded, from the day after the as-of date. */
    FUNDING {
      @Override
      String csv(PlanDocument document, Periods by) {
        Forecast forecast = Forecaster.forecast(document.plan(), document.books());
        StringWriter text = new StringWriter();
        FundingCsv.write(FundingTable.of(forecast, forecast.periods(by, document.plan().settings().asOf().plusDays(1), forecast.lastDay())),
            document.plan().settings().currency(), text);
        return text.toString();
      }
    },
    /** The income statement. */
    INCOME {
      @Override
      String csv(PlanDocument document, Periods by) {
        return statement(document, by, Statements.Kind.INCOME);
      }
    },
    /** The balance sheet, its opening first. */
    BALANCE {
      @Override
      String csv(PlanDocument document, Periods by) {
        return statement(document, by, Statements.Kind.BALANCE);
      }
    },
    /** The cash flow statement, indirect. */
    CASHFLOW {
      @Override
      String csv(PlanDocument document, Periods by) {
        return statement(document, by, Statements.Kind.CASH_INDIRECT);
      }
    },
    /** What each discount for paying early is worth. */
    DISCOUNTS {
      @Override
      String csv(PlanDocument document, Periods by) {
        StringBuilder text = new StringBuilder();
        document.plan().lines().stream().filter(line -> line.assumption() instanceof Assumption.Stream stream
            && stream.terms().by() == Terms.By.DAYS && stream.terms().days().early() != null).forEach(line -> text.append(line.name()).append(": ")
                .append(EarlyPaymentEffect.of(document.plan(), document.books(), line).verdict()).append(".\n"));
        return text.toString();
      }
    };

    abstract String csv(PlanDocument document, Periods by);

    private static String statement(PlanDocument document, Periods by, Statements.Kind kind) {
      Statements statements = Statements.of(Forecaster.forecast(document.plan(), document.books()));
      StringWriter text = new StringWriter();
      StatementCsv.write(statements.table(kind, statements.periods(by), false), document.plan().settings().currency(), text);
      return text.toString();
    }

    static Show of(String word) {
      return Arrays.stream(values()).filter(show -> show.name().toLowerCase(Locale.ROOT).equals(word)).findFirst()
          .orElseThrow(() -> new IllegalArgumentException("Say --show forecast, funding, owed, income, balance, cashflow or discounts, but was '" + word + "'."));
    }
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
