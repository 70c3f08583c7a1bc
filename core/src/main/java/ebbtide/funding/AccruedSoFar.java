package ebbtide.funding;

import ebbtide.money.Rounding;
import ebbtide.plan.Charging;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Settings;
import ebbtide.time.DaySeries;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.LocalDate;
import java.time.YearMonth;
import org.jspecify.annotations.Nullable;

/** What accrued of interest up to the as-of date, night by night and charge by charge (rules 8.4). */
final class AccruedSoFar {
    private final SweptDays days;
    private final Charging charging;
    private final LocalDate from;
    private BigInteger accrued;
    private long charged;
    private @Nullable LocalDate paidOn;
    private long ofMonth;

    /** Begins on a day with what had accrued before its night. */
    AccruedSoFar(SweptDays days, Charging charging, LocalDate from, BigInteger accrued) {
        this.days = days;
        this.charging = charging;
        this.from = from;
        this.accrued = accrued;
    }

    /** Takes the next night, which adds so much for each day that it counts for. */
    void night(LocalDate night, BigInteger perDay) {
        boolean ofMonthForecast = YearMonth.from(night).equals(days.settings().firstForecastMonth());
        long before = minor();
        add(night, perDay);
        ofMonth += ofMonthForecast ? minor() - before + (chargedOn(night) ? charged : 0) : 0;
    }

    private boolean chargedOn(LocalDate night) {
        return night.isAfter(from) && charging.isOn(night);
    }

    private long minor() {
        return Rounding.divide(
                new BigDecimal(accrued), 1_000_000L * charging.dayCount().year());
    }

    private void add(LocalDate night, BigInteger perDay) {
        Settings settings = days.settings();
        if (chargedOn(night)) {
            charged = minor();
            paidOn = paidOn(night);
            accrued = BigInteger.ZERO;
        }
        if (night.equals(settings.asOf())
                && settings.funding().interestBy() == FundingRules.InterestBy.AVERAGE_BALANCE) {
            // The mean of the days after the as-of date reckons from its balance: its night is in it.
            return;
        }
        accrued = accrued.add(
                perDay.multiply(BigInteger.valueOf(charging.dayCount().days(night, night.plusDays(1)))));
    }

    private LocalDate paidOn(LocalDate charge) {
        return charging.nextBusinessDay() ? days.timeline().calendar().nextOrSame(charge) : charge;
    }

    /**
     * Returns what the interest came to from the start of the first month that is forecast to the as-of date, as far as
     * its balance is known.
     */
    long ofMonth() {
        return ofMonth;
    }

    /** Returns how it goes on after the as-of date, at rates by day swept; {@code booked} was paid since. */
    Accrual goesOn(DaySeries rate, DaySeries fee, DaySeries booked) {
        int[] nights = new int[days.count()];
        int[] paid = new int[days.count()];
        for (int day = 0; day < nights.length; day++) {
            LocalDate date = days.date(day);
            nights[day] = (int) charging.dayCount().days(date, date.plusDays(1));
            paid[day] = charging.isOn(date) ? days.index(paidOn(date)) : -1;
        }
        LocalDate waits = paidOn != null && paidOn.isAfter(days.settings().asOf()) ? paidOn : null;
        return new Accrual(
                true,
                rate,
                fee,
                nights,
                charging.dayCount().year(),
                paid,
                accrued,
                waits == null ? 0 : charged,
                waits == null ? -1 : days.index(waits),
                booked);
    }
}
