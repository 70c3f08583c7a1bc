package ebbtide.accounts;

import ebbtide.books.DayAmount;
import ebbtide.books.OpenItem;
import ebbtide.plan.Certainty;
import ebbtide.plan.Line;
import ebbtide.plan.LineSettings;
import ebbtide.plan.Netting;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** The sums that fall due on a line, with what movements have used of each (rules 5.2). */
public final class Expectations {
    private static final int WINDOW = 15;
    private static final int ONE_OFF_AFTER = 45;

    private Expectations() {}

    /**
     * Returns the expectations of an account, left-out certainties included: one for each sum that falls due and for
     * each amount carried, used up by the line's movements and by what is open of its items, each on its original due
     * date wherever it is now expected. The line's netting says in which days, and what was put to a date by hand.
     */
    public static List<Expectation> of(
            LineAccount account, List<DayAmount> movements, List<OpenItem> items, LineSettings settings) {
        Line line = account.line();
        List<Due> carried = line.carried().stream()
                .map(one -> Due.whole(
                        one.day(), one.day(), one.amount(), Certainty.CERTAIN, Due.Lasting.ONE_OFF, one.origin()))
                .toList();
        return of(account.dues(), carried, line, unsaid(line, movements, settings), items);
    }

    /**
     * What is said to be paid of profit tax so far holds the movements up to the opening day: they settle nothing a
     * second time.
     */
    private static List<DayAmount> unsaid(Line line, List<DayAmount> movements, LineSettings settings) {
        return line.assumption().saysWhatIsPaid()
                ? movements.stream()
                        .filter(one -> one.day().isAfter(settings.openingDay()))
                        .toList()
                : movements;
    }

    /** Returns an expectation for each due, in the order given, and for each amount carried. */
    static List<Expectation> of(
            List<Due> dues, List<Due> carried, Line line, List<DayAmount> movements, List<OpenItem> items) {
        Netting netting = line.netting();
        List<Expectation> found = new ArrayList<>();
        // What stands until it is paid comes and goes with the as-of date: it moves no other window.
        List<Due> neighbours = dues.stream()
                .filter(due -> due.lasting() != Due.Lasting.UNTIL_PAID)
                .toList();
        int among = 0;
        for (int i = 0; i < dues.size(); i++) {
            found.add(
                    switch (dues.get(i).lasting()) {
                        case BETWEEN_NEIGHBOURS, PAY_DAY ->
                            netting.window() != null
                                    ? within(dues.get(i), netting.window())
                                    : new Expectation(dues.get(i), start(neighbours, among), end(neighbours, among), 0);
                        case UNTIL_PAID -> new Expectation(dues.get(i), start(dues, i), LocalDate.MAX, 0);
                        case ONE_OFF ->
                            netting.window() != null ? within(dues.get(i), netting.window()) : oneOff(dues.get(i));
                    });
            among += dues.get(i).lasting() == Due.Lasting.UNTIL_PAID ? 0 : 1;
        }
        carried.forEach(due -> found.add(oneOff(due)));
        if (found.isEmpty()) {
            // A stream by terms expects nothing by date, and may have tens of thousands of items.
            return found;
        }
        for (DayAmount movement : movements) {
            use(
                    found,
                    netting,
                    movement.day(),
                    movement.minor() * line.direction().sign());
        }
        items.stream()
                .filter(item -> item.kind() != OpenItem.Kind.CREDIT_NOTE
                        && item.amount().open() > 0)
                .forEach(item -> use(found, netting, item.due(), item.amount().open()));
        // What staff are paid closes their pay day as it closes a bill; a pay day that nobody paid stands (rules 1.9).
        found.replaceAll(one -> one.isPayDay() && one.used() == 0 ? one.standing() : one);
        return found;
    }

    private static Expectation oneOff(Due due) {
        return new Expectation(due, due.day().minusDays(WINDOW), due.day().plusDays(ONE_OFF_AFTER), 0);
    }

    private static Expectation within(Due due, Netting.Window window) {
        return new Expectation(
                due, due.day().minusDays(window.before()), due.day().plusDays(window.after()), 0);
    }

    private static LocalDate start(List<Due> dues, int i) {
        LocalDate day = dues.get(i).day();
        return i == 0
                ? day.minusDays(WINDOW)
                : later(day.minusDays(WINDOW), half(dues.get(i - 1).day(), day).plusDays(1));
    }

    private static LocalDate end(List<Due> dues, int i) {
        LocalDate day = dues.get(i).day();
        return i + 1 == dues.size()
                ? day.plusDays(WINDOW)
                : earlier(day.plusDays(WINDOW), half(day, dues.get(i + 1).day()));
    }

    /**
     * Lets a movement use up what was chosen for its day, else the nearest expectation whose window holds it; money the
     * other way uses nothing up.
     */
    private static void use(List<Expectation> expectations, Netting netting, LocalDate day, long minor) {
        LocalDate chosen = netting.plannedFor(day).orElse(null);
        int nearest = -1;
        for (int i = 0; i < expectations.size(); i++) {
            Expectation one = expectations.get(i);
            boolean sameWay = one.amount() < 0 ? minor < 0 : minor > 0;
            boolean holds = chosen == null ? one.holds(day) : one.typed().equals(chosen);
            if (sameWay
                    && holds
                    && (nearest < 0
                            || one.distance(day) < expectations.get(nearest).distance(day)
                            || one.distance(day) == expectations.get(nearest).distance(day)
                                    && expectations.get(nearest).left() == 0)) {
                nearest = i;
            }
        }
        if (nearest >= 0) {
            expectations.set(nearest, expectations.get(nearest).use(minor));
        }
    }

    private static LocalDate half(LocalDate one, LocalDate other) {
        return LocalDate.ofEpochDay(Math.floorDiv(one.toEpochDay() + other.toEpochDay(), 2));
    }

    private static LocalDate later(LocalDate one, LocalDate other) {
        return one.isAfter(other) ? one : other;
    }

    private static LocalDate earlier(LocalDate one, LocalDate other) {
        return one.isBefore(other) ? one : other;
    }
}
