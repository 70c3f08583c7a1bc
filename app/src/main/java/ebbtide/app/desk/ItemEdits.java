package ebbtide.app.desk;

import ebbtide.app.desk.Edits.Change;
import ebbtide.app.storage.ItemColumnsStore;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.books.OpenItem;
import ebbtide.formats.items.ItemChanges;
import ebbtide.formats.items.ItemColumns;
import ebbtide.formats.items.ItemList;
import ebbtide.formats.plan.PlanReader;
import ebbtide.money.Refused;
import ebbtide.plan.Line;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The edits of open items: put as they are sent, taken out. */
public final class ItemEdits {
    private ItemEdits() {}

    /**
     * Puts items as they are sent, new or changed; one without a due day is due by its line's terms. Refuses all where
     * one is on a line that is not there or is a group, or has the number of another.
     */
    public static Change put(List<JsonNode> sent, String words) {
        return draft -> {
            List<OpenItem> items =
                    sent.stream().map(one -> read(one, draft.shown())).toList();
            Map<String, OpenItem> byKey = new HashMap<>();
            draft.shown().books().items().all().forEach(one -> byKey.put(ItemList.key(one), one));
            for (OpenItem item : items) {
                draft.reads(Kind.ITEM, item.id());
                OpenItem other = byKey.put(ItemList.key(item), item);
                if (other != null && !other.id().equals(item.id())) {
                    throw new Refused("'" + item.number() + "' of " + item.counterparty()
                            + " is there already: change that one, or give this one another number");
                }
            }
            draft.putItems(items);
            return words;
        };
    }

    private static OpenItem read(JsonNode json, PlanAtVersion current) {
        if (!json.has("due")
                && json instanceof ObjectNode open
                && current.plan().findLine(json.path("line").asString("")).isPresent()) {
            // Read as due at once, it tells its kind and days; its line's terms tell when it is due.
            OpenItem bare = PlanReader.item(
                    open.deepCopy().put("due", json.path("issued").asString("")), current.currency());
            open.put(
                    "due",
                    OpenItem.dueByTerms(
                                    bare.kind(), requireLine(current, bare.lineId()), bare.issued(), bare.supplied())
                            .toString());
        }
        OpenItem item = PlanReader.item(json, current.currency());
        requireLine(current, item.lineId());
        return item;
    }

    /** Returns the line of an id, for items; refuses one that is not there, and a group. */
    public static Line requireLine(PlanAtVersion current, String id) {
        return current.plan()
                .findLine(id)
                .filter(line -> !line.isGroup())
                .orElseThrow(() -> new NotFound("line for items", id));
    }

    /** Returns what a ledger's list changes of the items of a line. */
    public static ItemChanges changes(PlanAtVersion current, Line line, ItemList list) {
        return ItemChanges.of(
                current.books().items().all(),
                list.items(),
                Set.of(line.id()),
                current.books().items().settled());
    }

    /**
     * Takes a ledger's list of a line over, which is read for that line: new and changed items, and, if asked, those
     * that vanished as closed. The columns by which it is read are remembered.
     */
    public static Change take(
            String lineId,
            Function<ItemList.Reading, ItemList> read,
            boolean closeVanished,
            ItemColumns used,
            ItemColumnsStore columns) {
        return draft -> {
            PlanAtVersion current = draft.base();
            Line line = requireLine(current, lineId);
            ItemChanges changes = changes(current, line, read.apply(new ItemList.Reading(line, current.currency())));
            List<OpenItem> put = new ArrayList<>(changes.added());
            changes.changed().forEach(one -> put.add(one.becomes()));
            if (closeVanished) {
                changes.vanished().forEach(one -> put.add(one.vanished()));
            }
            draft.putItems(put);
            columns.put(draft.planId(), line.direction(), used);
            return changes.added().size() + " new and " + changes.changed().size() + " changed items on '" + line.name()
                    + "'";
        };
    }

    /** Takes an open item out. */
    public static Change remove(String id) {
        return draft -> {
            OpenItem item = draft.shown().books().items().find(id).orElseThrow(() -> new NotFound("open item", id));
            draft.books().removeItem(id);
            return "'" + item.number() + "' of " + item.counterparty() + " taken out";
        };
    }
}
