package ebbtide.app.api;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.RollEdits;
import ebbtide.app.desk.SnapshotEdits;
import ebbtide.app.desk.Tracking;
import ebbtide.app.desk.Tracking.Compared;
import ebbtide.app.people.Role;
import ebbtide.app.storage.RollStore.DecidedDifference;
import ebbtide.app.storage.RollStore.Roll;
import ebbtide.app.storage.Stores;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.Threshold;
import ebbtide.time.Period;
import ebbtide.track.Commentary;
import ebbtide.track.CompareBy;
import ebbtide.track.Difference;
import ebbtide.track.Differences;
import ebbtide.track.PartyVariance;
import ebbtide.track.Reasons;
import ebbtide.track.Variance;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** A snapshot held against what happened since, figure by figure, with what is said of the figures. */
@RestController
@RequestMapping("/api/plans/{plan}/snapshots/{id}")
class TrackController {
    private final Tracking tracking;
    private final SnapshotEdits snapshots;
    private final Edits edits;
    private final Stores stores;

    TrackController(Tracking tracking, SnapshotEdits snapshots, Edits edits, Stores stores) {
        this.tracking = tracking;
        this.snapshots = snapshots;
        this.edits = edits;
        this.stores = stores;
    }

    /**
     * The windows a snapshot can be compared on, and the comparison of the one asked for; none has facts yet: null.
     * {@code toExplain} rows are past the threshold, of which {@code explained} have a note.
     */
    record VarianceView(
            List<WindowView> windows,
            @Schema(nullable = true) @Nullable WindowView window,
            List<VarianceRow> rows,
            List<String> moved,
            int toExplain,
            int explained,
            LocalDate carryTo) {}

    /** A window of days, both included. */
    record WindowView(LocalDate from, LocalDate to) {}

    /**
     * A line's forecast, actual and variance with its reasons; percent in hundredths of a percent, null where nothing
     * was forecast.
     */
    record VarianceRow(
            String id,
            String kind,
            String name,
            @Schema(nullable = true) @Nullable String direction,
            int depth,
            long forecast,
            long actual,
            long variance,
            @Schema(nullable = true) @Nullable Long percentHundredths,
            Reasons why,
            boolean mustExplain,
            String note,
            List<DecisionView> decisions) {}

    /**
     * A difference of a line that closed within the window: what is open of it, and at most carried, in the line's
     * direction; carried and day are null until it is decided, and carried is nil when it was dropped.
     */
    record DecisionView(
            String key,
            String words,
            long planned,
            long actual,
            long open,
            long carry,
            @Schema(nullable = true) @Nullable Long carried,
            @Schema(nullable = true) @Nullable LocalDate day) {}

    @GetMapping("/variance")
    @Allowed(Role.ONLOOKER)
    VarianceView variance(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam(defaultValue = "WEEK") CompareBy by,
            @RequestParam(required = false) LocalDate from) {
        Compared compared = tracking.compared(plan, id, by, from);
        LocalDate carryTo = Differences.carriedTo(
                compared.current().plan().settings().asOf(), compared.current().books());
        Period window = compared.window();
        if (window == null) {
            return new VarianceView(List.of(), null, List.of(), List.of(), 0, 0, carryTo);
        }
        Variance variance = Variance.of(compared.snapshot(), compared.facts(), compared.windows(), window);
        Map<String, String> notes = notes(plan, id, window);
        Map<String, List<DecisionView>> decisions = decisions(plan, compared, window);
        Threshold threshold = compared.current().plan().settings().explained();
        List<VarianceRow> rows = variance.rows().stream()
                .map(row -> row(row, threshold, notes, decisions))
                .toList();
        List<VarianceRow> toExplain =
                rows.stream().filter(VarianceRow::mustExplain).toList();
        return new VarianceView(
                compared.windows().stream().map(TrackController::view).toList(),
                view(window),
                rows,
                variance.moved(),
                toExplain.size(),
                (int) toExplain.stream().filter(row -> !row.note().isEmpty()).count(),
                carryTo);
    }

    private Map<String, String> notes(String plan, String id, Period window) {
        return stores.notes().of(plan, id, window.startInclusive(), window.lastDay());
    }

    /** What closed within the window: what was decided of it, and what the latest roll forward asks about. */
    private Map<String, List<DecisionView>> decisions(String plan, Compared compared, Period window) {
        Map<String, List<DecisionView>> byLine = new HashMap<>();
        List<DecidedDifference> decided = tracking.decided(plan).stream()
                .filter(one -> one.difference() != null)
                .toList();
        decided.forEach(one -> add(byLine, window, one.difference(), one));
        Set<String> keys = decided.stream().map(DecidedDifference::key).collect(Collectors.toSet());
        Roll roll = stores.rolls().findLatest(plan).orElse(null);
        if (roll != null && roll.to() != null) {
            RollEdits.differences(compared.current(), roll).stream()
                    .filter(one -> !keys.contains(one.key()))
                    .forEach(one -> add(byLine, window, one, null));
        }
        return byLine;
    }

