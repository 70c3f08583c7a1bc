package ebbtide.answers;

import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.funding.Liquidity;
import ebbtide.money.Percent;
import ebbtide.plan.Assumption;
import ebbtide.plan.DayTerms;
import ebbtide.plan.Direction;
import ebbtide.plan.EarlyPayment;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.plan.Steps;
import ebbtide.plan.Terms;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a discount for paying early is worth on a line (rules 3.6): its rate a year beside what money costs or earns
 * otherwise (both null when not known), a verdict in words, and what taking it does to low water and to cash week by
 * week.
 */
public record EarlyPaymentEffect(
        @Nullable Percent yearly,
        @Nullable Percent otherwise,
        String verdict,
        Liquidity.LowWater without,
        Liquidity.LowWater with,
        List<Week> weeks) {
    private static final int WEEKS = 26;

    /** A week and by how much taking the discount changes its net cash flow, in signed minor units. */
    public record Week(LocalDate from, LocalDate to, long change) {}

    /**
     * Returns the effect on a line whose terms by days offer a discount, compared from the day after the as-of date on.
     */
    public static EarlyPaymentEffect of(Plan plan, Books books, Line line) {
        DayTerms terms = ((Assumption.Stream) line.assumption()).terms().dayTerms();
        EarlyPayment early = terms.earlyPayment();
        Forecast without = Forecaster.forecast(with(plan, line, false), books);
        Forecast with = Forecaster.forecast(with(plan, line, true), books);
        LocalDate first = plan.settings().asOf().plusDays(1);
        List<Week> weeks = new ArrayList<>();
        for (Period week : without.periods(Periods.WEEK, first, first.plusWeeks(WEEKS))) {
            long change = net(with, week) - net(without, week);
            weeks.add(new Week(week.startInclusive(), week.lastDay(), change));
        }
        boolean earlier = terms.usualDays() > early.days();
        Percent yearly = earlier ? early.yearlyRate(terms.usualDays()) : null;
        return new EarlyPaymentEffect(
                yearly,
                rate(plan.settings()),
                verdict(plan.settings(), line.direction(), terms, yearly),
                without.lowWater(),
                with.lowWater(),
                List.copyOf(weeks));
    }

    /** The line with terms of its own that take the discount or not; the plan's shared ones stay as they are. */
    private static Plan with(Plan plan, Line line, boolean taken) {
        return new Plan(
                plan.settings(),
                plan.lines().stream()
                        .map(one -> {
                            if (!one.id().equals(line.id())) {
                                return one;
                            }
                            Assumption.Stream stream = (Assumption.Stream) one.assumption();
                            return one.with(stream.with(
                                    Terms.byDays(stream.terms().dayTerms().taking(taken))));
                        })
                        .toList(),
                plan.buoys());
    }

    private static long net(Forecast forecast, Period period) {
        return forecast.total(Direction.RECEIPT, period).amount()
                + forecast.total(Direction.PAYMENT, period).amount();
    }

    /** The facility's rate the day after the as-of date, else that on cash; null when neither is known. */
    private static @Nullable Percent rate(Settings settings) {
        LocalDate day = settings.asOf().plusDays(1);
        Percent onCash = settings.cashRate().findOn(day).map(Steps.Step::value).orElse(null);
        return settings.facility() == null
                ? onCash
                : settings.facility().rate().findOn(day).map(Steps.Step::value).orElse(onCash);
    }

    private static String verdict(Settings settings, Direction direction, DayTerms terms, @Nullable Percent yearly) {
        EarlyPayment early = terms.earlyPayment();
        if (yearly == null) {
            return "Paying in " + early.days() + " days is not earlier than in " + terms.usualDays()
                    + ", when it is paid anyway: the discount " + "costs no time";
        }
        boolean receipt = direction == Direction.RECEIPT;
        String offer =
                (receipt ? "Giving " : "Taking ") + early.discount() + " for " + early.days() + " days instead of "
                        + terms.usualDays() + (receipt ? " costs " : " earns ") + rounded(yearly) + "% a year";
        Percent rate = rate(settings);
        if (rate == null) {
            return offer
                    + ". What money costs otherwise is not known: give the facility, or cash, its rate under Setup";
        }
        String beside =
                settings.facility() == null || settings.facility().rate().isEmpty()
                        ? "; cash earns " + rate
                        : "; " + settings.facility().name() + " costs " + rate;
        boolean dearer = yearly.compareTo(rate) > 0;
        return offer
                + beside
                + (receipt
                        ? dearer
                                ? ": dearer than borrowing, so better not given"
                                : ": cheaper than borrowing, so worth giving"
                        : dearer ? ": worth taking" : ": better to pay when due");
    }

    private static String rounded(Percent percent) {
        return java.math.BigDecimal.valueOf(percent.millionths(), 4)
                .setScale(2, java.math.RoundingMode.HALF_UP)
                .toPlainString();
    }
}
