package ebbtide.app.desk;

import java.util.List;

/** An edit made on a version of the plan that is no longer the newest; nothing was changed. */
public final class StaleVersion extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final long current;
    private final transient List<String> changedSince;

    StaleVersion(long base, long current, List<String> changedSince) {
        super("The plan has changed since you loaded it (version " + base + ", now " + current + "): "
                + String.join("; ", changedSince) + ". Look at it again, then repeat your edit.");
        this.current = current;
        this.changedSince = List.copyOf(changedSince);
    }

    public long current() {
        return current;
    }

    /** Returns the words of the edits made since, oldest first. */
    public List<String> changedSince() {
        return changedSince;
    }
}
