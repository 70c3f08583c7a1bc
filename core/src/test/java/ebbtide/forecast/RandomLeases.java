package ebbtide.forecast;

import ebbtide.money.Percent;
import ebbtide.plan.Charging;
import ebbtide.plan.Direction;
import ebbtide.plan.Interest;
import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;

/** Leases at random of both treatments, two of amount, payment and rate given, with their interest most often. */
final class RandomLeases {
    private final Random random;
    private final LocalDate asOf;

    /** Drawn apart from all else of a plan, so that its other lines are what they are without one. */
    RandomLeases(long seed, LocalDate asOf) {
        this.random = new Random(seed);
        this.asOf = asOf;
    }

    private static Line line(String id, boolean active, ebbtide.plan.Assumption assumption) {
        return new Line(id, null, id, Direction.PAYMENT, active, null, "", assumption, List.of());
    }

    List<Line> lines() {
        Line lease = line("lease", random.nextInt(8) > 0, lease());
        return random.nextInt(4) == 0
                ? List.of(lease)
                : List.of(
                        lease, line("lease interest", true, new Interest(Interest.Of.LINE, "lease", Charging.MONTHLY)));
    }

    private Lease lease() {
        int payments = 1 + random.nextInt(40);
        long financed = 1 + random.nextInt(20_000_000);
        long last = random.nextInt(3) == 0 ? random.nextInt(1_000_000) : 0;
        int given = random.nextInt(3);
        Lease.Treatment treatment = Lease.Treatment.values()[random.nextInt(2)];
        long payment = financed / payments + 1 + random.nextInt(1 + (int) (financed / payments / 20));
        return new Lease(
                treatment,
                asOf.plusDays(random.nextInt(500) - 250),
                given == 0 ? 0 : financed,
                given == 1 ? 0 : payment,
                given == 2 ? null : new Percent(random.nextInt(90_000)),
                payments,
                1 + random.nextInt(4),
                random.nextBoolean(),
                random.nextInt(2) * random.nextInt(900_000),
                last,
                random.nextInt(3) == 0 ? 1 + random.nextInt(90) : 0,
                random.nextInt(3) == 0
                        ? Lease.Taxed.NONE
                        : new Lease.Taxed(
                                new Percent(200_000),
                                new Percent(random.nextInt(2) * 400_000 + 600_000),
                                random.nextBoolean()),
                random.nextBoolean(),
                Convention.values()[random.nextInt(Convention.values().length)],
                random.nextInt(3) == 0 ? null : asOf.minusDays(random.nextInt(2) * random.nextInt(40)));
    }
}
