package ebbtide.formats.document;

import ebbtide.money.Check;
import ebbtide.money.Decimals;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.time.CalendarDay;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.YearMonth;
import java.util.Arrays;
import java.util.Currency;
import java.util.Locale;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The forms of single values: texts, days, amounts, percentages, numbers and the words of what can be chosen. */
public final class Values {
    static final String DATE_PATTERN = "^\\d{4}-\\d{2}-\\d{2}$";
    static final String MONTH_PATTERN = "^\\d{4}-\\d{2}$";
    private static final String WHOLE_RULE = "A whole number is expected";

    public static final Form<String> TEXT =
            of("a text in quotes", (text, place) -> text, Values::node, book -> SchemaBook.typed("string"));
    /** A text that is not blank. */
    public static final Form<String> FILLED = of(
            "a text in quotes",
            (text, place) -> Check.text(text, "the " + place.name()),
            Values::node,
            book -> SchemaBook.typed("string").put("minLength", 1));

    public static final Form<LocalDate> DATE = of(
                    "a date such as 2026-03-01",
                    (text, place) -> day(text),
                    (day, currency) -> node(day.toString(), currency),
                    book -> SchemaBook.typed("string").put("pattern", DATE_PATTERN))
            .named("date");
    /** A moment with its distance from the time of the world. */
    public static final Form<OffsetDateTime> MOMENT = of(
            "a moment such as 2026-03-01T09:30:00Z",
            (text, place) -> JsonPlace.parse(text, OffsetDateTime::parse, "A moment is written 2026-03-01T09:30:00Z"),
            (moment, currency) -> node(moment.toString(), currency),
            book -> SchemaBook.typed("string").put("format", "date-time"));

    public static final Form<YearMonth> MONTH = of(
                    "a month such as 2026-03",
                    (text, place) -> JsonPlace.parse(text, YearMonth::parse, "A month is written 2026-03"),
                    (month, currency) -> node(month.toString(), currency),
                    book -> SchemaBook.typed("string").put("pattern", MONTH_PATTERN))
            .named("month");
    public static final Form<BigDecimal> NUMBER = of(
                    "a number such as 12.5",
                    (text, place) -> JsonPlace.parse(text, Decimals::parse, "A number is written 12.5"),
                    (number, currency) -> node(number.toPlainString(), currency),
                    book -> figures(book, "^-?\\d+(\\.\\d+)?$"))
            .named("number");
    /** A number written without the nils at its end. */
    public static final Form<BigDecimal> SHORT_NUMBER = NUMBER.as(number -> number, BigDecimal::stripTrailingZeros);

    public static final Form<Percent> PERCENT = of(
                    "a percentage such as 12.5",
                    (text, place) -> Percent.parse(text),
                    (percent, currency) -> node(percent.number(), currency),
                    book -> figures(book, "^-?\\d+(\\.\\d{1,4})?%?$"))
            .named("percent");
    /** An amount in minor units of the document's currency, written as decimal text. */
    public static final Form<Long> AMOUNT = of(
                    "an amount such as 1250.50",
                    (text, place) -> Money.minor(text, place.currency()),
                    (minor, currency) -> node(Money.plain(minor, currency), currency),
                    book -> figures(book, "^-?\\d+(\\.\\d{1,3})?$"))
            .named("amount");

    public static final Form<Integer> WHOLE = of(
            "a whole number",
            (text, place) -> JsonPlace.parse(text, Integer::valueOf, WHOLE_RULE),
            (number, currency) -> SchemaBook.NODES.numberNode(number),
            book -> SchemaBook.typed("integer"));
    public static final Form<Boolean> FLAG = new Flag();

    private Values() {}

    /**
     * Returns the form of a text that is not blank; that it has at most so many letters is said by the schema, and held
     * by what is made of it.
     */
    public static Form<String> filled(int most) {
        return of(
                "a text in quotes",
                (text, place) -> Check.text(text, "the " + place.name()),
                Values::node,
                book -> SchemaBook.typed("string").put("minLength", 1).put("maxLength", most));
    }

