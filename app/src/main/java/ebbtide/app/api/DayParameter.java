package ebbtide.app.api;

import ebbtide.money.Refused;
import ebbtide.time.CalendarDay;
import java.time.LocalDate;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.core.convert.TypeDescriptor;
import org.springframework.core.convert.converter.GenericConverter;
import org.springframework.stereotype.Component;

/** A day in an address, read as one in a field is: one that a calendar has, in a year that a plan can have. */
@Component
class DayParameter implements GenericConverter {
    private static final int FIRST_YEAR = 1900;
    private static final int LAST_YEAR = 2200;

    @Override
    public Set<ConvertiblePair> getConvertibleTypes() {
        return Set.of(new ConvertiblePair(String.class, LocalDate.class));
    }

    /** A day that is not said is none. */
    @Override
    public @Nullable Object convert(@Nullable Object text, TypeDescriptor from, TypeDescriptor to) {
        return text == null || text.toString().isBlank()
                ? null
                : of(text.toString().strip());
    }

    /**
     * Returns the day of a text.
     *
     * @throws Refused for any other text, in a sentence
     */
    static LocalDate of(String text) {
        LocalDate day = CalendarDay.parse(text);
        requireOfPlan(day);
        return day;
    }

    static void requireOfPlan(LocalDate day) {
        if (day.getYear() < FIRST_YEAR || day.getYear() > LAST_YEAR) {
            throw new Refused("A day lies between the years " + FIRST_YEAR + " and " + LAST_YEAR);
        }
    }
}
