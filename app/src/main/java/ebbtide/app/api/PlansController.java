package ebbtide.app.api;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.SettingsEdits;
import ebbtide.app.desk.WholePlans;
import ebbtide.app.people.Rights;
import ebbtide.app.people.Role;
import ebbtide.app.storage.PlanStore;
import ebbtide.app.storage.Stores;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.money.Check;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.ByteArrayOutputStream;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Plans as a whole: listed, made, looked at, written out; their settings and accounts; undo and redo. */
@RestController
@RequestMapping("/api/plans")
class PlansController {
    /** What can be brought in ({@code UploadLimits}). */
    private static final int MOST_BYTES = 48 << 20;
    /** Their file would be larger than that, and making it would take more memory than there is. */
    private static final int MOST_MOVEMENTS = 200_000;

    private static final Object READING = new Object();

    private final Plans plans;
    private final WholePlans whole;
    private final Edits edits;
    private final Stores stores;
    private final Rights rights;

    PlansController(Plans plans, WholePlans whole, Edits edits, Stores stores, Rights rights) {
        this.plans = plans;
        this.whole = whole;
        this.edits = edits;
        this.stores = stores;
        this.rights = rights;
    }

    @GetMapping
    @AllowedTo(AllowedTo.Who.KNOWN)
    List<PlanStore.PlanListed> list() {
        return stores.plans().all().stream()
                .filter(one -> rights.hasPart().test(one.id()))
                .toList();
    }

    /** Makes a plan of a plan file, from Setup or brought in. */
    @PostMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
    MadePlan make(
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content = @Content(schema = @Schema(ref = DocumentPart.SENT_PLAN)))
                    @RequestBody
                    byte[] planFile) {
        // One at a time, once it has arrived: each may take a good part of the memory, and a slow one holds up nobody.
        synchronized (READING) {
            return new MadePlan(whole.add(PlanReader.read(planFile)));
        }
    }

    /** The id of a plan just made. */
    record MadePlan(String id) {}

    @GetMapping("/{plan}")
    @Allowed(Role.ONLOOKER)
    PlanView view(@PathVariable String plan) {
        PlanView all = PlanView.of(plan, plans.shown(plan), stores);
        return rights.seesPay(plan) ? all : all.inSums();
    }

    @GetMapping("/{plan}/file")
    @Exports("the plan as a file")
    ResponseEntity<byte[]> file(@PathVariable String plan, @RequestParam(defaultValue = "false") boolean past) {
        requireFit(stores.statements().movements(plan) <= MOST_MOVEMENTS);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PlanWriter.write(past ? whole.documentWithPast(plan) : whole.document(plan), out);
        byte[] written = out.toByteArray();
        requireFit(written.length <= MOST_BYTES && PlanReader.fits(written));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"plan.json\"")
                .body(written);
    }

    /** A file is given out only where it can be brought in again. */
    private static void requireFit(boolean fits) {
        Check.that(
                fits,
                "The plan's file would be larger than can be brought in again (48 MB, some 200,000 movements): "
                        + "leave out snapshots and log, or copy all data with ./ebbtide backup FILE");
    }

    @PutMapping(path = "/{plan}/settings", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome settings(
            @PathVariable String plan,
            @RequestParam long version,
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content = @Content(schema = @Schema(ref = DocumentPart.SENT_SETTINGS)))
                    @RequestBody
                    String json) {
        return EditOutcome.of(plan, edits.edit(plan, version, SettingsEdits.put(PlanReader.parse(json))), stores);
    }

    /** Moves what every line assumes after the as-of date by some months, in one edit. */
    @PostMapping("/{plan}/move")
    EditOutcome move(@PathVariable String plan, @RequestParam long version, @RequestParam int months) {
        return EditOutcome.of(plan, edits.edit(plan, version, SettingsEdits.moveAhead(months)), stores);
    }

    @PutMapping(path = "/{plan}/accounts/{id}", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome account(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content = @Content(schema = @Schema(ref = DocumentPart.SENT_ACCOUNT)))
                    @RequestBody
                    String json) {
        return EditOutcome.of(
                plan, edits.edit(plan, version, SettingsEdits.putAccount(PlanReader.parse(json))), stores);
    }

    @DeleteMapping("/{plan}/accounts/{id}")
    EditOutcome removeAccount(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, SettingsEdits.removeAccount(id)), stores);
    }

    /** Of the version that is said, or of whatever is the latest where none is. */
    @PostMapping("/{plan}/undo")
    @Allowed(Role.COMMENTER)
    EditOutcome undo(@PathVariable String plan, @RequestParam(required = false) @Nullable Long version) {
        return EditOutcome.of(plan, version == null ? edits.undo(plan) : edits.undo(plan, version), stores);
    }

    /** Of the version that is said, or of whatever is the latest where none is. */
    @PostMapping("/{plan}/redo")
    @Allowed(Role.COMMENTER)
    EditOutcome redo(@PathVariable String plan, @RequestParam(required = false) @Nullable Long version) {
        return EditOutcome.of(plan, version == null ? edits.redo(plan) : edits.redo(plan, version), stores);
    }
}
