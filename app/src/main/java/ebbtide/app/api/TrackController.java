package ebbtide.app.api;

import ebbtide.app.storage.Edits;
import ebbtide.app.storage.SnapshotStore;
import ebbtide.app.storage.Stores;
import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.plan.Settings;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.track.Snapshot;
import ebbtide.track.Variance;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Snapshots of the forecast, and each held against what happened since. */
@RestController
@RequestMapping("/api/plans/{plan}/snapshots")
class TrackController {
  private final Edits edits;
  private final Stores stores;

  TrackController(Edits edits, Stores stores) {
    this.edits = edits;
    this.stores = stores;
  }

  @GetMapping
  List<SnapshotStore.SnapshotListed> list(@PathVariable String plan) {
    return stores.snapshots().all(plan);
  }

  /** The name and note of a snapshot to keep. */
  record Keeping(String name, String note) {}

  @PostMapping
  EditOutcome keep(@PathVariable String plan, @RequestParam long version, @RequestBody Keeping keeping) {
    String name = Check.text(keeping.name(), "name of the snapshot");
    Check.that(name.length() <= 200, "the name of a snapshot has at most 200 characters");
    String id = UUID.randomUUID().toString();
    Forecast forecast = edits.current(plan).forecast();
    return EditOutcome.of(plan, edits.edit(plan, version, "Snapshot '" + name + "' saved",
        draft -> draft.addSnapshot(id, name, keeping.note() == null ? "" : keeping.note(), forecast)), stores);
  }

  @DeleteMapping("/{id}")
  EditOutcome remove(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
    return EditOutcome.of(plan, edits.edit(plan, version, "Snapshot removed", draft -> draft.removeSnapshot(id)), stores);
  }

  /** The windows a snapshot can be compared on, and the comparison of the one asked for; none has facts yet: null. */
  record VarianceView(List<WindowView> windows, @Schema(nullable = true) WindowView window, List<VarianceRow> rows,
      List<String> moved) {}

  /** A window of days, both included. */
  record WindowView(LocalDate from, LocalDate to) {}

  /** A line's forecast, actual and variance; percent in hundredths of a percent, null where nothing was forecast. */
  record VarianceRow(String id, String kind, String name, @Schema(nullable = true) String direction, int depth,
      long forecast, long actual, long variance, @Schema(nullable = true) Long percentHundredths) {}

  @GetMapping("/{id}/variance")
  VarianceView variance(@PathVariable String plan, @PathVariable String id, @RequestParam(defaultValue = "WEEK") Periods by,
      @RequestParam(defaultValue = "false") boolean toDate, @RequestParam(required = false) LocalDate from) {
    Edits.Current current = edits.current(plan);
    Settings settings = current.plan().settings();
    Snapshot snapshot = stores.snapshots().get(plan, id, settings.asOf());
    Period all = Variance.findComparable(snapshot, settings.asOf()).orElse(null);
    if (all == null) {
      return new VarianceView(List.of(), null, List.of(), List.of());
    }
    List<Period> windows = toDate ? List.of(all)
        : by.cover(all.startInclusive(), all.lastDay(), settings.firstDayOfWeek(), settings.firstFiscalMonth(), snapshot.asOf());
    Period window = windows.stream().filter(w -> from != null && w.contains(from)).findFirst()
        .orElse(windows.get(windows.size() - 1));
    Variance variance = Variance.of(snapshot, current.plan(), current.books(), window);
    return new VarianceView(windows.stream().map(TrackController::view).toList(), view(window),
        variance.rows().stream().map(TrackController::row).toList(), variance.moved());
  }

  private static WindowView view(Period window) {
    return new WindowView(window.startInclusive(), window.lastDay());
  }

  private static VarianceRow row(Variance.Row row) {
    return new VarianceRow(row.id(), row.kind().name().toLowerCase(Locale.ROOT), row.name(),
        row.direction() == null ? null : row.direction().name().toLowerCase(Locale.ROOT), row.depth(), row.forecast(),
        row.actual(), row.variance(), row.variancePercentHundredths());
  }
}
