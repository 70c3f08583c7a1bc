package ebbtide.books;

import ebbtide.money.Check;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A remembered way to assign movements: words that must stand in the bank's text, in the counterparty, an account, and
 * a range of amounts; what is null or blank does not matter. {@code lineId} null makes it a transfer between own
 * accounts. {@code direction} is +1 for money in, -1 for money out.
 */
public record AssignRule(
        String id,
        String text,
        String counterparty,
        @Nullable String account,
        int direction,
        @Nullable Long leastMinor,
        @Nullable Long mostMinor,
        @Nullable String lineId) {
    private static final Pattern SPACES = Pattern.compile("\\s+");

    public AssignRule {
        id = Check.text(id, "id of a rule", 80);
        text = text == null ? "" : Check.atMost(text.strip(), "text of a rule", 1_000);
        counterparty = counterparty == null ? "" : Check.atMost(counterparty.strip(), "counterparty of a rule", 1_000);
        Check.that(
                !text.isEmpty() || !counterparty.isEmpty() || leastMinor != null || mostMinor != null,
                "A rule needs words of the text, a counterparty or a range of amounts: one that fits everything fits nothing");
        Check.that(direction == 1 || direction == -1, "A rule is for money in or for money out");
        Check.that(
                leastMinor == null || mostMinor == null || leastMinor <= mostMinor,
                "The least amount of a rule lies above its most: exchange them");
    }

    /** Returns whether the rule fits a movement, capital letters and doubled spaces aside; amounts go by size. */
    public boolean fits(BankMovement movement) {
        return fits(movement, folded(movement.text()), folded(movement.counterparty()));
    }

    /** Returns the first of several rules that fits a movement, if any does. */
    public static Optional<AssignRule> findFitting(List<AssignRule> rules, BankMovement movement) {
        // The bank's words are folded once for all rules: a file has them by the hundred thousand.
        String text = folded(movement.text());
        String counterparty = folded(movement.counterparty());
        for (AssignRule rule : rules) {
            if (rule.fits(movement, text, counterparty)) {
                return Optional.of(rule);
            }
        }
        return Optional.empty();
    }

    private boolean fits(BankMovement movement, String foldedText, String foldedCounterparty) {
        long size = Math.abs(movement.minor());
        return Long.signum(movement.minor()) == direction
                && (account == null || account.equals(movement.account()))
                && (leastMinor == null || size >= leastMinor)
                && (mostMinor == null || size <= mostMinor)
                && foldedText.contains(folded(text))
                && foldedCounterparty.contains(folded(counterparty));
    }

    /** Returns the parts of a movement that the rule fits: all of it, to its line. */
    public List<BankMovement.AssignedPart> partsOf(BankMovement movement) {
        return List.of(new BankMovement.AssignedPart(lineId, movement.minor()));
    }

    private static String folded(String text) {
        String lower = text.toLowerCase(Locale.ROOT);
        return lower.indexOf('\t') < 0 && !lower.contains("  ")
                ? lower
                : SPACES.matcher(lower).replaceAll(" ");
    }
}
