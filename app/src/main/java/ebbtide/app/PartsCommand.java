package ebbtide.app;

import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.util.Set;
import java.util.TreeSet;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Prints what the program is made of, as the build wrote it down (CycloneDX): each part with version and licence. */
final class PartsCommand {
    private static final String[] BILLS = {"/META-INF/sbom/application.cdx.json", "/META-INF/sbom/web.cdx.json"};

    private PartsCommand() {}

    /** Prints a row for each part; returns 0, else 1 where the build did not write them down. */
    static int run(PrintStream out) {
        Set<String> rows = new TreeSet<>();
        for (String bill : BILLS) {
            try (InputStream in = PartsCommand.class.getResourceAsStream(bill)) {
                if (in == null) {
                    System.err.println("This build has no list of its parts: build it by ./ebbtide.");
                    return 1;
                }
                for (JsonNode part : JsonMapper.shared().readTree(in).path("components")) {
                    if (!part.path("group").asString("").equals("ebbtide")) {
                        rows.add(row(part));
                    }
                }
            } catch (IOException e) {
                System.err.println("The list of parts cannot be read: " + e.getMessage());
                return 1;
            }
        }
        rows.forEach(out::println);
        return 0;
    }

    private static String row(JsonNode part) {
        Set<String> licences = new TreeSet<>();
        for (JsonNode one : part.path("licenses")) {
            JsonNode licence = one.path("license");
            licences.add(
                    one.has("expression")
                            ? one.path("expression").asString()
                            : licence.has("id")
                                    ? licence.path("id").asString()
                                    : licence.path("name").asString());
        }
        String group = part.path("group").asString("");
        return (group.isEmpty() ? "" : group + "/") + part.path("name").asString() + " "
                + part.path("version").asString() + "  "
                + (licences.isEmpty() ? "licence not said" : String.join(", ", licences));
    }
}
