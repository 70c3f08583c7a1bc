package ebbtide.app.api;

import ebbtide.answers.ChaseAndHold;
import ebbtide.answers.ItemTable;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.ItemEdits;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import ebbtide.books.Habits;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.items.LineItems;
import ebbtide.money.Check;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.SaidHabit;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Receivables and payables: open items with the days they are expected, edited in place. */
@RestController
@RequestMapping("/api/plans/{plan}/items")
class ItemsController {
    private static final int MOST_ROWS = 2_000;
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;

    ItemsController(Plans plans, Edits edits, Stores stores) {
        this.plans = plans;
        this.edits = edits;
        this.stores = stores;
    }

    /**
     * The open items of a direction, their sums, and the lines that may have some; {@code more} says that not all rows
     * are here.
     */
    record OpenItemsView(
            List<OpenItemView> items,
            boolean more,
            List<ItemTable.Sum> byCounterparty,
            List<ItemTable.Sum> byAge,
            List<ItemTable.Sum> byWeek,
            ItemTable.Sum total,
            List<LineOfItems> lines) {}

    /** A line that may have items, and whether they count on it. */
    record LineOfItems(String id, String name, boolean counts) {}

    /** What the books say by hand of an item of which a scenario says something else. */
    record SaidInBase(
            @Schema(nullable = true) @Nullable LocalDate expected,
            @Schema(nullable = true) @Nullable LocalDate promised,
            String standing) {
        static SaidInBase of(Handling said) {
            return new SaidInBase(said.expected(), said.promised(), word(said.standing()));
        }
    }

    /**
     * An open item: as its file holds it, when it is expected and why, what it is expected to pay, and what the books
     * say of it where the scenario that is shown says something else.
     */
    record OpenItemView(
            @Schema(ref = DocumentPart.ITEM) Object item,
            String id,
            String line,
            long open,
            @Schema(nullable = true) @Nullable LocalDate expected,
            long pays,
            String because,
            String source,
            long daysLate,
            @Schema(nullable = true) @Nullable SaidInBase base) {}

    @GetMapping
    @Allowed(Role.ONLOOKER)
    OpenItemsView items(
            @PathVariable String plan,
            @RequestParam Direction direction,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(defaultValue = "ALL") ItemChoice.Show show,
            @RequestParam(defaultValue = "EXPECTED") ItemChoice.Order order,
            @RequestParam(defaultValue = "false") boolean descending,
            @RequestParam(defaultValue = "200") int limit) {
        PlanAtVersion current = plans.shown(plan);
        ItemTable table = ItemTable.of(current.forecast(), direction);
        List<ItemTable.Row> fitting = new ItemChoice(words, show, order, descending)
                .of(table.rows(), current.plan().settings().asOf());
        Check.that(limit >= 1, "At least 1 row is asked for, but it was " + limit);
        int most = Math.min(limit, MOST_ROWS);
        List<LineOfItems> lines = current.plan().lines().stream()
                .filter(line -> line.direction() == direction && !line.isGroup())
                .map(line -> new LineOfItems(line.id(), line.name(), LineItems.counts(line)))
                .toList();
        return new OpenItemsView(
                fitting.stream().limit(most).map(row -> view(row, current)).toList(),
                fitting.size() > most,
                table.byCounterparty(),
                table.byAge(),
                table.byWeek(),
                table.total(),
                lines);
    }

    private static OpenItemView view(ItemTable.Row row, PlanAtVersion current) {
        return new OpenItemView(
                PlanWriter.json(row.item(), current.currency()),
                row.item().id(),
                row.line().name(),
                row.item().signedOpen(),
                row.expected().day(),
                row.expected().minor(),
                row.expected().because(),
                word(row.expected().source()),
                row.daysLate(),
                row.line()
                        .findSaidOfItem(row.item().id())
                        .flatMap(one -> current.books().items().find(one.item()))
                        .map(item -> SaidInBase.of(item.handling()))
                        .orElse(null));
    }

