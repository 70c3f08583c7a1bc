package ebbtide.forecast;

import ebbtide.money.Percent;
import ebbtide.plan.BorrowingBase;
import ebbtide.plan.Charging;
import ebbtide.plan.Covenant;
import ebbtide.plan.DayCount;
import ebbtide.plan.Direction;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Revolving;
import ebbtide.plan.Steps;
import ebbtide.plan.TermDeposit;
import ebbtide.plan.TermLoan;
import ebbtide.time.Convention;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;

/** Facilities, loans, interest, covenants and the rules of the sweep at random, for plans made at random. */
final class RandomFunding {
    private final Random random;
    private final LocalDate asOf;

    RandomFunding(Random random, LocalDate asOf) {
        this.random = random;
        this.asOf = asOf;
    }

    List<Covenant> covenants() {
        return random.nextBoolean()
                ? List.of()
                : List.of(Covenant.Ratio.values()).stream()
                        .map(ratio -> new Covenant(
                                ratio.name(),
                                ratio.name(),
                                ratio,
                                BigDecimal.valueOf(
                                        random.nextInt(4_000), ratio == Covenant.Ratio.LEAST_LIQUIDITY ? 0 : 2),
                                pick(List.of(Covenant.Every.values())),
                                asOf.getDayOfMonth() % 3 == 0
                                        ? Covenant.Breach.NOTHING
                                        : Covenant.Breach.values()[1 + ratio.ordinal() % 2]))
                        .toList();
    }

    TreeMap<YearMonth, Covenant.PastMonth> pastMonths() {
        TreeMap<YearMonth, Covenant.PastMonth> past = new TreeMap<>();
        for (int back = random.nextInt(14); back > 0; back--) {
            past.put(
                    YearMonth.from(asOf.plusDays(1)).minusMonths(back),
                    new Covenant.PastMonth(
                            amount() - 4_000_000L, amount() / 9, amount() / 9, amount() / 9, amount() / 9));
        }
        return past;
    }

    FundingRules rules() {
        return new FundingRules(
                pick(List.of(FundingRules.Sweeps.values())),
                random.nextInt(3) * 10_000L,
                pick(List.of(FundingRules.InterestBy.values())),
                random.nextInt(3) > 0 ? null : BigDecimal.valueOf(random.nextInt(60)),
                asOf.getDayOfMonth() % 3 == 0 ? null : asOf.getDayOfMonth() % 5);
    }

    /** Facilities, a loan, a deposit, a lease, and most of their interest. */
    List<Line> lines() {
        List<Line> lines = new ArrayList<>();
        for (int i = random.nextInt(3); i >= 0; i--) {
            Revolving facility = new Revolving(
                    steps(),
                    random.nextBoolean(),
                    random.nextInt(3) > 0 ? null : asOf.plusDays(random.nextInt(60) - 20),
                    random.nextInt(3) > 0 ? null : asOf.plusDays(90 + random.nextInt(300)),
                    Steps.from(asOf.minusYears(2), new Percent(random.nextInt(60_000))),
                    Steps.from(asOf.minusYears(2), new Percent(20_000)),
                    Steps.from(asOf.minusYears(2), new Percent(5_000)),
                    random.nextBoolean() ? 1 : 50_000,
                    random.nextInt(4),
                    Steps.none(),
                    new Charging(
                            pick(List.of(DayCount.values())),
                            pick(List.of(Charging.Often.values())),
                            random.nextBoolean()),
                    new Revolving.Drawn(
                            asOf.minusDays(random.nextInt(50)), random.nextInt(5_000_000), random.nextInt(2) * 4_000L),
                    random.nextInt(3) > 0
                            ? null
                            : new BorrowingBase(
                                    new Percent(random.nextInt(900_000)),
                                    new Percent(random.nextInt(600_000)),
                                    random.nextInt(100),
                                    amount()));
            lines.add(new Line(
                    "f" + i,
                    null,
                    "Facility " + i,
                    Direction.PAYMENT,
                    random.nextInt(8) > 0,
                    null,
                    "",
                    facility,
                    List.of()));
            if (random.nextInt(4) > 0) {
                lines.add(new Line(
                        "fi" + i,
                        null,
                        "Interest " + i,
                        Direction.PAYMENT,
                        true,
                        null,
                        "",
                        new Interest(Interest.Of.LINE, "f" + i, Charging.MONTHLY),
                        List.of()));
            }
        }
        LocalDate drawn = asOf.plusDays(random.nextInt(200) - 100);
        lines.add(new Line(
                "loan",
                null,
                "Loan",
                Direction.PAYMENT,
                random.nextInt(8) > 0,
                null,
                "",
                new TermLoan(
                        pick(List.of(TermLoan.By.values())),
                        new TermLoan.Balance(drawn, amount(), 0),
                        random.nextBoolean(),
                        Steps.from(drawn.minusYears(1), new Percent(random.nextInt(90_000))),
                        drawn.plusDays(25),
                        24,
                        1,
                        2,
                        random.nextBoolean() ? null : pick(List.of(DayCount.values())),
                        pick(List.of(Convention.values())),
                        List.of(),
                        List.of(),
                        true,
                        1_000),
                List.of()));
        lines.add(new Line(
                "li",
                null,
                "Loan interest",
                Direction.PAYMENT,
                true,
                null,
                "",
                new Interest(Interest.Of.LINE, "loan", Charging.MONTHLY),
                List.of()));
        lines.add(new Line(
                "oi",
                null,
                "Overdraft interest",
                Direction.PAYMENT,
                true,
                null,
                "",
                new Interest(Interest.Of.OVERDRAFT, null, Charging.MONTHLY),
                List.of()));
        lines.add(new Line(
                "ci",
                null,
                "Interest on cash",
                Direction.PAYMENT,
                true,
                null,
                "",
                new Interest(Interest.Of.CASH, null, Charging.MONTHLY),
                List.of()));
        lines.addAll(deposit(new Random(31 * asOf.toEpochDay() + drawn.toEpochDay() + lines.size())));
        lines.addAll(new RandomLeases(37 * asOf.toEpochDay() + drawn.toEpochDay() + lines.size(), asOf).lines());
        return lines;
    }

