package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.time.Period;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A marker left on a figure to come back to: a row of the forecast, a period, and a note; who left it and when, where
 * that is known, and what others answered.
 */
public record Buoy(
        String id,
        String row,
        Period period,
        String note,
        String author,
        @Nullable OffsetDateTime at,
        List<Remark> answers) {
    /** The most answers to a note: it is a question on a figure, no correspondence. */
    private static final int MOST_ANSWERS = 100;

    public Buoy {
        id = Check.text(id, "id of a buoy", 80);
        row = Check.text(row, "the row a buoy lies on", 80);
        Objects.requireNonNull(period, "period");
        note = Check.text(note, "the note of a buoy", 10_000);
        author = Check.atMost(author, "author of a buoy", 200);
        answers = List.copyOf(answers);
        Check.that(answers.size() <= MOST_ANSWERS, "A buoy has at most " + MOST_ANSWERS + " answers: leave another");
    }

    /** Makes one of which is not known who left it. */
    public Buoy(String id, String row, Period period, String note) {
        this(id, row, period, note, "", null, List.of());
    }

    /** Returns the same as left by somebody at a time. */
    public Buoy leftBy(String who, OffsetDateTime when) {
        return new Buoy(id, row, period, note, who, when, answers);
    }

    /** Returns this one with another's author, time and answers. */
    public Buoy inPlaceOf(Buoy other) {
        return new Buoy(id, row, period, note, other.author, other.at, other.answers);
    }

    /** Returns this one with an answer more. */
    public Buoy answered(Remark answer) {
        return new Buoy(
                id,
                row,
                period,
                note,
                author,
                at,
                Stream.concat(answers.stream(), Stream.of(answer)).toList());
    }

    /** Returns this one without an answer. */
    public Buoy without(Remark answer) {
        return new Buoy(
                id,
                row,
                period,
                note,
                author,
                at,
                answers.stream().filter(one -> !one.equals(answer)).toList());
    }
}
