package ebbtide.statements;

import static java.util.Objects.requireNonNull;

import java.time.YearMonth;
import java.util.List;
import java.util.Map;

/**
 * A month with a trial balance as the statements show it (rules 9.5): the first month that its income and costs are of,
 * and what each account has in each row, on the row's side in minor units.
 */
record ActualMonth(
        YearMonth since, YearMonth month, Map<String, List<Share>> flows, Map<BalanceRow, List<Share>> levels) {

    /** What an account has of a row. */
    record Share(String name, long minor) {}

    /** Returns the shares of a figure of a statement: those of an account, and for a sum of the figures it adds up. */
    List<Share> shares(Figure figure) {
        if (!figure.summed().isEmpty()) {
            return figure.summed().stream()
                    .map(one -> new Share(one.name(), in(one)))
                    .toList();
        }
        return switch (figure.id()) {
            case BalanceSheet.CHECK ->
                List.of(new Share("Assets", levels(true)), new Share("Liabilities and equity", -levels(false)));
            case BalanceSheet.GROSS_ASSETS ->
                List.of(
                        new Share(BalanceRow.FIXED_ASSETS.words(), level(BalanceRow.FIXED_ASSETS)),
                        new Share("Depreciated so far", -flow(BalanceSheet.ACCUMULATED)));
            default ->
                figure.isLevel() && !figure.id().equals(BalanceSheet.ACCUMULATED)
                        ? levels.getOrDefault(BalanceRow.ofFigure(figure.id()), List.of())
                        : flows.getOrDefault(figure.id(), List.of());
        };
    }

    /** Returns what a figure comes to. */
    long in(Figure figure) {
        return sum(shares(figure));
    }

    private long flow(String id) {
        return sum(flows.getOrDefault(id, List.of()));
    }

    private long level(BalanceRow row) {
        return sum(requireNonNull(levels.getOrDefault(row, List.of())));
    }

    private long levels(boolean assets) {
        return levels.keySet().stream()
                .filter(row -> row.part().sign() > 0 == assets)
                .mapToLong(this::level)
                .sum();
    }

    private static long sum(List<Share> shares) {
        return shares.stream().mapToLong(Share::minor).sum();
    }
}
