package ebbtide.money;

/**
 * What a user may be told: a sentence that says what is wrong with what they gave and how to mend it. It is an argument
 * that was refused; any other exception that reaches a user is a fault of the program.
 */
public class Refused extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    public Refused(String sentence) {
        super(sentence);
    }

    public Refused(String sentence, Throwable cause) {
        super(sentence, cause);
    }
}
