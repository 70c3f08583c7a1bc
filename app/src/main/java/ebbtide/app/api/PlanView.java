package ebbtide.app.api;

import ebbtide.answers.ChecklistItem;
import ebbtide.app.desk.Marks;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.people.Hand;
import ebbtide.app.storage.Stores;
import ebbtide.books.Account;
import ebbtide.forecast.Forecast;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.money.Money;
import ebbtide.plan.Buoy;
import ebbtide.plan.Line;
import ebbtide.plan.Pay;
import ebbtide.time.BusinessDays;
import ebbtide.time.Period;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What every view of a plan needs: its settings, tree, accounts, buoys, what is missing, and the tide line. */
public record PlanView(
        String id,
        long version,
        boolean archived,
        @Schema(ref = DocumentPart.SETTINGS) Map<String, Object> settings,
        int decimals,
        TideLine tide,
        List<TreeLine> lines,
        List<AccountView> accounts,
        List<BuoyView> buoys,
        List<MissingView> missing,
        int unassigned,
        List<ScenarioName> scenarios,
        @Schema(nullable = true) @Nullable ShownView shown,
        @Schema(nullable = true) @Nullable String undo,
        @Schema(nullable = true) @Nullable String redo,
        List<String> countries) {
    private static final JsonMapper PLAIN = new JsonMapper();

    /** Cash by day from the first day on, with what it is measured against, and what falls short of it. */
    public record TideLine(
            LocalDate firstDay,
            LocalDate asOf,
            LocalDate horizonEnd,
            long[] closing,
            long[] minimum,
            long[] limit,
            long[] shortfall,
            Marks marks,
            long cashNow,
            long headroomNow) {}

    /** A scenario in the list of those that can be shown. */
    public record ScenarioName(String id, String name, boolean putBy) {}

    /**
     * The scenario that is shown in the place of the base: how many of its changes find nothing, and the base's closing
     * cash by day.
     */
    public record ShownView(String id, String name, int lost, long[] base) {
        static ShownView of(PlanAtVersion.Shown shown) {
            return new ShownView(
                    shown.scenario().id(),
                    shown.scenario().name(),
                    (int) shown.made().changes().stream()
                            .filter(done -> done.findsNothing().isPresent())
                            .count(),
                    tide(shown.base()).closing());
        }
    }

    /** A line in the tree, with its assets or roles by name, and the months of its next year for a small picture. */
    public record TreeLine(
            String id,
            @Schema(nullable = true) @Nullable String group,
            String name,
            String direction,
            String kind,
            boolean active,
            String note,
            List<String> parts,
            List<Long> nextMonths,
            long nextYear) {
        TreeLine inSums() {
            return new TreeLine(id, group, name, direction, kind, active, note, List.of(), nextMonths, nextYear);
        }
    }

    /** An answer to what was said on a figure; {@code own} may be taken back. */
    public record AnswerView(String id, String author, OffsetDateTime at, String words, boolean own) {}

    /** A buoy with the days of its period, both included, who left it (empty: not known), and what was answered. */
    public record BuoyView(
            String id,
            String row,
            LocalDate from,
            LocalDate to,
            String note,
            String author,
            @Schema(nullable = true) @Nullable OffsetDateTime at,
            List<AnswerView> answers,
            boolean own) {
        static BuoyView of(Buoy buoy) {
            String hand = Hand.atWork().author();
            return new BuoyView(
                    buoy.id(),
                    buoy.row(),
                    buoy.period().startInclusive(),
                    buoy.period().lastDay(),
                    buoy.note(),
                    buoy.author(),
                    buoy.at(),
                    buoy.answers().stream()
                            .map(one -> new AnswerView(
                                    one.id(),
                                    one.author(),
                                    one.at(),
                                    one.words(),
                                    one.author().equals(hand)))
                            .toList(),
                    buoy.author().isEmpty() || buoy.author().equals(hand));
        }
    }

    /** Something missing, and the line to mend it on, null where it is the plan's. */
    public record MissingView(
            @Schema(nullable = true) @Nullable String lineId, String sentence) {}

    /** An account with its booked balance on the as-of date. */
    public record AccountView(
            String id,
            String name,
            String country,
            boolean restricted,
            LocalDate balanceDate,
            long balance,
            long balanceNow,
            LocalDate knownTo) {}

    static PlanView of(String planId, PlanAtVersion current, Stores stores) {
        Forecast forecast = current.forecast();
        LocalDate asOf = current.plan().settings().asOf();
        List<Period> year = forecast.periods(
                ebbtide.time.Periods.MONTH,
                asOf.plusDays(1),
                current.plan().settings().firstForecastMonth().plusMonths(11).atEndOfMonth());
        return new PlanView(
                planId,
                current.version(),
                stores.plans().isArchived(planId),
                plain(PlanWriter.json(current.plan().settings())),
                Money.decimals(current.plan().settings().currency()),
                tide(forecast),
                current.plan().lines().stream()
                        .map(line -> treeLine(line, forecast, year))
                        .toList(),
                current.books().accounts().stream()
                        .map(account -> accountView(account, current))
                        .toList(),
                current.plan().buoys().stream().map(BuoyView::of).toList(),
                Stream.concat(
                                stores.statements().cutOff(planId).stream()
                                        .map(one -> new MissingView(null, one.sentence())),
                                ChecklistItem.of(current.forecast()).stream()
                                        .map(m -> new MissingView(m.lineId(), m.sentence())))
                        .toList(),
                current.unassigned(),
                current.scenarios().all().stream()
                        .map(one -> new ScenarioName(one.id(), one.name(), one.putBy()))
                        .toList(),
                current.shown().map(ShownView::of).orElse(null),
                stores.log().findUndoWords(planId).orElse(null),
                stores.log().findRedoWords(planId).orElse(null),
                List.copyOf(BusinessDays.countries()));
    }

    /** Returns the same for whoever sees pay in sums alone: no role of a team, and no edit in words. */
    PlanView inSums() {
        Set<String> pay = lines.stream()
                .filter(line -> line.kind().equals(Pay.KIND))
                .map(TreeLine::id)
                .collect(Collectors.toSet());
        return new PlanView(
                id,
                version,
                archived,
                settings,
                decimals,
                tide,
                lines.stream()
                        .map(line -> pay.contains(line.id()) ? line.inSums() : line)
                        .toList(),
                accounts,
                buoys,
                missing.stream().filter(one -> !pay.contains(one.lineId())).toList(),
                unassigned,
                scenarios,
                shown,
                null,
                null,
                countries);
    }

    static TideLine tide(Forecast forecast) {
        int days = forecast.timeline().index(forecast.lastDay()) + 1;
        long[] closing = new long[days];
        long[] minimum = new long[days];
        long[] limit = new long[days];
        Arrays.setAll(closing, day -> forecast.closing(forecast.timeline().date(day)));
        Arrays.setAll(minimum, day -> forecast.liquidity().minimum(day));
        Arrays.setAll(limit, day -> forecast.liquidity().limit(day));
        long[] shortfall = new long[days];
        Arrays.setAll(shortfall, day -> forecast.funding().shortfall(day));
        return new TideLine(
                forecast.firstDay(),
                forecast.plan().settings().asOf(),
                forecast.lastDay(),
                closing,
                minimum,
                limit,
                shortfall,
                Marks.of(forecast),
                closing[forecast.asOfIndex()],
                forecast.liquidity().headroom(forecast.asOfIndex()));
    }

    private static TreeLine treeLine(Line line, Forecast forecast, List<Period> year) {
        List<Long> months =
                year.stream().map(month -> forecast.cell(line, month).amount()).toList();
        return new TreeLine(
                line.id(),
                line.group(),
                line.name(),
                line.direction().name().toLowerCase(java.util.Locale.ROOT),
                LineView.kind(line.assumption()),
                line.active(),
                line.note(),
                line.assumption().partNames(),
                months,
                months.stream().mapToLong(Long::longValue).sum());
    }

    private static AccountView accountView(Account account, PlanAtVersion current) {
        LocalDate asOf = current.plan().settings().asOf();
        return new AccountView(
                account.id(),
                account.name(),
                account.country(),
                account.restricted(),
                account.balanceDate(),
                account.balance(),
                current.books().balance(account, asOf),
                current.books().lastDay(account));
    }

    /** Returns JSON as plain maps and lists, for which the description of the api needs no type of its own. */
    @SuppressWarnings("unchecked")
    static Map<String, Object> plain(JsonNode json) {
        return PLAIN.convertValue(json, Map.class);
    }
}
