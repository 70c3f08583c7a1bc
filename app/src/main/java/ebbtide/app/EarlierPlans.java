package ebbtide.app;

import ebbtide.books.Payment;
import ebbtide.chance.Trial;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.plan.BrokenPlan;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanReader;
import ebbtide.plan.Plan;
import ebbtide.track.Outturn;
import ebbtide.track.PastErrors;
import ebbtide.track.Snapshot;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Earlier plan files of the same plan, each as it stood on its day: what they forecast then is held against what has
 * come since, as kept snapshots are (rules 11.8).
 */
final class EarlierPlans {
    private EarlierPlans() {}

    /** Why a folder is no record: a sentence that names the folder or its file, and how to mend it. */
    static final class NoRecord extends RuntimeException {
        private static final long serialVersionUID = 1;

        NoRecord(String sentence) {
            super(sentence);
        }
    }

    /**
     * Returns the record of the plan files in a folder, an empty one without a folder.
     *
     * @throws NoRecord where the folder has no plan file, or one that is broken, of another plan or not of an earlier
     *     day
     */
    static PastErrors record(PlanDocument document, @Nullable String folder) throws IOException {
        PastErrors record = new PastErrors(
                new Outturn(
                        document.plan(),
                        document.books(),
                        Payment.of(document.accounts(), document.movements()),
                        List.of()),
                Trial.ORIGINS);
        if (folder != null) {
            for (Path file : files(Path.of(folder))) {
                record.add(forecastThen(file, document.plan()));
            }
        }
        return record;
    }

    private static List<Path> files(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            throw new NoRecord("There is no folder '" + folder + "': give --record one with earlier plan files.");
        }
        try (Stream<Path> all = Files.list(folder)) {
            List<Path> files = all.filter(file -> file.getFileName().toString().endsWith(".json"))
                    .sorted()
                    .toList();
            if (files.isEmpty()) {
                throw new NoRecord("The folder '" + folder
                        + "' has no plan file (*.json): put earlier files of the plan there, each as of its own day.");
            }
            return files;
        }
    }

    private static Snapshot forecastThen(Path file, Plan plan) {
        LocalDate asOf = plan.settings().asOf();
        try (InputStream in = Files.newInputStream(file)) {
            PlanDocument then = PlanReader.read(in);
            LocalDate day = then.plan().settings().asOf();
            if (!day.isBefore(asOf)) {
                throw new NoRecord(file + ": its as-of date " + day + " is not before the plan's, " + asOf
                        + ": only earlier forecasts are a record of it.");
            }
            if (then.plan().lines().stream()
                    .noneMatch(line -> plan.findLine(line.id()).isPresent())) {
                throw new NoRecord(
                        file + ": it has none of the plan's lines, so it is a file of another plan: take it out of"
                                + " the folder of --record.");
            }
            return Snapshot.of(Forecaster.forecast(then.plan(), then.books()), line -> "");
        } catch (BrokenPlan e) {
            throw new NoRecord(file + ": " + e.problems().get(0).place() + ": "
                    + e.problems().get(0).sentence());
        } catch (IOException e) {
            throw new NoRecord("The file '" + file + "' cannot be read: " + e.getMessage() + ".");
        }
    }
}
