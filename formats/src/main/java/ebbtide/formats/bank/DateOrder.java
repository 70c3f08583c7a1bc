package ebbtide.formats.bank;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The order of day, month and year in a date; any mark may stand between, and months may be short English names. */
public enum DateOrder {
    YEAR_MONTH_DAY(Pattern.compile("(?<y>(?:19|20)\\d{2})[-/. ]?(?<m>\\d{1,2})[-/. ]?(?<d>\\d{1,2})(?:[T ].*)?")),
    DAY_MONTH_YEAR(
            Pattern.compile("(?<d>\\d{1,2})[-/. ](?<m>\\d{1,2}|[A-Za-z]{3,9})[-/. ](?<y>\\d{4}|\\d{2})(?: .*)?")),
    MONTH_DAY_YEAR(
            Pattern.compile("(?<m>\\d{1,2}|[A-Za-z]{3,9})[-/. ](?<d>\\d{1,2}),?[-/. ](?<y>\\d{4}|\\d{2})(?: .*)?"));

    private static final String MONTHS = "janfebmaraprmayjunjulaugsepoctnovdec";
    private final Pattern pattern;

    DateOrder(Pattern pattern) {
        this.pattern = pattern;
    }

    /**
     * Returns the date of a text in this order, none if it is no such date; a year of two digits lies in 2000 to 2099.
     */
    public Optional<LocalDate> find(String text) {
        Matcher matcher = pattern.matcher(text.strip());
        if (!matcher.matches()) {
            return Optional.empty();
        }
        try {
            int year = Integer.parseInt(matcher.group("y"));
            int month = month(matcher.group("m"));
            return Optional.of(
                    LocalDate.of(year < 100 ? 2000 + year : year, month, Integer.parseInt(matcher.group("d"))));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    /** Returns the order in which most of some texts can be read; of equals the first: day before month. */
    public static DateOrder ofMost(List<String> texts) {
        return Arrays.stream(values())
                .max(Comparator.comparingLong((DateOrder order) -> texts.stream()
                                .filter(text -> order.find(text).isPresent())
                                .count())
                        .thenComparing(order -> -order.ordinal()))
                .orElse(YEAR_MONTH_DAY);
    }

    private static int month(String text) {
        if (Character.isDigit(text.charAt(0))) {
            return Integer.parseInt(text);
        }
        int at = MONTHS.indexOf(text.substring(0, 3).toLowerCase(Locale.ROOT));
        return at % 3 == 0 ? at / 3 + 1 : 0;
    }
}
