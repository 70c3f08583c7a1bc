package ebbtide.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Money;
import ebbtide.plan.Assumption;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A snapshot against what happened (rules 10.1, 10.2). */
class VarianceTest {
    private static final LocalDate THEN = LocalDate.of(2026, 3, 1);
    private static final LocalDate NOW = LocalDate.of(2026, 3, 15);
    private static final Period WINDOW = new Period(THEN.plusDays(1), NOW.plusDays(1));

    private static Line line(String id, String group, String name, Direction direction, long amount) {
        return new Line(
                id,
                group,
                name,
                direction,
                true,
                null,
                "",
                DatedItems.untaxed(
                        amount == 0
                                ? List.of()
                                : List.of(new DatedItem(LocalDate.of(2026, 3, 10), amount, Certainty.CERTAIN, "")),
                        Convention.NONE),
                List.of());
    }

    private static Line group(String id) {
        return new Line(id, null, "Group " + id, Direction.PAYMENT, true, null, "", new Assumption.Group(), List.of());
    }

    private static Plan plan(LocalDate asOf, Line... lines) {
        return new Plan(Settings.of("P", Money.currency("GBP"), asOf), List.of(lines), List.of());
    }

    private static BankMovement paid(long minor, String line) {
        LocalDate day = LocalDate.of(2026, 3, 11);
        return new BankMovement(
                "a", day, day, minor, "", "", "", line == null ? List.of() : List.of(new AssignedPart(line, minor)));
    }

    private final Books then = Books.of(List.of(new Account("a", "A", "GB", false, THEN, 100_000)));
    private final Snapshot snapshot = Snapshot.of(
            Forecaster.forecast(
                    plan(
                            THEN,
                            group("g"),
                            line("sales", null, "Sales", Direction.RECEIPT, 50_000),
                            line("ice", "g", "Ice", Direction.PAYMENT, 20_000),
                            line("old", null, "Old", Direction.PAYMENT, 3_000)),
                    then),
            line -> "");

    private static Outturn facts(Plan plan, Books books) {
        return new Outturn(plan, books, List.of(), List.of());
    }

    private Variance compared(Plan today, Period window) {
        return Variance.of(snapshot, facts(today, then), List.of(window), window);
    }

    private Map<String, Variance.Row> rows(Variance variance) {
        Map<String, Variance.Row> rows = new HashMap<>();
        variance.rows().forEach(row -> rows.put(row.id(), row));
        return rows;
    }

    @Test
    void variance_isSignedSoThatAboveZeroIsFavourableOnEveryLine() {
        Books now = Books.of(
                then.accounts(),
                List.of(paid(45_000, "sales"), paid(-18_000, "ice"), paid(-4_000, "ferry"), paid(-500, null)));
        Plan today = plan(
                NOW,
                group("g"),
                line("sales", null, "Sales", Direction.RECEIPT, 50_000),
                line("ice", null, "Ice & boxes", Direction.PAYMENT, 20_000),
                line("ferry", null, "Ferry", Direction.PAYMENT, 0));
        Variance variance = Variance.of(snapshot, facts(today, now), List.of(WINDOW), WINDOW);
        Map<String, Variance.Row> rows = rows(variance);
        assertThat(rows.get("sales").variance()).isEqualTo(-5_000);
        assertThat(rows.get("sales").variancePercentHundredths()).isEqualTo(-1_000);
        assertThat(rows.get("ice").variance()).as("paid less than forecast").isEqualTo(2_000);
        assertThat(rows.get("ice").variancePercentHundredths()).isEqualTo(1_000);
        assertThat(rows.get("ferry").variancePercentHundredths())
                .as("nothing was forecast")
                .isNull();
        assertThat(rows.get("old").kind()).isEqualTo(Variance.RowKind.GONE_LINE);
        assertThat(rows.get("old").variance()).isEqualTo(3_000);
        assertThat(rows.get("unassigned-payments").actual()).isEqualTo(-500);
        assertThat(rows.get("net").variance()).isEqualTo(-5_000 + 2_000 - 4_000 + 3_000 - 500);
        assertThat(rows.get("closing").forecast()).isEqualTo(127_000);
        assertThat(rows.get("closing").actual()).isEqualTo(122_500);
        assertThat(variance.moved())
                .containsExactlyInAnyOrder(
                        "'Ice' is now called 'Ice & boxes'",
                        "'Ice & boxes' moved from 'Group g' to the top",
                        "'Old' is no longer in the plan",
                        "'Ferry' is new since the snapshot");
    }

    @Test
    void window_outsideForecastOrFacts_isRefusedInASentence() {
        Plan today = plan(NOW);
        assertThatThrownBy(() -> compared(today, new Period(THEN, NOW)))
                .hasMessage("the snapshot forecasts from 2026-03-02, but the window starts on 2026-03-01");
        assertThatThrownBy(() -> compared(today, new Period(NOW, NOW.plusDays(3))))
                .hasMessage("facts are known up to 2026-03-15, but the window ends on 2026-03-17");
        assertThat(Variance.findComparable(snapshot, THEN)).isEmpty();
        assertThat(Variance.findComparable(snapshot, NOW)).contains(WINDOW);
    }
}
