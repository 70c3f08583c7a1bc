package ebbtide.years;

import java.time.LocalDate;
import java.util.function.ToLongFunction;

/**
 * A debt that is there when years begin, and what of it is owed at the end of a day as agreed: a loan by its schedule,
 * a facility until it ends, anything else as it is. Minor units.
 */
public record AgreedDebt(String id, String name, ToLongFunction<LocalDate> owed) {}
