package ebbtide.app.api;

import ebbtide.app.storage.Edits;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.app.storage.Stores;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.OpenItem;
import ebbtide.money.Refused;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The settling of open items by bank movements: proposals, likeliest first, and the taking of one. */
@RestController
@RequestMapping("/api/plans/{plan}/movements")
class SettlingController {
    private static final int MOST = 8;
    private final Edits edits;
    private final Stores stores;
    private final Settlings settlings;

    SettlingController(Edits edits, Stores stores, Settlings settlings) {
        this.edits = edits;
        this.stores = stores;
        this.settlings = settlings;
    }

    @GetMapping("/{id}/settlements")
    List<ProposalView> proposals(@PathVariable String plan, @PathVariable long id) {
        return settlings.proposals(plan, edits.current(plan), stores.movements().get(plan, id), MOST).stream()
                .map(ProposalView::of)
                .toList();
    }

    /** What settles items: each by cash and by what closes it beyond that, unsigned. */
    record Settled(String item, long minor, long less) {}

    /** The items that a movement settles. */
    record SettledItems(List<Settled> parts) {}

    /** Settles items by a movement, besides what it is assigned to already. */
    @PostMapping(path = "/{id}/settle", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome settle(
            @PathVariable String plan,
            @PathVariable long id,
            @RequestParam long version,
            @RequestBody SettledItems settled) {
        PlanAtVersion current = edits.current(plan);
        BankMovement movement = stores.movements().get(plan, id);
        List<AssignedPart> parts = new ArrayList<>(movement.parts());
        List<String> numbers = new ArrayList<>();
        for (Settled one : settled.parts()) {
            OpenItem item = current.books().items().all().stream()
                    .filter(some -> some.id().equals(one.item()))
                    .findFirst()
                    .orElseThrow(() -> new NotFound("open item", one.item()));
            parts.add(new AssignedPart(
                    item.lineId(), one.minor() * Long.signum(movement.minor()), item.id(), one.less()));
            numbers.add(item.number());
        }
        if (numbers.isEmpty()) {
            throw new Refused("Choose at least one item that the movement settles");
        }
        return EditOutcome.of(
                plan, edits.edit(plan, version, words(numbers), draft -> draft.putParts(id, parts)), stores);
    }

    private static String words(List<String> numbers) {
        return numbers.size() > 3 ? numbers.size() + " items settled" : String.join(", ", numbers) + " settled";
    }

    /** The movements that may settle what they name. */
    record Naming(List<Long> movements) {}

    /**
     * Settles, in one edit, what movements name by number and come to; those that do not are left as they are, and an
     * item is settled once.
     */
    @PostMapping(path = "/settle-named", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome settleNamed(@PathVariable String plan, @RequestParam long version, @RequestBody Naming naming) {
        PlanAtVersion current = edits.current(plan);
        Map<Long, List<AssignedPart>> parts = new LinkedHashMap<>();
        Set<String> taken = new HashSet<>();
        List<String> numbers = new ArrayList<>();
        for (long id : naming.movements()) {
            BankMovement movement = stores.movements().get(plan, id);
            settlings
                    .findPlain(plan, current, movement)
                    .filter(one -> one.parts().stream()
                            .noneMatch(part -> taken.contains(part.item().id())))
                    .ifPresent(one -> {
                        one.parts().forEach(part -> {
                            taken.add(part.item().id());
                            numbers.add(part.item().number());
                        });
                        parts.put(
                                id,
                                one.parts().stream()
                                        .map(part -> new AssignedPart(
                                                part.item().lineId(),
                                                part.minor() * Long.signum(movement.minor()),
                                                part.item().id(),
                                                part.less()))
                                        .toList());
                    });
        }
        if (parts.isEmpty()) {
            throw new Refused(
                    "None of these movements names an item by number and comes to just its amount: settle them one by one");
        }
        return EditOutcome.of(
                plan, edits.edit(plan, version, words(numbers), draft -> parts.forEach(draft::putParts)), stores);
    }
}
