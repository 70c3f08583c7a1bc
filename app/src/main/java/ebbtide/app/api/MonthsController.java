package ebbtide.app.api;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.MonthEdits;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The months of all lines of a direction side by side, and a block of them typed in one edit. */
@RestController
@RequestMapping("/api/plans/{plan}/months")
class MonthsController {
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;

    MonthsController(Plans plans, Edits edits, Stores stores) {
        this.plans = plans;
        this.edits = edits;
        this.stores = stores;
    }

    /** The months of a window, the fiscal years they fall into, and the lines planned by month with what counts. */
    record MonthsTable(List<String> months, List<ShownMonths.YearView> years, List<MonthsRow> rows) {}

    /** A line's amounts by month, and what its years come to. */
    record MonthsRow(String id, String name, boolean typed, List<Long> amounts, List<Long> years) {}

    @GetMapping
    @Allowed(Role.ONLOOKER)
    MonthsTable table(
            @PathVariable String plan,
            @RequestParam Direction direction,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to) {
        PlanAtVersion shown = plans.shown(plan);
        ShownMonths months = ShownMonths.of(shown.forecast(), from, to);
        ActivityCalculator activity = shown.forecast().accounts().activity();
        return new MonthsTable(
                months.names(),
                months.yearsAfter(0),
                shown.plan().lines().stream()
                        .filter(line -> line.direction() == direction)
                        .flatMap(line -> line.findStream().stream()
                                .map(stream -> row(
                                        line,
                                        stream.method() instanceof ActivityMethod.TypedMonths,
                                        activity.planned(line),
                                        months)))
                        .toList());
    }

    private static MonthsRow row(Line line, boolean typed, MonthlyActivity planned, ShownMonths months) {
        return new MonthsRow(
                line.id(),
                line.name(),
                typed,
                ShownMonths.amounts(planned, months.months()),
                ShownMonths.amounts(planned, months.years()));
    }

    /** Types months of several lines in one edit. */
    @PutMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome type(
            @PathVariable String plan, @RequestParam long version, @RequestBody List<MonthEdits.TypedLine> lines) {
        return EditOutcome.of(plan, edits.edit(plan, version, MonthEdits.type(lines)), stores);
    }
}
