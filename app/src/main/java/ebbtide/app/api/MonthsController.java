package ebbtide.app.api;

import ebbtide.activity.ActivityCalculator;
import ebbtide.app.storage.Edits;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.Stores;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Direction;
import ebbtide.plan.Plan;
import ebbtide.time.Timeline;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedMap;
import java.util.stream.IntStream;
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

    /**
     * The months, and the lines planned by month with what counts in each; history up to the first that is forecast.
     */
    record MonthsTable(List<String> months, String firstForecast, List<MonthsRow> rows) {}

    /** A line's amounts by month. */
    record MonthsRow(String id, String name, boolean typed, List<Long> amounts) {}

    /** What is typed on a line: decimal text by month. */
    record TypedLine(String lineId, Map<String, String> amounts) {}

    @GetMapping
    MonthsTable table(
            @PathVariable String plan, @RequestParam String direction, @RequestParam(defaultValue = "24") int months) {
        Plan current = edits.shown(plan).plan();
        ActivityCalculator activity = new ActivityCalculator(current);
        YearMonth first = current.settings().firstForecastMonth();
        int count = Math.min(72, Math.max(1, months));
        List<MonthsRow> rows = current.lines().stream()
                .filter(line -> line.direction() == Direction.valueOf(direction.toUpperCase(Locale.ROOT)))
                .flatMap(line -> line.findStream().stream()
                        .map(stream -> new MonthsRow(
                                line.id(),
                                line.name(),
                                stream.method() instanceof ActivityMethod.TypedMonths,
                                IntStream.range(0, count)
                                        .mapToObj(i ->
                                                activity.planned(line).in(Timeline.monthNumber(first.plusMonths(i))))
                                        .toList())))
                .toList();
        return new MonthsTable(
                IntStream.range(0, count)
                        .mapToObj(i -> first.plusMonths(i).toString())
                        .toList(),
                first.toString(),
                rows);
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
