package ebbtide.formats.plan;

import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;

/** The names of constants as files spell them: small letters with hyphens, "modified-following". */
final class Words {
  private Words() {}

  static String of(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  static <E extends Enum<E>> E parse(String word, Class<E> type) {
    return Arrays.stream(type.getEnumConstants()).filter(constant -> of(constant).equals(word)).findFirst()
        .orElseThrow(() -> new IllegalArgumentException("One of " + all(type) + " is expected, but was '" + word + "'"));
  }

  static <E extends Enum<E>> String all(Class<E> type) {
    return Arrays.stream(type.getEnumConstants()).map(Words::of).collect(Collectors.joining(", "));
  }
}
