package ebbtide.whatif;

import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.time.CalendarDay;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Objects;
import java.util.regex.Pattern;

/**
 * A value as it is typed into a change, in the unit in which its target is shown: what it is a value of may be gone
 * when it is read.
 */
public sealed interface Typed {
    Pattern NUMBER = Pattern.compile("-?\\d{1,15}(\\.\\d{1,6})?");
    Pattern DAY = Pattern.compile("\\d{4}-\\d{2}-\\d{2}");

    /** A number: money in whole currency, a percentage in points, days, months, a count, a quantity or a price. */
    record Figure(BigDecimal number) implements Typed {
        public Figure {
            number = number.stripTrailingZeros();
            number = number.scale() < 0 ? number.setScale(0) : number;
        }

        @Override
        public String text() {
            return number.toPlainString();
        }
    }

    /** A day of the calendar. */
    record Day(LocalDate day) implements Typed {
        public Day {
            Objects.requireNonNull(day, "day");
        }

        @Override
        public String text() {
            return day.toString();
        }
    }

    /** One of several words: "likely", "yes". */
    record Word(String word) implements Typed {
        public Word {
            word = Check.text(word, "value", 80);
        }

        @Override
        public String text() {
            return word;
        }
    }

    /** Returns the text that {@link #of} reads back. */
    String text();

    /**
     * Returns the value of a text: a number such as 12.5, a day such as 2026-03-01, else a word.
     *
     * @throws Refused for a day that no calendar has, and no text at all
     */
    static Typed of(String text) {
        String plain = text.strip();
        if (NUMBER.matcher(plain).matches()) {
            return new Figure(new BigDecimal(plain));
        }
        return DAY.matcher(plain).matches() ? new Day(CalendarDay.parse(plain)) : new Word(plain);
    }
}
