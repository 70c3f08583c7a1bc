package ebbtide.app.storage;

/**
 * A kind of thing that edits change: its state is text that can be read, written back, and kept in the change log, so
 * that undo and redo need to know nothing else about it. A state of null means that the thing is not there.
 */
interface Kept {
  /** The kinds, and whether a change of one alters the books. */
  enum Kind {
    SETTINGS(false),
    LINE(false),
    BUOY(false),
    ACCOUNT(true),
    RULE(false),
    STATEMENT(true),
    PARTS(true),
    SNAPSHOT(false);

    private final boolean inBooks;

    Kind(boolean inBooks) {
      this.inBooks = inBooks;
    }

    boolean isInBooks() {
      return inBooks;
    }
  }

  Kind kind();

  /** Returns the state of a thing of a plan, null if it is not there. */
  String state(String planId, String id);

  /** Makes a thing of a plan have a state, null taking it away. */
  void restore(String planId, String id, String state);
}
