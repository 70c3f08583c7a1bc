package ebbtide.formats.budget;

import java.util.List;

/**
 * A sheet of a workbook as text: rows of cells, each stripped, empty where there is nothing; rows may differ in length.
 */
public record Sheet(String name, List<List<String>> rows) {
    public Sheet {
        rows = rows.stream().map(List::copyOf).toList();
    }

    /** Returns a cell's text, empty outside the sheet. */
    String cell(int row, int column) {
        return row < 0
                        || row >= rows.size()
                        || column < 0
                        || column >= rows.get(row).size()
                ? ""
                : rows.get(row).get(column);
    }

    int width() {
        return rows.stream().mapToInt(List::size).max().orElse(0);
    }
}
