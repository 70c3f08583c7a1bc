package ebbtide.forecast;

import ebbtide.books.Account;
import ebbtide.books.ActualLedger;
import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.money.Percent;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/**
 * Books made at random for the lines of a plan made at random: accounts, movements assigned and not, items of every
 * kind.
 */
final class RandomBooks {
    private static final List<String> COUNTRIES = List.of("GB", "US", "DE", "--");

    private final Random random;
    private final LocalDate asOf;
    private final List<Line> lines;

    RandomBooks(Random random, LocalDate asOf, List<Line> lines) {
        this.random = random;
        this.asOf = asOf;
        this.lines = lines;
    }

    Books make() {
        List<Account> accounts = List.of(account("a0", false), account("a1", false), account("a2", true));
        Map<String, List<DayAmount>> byLine = new HashMap<>();
        List<DayAmount> all = new ArrayList<>();
        for (Line line : lines) {
            if (!line.isGroup()) {
                List<DayAmount> movements = movements(line.direction().sign());
                byLine.put(line.id(), movements);
                all.addAll(movements);
            }
        }
        List<DayAmount> in = movements(1);
        List<DayAmount> out = movements(-1);
        DayAmount there = new DayAmount(asOf.minusDays(3), -5_000);
        DayAmount back = new DayAmount(asOf.plusDays(random.nextInt(2)), 5_000);
        all.addAll(in);
        all.addAll(out);
        all.add(there);
        return new Books(
                        accounts,
                        byLine,
                        in,
                        out,
                        List.of(there, back),
                        Map.of("a0", all, "a1", List.of(back), "a2", movements(1)),
                        settling(byLine),
                        OpenItems.NONE,
                        ActualLedger.NONE)
                .with(withSettled(openItems()));
    }

    /** Half of the lines' first movements settle items. */
    private Map<String, List<DayAmount>> settling(Map<String, List<DayAmount>> byLine) {
        Map<String, List<DayAmount>> settling = new HashMap<>();
        byLine.forEach((line, movements) -> {
            if (!movements.isEmpty() && random.nextBoolean()) {
                settling.put(line, List.of(movements.get(0)));
            }
        });
        return settling;
    }

    /** Some of the items are settled, wholly or in part, some not though the ledger has them as paid. */
    private OpenItems withSettled(List<OpenItem> items) {
        Map<String, Long> settled = new HashMap<>();
        items.stream()
                .filter(item -> random.nextInt(3) == 0)
                .forEach(item -> settled.put(
                        item.id(), (item.amount().gross() - item.amount().open()) / (1 + random.nextInt(2))));
        return OpenItems.of(items).settled(settled);
    }

    /**
     * Items of every kind on every kind of line, issued around the as-of date, some paid, some held, some said to come
     * on a day.
     */
    private List<OpenItem> openItems() {
        List<OpenItem> items = new ArrayList<>();
        for (Line line : lines) {
            for (int i = line.isGroup() ? 0 : random.nextInt(7); i > 0; i--) {
                LocalDate issued = asOf.plusDays(random.nextInt(90) - 80L);
                OpenItem.Kind kind = pick(List.of(OpenItem.Kind.values()));
                long gross = amount() / 4;
                boolean paid = kind == OpenItem.Kind.INVOICE && random.nextInt(3) == 0;
                OpenItem.Amount amount = new OpenItem.Amount(
                        gross, gross / 6, false, paid ? 0 : random.nextBoolean() ? gross : gross / 3);
                items.add(new OpenItem(
                        "i" + items.size(),
                        kind,
                        "N" + items.size(),
                        "Party " + random.nextInt(4),
                        line.id(),
                        issued,
                        issued.plusDays(random.nextInt(30) - 5L),
                        issued.plusDays(random.nextInt(60)),
                        amount,
                        paid ? asOf.minusDays(random.nextInt(40)) : null,
                        new Handling(
                                random.nextInt(4) > 0 ? null : asOf.plusDays(random.nextInt(40) - 5L),
                                null,
                                random.nextInt(6) > 0 ? Handling.Standing.NORMAL : Handling.Standing.HELD,
                                ""),
                        random.nextInt(4) > 0
                                ? null
                                : new OpenItem.EarlyDiscount(issued.plusDays(20), new Percent(20_000))));
            }
        }
        return items;
    }

    private Account account(String id, boolean restricted) {
        return new Account(
                id,
                "Account " + id,
                pick(COUNTRIES),
                restricted,
                asOf.minusDays(random.nextInt(60)),
                amount() - 5_000_000L);
    }

    private List<DayAmount> movements(int sign) {
        List<DayAmount> movements = new ArrayList<>();
        for (int i = random.nextInt(6); i > 0; i--) {
            movements.add(new DayAmount(asOf.minusDays(random.nextInt(100) - 6L), amount() * sign));
        }
        return movements;
    }

    private long amount() {
        return random.nextInt(6) == 0 ? random.nextInt(100) : random.nextInt(40_000_000);
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }
}
