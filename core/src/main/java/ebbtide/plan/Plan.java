package ebbtide.plan;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What is assumed, with shared terms in the lines that share them: settings, the lines in the order they are shown, and
 * the buoys. It never changes.
 */
public final class Plan {
    private final Settings settings;
    private final List<Line> lines;
    private final List<Buoy> buoys;
    private final Map<String, Line> byId = new HashMap<>();
    private final Set<String> off = new HashSet<>();
    private final Map<Branch, List<Line>> branches;

    /** Where lines stand directly: in a group of a direction, or at its top. */
    private record Branch(Direction direction, @Nullable String group) {}

    /** Makes a plan; whether it holds together between its lines is asked of {@link PlanCheck}. */
    public Plan(Settings settings, List<Line> lines, List<Buoy> buoys) {
        this.settings = settings;
        this.lines = lines.stream().map(line -> withTerms(line, settings)).toList();
        this.buoys = List.copyOf(buoys);
        this.lines.forEach(line -> byId.putIfAbsent(line.id(), line));
        this.lines.stream().filter(line -> !isOn(line)).forEach(line -> off.add(line.id()));
        this.branches = this.lines.stream()
                .collect(Collectors.groupingBy(
                        line -> new Branch(line.direction(), line.group()), Collectors.toUnmodifiableList()));
    }

    public Settings settings() {
        return settings;
    }

    public List<Line> lines() {
        return lines;
    }

    public List<Buoy> buoys() {
        return buoys;
    }

    /**
     * Returns the plan with the very settings and lines of an earlier one where they are equal to those: what reads
     * them is then known to read the same.
     */
    public Plan sharing(Plan earlier) {
        Settings same = settings.equals(earlier.settings) ? earlier.settings : settings;
        return new Plan(
                same,
                lines.stream()
                        .map(line -> line.equals(earlier.byId.get(line.id())) ? earlier.byId.get(line.id()) : line)
                        .toList(),
                buoys);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Plan plan
                && plan.settings.equals(settings)
                && plan.lines.equals(lines)
                && plan.buoys.equals(buoys);
    }

    @Override
    public int hashCode() {
        return Objects.hash(settings, lines, buoys);
    }

    @Override
    public String toString() {
        return "Plan[" + settings.name() + ", " + lines.size() + " lines]";
    }

    /** A line that shares terms has them as they stand; those that are not there are the check's to report. */
    private static Line withTerms(Line line, Settings settings) {
        Assumption shared = line.assumption().withSharedTerms(settings);
        return shared == line.assumption() ? line : line.with(shared);
    }

    /** Returns the plan with the same assumptions as of another day. */
    public Plan asOf(LocalDate day) {
        return new Plan(settings.withAsOf(day), lines, buoys);
    }

    /**
     * Returns the last month whose profit is worked out: that of the horizon, or the end of its fiscal year where
     * instalments are a share of that year's tax (rules 7.4), so that no instalment depends on how far one looks.
     */
    public YearMonth lastEarnedMonth() {
        YearMonth last = YearMonth.from(settings.horizonEnd());
        boolean wholeYear = lines.stream().anyMatch(line -> line.assumption().readsThisYear() && isActive(line));
        return wholeYear
                ? last.plusMonths(Math.floorMod(settings.firstFiscalMonth().getValue() - 1 - last.getMonthValue(), 12))
                : last;
    }

    /** Returns the plan with a line in the place of the one of its id. */
    public Plan with(Line line) {
        return new Plan(
                settings,
                lines.stream()
                        .map(one -> one.id().equals(line.id()) ? line : one)
                        .toList(),
                buoys);
    }

    /** Returns a line, where it is none that is a group, else every line in the group that is none, in order. */
    public List<Line> linesOf(Line line) {
        return line.isGroup()
                ? lines.stream()
                        .filter(one -> !one.isGroup() && stands(one, line.id()))
                        .toList()
                : List.of(line);
    }

    /**
     * Returns what goes when a line is deleted, in the order in which it goes, the line last: what stands in a group,
     * and the interest of what goes, which would be the interest of nothing.
     */
    public List<Line> goingWith(Line line) {
        List<Line> going = new ArrayList<>();
        childrenOf(line.direction(), line.id()).forEach(child -> going.addAll(goingWith(child)));
        lines.stream()
                .filter(other -> other.assumption()
                        .findInterest()
                        .filter(interest -> line.id().equals(interest.lineId()))
                        .isPresent())
                .forEach(going::add);
        going.add(line);
        return going.stream().distinct().toList();
    }

    private boolean stands(Line line, String group) {
        for (Line at = line; at != null && at.group() != null; at = byId.get(at.group())) {
            if (at.group().equals(group)) {
                return true;
            }
        }
        return false;
    }

    /** Returns the line of an id, if there is one. */
    public Optional<Line> findLine(@Nullable String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** Returns the lines of a direction that stand directly in a group, in order; a null group means the top. */
    public List<Line> childrenOf(Direction direction, @Nullable String group) {
        return branches.getOrDefault(new Branch(direction, group), List.of());
    }

    /** Returns whether a line of the plan and every group it stands in are switched on. */
    public boolean isActive(Line line) {
        return !off.contains(line.id());
    }

    /** A group that is not there, or that stands in itself, is the check's to report. */
    private boolean isOn(Line line) {
        Set<String> seen = new HashSet<>();
        for (Line at = line; at != null && seen.add(at.id()); at = at.group() == null ? null : byId.get(at.group())) {
            if (!at.active()) {
                return false;
            }
        }
        return true;
    }

    /** Returns the names of the groups a line stands in, from the top, with " / " between; empty at the top. */
    public String pathOf(Line line) {
        String path = "";
        for (Line at = line; at.group() != null; ) {
            at = findLine(at.group()).orElseThrow();
            path = path.isEmpty() ? at.name() : at.name() + " / " + path;
        }
        return path;
    }
}
