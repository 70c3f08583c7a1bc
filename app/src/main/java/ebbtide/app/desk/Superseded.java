package ebbtide.app.desk;

import java.util.concurrent.CancellationException;

/** An answer that was given up, since the plan it is about has changed meanwhile. */
public final class Superseded extends CancellationException {
    private static final long serialVersionUID = 1L;

    Superseded() {
        super("The plan has changed while this was worked out: ask again.");
    }
}
