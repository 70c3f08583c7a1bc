package ebbtide.chance;

import static java.util.Objects.requireNonNull;

import ebbtide.flows.Part;
import ebbtide.forecast.Forecast;
import ebbtide.items.PartyItems;
import ebbtide.plan.Basis;
import ebbtide.plan.Chances;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.DaySeries;
import ebbtide.track.PastErrors;
import ebbtide.track.PastErrors.Origin;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * What of a forecast may come otherwise (rules 11.8): lines whose estimates err, and open items that are paid on other
 * days. Each run draws all of it anew; the same run always draws the same.
 */
public final class Picture {
    /** A line with fewer origins than these is drawn by the plan's own doubt. */
    public static final int FEWEST = 8;

    private static final int AT_ONCE = 64;

    private final Chances chances;
    private final Span span;
    private final List<Source> sources = new ArrayList<>();
    private final Map<String, Integer> parties = new HashMap<>();
    private final List<ErringLine> lines = new ArrayList<>();
    private final Map<String, DrawnParty> drawnParties = new LinkedHashMap<>();
    private final int[] leadsOfShared;
    private final List<LocalDate> shared;

    /** A line that may be drawn: what it is now, and what it estimates by day of the span, signed. */
    record Drawable(
            String id,
            String name,
            Direction direction,
            @Nullable Basis basis,
            boolean firm,
            DaySeries estimated,
            List<PartyItems> parties,
            Map<String, Long> forecast) {}

    Picture(Chances chances, Span span, PastErrors past, List<Drawable> drawn) {
        this.chances = chances;
        this.span = span;
        Map<String, List<Origin>> records = new LinkedHashMap<>();
        Map<LocalDate, Integer> leads = new HashMap<>();
        for (Drawable line : drawn) {
            List<Origin> origins = past.of(line.id(), line.basis(), span.asOf());
            records.put(line.id(), origins);
            if (!line.firm() && origins.size() >= FEWEST) {
                origins.forEach(one -> leads.merge(one.asOf(), one.missed().size(), Math::max));
            }
        }
        this.shared = List.copyOf(new TreeSet<>(leads.keySet()));
        this.leadsOfShared = shared.stream().mapToInt(leads::get).toArray();
        drawn.forEach(line -> add(line, records.getOrDefault(line.id(), List.of())));
        List<PartyItems> all = new ArrayList<>();
        drawn.forEach(line -> all.addAll(line.firm() ? List.of() : line.parties()));
        all.forEach(one -> parties.computeIfAbsent(one.counterparty(), name -> {
            sources.add(new Source(null, name, Source.How.ITEMS, 0));
            return sources.size() - 1;
        }));
        for (int i = 0; i < drawn.size(); i++) {
            if (!drawn.get(i).firm()) {
                addItems(i, drawn.get(i));
            }
        }
    }

    /** Returns the picture of a forecast: its lines that are active and that no sweep moves. */
    public static Picture of(Forecast forecast, PastErrors past, int weeks) {
        Plan plan = forecast.plan();
        Chances chances = plan.settings().chances();
        Span span = Span.of(
                plan.settings().asOf(),
                forecast.lastDay(),
                plan.settings().firstDayOfWeek(),
                Math.min(weeks, PastErrors.MOST_LEADS),
                forecast.timeline().calendar());
        Set<String> swept = forecast.funding().moved().keySet();
        return new Picture(
                chances,
                span,
                past,
                plan.lines().parallelStream()
                        .filter(line -> !line.isGroup() && plan.isActive(line) && !swept.contains(line.id()))
                        .map(line -> new Drawable(
                                line.id(),
                                line.name(),
                                line.direction(),
                                line.findStream().map(one -> one.basis()).orElse(null),
                                isFirm(chances, line),
                                forecast.daysAfter(line, Part.ESTIMATED),
                                isFirm(chances, line)
                                        ? List.of()
                                        : forecast.items().likely(line),
                                forecast.itemFlows(line).stream()
                                        .collect(Collectors.toMap(
                                                one -> one.item().item().id(), one -> one.minor(), Long::sum))))
                        .toList());
    }

    static boolean isFirm(Chances chances, Line line) {
        return chances.isFirm(line.id(), line.assumption().isDoubtful());
    }

