package ebbtide.app.api;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.SettleEdits;
import ebbtide.app.desk.Settlings;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import java.util.List;
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
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;
    private final Settlings settlings;

    SettlingController(Plans plans, Edits edits, Stores stores, Settlings settlings) {
        this.plans = plans;
        this.edits = edits;
        this.stores = stores;
        this.settlings = settlings;
    }

    @GetMapping("/{id}/settlements")
    @Allowed(Role.ONLOOKER)
    List<ProposalView> proposals(@PathVariable String plan, @PathVariable long id) {
        return settlings.proposals(plan, plans.current(plan), stores.movements().get(plan, id), MOST).stream()
                .map(ProposalView::of)
                .toList();
    }

    /** The items that a movement settles. */
    record SettledItems(List<SettleEdits.Settled> parts) {}

    /** Settles items by a movement, besides what it is assigned to already. */
    @PostMapping(path = "/{id}/settle", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome settle(
            @PathVariable String plan,
            @PathVariable long id,
            @RequestParam long version,
            @RequestBody SettledItems settled) {
        return EditOutcome.of(plan, edits.edit(plan, version, SettleEdits.settle(id, settled.parts())), stores);
    }

    /** The movements that may settle what they name. */
    record Naming(List<Long> movements) {}

    /**
     * Settles, in one edit, what movements name by number and come to; those that do not are left as they are, and an
     * item is settled once.
     */
    @PostMapping(path = "/settle-named", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome settleNamed(@PathVariable String plan, @RequestParam long version, @RequestBody Naming naming) {
        return EditOutcome.of(
                plan, edits.edit(plan, version, SettleEdits.settleNamed(plan, naming.movements(), settlings)), stores);
    }
}
