package ebbtide.years;

import ebbtide.plan.YearDriver;
import ebbtide.plan.YearRow;
import ebbtide.plan.YearsPlan.Driven;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import org.jspecify.annotations.Nullable;

/**
 * The drivers of years as a sheet (rules 9.4): a row for each part of a driver that has values by year, with what was
 * typed, what holds, and what each year came to by it, the last year first.
 */
public final class DriverSheet {
    /**
     * A value in a year: what was typed for it, what holds in it (null where nothing ever was typed), and what the year
     * came to by it (null where that says nothing). Amounts in minor units, percentages and days as decimals.
     */
    public record Cell(
            @Nullable BigDecimal typed,
            @Nullable BigDecimal holds,
            @Nullable BigDecimal cameTo) {}

    /** A part of a driver by year, the last year first. */
    public record Values(DriverPart part, List<Cell> cells) {}

    /** A row with its ways, the one it has, its note, and its values. */
    public record Row(
            String id,
            String name,
            YearRow row,
            List<DriverMethod> methods,
            DriverMethod method,
            String note,
            List<Values> values) {}

    private final Years years;

    private DriverSheet(Years years) {
        this.years = years;
    }

    /** Returns the sheet of years. */
    public static List<Row> of(Years years) {
        return new DriverSheet(years).rows();
    }

    /** What is driven of which there is one, after what follows the rows of the last year. */
    private static final List<YearRow> SINGLE = List.of(
            YearRow.DEPRECIATION,
            YearRow.SPENDING,
            YearRow.CASH,
            YearRow.INTEREST,
            YearRow.INTEREST_ON_CASH,
            YearRow.PROFIT_TAX,
            YearRow.TAX_OWED,
            YearRow.DIVIDENDS);

    private List<Row> rows() {
        Map<String, Year.Row> all = years.all().get(0).rows();
        Map<String, String> others = new LinkedHashMap<>();
        all.forEach((id, row) -> {
            if (row.row().isFlow() || row.row().isItem()) {
                others.put(id, row.name());
            }
        });
        List<Row> rows = new ArrayList<>();
        all.forEach((id, row) -> {
            if (row.row().isFlow()) {
                rows.add(row(id, row.name(), row.row(), others));
            }
        });
        for (YearRow one : SINGLE.subList(0, 2)) {
            rows.add(row(one.id(), one.words(), one, others));
        }
        all.forEach((id, row) -> {
            if (row.row().isItem()) {
                rows.add(row(id, row.name(), row.row(), others));
            }
        });
        for (YearRow one : SINGLE.subList(2, SINGLE.size())) {
            rows.add(row(one.id(), one == YearRow.CASH ? "Cash kept" : one.words(), one, others));
        }
        return rows;
    }

    private Row row(String id, String name, YearRow row, Map<String, String> others) {
        List<DriverMethod> methods = DriverMethod.of(
                row, id, others, years.plan().lastYear() == null ? "least cash of the plan" : "none is kept");
        YearDriver by = years.plan().driver(id);
        DriverMethod method =
                methods.stream().filter(one -> one.isOf(by)).findFirst().orElse(DriverMethod.STAYS);
        String note = years.plan().drivers().stream()
                .filter(one -> one.row().equals(id))
                .map(Driven::note)
                .findFirst()
                .orElse("");
        List<Values> values = new ArrayList<>();
        if (by != null) {
            for (DriverPart part : DriverPart.of(by)) {
                values.add(new Values(part, cells(id, row, by, part)));
            }
        }
        return new Row(id, name, row, methods, method, note, values);
    }

    private List<Cell> cells(String id, YearRow row, YearDriver by, DriverPart part) {
        SortedMap<Integer, BigDecimal> typed = part.values(by);
        CameTo came = new CameTo(id, row, by, part);
        List<Cell> cells = new ArrayList<>();
        for (int i = 0; i < years.all().size(); i++) {
            Year year = years.all().get(i);
            Year before = i == 0 ? null : years.all().get(i - 1);
            cells.add(new Cell(
                    i == 0 ? null : typed.get(year.name()),
                    i == 0 ? null : YearDriver.in(typed, year.name()),
                    came.in(year, before)));
        }
        return cells;
    }
}
