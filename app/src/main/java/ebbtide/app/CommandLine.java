package ebbtide.app;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The words of a command: options with a value each, and what stands alone. */
public record CommandLine(Map<String, String> options, List<String> words) {
  /** Returns the parts of arguments; refuses options that are not known or lack their value. */
  public static CommandLine of(String[] args, Set<String> known) {
    Map<String, String> options = new HashMap<>();
    List<String> words = new ArrayList<>();
    for (int i = 0; i < args.length; i++) {
      if (!args[i].startsWith("--")) {
        words.add(args[i]);
      } else if (!known.contains(args[i])) {
        throw new IllegalArgumentException("The option " + args[i] + " is not known here; known are "
            + String.join(", ", known.stream().sorted().toList()) + ".");
      } else if (i + 1 == args.length) {
        throw new IllegalArgumentException("The option " + args[i] + " needs a value after it.");
      } else {
        options.put(args[i], args[++i]);
      }
    }
    return new CommandLine(options, words);
  }
}
