package ebbtide.whatif;

import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.Assumption.MonthOverride;
import ebbtide.plan.Unit;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Currency;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * One value of an assumption as an act leaves it (rules 11.2): set, scaled to a share and rounded once to its places,
 * or with something added. Whether the result is allowed is for its assumption to say.
 */
record ChangedValue(Act act, Unit unit, Currency currency, String reason) {

    /**
     * Returns a value as the act leaves it; null is one that there is not yet, which can only be set.
     *
     * @throws Refused where the act makes no sense of such a value, in a sentence
     */
    Object of(@Nullable Object value) {
        if (value instanceof MonthOverride override) {
            return new MonthOverride((Long) of(override.amount()), override.reason());
        }
        if (act instanceof Act.Set set) {
            return set(set.value(), value);
        }
        if (value == null) {
            throw new Refused("there is no value to change: set one");
        }
        if (act instanceof Act.Scale scale) {
            return scaled(value, scale.to());
        }
        if (act instanceof Act.Add add) {
            return added(value, add.more());
        }
        if (act instanceof Act.Shift shift && value instanceof LocalDate day) {
            return shift.of(day);
        }
        throw new Refused("an assumption is set, scaled, or added to, and a day of it is shifted");
    }

    private Object set(Typed typed, @Nullable Object value) {
        if (typed instanceof Typed.Day day) {
            Check.that(
                    unit.measure() == Unit.Measure.DAY && !(value instanceof Integer),
                    "a day is typed where " + wanted() + " is wanted");
            return day.day();
        }
        if (typed instanceof Typed.Word word) {
            return chosen(word.word(), value);
        }
        BigDecimal number = ((Typed.Figure) typed).number();
        return switch (unit.measure()) {
            case MONEY -> Money.minor(number.toPlainString(), currency);
            case PERCENT -> isPlainNumber(value) ? number : Percent.of(number);
            case NUMBER -> number;
            case DAYS, MONTHS -> whole(number);
            case COUNT -> isPlainNumber(value) ? number : whole(number);
            case DAY -> {
                Check.that(value instanceof Integer, "a number is typed where " + wanted() + " is wanted");
                yield whole(number);
            }
            case CHOICE -> throw new Refused("a number is typed where " + wanted() + " is wanted");
        };
    }

    /** A percentage of customers lost, or a count of posts, is held as a number with decimals. */
    private boolean isPlainNumber(@Nullable Object value) {
        return value instanceof BigDecimal || value == null && unit.least() instanceof BigDecimal;
    }

    private String wanted() {
        return unit.measure() == Unit.Measure.DAY
                ? "a day"
                : unit.measure() == Unit.Measure.CHOICE ? "one of several words" : "a number";
    }

    /** Returns nil, as such an assumption has it. */
    Object nil() {
        return new ChangedValue(new Act.Set(new Typed.Figure(BigDecimal.ZERO)), unit, currency, reason).of(null);
    }

    private static int whole(BigDecimal number) {
        Check.that(
                number.stripTrailingZeros().scale() <= 0,
                "a whole number is wanted, but was " + number.toPlainString());
        return number.intValueExact();
    }

    private static Object chosen(String word, @Nullable Object value) {
        if (value instanceof Boolean) {
            Check.that(word.equals("yes") || word.equals("no"), "yes or no is wanted, but was '" + word + "'");
            return word.equals("yes");
        }
        if (value instanceof Enum<?> one) {
            Object[] all = one.getDeclaringClass().getEnumConstants();
            return Arrays.stream(all)
                    .filter(some -> word(some).equals(word))
                    .findFirst()
                    .orElseThrow(() -> new Refused("one of "
                            + Arrays.stream(all).map(ChangedValue::word).collect(Collectors.joining(", "))
                            + " is wanted, but was '" + word + "'"));
        }
        throw new Refused(
                "'" + word + "' is typed where " + (value instanceof LocalDate ? "a day" : "a figure") + " is wanted");
    }

    private static String word(Object constant) {
        return ((Enum<?>) constant).name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private Object scaled(Object value, Percent to) {
        if (value instanceof Long minor) {
            return to.of(minor);
        }
        if (value instanceof Percent percent) {
            return new Percent(to.of(percent.millionths()));
        }
        if (value instanceof BigDecimal number) {
            return number.multiply(to.asFraction()).setScale(unit.places(), RoundingMode.HALF_UP);
        }
        if (value instanceof Integer whole && unit.measure() != Unit.Measure.DAY) {
            return (int) to.of(whole);
        }
        throw new Refused("only a figure can be scaled: set it instead");
    }

    private Object added(Object value, BigDecimal more) {
        if (value instanceof Long minor) {
            return Math.addExact(minor, Money.minor(more.toPlainString(), currency));
        }
        if (value instanceof Percent percent) {
            return percent.plus(Percent.of(more));
        }
        if (value instanceof BigDecimal number) {
            return number.add(more);
        }
        if (value instanceof Integer whole) {
            return Math.addExact(whole, whole(more));
        }
        if (value instanceof LocalDate day) {
            return day.plusDays(whole(more));
        }
        throw new Refused("nothing can be added to what is no figure: set it instead");
    }
}
