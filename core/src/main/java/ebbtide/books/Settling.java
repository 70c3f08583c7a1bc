package ebbtide.books;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What items of one direction a bank movement may settle, likeliest first: those whose numbers it names, one of just
 * its amount, several of its counterparty that come to it, its counterparty's oldest. Amounts may be whole, less an
 * agreed discount, less a small bank charge, or a part. An item may be open, or the ledger has it as paid about then
 * and no movement has settled it yet.
 */
public final class Settling {
    private static final int SHORTEST_NUMBER = 3;
    private static final int MOST_TOGETHER = 5;
    private static final int MOST_LOOKED_AT = 16;
    /** A bank charge taken off is at most 1% of what is owed, and never above 100.00 in a currency of two decimals. */
    private static final long MOST_CHARGE = 10_000;
    /** A ledger may enter a payment some days before or after the bank books it. */
    private static final int DAYS_APART = 10;

    private static final Set<String> FORMS =
            Set.of("LTD", "LIMITED", "PLC", "GMBH", "INC", "LLC", "CO", "AG", "SA", "BV");
    private final Map<String, List<OpenItem>> byNumber = new HashMap<>();
    private final Map<String, List<OpenItem>> byDigits = new HashMap<>();
    private final Map<String, List<OpenItem>> byName = new HashMap<>();
    private final Map<Long, List<OpenItem>> byAmount = new HashMap<>();

    /**
     * A part of a movement that settles an item: cash in minor units, and what closes the item beyond it (a discount, a
     * charge); both unsigned.
     */
    public record Part(OpenItem item, long minor, long less) {}

    /** Items that a movement may settle, why, and what of the movement is left over. */
    public record Proposal(List<Part> parts, String because, long left) {
        public Proposal {
            parts = List.copyOf(parts);
        }
    }

    private final Map<String, Long> settled;

    /**
     * Makes the settling of items of one direction, of which only invoices, bills and commitments are settled;
     * {@code settled} says by id what movements have settled already, in minor units.
     */
    public Settling(Collection<OpenItem> items, Map<String, Long> settled) {
        this.settled = settled;
        for (OpenItem item : items) {
            if (most(item) > 0 && (item.kind() == OpenItem.Kind.INVOICE || item.kind() == OpenItem.Kind.COMMITMENT)) {
                put(byNumber, plain(item.number()), item);
                String digits = item.number().replaceAll("\\D", "");
                if (digits.length() > SHORTEST_NUMBER) {
                    put(byDigits, digits, item);
                }
                put(byName, name(item.counterparty()), item);
                put(byAmount, most(item), item);
            }
        }
        byName.values()
                .forEach(list -> list.sort(Comparator.comparing(OpenItem::due).thenComparing(OpenItem::id)));
    }

    /**
     * What a movement may settle of an item at most: what is open, or, when the ledger has it as paid, what no movement
     * has settled.
     */
    private long most(OpenItem item) {
        return item.amount().open() > 0 ? item.amount().open() : item.paidOn() == null ? 0 : entered(item);
    }

    private long entered(OpenItem item) {
        return item.entered(settled.getOrDefault(item.id(), 0L));
    }

    /** Those of some items that a movement may settle on its day. */
    private static List<OpenItem> on(BankMovement movement, List<OpenItem> items) {
        return items.stream()
                .filter(item -> item.amount().open() > 0
                        || Math.abs(ChronoUnit.DAYS.between(item.paidOn(), movement.bookingDate())) <= DAYS_APART)
                .toList();
    }

    private static <K> void put(Map<K, List<OpenItem>> into, K key, OpenItem item) {
        into.computeIfAbsent(key, any -> new ArrayList<>()).add(item);
    }

    private static String plain(String text) {
        return text.toUpperCase(Locale.ROOT).replaceAll("[^\\p{L}\\d]", "");
    }

    /** Returns a name by its words, without what says only the form of a company. */
    private static String name(String text) {
        StringBuilder name = new StringBuilder();
        for (String word : text.toUpperCase(Locale.ROOT).split("[^\\p{L}\\d]+")) {
            name.append(FORMS.contains(word) ? "" : word);
        }
        return name.toString();
    }

    /** Returns at most so many proposals for what is not assigned of a movement, the likeliest first. */
    public List<Proposal> proposals(BankMovement movement, int most) {
        long left = Math.abs(movement.unassigned());
        List<Proposal> found = new ArrayList<>();
        if (left == 0) {
            return found;
        }
        List<OpenItem> named = named(movement);
        List<OpenItem> theirs = on(movement, byName.getOrDefault(name(movement.counterparty()), List.of()));
        java.util.stream.Stream.concat(named.stream(), theirs.stream().limit(MOST_LOOKED_AT))
                .distinct()
                .filter(item -> item.amount().open() > 0 && entered(item) == left)
                .forEach(item -> found.add(
                        new Proposal(List.of(new Part(item, left, 0)), "a part that the ledger has as paid", 0)));
        if (!named.isEmpty()) {
            found.add(together(movement, named, left, "named in the bank's text"));
        }
        on(movement, byAmount.getOrDefault(left, List.of())).stream()
                .sorted(Comparator.comparing((OpenItem item) -> !theirs.contains(item))
                        .thenComparing(OpenItem::due))
                .forEach(item -> found.add(new Proposal(
                        List.of(new Part(item, left, 0)),
                        theirs.contains(item) ? "just its amount" : "just its amount, but another name",
                        0)));
        theirs.stream().limit(MOST_LOOKED_AT).forEach(item -> less(movement, item, left, found));
        List<OpenItem> several = several(theirs, left);
        if (several.size() > 1) {
            found.add(together(movement, several, left, "together just its amount"));
        }
        if (!theirs.isEmpty()) {
            found.add(together(movement, theirs, left, "the counterparty's oldest"));
        }
        return found.stream()
                .filter(one -> !one.parts().isEmpty())
                .map(Settling::entered)
                .collect(java.util.stream.Collectors.toMap(
                        Proposal::parts, one -> one, (first, later) -> first, java.util.LinkedHashMap::new))
                .values()
                .stream()
                .limit(most)
                .toList();
    }