    /**
     * A deposit at random, and most often its interest; drawn apart, so that the other lines are what they are without
     * one.
     */
    private List<Line> deposit(Random own) {
        LocalDate on = asOf.plusDays(own.nextInt(300) - 120);
        TermDeposit.Running running =
                on.isAfter(asOf) || own.nextBoolean() ? null : new TermDeposit.Running(asOf, own.nextInt(90_000));
        boolean notice = own.nextInt(3) == 0;
        LocalDate last = (on.isAfter(asOf) ? on : asOf).plusDays(1 + own.nextInt(400));
        TermDeposit.Notice called = new TermDeposit.Notice(
                own.nextInt(40),
                own.nextBoolean() ? null : (on.isAfter(asOf) ? on : asOf).plusDays(1 + own.nextInt(300)));
        TermDeposit.Rollover rollover =
                notice || own.nextBoolean() ? null : new TermDeposit.Rollover(1 + own.nextInt(4), own.nextBoolean());
        TermDeposit.Broken broken = own.nextInt(3) > 0
                ? null
                : new TermDeposit.Broken(
                        (on.isAfter(asOf) ? on : asOf).plusDays(1 + own.nextInt(500)), 0, own.nextInt(60));
        LocalDate known =
                !notice ? last : called.given() == null ? null : called.given().plusDays(called.days());
        broken = broken == null
                        || rollover != null
                        || known == null
                        || broken.on().isBefore(known)
                ? broken
                : null;
        Steps<Percent> rate = new Steps<>(List.of(
                new Steps.Step<>(on.minusYears(1), new Percent(own.nextInt(60_000))),
                new Steps.Step<>(asOf.plusDays(100), new Percent(own.nextInt(60_000)))));
        Line line = new Line(
                "deposit",
                null,
                "Deposit",
                Direction.PAYMENT,
                own.nextInt(8) > 0,
                null,
                "",
                new TermDeposit(
                        on,
                        own.nextInt(30_000_000),
                        running,
                        notice ? null : last,
                        notice ? called : null,
                        rate,
                        DayCount.values()[own.nextInt(3)],
                        own.nextInt(3),
                        rollover,
                        broken),
                List.of());
        return own.nextInt(4) == 0
                ? List.of(line)
                : List.of(
                        line,
                        new Line(
                                "di",
                                null,
                                "Deposit interest",
                                Direction.PAYMENT,
                                true,
                                null,
                                "",
                                new Interest(Interest.Of.DEPOSIT, "deposit", Charging.MONTHLY),
                                List.of()));
    }

    private Steps<Long> steps() {
        return Steps.from(asOf.minusYears(1), amount());
    }

    private long amount() {
        return random.nextInt(6) == 0 ? random.nextInt(100) : random.nextInt(40_000_000);
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }
}
