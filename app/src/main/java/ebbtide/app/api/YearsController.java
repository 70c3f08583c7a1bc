package ebbtide.app.api;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.YearsEdits;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import ebbtide.forecast.Forecast;
import ebbtide.formats.budget.SheetReader;
import ebbtide.formats.opening.LastYearList;
import ebbtide.formats.opening.NamedRows;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.LastYear;
import ebbtide.plan.YearRow;
import ebbtide.statements.LastTwelveMonths;
import ebbtide.time.DayFormats;
import ebbtide.years.DriverPart;
import ebbtide.years.DriverSheet;
import ebbtide.years.DriverWords;
import ebbtide.years.Year;
import ebbtide.years.YearNeed;
import ebbtide.years.Years;
import ebbtide.years.YearsTable;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.databind.JsonNode;

/** The years of a plan, their drivers, and what they need from outside (rules 9.4). */
@RestController
@RequestMapping("/api/plans/{plan}/years")
class YearsController {
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;

    YearsController(Plans plans, Edits edits, Stores stores) {
        this.plans = plans;
        this.edits = edits;
        this.stores = stores;
    }

    /**
     * The years, the last one first: their rows, drivers and needs; without years whether months can be carried on, and
     * if not why; what a row of a last year may be; and what its balance sheet lacks, with retained profit as it would
     * be with that placed in it.
     */
    record YearsView(
            boolean there,
            @Schema(nullable = true) @Nullable String missing,
            List<OneYear> years,
            List<YearsRow> rows,
            List<DriverRow> drivers,
            List<YearRowKind> kinds,
            long unplaced,
            String placed) {}

    /**
     * A year by its name and as it is called: what it needs from outside in a sentence and its parts, below zero what
     * is over; and remarks.
     */
    record OneYear(
            int name,
            String label,
            LocalDate end,
            long needed,
            String sentence,
            List<ItemView> uses,
            List<ItemView> sources,
            String freeGrowth,
            long debt,
            long limit,
            List<String> remarks) {}

    /** A row of a sheet: an amount for each year, empty where it is not of that; what the base has where it differs. */
    record YearsRow(
            String sheet,
            String id,
            String style,
            String name,
            List<@Nullable Long> amounts,
            @Schema(nullable = true) @Nullable List<@Nullable Long> base) {}

    /** A row of the sheet of drivers. */
    record DriverRow(
            String id, String name, String method, List<MethodView> methods, String note, List<DriverValues> values) {}

    /** A way in which a row is driven. */
    record MethodView(String key, String words) {}

    /** A part of a driver by year. */
    record DriverValues(String part, String words, String measure, List<DriverCell> cells) {}

    /** A value: as typed, as it holds, and what the year came to by it; empty without. */
    record DriverCell(String typed, String holds, String cameTo) {}

    /** What a row of a last year may be. */
    record YearRowKind(String row, String name, String part, boolean many) {}

    @GetMapping
    @Allowed(Role.ONLOOKER)
    YearsView years(@PathVariable String plan) {
        var shown = plans.shown(plan);
        Forecast forecast = shown.forecast();
        Currency currency = forecast.plan().settings().currency();
        boolean typed = forecast.plan().settings().years() != null
                && forecast.plan().settings().years().lastYear() != null;
        if (!typed && !LastTwelveMonths.isPossible(forecast)) {
            return new YearsView(
                    false,
                    "The years go on from twelve months of detail: plan at least twelve months ahead, under Setup, or type the last year here",
                    List.of(),
                    List.of(),
                    List.of(),
                    kinds(),
                    0,
                    "");
        }
        Optional<Years> years = Years.of(forecast);
        if (years.isEmpty()) {
            return new YearsView(false, null, List.of(), List.of(), List.of(), kinds(), 0, "");
        }
        Optional<YearsTable> base =
                shown.shown().flatMap(one -> Years.of(one.base()).map(YearsTable::of));
        return new YearsView(
                true,
                null,
                IntStream.range(0, years.get().all().size())
                        .mapToObj(i -> year(years.get(), i, currency))
                        .toList(),
                YearsTable.of(years.get()).rows().stream()
                        .filter(row -> row.id().equals("difference")
                                || row.amounts().stream().anyMatch(one -> one != 0))
                        .map(row -> row(row, years.get().all().size(), base))
                        .toList(),
                DriverSheet.of(years.get()).stream()
                        .map(row -> driver(row, currency))
                        .toList(),
                kinds(),
                years.get().start().last().unplaced(),
                Money.plain(
                        years.get().all().get(0).retained()
                                + years.get().start().last().unplaced(),
                        currency));
    }

    private static List<YearRowKind> kinds() {
        return Arrays.stream(YearRow.values())
                .map(one -> new YearRowKind(one.id(), one.words(), word(one.part()), one.isMany()))
                .toList();
    }

    private static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static OneYear year(Years years, int i, Currency currency) {
        Year year = years.all().get(i);
        if (i == 0) {
            return new OneYear(
                    year.name(),
                    label(year),
                    year.end(),
                    0,
                    "",
                    List.of(),
                    List.of(),
                    "",
                    year.debt(),
                    0,
                    year.remarks());
        }
        var need = years.need(i);
        String words = Money.words(Math.abs(need.minor()), currency);
        return new OneYear(
                year.name(),
                label(year),
                year.end(),
                need.minor(),
                "In the year to " + DayFormats.LONG_DAY.format(year.end()) + " "
                        + (need.minor() > 0
                                ? words + " is needed from outside"
                                : need.minor() < 0
                                        ? "nothing is needed from outside; " + words + " is repaid"
                                        : "nothing is needed from outside"),
                need.uses().stream().map(YearsController::part).toList(),
                need.sources().stream().map(YearsController::part).toList(),
                free(years.growthWithoutFunding(i)),
                year.debt(),
                years.plan().rules().facility() == null
                        ? 0
                        : years.start().limit().applyAsLong(year.end()),
                year.remarks());
    }

