package ebbtide.app.storage;

import ebbtide.app.storage.MovementStore.Query;
import ebbtide.app.storage.MovementStore.StoredMovement;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * Movements by words of their text, the newest first. Every text has to be read, so days are searched backwards, a few
 * at a time, until enough is found or patience ends: what is sought is mostly of late.
 */
@Repository
public class WordSearch {
    private final JdbcClient client;
    private final MovementStore movements;

    WordSearch(JdbcClient client, MovementStore movements) {
        this.client = client;
        this.movements = movements;
    }

    /** What was found, and the day back to which was searched; null when all days were, or enough was found. */
    public record Found(
            List<StoredMovement> movements, @Nullable LocalDate searchedBackTo) {}

    private record Days(LocalDate first, LocalDate last) {}

    /**
     * Returns the movements asked for as far as they are found in a time; what it takes to search one slice may exceed
     * it.
     */
    public Found find(String planId, Query query, Duration patience) {
        Days days = client.sql(
                        "select min(booking_date) as first, max(booking_date) as last from account_day where plan_id = ?")
                .param(planId)
                .query(Days.class)
                .single();
        if (days.first() == null) {
            return new Found(List.of(), null);
        }
        LocalDate first = query.from() == null || query.from().isBefore(days.first()) ? days.first() : query.from();
        LocalDate to = query.to() == null || query.to().isAfter(days.last()) ? days.last() : query.to();
        long until = System.nanoTime() + patience.toNanos();
        List<StoredMovement> found = new ArrayList<>();
        int wanted = query.offset() + query.limit();
        int slice = 1;
        while (!to.isBefore(first) && found.size() < wanted) {
            LocalDate from = to.minusDays(slice - 1L).isBefore(first) ? first : to.minusDays(slice - 1L);
            long began = System.nanoTime();
            found.addAll(movements.find(planId, query.within(from, to, wanted - found.size())));
            long now = System.nanoTime();
            to = from.minusDays(1);
            if (now > until && !to.isBefore(first) && found.size() < wanted) {
                return new Found(page(found, query), from);
            }
            // Quick slices grow, slow ones stay, so that the time is kept.
            slice = (now - began) * 8 < patience.toNanos() ? slice * 2 : slice;
        }
        return new Found(page(found, query), null);
    }

    private static List<StoredMovement> page(List<StoredMovement> found, Query query) {
        return List.copyOf(found.subList(Math.min(query.offset(), found.size()), found.size()));
    }
}
