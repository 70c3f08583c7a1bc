package ebbtide.app.storage;

import static java.util.Objects.requireNonNull;

import ebbtide.money.Check;
import ebbtide.track.Decision;
import ebbtide.track.Difference;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** The roll forwards of plans: what is known of each while it is under way and once it is done (rules 10.5). */
@Repository
public class RollStore implements UndoableStore {
    private static final String PUT = new Put("roll_forward", List.of("plan_id", "id"), List.of("state")).sql();

    private static final JsonMapper JSON = new JsonMapper();
    private final JdbcClient client;

    RollStore(JdbcClient client) {
        this.client = client;
    }

    /**
     * What was decided of a difference, and as of which date: how much of it is carried, in minor units in the line's
     * direction, and to which day; nil and null when dropped. The difference as it was is null of what was decided
     * before it was kept.
     */
    public record DecidedDifference(
            String key,
            long carried,
            @Nullable LocalDate day,
            Difference difference,
            @Nullable LocalDate on) {
        /** Returns what the decision means for a variance, none where its difference was not kept. */
        public Optional<Decision> decision() {
            return difference == null
                    ? Optional.empty()
                    : Optional.of(Decision.of(difference, carried, requireNonNull(on)));
        }
    }

    /**
     * A roll forward from one as-of date to another (null until it is chosen), counted from 1, with the snapshot of the
     * forecast as it was, what was decided, and whether it is done.
     */
    public record Roll(
            int number,
            LocalDate from,
            @Nullable LocalDate to,
            String snapshot,
            List<DecidedDifference> decided,
            boolean done) {
        public Roll {
            Check.that(number > 0 && from != null, "a roll forward has a number and begins somewhere");
            decided = List.copyOf(decided);
        }

        public String id() {
            return Integer.toString(number);
        }

        /** Returns the as-of date it goes to, once it is chosen. */
        public LocalDate until() {
            return requireNonNull(to, "the as-of date of a roll forward");
        }

        /** Returns the roll forward to another day. */
        public Roll to(LocalDate day) {
            return new Roll(number, from, day, snapshot, decided, done);
        }

        /** Returns the roll forward with more decided; what was decided before of the same differences is replaced. */
        public Roll with(List<DecidedDifference> more) {
            List<DecidedDifference> all = new ArrayList<>(decided);
            all.removeIf(one -> more.stream().anyMatch(other -> other.key().equals(one.key())));
            all.addAll(more);
            return new Roll(number, from, to, snapshot, all, done);
        }

        /** Returns the roll forward as done. */
        public Roll finished() {
            return new Roll(number, from, to, snapshot, decided, true);
        }
    }

    /** Returns the roll forwards of a plan in their order. */
    public List<Roll> all(String planId) {
        return client
                .sql("select state from roll_forward where plan_id = ?")
                .param(planId)
                .query(String.class)
                .list()
                .stream()
                .map(state -> JSON.readValue(state, Roll.class))
                .sorted(Comparator.comparingInt(Roll::number))
                .toList();
    }

    /** Returns the latest roll forward of a plan, if there was one. */
    public Optional<Roll> findLatest(String planId) {
        return all(planId).stream().max(Comparator.comparingInt(Roll::number));
    }

    public static String state(Roll roll) {
        return JSON.writeValueAsString(roll);
    }

    @Override
    public Kind kind() {
        return Kind.ROLL;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        return client.sql("select state from roll_forward where plan_id = ? and id = ?")
                .params(planId, id)
                .query(String.class)
                .optional()
                .orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        if (state == null) {
            client.sql("delete from roll_forward where plan_id = ? and id = ?")
                    .params(planId, id)
                    .update();
        } else {
            client.sql(PUT).params(planId, id, state).update();
        }
    }
}
