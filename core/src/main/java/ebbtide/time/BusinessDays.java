package ebbtide.time;

import com.opengamma.strata.basics.ReferenceData;
import com.opengamma.strata.basics.date.HolidayCalendar;
import com.opengamma.strata.basics.date.HolidayCalendarId;
import ebbtide.money.Refused;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Map;
import java.util.TreeMap;

/** The days on which the banks of one or several countries work (rules 1.5). */
public final class BusinessDays {
    private static final Map<String, String> CALENDAR_OF_COUNTRY = new TreeMap<>(Map.ofEntries(
            Map.entry("AU", "AUSY"),
            Map.entry("BR", "BRBD"),
            Map.entry("CA", "CATO"),
            Map.entry("CH", "CHZU"),
            Map.entry("CZ", "CZPR"),
            Map.entry("DE", "DEFR"),
            Map.entry("DK", "DKCO"),
            Map.entry("EU", "EUTA"),
            Map.entry("FR", "FRPA"),
            Map.entry("GB", "GBLO"),
            Map.entry("HU", "HUBU"),
            Map.entry("JP", "JPTO"),
            Map.entry("MX", "MXMC"),
            Map.entry("NO", "NOOS"),
            Map.entry("NZ", "NZAU"),
            Map.entry("PL", "PLWA"),
            Map.entry("SE", "SEST"),
            Map.entry("US", "USNY"),
            Map.entry("ZA", "ZAJO"),
            Map.entry("--", "Sat/Sun")));

    private final HolidayCalendar calendar;

    private BusinessDays(HolidayCalendar calendar) {
        this.calendar = calendar;
    }

    /** Returns the calendar of a country's two-letter code; "--" has weekends as its only holidays. */
    public static BusinessDays ofCountry(String country) {
        return new BusinessDays(resolve(country));
    }

    /** Returns the calendar in which a day must be a business day in every one of the countries. */
    public static BusinessDays ofCountries(Collection<String> countries) {
        return new BusinessDays(countries.stream()
                .distinct()
                .sorted()
                .map(BusinessDays::resolve)
                .reduce(HolidayCalendar::combinedWith)
                .orElseGet(() -> resolve("--")));
    }

    /** Returns the country codes that are known, in alphabetical order. */
    public static Collection<String> countries() {
        return CALENDAR_OF_COUNTRY.keySet();
    }

    private static HolidayCalendar resolve(String country) {
        String id = CALENDAR_OF_COUNTRY.get(country);
        if (id == null) {
            throw new Refused(
                    "Business days are known for the countries " + String.join(", ", CALENDAR_OF_COUNTRY.keySet())
                            + " (-- for weekends only), but not for '" + country + "'");
        }
        return HolidayCalendarId.of(id).resolve(ReferenceData.standard());
    }

    public boolean isBusinessDay(LocalDate day) {
        return calendar.isBusinessDay(day);
    }

    public LocalDate nextOrSame(LocalDate day) {
        return calendar.nextOrSame(day);
    }

    public LocalDate previousOrSame(LocalDate day) {
        return calendar.previousOrSame(day);
    }

    /** Returns the first business day after the day. */
    public LocalDate next(LocalDate day) {
        return calendar.next(day);
    }
}
