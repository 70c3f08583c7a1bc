package ebbtide.app.storage;

/** Something asked for by an id that is not there. */
public final class NotFound extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public NotFound(String what, String id) {
        super("There is no " + what + " '" + id + "': it may have been deleted. Go back and choose another.");
    }
}
