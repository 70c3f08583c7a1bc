package ebbtide.app.people;

import java.io.IOException;
import org.jspecify.annotations.Nullable;

/**
 * Who is at work, and what they look at: the author of what is done, what they work as, and the scenario that stands in
 * the place of the base, null for the base itself (docs/decisions/0020). It belongs to the thread that does the work.
 */
public record Hand(
        String author, Standing standing, @Nullable String scenario) {
    /** Who works where nobody has said who they are: the person whose program it is, at the base. */
    public static final Hand OWN = new Hand(System.getProperty("user.name", "analyst"), new Standing.Own(), null);

    private static final ThreadLocal<Hand> AT_WORK = ThreadLocal.withInitial(() -> OWN);

    /** Work that may fail as the answering of a request does. */
    @FunctionalInterface
    public interface Work<E extends Exception> {
        void run() throws IOException, E;
    }

    /** Returns whose work is under way. */
    public static Hand atWork() {
        return AT_WORK.get();
    }

    /** Returns the same hand with the base before it. */
    public Hand atBase() {
        return new Hand(author, standing, null);
    }

    /** Returns work that this hand does, in whatever thread. */
    public Runnable doing(Runnable work) {
        return () -> {
            Hand before = AT_WORK.get();
            AT_WORK.set(this);
            try {
                work.run();
            } finally {
                AT_WORK.set(before);
            }
        };
    }

    /** Does work as this hand. */
    public <E extends Exception> void does(Work<E> work) throws IOException, E {
        Hand before = AT_WORK.get();
        AT_WORK.set(this);
        try {
            work.run();
        } finally {
            AT_WORK.set(before);
        }
    }
}
