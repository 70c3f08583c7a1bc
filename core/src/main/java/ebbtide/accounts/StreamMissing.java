package ebbtide.accounts;

import static ebbtide.time.DayFormats.DAY;
import static ebbtide.time.DayFormats.MONTH;

import ebbtide.activity.StockRoll;
import ebbtide.billing.TargetBilling;
import ebbtide.money.Money;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.LineSettings;
import ebbtide.plan.Steps;
import ebbtide.plan.Terms;
import ebbtide.time.Timeline;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * What a stream lacks for its figures to be trusted: history that its terms read, a price that somebody looks at, stock
 * that is there.
 */
final class StreamMissing {
    private final StreamBilling billing;
    private final Assumption.Stream stream;
    private final LineSettings settings;
    private final String name;
    private final List<String> found = new ArrayList<>();

    StreamMissing(StreamBilling billing) {
        this.billing = billing;
        this.stream = billing.stream();
        this.settings = billing.frame().settings();
        this.name = billing.line().name();
    }

    List<String> sentences() {
        if (!stream.keepsItems() && !(stream.method() instanceof ActivityMethod.ShareOfLine)) {
            owed();
        }
        stream.method().price().ifPresent(price -> oldStep(price.name(), price.steps()));
        billing.stock().ifPresent(this::stock);
        return found;
    }

    /**
     * What is owed on the as-of date follows from history, and from the ledger where it is scaled to that (rules 2.4,
     * 3.5).
     */
    private void owed() {
        Terms.By by = stream.terms().by();
        if (by == Terms.By.TARGET) {
            target();
            return;
        }
        if (stream.ledger() != null
                && stream.ledger().trueUp()
                && stream.ledger().amount() > 0
                && billing.owedByHistory().total() == 0) {
            found.add(name + " has " + words(stream.ledger().amount())
                    + " in the ledger, but its history implies nothing to scale to it: type the history, or add the "
                    + "sum as a line with a single date");
        }
        history(
                by == Terms.By.DAYS
                        ? stream.terms().dayTerms().monthsBack() - 1
                        : stream.terms().pattern().longestLag());
    }

    /** Lags read months before the forecast; each that the terms need and history lacks is missed (rules 2.4). */
    private void history(int lag) {
        YearMonth first = settings.firstForecastMonth();
        long lacking = 0;
        for (int back = 1; back <= lag; back++) {
            lacking += stream.history().containsKey(first.minusMonths(back)) ? 0 : 1;
        }
        if (lacking > 0) {
            found.add(name + " is paid up to " + lag + (lag == 1 ? " month" : " months") + " later, but "
                    + (lacking == 1 ? "1 month" : lacking + " months") + " before "
                    + first.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH)
                    + " have no figure: type its history, or those months count as nil");
        }
    }

    /** A target of days needs what was owed at first, and cash that runs the other way is said (rules 3.4). */
    private void target() {
        TargetBilling target = billing.target();
        if (!target.isOpeningKnown()) {
            found.add(name + " stands at a target of days, but no month before " + settings.firstForecastMonth()
                    + " is known: type its history or its ledger total, or nothing was owed at first");
        }
        target.months(Timeline.monthNumber(YearMonth.from(settings.horizonEnd()))).stream()
                .filter(month -> month.cash() < 0)
                .findFirst()
                .ifPresent(month -> found.add("The target of days of " + name + " rises by more than is billed in "
                        + Timeline.month(month.month()) + ": its cash would be " + words(month.cash())));
    }

    /** A price that nobody has looked at for over a year may have been forgotten. */
    private void oldStep(String what, Steps<?> steps) {
        if (!steps.isEmpty()) {
            LocalDate from = steps.steps().get(steps.steps().size() - 1).from();
            if (from.isBefore(settings.asOf().minusYears(1))) {
                found.add(
                        "The " + what + " of " + name + " has stood since " + DAY.format(from)
                                + ", over a year before the as-of date: give it a step of its own from when it changes, or from today if it still holds");
            }
        }
    }

    /**
     * Stock that nobody has said (rules 6.1), or that is sold and not there (rules 6.3): the first month, and what is
     * missing.
     */
    private void stock(StockRoll roll) {
        if (!roll.isOpeningSaid()) {
            found.add(name + " has no opening stock: type what was in stock at the end of "
                    + MONTH.format(settings.openingDay()) + ", be it nil, or it is taken as nil");
        }
        LocalDate end = settings.horizonEnd();
        Arrays.stream(roll.months())
                .filter(one -> !one.month().atDay(1).isAfter(end))
                .filter(one -> one.units() == null
                        ? one.closing() < 0
                        : one.units().closing().signum() < 0)
                .findFirst()
                .ifPresent(one -> found.add("The stock of " + name + " falls below zero in " + one.month() + ": "
                        + (one.units() == null
                                ? words(-one.closing())
                                : one.units()
                                                .closing()
                                                .negate()
                                                .setScale(2, RoundingMode.UP)
                                                .stripTrailingZeros()
                                                .toPlainString()
                                        + " units")
                        + " are missing. Buy more by then, or sell less"));
    }

    private String words(long minor) {
        return Money.words(minor, settings.currency());
    }
}
