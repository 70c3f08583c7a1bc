package ebbtide.plan;

import static ebbtide.time.DayFormats.LONG_DAY;
import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What one assumption is in a plan and was in another, in words: its lasting name, what it is, its unit, the day from
 * which it holds where it has several steps or months (null otherwise), and its values, null where it has none.
 */
public record AssumptionChange(
        String path,
        String name,
        String unit,
        @Nullable LocalDate from,
        @Nullable String was,
        @Nullable String now) {

    /** Returns what a line assumes otherwise in one plan than in another; nothing where either has no such line. */
    public static List<AssumptionChange> ofLine(Plan before, Plan after, String lineId) {
        return before.findLine(lineId)
                .flatMap(was -> after.findLine(lineId)
                        .map(is -> between(
                                changed(PlanInputs.ofLine(before, was), PlanInputs.ofLine(after, is)),
                                AssumptionList.ofLine(before, was),
                                AssumptionList.ofLine(after, is))))
                .orElse(List.of());
    }

    /** Returns what the settings assume otherwise in one plan than in another, shared terms among them. */
    public static List<AssumptionChange> ofSettings(Plan before, Plan after) {
        return between(
                changed(PlanInputs.ofSettings(before), PlanInputs.ofSettings(after)),
                AssumptionList.ofSettings(before),
                AssumptionList.ofSettings(after));
    }

    /** The paths of inputs that have another value, or are there in one alone: some are listed by what others are. */
    private static Set<String> changed(List<Input<Plan>> before, List<Input<Plan>> after) {
        Map<String, Input.Value> were = new LinkedHashMap<>();
        before.forEach(one -> were.put(one.path(), one.value()));
        Set<String> paths = new LinkedHashSet<>(were.keySet());
        for (Input<Plan> one : after) {
            if (one.value().equals(were.get(one.path()))) {
                paths.remove(one.path());
            } else {
                paths.add(one.path());
            }
        }
        return paths;
    }

    private static List<AssumptionChange> between(
            Set<String> paths, List<AssumptionList.Entry> before, List<AssumptionList.Entry> after) {
        Map<String, List<AssumptionList.Entry>> were = byPath(before);
        Map<String, List<AssumptionList.Entry>> are = byPath(after);
        List<AssumptionChange> changes = new ArrayList<>();
        paths.forEach(path -> add(changes, were.getOrDefault(path, List.of()), are.getOrDefault(path, List.of())));
        return List.copyOf(changes);
    }

    private static Map<String, List<AssumptionList.Entry>> byPath(List<AssumptionList.Entry> entries) {
        return entries.stream()
                .collect(Collectors.groupingBy(AssumptionList.Entry::path, LinkedHashMap::new, Collectors.toList()));
    }

    /** Where an assumption has one value before and after, it is the value that changes, whatever day it is of. */
    private static void add(
            List<AssumptionChange> to, List<AssumptionList.Entry> before, List<AssumptionList.Entry> after) {
        boolean several = before.size() > 1 || after.size() > 1;
        Map<Optional<LocalDate>, AssumptionList.Entry> were = byDay(before, several);
        Map<Optional<LocalDate>, AssumptionList.Entry> are = byDay(after, several);
        Set<Optional<LocalDate>> days = new LinkedHashSet<>(were.keySet());
        days.addAll(are.keySet());
        for (Optional<LocalDate> day : days) {
            AssumptionList.Entry was = were.get(day);
            AssumptionList.Entry now = are.get(day);
            if (was == null || now == null || !was.value().equals(now.value())) {
                AssumptionList.Entry one = now == null ? requireNonNull(was) : now;
                to.add(new AssumptionChange(
                        one.path(),
                        one.name(),
                        one.unit(),
                        day.orElse(null),
                        was == null ? null : was.value(),
                        now == null ? null : now.value()));
            }
        }
    }

    private static Map<Optional<LocalDate>, AssumptionList.Entry> byDay(
            List<AssumptionList.Entry> entries, boolean several) {
        Map<Optional<LocalDate>, AssumptionList.Entry> byDay = new LinkedHashMap<>();
        entries.forEach(one -> byDay.put(several ? Optional.ofNullable(one.from()) : Optional.empty(), one));
        return byDay;
    }

    /** Returns the change in words: "growth a month 0.4 → 0.9%", "minimum cash from 1 May 2026: 250,000.00 GBP". */
    public String words() {
        String what = from == null ? name : name + " from " + LONG_DAY.format(from);
        if (was == null || now == null) {
            return what + (now == null ? ": no more" : ": " + now + unitWords());
        }
        return what + " " + was + " → " + now + unitWords();
    }

    private String unitWords() {
        return unit.isEmpty() || unit.startsWith("%") ? unit : " " + unit;
    }
}
