package ebbtide.statements;

import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * The lines of a section of a statement in the order of the plan's tree, each group of two or more of them before them
 * as a row with their total (rules 9.6). A group whose lines are all of one group in it leaves the row to that.
 */
final class LineGroups {
    /** Makes the figure of a line that folds into a row, null for none. */
    interface Of {
        Figure line(Line line, @Nullable String group);
    }

    private final Plan plan;
    private final String section;
    private final Of of;

    private LineGroups(Plan plan, String section, Of of) {
        this.plan = plan;
        this.section = section;
        this.of = of;
    }

    /** Returns the figures of some lines and of their groups; a section tells its groups from those of another. */
    static List<Figure> of(Plan plan, String section, List<Line> lines, Of of) {
        return new LineGroups(plan, section, of).below(null, lines, null);
    }

    private List<Figure> below(@Nullable String parent, List<Line> lines, @Nullable String row) {
        Map<String, List<Line>> children = new LinkedHashMap<>();
        for (Line line : lines) {
            children.computeIfAbsent(childOf(parent, line), id -> new ArrayList<>())
                    .add(line);
        }
        List<Figure> all = new ArrayList<>();
        children.forEach((child, members) -> {
            if (members.size() == 1) {
                all.add(of.line(members.get(0), row));
            } else if (isOneGroup(child, members)) {
                all.addAll(below(child, members, row));
            } else {
                String id = "group " + section + " " + child;
                List<Figure> inside = below(child, members, id);
                all.add(Figure.group(
                        id,
                        plan.findLine(child).orElseThrow().name(),
                        row,
                        inside.stream().filter(one -> id.equals(one.group())).toList()));
                all.addAll(inside);
            }
        });
        return all;
    }

    /** Whether all lines below a group are below a single group of it. */
    private boolean isOneGroup(String group, List<Line> members) {
        return members.stream().map(line -> childOf(group, line)).distinct().count() == 1;
    }

    /** What stands directly below a group, or at the top, on the way down to a line: a group, or the line itself. */
    private String childOf(@Nullable String parent, Line line) {
        Line at = line;
        while (at.group() != null && !Objects.equals(at.group(), parent)) {
            at = plan.findLine(at.group()).orElseThrow();
        }
        return at.id();
    }
}
