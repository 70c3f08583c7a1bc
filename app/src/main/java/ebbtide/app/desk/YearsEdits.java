package ebbtide.app.desk;

import ebbtide.app.desk.Edits.Change;
import ebbtide.money.Decimals;
import ebbtide.money.Money;
import ebbtide.money.Refused;
import ebbtide.plan.Settings;
import ebbtide.plan.YearsPlan;
import ebbtide.years.DriverEdit;
import ebbtide.years.DriverPart;
import ebbtide.years.Years;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/** The edits of years' drivers (rules 9.4): begun, typed cell by cell or as a block, and what a row follows from. */
public final class YearsEdits {
    private static final int MOST_VALUES = 5_000;

    private YearsEdits() {}

    /** What was typed for a part of a row's driver in a year; nothing takes it out. */
    public record DriverValue(String row, String part, int year, String text) {}

    /**
     * Begins years after the months; or, where there are years, lets each row go on as the last one came to. What
     * happens in single years, what is typed over, notes and rules stay.
     */
    public static Change begin(int count) {
        return draft -> {
            Settings settings = draft.shown().plan().settings();
            YearsPlan before = settings.years();
            YearsPlan from = before == null ? YearsPlan.asBefore(count) : before.withCount(count);
            draft.readsForecast();
            draft.putSettings(settings.withYears(
                    DriverEdit.proposed(Years.of(draft.shown().forecast(), from))));
            return before == null ? "Years begun as the last one was" : "Drivers proposed from the last year";
        };
    }

    /** Puts what was typed into the sheet, as one edit. */
    public static Change values(List<DriverValue> values) {
        if (values.isEmpty() || values.size() > MOST_VALUES) {
            throw new Refused("From one to " + MOST_VALUES + " values are put at a time, but were " + values.size());
        }
        return draft -> {
            Currency currency = draft.shown().plan().settings().currency();
            change(draft, plan -> {
                YearsPlan now = plan;
                for (DriverValue one : values) {
                    DriverPart part = part(one.part());
                    now = DriverEdit.value(now, one.row(), part, one.year(), number(one.text(), part, currency));
                }
                return now;
            });
            return values.size() == 1
                    ? "Driver of " + values.get(0).row() + " in "
                            + values.get(0).year() + " set"
                    : values.size() + " values of drivers set";
        };
    }

    /** Lets a row follow from something else. */
    public static Change method(String row, String key) {
        return draft -> {
            Settings settings = draft.shown().plan().settings();
            draft.readsForecast();
            draft.putSettings(settings.withYears(
                    DriverEdit.method(Years.of(draft.shown().forecast(), there(settings)), row, key)));
            return "What " + row + " follows from set";
        };
    }

    /** Puts the note on what a row follows from. */
    public static Change note(String row, String note) {
        return draft -> {
            change(draft, plan -> DriverEdit.note(plan, row, note));
            return "Note on the driver of " + row + " set";
        };
    }

    private static void change(Draft draft, UnaryOperator<YearsPlan> how) {
        Settings settings = draft.shown().plan().settings();
        draft.putSettings(settings.withYears(how.apply(there(settings))));
    }

    private static YearsPlan there(Settings settings) {
        YearsPlan plan = settings.years();
        if (plan == null) {
            throw new Refused("The plan has no years yet: begin them first");
        }
        return plan;
    }

    private static DriverPart part(String word) {
        return Arrays.stream(DriverPart.values())
                .filter(one -> one.name().toLowerCase(Locale.ROOT).equals(word))
                .findFirst()
                .orElseThrow(() -> new Refused("A driver has no part '" + word + "'"));
    }

    private static @Nullable BigDecimal number(String text, DriverPart part, Currency currency) {
        String typed = text.strip();
        if (typed.isEmpty()) {
            return null;
        }
        if (part.measure() == DriverPart.Measure.MONEY) {
            return BigDecimal.valueOf(Money.minor(typed, currency));
        }
        try {
            return Decimals.parse(typed.endsWith("%") ? typed.substring(0, typed.length() - 1) : typed);
        } catch (NumberFormatException e) {
            throw new Refused("A number such as 12.5 is expected, but was '" + text + "'");
        }
    }
}
