package ebbtide.bench;

import ebbtide.books.Account;
import ebbtide.books.OpenItem;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Terms;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * The large plan as a file: 500 lines of every kind, funded, over 72 months, and on its lines on books so many items,
 * half of them open, of three counterparties a hundred of those. Arguments: the file, the number of items.
 */
public final class LargePlan {
    private static final int ON_BOOKS = 5;

    private LargePlan() {}

    public static void main(String[] args) throws IOException {
        try (OutputStream file = Files.newOutputStream(Path.of(args[0]))) {
            PlanWriter.write(document(Integer.parseInt(args[1])), file);
        }
    }

    /** Returns the plan with so many items. */
    static PlanDocument document(int items) {
        Plan large = ForecastBench.funded(ForecastBench.large(true));
        List<Line> lines = new ArrayList<>();
        List<String> onBooks = new ArrayList<>();
        for (Line line : large.lines()) {
            boolean books = lines.size() % ON_BOOKS == 0
                    && line.findStream()
                            .filter(stream -> stream.terms().by() != Terms.By.TARGET)
                            .isPresent();
            if (books) {
                onBooks.add(line.id());
            }
            lines.add(books ? line.with(((Assumption.Stream) line.assumption()).on(Basis.BOOKS)) : line);
        }
        LocalDate asOf = large.settings().asOf();
        return new PlanDocument(
                new Plan(large.settings(), lines, List.of()),
                List.of(new Account("a", "A", "GB", false, asOf, 100_000_000L)),
                List.of(),
                List.of(),
                items(items, onBooks, asOf, 100_000, new Random(3)));
    }

    /** Returns so many items on some lines, each of at most an amount in minor units; every second one is paid. */
    static List<OpenItem> items(int count, List<String> lines, LocalDate asOf, int most, Random random) {
        List<OpenItem> made = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            boolean open = i % 2 == 0;
            LocalDate due = open ? asOf.plusDays(random.nextInt(90) - 45L) : asOf.minusDays(random.nextInt(400) + 40L);
            long gross = 1L + random.nextInt(most);
            made.add(new OpenItem(
                    "i" + i,
                    OpenItem.Kind.INVOICE,
                    "SI-" + (100_000 + i),
                    "Party " + random.nextInt(Math.max(1, count * 3 / 100)),
                    lines.get(random.nextInt(lines.size())),
                    due.minusDays(30),
                    due.minusDays(30),
                    due,
                    new OpenItem.Amount(gross, 0, false, open ? gross : 0),
                    open ? null : due.plusDays(random.nextInt(30)),
                    Handling.NONE,
                    null));
        }
        return made;
    }
}
