package ebbtide.formats.plan;

import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.PlanProblem;
import ebbtide.time.CalendarDay;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Currency;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.Supplier;
import tools.jackson.databind.JsonNode;

/**
 * A value in a JSON document with the place it stands at. What is wrong is added to a shared list with the place, and
 * null comes back, so that reading goes on and every problem is found at once.
 */
final class JsonPlace {
  private final JsonNode node;
  private final String path;
  private final List<PlanProblem> problems;
  private final Set<String> asked = new LinkedHashSet<>();

  JsonPlace(JsonNode node, String path, List<PlanProblem> problems) {
    this.node = node;
    this.path = path;
    this.problems = problems;
  }

  void problem(String sentence) {
    problems.add(new PlanProblem(path.isEmpty() ? "/" : path, sentence));
  }

  /** Adds a problem found elsewhere, which names its own place. */
  void problemAt(PlanProblem problem) {
    problems.add(problem);
  }

  /** Returns how many problems the whole document has so far. */
  int problemCount() {
    return problems.size();
  }

  boolean isAbsent() {
    return node == null || node.isMissingNode() || node.isNull();
  }

  /** Returns the value of a field, absent if the document has none. */
  JsonPlace at(String field) {
    asked.add(field);
    return new JsonPlace(node == null || !node.isObject() ? null : node.get(field), path + "/" + field, problems);
  }

  /** Returns what the supplier makes; an argument it refuses becomes a problem here. */
  <T> T make(Supplier<T> maker) {
    int before = problems.size();
    try {
      return maker.get();
    } catch (IllegalArgumentException e) {
      problem(sentence(e.getMessage()));
    } catch (NullPointerException e) {
      // A part that could not be read is null and has been reported; anything else would be a fault of ours.
      if (problems.size() == before && problems.isEmpty()) {
        throw e;
      }
    }
    return null;
  }

  private static String sentence(String message) {
    return message.substring(0, 1).toUpperCase(Locale.ROOT) + message.substring(1);
  }

  /** Reports fields of this object that nobody asked for: most often a slip of the pen. */
  void noOthers() {
    if (node != null && node.isObject()) {
      node.propertyNames().stream().filter(name -> !asked.contains(name))
          .forEach(name -> new JsonPlace(null, path + "/" + name, problems)
              .problem("'" + name + "' is not known here; known are " + String.join(", ", asked)));
    } else if (!isAbsent()) {
      problem("An object in braces is expected here, but was " + node);
    }
  }

  String text() {
    return required("a text in quotes", text -> text);
  }

  /** Returns a text that is not blank. */
  String filled() {
    return required("a text in quotes", text -> Check.text(text, "the " + path.substring(path.lastIndexOf('/') + 1)));
  }

  String textOr(String otherwise) {
    return isAbsent() ? otherwise : text();
  }

  LocalDate date() {
    return required("a date such as 2026-03-01", JsonPlace::day);
  }

  LocalDate dateOr(LocalDate otherwise) {
    return isAbsent() ? otherwise : date();
  }

  YearMonth month() {
    return required("a month such as 2026-03", text -> parse(text, YearMonth::parse, "A month is written 2026-03"));
  }

  BigDecimal decimal() {
    return required("a number such as 12.5", text -> parse(text, BigDecimal::new, "A number is written 12.5"));
  }

  Long amount(Currency currency) {
    return required("an amount such as 1250.50", text -> currency == null ? null : Money.minor(text, currency));
  }

  Percent percent() {
    return required("a percentage such as 12.5", Percent::parse);
  }

  Percent percentOr(Percent otherwise) {
    return isAbsent() ? otherwise : percent();
  }

  Integer whole() {
    return required("a whole number", text -> parse(text, Integer::valueOf, "A whole number is expected"));
  }

  /** Returns a whole number from least to most, both included. */
  Integer wholeIn(int least, int most, Integer otherwise) {
    return isAbsent() ? otherwise : required("a whole number", text ->
        Check.inRange(parse(text, Integer::valueOf, "A whole number is expected"), least, most, "this"));
  }

  Integer wholeOr(Integer otherwise) {
    return isAbsent() ? otherwise : whole();
  }

  Boolean flagOr(boolean otherwise) {
    if (isAbsent()) {
      return otherwise;
    }
    if (!node.isBoolean()) {
      problem("true or false is expected here, but was " + node);
      return null;
    }
    return node.asBoolean();
  }

  /** Returns the constant of a name in small letters; an unknown one is refused with the list of those known. */
  <E extends Enum<E>> E oneOf(Class<E> type) {
    return required("one of " + Words.all(type), text -> Words.parse(text, type));
  }

  <E extends Enum<E>> E oneOfOr(Class<E> type, E otherwise) {
    return isAbsent() ? otherwise : oneOf(type);
  }

  /** Returns what is read from each element of a list, leaving out what could not be read; absent is empty. */
  <T> List<T> list(Function<JsonPlace, T> reader) {
    List<T> found = new ArrayList<>();
    if (isAbsent()) {
      return found;
    }
    if (!node.isArray()) {
      problem("A list in square brackets is expected here, but was " + node);
      return found;
    }
    for (int i = 0; i < node.size(); i++) {
      T one = reader.apply(new JsonPlace(node.get(i), path + "/" + i, problems));
      if (one != null) {
        found.add(one);
      }
    }
    return found;
  }

  /** Returns values by month from an object whose names are months such as 2026-03; absent is empty. */
  <T> SortedMap<YearMonth, T> byMonth(Function<JsonPlace, T> reader) {
    return byName(name -> parse(name, YearMonth::parse, "A month is written 2026-03"), reader);
  }

  /** Returns values by year from an object whose names are years such as 2026; absent is empty. */
  <T> SortedMap<Integer, T> byYear(Function<JsonPlace, T> reader) {
    return byName(name -> parse(name, Integer::valueOf, "A year is written 2026"), reader);
  }

  private <K, T> SortedMap<K, T> byName(Function<String, K> key, Function<JsonPlace, T> reader) {
    SortedMap<K, T> found = new TreeMap<>();
    eachField((name, place) -> {
      K named = place.make(() -> key.apply(name));
      T value = reader.apply(place);
      if (named != null && value != null) {
        found.put(named, value);
      }
    });
    return found;
  }

  private void eachField(BiConsumer<String, JsonPlace> reader) {
    if (isAbsent()) {
      return;
    }
    if (!node.isObject()) {
      problem("An object in braces is expected here, but was " + node);
      return;
    }
    node.properties().forEach(entry ->
        reader.accept(entry.getKey(), new JsonPlace(entry.getValue(), path + "/" + entry.getKey(), problems)));
  }

  private <T> T required(String what, Function<String, T> parser) {
    if (isAbsent()) {
      problem("Missing: " + what);
      return null;
    }
    if (node.isContainer() || node.isBoolean()) {
      problem("Expected " + what + ", but was " + node);
      return null;
    }
    return make(() -> parser.apply(node.isNumber() ? node.decimalValue().toPlainString() : node.asString()));
  }

  private static LocalDate day(String text) {
    try {
      return CalendarDay.parse(text.strip());
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(e.getMessage() + ", but was '" + text + "'");
    }
  }

  private static <T> T parse(String text, Function<String, T> parser, String rule) {
    try {
      return parser.apply(text.strip());
    } catch (DateTimeException | NumberFormatException e) {
      throw new IllegalArgumentException(rule + ", but was '" + text + "'");
    }
  }
}
