package ebbtide.app.api;

import ebbtide.statements.StatementTable;
import io.swagger.v3.oas.annotations.media.Schema;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** A row with an amount for each column, and its share in percent in common size. */
record ProFormaRow(
        String id,
        String style,
        String name,
        List<Long> amounts,
        @Schema(nullable = true) @Nullable List<String> shares) {
    static ProFormaRow of(StatementTable.Row row) {
        return new ProFormaRow(
                row.id(),
                row.style().name().toLowerCase(Locale.ROOT),
                row.name(),
                row.amounts(),
                row.shares() == null
                        ? null
                        : row.shares().stream()
                                .map(share -> share == null
                                        ? ""
                                        : BigDecimal.valueOf(share, 1).toPlainString())
                                .toList());
    }
}
