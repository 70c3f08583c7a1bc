package ebbtide.track;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.money.Percent;
import ebbtide.plan.Direction;
import ebbtide.plan.Threshold;
import ebbtide.time.Period;
import ebbtide.track.Variance.Row;
import ebbtide.track.Variance.RowKind;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What is drafted of a comparison (rules 10.7), and which of its figures must be explained (10.2). */
class CommentaryTest {
    private static final LocalDate THEN = LocalDate.of(2026, 3, 1);

    private static Row row(String id, RowKind kind, long forecast, long actual, Reasons why) {
        return new Row(
                id,
                kind,
                id.substring(0, 1).toUpperCase() + id.substring(1),
                Direction.RECEIPT,
                0,
                forecast,
                actual,
                why);
    }

    @Test
    void draft_saysTotalsMoversReasonsDecisionsAndWhatIsOpen() {
        Variance variance = new Variance(
                new Period(THEN.plusDays(1), THEN.plusDays(8)),
                List.of(
                        row("receipts", RowKind.SECTION, 1_000, 700, new Reasons(-200, 0, 0, 0, -100)),
                        row("sales", RowKind.LINE, 900, 600, new Reasons(-200, 0, 0, 0, -100)),
                        row("fees", RowKind.LINE, 100, 100, Reasons.NONE),
                        row("payments", RowKind.SECTION, -500, -540, new Reasons(0, -10, -30, 0, 0)),
                        row("ice", RowKind.LINE, -500, -540, new Reasons(0, -10, -30, 0, 0)),
                        row("net", RowKind.NET, 500, 160, Reasons.NONE),
                        row("closing", RowKind.CLOSING, 5_000, 4_660, Reasons.NONE)),
                List.of());
        Decision carried = new Decision("sales", THEN, THEN, -100, -60, THEN.plusDays(8), false);
        String text = Commentary.draft(
                variance, THEN, List.of(carried), Map.of("sales", "Two hotels pay on Friday."), minor -> "£" + minor);
        assertThat(text.split("\n"))
                .containsExactly(
                        "2 Mar 2026 to 8 Mar 2026, against the forecast of 1 Mar 2026: receipts came to £700, £300 less than forecast; payments to £540, £40 more than forecast. "
                                + "Closing cash was £4660, £340 below the £5000 that was forecast.",
                        "",
                        "The largest differences:",
                        "- Sales: −£300 (unfavourable), −£200 came at another time, −£100 not explained yet. Two hotels pay on Friday.",
                        "- Ice: −£40 (unfavourable), −£30 not forecast, −£10 another amount.",
                        "",
                        "Decided: £60 of Sales is carried to a later day, the rest dropped.",
                        "",
                        "Not explained yet, −£100 in all: Sales −£100.");
    }

    @Test
    void threshold_isReachedByAmountAndShareTogether() {
        Threshold threshold = new Threshold(2_000, Percent.parse("10"));
        assertThat(threshold.isReached(-50_000, -5_000)).isTrue();
        assertThat(threshold.isReached(50_000, 4_999)).as("less than a tenth").isFalse();
        assertThat(threshold.isReached(10_000, -1_999))
                .as("less than the amount")
                .isFalse();
        assertThat(threshold.isReached(0, 2_000))
                .as("of nothing forecast the amount decides")
                .isTrue();
        assertThat(new Threshold(0, Percent.ZERO).isReached(100, 0))
                .as("nil is never explained")
                .isFalse();
    }
}
