package ebbtide.app.access;

import ebbtide.app.CommandLine;
import ebbtide.money.Refused;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/**
 * The log of a running program: a file beside the data, a new one each day and each 10 MB, kept for 30 days and 200 MB
 * at most. No exception is written with its message, which may hold amounts and names.
 */
final class LogFile {
    /** Says how much is written: error, warn, info (each start, end and failure) or debug (each request too). */
    static final String LEVEL = "--log";

    private static final Set<String> LEVELS = Set.of("error", "warn", "info", "debug");

    private LogFile() {}

    /**
     * Returns the settings of the log; without a folder of its own, as in the demo, it goes to the console alone.
     *
     * @throws Refused for a level that there is not
     */
    static Map<String, Object> settings(CommandLine line, Path data, boolean demo) {
        String level = line.options().getOrDefault(LEVEL, "info");
        if (!LEVELS.contains(level)) {
            throw new Refused("--log takes error, warn, info or debug, but was '" + level + "'");
        }
        Map<String, Object> settings = new LinkedHashMap<>();
        settings.put("logging.exception-conversion-word", "%nopex");
        if (!demo) {
            settings.put(
                    "logging.file.name",
                    data.resolve("log").resolve("ebbtide.log").toString());
            settings.put("logging.level.ebbtide", level);
            settings.put("logging.threshold.console", "warn");
            settings.put("logging.logback.rollingpolicy.file-name-pattern", "${LOG_FILE}.%d{yyyy-MM-dd}.%i.gz");
            settings.put("logging.logback.rollingpolicy.max-file-size", "10MB");
            settings.put("logging.logback.rollingpolicy.max-history", "30");
            settings.put("logging.logback.rollingpolicy.total-size-cap", "200MB");
        }
        return settings;
    }
}
