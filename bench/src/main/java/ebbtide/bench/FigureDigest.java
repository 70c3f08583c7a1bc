package ebbtide.bench;

import ebbtide.Figures;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanReader;
import ebbtide.sim.DemoCompany;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * A digest of every figure and sentence that a build works out, plan by plan: two builds that print the same lines give
 * the same figures. Names of types are left out, so that renaming changes nothing. {@code FigureDigest PLANS FOLDER...}
 * prints a line for the demo, for each plan file of the folders and for so many random plans; {@code FigureDigest show
 * SEED|FILE} prints all that a plan's digest is made of.
 */
public final class FigureDigest {
    private FigureDigest() {}

    /** Prints the digests, or the text of one. */
    public static void main(String[] args) throws IOException {
        if (args[0].equals("show")) {
            System.out.println(
                    args[1].endsWith(".json") ? text(document(Path.of(args[1]))) : text(Long.parseLong(args[1])));
            return;
        }
        line("demo", text(DemoCompany.document()));
        for (String folder : List.of(args).subList(1, args.length)) {
            try (Stream<Path> files = Files.list(Path.of(folder))) {
                for (Path file : files.filter(one -> one.toString().endsWith(".json"))
                        .sorted()
                        .toList()) {
                    line(file.getFileName().toString(), text(document(file)));
                }
            }
        }
        int plans = Integer.parseInt(args[0]);
        String[] texts = new String[plans];
        IntStream.range(0, plans).parallel().forEach(seed -> texts[seed] = hash(text((long) seed)));
        IntStream.range(0, plans).forEach(seed -> System.out.println("plan " + seed + " " + texts[seed]));
    }

    private static void line(String name, String text) {
        System.out.println(name + " " + hash(text));
    }

    private static PlanDocument document(Path file) throws IOException {
        return PlanReader.read(Files.newInputStream(file));
    }

    private static String text(PlanDocument document) {
        return Figures.of(Forecaster.forecast(document.plan(), document.books()));
    }

    private static String text(long seed) {
        RandomPlans.Case some = RandomPlans.of(seed);
        return Figures.of(Forecaster.forecast(some.plan(), some.books()));
    }

    private static String hash(String text) {
        try {
            return HexFormat.of()
                    .formatHex(
                            MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)), 0, 12);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
