package ebbtide.app;

import java.util.Arrays;
import java.util.stream.Collectors;

/**
 * Something that went wrong in the program, told for the log without what it was working on: kinds of exceptions and
 * places in the code, no messages, which may hold amounts and names.
 */
public record Fault(Throwable cause) {
    private static final int PLACES = 12;

    @Override
    public String toString() {
        StringBuilder told = new StringBuilder();
        for (Throwable one = cause; one != null; one = one.getCause() == one ? null : one.getCause()) {
            told.append(told.isEmpty() ? "" : ", caused by ")
                    .append(one.getClass().getName())
                    .append(" at ")
                    .append(Arrays.stream(one.getStackTrace())
                            .limit(PLACES)
                            .map(StackTraceElement::toString)
                            .collect(Collectors.joining(" < ")));
        }
        return told.toString();
    }
}
