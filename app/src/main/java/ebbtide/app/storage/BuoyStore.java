package ebbtide.app.storage;

import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.plan.Buoy;
import ebbtide.time.Period;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The buoys left on figures of plans. */
@Repository
public class BuoyStore implements UndoableStore {
    private static final String COLUMNS =
            "select id, line_row, first_day, last_day, note, author, left_at, answers from buoy ";

    private final JdbcClient client;

    BuoyStore(JdbcClient client) {
        this.client = client;
    }

    /** Returns the buoys of a plan by day. */
    public List<Buoy> all(String planId) {
        return client.sql(COLUMNS + "where plan_id = ? order by first_day, id")
                .param(planId)
                .query((row, n) -> buoy(row))
                .list();
    }

    private static Buoy buoy(ResultSet row) throws SQLException {
        return new Buoy(
                row.getString("id"),
                row.getString("line_row"),
                new Period(
                        row.getObject("first_day", LocalDate.class),
                        row.getObject("last_day", LocalDate.class).plusDays(1)),
                row.getString("note"),
                row.getString("author"),
                row.getObject("left_at", OffsetDateTime.class),
                PlanReader.remarks(PlanReader.parse(row.getString("answers"))));
    }

    @Override
    public Kind kind() {
        return Kind.BUOY;
    }

    @Override
    public @Nullable String state(String planId, String id) {
        return client.sql(COLUMNS + "where plan_id = ? and id = ?")
                .params(planId, id)
                .query((row, n) -> PlanWriter.json(buoy(row)).toString())
                .optional()
                .orElse(null);
    }

    @Override
    public void restore(String planId, String id, @Nullable String state) {
        client.sql("delete from buoy where plan_id = ? and id = ?")
                .params(planId, id)
                .update();
        if (state != null) {
            Buoy buoy = PlanReader.buoy(PlanReader.parse(state));
            client.sql("""
            insert into buoy (plan_id, id, line_row, first_day, last_day, note, author, left_at, answers)
            values (?, ?, ?, ?, ?, ?, ?, ?, ?)""")
                    .param(1, planId)
                    .param(2, id)
                    .param(3, buoy.row())
                    .param(4, buoy.period().startInclusive())
                    .param(5, buoy.period().lastDay())
                    .param(6, buoy.note())
                    .param(7, buoy.author())
                    .param(8, buoy.at())
                    .param(9, PlanWriter.json(buoy.answers()).toString())
                    .update();
        }
    }
}
