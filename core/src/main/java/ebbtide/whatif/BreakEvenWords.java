package ebbtide.whatif;

import static ebbtide.time.DayFormats.LONG_DAY;

import ebbtide.money.HowFar;
import ebbtide.money.Money;
import ebbtide.plan.Plan;
import java.math.BigDecimal;
import java.util.Locale;
import java.util.Optional;

/** The answer of a break-even search in sentences, with the day that binds (rules 11.6). */
public final class BreakEvenWords {

    private final Plan plan;
    private final BreakEven.Answer answer;
    private final String level;

    private BreakEvenWords(Plan plan, BreakEven.Answer answer, Measure measure) {
        this.plan = plan;
        this.answer = answer;
        this.level = measure.words();
    }

    /** Returns the answer in sentences. */
    public static String of(Plan plan, BreakEven.Answer answer, Measure measure) {
        return new BreakEvenWords(plan, answer, measure).sentences();
    }

    /** Returns how much of a scenario funding survives, in sentences (rules 11.9). */
    public static String ofShare(Plan plan, BreakEven.Answer answer, String scenario) {
        BreakEvenWords words = new BreakEvenWords(plan, answer, new Measure.LeastHeadroom());
        return answer.holds()
                ? answer.up()
                        .map(edge ->
                                "Funding survives " + words.value(edge.holds().multiple()) + " of '" + scenario
                                        + "', with headroom of "
                                        + words.money(edge.holds().level()) + "; at "
                                        + words.value(edge.fails().multiple()) + " it falls to "
                                        + words.money(edge.fails().level()) + " on "
                                        + LONG_DAY.format(edge.fails().level().day()) + ".")
                        .orElse("Funding survives all of '" + scenario + "', and twice as much.")
                : "Headroom is below nil without any of '" + scenario + "': "
                        + words.money(answer.now().level()) + " on "
                        + LONG_DAY.format(answer.now().level().day()) + ".";
    }

    private String sentences() {
        String now = "Now, at " + value(answer.now().multiple()) + ", " + level + " is "
                + money(answer.now().level());
        if (!answer.holds()) {
            return now + ", which is too little. "
                    + answer.nearest()
                            .map(point -> "The nearest that suffices is " + value(point.multiple()) + ", with "
                                    + money(point.level()) + ".")
                            .orElse("Nothing from " + value(answer.dial().least()) + " to "
                                    + value(answer.dial().most()) + " suffices.");
        }
        return now + ". " + way("down", answer.down(), answer.dial().least()) + " "
                + way("up", answer.up(), answer.dial().most());
    }

    private String way(String way, Optional<HowFar.Edge<Measure.Level>> edge, long end) {
        if (answer.now().multiple() == end) {
            return "It cannot go further " + way + ".";
        }
        return edge.map(one -> "It can go " + way + " to " + value(one.holds().multiple()) + ", with "
                        + money(one.holds().level()) + "; at "
                        + value(one.fails().multiple()) + " it falls to "
                        + money(one.fails().level()) + " on "
                        + LONG_DAY.format(one.fails().level().day())
                        + (one.others() ? ", and further on it would suffice again." : "."))
                .orElse("It suffices all the way " + way + " to " + value(end) + ".");
    }

    private String value(long multiple) {
        BigDecimal number = answer.dial().value(multiple);
        String figure = String.format(Locale.ROOT, "%,." + number.scale() + "f", number);
        return answer.dial().scales() ? figure + "%" : figure;
    }

    private String money(Measure.Level of) {
        return Money.words(of.minor(), plan.settings().currency());
    }
}
