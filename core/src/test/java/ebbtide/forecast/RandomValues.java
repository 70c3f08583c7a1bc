package ebbtide.forecast;

import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.Steps;
import ebbtide.time.Period;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** Amounts, days and choices made at random, around an as-of date. */
class RandomValues {
    protected final Random random;
    protected final LocalDate asOf;

    RandomValues(Random random, LocalDate asOf) {
        this.random = random;
        this.asOf = asOf;
    }

    /** A number of at most so many digits before the point, with up to six decimals. */
    BigDecimal number(int digits) {
        return BigDecimal.valueOf(random.nextLong((long) Math.pow(10, digits + 6)), 6)
                .setScale(random.nextInt(7), java.math.RoundingMode.DOWN);
    }

    TreeMap<YearMonth, Long> months(int count, int from) {
        TreeMap<YearMonth, Long> months = new TreeMap<>();
        for (int i = 0; i < count; i++) {
            months.put(YearMonth.from(asOf.plusDays(1)).plusMonths(from + i), amount());
        }
        return months;
    }

    List<DatedItem> items() {
        Map<LocalDate, DatedItem> items = new TreeMap<>();
        for (int i = random.nextInt(5); i >= 0; i--) {
            LocalDate day = asOf.plusDays(random.nextInt(400) - 60L);
            items.put(day, new DatedItem(day, amount(), pick(List.of(Certainty.values())), "item " + i));
        }
        return List.copyOf(items.values());
    }

    Steps<Long> steps() {
        List<Steps.Step<Long>> steps = new ArrayList<>();
        LocalDate day = asOf.minusDays(random.nextInt(200));
        for (int i = random.nextInt(3); i >= 0; i--) {
            steps.add(new Steps.Step<>(day, amount()));
            day = day.plusDays(1 + random.nextInt(200));
        }
        return new Steps<>(steps);
    }

    Period somePeriod() {
        LocalDate start = asOf.plusDays(random.nextInt(80) - 20L);
        return new Period(start, start.plusDays(1 + random.nextInt(40)));
    }

    long amount() {
        return random.nextInt(6) == 0 ? random.nextInt(100) : random.nextInt(40_000_000);
    }

    <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }
}