    private void add(Drawable line, List<Origin> origins) {
        int source = sources.size();
        Source.How how = line.firm() ? Source.How.FIRM : origins.size() < FEWEST ? Source.How.DOUBT : Source.How.RECORD;
        sources.add(new Source(line.id(), line.name(), how, origins.size()));
        if (how != Source.How.FIRM && !line.estimated().isNil()) {
            lines.add(new ErringLine(
                    source, line.id(), line.direction(), line.estimated(), errors(line, origins, how), span));
        }
    }

    private Errors errors(Drawable line, List<Origin> origins, Source.How how) {
        if (how == Source.How.RECORD) {
            int sized = Math.min(PastErrors.SIZED_OVER, span.weeks());
            long estimated = 0;
            for (int lead = 1; lead <= sized; lead++) {
                estimated += Math.abs(span.sum(line.estimated(), lead));
            }
            return Errors.Recorded.of(origins, estimated, Math.max(1, sized), shared);
        }
        long[] estimated = new long[span.leads()];
        for (int lead = 1; lead <= estimated.length; lead++) {
            estimated[lead - 1] = line.direction().sign() * span.sum(line.estimated(), lead);
        }
        return new Errors.Doubt(chances.doubt(line.direction()), line.direction() == Direction.RECEIPT, estimated);
    }

    private void addItems(int source, Drawable line) {
        Map<UnaryOperator<LocalDate>, int[]> paidOn = new IdentityHashMap<>();
        for (PartyItems one : line.parties()) {
            DrawnItems made = new DrawnItems(
                    source,
                    requireNonNull(parties.get(one.counterparty())),
                    line.direction().sign(),
                    one,
                    line.forecast(),
                    chances.promises(),
                    span,
                    paidOn.computeIfAbsent(one.paidOn(), days -> new int[span.days() + 1]));
            if (made.areDrawn()) {
                drawnParties
                        .computeIfAbsent(one.counterparty(), DrawnParty::new)
                        .add(made);
            }
        }
    }

    /**
     * Hands on what runs of a seed, by their numbers from 1, have otherwise than forecast. Who draws is gone through
     * once for all of them: what is known of an item is read once, not once a run.
     */
    void draw(long seed, int[] numbers, Taker take) {
        Run[] runs = new Run[numbers.length];
        for (int place = 0; place < runs.length; place++) {
            runs[place] = new Run(seed, numbers[place], place, chances.together(), leadsOfShared, span.leads());
        }
        lines.forEach(line -> line.draw(runs, take));
        drawnParties.values().forEach(one -> one.draw(runs, take));
    }

    /** Who takes what a run, by its number from 1, has in all otherwise than forecast, by day of the span. */
    interface Days {
        void take(int number, long[] minor);
    }

    /**
     * Hands on what runs of a seed, from one number to before another, have otherwise by day, some at a time, so that
     * their days stay at hand; each movement goes to another taker beside.
     */
    void draw(long seed, int from, int end, Taker beside, Days days) {
        for (int first = from; first < end; first += AT_ONCE) {
            int[] numbers =
                    IntStream.range(first, Math.min(end, first + AT_ONCE)).toArray();
            long[][] more = new long[numbers.length][span.days()];
            long[] ofAll = new long[span.days()];
            draw(seed, numbers, (line, party) -> new Taker.Moves() {
                private final Taker.Moves besides = beside.of(line, party);

                @Override
                public void take(int run, int day, long minor) {
                    more[run][day] += minor;
                    besides.take(run, day, minor);
                }

                @Override
                public void takeOfAll(int runs, int day, long minor) {
                    ofAll[day] += minor;
                    besides.takeOfAll(runs, day, minor);
                }
            });
            for (int run = 0; run < numbers.length; run++) {
                for (int day = 0; day < ofAll.length; day++) {
                    more[run][day] += ofAll[day];
                }
                days.take(numbers[run], more[run]);
            }
        }
    }

    Span span() {
        return span;
    }

    /** Returns the lines in the order of the plan, then the counterparties, by whose places runs hand on. */
    public List<Source> sources() {
        return List.copyOf(sources);
    }

    /** Returns how many weeks err: those asked for, within the horizon. */
    public int weeks() {
        return span.leads();
    }
}
