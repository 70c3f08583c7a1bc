package ebbtide.app;

import ebbtide.answers.AssetSchedule;
import ebbtide.answers.EarlyPaymentEffect;
import ebbtide.books.ActualLedger;
import ebbtide.chance.Picture;
import ebbtide.chance.Simulation;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.FundingTable;
import ebbtide.forecast.RollForwards;
import ebbtide.formats.csv.AssetCsv;
import ebbtide.formats.csv.BreakEvenCsv;
import ebbtide.formats.csv.DiscountCsv;
import ebbtide.formats.csv.ForecastCsv;
import ebbtide.formats.csv.FundingCsv;
import ebbtide.formats.csv.RatioCsv;
import ebbtide.formats.csv.RollForwardCsv;
import ebbtide.formats.csv.SimulationCsv;
import ebbtide.formats.csv.StatementCsv;
import ebbtide.formats.csv.YearsCsv;
import ebbtide.money.Refused;
import ebbtide.plan.Settings;
import ebbtide.statements.Ratios;
import ebbtide.statements.Statements;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.PastErrors;
import ebbtide.years.Years;
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
        void write(Computed of, Periods by, Writer out) {
            ForecastCsv.writeLong(
                    of.forecast(),
                    of.forecast()
                            .periods(by, of.forecast().firstDay(), of.forecast().lastDay()),
                    out);
        }
    },
    /** How each period is funded, from the day after the as-of date. */
    FUNDING {
        @Override
        void write(Computed of, Periods by, Writer out) {
            List<Period> periods = of.forecast()
                    .periods(by, settings(of).asOf().plusDays(1), of.forecast().lastDay());
            FundingCsv.write(
                    FundingTable.of(of.forecast(), periods), settings(of).currency(), out);
        }
    },
    /** What is owed and held, month by month. */
    OWED {
        @Override
        void write(Computed of, Periods by, Writer out) {
            RollForwardCsv.write(
                    RollForwards.of(of.forecast(), settings(of).horizonMonths() + 1),
                    settings(of).currency(),
                    out);
        }
    },
    /** What each fixed asset cost, what is used up of it and what is left, by fiscal year. */
    ASSETS {
        @Override
        void write(Computed of, Periods by, Writer out) {
            AssetCsv.write(AssetSchedule.of(of.forecast()), settings(of).currency(), out);
        }
    },
    /** The income statement. */
    INCOME {
        @Override
        void write(Computed of, Periods by, Writer out) {
            statement(of, by, Statements.Kind.INCOME, out);
        }
    },
    /** The balance sheet, its opening first. */
    BALANCE {
        @Override
        void write(Computed of, Periods by, Writer out) {
            statement(of, by, Statements.Kind.BALANCE, out);
        }
    },
    /** The cash flow statement, indirect. */
    CASHFLOW {
        @Override
        void write(Computed of, Periods by, Writer out) {
            statement(of, by, Statements.Kind.CASH_INDIRECT, out);
        }
    },
    /** What the statements say in ratios. */
    RATIOS {
        @Override
        void write(Computed of, Periods by, Writer out) {
            Statements statements = Statements.of(of.forecast());
            List<Period> periods = statements.months().all(by);
            RatioCsv.write(Ratios.of(statements, periods), periods, settings(of).currency(), out);
        }
    },
    /** The years after the months, or from a last year of their own. */
    YEARS {
        @Override
        void write(Computed of, Periods by, Writer out) {
            YearsCsv.write(
                    Years.of(of.forecast())
                            .orElseThrow(
                                    () -> new Refused("The plan has no years: begin them under Statements, Years")),
                    settings(of).currency(),
                    out);
        }
    },
    /** What each discount for paying early is worth. */
    DISCOUNTS {
        @Override
        void write(Computed of, Periods by, Writer out) {
            Map<String, String> verdicts = new LinkedHashMap<>();
            of.forecast().plan().lines().stream()
                    .filter(line -> line.findStream()
                            .filter(stream -> stream.terms().offersEarly())
                            .isPresent())
                    .forEach(line -> verdicts.put(
                            line.name(),
                            EarlyPaymentEffect.of(
                                            of.forecast().plan(), of.forecast().books(), line)
                                    .verdict()));
            DiscountCsv.write(verdicts, out);
        }
    },
    /** Where closing cash is likely to lie by week, by habits and the record, by doubts where that is too short. */
    LIKELY {
        @Override
        void write(Computed of, Periods by, Writer out) {
            Picture picture = Picture.of(of.forecast(), of.record(), of.runs().weeks());
            SimulationCsv.write(
                    Simulation.of(
                            of.forecast(), picture, of.runs().runs(), of.runs().seed()),
                    settings(of).currency(),
                    out);
        }
    },
    /** How far a line or an assumption can go until a measure is too little. */
    BREAKEVEN {
        @Override
        void write(Computed of, Periods by, Writer out) {
            BreakEvenCsv.write(of.far().answer(of.forecast()), settings(of).currency(), out);
        }
    };

    /** What was computed, a forecast and the record of those before it, and the runs and how far asked for. */
    record Computed(Forecast forecast, ActualLedger actual, PastErrors record, RunsAsked runs, FarAsked far) {}

    abstract void write(Computed of, Periods by, Writer out);

    /** Returns the CSV of what was computed by periods of a length. */
    String csv(Computed of, Periods by) {
        StringWriter text = new StringWriter();
        write(of, by, text);
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
                .orElseThrow(() -> new Refused("Say --show " + String.join(", ", words.subList(0, last)) + " or "
                        + words.get(last) + ", but was '" + word + "'."));
    }

    private static Settings settings(Computed of) {
        return of.forecast().plan().settings();
    }

    private static void statement(Computed of, Periods by, Statements.Kind kind, Writer out) {
        Statements statements = Statements.of(of.forecast(), of.actual());
        StatementCsv.write(
                statements.table(kind, statements.periods(kind, by, null, null, false), false), settings(of), out);
    }
}
