package ebbtide.app;

import ebbtide.answers.ChecklistItem;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.plan.BrokenPlan;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanReader;
import ebbtide.money.Refused;
import ebbtide.time.Periods;
import ebbtide.whatif.Breakwater;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.ScenarioPlan;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The command that computes a plan file without a server or a database. What is asked for stands on standard output as
 * CSV and nothing beside it; the checklist and every refusal on standard error.
 */
final class ForecastCommand {
    private static final int USAGE = 64;
    private static final int BROKEN = 2;
    private static final int INCOMPLETE = 1;

    private static final Set<String> OF_ALL = Set.of("--by", "--out", "--show", "--scenario");
    private static final Set<String> OF_LIKELY = Set.of("--record", "--runs", "--weeks", "--seed");

    /** What is to be printed: what is shown, by which periods, in which runs, how far. */
    private record Asked(Shown show, Periods by, RunsAsked runs, FarAsked far) {}

    private ForecastCommand() {}

    /**
     * Returns 0, or 2 for a plan that is broken, or 64 for a command that is; nothing is printed by halves. With
     * {@code --check} it is 1 where the checklist is not empty.
     */
    static int run(String[] args, PrintStream out, PrintStream err) {
        try {
            CommandLine line = CommandLine.of(
                    args,
                    Stream.of(OF_ALL, OF_LIKELY, FarAsked.OPTIONS)
                            .flatMap(Set::stream)
                            .collect(Collectors.toSet()),
                    Set.of("--check"));
            if (line.words().size() != 1) {
                throw new Refused(
                        "Say one plan file: ./ebbtide forecast PLAN.json [--by week] [--show forecast] [--scenario NAME] [--record FOLDER] [--runs N] [--weeks N] [--seed N] [--of NAME] [--from DAY] [--to DAY] [--measure least-headroom] [--on DAY] [--least AMOUNT] [--check] [--out FILE].");
            }
            Asked asked = new Asked(
                    Shown.of(line.options().getOrDefault("--show", "forecast")),
                    periods(line.options().getOrDefault("--by", "month")),
                    RunsAsked.of(line.options()),
                    FarAsked.of(line.options()));
            requireOf(asked, Shown.LIKELY, OF_LIKELY, " is about how likely other futures are", line);
            requireOf(asked, Shown.BREAKEVEN, FarAsked.OPTIONS, " is about how far something can go", line);
            return run(Path.of(line.words().get(0)), asked, line, out, err);
        } catch (Refused e) {
            err.println(e.getMessage());
            return USAGE;
        }
    }

    private static void requireOf(Asked asked, Shown show, Set<String> its, String about, CommandLine line) {
        line.options().keySet().stream()
                .filter(its::contains)
                .filter(option -> asked.show() != show)
                .sorted()
                .findFirst()
                .ifPresent(option -> {
                    throw new Refused(option + about + ": give it with --show " + show.word() + ".");
                });
    }

    private static Periods periods(String word) {
        return Arrays.stream(Periods.values())
                .filter(p -> p.name().toLowerCase(Locale.ROOT).equals(word))
                .findFirst()
                .orElseThrow(() -> new Refused("Say --by day, week, month, quarter or year, but was '" + word + "'."));
    }

    private static int run(Path file, Asked asked, CommandLine line, PrintStream out, PrintStream err) {
        String csv;
        List<ChecklistItem> checklist;
        try (InputStream in = Files.newInputStream(file)) {
            PlanDocument document = PlanReader.read(in);
            Forecast forecast = forecast(document, line.options().get("--scenario"), err);
            csv = asked.show()
                    .csv(
                            new Shown.Computed(
                                    forecast,
                                    document.actual(),
                                    EarlierPlans.record(document, line.options().get("--record")),
                                    asked.runs(),
                                    asked.far()),
                            asked.by());
            checklist = new ArrayList<>(ChecklistItem.of(forecast));
            breakwater(document).ifPresent(checklist::add);
        } catch (BrokenPlan e) {
            e.problems().forEach(problem -> err.println(file + ": " + problem.place() + ": " + problem.sentence()));
            return BROKEN;
        } catch (EarlierPlans.NoRecord e) {
            err.println(e.getMessage());
            return BROKEN;
        } catch (Refused e) {
            err.println(file + ": " + e.getMessage() + ".");
            return BROKEN;
        } catch (NoSuchFileException e) {
            err.println("There is no file '" + file + "'.");
            return BROKEN;
        } catch (IOException e) {
            err.println("The file '" + file + "' cannot be read: " + e.getMessage() + ".");
            return BROKEN;
        }
        int written = write(csv, line.options().get("--out"), out, err);
        checklist.forEach(missing -> err.println("Checklist: " + missing.sentence() + "."));
        return written == 0 && line.switches().contains("--check") && !checklist.isEmpty() ? INCOMPLETE : written;
    }

    /** What of a scenario finds nothing is said, and the figures are those of the rest (rules 11.4). */
    private static Forecast forecast(PlanDocument document, @Nullable String name, PrintStream err) {
        Forecast base = Forecaster.forecast(document.plan(), document.books());
        if (name == null) {
            return base;
        }
        Scenario scenario = document.scenarios()
                .findNamed(name)
                .orElseThrow(() -> new Refused("the plan has no scenario '" + name + "'; it has "
                        + (document.scenarios().all().isEmpty()
                                ? "none"
                                : document.scenarios().all().stream()
                                        .map(one -> "'" + one.name() + "'")
                                        .collect(Collectors.joining(", ")))));
        ScenarioPlan made = ScenarioPlan.of(base, document.scenarios(), scenario);
        made.changes().forEach(done -> done.findsNothing()
                .ifPresent(sentence -> err.println(
                        "Finds nothing: a change of '" + done.scenario().name() + "' is left out: " + sentence + ".")));
        return Forecaster.forecast(made.plan(), document.books(), base);
    }

    /** What the checklist says where the scenario that funding must survive does not hold (rules 11.9). */
    private static Optional<ChecklistItem> breakwater(PlanDocument document) {
        Forecast base = Forecaster.forecast(document.plan(), document.books());
        return document.scenarios().breakwater().flatMap(one -> {
            ScenarioPlan made = ScenarioPlan.of(base, document.scenarios(), one);
            return Breakwater.of(one, Forecaster.forecast(made.plan(), document.books(), base))
                    .missing(document.plan().settings().currency());
        });
    }

    private static int write(String csv, @Nullable String outFile, PrintStream out, PrintStream err) {
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
