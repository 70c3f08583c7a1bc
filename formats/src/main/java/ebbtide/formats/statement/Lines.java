package ebbtide.formats.statement;

import ebbtide.money.Refused;
import ebbtide.time.CalendarDay;
import java.time.LocalDate;
import java.util.function.Supplier;

/** What all readers of statements share: a fault is a sentence with the line it was found on. */
final class Lines {
    private Lines() {}

    static Refused fault(int line, String sentence) {
        return new Refused("Line " + line + ": " + sentence);
    }

    /** Returns what a reading gives, its refusal with the line before it. */
    static <T> T at(int line, Supplier<T> reading) {
        try {
            return reading.get();
        } catch (Refused | ArithmeticException e) {
            throw fault(line, String.valueOf(e.getMessage()));
        }
    }

    /** Returns a day between 1990 and 2100; refuses any other, with the text it was read from. */
    static LocalDate day(int line, String text, int year, int month, int day) {
        if (year < 1990 || year > 2100) {
            throw fault(line, "'" + text + "' is no day between 1990 and 2100");
        }
        try {
            return CalendarDay.of(year, month, day);
        } catch (Refused e) {
            throw fault(line, "'" + text + "' is no day: " + e.getMessage());
        }
    }
}
