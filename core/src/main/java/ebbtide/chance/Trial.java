package ebbtide.chance;

import ebbtide.books.Habits;
import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.items.ExpectedItem;
import ebbtide.items.PartyItems;
import ebbtide.plan.Basis;
import ebbtide.plan.CashRow;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import ebbtide.time.DaySeries;
import ebbtide.track.KeptFlows;
import ebbtide.track.Outturn;
import ebbtide.track.PastErrors;
import ebbtide.track.Snapshot;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * How often cash came to lie where runs would have had it (rules 11.8): from snapshots of the latest weeks with what
 * was known then, without sweep, cash less what was drawn since against the middle eight tenths of the runs, by lead.
 */
public final class Trial {
    /** So many origins are tried. */
    public static final int ORIGINS = 12;

    private static final int LOW = 10;
    private static final int HUNDRED = 100;

    private final PastErrors past;
    private final Outturn facts;
    private final Plan plan;
    private final BusinessDays calendar;
    private final Set<String> facilities;

    /** How many forecasts of a lead were tried, and in how many cash fell within. */
    public record Lead(int lead, int tried, int within) {}

    private Trial(Plan plan, PastErrors past, BusinessDays calendar) {
        this.plan = plan;
        this.past = past;
        this.facts = past.facts();
        this.calendar = calendar;
        this.facilities = plan.lines().stream()
                .filter(line -> line.standing().cash() == CashRow.FACILITIES)
                .map(Line::id)
                .collect(Collectors.toSet());
    }

    /** Returns the leads of a plan that could be tried, of so many runs from each origin. */
    public static List<Lead> of(Forecast forecast, PastErrors past, int weeks, int runs, long seed) {
        Trial trial = new Trial(forecast.plan(), past, forecast.timeline().calendar());
        int[][] found = past.recent().parallelStream()
                .map(origin -> trial.within(origin, weeks, runs, seed))
                .toArray(int[][]::new);
        return IntStream.range(0, weeks)
                .mapToObj(at -> new Lead(
                        at + 1,
                        (int) Arrays.stream(found)
                                .filter(one -> one.length > at)
                                .count(),
                        (int) Arrays.stream(found)
                                .filter(one -> one.length > at && one[at] == 1)
                                .count()))
                .filter(one -> one.tried() > 0)
                .toList();
    }

    /** Of one origin by lead: 1 where cash fell within. */
    private int[] within(Snapshot origin, int weeks, int runs, long seed) {
        Span span = Span.of(origin.asOf(), origin.horizonEnd(), plan.settings().firstDayOfWeek(), weeks, calendar);
        int leads = Math.min(span.leads(), span.whole().over(facts.asOf()));
        Picture picture = new Picture(plan.settings().chances(), span, past, drawable(origin));
        DaySeries forecast = origin.flows().entrySet().stream()
                .filter(one -> !facilities.contains(one.getKey()))
                .map(one -> one.getValue().all())
                .reduce(DaySeries.NIL, DaySeries::plus)
                .levels(span.days(), origin.cashAtAsOf());
        long[][] closing = new long[leads][runs];
        picture.draw(seed, 1, runs + 1, (line, party) -> (run, day, minor) -> {}, (number, more) -> {
            DaySeries moved = DaySeries.of(more).levels(span.days(), 0);
            for (int at = 0; at < leads; at++) {
                int day = span.index(span.end(at + 1));
                closing[at][number - 1] = forecast.on(day) + moved.on(day);
            }
        });
        return IntStream.range(0, leads)
                .map(at -> isWithin(cash(origin.asOf(), span.end(at + 1)), closing[at]) ? 1 : 0)
                .toArray();
    }

    private static boolean isWithin(long cash, long[] drawn) {
        Arrays.sort(drawn);
        long low = drawn[(drawn.length * LOW + HUNDRED - 1) / HUNDRED - 1];
        long high = drawn[(drawn.length * (HUNDRED - LOW) + HUNDRED - 1) / HUNDRED - 1];
        return cash >= low && cash <= high;
    }

    /** Cash on a day less what was drawn since another. */
    private long cash(LocalDate since, LocalDate on) {
        return facts.books().cash(on)
                - facilities.stream()
                        .mapToLong(id -> facts.actual(id, since.plusDays(1), on))
                        .sum();
    }

    private List<Picture.Drawable> drawable(Snapshot origin) {
        Map<String, List<Snapshot.KeptItem>> items = origin.itemsByLine();
        List<Picture.Drawable> found = new ArrayList<>();
        for (Snapshot.KeptLine kept : origin.lines()) {
            Optional<Line> line = plan.findLine(kept.id());
            if (line.isPresent() && !facilities.contains(kept.id())) {
                List<Snapshot.KeptItem> own = items.getOrDefault(kept.id(), List.of());
                found.add(new Picture.Drawable(
                        kept.id(),
                        kept.name(),
                        kept.direction(),
                        basis(kept, line.get()),
                        Picture.isFirm(plan.settings().chances(), line.get()),
                        origin.flows().getOrDefault(kept.id(), KeptFlows.NONE).estimated(),
                        likely(origin.asOf(), line.get(), own),
                        own.stream().collect(Collectors.toMap(Snapshot.KeptItem::id, Snapshot.KeptItem::minor))));
            }
        }
        return found;
    }

    private static @Nullable Basis basis(Snapshot.KeptLine kept, Line line) {
        return kept.basis() != null
                ? kept.basis()
                : line.findStream().map(one -> one.basis()).orElse(null);
    }

    /** What was promised is not known any more: every item is drawn by the habits of then, but for bills in runs. */
    private List<PartyItems> likely(LocalDate asOf, Line line, List<Snapshot.KeptItem> items) {
        if (items.isEmpty()
                || line.direction() == Direction.PAYMENT && plan.settings().paymentRuns() != null) {
            return List.of();
        }
        Habits habits = facts.books()
                .items()
                .habits(
                        plan.lines().stream()
                                .filter(one -> one.direction() == line.direction())
                                .map(Line::id)
                                .collect(Collectors.toSet()),
                        asOf);
        Convention convention = line.assumption().conventionOfItems(line.direction());
        UnaryOperator<LocalDate> paidOn = base -> {
            LocalDate day = convention.adjust(base, calendar);
            return day.isAfter(asOf) ? day : calendar.next(asOf);
        };
        return items.stream()
                .filter(item -> item.minor() != 0)
                .collect(Collectors.groupingBy(Snapshot.KeptItem::counterparty, TreeMap::new, Collectors.toList()))
                .entrySet()
                .stream()
                .map(party -> {
                    Optional<Habits.Mixture> habit = habits.mixture(party.getKey(), line.id());
                    return new PartyItems(
                            party.getKey(),
                            0,
                            paidOn,
                            party.getValue().stream()
                                    .map(item -> new PartyItems.Likely(
                                            expected(item),
                                            habit,
                                            asOf.toEpochDay() - item.due().toEpochDay(),
                                            false))
                                    .toList());
                })
                .toList();
    }

    private static ExpectedItem expected(Snapshot.KeptItem item) {
        long minor = Math.abs(item.minor());
        return new ExpectedItem(
                new OpenItem(
                        item.id(),
                        OpenItem.Kind.INVOICE,
                        item.number(),
                        item.counterparty(),
                        item.lineId(),
                        item.due(),
                        item.due(),
                        item.due(),
                        new OpenItem.Amount(minor, 0, false, minor),
                        null,
                        Handling.NONE,
                        null),
                item.day(),
                minor,
                0,
                "",
                ExpectedItem.Source.HABIT);
    }
}