    /**
     * Returns the items that a movement names by their numbers if they come to just its amount and no part of it is
     * assigned: nothing is to be weighed then.
     */
    public Optional<Proposal> findPlain(BankMovement movement) {
        List<OpenItem> named = named(movement);
        long amount = Math.abs(movement.minor());
        return named.isEmpty()
                        || !movement.parts().isEmpty()
                        || named.stream().mapToLong(this::most).sum() != amount
                ? Optional.empty()
                : Optional.of(together(movement, named, amount, "named in the bank's text"));
    }

    private static Proposal entered(Proposal proposal) {
        return proposal.parts().stream().anyMatch(part -> part.item().amount().open() > 0)
                ? proposal
                : new Proposal(proposal.parts(), proposal.because() + "; the ledger has it as paid", proposal.left());
    }

    /**
     * Items whose number stands in the bank's text or reference, as it is or without marks between; bare digits only
     * where that is one item.
     */
    private List<OpenItem> named(BankMovement movement) {
        Set<OpenItem> named = new LinkedHashSet<>();
        String[] words = (movement.reference() + " " + movement.text())
                .toUpperCase(Locale.ROOT)
                .split("[^\\p{L}\\d]+");
        for (int i = 0; i < words.length; i++) {
            String pair = i + 1 < words.length ? words[i] + words[i + 1] : words[i];
            for (String word : List.of(pair, words[i])) {
                if (word.length() >= SHORTEST_NUMBER && byNumber.containsKey(word)) {
                    named.addAll(likelier(on(movement, byNumber.get(word)), movement));
                }
            }
            List<OpenItem> digits = on(movement, byDigits.getOrDefault(words[i], List.of()));
            if (digits.size() == 1) {
                named.addAll(digits);
            }
        }
        return List.copyOf(named);
    }

    /** Numbers repeat between counterparties: those of the movement's own count, if there are any. */
    private static List<OpenItem> likelier(List<OpenItem> items, BankMovement movement) {
        List<OpenItem> theirs = items.stream()
                .filter(item -> name(item.counterparty()).equals(name(movement.counterparty())))
                .toList();
        return theirs.isEmpty() ? items : theirs;
    }

    private long discount(OpenItem item, BankMovement movement) {
        return item.discount() == null
                        || movement.bookingDate()
                                .isAfter(item.discount().until().plusDays(3))
                ? 0
                : item.discount().share().of(most(item));
    }

    private void less(BankMovement movement, OpenItem item, long left, List<Proposal> found) {
        long off = most(item) - left;
        if (off > 0 && off == discount(item, movement)) {
            found.add(new Proposal(
                    List.of(new Part(item, left, off)), "its amount less the discount for paying early", 0));
        } else if (off > 0 && isCharge(off, most(item))) {
            found.add(new Proposal(
                    List.of(new Part(item, left, off)), "its amount less what looks like a bank charge", 0));
        }
    }

    private static boolean isCharge(long off, long owed) {
        return off <= MOST_CHARGE && off * 100 <= owed;
    }

    /**
     * Settles items in their order as far as the movement reaches; the last of several may be in part, one may be less
     * a discount or charge.
     */
    private Proposal together(BankMovement movement, List<OpenItem> items, long amount, String because) {
        long owed = items.stream().mapToLong(this::most).sum();
        long discounts =
                items.stream().mapToLong(item -> discount(item, movement)).sum();
        boolean discounted = discounts > 0 && owed - discounts == amount;
        List<Part> parts = new ArrayList<>();
        long left = amount;
        for (OpenItem item : items) {
            long off = discounted ? discount(item, movement) : 0;
            long cash = Math.min(left, most(item) - off);
            if (cash > 0) {
                parts.add(new Part(item, cash, off));
                left -= cash;
            }
        }
        long missing = owed - amount;
        if (!discounted && items.size() == 1 && missing > 0 && isCharge(missing, owed)) {
            return new Proposal(
                    List.of(new Part(items.get(0), amount, missing)),
                    because + ", less what looks like a bank charge",
                    0);
        }
        String how = discounted
                ? ", less the discount for paying early"
                : missing > 0 ? ", in part" : left > 0 ? ", and something is left over" : "";
        return new Proposal(parts, because + how, left);
    }

    /**
     * Returns the items, at most five of the oldest sixteen, that come to just an amount; the oldest such, none if
     * there are none.
     */
    private List<OpenItem> several(List<OpenItem> items, long amount) {
        List<OpenItem> some = items.subList(0, Math.min(MOST_LOOKED_AT, items.size()));
        List<OpenItem> chosen = new ArrayList<>();
        return search(some, 0, amount, chosen) ? List.copyOf(chosen) : List.of();
    }

    private boolean search(List<OpenItem> items, int from, long left, List<OpenItem> chosen) {
        if (left == 0) {
            return true;
        }
        for (int i = from; chosen.size() < MOST_TOGETHER && i < items.size(); i++) {
            if (most(items.get(i)) <= left) {
                chosen.add(items.get(i));
                if (search(items, i + 1, left - most(items.get(i)), chosen)) {
                    return true;
                }
                chosen.remove(chosen.size() - 1);
            }
        }
        return false;
    }
}
