package ebbtide.app;

import ebbtide.money.Refused;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/** The words of a command: options with a value each, switches without one, and what stands alone. */
public record CommandLine(Map<String, String> options, Set<String> switches, List<String> words) {
    /** Returns the parts of arguments without switches; refuses options that are not known or lack their value. */
    public static CommandLine of(String[] args, Set<String> known) {
        return of(args, known, Set.of());
    }

    /**
     * Returns the parts of arguments.
     *
     * @throws Refused for an option that is not known or lacks its value
     */
    public static CommandLine of(String[] args, Set<String> known, Set<String> knownSwitches) {
        Map<String, String> options = new HashMap<>();
        Set<String> switches = new HashSet<>();
        List<String> words = new ArrayList<>();
        for (int i = 0; i < args.length; i++) {
            if (!args[i].startsWith("--")) {
                words.add(args[i]);
            } else if (knownSwitches.contains(args[i])) {
                switches.add(args[i]);
            } else if (!known.contains(args[i])) {
                throw new Refused("The option " + args[i] + " is not known here; known are "
                        + String.join(
                                ", ",
                                Stream.concat(known.stream(), knownSwitches.stream())
                                        .sorted()
                                        .toList()) + ".");
            } else if (i + 1 == args.length) {
                throw new Refused("The option " + args[i] + " needs a value after it.");
            } else {
                options.put(args[i], args[++i]);
            }
        }
        return new CommandLine(options, switches, words);
    }
}
