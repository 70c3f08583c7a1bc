package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.money.Split;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A collection or payment pattern by months: which share of a month's gross amount is paid how many months later, and
 * which is never (rules 3.2). Shares add up to exactly 100%.
 */
public record MonthPattern(
        List<Step> steps, Percent never, @Nullable Integer writeOffLag) {
    private static final int FURTHEST_LAG = 36;

    /** A share paid some months after its month (before it when negative), less a discount: 2% is what is taken off. */
    public record Step(Percent share, int lagMonths, Percent discount) {
        public Step {
            Check.inRange(share, Percent.ZERO, Percent.HUNDRED, "share");
            Check.inRange(lagMonths, -FURTHEST_LAG, FURTHEST_LAG, "months later");
            Check.inRange(discount, Percent.ZERO, Percent.HUNDRED, "discount");
        }

        /** Returns the words of the delay: "same month", "1 month later", "2 months ahead". */
        public String delayWords() {
            int months = Math.abs(lagMonths);
            String unit = months == 1 ? " month " : " months ";
            return lagMonths == 0 ? "same month" : months + unit + (lagMonths > 0 ? "later" : "ahead");
        }
    }

    public MonthPattern {
        steps = List.copyOf(steps);
        Check.inRange(never, Percent.ZERO, Percent.HUNDRED, "share that is never paid");
        Check.that(!steps.isEmpty(), "a pattern needs at least one step");
        Check.that(steps.size() <= 24, "a pattern has at most 24 steps, but had " + steps.size());
        Percent sum = steps.stream().map(Step::share).reduce(never, Percent::plus);
        if (!sum.equals(Percent.HUNDRED)) {
            throw new Refused("Shares must add up to 100%, but "
                    + Stream.concat(
                                    steps.stream().map(Step::share),
                                    never.millionths() == 0 ? Stream.of() : Stream.of(never))
                            .map(Percent::toString)
                            .collect(Collectors.joining(" + "))
                    + " is " + sum + ": " + missWords(sum));
        }
        if (writeOffLag != null) {
            Check.inRange(writeOffLag, 0, FURTHEST_LAG, "months until it is written off");
        }
    }

    Inputs<MonthPattern> inputs() {
        Inputs<MonthPattern> inputs = Inputs.of(this);
        for (int i = 0; i < steps.size(); i++) {
            Step step = steps.get(i);
            int at = i;
            long before = steps.subList(0, i).stream()
                    .filter(one -> one.lagMonths() == step.lagMonths())
                    .count();
            String path = "steps[" + step.lagMonths() + (before == 0 ? "" : "#" + (before + 1)) + "]/";
            inputs.own(new Input<>(
                    path + "share",
                    "share paid " + step.delayWords(),
                    null,
                    Unit.SHARE,
                    Input.Value.of(step.share()),
                    null,
                    "",
                    true,
                    value -> withShare(at, (Percent) value.held())));
            inputs.own(new Input<>(
                    path + "discount",
                    "discount on what is paid " + step.delayWords(),
                    null,
                    Unit.SHARE,
                    Input.Value.of(step.discount()),
                    null,
                    "",
                    step.discount().millionths() != 0,
                    value -> new MonthPattern(
                            Inputs.replaced(
                                    steps, at, new Step(step.share(), step.lagMonths(), (Percent) value.held())),
                            never,
                            writeOffLag)));
        }
        return inputs.own(new Input<>(
                "never",
                "share never paid",
                null,
                Unit.SHARE,
                Input.Value.of(never),
                null,
                "",
                never.millionths() != 0,
                value -> new MonthPattern(
                        madeUp(List.copyOf(steps), -1, never.minus((Percent) value.held())),
                        (Percent) value.held(),
                        writeOffLag)));
    }

    /**
     * Returns the pattern with another share of a step; what that takes, or gives back, is made up by the latest other
     * step, then the next (rules 11.2).
     */
    private MonthPattern withShare(int at, Percent share) {
        Step step = steps.get(at);
        Check.inRange(share, Percent.ZERO, Percent.HUNDRED, "share");
        List<Step> others = Inputs.replaced(steps, at, new Step(share, step.lagMonths(), step.discount()));
        return new MonthPattern(madeUp(others, at, step.share().minus(share)), never, writeOffLag);
    }

    /**
     * Adds what is over to the latest other steps, of equal lags the last; below zero it is taken from them as far as
     * they reach.
     */
    private static List<Step> madeUp(List<Step> all, int kept, Percent over) {
        List<Step> made = new ArrayList<>(all);
        List<Integer> latest = IntStream.range(0, all.size())
                .filter(i -> i != kept)
                .boxed()
                .sorted(Comparator.comparing((Integer i) -> all.get(i).lagMonths())
                        .thenComparing(Comparator.naturalOrder())
                        .reversed())
                .toList();
        long left = over.millionths();
        for (int i : latest) {
            Step step = all.get(i);
            long moved = Math.max(left, -step.share().millionths());
            made.set(i, new Step(new Percent(step.share().millionths() + moved), step.lagMonths(), step.discount()));
            left -= moved;
        }
        return made;
    }

    /**
     * Returns the pattern with so many points more that are never paid, taken from the steps in proportion by largest
     * remainder (rules 11.3).
     *
     * @throws Refused where that leaves more than all, or less than nothing
     */
    public MonthPattern neverPaid(Percent points) {
        Check.inRange(never.plus(points), Percent.ZERO, Percent.HUNDRED, "share that is never paid");
        long left = Percent.WHOLE - never.plus(points).millionths();
        long[] shares = Split.byWeights(
                left,
                steps.stream().mapToLong(step -> step.share().millionths()).toArray());
        return new MonthPattern(
                IntStream.range(0, shares.length)
                        .mapToObj(i -> new Step(
                                new Percent(shares[i]),
                                steps.get(i).lagMonths(),
                                steps.get(i).discount()))
                        .toList(),
                never.plus(points),
                writeOffLag);
    }

    /** Returns the pattern without any discount: what is paid is paid in full. */
    public MonthPattern withoutDiscounts() {
        return new MonthPattern(
                steps.stream()
                        .map(step -> new Step(step.share(), step.lagMonths(), Percent.ZERO))
                        .toList(),
                never,
                writeOffLag);
    }

    /** Returns the pattern in which everything is paid in its own month. */
    public static MonthPattern atOnce() {
        return new MonthPattern(List.of(new Step(Percent.HUNDRED, 0, Percent.ZERO)), Percent.ZERO, null);
    }

    private static String missWords(Percent sum) {
        return sum.compareTo(Percent.HUNDRED) < 0
                ? Percent.HUNDRED.minus(sum) + " is missing"
                : sum.minus(Percent.HUNDRED) + " too much";
    }

    /** Returns how many months after its month the unpaid share is written off: the greatest lag unless set. */
    public int monthsToWriteOff() {
        return writeOffLag != null ? writeOffLag : Math.max(0, longestLag());
    }

    /** Returns the greatest number of months later, 0 if all is paid at once or ahead. */
    public int longestLag() {
        int longest = 0;
        for (Step step : steps) {
            longest = Math.max(longest, step.lagMonths());
        }
        return longest;
    }

    /** Returns how many months ahead of its month the earliest share is paid, 0 if none is. */
    public int longestLead() {
        int longest = 0;
        for (Step step : steps) {
            longest = Math.max(longest, -step.lagMonths());
        }
        return longest;
    }
}