    private static String word(Enum<?> one) {
        return one.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** How the counterparties of a direction pay: each with its habit, and how well habits foretold payment so far. */
    record HabitsView(List<HabitView> counterparties, double habitError, double dueError, int backtested) {}

    /**
     * A counterparty's habit in days late (negative: early), with how many of its own items stand behind it, each of
     * them, and what an analyst says instead.
     */
    record HabitView(
            String counterparty,
            int days,
            int items,
            List<Long> daysLate,
            @Schema(nullable = true) @Nullable Integer said) {}

    @GetMapping("/habits")
    @Allowed(Role.ONLOOKER)
    HabitsView habits(@PathVariable String plan, @RequestParam Direction direction) {
        PlanAtVersion current = plans.shown(plan);
        Habits habits = current.forecast().items().habits(direction);
        Habits.Backtest backtest = ItemTable.backtest(current.forecast(), direction);
        return new HabitsView(
                ItemTable.habits(current.forecast(), direction, habits).stream()
                        .map(one -> new HabitView(
                                one.counterparty(),
                                one.days(),
                                one.daysLate().size(),
                                one.daysLate(),
                                said(current, direction, one.counterparty())))
                        .toList(),
                backtest.habitError(),
                backtest.dueError(),
                backtest.items());
    }

    private static @Nullable Integer said(PlanAtVersion current, Direction direction, String counterparty) {
        return current.plan().settings().habits().stream()
                .filter(habit ->
                        habit.direction() == direction && habit.counterparty().equals(counterparty))
                .map(SaidHabit::days)
                .findFirst()
                .orElse(null);
    }

    /**
     * An item that lifts low water when it is moved: from its expected day to another, by how much, to what low water,
     * at what cost.
     */
    record ChanceView(
            OpenItemView item, LocalDate to, long lift, LocalDate lowWaterDay, long lowWaterCash, String cost) {}

    /**
     * Returns the receivables worth chasing, or the payables worth holding, each moved alone by some days, the greatest
     * lift first.
     */
    @GetMapping("/chances")
    @Allowed(Role.ONLOOKER)
    List<ChanceView> chances(
            @PathVariable String plan, @RequestParam Direction direction, @RequestParam(defaultValue = "14") int days) {
        PlanAtVersion current = plans.shown(plan);
        int by = ebbtide.money.Check.inRange(days, 1, 120, "days to move by");
        return ChaseAndHold.of(current.forecast(), direction, by).stream()
                .map(one -> new ChanceView(
                        view(one.row(), current),
                        one.to(),
                        one.lift(),
                        one.lowWater().day(),
                        one.lowWater().cash(),
                        one.cost()))
                .toList();
    }

    /** Returns the tide line as it would be with an item expected on a day; nothing is changed. */
    @GetMapping("/{id}/trial")
    @Allowed(Role.ONLOOKER)
    PlanView.TideLine trial(@PathVariable String plan, @PathVariable String id, @RequestParam LocalDate expected) {
        return PlanView.tide(ChaseAndHold.trial(plans.shown(plan).forecast(), id, expected));
    }

    /**
     * Puts items as they are sent, new or changed, as one edit; one without a due day is due by its line's terms.
     * Refuses all where one is on a line that is not there or is a group, or has the number of another.
     */
    @PutMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome put(
            @PathVariable String plan,
            @RequestParam long version,
            @RequestParam String words,
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content = @Content(array = @ArraySchema(schema = @Schema(ref = DocumentPart.SENT_ITEM))))
                    @RequestBody
                    List<JsonNode> sent) {
        return EditOutcome.of(plan, edits.edit(plan, version, ItemEdits.put(sent, words)), stores);
    }

    @DeleteMapping("/{id}")
    EditOutcome delete(@PathVariable String plan, @PathVariable String id, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, ItemEdits.remove(id)), stores);
    }
}