    private static void add(
            Map<String, List<DecisionView>> byLine,
            Period window,
            Difference one,
            @Nullable DecidedDifference decided) {
        if (window.contains(one.to())) {
            byLine.computeIfAbsent(one.lineId(), line -> new ArrayList<>())
                    .add(new DecisionView(
                            one.key(),
                            one.words(),
                            one.planned(),
                            one.actual(),
                            one.open(),
                            one.toCarry(),
                            decided == null ? null : decided.carried(),
                            decided == null ? null : decided.day()));
        }
    }

    private static WindowView view(Period window) {
        return new WindowView(window.startInclusive(), window.lastDay());
    }

    private static VarianceRow row(
            Variance.Row row,
            @Nullable Threshold threshold,
            Map<String, String> notes,
            Map<String, List<DecisionView>> decisions) {
        boolean end = row.kind() == Variance.RowKind.LINE
                || row.kind() == Variance.RowKind.GONE_LINE
                || row.kind() == Variance.RowKind.UNASSIGNED;
        return new VarianceRow(
                row.id(),
                row.kind().name().toLowerCase(Locale.ROOT),
                row.name(),
                row.direction() == null ? null : row.direction().name().toLowerCase(Locale.ROOT),
                row.depth(),
                row.forecast(),
                row.actual(),
                row.variance(),
                row.variancePercentHundredths(),
                row.why(),
                end && threshold != null && threshold.isReached(row.forecast(), row.variance()),
                notes.getOrDefault(row.id(), ""),
                decisions.getOrDefault(row.id(), List.of()));
    }

    /**
     * A counterparty's part of a line's row with its items; an empty name stands for what was expected without an item.
     */
    record VarianceParty(
            String counterparty, long forecast, long actual, long variance, Reasons why, List<VarianceItem> items) {}

    /** An open item's part of a line's row; the number is empty of what was expected without one. */
    record VarianceItem(String number, long forecast, long actual, long variance, Reasons why) {}

    @GetMapping("/variance/{line}")
    @Allowed(Role.ONLOOKER)
    List<VarianceParty> details(
            @PathVariable String plan,
            @PathVariable String id,
            @PathVariable String line,
            @RequestParam(defaultValue = "WEEK") CompareBy by,
            @RequestParam LocalDate from) {
        Compared compared = tracking.compared(plan, id, by, from);
        Period window = compared.window();
        return window == null
                ? List.of()
                : PartyVariance.of(Variance.details(
                                compared.snapshot(), compared.facts(), compared.windows(), window, line))
                        .stream()
                        .map(one -> new VarianceParty(
                                one.counterparty(),
                                one.forecast(),
                                one.actual(),
                                one.variance(),
                                one.why(),
                                one.items().stream()
                                        .map(item -> new VarianceItem(
                                                item.number(),
                                                item.forecast(),
                                                item.actual(),
                                                item.variance(),
                                                item.why()))
                                        .toList()))
                        .toList();
    }

    /** What is said of a row's figure in a window, blank to take it back. */
    record Noting(String row, LocalDate from, LocalDate to, String note) {}

    @PutMapping("/note")
    @Allowed(Role.COMMENTER)
    EditOutcome note(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam long version,
            @RequestBody Noting noting) {
        String note = noting.note() == null ? "" : noting.note();
        return EditOutcome.of(
                plan,
                edits.edit(plan, version, snapshots.note(plan, id, noting.from(), noting.to(), noting.row(), note)),
                stores);
    }

    /** A sum with the currency's sign: £1,250.50. */
    private static String sum(long minor, Currency currency) {
        return (minor < 0 ? "\u2212" : "") + currency.getSymbol(Locale.UK) + Money.words(Math.abs(minor), currency);
    }

    /** A draft of a commentary. */
    record DraftView(String text) {}

    @GetMapping("/draft")
    @Allowed(Role.ONLOOKER)
    DraftView draft(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam(defaultValue = "WEEK") CompareBy by,
            @RequestParam(required = false) LocalDate from) {
        Compared compared = tracking.compared(plan, id, by, from);
        Period window = compared.window();
        if (window == null) {
            throw new Refused("There are no facts after this forecast yet: a commentary says what came otherwise");
        }
        Variance variance = Variance.of(compared.snapshot(), compared.facts(), compared.windows(), window);
        return new DraftView(Commentary.draft(
                variance,
                compared.snapshot().asOf(),
                tracking.decidedAfter(plan, compared.snapshot().asOf()),
                notes(plan, id, window),
                minor -> sum(minor, compared.current().currency())));
    }
}
