package ebbtide.app.people;

/** What a person may do with a plan, each also what those before it may. */
public enum Role {
    /** Looks at what is made of pay by the sum, and at nothing that shows what each is paid. */
    ONLOOKER("looks at it, with pay in sums alone"),
    /** Looks at everything, and takes it out as files. */
    VIEWER("looks at all of it"),
    /** Writes notes, buoys, commentary and explanations. */
    COMMENTER("writes notes, buoys and commentary"),
    /** Changes what is assumed and what happened. */
    EDITOR("changes it"),
    /** Says who may do what, archives and deletes. */
    OWNER("says who may do what");

    private final String words;

    Role(String words) {
        this.words = words;
    }

    /** Returns what such a person does, as in "an owner says who may do what". */
    public String words() {
        return words;
    }

    public boolean covers(Role least) {
        return compareTo(least) >= 0;
    }
}
