package ebbtide.funding;

import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.plan.Line;
import ebbtide.plan.Revolving;
import ebbtide.time.DaySeries;
import java.time.LocalDate;
import java.util.List;

/** What the bank has booked on the lines that the sweep moves: it is fact, and the sweep goes on from it. */
record FundingBooks(Books books, SweptDays days) {
    /** What is booked on one of the lines: all that the books have to say of it. */
    record OfLine(List<DayAmount> movements, SweptDays days) {
        /** Returns what is booked after the as-of date, by day swept; what comes in is above zero. */
        DaySeries after() {
            DaySeries.Sum booked = new DaySeries.Sum(days.count());
            movements.stream()
                    .filter(one -> one.day().isAfter(days.settings().asOf())
                            && !one.day().isAfter(days.timeline().last()))
                    .forEach(one -> booked.add(days.index(one.day()), one.minor()));
            return booked.series();
        }

        /**
         * Returns what is drawn on a facility, whose line it is, at the end of a day up to the as-of date: what was
         * said, and every movement since.
         */
        long drawn(Revolving facility, LocalDate day) {
            Revolving.Drawn drawn = facility.drawn();
            return drawn.amount()
                    + movements.stream()
                            .filter(one ->
                                    one.day().isAfter(drawn.on()) && !one.day().isAfter(day))
                            .mapToLong(DayAmount::minor)
                            .sum();
        }
    }

    OfLine of(Line line) {
        return new OfLine(books.byLine().getOrDefault(line.id(), List.of()), days);
    }

    /** Returns what is booked on a line after the as-of date, by day swept; what comes in is above zero. */
    DaySeries after(Line line) {
        return of(line).after();
    }

    /** Returns what is drawn on a facility at the end of a day up to the as-of date. */
    long drawnOn(Line line, LocalDate day) {
        return of(line).drawn((Revolving) line.assumption(), day);
    }
}
