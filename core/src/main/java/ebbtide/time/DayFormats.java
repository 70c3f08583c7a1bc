package ebbtide.time;

import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** How days and months are written in sentences: one way of each, in English whatever the machine's language is. */
public final class DayFormats {
    /** 5 Jun 2026. */
    public static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    /** 5 June 2026. */
    public static final DateTimeFormatter LONG_DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
    /** Fri 5 Jun 2026. */
    public static final DateTimeFormatter WEEKDAY = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.ENGLISH);
    /** June 2026. */
    public static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);
    /** Jun 2026. */
    public static final DateTimeFormatter SHORT_MONTH = DateTimeFormatter.ofPattern("MMM yyyy", Locale.ENGLISH);

    private DayFormats() {}
}
