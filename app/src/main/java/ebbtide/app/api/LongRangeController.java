package ebbtide.app.api;

import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.forecast.Forecast;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.LongRange;
import ebbtide.statements.LongRangeTable;
import ebbtide.workings.Workings;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** The years after the months that are planned, in percent of sales, and what they need from outside (rules 9.4). */
@RestController
@RequestMapping("/api/plans/{plan}/statements/long-range")
class LongRangeController {
    private static final int YEARS = 5;
    private final Plans plans;

    LongRangeController(Plans plans) {
        this.plans = plans;
    }

    /**
     * The years by their last days and what each needs; without years why there are none, and what the plan itself
     * proposes as settings hold it.
     */
    record LongRangeView(
            List<LocalDate> ends,
            List<ProFormaRow> rows,
            List<NeedView> needs,
            @Schema(nullable = true) @Nullable String missing,

            @Schema(ref = DocumentPart.LONG_RANGE, nullable = true) @Nullable
            JsonNode proposed) {}

    /** What is needed from outside in a year, below zero what is left over, with its parts. */
    record NeedView(LocalDate end, long minor, String sentence, List<ItemView> parts) {
        static NeedView of(LongRangeTable.Need need) {
            return new NeedView(
                    need.end(),
                    need.minor(),
                    need.sentence(),
                    need.parts().stream()
                            .map(part -> ItemView.of(new Workings.Item(null, part.name(), "", null, part.minor())))
                            .toList());
        }
    }

    @GetMapping
    @Allowed(Role.ONLOOKER)
    LongRangeView years(@PathVariable String plan) {
        Forecast forecast = plans.shown(plan).forecast();
        LongRange range = forecast.plan().settings().longRange();
        if (!LongRangeTable.isPossible(forecast)) {
            return new LongRangeView(
                    List.of(),
                    List.of(),
                    List.of(),
                    "The years go on from twelve months of detail: plan at least twelve months ahead, under Setup",
                    null);
        }
        if (range == null) {
            return new LongRangeView(
                    List.of(),
                    List.of(),
                    List.of(),
                    null,
                    PlanWriter.json(
                            LongRangeTable.proposed(forecast, YEARS),
                            forecast.plan().settings().currency()));
        }
        LongRangeTable table = LongRangeTable.of(forecast, range);
        return new LongRangeView(
                table.ends(),
                table.rows().stream().map(ProFormaRow::of).toList(),
                table.needs().stream().map(NeedView::of).toList(),
                null,
                null);
    }
}
