package ebbtide.app.desk;

import ebbtide.app.desk.Edits.Change;
import ebbtide.app.storage.NotFound;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.OpenItem;
import ebbtide.books.Settling.Proposal;
import ebbtide.money.Refused;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The edits that settle open items by bank movements. */
public final class SettleEdits {
    private SettleEdits() {}

    /** What settles an item, by cash and by what closes it beyond that, in minor units, unsigned. */
    public record Settled(String item, long minor, long less) {}

    /** Settles items by a movement, besides what it is assigned to already. */
    public static Change settle(long id, List<Settled> settled) {
        return draft -> {
            BankMovement movement = draft.books().movement(id);
            List<AssignedPart> parts = new ArrayList<>(movement.parts());
            List<String> numbers = new ArrayList<>();
            for (Settled one : settled) {
                OpenItem item = draft.base()
                        .books()
                        .items()
                        .find(one.item())
                        .orElseThrow(() -> new NotFound("open item", one.item()));
                parts.add(part(item, one.minor(), one.less(), movement));
                numbers.add(item.number());
            }
            if (numbers.isEmpty()) {
                throw new Refused("Choose at least one item that the movement settles");
            }
            draft.books().putParts(id, parts);
            return words(numbers);
        };
    }

    private static AssignedPart part(OpenItem item, long minor, long less, BankMovement movement) {
        return new AssignedPart(item.lineId(), minor * Long.signum(movement.minor()), item.id(), less);
    }

    private static String words(List<String> numbers) {
        return numbers.size() > 3 ? numbers.size() + " items settled" : String.join(", ", numbers) + " settled";
    }

    /**
     * Settles what movements name by number and come to; those that do not are left as they are, and an item is settled
     * once.
     */
    public static Change settleNamed(String plan, List<Long> movements, Settlings settlings) {
        return draft -> {
            Set<String> taken = new HashSet<>();
            List<String> numbers = new ArrayList<>();
            for (long id : movements) {
                BankMovement movement = draft.books().movement(id);
                Optional<Proposal> plain = settlings
                        .findPlain(plan, draft.base(), movement)
                        .filter(one -> one.parts().stream()
                                .noneMatch(part -> taken.contains(part.item().id())));
                if (plain.isPresent()) {
                    plain.get().parts().forEach(part -> {
                        taken.add(part.item().id());
                        numbers.add(part.item().number());
                    });
                    draft.books()
                            .putParts(
                                    id,
                                    plain.get().parts().stream()
                                            .map(part -> part(part.item(), part.minor(), part.less(), movement))
                                            .toList());
                }
            }
            if (numbers.isEmpty()) {
                throw new Refused(
                        "None of these movements names an item by number and comes to just its amount: settle them one by one");
            }
            return words(numbers);
        };
    }
}
