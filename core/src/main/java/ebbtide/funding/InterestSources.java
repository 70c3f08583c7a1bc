package ebbtide.funding;

import ebbtide.derive.Derived;
import ebbtide.money.Percent;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.Charging;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.Steps;
import ebbtide.time.DaySeries;
import java.math.BigInteger;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What the sweep bears interest on, each by its number: its facilities in order of priority, the overdraft, cash. What
 * of it accrued by the as-of date is worked out once; nothing accrues where no line pays it.
 */
final class InterestSources {
    private final Plan plan;
    private final List<Line> facilities;
    private final SweptDays days;
    private final FundingBooks books;
    private final List<Source> sources = new ArrayList<>();
    private final List<Optional<Line>> lines;

    /** How the interest of a source accrues, and what it came to in the first month that is forecast up to D. */
    record Source(Accrual accrual, long ofMonth) {}

    /** All that the interest of a facility follows from, paid on a line of its own; the sweep finds what is drawn. */
    record OfFacility(Revolving facility, FundingBooks.OfLine drawn, FundingBooks.OfLine paid) {}

    /**
     * Reads what accrued by the as-of date, of cash by day of the timeline before the sweep; {@code known} takes over
     * that of facilities.
     */
    InterestSources(
            Plan plan, List<Line> facilities, FundingBooks books, DaySeries levels, Derived<OfFacility, Source> known) {
        this.plan = plan;
        this.facilities = facilities;
        this.days = books.days();
        this.books = books;
        this.lines = Stream.concat(
                        facilities.stream().map(line -> line(Interest.Of.LINE, line.id())),
                        Stream.of(line(Interest.Of.OVERDRAFT, null), line(Interest.Of.CASH, null)))
                .toList();
        for (int i = 0; i < facilities.size(); i++) {
            sources.add(ofFacility(i, known));
        }
        sources.add(ofBank(Interest.Of.OVERDRAFT, levels));
        sources.add(ofBank(Interest.Of.CASH, levels));
    }

    /** Returns how the interest of a source accrues. */
    Accrual accrual(int source) {
        return sources.get(source).accrual();
    }

    /**
     * Returns what the interest of a source came to from the start of the first month that is forecast to the as-of
     * date, as far as its balance is known; below zero on cash.
     */
    long costOfMonthSoFar(int source) {
        long cost = sources.get(source).ofMonth();
        return source == facilities.size() + 1 ? -cost : cost;
    }

    /** Returns how many sources there are. */
    int count() {
        return sources.size();
    }

    private Optional<Line> line(Interest.Of of, @Nullable String lineId) {
        return plan.lines().stream()
                .filter(line -> line.assumption()
                                .findInterest()
                                .filter(one -> one.isOf(of, lineId))
                                .isPresent()
                        && plan.isActive(line))
                .findFirst();
    }

    /** Returns the line on which the interest of a source is paid: facilities in order, the overdraft, cash. */
    Optional<Line> line(int source) {
        return lines.get(source);
    }

    private Source ofFacility(int at, Derived<OfFacility, Source> known) {
        Line facility = facilities.get(at);
        return line(at).map(interest -> known.of(
                        facility.id(),
                        () -> new OfFacility((Revolving) facility.assumption(), books.of(facility), books.of(interest)),
                        InterestSources::accruing))
                .orElseGet(() -> new Source(Accrual.none(days.count()), 0));
    }

    /** What is drawn bears the facility's rate, what is not its fee. */
    private static Source accruing(OfFacility of) {
        Revolving revolving = of.facility();
        SweptDays days = of.drawn().days();
        Charging charging = revolving.charging();
        AccruedSoFar accrued = new AccruedSoFar(
                days,
                charging,
                revolving.drawn().on(),
                Accrual.accrued(revolving.drawn().accrued(), charging.dayCount().year()));
        for (LocalDate night = revolving.drawn().on();
                !night.isAfter(days.settings().asOf());
                night = night.plusDays(1)) {
            long drawn = of.drawn().drawn(revolving, night);
            accrued.night(
                    night,
                    product(drawn, revolving.rate(night).millionths())
                            .add(product(Math.max(0, mostBefore(revolving, night) - drawn), fee(revolving, night))));
        }
        Accrual accrual = accrued.goesOn(
                DaySeries.of(days.count(), day -> revolving.rate(days.date(day)).millionths()),
                DaySeries.of(days.count(), day -> fee(revolving, days.date(day))),
                of.paid().after().negative());
        return new Source(accrual, accrued.ofMonth());
    }

    /**
     * The most that could be drawn up to the as-of date: what is available now is all that is known of it (rules 8.2).
     */
    private static long mostBefore(Revolving revolving, LocalDate night) {
        BorrowingBase base = revolving.availability();
        return base == null ? revolving.most(night) : Math.min(revolving.most(night), base.now());
    }

    private static long fee(Revolving revolving, LocalDate day) {
        return rate(revolving.undrawnFee(), day);
    }

    private static long rate(Steps<Percent> rates, LocalDate day) {
        return rates.findOn(day).map(step -> step.value().millionths()).orElse(0L);
    }

    private static BigInteger product(long one, long other) {
        return BigInteger.valueOf(one).multiply(BigInteger.valueOf(other));
    }

    /** What accrued by the as-of date is what the accounts bore since they were charged last. */
    private Source ofBank(Interest.Of of, DaySeries levels) {
        Optional<Line> line = line(facilities.size() + (of == Interest.Of.OVERDRAFT ? 0 : 1));
        if (line.isEmpty()) {
            return new Source(Accrual.none(days.count()), 0);
        }
        Charging charging = ((Interest) line.get().assumption()).charging();
        Steps<Percent> rates = bankRates(of);
        LocalDate asOf = plan.settings().asOf();
        LocalDate from = charging.lastOn(charging.lastOn(asOf).minusDays(1));
        // Before the first day of the timeline nothing moved: cash stood then as it did on the eve of it.
        LocalDate first = days.timeline().first();
        long before = books.books().cash(first.minusDays(1));
        AccruedSoFar accrued = new AccruedSoFar(days, charging, from, BigInteger.ZERO);
        for (LocalDate night = from; !night.isAfter(asOf); night = night.plusDays(1)) {
            long cash =
                    night.isBefore(first) ? before : levels.on(days.timeline().index(night));
            long balance = of == Interest.Of.CASH ? Math.max(0, cash) : Math.max(0, -cash);
            accrued.night(night, product(balance, rate(rates, night)));
        }
        Accrual accrual = accrued.goesOn(
                DaySeries.of(days.count(), day -> rate(rates, days.date(day))),
                DaySeries.NIL,
                books.after(line.get()).negative());
        return new Source(accrual, accrued.ofMonth());
    }

    private Steps<Percent> bankRates(Interest.Of of) {
        if (of == Interest.Of.CASH) {
            return plan.settings().cashRate();
        }
        return plan.settings().facility() == null
                ? Steps.none()
                : plan.settings().facility().rate();
    }
}
