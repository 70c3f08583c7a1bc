package ebbtide.plan;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * The inputs of a record, told one by one; each is named by the part of the record that holds it, and set by making the
 * record anew.
 */
final class Inputs<R extends Record> {
    private final R record;
    private final List<Input<R>> inputs = new ArrayList<>();

    private Inputs(R record) {
        this.record = record;
    }

    static <R extends Record> Inputs<R> of(R record) {
        return new Inputs<>(record);
    }

    /** Adds what a part holds. */
    Inputs<R> add(String part, String name, Unit unit) {
        return add(part, name, unit, null, "", true);
    }

    /** Adds what a part holds, which lies on a day. */
    Inputs<R> on(LocalDate day, String part, String name, Unit unit) {
        return add(part, name, unit, day, "", true);
    }

    /** Adds what a part holds, which lies on a day and has a note. */
    Inputs<R> on(LocalDate day, String note, String part, String name, Unit unit) {
        return add(part, name, unit, day, note, true);
    }

    /** Adds what a part holds, which goes without saying unless something is so. */
    Inputs<R> when(boolean listed, String part, String name, Unit unit) {
        return add(part, name, unit, null, "", listed);
    }

    /** Adds what a part holds of another line, whose name the input's name ends in. */
    Inputs<R> ofLine(String lineId, String part, String name, Unit unit) {
        inputs.add(new Input<>(
                part,
                name,
                lineId,
                unit,
                Input.Value.of(held(part)),
                null,
                "",
                true,
                value -> with(part, value.held())));
        return this;
    }

    private Inputs<R> add(String part, String name, Unit unit, @Nullable LocalDate day, String note, boolean listed) {
        inputs.add(new Input<>(
                part,
                name,
                null,
                unit,
                Input.Value.of(held(part)),
                day,
                note,
                listed,
                value -> with(part, value.held())));
        return this;
    }

    /** Adds an input that is found and set in a way of its own. */
    Inputs<R> own(Input<R> input) {
        inputs.add(input);
        return this;
    }

    /** Adds the inputs of a part that is a record, nothing of one that is not there. */
    <C extends Record> Inputs<R> in(String part, @Nullable C held, Function<C, Inputs<C>> of) {
        if (held != null) {
            of.apply(held).list().forEach(one -> inputs.add(one.within(part, made -> with(part, made))));
        }
        return this;
    }

    /**
     * Adds the inputs of each record of a part that is a list, by what it is known by; of equals the second is marked
     * "#2".
     */
    <C extends Record> Inputs<R> each(
            String part, List<C> held, Function<C, String> key, BiFunction<C, Integer, Inputs<C>> of) {
        List<String> keys = new ArrayList<>();
        for (int i = 0; i < held.size(); i++) {
            int at = i;
            String own = key.apply(held.get(i));
            long before = keys.stream().filter(own::equals).count();
            keys.add(own);
            String path = part + "[" + own + (before == 0 ? "" : "#" + (before + 1)) + "]";
            of.apply(held.get(i), i)
                    .list()
                    .forEach(one -> inputs.add(one.within(path, made -> with(part, replaced(held, at, made)))));
        }
        return this;
    }

    /** Adds the inputs of records of a family, each by its own way. */
    <C> Inputs<R> family(String part, C held, Function<C, List<Input<C>>> of) {
        of.apply(held).forEach(one -> inputs.add(one.within(part, made -> with(part, made))));
        return this;
    }

    static <C> List<C> replaced(List<C> all, int at, C other) {
        List<C> some = new ArrayList<>(all);
        some.set(at, other);
        return some;
    }

    Inputs<R> renamed(UnaryOperator<String> name) {
        inputs.replaceAll(one -> one.named(name.apply(one.name())));
        return this;
    }

    /** Says of some parts that they are so on the as-of date, whatever comes (rules 11.1). */
    Inputs<R> facts(String... parts) {
        inputs.replaceAll(one -> List.of(parts).contains(one.path()) ? one.asFact() : one);
        return this;
    }

    List<Input<R>> list() {
        return List.copyOf(inputs);
    }

    private Object held(String part) {
        try {
            return component(part).getAccessor().invoke(record);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    private RecordComponent component(String part) {
        return Arrays.stream(record.getClass().getRecordComponents())
                .filter(one -> one.getName().equals(part))
                .findFirst()
                .orElseThrow(() ->
                        new IllegalStateException(record.getClass().getSimpleName() + " has no part '" + part + "'"));
    }

    /** Returns the record with another value of a part; refuses what the record refuses. */
    @SuppressWarnings("unchecked")
    R with(String part, Object value) {
        RecordComponent[] parts = record.getClass().getRecordComponents();
        component(part);
        Object[] values = Arrays.stream(parts)
                .map(one -> one.getName().equals(part) ? value : held(one.getName()))
                .toArray();
        try {
            Constructor<?> made = record.getClass()
                    .getDeclaredConstructor(
                            Arrays.stream(parts).map(RecordComponent::getType).toArray(Class<?>[]::new));
            return (R) made.newInstance(values);
        } catch (InvocationTargetException e) {
            throw Optional.ofNullable(e.getCause())
                    .filter(RuntimeException.class::isInstance)
                    .map(RuntimeException.class::cast)
                    .orElseThrow(() -> new IllegalStateException(e));
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }
}
