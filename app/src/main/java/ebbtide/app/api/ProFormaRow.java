package ebbtide.app.api;

import ebbtide.statements.StatementTable;
import io.swagger.v3.oas.annotations.media.Schema;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * A row with an amount for each column, the id of the row of the group it folds into, its share in percent in common
 * size, and what the base has where a scenario is shown and that is another amount.
 */
record ProFormaRow(
        String id,
        String style,
        String name,
        @Schema(nullable = true) @Nullable String group,
        List<Long> amounts,
        @Schema(nullable = true) @Nullable List<String> shares,
        @Schema(nullable = true) @Nullable List<@Nullable Long> base) {
    static ProFormaRow of(StatementTable.Row row) {
        return of(row, BaseAmounts.NONE);
    }

    static ProFormaRow of(StatementTable.Row row, BaseAmounts base) {
        return new ProFormaRow(
                row.id(),
                row.style().name().toLowerCase(Locale.ROOT),
                row.name(),
                row.group(),
                row.amounts(),
                row.shares() == null
                        ? null
                        : row.shares().stream()
                                .map(share -> share == null
                                        ? ""
                                        : BigDecimal.valueOf(share, 1).toPlainString())
                                .toList(),
                base.of(row.id(), row.amounts()));
    }
}
