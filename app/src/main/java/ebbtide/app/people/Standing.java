package ebbtide.app.people;

/** As what somebody works: it says which plans are there for them, and what they may do. */
public sealed interface Standing {
    /** The one person whose program it is, who works without signing in. */
    record Own() implements Standing {}

    /** A person who has signed in, by which sign-in. */
    record Member(String personId, boolean steward, String signIn) implements Standing {}

    /** Whoever has a link that shows one plan. */
    record Guest(String planId) implements Standing {}

    /** Nobody that is known. */
    record Nobody() implements Standing {}
}
