package ebbtide.books;

import java.time.LocalDate;

/** A signed amount in minor units on a day, + in, - out. */
public record DayAmount(LocalDate day, long minor) {}
