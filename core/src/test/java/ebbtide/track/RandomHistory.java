package ebbtide.track;

import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.books.Payment;
import ebbtide.money.Money;
import ebbtide.plan.Assumption;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.time.Convention;
import ebbtide.time.DaySeries;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.LongStream;

/**
 * A forecast and what happened after it, made at random from a seed: items paid early, late, in part, never, and others
 * nobody knew.
 */
final class RandomHistory {
    static final LocalDate THEN = LocalDate.of(2026, 1, 4);
    private static final int HORIZON = 200;
    private final Random random;
    private final LocalDate now;
    private final List<Line> lines = new ArrayList<>();
    private final List<Snapshot.KeptLine> kept = new ArrayList<>();
    private final Map<String, KeptFlows> flows = new LinkedHashMap<>();
    private final List<Snapshot.KeptItem> keptItems = new ArrayList<>();
    private final List<OpenItem> items = new ArrayList<>();
    private final List<BankMovement> movements = new ArrayList<>();

    private RandomHistory(long seed) {
        this.random = new Random(seed);
        this.now = THEN.plusDays(8 + random.nextInt(70));
    }

    /** The forecast and the facts of a seed. */
    record Case(Snapshot snapshot, Outturn facts) {
        List<Period> windows(Periods by) {
            Period all = Variance.findComparable(snapshot, facts.asOf()).orElseThrow();
            Settings settings = facts.plan().settings();
            return by.cover(
                    all.startInclusive(), all.lastDay(), settings.firstDayOfWeek(), settings.firstFiscalMonth(), THEN);
        }

        Case with(List<Decision> decisions) {
            List<Payment> payments = new ArrayList<>();
            facts.plan().lines().forEach(line -> payments.addAll(facts.settling(line.id(), THEN, facts.asOf())));
            return new Case(snapshot, new Outturn(facts.plan(), facts.books(), payments, decisions));
        }
    }

    static Case of(long seed) {
        return new RandomHistory(seed).make();
    }

    private Case make() {
        Line group = new Line("g", null, "Group", Direction.PAYMENT, true, null, "", new Assumption.Group(), List.of());
        lines.add(group);
        for (int i = 0; i < 4; i++) {
            line(new Line(
                    "l" + i,
                    i == 2 ? "g" : null,
                    "Line " + i,
                    i % 2 == 0 ? Direction.PAYMENT : Direction.RECEIPT,
                    true,
                    null,
                    "",
                    DatedItems.untaxed(List.of(), Convention.NONE),
                    List.of()));
        }
        if (random.nextBoolean()) {
            lines.removeIf(line -> line.id().equals("l3"));
        }
        movement(day(), amount(), List.of());
        List<Account> accounts = List.of(new Account("a", "A", "GB", false, THEN, 1_000_000));
        Snapshot snapshot = new Snapshot(THEN, THEN.plusDays(HORIZON), 1_000_000, kept, flows, keptItems);
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), now), lines, List.of());
        Books books = Books.of(accounts, movements).with(OpenItems.of(items).settled(BankMovement.settled(movements)));
        return new Case(snapshot, new Outturn(plan, books, Payment.of(accounts, movements), List.of()));
    }

    private void line(Line line) {
        lines.add(line);
        int sign = line.direction().sign();
        kept.add(new Snapshot.KeptLine(
                line.id(), line.name(), line.group() == null ? "" : "Group", line.direction(), ""));
        long[] committed = new long[HORIZON];
        long[] estimated = LongStream.generate(() -> random.nextInt(9) == 0 ? sign * amount() : 0)
                .limit(random.nextInt(3) == 0 ? 0 : HORIZON)
                .toArray();
        for (int i = random.nextInt(6); i > 0; i--) {
            knownItem(line, committed);
        }
        for (int i = random.nextInt(4); i > 0; i--) {
            String id = line.id() + " unknown " + i;
            items.add(item(id, line, 1_000_000, 0, true));
            movement(day(), sign * amount(), List.of(id, line.id()));
        }
        for (int i = random.nextInt(6); i > 0; i--) {
            movement(day(), (random.nextInt(5) == 0 ? -sign : sign) * amount(), List.of("", line.id()));
        }
        flows.put(line.id(), new KeptFlows(DaySeries.of(committed), DaySeries.of(estimated)));
    }

    private void knownItem(Line line, long[] committed) {
        String id = line.id() + " item " + keptItems.size();
        int sign = line.direction().sign();
        long open = amount();
        boolean leftOut = random.nextInt(6) == 0;
        boolean order = random.nextInt(6) == 0;
        LocalDate day = leftOut ? null : THEN.plusDays(1 + random.nextInt(90));
        long minor = leftOut ? 0 : sign * (open - open / 50);
        keptItems.add(new Snapshot.KeptItem(id, line.id(), id, "Party", order, THEN, day, minor, open));
        if (!leftOut) {
            committed[(int) (day.toEpochDay() - THEN.toEpochDay()) - 1] += minor;
        }
        long paid =
                random.nextInt(3) == 0 ? 0 : random.nextInt(3) == 0 ? open / 3 : open - open / 100 * random.nextInt(3);
        if (paid > 0) {
            movement(day(), sign * (paid / 2 + 1), List.of(id, line.id()));
            movement(day(), sign * (paid - paid / 2 - 1), List.of(id, line.id()));
        }
        int fate = random.nextInt(5);
        if (fate > 0) {
            items.add(item(
                    id, random.nextInt(9) == 0 ? lines.get(1) : line, open, fate == 1 ? open - paid : 0, fate > 2));
        }
    }

    private static OpenItem item(String id, Line line, long gross, long open, boolean paid) {
        return new OpenItem(
                id,
                OpenItem.Kind.INVOICE,
                id,
                "Party",
                line.id(),
                THEN,
                THEN,
                THEN,
                new OpenItem.Amount(gross, 0, false, open),
                paid && open == 0 ? THEN.plusDays(1) : null,
                Handling.NONE,
                null);
    }

    /** A movement assigned to {item or nothing, line}, or to nothing. */
    private void movement(LocalDate day, long minor, List<String> to) {
        if (minor != 0) {
            movements.add(new BankMovement(
                    "a",
                    day,
                    day,
                    minor,
                    "",
                    "",
                    "",
                    to.isEmpty()
                            ? List.of()
                            : List.of(
                                    new AssignedPart(to.get(1), minor, to.get(0).isEmpty() ? null : to.get(0), 0))));
        }
    }

    private LocalDate day() {
        return THEN.plusDays(1 + random.nextInt((int) (now.toEpochDay() - THEN.toEpochDay())));
    }

    private long amount() {
        return 1_000 + random.nextInt(900_000);
    }
}
