package ebbtide.formats.items;

import ebbtide.books.OpenItem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a ledger's list changes of the items that are there: those that are new, those that changed (as they were and as
 * they become; what a person said of them stays), how many are the same, how many the bank has settled further than the
 * list knows, and the open ones of its lines that vanished from it.
 */
public record ItemChanges(List<OpenItem> added, List<Changed> changed, int same, int ahead, List<OpenItem> vanished) {

    /** An item as it was, and as the list has it. */
    public record Changed(OpenItem was, OpenItem becomes) {}

    /**
     * Returns what a list changes of the items that are there; {@code lineIds} are the lines of which the list is the
     * whole. What movements have settled of an item ({@code settled}, by its id) stays settled: a list that was written
     * before says more is open.
     */
    public static ItemChanges of(
            List<OpenItem> there, List<OpenItem> listed, Set<String> lineIds, Map<String, Long> settled) {
        Map<String, OpenItem> byKey = new HashMap<>();
        there.forEach(item -> byKey.put(ItemList.key(item), item));
        List<OpenItem> added = new ArrayList<>();
        List<Changed> changed = new ArrayList<>();
        int same = 0;
        int ahead = 0;
        Set<String> seen = new HashSet<>();
        for (OpenItem item : listed) {
            seen.add(ItemList.key(item));
            OpenItem was = byKey.get(ItemList.key(item));
            if (was == null) {
                added.add(item);
                continue;
            }
            long most = Math.max(0, item.amount().gross() - settled.getOrDefault(was.id(), 0L));
            OpenItem becomes = becomes(was, item, most);
            ahead += item.amount().open() > most ? 1 : 0;
            if (was.equals(becomes)) {
                same++;
            } else {
                changed.add(new Changed(was, becomes));
            }
        }
        List<OpenItem> vanished = there.stream()
                .filter(item -> item.amount().open() > 0
                        && lineIds.contains(item.lineId())
                        && !seen.contains(ItemList.key(item)))
                .toList();
        return new ItemChanges(added, changed, same, ahead, vanished);
    }

    private static OpenItem becomes(OpenItem was, OpenItem item, long most) {
        long open = Math.min(item.amount().open(), most);
        return new OpenItem(
                was.id(),
                item.kind(),
                item.number(),
                item.counterparty(),
                was.lineId(),
                item.issued(),
                item.supplied(),
                item.due(),
                new OpenItem.Amount(
                        item.amount().gross(),
                        item.amount().tax(),
                        item.amount().taxParted(),
                        open,
                        item.amount().open()),
                item.paidOn() == null && open == 0 ? was.paidOn() : item.paidOn(),
                was.handling(),
                item.discount() == null ? was.discount() : item.discount());
    }
}
