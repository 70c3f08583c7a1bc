package ebbtide.formats.bank;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** Which way an amount goes, where a bank says it in a word or letter of its own. */
enum Way {
    OUT(Set.of("D", "DR", "DB", "DBIT", "DEBIT", "S", "SOLL", "AF", "OUT", "PAID OUT", "PAYMENT", "-", "\u2212")),
    IN(Set.of("C", "CR", "CRDT", "CREDIT", "H", "HABEN", "BIJ", "IN", "PAID IN", "RECEIPT", "+"));

    private final Set<String> words;

    Way(Set<String> words) {
        this.words = words;
    }

    /** Returns what a word says, nothing if it says neither. */
    static Optional<Way> find(String word) {
        String plain = word.strip().toUpperCase(Locale.ROOT);
        return OUT.words.contains(plain)
                ? Optional.of(OUT)
                : IN.words.contains(plain) ? Optional.of(IN) : Optional.empty();
    }
}
