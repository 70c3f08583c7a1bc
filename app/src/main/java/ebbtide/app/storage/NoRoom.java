package ebbtide.app.storage;

/** Thrown where the disk has not enough room left for what is to be written; nothing was changed. */
public final class NoRoom extends RuntimeException {
    private static final long serialVersionUID = 1;

    NoRoom(String sentence) {
        super(sentence);
    }
}
