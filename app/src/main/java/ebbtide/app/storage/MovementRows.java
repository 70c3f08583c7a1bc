package ebbtide.app.storage;

import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.SqlArrayValue;
import org.springframework.stereotype.Repository;

/** The rows of bank movements and of their parts as they are laid down, batch by batch, and taken up again. */
@Repository
class MovementRows {
    /** The most movements that are added at once; the sequence of ids goes up by as many. */
    static final int BATCH = 10_000;

    private static final List<String> PART_TYPES = List.of("bigint", "int", "varchar", "bigint", "varchar", "bigint");

    private final JdbcClient client;
    private final DaySums sums;
    private final Engine engine;

    MovementRows(JdbcClient client, DaySums sums, Engine engine) {
        this.engine = engine;
        this.client = client;
        this.sums = sums;
    }

    /** Returns values as an array that both engines read. */
    static SqlArrayValue array(String type, Stream<? extends @Nullable Object> values) {
        return new SqlArrayValue(type, values.toArray());
    }

    /** Adds movements of an account's statement, a batch at the most: as columns, a fifth quicker than row by row. */
    void add(String planId, String account, String statementId, List<BankMovement> movements) {
        long firstId = nextIds();
        client.sql("""
        insert into movement (plan_id, account, statement_id, id, booking_date, value_date, minor, unassigned, text,
          counterparty, reference, fingerprint, line_id)
        select ?, ?, ?, id, booking_date, value_date, minor, unassigned, text, counterparty, reference, fingerprint, line_id
        from unnest(cast(? as bigint array), cast(? as date array), cast(? as date array), cast(? as bigint array),
          cast(? as bigint array), cast(? as varchar array), cast(? as varchar array), cast(? as varchar array),
          cast(? as varchar array), cast(? as varchar array))
          as u (id, booking_date, value_date, minor, unassigned, text, counterparty, reference, fingerprint, line_id)""")
                .params(
                        planId,
                        account,
                        statementId,
                        array(
                                "bigint",
                                LongStream.range(firstId, firstId + movements.size())
                                        .boxed()),
                        column("date", movements, BankMovement::bookingDate),
                        column("date", movements, BankMovement::valueDate),
                        column("bigint", movements, BankMovement::minor),
                        column("bigint", movements, BankMovement::unassigned),
                        column("varchar", movements, BankMovement::text),
                        column("varchar", movements, BankMovement::counterparty),
                        column("varchar", movements, BankMovement::reference),
                        column("varchar", movements, Fingerprint::of),
                        column("varchar", movements, MovementRows::wholeLine))
                .update();
        List<Object[]> parts = new ArrayList<>();
        for (int i = 0; i < movements.size(); i++) {
            addParts(firstId + i, movements.get(i), parts);
        }
        insertParts(parts);
    }

    /** Returns the line whose a movement is as a whole, settling no item; null if it has parts to be kept. */
    private static @Nullable String wholeLine(BankMovement movement) {
        AssignedPart part = movement.parts().size() == 1 ? movement.parts().get(0) : null;
        return part != null && part.minor() == movement.minor() && part.itemId() == null && part.less() == 0
                ? part.lineId()
                : null;
    }

    private static SqlArrayValue column(
            String type, List<BankMovement> movements, Function<BankMovement, @Nullable Object> of) {
        return array(type, movements.stream().map(of));
    }

    /** Ids are given out in runs of a batch, so that parts can be inserted together with their movements. */
    private long nextIds() {
        return client.sql("select " + engine.next("movement_id"))
                .query(Long.class)
                .single();
    }

    private static void addParts(long movementId, BankMovement movement, List<Object[]> rows) {
        for (int i = 0; wholeLine(movement) == null && i < movement.parts().size(); i++) {
            AssignedPart part = movement.parts().get(i);
            rows.add(new Object[] {movementId, i, part.lineId(), part.minor(), part.itemId(), part.less()});
        }
    }

    private void insertParts(List<Object[]> rows) {
        if (rows.isEmpty()) {
            return;
        }
        client.sql("""
        insert into movement_part (movement_id, position, line_id, minor, item_id, less)
        select movement_id, position, line_id, minor, item_id, less
        from unnest(cast(? as bigint array), cast(? as int array), cast(? as varchar array), cast(? as bigint array), cast(? as varchar array),
          cast(? as bigint array)) as u (movement_id, position, line_id, minor, item_id, less)""")
                .params(IntStream.range(0, PART_TYPES.size())
                        .mapToObj(at ->
                                (Object) array(PART_TYPES.get(at), rows.stream().map(row -> row[at])))
                        .toList())
                .update();
    }

    /** Keeps what the movements of a statement come to by day, and how many they are. */
    void end(String planId, String statementId, DaySums.Added added, int count) {
        sums.lay(planId, statementId, added);
        client.sql("update statement set movements = ? where plan_id = ? and id = ?")
                .params(count, planId, statementId)
                .update();
    }

    /** Puts what a movement was said to be in the place of what it was said to be before. */
    void replaceParts(String planId, long movementId, BankMovement becomes) {
        client.sql("delete from movement_part where movement_id = ?")
                .param(movementId)
                .update();
        List<Object[]> parts = new ArrayList<>();
        addParts(movementId, becomes, parts);
        insertParts(parts);
        client.sql("update movement set unassigned = ?, line_id = ? where plan_id = ? and id = ?")
                .param(becomes.unassigned())
                .param(wholeLine(becomes))
                .param(planId)
                .param(movementId)
                .update();
    }

    /**
     * Takes out the movements of a statement that was never switched on, batch by batch: each is looked up, whatever
     * else is edited meanwhile. Returns how many there were.
     */
    int removeOf(String planId, String statementId) {
        sums.remove(planId, statementId);
        int taken = 0;
        for (List<Long> ids = idsAfter(planId, statementId, 0);
                !ids.isEmpty();
                ids = idsAfter(planId, statementId, ids.get(ids.size() - 1))) {
            SqlArrayValue some = array("bigint", ids.stream());
            client.sql(
                            "merge into movement_part using unnest(cast(? as bigint array)) as one (id) on movement_id = one.id when matched then delete")
                    .param(some)
                    .update();
            client.sql(
                            "merge into movement m using unnest(cast(? as bigint array)) as one (id) on m.id = one.id when matched then delete")
                    .param(some)
                    .update();
            taken += ids.size();
        }
        return taken;
    }

    /**
     * The next batch in the order of ids, which is that of their key: nothing is read twice. The plan is asked for in a
     * way that the index by days does not answer, which would read and sort all movements for every batch.
     */
    private List<Long> idsAfter(String planId, String statementId, long id) {
        return client.sql(
                        "select id from movement where id > ? and coalesce(plan_id = ?, false) and statement_id = ? order by id limit ?")
                .params(id, planId, statementId, BATCH)
                .query(Long.class)
                .list();
    }
}
