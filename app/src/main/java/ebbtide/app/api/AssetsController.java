package ebbtide.app.api;

import ebbtide.answers.AssetSchedule;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.app.storage.NotFound;
import ebbtide.formats.budget.SheetReader;
import ebbtide.formats.opening.AssetList;
import ebbtide.formats.opening.NamedRows;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Line;
import ebbtide.plan.Settings;
import ebbtide.time.Convention;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.time.YearMonth;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.databind.JsonNode;

/** The fixed assets of a line: how they are used up by fiscal year, and a register of them read (rules 7.5). */
@RestController
@RequestMapping("/api/plans/{plan}/lines/{id}/assets")
class AssetsController {
    private final Plans plans;

    AssetsController(Plans plans) {
        this.plans = plans;
    }

    /** The assets of a line by fiscal year, their sum last; the name of the sum is empty. */
    record AssetScheduleView(List<AssetYear> years, List<AssetRow> rows) {}

    /** The first and last month of a fiscal year that are planned. */
    record AssetYear(YearMonth first, YearMonth last) {}

    /** An asset: what it cost and what is left of it before the years, and what happens in each. */
    record AssetRow(String asset, long cost, long net, List<AssetOfYear> years) {}

    /** A year of an asset: bought, depreciated, sold at book value, and what is left at its end. */
    record AssetOfYear(long bought, long depreciation, long sold, long net) {}

    @GetMapping
    @Allowed(Role.ONLOOKER)
    AssetScheduleView schedule(@PathVariable String plan, @PathVariable String id) {
        PlanAtVersion shown = plans.shown(plan);
        Line line = shown.plan().findLine(id).orElseThrow(() -> new NotFound("line", id));
        AssetSchedule schedule = AssetSchedule.of(shown.forecast(), line);
        return new AssetScheduleView(
                schedule.years().stream()
                        .map(year -> new AssetYear(year.first(), year.last()))
                        .toList(),
                schedule.rows().stream().map(AssetsController::row).toList());
    }

    private static AssetRow row(AssetSchedule.Row row) {
        return new AssetRow(
                row.asset(),
                row.opening().cost(),
                row.opening().net(),
                row.years().stream()
                        .map(held -> new AssetOfYear(
                                held.of().bought(),
                                held.of().depreciation(),
                                held.of().sold(),
                                held.end().net()))
                        .toList());
    }

    /** What was read of a register, as a line holds it, and the rows that could not be. */
    record AssetsReadView(
            @Schema(ref = DocumentPart.ASSUMPTION) JsonNode assumption, List<NamedRows.Unread> problems) {}

    /**
     * Reads a register of assets from a file, CSV or XLSX, or from what was pasted as one; it is kept only when the
     * line is.
     */
    @PostMapping(path = "/read", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    AssetsReadView read(@PathVariable String plan, @PathVariable String id, @RequestPart MultipartFile file)
            throws IOException {
        Settings settings = plans.shown(plan).plan().settings();
        AssetList list = AssetList.read(
                SheetReader.first(file.getBytes(), "a name, a cost and a day of first use"),
                settings.asOf(),
                settings.currency());
        return new AssetsReadView(
                PlanWriter.json(new CapitalSpending(list.assets(), Convention.PRECEDING), settings.currency()),
                list.problems());
    }
}
