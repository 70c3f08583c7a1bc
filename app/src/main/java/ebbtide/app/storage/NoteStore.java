package ebbtide.app.storage;

import ebbtide.formats.plan.PlanPast.VarianceNote;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What analysts say of figures of comparisons: a note for a row of a snapshot over some days. */
@Repository
public class NoteStore implements UndoableStore {
    private static final String SEPARATOR = "|";
    private final JdbcClient client;

    NoteStore(JdbcClient client) {
        this.client = client;
    }

    /** Returns the id of a row's note; days are both included. */
    public static String id(String snapshot, LocalDate from, LocalDate to, String row) {
        return String.join(SEPARATOR, snapshot, from.toString(), to.toString(), row);
    }

    /** Returns the notes of a snapshot's comparison over some days, by row. */
    public Map<String, String> of(String planId, String snapshot, LocalDate from, LocalDate to) {
        String start = id(snapshot, from, to, "");
        Map<String, String> notes = new HashMap<>();
        client.sql("select id, note from variance_note where plan_id = ? and left(id, ?) = ?")
                .params(planId, start.length(), start)
                .query(row -> {
                    notes.put(row.getString("id").substring(start.length()), row.getString("note"));
                });
        return notes;
    }

    /** Returns all notes of a plan. */
    public List<VarianceNote> all(String planId) {
        return client.sql("select id, note from variance_note where plan_id = ? order by id")
                .param(planId)
                .query((row, n) -> {
                    String[] of = row.getString("id").split(Pattern.quote(SEPARATOR), 4);
                    return new VarianceNote(
                            of[0], LocalDate.parse(of[1]), LocalDate.parse(of[2]), of[3], row.getString("note"));
                })
                .list();
    }

    @Override
    public Kind kind() {
        return Kind.NOTE;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        return client.sql("select note from variance_note where plan_id = ? and id = ?")
                .params(planId, id)
                .query(String.class)
                .optional()
                .orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        client.sql("delete from variance_note where plan_id = ? and id = ?")
                .params(planId, id)
                .update();
        if (state != null) {
            client.sql("insert into variance_note (plan_id, id, note) values (?, ?, ?)")
                    .params(planId, id, state)
                    .update();
        }
    }
}
