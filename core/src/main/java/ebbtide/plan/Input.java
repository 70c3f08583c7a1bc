package ebbtide.plan;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Collections;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * One assumption of something, by its lasting name: where it stands ({@code path}: names and ids of parts, never words
 * that can be edited but those by which a role or an asset is known, never a place in a list), what it is, its unit,
 * its value, and that something with another value. A value with its steps, or its months, is one input. {@code ofLine}
 * is the id of another line that the name ends in, {@code on} the day it lies on where it has one; {@code listed} is
 * false for what is nil and goes without saying; {@code fact} is true for what is so on the as-of date, whatever comes
 * (rules 11.1).
 */
public record Input<P>(
        String path,
        String name,
        @Nullable String ofLine,
        Unit unit,
        Value value,
        @Nullable LocalDate on,
        String note,
        boolean listed,
        boolean fact,
        Function<Value, P> setter) {

    /** Makes an input of what is to come. */
    Input(
            String path,
            String name,
            @Nullable String ofLine,
            Unit unit,
            Value value,
            @Nullable LocalDate on,
            String note,
            boolean listed,
            Function<Value, P> setter) {
        this(path, name, ofLine, unit, value, on, note, listed, false, setter);
    }

    /** The value of an input: one, one from each of some days on, or one of each of some months or years. */
    public sealed interface Value {
        /**
         * A value that always holds: minor units as Long, Percent, Integer, BigDecimal, LocalDate, Boolean, an enum, or
         * a record of the plan.
         */
        record One(Object of) implements Value {}

        /** Values that each hold from a day on. */
        record Stepped(Steps<?> of) implements Value {}

        /** Values of months of their own. */
        record Monthly(SortedMap<YearMonth, ?> of) implements Value {
            public Monthly {
                of = Collections.unmodifiableSortedMap(new TreeMap<>(of));
            }
        }

        /** Values of fiscal years, by the calendar year in which each begins. */
        record Yearly(SortedMap<Integer, ?> of) implements Value {
            public Yearly {
                of = Collections.unmodifiableSortedMap(new TreeMap<>(of));
            }
        }

        /** Returns what a part of a record holds as a value. */
        @SuppressWarnings("unchecked")
        static Value of(Object held) {
            if (held instanceof Steps<?> steps) {
                return new Stepped(steps);
            }
            if (held instanceof SortedMap<?, ?> map) {
                return !map.isEmpty() && map.firstKey() instanceof Integer
                        ? new Yearly((SortedMap<Integer, ?>) map)
                        : new Monthly((SortedMap<YearMonth, ?>) map);
            }
            return new One(held);
        }

        /** Returns the single values: of steps and months each. */
        default Stream<?> figures() {
            if (this instanceof Stepped stepped) {
                return stepped.of().steps().stream().map(Steps.Step::value);
            }
            return this instanceof Monthly monthly
                    ? monthly.of().values().stream()
                    : this instanceof Yearly yearly ? yearly.of().values().stream() : Stream.ofNullable(held());
        }

        /** Returns the same steps and months with each single value made another. */
        default Value mapped(UnaryOperator<Object> each) {
            if (this instanceof Stepped stepped) {
                return new Stepped(new Steps<>(stepped.of().steps().stream()
                        .map(step -> new Steps.Step<Object>(step.from(), each.apply(step.value()), step.since()))
                        .toList()));
            }
            if (this instanceof Monthly monthly) {
                SortedMap<YearMonth, Object> months = new TreeMap<>();
                monthly.of().forEach((month, value) -> months.put(month, each.apply(value)));
                return new Monthly(months);
            }
            if (this instanceof Yearly yearly) {
                SortedMap<Integer, Object> years = new TreeMap<>();
                yearly.of().forEach((year, value) -> years.put(year, each.apply(value)));
                return new Yearly(years);
            }
            return new One(each.apply(held()));
        }

        /** Returns the value as a part of a record holds it. */
        default Object held() {
            if (this instanceof One one) {
                return one.of();
            }
            return this instanceof Stepped stepped
                    ? stepped.of()
                    : this instanceof Monthly monthly ? monthly.of() : ((Yearly) this).of();
        }
    }

    /** Returns what it is an input of, with another value in its place; refuses, in a sentence, one that cannot be. */
    public P with(Value other) {
        return setter.apply(other);
    }

    /** Returns the input as one of something larger, whose path goes before. */
    <Q> Input<Q> within(String before, Function<P, Q> larger) {
        return new Input<>(
                path.isEmpty() || before.isEmpty() || before.endsWith("/") ? before + path : before + "/" + path,
                name,
                ofLine,
                unit,
                value,
                on,
                note,
                listed,
                fact,
                other -> larger.apply(setter.apply(other)));
    }

    /** Returns the input under another name. */
    Input<P> named(String other) {
        return new Input<>(path, other, ofLine, unit, value, on, note, listed, fact, setter);
    }

    /** Returns the input as one of what is so on the as-of date. */
    Input<P> asFact() {
        return new Input<>(path, name, ofLine, unit, value, on, note, listed, true, setter);
    }
}