    /** A year that ends in another than it begins in is called by both. */
    private static String label(Year year) {
        int ends = year.end().getYear();
        return ends == year.name()
                ? String.valueOf(ends)
                : year.name() + "/" + String.format(Locale.ROOT, "%02d", ends % 100);
    }

    private static ItemView part(YearNeed.Part part) {
        return new ItemView("level", part.name(), "", null, part.minor());
    }

    private static String free(Optional<Years.FreeGrowth> free) {
        return free.map(one -> one.percent() != null ? one.percent().toString() : one.always() ? "any" : "none")
                .orElse("");
    }

    private static YearsRow row(YearsTable.Row row, int years, Optional<YearsTable> base) {
        List<@Nullable Long> amounts = over(row, years);
        return new YearsRow(
                word(row.sheet()),
                row.id(),
                word(row.style()),
                row.name(),
                amounts,
                base.flatMap(table -> table.find(row.id()))
                        .map(before -> over(before, years))
                        .filter(before -> !before.equals(amounts))
                        .orElse(null));
    }

    private static List<@Nullable Long> over(YearsTable.Row row, int years) {
        List<@Nullable Long> amounts = new ArrayList<>();
        for (int i = row.amounts().size(); i < years; i++) {
            amounts.add(null);
        }
        amounts.addAll(row.amounts());
        return amounts;
    }

    private static DriverRow driver(DriverSheet.Row row, Currency currency) {
        return new DriverRow(
                row.id(),
                row.name(),
                row.method().key(),
                row.methods().stream()
                        .map(one -> new MethodView(one.key(), one.words()))
                        .toList(),
                row.note(),
                row.values().stream()
                        .map(values -> new DriverValues(
                                word(values.part()),
                                values.part().words(),
                                word(values.part().measure()),
                                values.cells().stream()
                                        .map(cell -> new DriverCell(
                                                text(cell.typed(), values.part(), currency),
                                                text(cell.holds(), values.part(), currency),
                                                text(cell.cameTo(), values.part(), currency)))
                                        .toList()))
                        .toList());
    }

    private static String text(@Nullable BigDecimal value, DriverPart part, Currency currency) {
        if (value == null) {
            return "";
        }
        return part.measure() == DriverPart.Measure.MONEY
                ? Money.plain(value.longValueExact(), currency)
                : value.toPlainString();
    }

    /** Returns the parts of a figure of a row in a year, counted from 0 for the last one: they add up to it. */
    @GetMapping("/workings")
    @Allowed(Role.ONLOOKER)
    List<ItemView> workings(@PathVariable String plan, @RequestParam String row, @RequestParam int year) {
        Forecast forecast = plans.shownWithin(plan, row).forecast();
        Years years = Years.of(forecast).orElseThrow(() -> new Refused("The plan has no years yet: begin them first"));
        YearsTable.Row of =
                YearsTable.of(years).find(row).orElseThrow(() -> new Refused("The years have no row '" + row + "'"));
        int first = years.all().size() - of.amounts().size();
        if (year < first || year >= years.all().size()) {
            throw new Refused("The row is not of year " + year + ": choose one from " + first + " to "
                    + (years.all().size() - 1));
        }
        return DriverWords.of(years, forecast.plan().settings().currency(), of, year).stream()
                .map(ItemView::of)
                .toList();
    }

    /** Begins years, each row as the last year came to. */
    @PostMapping
    EditOutcome begin(@PathVariable String plan, @RequestParam long version, @RequestParam int count) {
        return EditOutcome.of(plan, edits.edit(plan, version, YearsEdits.begin(count)), stores);
    }

    /** Puts what was typed into the sheet of drivers, as one edit. */
    @PutMapping(path = "/values", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome values(
            @PathVariable String plan, @RequestParam long version, @RequestBody List<YearsEdits.DriverValue> values) {
        return EditOutcome.of(plan, edits.edit(plan, version, YearsEdits.values(values)), stores);
    }

    /** Lets a row follow from something else. */
    @PutMapping("/method")
    EditOutcome method(
            @PathVariable String plan,
            @RequestParam long version,
            @RequestParam String row,
            @RequestParam String method) {
        return EditOutcome.of(plan, edits.edit(plan, version, YearsEdits.method(row, method)), stores);
    }

    /** A note on what a row follows from. */
    record DriverNote(String row, String note) {}

    @PutMapping(path = "/note", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome note(@PathVariable String plan, @RequestParam long version, @RequestBody DriverNote note) {
        return EditOutcome.of(plan, edits.edit(plan, version, YearsEdits.note(note.row(), note.note())), stores);
    }

    /** What was read of a last year, as settings hold it, and the rows that could not be. */
    record LastYearReadView(
            @Schema(ref = DocumentPart.LAST_YEAR) JsonNode lastYear, List<NamedRows.Unread> problems) {}

    /**
     * Reads a last year that ends on a day from a file, CSV or XLSX, or from what was pasted as one; it is kept only
     * when settings are.
     */
    @PostMapping(path = "/read", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    LastYearReadView read(@PathVariable String plan, @RequestParam LocalDate end, @RequestPart MultipartFile file)
            throws IOException {
        Currency currency = plans.shown(plan).forecast().plan().settings().currency();
        LastYearList list = LastYearList.read(SheetReader.first(file.getBytes(), "a name and an amount"), currency);
        return new LastYearReadView(
                PlanWriter.json(new LastYear(end, 365, 0, list.entries()), currency), list.problems());
    }
}
