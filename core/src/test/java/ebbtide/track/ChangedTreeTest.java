package ebbtide.track;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.books.DayAmount;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.Assumption;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A snapshot held against a plan whose tree has changed since: lines renamed, moved, deleted and added at random. */
class ChangedTreeTest {
    static LongStream seeds() {
        return LongStream.range(0, Asked.of(200));
    }

    /** What was changed, so that the comparison can be held against it. */
    private static final class Changes {
        private final Random random;
        private final Plan then;
        private final List<Line> lines = new ArrayList<>();
        private final List<Line> gone = new ArrayList<>();

        Changes(Plan then, long seed) {
            this.random = new Random(seed * 31 + 7);
            this.then = then;
            for (Line line : then.lines()) {
                if (!line.isGroup()
                        && random.nextInt(4) == 0
                        && then.lines().stream().noneMatch(other -> readsIt(other, line))) {
                    gone.add(line);
                } else {
                    lines.add(changed(line));
                }
            }
            lines.add(new Line(
                    "fresh",
                    null,
                    "Fresh line",
                    Direction.PAYMENT,
                    true,
                    null,
                    "",
                    DatedItems.untaxed(List.of(), ebbtide.time.Convention.NONE),
                    List.of()));
        }

        private static boolean readsIt(Line other, Line line) {
            return other.assumption() instanceof Assumption.Stream stream
                    && stream.method() instanceof ShareOfLine share
                    && share.lineId().equals(line.id());
        }

        private Line changed(Line line) {
            String name = random.nextInt(3) == 0 ? line.name() + " (new)" : line.name();
            String group = line.isGroup() || random.nextInt(3) > 0 ? line.group() : anyGroup(line.direction());
            return new Line(
                    line.id(),
                    group,
                    name,
                    line.direction(),
                    line.active(),
                    line.account(),
                    line.note(),
                    line.assumption(),
                    line.overrides());
        }

        private String anyGroup(Direction direction) {
            List<String> groups = Stream.concat(
                            Stream.of(""),
                            then.lines().stream()
                                    .filter(l -> l.isGroup() && l.direction() == direction)
                                    .map(Line::id))
                    .toList();
            String group = groups.get(random.nextInt(groups.size()));
            return group.isEmpty() ? null : group;
        }

        Plan today(LocalDate asOf) {
            Settings s = then.settings();
            return new Plan(
                    new Settings(
                            s.name(),
                            s.currency(),
                            asOf,
                            s.firstDayOfWeek(),
                            s.firstFiscalMonth(),
                            s.horizonMonths(),
                            s.amountSteps(),
                            s.minimumCash(),
                            s.facility(),
                            s.countedReceipts(),
                            s.countedPayments()),
                    lines,
                    List.of());
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void variance_treeChangedSince_losesNoForecastAndNamesEachChange(long seed) {
        RandomPlans.Case some = RandomPlans.of(seed);
        Snapshot snapshot = Snapshot.of(Forecaster.forecast(some.plan(), some.books()), line -> "");
        Changes changes = new Changes(some.plan(), seed);
        LocalDate now = some.plan().settings().asOf().plusDays(6);
        Plan today = changes.today(now);
        Period window = Variance.findComparable(snapshot, now).orElseThrow();
        Variance variance =
                Variance.of(snapshot, new Outturn(today, some.books(), List.of(), List.of()), List.of(window), window);
        Map<String, Variance.Row> rows =
                variance.rows().stream().collect(Collectors.toMap(Variance.Row::id, row -> row));

        Map<String, Long> kept = snapshot.byLine(window.startInclusive(), window.lastDay());
        for (Line line :
                some.plan().lines().stream().filter(line -> !line.isGroup()).toList()) {
            Variance.Row row = rows.get(line.id());
            assertThat(row.forecast()).as(line.name()).isEqualTo(kept.getOrDefault(line.id(), 0L));
            boolean gone = changes.gone.contains(line);
            assertThat(row.kind()).isEqualTo(gone ? Variance.RowKind.GONE_LINE : Variance.RowKind.LINE);
            assertThat(row.actual())
                    .isEqualTo(booked(some.books().byLine().getOrDefault(line.id(), List.of()), window));
            assertThat(variance.moved().contains("'" + line.name() + "' is no longer in the plan"))
                    .isEqualTo(gone);
        }
        assertThat(rows.get("net").forecast())
                .isEqualTo(kept.values().stream().mapToLong(Long::longValue).sum());
        groupsAreTheSumsOfWhatIsInThem(today, rows);

        for (Line line : today.lines().stream()
                .filter(line -> !line.isGroup() && !line.id().equals("fresh"))
                .toList()) {
            Line was = some.plan().findLine(line.id()).orElseThrow();
            assertThat(variance.moved().contains("'" + was.name() + "' is now called '" + line.name() + "'"))
                    .isEqualTo(!was.name().equals(line.name()));
            assertThat(variance.moved().stream()
                            .anyMatch(words -> words.startsWith("'" + line.name() + "' moved from")))
                    .isEqualTo(!some.plan().pathOf(was).equals(today.pathOf(line)));
        }
        assertThat(variance.moved()).contains("'Fresh line' is new since the snapshot");
    }

    private static void groupsAreTheSumsOfWhatIsInThem(Plan today, Map<String, Variance.Row> rows) {
        for (Line group : today.lines().stream().filter(Line::isGroup).toList()) {
            List<Line> inside = today.childrenOf(group.direction(), group.id());
            assertThat(rows.get(group.id()).forecast())
                    .isEqualTo(inside.stream()
                            .mapToLong(l -> rows.get(l.id()).forecast())
                            .sum());
            assertThat(rows.get(group.id()).variance())
                    .isEqualTo(inside.stream()
                            .mapToLong(l -> rows.get(l.id()).variance())
                            .sum());
        }
        Set<Variance.RowKind> ends = Set.of(
                Variance.RowKind.LINE,
                Variance.RowKind.GONE_LINE,
                Variance.RowKind.UNASSIGNED,
                Variance.RowKind.TRANSFERS);
        assertThat(rows.values().stream()
                        .filter(row -> ends.contains(row.kind()))
                        .mapToLong(Variance.Row::variance)
                        .sum())
                .as("every variance is on a line")
                .isEqualTo(rows.get("net").variance());
        assertThat(rows.values())
                .filteredOn(row -> row.kind() != Variance.RowKind.CLOSING)
                .allSatisfy(row -> assertThat(row.why().total()).isEqualTo(row.variance()));
    }

    private static long booked(List<DayAmount> movements, Period window) {
        return movements.stream()
                .filter(m -> window.contains(m.day()))
                .mapToLong(DayAmount::minor)
                .sum();
    }
}
