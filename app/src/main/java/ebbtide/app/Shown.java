package ebbtide.app;

import ebbtide.answers.EarlyPaymentEffect;
import ebbtide.chance.Picture;
import ebbtide.chance.Simulation;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.FundingTable;
import ebbtide.forecast.RollForwards;
import ebbtide.formats.csv.DiscountCsv;
import ebbtide.formats.csv.ForecastCsv;
import ebbtide.formats.csv.FundingCsv;
import ebbtide.formats.csv.RatioCsv;
import ebbtide.formats.csv.RollForwardCsv;
import ebbtide.formats.csv.SimulationCsv;
import ebbtide.formats.csv.StatementCsv;
import ebbtide.plan.Settings;
import ebbtide.statements.Ratios;
import ebbtide.statements.Statements;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.Outturn;
import ebbtide.track.PastErrors;
import java.io.StringWriter;
import java.io.Writer;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What the command line shows of a plan, each as CSV; the words for {@code --show}, in the order in which they are
 * named.
 */
enum Shown {
    /** Cash by line, period and part. */
    FORECAST {
        @Override
        void write(Forecast forecast, Periods by, Writer out) {
            ForecastCsv.writeLong(forecast, forecast.periods(by, forecast.firstDay(), forecast.lastDay()), out);
        }
    },
    /** How each period is funded, from the day after the as-of date. */
    FUNDING {
        @Override
        void write(Forecast forecast, Periods by, Writer out) {
            List<Period> periods =
                    forecast.periods(by, settings(forecast).asOf().plusDays(1), forecast.lastDay());
            FundingCsv.write(
                    FundingTable.of(forecast, periods), settings(forecast).currency(), out);
        }
    },
    /** What is owed and held, month by month. */
    OWED {
        @Override
        void write(Forecast forecast, Periods by, Writer out) {
            RollForwardCsv.write(
                    RollForwards.of(forecast, settings(forecast).horizonMonths() + 1),
                    settings(forecast).currency(),
                    out);
        }
    },
    /** The income statement. */
    INCOME {
        @Override
        void write(Forecast forecast, Periods by, Writer out) {
            statement(forecast, by, Statements.Kind.INCOME, out);
        }
    },
    /** The balance sheet, its opening first. */
    BALANCE {
        @Override
        void write(Forecast forecast, Periods by, Writer out) {
            statement(forecast, by, Statements.Kind.BALANCE, out);
        }
    },
    /** The cash flow statement, indirect. */
    CASHFLOW {
        @Override
        void write(Forecast forecast, Periods by, Writer out) {
            statement(forecast, by, Statements.Kind.CASH_INDIRECT, out);
        }
    },
    /** What the statements say in ratios. */
    RATIOS {
        @Override
        void write(Forecast forecast, Periods by, Writer out) {
            Statements statements = Statements.of(forecast);
            List<Period> periods = statements.periods(by);
            RatioCsv.write(
                    Ratios.of(statements, periods), periods, settings(forecast).currency(), out);
        }
    },
    /** What each discount for paying early is worth. */
    DISCOUNTS {
        @Override
        void write(Forecast forecast, Periods by, Writer out) {
            Map<String, String> verdicts = new LinkedHashMap<>();
            forecast.plan().lines().stream()
                    .filter(line -> line.findStream()
                            .filter(stream -> stream.terms().offersEarly())
                            .isPresent())
                    .forEach(line -> verdicts.put(
                            line.name(),
                            EarlyPaymentEffect.of(forecast.plan(), forecast.books(), line)
                                    .verdict()));
            DiscountCsv.write(verdicts, out);
        }
    },
    /** Where closing cash is likely to lie by week, by doubts and habits: a plan file keeps no record of forecasts. */
    LIKELY {
        @Override
        void write(Forecast forecast, Periods by, Writer out) {
            Outturn none = new Outturn(forecast.plan(), forecast.books(), List.of(), List.of());
            Picture picture = Picture.of(forecast, new PastErrors(none, 0), Simulation.USUAL_WEEKS);
            SimulationCsv.write(
                    Simulation.of(forecast, picture, Simulation.USUAL_RUNS, Simulation.USUAL_SEED),
                    settings(forecast).currency(),
                    out);
        }
    };

    abstract void write(Forecast forecast, Periods by, Writer out);

    /** Returns the CSV of a forecast by periods of a length. */
    String csv(Forecast forecast, Periods by) {
        StringWriter text = new StringWriter();
        write(forecast, by, text);
        return text.toString();
    }

    String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Returns what a word shows; refuses any other with the words there are. */
    static Shown of(String word) {
        List<String> words = Arrays.stream(values()).map(Shown::word).toList();
        int last = words.size() - 1;
        return Arrays.stream(values())
                .filter(show -> show.word().equals(word))
                .findFirst()
                .orElseThrow(
                        () -> new IllegalArgumentException("Say --show " + String.join(", ", words.subList(0, last))
                                + " or " + words.get(last) + ", but was '" + word + "'."));
    }

    private static Settings settings(Forecast forecast) {
        return forecast.plan().settings();
    }

    private static void statement(Forecast forecast, Periods by, Statements.Kind kind, Writer out) {
        Statements statements = Statements.of(forecast);
        StatementCsv.write(
                statements.table(kind, statements.periods(by), false),
                settings(forecast).currency(),
                out);
    }
}
