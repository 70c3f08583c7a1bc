package ebbtide.time;

import ebbtide.money.Check;
import ebbtide.money.Split;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;

/** How a month's amount lies over the days of that month; it never leaves the month (rules 1.6). */
public sealed interface Spread {
    /** Lays an amount in minor units over the days of a month of the timeline; the parts add up to it. */
    void lay(long minor, int monthNumber, Timeline timeline, DaySink sink);

    /** Returns a sum of amounts to be laid together: a day gets what each alone would bring to it. */
    default SpreadSum sum(Timeline timeline, DaySink sink) {
        return new SpreadSum() {
            @Override
            public void add(long minor, int monthNumber) {
                Spread.this.lay(minor, monthNumber, timeline, sink);
            }

            @Override
            public void lay() {
                // Each amount was laid as it came.
            }
        };
    }

    /** Returns the words for it in a sentence: "even over business days". */
    String words();

    /**
     * Another spread, with the month that holds a day laid over what it lays after that day alone; over the business
     * days left where it lays nothing there, and on the month's last day where none is left.
     */
    record After(Spread of, LocalDate day) implements Spread {
        private static final long NOMINAL = 1_000_000_000_000L;

        @Override
        public void lay(long minor, int monthNumber, Timeline timeline, DaySink sink) {
            int end = timeline.startOfMonth(monthNumber) + timeline.lengthOfMonth(monthNumber);
            int first = timeline.index(day) + 1;
            if (first <= timeline.startOfMonth(monthNumber) || first >= end) {
                of.lay(minor, monthNumber, timeline, sink);
                return;
            }
            long[] weights = new long[end - first];
            if (!(of instanceof Even)) {
                of.lay(NOMINAL, monthNumber, timeline, (at, part) -> {
                    if (at >= first) {
                        weights[at - first] += part;
                    }
                });
            }
            if (Arrays.stream(weights).sum() == 0) {
                Arrays.stream(timeline.businessDays(monthNumber))
                        .filter(at -> at >= first)
                        .forEach(at -> weights[at - first] = 1);
            }
            if (Arrays.stream(weights).sum() == 0) {
                weights[weights.length - 1] = 1;
            }
            long[] parts = Split.byWeights(minor, weights);
            for (int i = 0; i < parts.length; i++) {
                if (parts[i] != 0) {
                    sink.add(first + i, parts[i]);
                }
            }
        }

        @Override
        public String words() {
            return of.words();
        }
    }

    /** Even over the month's business days; over all its days if it has no business day. */
    record Even() implements Spread {
        @Override
        public void lay(long minor, int monthNumber, Timeline timeline, DaySink sink) {
            int[] days = days(timeline, monthNumber);
            // Equal weights: the largest remainders are all equal, so the earliest days take the units left over.
            long each = minor / days.length;
            long left = Math.abs(minor % days.length);
            long unit = Long.signum(minor);
            for (int i = 0; i < left; i++) {
                sink.add(days[i], each + unit);
            }
            for (int i = (int) left; i < days.length; i++) {
                sink.add(days[i], each);
            }
        }

        @Override
        public SpreadSum sum(Timeline timeline, DaySink sink) {
            return new EvenSum(timeline, month -> days(timeline, month), sink);
        }

        private static int[] days(Timeline timeline, int monthNumber) {
            int[] business = timeline.businessDays(monthNumber);
            if (business.length > 0) {
                return business;
            }
            int[] all = new int[timeline.lengthOfMonth(monthNumber)];
            Arrays.setAll(all, i -> timeline.startOfMonth(monthNumber) + i);
            return all;
        }

        @Override
        public String words() {
            return "even over business days";
        }
    }

    /** Days of the month with weights; one day alone takes all. A day the month lacks is its last. */
    record OnDays(List<DayWeight> days) implements Spread {
        public OnDays {
            days = List.copyOf(days);
            Check.that(!days.isEmpty(), "a spread over days needs at least one day");
        }

        @Override
        public void lay(long minor, int monthNumber, Timeline timeline, DaySink sink) {
            long[] parts = Split.byWeights(
                    minor, days.stream().mapToLong(DayWeight::weight).toArray());
            for (int i = 0; i < parts.length; i++) {
                int dayOfMonth = Math.min(days.get(i).day(), timeline.lengthOfMonth(monthNumber));
                LocalDate day = timeline.date(timeline.startOfMonth(monthNumber) + dayOfMonth - 1);
                sink.add(timeline.index(Convention.MODIFIED_FOLLOWING.adjust(day, timeline.calendar())), parts[i]);
            }
        }

        @Override
        public String words() {
            return (days.size() == 1 ? "on day " : "on days ")
                    + String.join(
                            ", ",
                            days.stream().map(d -> Integer.toString(d.day())).toList());
        }
    }

    /** A day of the month, 1 to 31, and its weight, 1 to 1,000,000. */
    record DayWeight(int day, int weight) {
        public DayWeight {
            Check.inRange(day, 1, 31, "day of the month");
            Check.inRange(weight, 1, 1_000_000, "weight of day " + day);
        }
    }

    /**
     * Weights of the weeks of the month: days 1-7, 8-14, 15-21, 22-28 and 29 to the end, even over the business days
     * inside each; a week without business days gives its weight to the others.
     */
    record ByWeek(List<Integer> weights) implements Spread {
        public ByWeek {
            weights = List.copyOf(weights);
            Check.that(
                    weights.size() == 5, "a spread by week of the month has five weights, but had " + weights.size());
            weights.forEach(w -> Check.inRange(w, 0, 1_000_000, "weight of a week"));
            Check.that(
                    weights.stream().anyMatch(w -> w > 0), "at least one week of the month must have a weight above 0");
        }

        @Override
        public void lay(long minor, int monthNumber, Timeline timeline, DaySink sink) {
            int[] days = timeline.businessDays(monthNumber);
            int[] count = new int[5];
            for (int day : days) {
                count[weekOf(day, monthNumber, timeline)]++;
            }
            long[] open = new long[5];
            for (int w = 0; w < 5; w++) {
                open[w] = count[w] == 0 ? 0 : weights.get(w);
            }
            if (Arrays.stream(open).sum() == 0) {
                new Even().lay(minor, monthNumber, timeline, sink);
                return;
            }
            long[] parts = Split.byWeights(minor, open);
            long[][] inWeek = new long[5][];
            for (int w = 0; w < 5; w++) {
                long[] equal = new long[count[w]];
                Arrays.fill(equal, 1);
                inWeek[w] = count[w] == 0 ? equal : Split.byWeights(parts[w], equal);
            }
            int[] used = new int[5];
            for (int day : days) {
                int w = weekOf(day, monthNumber, timeline);
                sink.add(day, inWeek[w][used[w]++]);
            }
        }

        private static int weekOf(int day, int monthNumber, Timeline timeline) {
            return (day - timeline.startOfMonth(monthNumber)) / 7;
        }

        @Override
        public String words() {
            return "by week of the month";
        }
    }
}
