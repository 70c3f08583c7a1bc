package ebbtide.formats.bank;

/** A line of a bank's file that could not be read, or does not fit its neighbours, and why. */
public record RowProblem(int line, String reason, String text) {}
