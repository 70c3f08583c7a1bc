package ebbtide.whatif;

import static ebbtide.time.DayFormats.LONG_DAY;
import static ebbtide.time.DayFormats.MONTH;

import ebbtide.forecast.Forecast;
import ebbtide.plan.DayRange;
import ebbtide.plan.Direction;
import ebbtide.plan.Input;
import ebbtide.plan.Line;
import ebbtide.plan.NamedTerms;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanInputs;
import ebbtide.plan.Unit;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A change in words: of what, what is done to it, and when. A target that is gone is called by its lasting name, so
 * that nothing falls silent (rules 11.4).
 */
public record ChangeWords(String target, String act, String range) {

    /** Returns the words of a change over the base that a forecast is of. */
    public static ChangeWords of(Forecast base, Change change) {
        Plan plan = base.plan();
        Optional<Input<Plan>> input = change.target() instanceof Target.OfAssumption assumption
                ? PlanInputs.find(plan, assumption.path())
                : Optional.empty();
        String unit = change.target() instanceof Target.OfBaseRate
                ? unit(Unit.RATE, plan)
                : input.map(one -> unit(one.unit(), plan))
                        .orElseGet(() -> " " + plan.settings().currency().getCurrencyCode());
        return new ChangeWords(
                change.target() instanceof Target.OfItem item ? item(base, item) : target(plan, change, input),
                change.target() instanceof Target.OfItem
                        ? act(change.act(), unit).replace('-', ' ')
                        : act(change.act(), unit),
                range(change.range()) + ramp(change.ramp()));
    }

    private static String item(Forecast base, Target.OfItem item) {
        String name = base.books()
                .items()
                .find(item.item())
                .map(one -> one.number() + " of " + one.counterparty())
                .orElse(item.item());
        return name
                + switch (item.part()) {
                    case EXPECTED -> ": day typed";
                    case PROMISED -> ": day promised";
                    case STANDING -> ": standing";
                };
    }

    private static String target(Plan plan, Change change, Optional<Input<Plan>> input) {
        if (change.act() instanceof Act.New made) {
            return made.line().name();
        }
        if (change.target() instanceof Target.OfLine line) {
            return plan.findLine(line.lineId()).map(Line::name).orElse(line.lineId());
        }
        if (change.target() instanceof Target.OfCounterparty party) {
            return party.name();
        }
        if (change.target() instanceof Target.OfPart part) {
            return plan.findLine(part.lineId()).map(Line::name).orElse(part.lineId()) + ": " + part.part();
        }
        if (change.target() instanceof Target.OfTerms terms) {
            return plan.settings().findTerms(terms.id()).map(NamedTerms::name).orElse(terms.id()) + " (terms)";
        }
        if (change.target() instanceof Target.OfCertainty sums) {
            return (sums.direction() == Direction.RECEIPT ? "Receipts" : "Payments") + " that are "
                    + sums.certainty().name().toLowerCase(Locale.ROOT);
        }
        if (change.target() instanceof Target.OfBaseRate) {
            return "Base rate of all facilities";
        }
        String path = ((Target.OfAssumption) change.target()).path();
        String line = plan.findLine(path.substring(0, Math.max(0, path.indexOf('/'))))
                .map(Line::name)
                .orElse("Settings");
        return input.map(one -> line + ": " + one.name()
                        + (one.ofLine() == null
                                ? ""
                                : " "
                                        + plan.findLine(one.ofLine())
                                                .map(Line::name)
                                                .orElse(one.ofLine()))
                        + (one.on() == null ? "" : " on " + LONG_DAY.format(one.on())))
                .orElse(path);
    }

    static String unit(Unit unit, Plan plan) {
        String words = unit.measure() == Unit.Measure.MONEY || unit == Unit.MONEY_EACH
                ? plan.settings().currency().getCurrencyCode()
                : unit.words();
        return words.isEmpty() || words.startsWith("%") ? words : " " + words;
    }

    private static String act(Act act, String unit) {
        if (act instanceof Act.Set set) {
            return set.value() instanceof Typed.Figure figure
                    ? "is " + figure(figure.number()) + unit
                    : "is "
                            + (set.value() instanceof Typed.Day day
                                    ? LONG_DAY.format(day.day())
                                    : set.value().text());
        }
        if (act instanceof Act.Scale scale) {
            return "at " + scale.to();
        }
        if (act instanceof Act.Add add) {
            return figure(add.more().abs()) + unit + (add.more().signum() < 0 ? " less" : " more");
        }
        if (act instanceof Act.Shift shift) {
            int by = Math.abs(shift.by());
            String word = shift.unit() == Act.Shift.Unit.DAYS ? "day" : "month";
            return by + " " + word + (by == 1 ? "" : "s") + (shift.by() < 0 ? " sooner" : " later");
        }
        if (act instanceof Act.PaidLater later) {
            int days = Math.abs(later.days());
            return "paid " + days + (days == 1 ? " day " : " days ") + (later.days() < 0 ? "sooner" : "later");
        }
        if (act instanceof Act.NeverPaid never) {
            return never.points().number() + " points more never paid";
        }
        if (act instanceof Act.WithoutDiscounts) {
            return "paid in full, without discounts";
        }
        if (act instanceof Act.OnDueDates) {
            return "paid on due dates";
        }
        if (act instanceof Act.Fails) {
            return "fails";
        }
        return act instanceof Act.LeaveOut ? "left out" : "new";
    }

    private static String figure(BigDecimal number) {
        return String.format(Locale.ROOT, "%,." + number.scale() + "f", number);
    }

    /** Whole months are said as months. */
    private static String range(DayRange range) {
        if (range.isAlways()) {
            return "";
        }
        LocalDate from = range.from();
        LocalDate to = range.to();
        if (from == null) {
            return "up to " + end(to);
        }
        if (to == null) {
            return "from " + start(from) + " on";
        }
        return from.getDayOfMonth() == 1
                        && YearMonth.from(from).equals(YearMonth.from(to))
                        && to.equals(YearMonth.from(to).atEndOfMonth())
                ? "in " + MONTH.format(from)
                : start(from) + " to " + end(to);
    }

    private static String ramp(Ramp ramp) {
        return (ramp.comesOver() > 1 ? ", coming over " + ramp.comesOver() + " months" : "")
                + (ramp.goesOver() > 1 ? ", going over " + ramp.goesOver() + " months" : "");
    }

    private static String start(LocalDate day) {
        return day.getDayOfMonth() == 1 ? MONTH.format(day) : LONG_DAY.format(day);
    }

    private static String end(@Nullable LocalDate day) {
        return day == null
                ? ""
                : day.equals(YearMonth.from(day).atEndOfMonth()) ? MONTH.format(day) : LONG_DAY.format(day);
    }
}
