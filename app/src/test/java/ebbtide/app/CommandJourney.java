package ebbtide.app;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.file.Path;
import org.junit.jupiter.api.io.TempDir;

/** What is asked of the command that computes plan files: in a folder of its own, with all that it says at hand. */
abstract class CommandJourney {
    @TempDir
    protected Path folder;

    protected final ByteArrayOutputStream out = new ByteArrayOutputStream();
    protected final ByteArrayOutputStream err = new ByteArrayOutputStream();

    protected int run(String... args) {
        out.reset();
        err.reset();
        return ForecastCommand.run(args, new PrintStream(out, true), new PrintStream(err, true));
    }
}
