package ebbtide.app.api;

import ebbtide.app.api.ForecastController.ItemView;
import ebbtide.app.storage.Edits;
import ebbtide.forecast.RollForward;
import ebbtide.workings.RollForwardWorkings;
import ebbtide.forecast.RollForwards;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.YearMonth;
import java.util.List;
import java.util.Locale;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is owed and held, rolled forward month by month (rules 9.3 c). */
@RestController
@RequestMapping("/api/plans/{plan}/roll-forwards")
class RollForwardsController {
  private final Edits edits;

  RollForwardsController(Edits edits) {
    this.edits = edits;
  }

  /** A roll-forward of a line, or of all lines of its kind where there is no line. */
  public record RollForwardView(String kind, @Schema(nullable = true) String lineId, String name, List<String> months, List<Long> opening,
      List<ChangeView> changes, List<Long> closing) {
    static RollForwardView of(RollForward roll) {
      return new RollForwardView(word(roll.kind()), roll.lineId(), roll.name(), roll.months().stream().map(YearMonth::toString).toList(),
          roll.opening(), roll.changes().stream().map(change -> new ChangeView(change.name(), change.amounts())).toList(), roll.closing());
    }
  }

  /** One cause of change, by month; what lowers the balance is negative. */
  public record ChangeView(String name, List<Long> amounts) {}

  private static String word(RollForward.Kind kind) {
    return kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  @GetMapping
  List<RollForwardView> all(@PathVariable String plan, @RequestParam(defaultValue = "12") int months) {
    return RollForwards.of(edits.current(plan).forecast(), Math.min(72, Math.max(1, months))).stream().map(RollForwardView::of).toList();
  }

  /** The parts of a figure of a roll-forward; without a line, of the total of its kind. */
  @GetMapping("/workings")
  List<ItemView> workings(@PathVariable String plan, @RequestParam String kind, @RequestParam(required = false) String line,
      @RequestParam String row, @RequestParam YearMonth month) {
    RollForward.Kind found = java.util.Arrays.stream(RollForward.Kind.values()).filter(one -> word(one).equals(kind)).findFirst()
        .orElseThrow(() -> new IllegalArgumentException("There is no roll-forward of '" + kind + "'"));
    return RollForwardWorkings.of(edits.current(plan).forecast(), found, line, row, month).stream().map(ItemView::of).toList();
  }
}
