package ebbtide.app.api;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.app.storage.Edits;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.PlanAtVersion;
import ebbtide.app.storage.Stores;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
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
    private final Edits edits;
    private final Stores stores;

    MonthsController(Edits edits, Stores stores) {
        this.edits = edits;
        this.stores = stores;
    }

    /** The months of a window, the fiscal years they fall into, and the lines planned by month with what counts. */
    record MonthsTable(List<String> months, List<ShownMonths.YearView> years, List<MonthsRow> rows) {}

    /** A line's amounts by month, and what its years come to. */
    record MonthsRow(String id, String name, boolean typed, List<Long> amounts, List<Long> years) {}

    /** What is typed on a line: decimal text by month. */
    record TypedLine(String lineId, Map<String, String> amounts) {}

    @GetMapping
    MonthsTable table(
            @PathVariable String plan,
            @RequestParam Direction direction,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to) {
        PlanAtVersion shown = edits.shown(plan);
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
    EditOutcome type(@PathVariable String plan, @RequestParam long version, @RequestBody List<TypedLine> lines) {
        Plan current = edits.shown(plan).plan();
        List<SortedMap<YearMonth, Long>> amounts = new ArrayList<>();
        lines.forEach(line -> amounts.add(TypedMonths.amounts(line.amounts(), current)));
        int count = amounts.stream().mapToInt(SortedMap::size).sum();
        String words = count + (count == 1 ? " month" : " months") + " of " + lines.size()
                + (lines.size() == 1 ? " line" : " lines") + " typed";
        return EditOutcome.of(
                plan,
                edits.edit(plan, version, words, draft -> {
                    List<PlacedLine> placed = edits.shown(plan).placed();
                    for (int i = 0; i < lines.size(); i++) {
                        TypedMonths.put(draft, placed, lines.get(i).lineId(), amounts.get(i), current);
                    }
                }),
                stores);
    }
}
