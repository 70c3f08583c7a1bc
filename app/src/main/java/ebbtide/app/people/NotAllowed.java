package ebbtide.app.people;

/** Something that whoever asks may not do, in a sentence. */
public final class NotAllowed extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public NotAllowed(String sentence) {
        super(sentence);
    }
}
