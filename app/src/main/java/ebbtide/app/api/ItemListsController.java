package ebbtide.app.api;

import ebbtide.app.desk.EditMade;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.ItemEdits;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.storage.ItemColumnsStore;
import ebbtide.app.storage.Stores;
import ebbtide.books.OpenItem;
import ebbtide.formats.bank.RowProblem;
import ebbtide.formats.budget.Sheet;
import ebbtide.formats.budget.SheetReader;
import ebbtide.formats.items.ItemChanges;
import ebbtide.formats.items.ItemColumns;
import ebbtide.formats.items.ItemColumns.Field;
import ebbtide.formats.items.ItemList;
import ebbtide.money.Refused;
import ebbtide.plan.Line;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Lists of invoices, bills and orders from a ledger: what they change is shown first, then taken over in one edit. */
@RestController
@RequestMapping("/api/plans/{plan}/item-lists")
class ItemListsController {
    private static final int MOST_ROWS = 250_000;
    private static final int SHOWN = 12;
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;
    private final ItemColumnsStore columns;
    private final JsonMapper mapper = new JsonMapper();

    ItemListsController(Plans plans, Edits edits, Stores stores, ItemColumnsStore columns) {
        this.plans = plans;
        this.edits = edits;
        this.stores = stores;
        this.columns = columns;
    }

    /** What a list holds and changes; {@code refusal} says what must be chosen first, and the rest is empty then. */
    record ItemListView(
            List<String> headings,
            List<String> fields,
            Map<String, String> columns,
            boolean remembered,
            @Schema(nullable = true) @Nullable String refusal,
            int added,
            int changed,
            int same,
            int ahead,
            int vanished,
            List<ItemChangeView> shown,
            int badRows,
            List<RowProblem> problems) {}

    /** A change of an item in words: new, from what to what, or vanished. */
    record ItemChangeView(
            String what,
            String number,
            String counterparty,
            LocalDate due,
            long open,
            @Schema(nullable = true) @Nullable Long was) {}

    /** Looks at a list for a line; columns by field are those chosen by hand, else remembered, else proposed. */
    @PostMapping(path = "/look", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ItemListView look(
            @PathVariable String plan,
            @RequestParam String line,
            @RequestParam(required = false) String chosen,
            @RequestPart MultipartFile file)
            throws IOException {
        PlanAtVersion current = plans.current(plan);
        Line of = ItemEdits.requireLine(current, line);
        Sheet sheet = sheet(file);
        int heading = ItemList.heading(sheet);
        List<String> headings = sheet.rows().get(heading).stream()
                .filter(name -> !name.isEmpty())
                .toList();
        ItemColumns remembered = columns.find(plan, of.direction())
                .filter(one -> one.fits(headings))
                .orElse(null);
        ItemColumns used =
                chosen != null ? parse(chosen) : remembered != null ? remembered : ItemColumns.proposed(headings);
        List<String> fields = Arrays.stream(Field.values()).map(Field::name).toList();
        Map<String, String> named = new java.util.TreeMap<>();
        used.headings().forEach((field, name) -> named.put(field.name(), name));
        try {
            ItemList list = ItemList.read(sheet, heading, used, new ItemList.Reading(of, current.currency()));
            ItemChanges changes = ItemEdits.changes(current, of, list);
            return new ItemListView(
                    headings,
                    fields,
                    named,
                    chosen == null && remembered != null,
                    null,
                    changes.added().size(),
                    changes.changed().size(),
                    changes.same(),
                    changes.ahead(),
                    changes.vanished().size(),
                    shown(changes),
                    list.problems().size(),
                    list.problems().stream().limit(SHOWN).toList());
        } catch (Refused e) {
            return new ItemListView(
                    headings, fields, named, false, e.getMessage(), 0, 0, 0, 0, 0, List.of(), 0, List.of());
        }
    }

    private static Sheet sheet(MultipartFile file) throws IOException {
        return SheetReader.read(file.getBytes(), MOST_ROWS).stream()
                .filter(one -> !one.rows().isEmpty())
                .findFirst()
                .orElseThrow(() -> new Refused("The list is empty: export it from the ledger again"));
    }

    private ItemColumns parse(String chosen) {
        Map<Field, String> headings = new java.util.EnumMap<>(Field.class);
        try {
            mapper.readTree(chosen)
                    .properties()
                    .forEach(entry -> headings.put(
                            Field.valueOf(entry.getKey()), entry.getValue().asString()));
        } catch (JacksonException | IllegalArgumentException e) {
            throw new Refused("The columns that were chosen cannot be read: choose them again", e);
        }
        return new ItemColumns(headings);
    }

    private static List<ItemChangeView> shown(ItemChanges changes) {
        List<ItemChangeView> shown = new ArrayList<>();
        changes.changed().stream()
                .limit(SHOWN)
                .forEach(one -> shown.add(
                        view("changed", one.becomes(), one.was().amount().open())));
        changes.vanished().stream().limit(SHOWN).forEach(one -> shown.add(view("vanished", one, null)));
        changes.added().stream()
                .sorted(Comparator.comparing((OpenItem one) -> one.amount().open() == 0)
                        .thenComparing(OpenItem::due))
                .limit(SHOWN)
                .forEach(one -> shown.add(view("new", one, null)));
        return shown.stream().limit(SHOWN).toList();
    }

    private static ItemChangeView view(String what, OpenItem item, @Nullable Long was) {
        return new ItemChangeView(
                what,
                item.number(),
                item.counterparty(),
                item.due(),
                item.amount().open(),
                was);
    }

    /**
     * Takes a list over in one edit: new and changed items, and, if asked, the vanished ones as closed; bad rows are
     * left out only if said.
     */
    @PostMapping(path = "/take", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    EditOutcome take(
            @PathVariable String plan,
            @RequestParam String line,
            @RequestParam long version,
            @RequestParam String chosen,
            @RequestParam(defaultValue = "false") boolean closeVanished,
            @RequestParam(defaultValue = "false") boolean leaveBadRows,
            @RequestPart MultipartFile file)
            throws IOException {
        Sheet sheet = sheet(file);
        ItemColumns used = parse(chosen);
        EditMade done = edits.edit(
                plan,
                version,
                ItemEdits.take(line, of -> read(sheet, used, of, leaveBadRows), closeVanished, used, columns));
        return EditOutcome.of(plan, done, stores);
    }

    private static ItemList read(Sheet sheet, ItemColumns used, ItemList.Reading reading, boolean leaveBadRows) {
        ItemList list = ItemList.read(sheet, ItemList.heading(sheet), used, reading);
        if (!list.problems().isEmpty() && !leaveBadRows) {
            throw new Refused(list.problems().size() + (list.problems().size() == 1 ? " row" : " rows")
                    + " cannot be read: mend the list, or say that they are left out");
        }
        return list;
    }
}
