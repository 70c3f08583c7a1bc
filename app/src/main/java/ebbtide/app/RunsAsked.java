package ebbtide.app;

import ebbtide.chance.Simulation;
import ebbtide.money.Refused;
import ebbtide.track.PastErrors;
import java.util.Map;

/** The runs that the command is asked for: how many, how many weeks err, and their seed (rules 11.8). */
record RunsAsked(int runs, int weeks, long seed) {
    private static final String RUNS = "--runs";
    private static final String WEEKS = "--weeks";
    private static final String SEED = "--seed";

    /**
     * Returns the runs that options ask for, the usual ones where they are silent.
     *
     * @throws Refused where an option is no whole number in its range
     */
    static RunsAsked of(Map<String, String> options) {
        return new RunsAsked(
                (int) number(options, RUNS, Simulation.USUAL_RUNS, 1, Simulation.MOST_RUNS),
                (int) number(options, WEEKS, Simulation.USUAL_WEEKS, 1, PastErrors.MOST_LEADS),
                number(options, SEED, Simulation.USUAL_SEED, Long.MIN_VALUE, Long.MAX_VALUE));
    }

    private static long number(Map<String, String> options, String option, long usual, long least, long most) {
        String typed = options.get(option);
        if (typed == null) {
            return usual;
        }
        try {
            long number = Long.parseLong(typed);
            if (number >= least && number <= most) {
                return number;
            }
        } catch (NumberFormatException e) {
            // Said below, as what is out of range.
        }
        throw new Refused("Say " + option + " as a whole number"
                + (option.equals(SEED) ? "" : " from " + least + " to " + most) + ", but was '" + typed + "'.");
    }
}