    /** Returns the form of a whole number from least to most, both included. */
    public static Form<Integer> whole(int least, int most) {
        return of(
                "a whole number",
                (text, place) ->
                        Check.inRange(JsonPlace.parse(text, Integer::valueOf, WHOLE_RULE), least, most, "this"),
                (number, currency) -> SchemaBook.NODES.numberNode(number),
                book -> SchemaBook.typed("integer").put("minimum", least).put("maximum", most));
    }

    /**
     * Returns the form of one of the constants of a type, under its name in small letters with hyphens; an unknown one
     * is refused with those known.
     */
    public static <E extends Enum<E>> Form<E> oneOf(Class<E> type) {
        String all = Arrays.stream(type.getEnumConstants()).map(Values::word).collect(Collectors.joining(", "));
        return of(
                "one of " + all,
                (text, place) -> Arrays.stream(type.getEnumConstants())
                        .filter(constant -> word(constant).equals(text))
                        .findFirst()
                        .orElseThrow(() -> new Refused("One of " + all + " is expected, but was '" + text + "'")),
                (constant, currency) -> node(word(constant), currency),
                book -> {
                    ObjectNode node = SchemaBook.typed("string");
                    Arrays.stream(type.getEnumConstants()).map(Values::word).forEach(node.putArray("enum")::add);
                    return node;
                });
    }

    /** Returns the form of a text that is always the same. */
    public static Form<String> always(String constant, String sentence) {
        return of(
                "a text in quotes",
                (text, place) -> {
                    Check.that(text.equals(constant), sentence);
                    return text;
                },
                Values::node,
                book -> SchemaBook.NODES.objectNode().put("const", constant));
    }

    private static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static JsonNode node(String text, Currency currency) {
        return SchemaBook.NODES.stringNode(text);
    }

    private static LocalDate day(String text) {
        try {
            return CalendarDay.parse(text.strip());
        } catch (Refused e) {
            throw new Refused(e.getMessage() + ", but was '" + text + "'");
        }
    }

    /** Figures are written as text, and read as a number too. */
    private static ObjectNode figures(SchemaBook book, String pattern) {
        ObjectNode node = SchemaBook.typed("string");
        if (!book.isOfWritten()) {
            node.putArray("type").add("string").add("number");
        }
        return node.put("pattern", pattern);
    }

    private static <T> Form<T> of(
            String what,
            BiFunction<String, JsonPlace, T> parser,
            BiFunction<T, Currency, JsonNode> writer,
            Function<SchemaBook, ObjectNode> schema) {
        return new OfText<>(what, parser, writer, schema);
    }

    /** A value that is read from a text, or from the figures of a number. */
    private static final class OfText<T> extends Form<T> {
        private final String what;
        private final BiFunction<String, JsonPlace, T> parser;
        private final BiFunction<T, Currency, JsonNode> writer;
        private final Function<SchemaBook, ObjectNode> schema;

        OfText(
                String what,
                BiFunction<String, JsonPlace, T> parser,
                BiFunction<T, Currency, JsonNode> writer,
                Function<SchemaBook, ObjectNode> schema) {
            this.what = what;
            this.parser = parser;
            this.writer = writer;
            this.schema = schema;
        }

        @Override
        public @Nullable T read(JsonPlace place) {
            return place.required(what, text -> parser.apply(text, place));
        }

        @Override
        public JsonNode write(T value, Currency currency) {
            return writer.apply(value, currency);
        }

        @Override
        ObjectNode schema(SchemaBook book) {
            return schema.apply(book);
        }
    }

    /** True or false. */
    private static final class Flag extends Form<Boolean> {
        @Override
        public @Nullable Boolean read(JsonPlace place) {
            return place.flag();
        }

        @Override
        public JsonNode write(Boolean value, Currency currency) {
            return SchemaBook.NODES.booleanNode(value);
        }

        @Override
        ObjectNode schema(SchemaBook book) {
            return SchemaBook.typed("boolean");
        }
    }
}
