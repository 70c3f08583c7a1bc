package ebbtide.app.api;

import ebbtide.activity.Suggestion;
import ebbtide.answers.LineSuggestions;
import ebbtide.answers.PatternFromHistory;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.app.storage.NotFound;
import ebbtide.money.Refused;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.YearMonth;
import java.util.List;
import java.util.Locale;
import java.util.SortedMap;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What history offers a line (rules 2.5): looked at here, and taken as an edit like any other. */
@RestController
@RequestMapping("/api/plans/{plan}/lines/{id}/suggestions")
class SuggestionsController {
    private final Plans plans;

    SuggestionsController(Plans plans) {
        this.plans = plans;
    }

    /** The ways that compete, the one offered (null: too little history) with why, and the pattern that was paid by. */
    record SuggestionsView(
            List<RivalView> rivals,
            @Schema(nullable = true) @Nullable String offered,
            String because,
            PatternOfferView pattern,
            SpreadOfferView spread,
            List<MonthAmount> actual) {}

    /**
     * A way with its errors in hundredths of a percent, what it would have said of months that were, and says of those
     * to come.
     */
    record RivalView(
            String way,
            String words,
            @Schema(nullable = true) @Nullable Long error,
            @Schema(nullable = true) @Nullable Long errorOfLastQuarter,
            List<MonthAmount> said,
            List<MonthAmount> next) {}

    /** The amount of a month. */
    record MonthAmount(String month, long amount) {}

    /** The pattern found (empty: none) with its errors on the last months, beside those of the one in force. */
    record PatternOfferView(
            List<StepView> steps,
            String never,
            @Schema(nullable = true) @Nullable Long error,
            @Schema(nullable = true) @Nullable Long errorInForce,
            int months) {}

    /**
     * Weights of the five weeks of the month (empty: none found) with their error on the last months, beside that in
     * force.
     */
    record SpreadOfferView(
            List<Integer> weights,
            @Schema(nullable = true) @Nullable Long error,
            @Schema(nullable = true) @Nullable Long errorInForce) {}

    /** A step: its share in percent, and how many months later it is paid. */
    record StepView(String share, int lag) {}

    @GetMapping
    @Allowed(Role.ONLOOKER)
    SuggestionsView suggest(
            @PathVariable String plan, @PathVariable String id, @RequestParam(defaultValue = "24") int months) {
        PlanAtVersion current = plans.shown(plan);
        Line line = current.plan().findLine(id).orElseThrow(() -> new NotFound("line", id));
        Assumption.Stream stream = line.findStream()
                .orElseThrow(() -> new Refused(
                        "'" + line.name() + "' is not planned by month, so history suggests nothing for it"));
        LineSuggestions found =
                LineSuggestions.of(current.plan(), current.books(), line, Math.min(72, Math.max(1, months)));
        return new SuggestionsView(
                found.amounts().rivals().stream()
                        .map(SuggestionsController::view)
                        .toList(),
                found.amounts().offered() == null ? null : word(found.amounts().offered()),
                found.amounts().because(),
                view(found.pattern()),
                new SpreadOfferView(
                        found.spread().found() == null
                                ? List.of()
                                : found.spread().found().weights(),
                        found.spread().error(),
                        found.spread().errorInForce()),
                amounts(stream.history()));
    }

    private static String word(Suggestion.Way way) {
        return way.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static RivalView view(Suggestion.Rival rival) {
        return new RivalView(
                word(rival.way()),
                rival.way().words(),
                rival.error(),
                rival.errorOfLastQuarter(),
                amounts(rival.said()),
                amounts(rival.next()));
    }

    private static List<MonthAmount> amounts(SortedMap<YearMonth, Long> months) {
        return months.entrySet().stream()
                .map(month -> new MonthAmount(month.getKey().toString(), month.getValue()))
                .toList();
    }

    private static PatternOfferView view(PatternFromHistory found) {
        MonthPattern pattern = found.found();
        return new PatternOfferView(
                pattern == null
                        ? List.of()
                        : pattern.steps().stream()
                                .map(step -> new StepView(step.share().number(), step.lagMonths()))
                                .toList(),
                pattern == null ? "0" : pattern.never().number(),
                found.error(),
                found.errorInForce(),
                found.months());
    }
}
